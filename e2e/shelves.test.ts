/** On shelves: a thing stood there by a form, moved by keys and by hand, composed by the worker and taken back. */
import { expect, test, type Page } from '@playwright/test'
import { boxOf, choose, clean, dialog, openOwnMusicRoom, toStep } from './person.ts'

const tag = (page: Page) => page.getByRole('region', { name: 'On show' })
const thing = (page: Page, name: string) =>
  page.getByRole('group', { name: 'The shelf' }).getByRole('button', { name, exact: true })
const rowOf = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: /^What stands there/ }).getByRole('row', { name })

test('a shelf with one fault is composed anew, and what does not fit is told', async ({ page }) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await page.getByRole('link', { name: 'On shelves' }).click()
  await expect(page.getByText('9 things')).toBeVisible()
  await expect(tag(page)).toContainText('Plaster head is heavy and stands high')
  await clean(page, 'a shelf')

  await page.getByRole('button', { name: 'Compose it' }).click()
  await expect(page.getByText(/what is heavy stands lower/)).toBeVisible({ timeout: 60_000 })
  await expect(tag(page)).toContainText('Nothing is held against it.')
  await page.getByRole('button', { name: 'Stand them so' }).click()
  // before that it only looks so
  await expect(page.getByRole('button', { name: 'Stand them so' })).toHaveCount(0)
  await expect(rowOf(page, /^Plaster head/)).toContainText(/1$/)
  await page.keyboard.press('Control+z')
  await expect(rowOf(page, /^Plaster head/)).toContainText(/3$/)

  // from board to board by keys, along it by hand
  await thing(page, 'Blue jug').focus()
  await page.keyboard.press('ArrowDown')
  await expect(rowOf(page, /^Blue jug/)).toContainText(/1$/)
  await page.keyboard.press('Control+z')
  await expect(rowOf(page, /^Blue jug/)).toContainText(/2$/)
  await expect(page.getByText(/^Undid/).first()).toBeVisible()
  const box = await boxOf(thing(page, 'Blue jug'))
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 120, box.y + box.height / 2, { steps: 5 })
  await expect(tag(page)).toContainText(/over the end of Music cabinet/)
  await page.mouse.up()
  await page.keyboard.press('Control+z')
  await expect(tag(page)).not.toContainText(/over the end of Music cabinet/)

  await page.getByRole('button', { name: 'Stand a thing on it' }).click()
  const form = dialog(page)
  await form.getByLabel('Called').fill('Tall lily vase')
  await choose(page, form, 'What it is', 'vase')
  await form.getByLabel('Wide', { exact: true }).fill('120')
  await form.getByLabel('High', { exact: true }).fill('400')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(page.getByText(/Tall lily vase is 100\smm too high for its board/).first()).toBeVisible()

  await page.getByRole('button', { name: 'Its boards' }).click()
  await form.getByLabel(/Height of each board/).fill('600; 0')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText(/expected the height of each board/)).toBeVisible()
  await form.getByLabel(/Height of each board/).fill('0; 450; 700')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(page.getByText(/too high for its board/)).not.toHaveCount(0)
})
