/** Placement: things carried in, moved by hand and by keys, checked as they move; a cure; rugs, first sight and the way in. */
import { expect, test, type Page } from '@playwright/test'
import { boxOf, choose, clean, dialog, openMakeover, openOwnMusicRoom, signIn, toStep } from './person.ts'

const tag = (page: Page) => page.getByRole('region', { name: 'Thing' })
const thing = (page: Page, name: string) =>
  page.getByRole('group', { name: 'The plan' }).getByRole('button', { name, exact: true })

test('a thing is moved by hand and by keys, its distances go with it, and it is put back at the door', async ({
  page,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await expect(page.getByText('10 of 10 in their place')).toBeVisible()
  await expect(page.getByText('Nothing waits')).toBeVisible()
  const table = thing(page, 'Cup table')
  await table.focus()
  await expect(tag(page)).toContainText('Cup table')
  await clean(page, 'the plan of a room')

  // by keys: ten centimetres with Shift
  const far = tag(page).locator('dd').first()
  const before = await far.textContent()
  await page.keyboard.press('Shift+ArrowDown')
  await expect(far).not.toHaveText(before ?? '')
  await page.keyboard.press('Control+z')
  await expect(far).toHaveText(before ?? '')

  // by hand: into the bench, and it is told; what was undone is said above the plan, which moves down
  await expect(page.getByText(/^Undid/).first()).toBeVisible()
  const box = await boxOf(table)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 62, { steps: 6 })
  await expect(tag(page)).toContainText(/stand in one place/)
  await page.mouse.up()
  await expect(page.getByText('Stop', { exact: true }).first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(far).toHaveText(before ?? '')

  // made up, the sofa bed meets a stool: the least move is shown before it is made
  await thing(page, 'Playing stools 2').focus()
  await expect(tag(page)).toContainText(/it meets Playing stools 2/)
  const stool = await far.textContent()
  await tag(page).getByRole('button', { name: 'The least move that cures it' }).first().click()
  await expect(tag(page).getByText(/dashed on the plan/)).toBeVisible()
  await expect(far).toHaveText(stool ?? '')
  await tag(page).getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText(/it meets Playing stools 2/)).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(far).toHaveText(stool ?? '')
  await table.focus()

  await tag(page).getByRole('button', { name: 'Put it back at the door' }).click()
  await expect(page.getByText('9 of 10 in their place')).toBeVisible()
  await page.getByRole('button', { name: /^Place Cup table/ }).click()
  await expect(page.getByText('10 of 10 in their place')).toBeVisible()

  // where it stands, typed as it is measured
  await tag(page).getByRole('button', { name: 'Say where' }).click()
  await dialog(page).getByLabel('So far', { exact: true }).fill('600')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(tag(page)).toContainText(/600\smm/)
  // what crosses itself is said where it was typed
  await tag(page).getByRole('button', { name: 'Its footprint' }).click()
  await dialog(page).getByLabel('Seen from above').click({ force: true })
  await page.getByRole('option', { name: 'drawn', exact: true }).filter({ visible: true }).click()
  await dialog(page).getByLabel('Its corners in order, in mm').fill('0 0, 500 500, 500 0, 0 500')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page).getByText(/crosses itself/)).toBeVisible()
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
})

