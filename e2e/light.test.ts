/** By what light: a dark place told, a lamp moved to it, what a lamp gives read off its packet. */
import { expect, test, type Page } from '@playwright/test'
import { boxOf, clean, dialog, openOwnMusicRoom, toStep } from './person.ts'

const tag = (page: Page) => page.getByRole('region', { name: 'Lamp', exact: true })
const lamp = (page: Page, name: string) =>
  page.getByRole('group', { name: 'The light of the room' }).getByRole('button', { name, exact: true })
const place = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'Where something is done' }).getByRole('row', { name })
/** The lux of a place, as they are said. */
const luxOf = async (page: Page, name: RegExp): Promise<number> =>
  Number(((await place(page, name).locator('strong').textContent()) ?? '').replace(/\D/g, ''))

test('a stool is too dark, its lamp is moved nearer by keys and by hand, and reads brighter', async ({ page }) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await page.getByRole('link', { name: 'By what light' }).click()
  await expect(page.getByText(/3 lamps, 2580 lm/)).toBeVisible()
  const dark = place(page, /^Playing stools 2/)
  await expect(dark).toContainText(/A lamp on an arm/)
  await expect(dark.locator('strong.inverted')).toBeVisible()
  await clean(page, 'the light of a room')

  const before = await luxOf(page, /^Playing stools 2/)
  await lamp(page, 'Reading lamps, long arm 2').focus()
  await expect(tag(page)).toContainText('1055 lm')
  await lamp(page, 'Reading lamps, long arm 2').evaluate((element) => {
    for (let times = 0; times < 3; times++)
      element.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', shiftKey: true, bubbles: true }))
  })
  await expect.poll(() => luxOf(page, /^Playing stools 2/)).toBeGreaterThan(before)
  // what keys hold is put down before it is undone
  await page.keyboard.press('Control+z')
  await expect.poll(() => luxOf(page, /^Playing stools 2/)).toBe(before)

  // by hand, and the light follows before it is let go
  await expect(page.getByText(/^Undid/).first()).toBeVisible()
  const box = await boxOf(lamp(page, 'Reading lamps, long arm 2'))
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 50, y, { steps: 5 })
  await expect.poll(() => luxOf(page, /^Playing stools 2/)).toBeGreaterThan(before)
  await page.mouse.up()
  await expect(page.getByText('Saved').first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect.poll(() => luxOf(page, /^Playing stools 2/)).toBe(before)

  // no lamp gives 0 lm, none is of 40 000 K; of another colour it is told
  await lamp(page, 'Low lamp by the bench').focus()
  await tag(page).getByRole('button', { name: 'What it gives' }).click()
  const form = dialog(page)
  await form.getByLabel('All its bulbs together').fill('0')
  await form.getByLabel(/^Colour/).fill('40000')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText(/“0”: expected/)).toBeVisible()
  await expect(form.getByText(/“40000”: expected/)).toBeVisible()
  await form.getByLabel('All its bulbs together').fill('806')
  await form.getByLabel(/^Colour/).fill('4000')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(tag(page)).toContainText(/4000 K beside 2700 K/)
  await page.keyboard.press('Control+z')
  await expect(tag(page)).toContainText('470 lm')
})
