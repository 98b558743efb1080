/** The calendar: a task moved by keys and by hand with all that hangs on it, ticked off, added to; what slips, and the chances. */
import { expect, test, type Page } from '@playwright/test'
import { boxOf, choose, clean, dialog, openOwnMusicRoom, toStep } from './person.ts'

const bar = (page: Page, name: RegExp) =>
  page.getByRole('group', { name: 'The work by hands' }).getByRole('button', { name })
const tag = (page: Page) => page.getByRole('region', { name: 'Task', exact: true })
const begins = (page: Page) => tag(page).locator('dt', { hasText: 'Begins' }).locator('xpath=following-sibling::dd')

test('what waits on whom: moved, put off, ticked off, and how likely the day is', async ({ page }) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Calendar')
  await expect(page.getByText(/All is ready on/)).toBeVisible()
  await expect(page.getByText(/ of 100 by the install day/)).toBeVisible()
  await expect(page.getByText(/By the classic formula, which adds up the one chain alone/)).toBeVisible()
  await clean(page, 'the calendar by hands')

  // by keys: the painters come later, and what waits for them moves with it, seen before it is put there
  await bar(page, /^Coat 2: Rain barrel/).focus()
  await expect(tag(page)).toContainText('Pell & Gull, painters')
  const before = await begins(page).textContent()
  for (let times = 0; times < 9; times++) await page.keyboard.press('ArrowRight')
  await expect(
    page.getByRole('status').filter({ hasText: /Coat 2: Rain barrel.* 9 days later: \d+ move/ }),
  ).toBeVisible()
  await expect(begins(page)).toHaveText(before ?? '')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(begins(page)).not.toHaveText(before ?? '')
  await expect(tag(page)).toContainText(/set to/)
  await page.keyboard.press('Control+z')
  await expect(begins(page)).toHaveText(before ?? '')
  await expect(page.getByText(/^Undid/).first()).toBeVisible()

  // by hand
  const box = await boxOf(bar(page, /^Coat 2: Rain barrel/).locator('.body'))
  await page.mouse.move(box.x + 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + 150, box.y + box.height / 2, { steps: 6 })
  await expect(page.getByText(/days later: \d+ move/)).toBeVisible()
  await page.mouse.up()
  await expect(begins(page)).not.toHaveText(before ?? '')
  await page.keyboard.press('Control+z')
  await expect(begins(page)).toHaveText(before ?? '')

  // what is on its way: by when it is ordered, and what it does when it slips
  await bar(page, /^Felt hanging, back wall/).focus()
  await expect(tag(page)).toContainText(/Order by/)
  await tag(page).getByLabel('Days it slips').fill('60')
  await expect(tag(page)).toContainText(/Moves with it\s*[45] tasks/)

  // a task of one's own; a range is in order, and nothing waits for what waits for it
  await page.getByRole('button', { name: 'Add work' }).click()
  const form = dialog(page)
  await form.getByLabel('What is done').fill('Sweep the chimney')
  await form.getByLabel(/^Least days/).fill('3')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form.getByText(/expected at most the likely 1/)).toBeVisible()
  await form.getByLabel(/^Least days/).fill('0.5')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await bar(page, /^Coat 1: Rain barrel/).focus()
  await tag(page).getByRole('button', { name: 'Waits for' }).click()
  await choose(page, dialog(page), 'After', 'Clean, Music room, studio')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog(page).getByText(/the two would wait for each other/)).toBeVisible()
  await choose(page, dialog(page), 'After', 'Sweep the chimney, studio')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(page.getByText('waits for Sweep the chimney', { exact: true })).toBeVisible()

  // by day, ticked off
  await page.getByRole('button', { name: 'By day' }).click()
  await page.getByRole('checkbox', { name: /^Clear and protect.*: done/ }).check()
  await expect(page.getByText('Saved').first()).toBeVisible()
  await expect(page.getByRole('checkbox', { name: /^Sweep the chimney: done/ }).first()).toBeVisible()
  await clean(page, 'the calendar by day')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByRole('checkbox', { name: /^Sweep the chimney: done/ }).first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(page, 'the calendar by day on a phone')
})