test('layouts over one another, first sight, rugs and the way in', async ({ page }) => {
  await signIn(page)
  await openMakeover(page, /Music room/)
  await toStep(page, 'Placement')
  await page.getByRole('button', { name: 'Bench under the window' }).click()
  await expect(page.getByText(/4 of 10 in their place/)).toBeVisible()
  await choose(page, page.getByRole('main'), 'Lay it over another layout', 'As it will be')
  await page.getByRole('button', { name: 'As it will be, in force' }).click()
  await page.getByRole('button', { name: 'First sight' }).click()
  const sight = page.getByRole('region', { name: /^First sight/ })
  await expect(sight).toContainText(/is seen first/)
  await expect(sight.getByRole('row')).toHaveCount(11)
  // the eyes of both who live there, between them
  await expect(sight).toContainText(/eyes at 1640\smm/)
  await clean(page, 'first sight')
  await page.getByRole('button', { name: 'Rug sizes' }).click()
  await clean(page, 'rug sizes')
  await page.getByRole('button', { name: 'Way in' }).click()
  await expect(page.getByRole('region', { name: /^The way in/ })).toContainText('Into the stairwell')
  await clean(page, 'the way in')
  await page.goto('/')
  await openMakeover(page, /Breakfast room/)
  await toStep(page, 'Placement')
  await expect(page.getByText(/Bay benches: the way in is too tight/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Rug sizes' }).click()
  await expect(page.getByRole('region', { name: /^Rug sizes/ })).toContainText('too small for drawn chairs')

  // a way that is too narrow says so beside the plan, and whether a move widens it
  await page.getByRole('button', { name: 'The least move that widens it' }).first().click()
  await expect(page.getByText(/dashed on the plan|within 600\smm widens it/)).toBeVisible({ timeout: 60_000 })
})

test('what is wrong on the plan is cured from wherever it is read', async ({ page }) => {
  await openOwnMusicRoom(page)
  await page
    .getByRole('link', { name: /^Remarks/ })
    .first()
    .click()
  const cure = page.getByRole('button', { name: /^The least move: Study sofa, made up as a bed/ })
  await cure.click()
  await expect(dialog(page).getByText(/^Moved Playing stools 2 by/)).toBeVisible()
  await clean(page, 'a cure of the plan')
  await dialog(page).getByRole('button', { name: 'Do it' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(cure).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(cure).toBeVisible()
})

test('arranged in a worker with how far it is, taken and undone; dragged in from the door; a set placed at once', async ({
  page,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await page.getByRole('button', { name: 'Arrange', exact: true }).click()
  await expect(page.getByText('Nothing waits at the door.')).toBeVisible()
  await page.getByRole('button', { name: 'all that is not pinned' }).click()
  await page.getByRole('button', { name: 'Arrange for me' }).click()
  await expect(page.getByRole('progressbar', { name: 'How far the arranging is' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Way 3/ })).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText(/Every main way is|clear, where/).first()).toBeVisible()
  await clean(page, 'arrangements')
  await page.getByRole('button', { name: /^Way 2/ }).click()
  await page.getByRole('button', { name: 'Keep it as another layout' }).click()
  await expect(page.getByRole('button', { name: 'Arrangement 3', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Arrange for me' }).click()
  await page.getByRole('button', { name: 'That is enough' }).click()
  await page.getByRole('button', { name: 'Take it' }).click({ timeout: 60_000 })
  await expect(page.getByRole('button', { name: 'Take it' })).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Undid/).first()).toBeVisible()

  // back to the door, and in again by the hand: it stands where it is let go
  await page.getByRole('button', { name: 'Floor', exact: true }).click()
  await thing(page, 'Cup table').focus()
  await tag(page).getByRole('button', { name: 'Put it back at the door' }).click()
  const waiting = page.getByRole('button', { name: /^Place Cup table/ })
  await waiting.scrollIntoViewIfNeeded()
  const [door, plan] = [await boxOf(waiting), await boxOf(page.getByRole('group', { name: 'The plan' }))]
  await page.mouse.move(door.x + 20, door.y + 10)
  await page.mouse.down()
  await page.mouse.move(plan.x + plan.width * 0.4, plan.y + plan.height * 0.5, { steps: 8 })
  await expect(thing(page, 'Cup table')).toBeVisible()
  await page.mouse.up()
  await expect(page.getByText('10 of 10 in their place')).toBeVisible()
  const stood = await boxOf(thing(page, 'Cup table'))
  expect(Math.abs(stood.x + stood.width / 2 - plan.x - plan.width * 0.4)).toBeLessThan(12)

  for (const at of [1, 2]) {
    await thing(page, `Playing stools ${at}`).focus()
    await tag(page).getByRole('button', { name: 'Put it back at the door' }).click()
    await expect(page.getByText(`${10 - at} of 10 in their place`)).toBeVisible()
  }
  await page.getByRole('button', { name: 'All 2 as a set' }).click()
  await expect(page.getByText('10 of 10 in their place')).toBeVisible()
})
