/** A window dressed and a thing made, as a decorator does: seen in its cloth, measured, tried twice, bought as it is needed. */
import { expect, test } from '@playwright/test'
import { begin, choose, clean, dialog, makeStudio, openOwnMusicRoom, toStep } from './person.ts'

test('a bay in its curtains, another layer before them, and what is typed wrongly is said where it was typed', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await openOwnMusicRoom(page)
  await toStep(page, 'Surfaces')
  await page.getByRole('link', { name: 'Windows' }).click()
  await expect(page.getByRole('heading', { name: 'Windows', level: 1 })).toBeVisible()
  for (const state of ['shut', 'open'])
    await expect(page.getByRole('img', { name: `Bay window, round the bay, ${state}` })).toBeVisible()
  const tag = page.getByRole('region', { name: 'Dressing' })
  // 890, 1299 and 891, less twice 2 × 90 / tan 64° at its two corners
  await expect(tag).toContainText('2906')
  await expect(tag).toContainText('11.0 m of cloth')
  await clean(page, 'windows')

  await tag.getByRole('button', { name: 'Change' }).click()
  await dialog(page).getByLabel('Fullness').fill('9')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page).getByText('expected a number from 1 to 4')).toBeVisible()
  await dialog(page).getByLabel('Fullness').fill('2.4')
  await clean(page, 'what hangs here')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page)).toBeHidden()
  // six widths: more than was ordered, and it is said
  await expect(tag).toContainText('16.5 m of cloth')
  await expect(tag).toContainText(/m short/)

  await tag.getByRole('button', { name: 'Hang another before it' }).click()
  await choose(page, dialog(page), 'What hangs there', 'pelmet')
  await dialog(page).getByRole('button', { name: 'Hang it' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(tag.getByRole('heading', { name: /^Pelmet/ })).toBeVisible()
  await tag.getByRole('button', { name: 'Make a line to buy' }).click()
  await expect(tag.getByRole('link', { name: /^Its line/ })).toBeVisible()
  // it is there the next time too
  await page.reload()
  await expect(page.getByRole('button', { name: /Bay window.*curtains and pelmet/ })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('tries of a frame side by side, measured and taken; a shade made against bought; a cushion from nothing', async ({
  page,
}) => {
  test.setTimeout(150_000)
  await openOwnMusicRoom(page)
  await toStep(page, 'Surfaces')
  await page.getByRole('link', { name: 'Sewn, framed, made' }).click()
  await expect(page.getByRole('img', { name: 'The tries side by side on their wall' })).toBeVisible()
  const tag = page.getByRole('region', { name: 'What it takes' })
  await page.getByRole('button', { name: 'Elm, with a fillet' }).click()
  await expect(tag).toContainText('Elm, with a fillet')
  await clean(page, 'tries')
  await tag.getByRole('button', { name: 'Take this one' }).click()
  await expect(tag).toContainText('taken')
  // 860 less 10 covered, two fillets of 8 and two borders of 60 is 986; the face of 45 stands 39 over it on each side: 1064
  await page.getByLabel('Border of the mat').fill('60 mm')
  const saved = page.waitForResponse((response) => response.request().postData()?.includes('Measured') === true)
  await page.getByLabel('Border of the mat').blur()
  await saved
  await expect(tag.locator('.headline')).toContainText(/^1064/)
  await page.reload()
  await expect(page.getByLabel('Border of the mat')).toHaveValue(/60/)
  await page.getByLabel('Border of the mat').fill('0')
  await expect(page.getByText(/nothing.*expected/)).toBeVisible()

  await page.getByRole('button', { name: 'Low lamp by the bench' }).click()
  const against = page.getByRole('region', { name: 'Made or bought' })
  // rings 9.80, a sheet 11.50, tape 4.20, and the serge is at home; two and a half hours at 18
  await expect(against).toContainText('70.50')
  await expect(against).toContainText('Made it costs 3.50 less')
  await against.getByRole('button', { name: 'Stiff sheet' }).click()
  await dialog(page).getByLabel('At home').fill('1')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(against).toContainText('59.00')

  await page.getByRole('button', { name: /^Make something/ }).click()
  await dialog(page).getByRole('button', { name: 'Make it' }).click()
  await expect(dialog(page).getByText('is empty: expected some text')).toBeVisible()
  await dialog(page).getByLabel('This try is called').fill('In damson')
  await dialog(page).getByRole('button', { name: 'Make it' }).click()
  await expect(dialog(page).getByText('is empty: expected what it is')).toBeVisible()
  await dialog(page).getByLabel('Its name', { exact: true }).fill('Cushions for the bench')
  await dialog(page).getByRole('button', { name: 'Make it' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(tag.getByRole('heading', { name: 'Cushions for the bench' })).toBeVisible()
  await page.getByLabel('How many').fill('4')
  await page.getByLabel('How many').blur()
  await expect(page.getByRole('img', { name: /^How 8 panels lie on cloth/ })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('a room without a window, and a makeover without a room, say what to do', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Surfaces')
  await page.getByRole('link', { name: 'Windows' }).click()
  await expect(page.getByText('No room is measured yet.')).toBeVisible()
  await page.getByRole('link', { name: 'Sewn, framed, made' }).click()
  await expect(page.getByText('Nothing is made for it yet.')).toBeVisible()
})