test('what comes: arranged, asked of the stand-in for its carrier, and put off; the sheet of the day', async ({
  page,
  browser,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Calendar')
  // a link that a calendar program follows, without any account, until it is taken back
  await choose(page, page.locator('.links'), 'Whose calendar', 'Pell & Gull, painters')
  await page.getByRole('button', { name: 'Make a link' }).click()
  const address = await page.getByLabel('The new link').inputValue()
  const stranger = await browser.newContext()
  const feed = await stranger.request.get(address)
  expect(feed.headers()['content-type']).toContain('text/calendar')
  expect(await feed.text()).toContain('Rain barrel')
  await page.getByRole('button', { name: /^Take back the link to Pell/ }).click()
  await expect(page.getByRole('button', { name: /^Take back the link to Pell/ })).toBeHidden()
  expect((await stranger.request.get(address)).status()).toBe(404)
  await stranger.close()

  // how likely, on a click of the reckoning line
  await page.getByRole('button', { name: /Install date and slack/ }).click()
  await expect(page.getByRole('region', { name: 'How likely' })).toContainText(/Within the agreed sum: .* runs\./)
  await page.getByRole('button', { name: 'Close' }).click()

  // days away out of another calendar, looked at before they are taken
  await page.getByLabel('a calendar file').setInputFiles({
    name: 'away.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from('no calendar'),
  })
  await expect(page.getByRole('alert')).toContainText('away.ics: This is not a calendar file')
  const year = new Date().getUTCFullYear() + 1
  const entry = `BEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:${year}0104\r\nDTEND;VALUE=DATE:${year}0109\r\nSUMMARY:Players away\r\nEND:VEVENT`
  await page.getByLabel('a calendar file').setInputFiles({
    name: 'away.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(`BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n${entry}\r\nEND:VCALENDAR\r\n`),
  })
  await expect(page.getByText('away.ics: 1 new of 1')).toBeVisible()
  await page.getByRole('button', { name: 'Take these days' }).click()
  await expect(page.getByRole('button', { name: 'Players away' })).toBeVisible()
  await clean(page, 'the calendar with its links')

  // a delivery
  await page.getByRole('link', { name: 'Deliveries' }).click()
  await page.getByRole('cell', { name: /^Curtain cloth/ }).click()
  await page.getByRole('button', { name: 'Arrange it' }).click()
  await dialog(page).getByLabel('From', { exact: false }).first().fill('11')
  await dialog(page).getByLabel(/^To/).fill('9 am')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog(page).getByText('expected later than 11:00')).toBeVisible()
  await dialog(page).getByLabel(/^To/).fill('2 pm')
  await dialog(page)
    .getByLabel(/^Who lets it in/)
    .fill('The neighbour')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'between 11:00 and 14:00' })).toBeVisible()
  await page.getByRole('button', { name: 'says nothing' }).click()
  await expect(page.getByText('Curtain cloth, heavy: nobody answers (simulated).')).toBeVisible()
  await page.getByRole('button', { name: 'delays' }).click()
  await expect(page.getByText(/Curtain cloth, heavy: It is held up.*\(simulated\)/)).toBeVisible()
  await expect(page.getByRole('row', { name: /Curtain cloth.*simulated/ })).toBeVisible()
  await clean(page, 'the deliveries')

  // the day itself, on a phone
  await page.getByRole('link', { name: 'Install day', exact: true }).click()
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByRole('checkbox', { name: 'Music cabinet: in its place' })).toBeVisible()
  await page.getByRole('button', { name: 'Note something' }).click()
  await dialog(page).getByLabel('What is not right').fill('The cabinet door rubs')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('checkbox', { name: 'The cabinet door rubs: put right' }).check()
  await expect(page.getByText('Saved').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(page, 'the sheet of the install day on a phone')
})
