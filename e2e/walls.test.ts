/** On the walls: works moved by hand and by keys, drawn to their line, held and listed for the ladder. */
import { expect, test, type Page } from '@playwright/test'
import { boxOf, choose, clean, dialog, openOwnMusicRoom, toStep } from './person.ts'

const tag = (page: Page) => page.getByRole('region', { name: 'What hangs' })
const work = (page: Page, name: string) =>
  page.getByRole('group', { name: 'The wall' }).getByRole('button', { name, exact: true })

test('a work is moved off its line and back, another is hung, held by strips, and listed', async ({ page }) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await page.getByRole('link', { name: 'On the walls' }).click()
  await expect(page.getByText('8 of 14 hang')).toBeVisible()
  await page.getByRole('button', { name: /back wall, 1$/ }).click()
  await work(page, 'Felt hanging, back wall').focus()
  // the eyes of both who live there, between them
  await expect(tag(page)).toContainText(/on the line of the eyes\s*1640\smm/)
  await clean(page, 'a wall with what hangs there')

  await page.keyboard.press('Shift+ArrowUp')
  await expect(tag(page)).toContainText(/its middle is at 1740\smm/)
  await expect(page.getByText('Saved').first()).toBeVisible()
  await page.waitForTimeout(900) // it is let down once the keys rest
  await tag(page).getByRole('button', { name: 'Hang it there' }).click()
  await expect(tag(page)).not.toContainText('its middle is at')

  // by hand: from near it is drawn to its line
  const box = await boxOf(work(page, 'Felt hanging, back wall'))
  await page.mouse.move(box.x + box.width / 2, box.y + 20)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 40, box.y + 24, { steps: 5 })
  await page.mouse.up()
  await expect(tag(page)).not.toContainText('its middle is at')
  await expect(page.getByText(/^Saved/).first()).toBeVisible()

  await page.getByRole('button', { name: 'Hang Shelves for sheet music 1' }).click()
  await expect(page.getByText('9 of 14 hang')).toBeVisible()
  await tag(page).getByRole('button', { name: 'How it is held' }).click()
  await choose(page, dialog(page), 'By', 'strips')
  await dialog(page)
    .getByRole('button', { name: /^(Add|Save)$/ })
    .click()
  await expect(dialog(page)).toBeHidden()
  await expect(tag(page)).toContainText('what do its strips bear?')
  const hooks = page.getByRole('region', { name: 'Hooks and strips' })
  await expect(hooks.getByRole('row', { name: /Shelves for sheet music 1/ })).toContainText('strips')
  await expect(hooks.getByRole('row', { name: /Deep frame for the quilt/ })).toHaveCount(2)
  await expect(hooks).toContainText('hangs from a rail')
  await clean(page, 'the list for the ladder')
  await tag(page).getByRole('button', { name: 'Take it down' }).click()
  await expect(page.getByText('8 of 14 hang')).toBeVisible()
})

test('several hang as one: laid out, dashed, hung, moved together, brought to their height and parted', async ({
  page,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Placement')
  await page.getByRole('link', { name: 'On the walls' }).click()
  await page.getByRole('button', { name: /^M, hall side/ }).click()
  const panel = page.getByRole('region', { name: 'Hung as one' })
  await expect(panel).toContainText('Take two or more.')
  for (const number of [1, 2, 3])
    await panel.getByRole('checkbox', { name: `Shelves for sheet music ${number}` }).check()
  await choose(page, panel, 'Laid out', 'stack')
  await panel.getByLabel('Between them').fill('300')
  // three boards of 40 and two gaps of 300
  await expect(panel).toContainText(/900\smm wide, 720\smm high/)
  await panel.getByLabel('Between them').fill('twelve')
  await expect(panel.getByText(/“twelve”/)).toBeVisible()
  await panel.getByLabel('Between them').fill('300')
  await clean(page, 'a group that is laid out')
  await panel.getByRole('button', { name: 'Hang them so' }).click()
  await expect(page.getByText('11 of 14 hang')).toBeVisible()

  await work(page, 'Shelves for sheet music 2').focus()
  await expect(tag(page)).toContainText('Middle of The stack')
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(tag(page)).toContainText(/The stack: its middle is at/)
  await page.waitForTimeout(900) // it is let down once the keys rest
  await tag(page).getByRole('button', { name: 'Hang it there' }).click()
  await expect(tag(page)).not.toContainText(/The stack: its middle is at/)
  await tag(page).getByRole('button', { name: 'Hang one by one' }).click()
  await expect(tag(page)).not.toContainText('Middle of The stack')
})
