/** In a shop: a few measures on a phone, what to buy with its working, kept with two taps, or no trace left; with a net or without. */
import { expect, test } from '@playwright/test'
import { clean, openMakeover, openOwnMusicRoom, toStep } from './person.ts'

test.use({ serviceWorkers: 'allow' })
test('measures of any kind, the answer while one types, kept in a room with two taps, and asked again without a net', async ({
  page,
  context,
}) => {
  await openOwnMusicRoom(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await page.getByRole('link', { name: 'Calculators' }).click()
  const answer = page.getByRole('region', { name: 'What to buy' })
  await expect(answer).toContainText('Length of the room: expected how long the room is')
  await page.getByLabel('Length of the room').fill('12\' 6"')
  await page.getByLabel('Width of the room').fill('3.81 m')
  await page.getByLabel('Height of the room').fill('241')
  // 2 × (3810 + 3810) × 2410 is 36.73 m², less 3.10; two coats at 10 m² a litre and a quarter litre
  await expect(answer).toContainText('36.73 m²')
  await expect(answer.locator('.headline')).toHaveText('7.0 l')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(page, 'a calculator on a phone')
  await page.getByLabel('Coats').fill('12')
  await expect(page.getByText('are not 1 to 9')).toBeVisible()
  await page.getByLabel('Coats').fill('2')

  // another way of measuring, and another calculator: what was typed leaves no trace
  await page.getByRole('link', { name: 'Curtains' }).click()
  await page.getByLabel('Width of the window').fill('154')
  await page.getByLabel('Drop, from the hooks down').fill('230')
  await expect(answer.locator('.headline')).toContainText('of cloth')
  await page.getByLabel('Drop, from the hooks down').fill('0')
  await expect(page.getByText('is nothing or less: expected a length above zero')).toBeVisible()
  await page.getByLabel('Drop, from the hooks down').fill('230')

  await page.getByRole('link', { name: 'Cushions and covers' }).click()
  await page.getByLabel('How many').fill('6')
  await expect(page.getByRole('img', { name: /^How 12 panels lie on cloth/ })).toBeVisible()
  await expect(answer).toContainText('no way of laying them is shorter')
  await answer.getByRole('button', { name: 'Keep it in a makeover' }).click()
  await answer.getByRole('button', { name: /^Music room/ }).click()
  await expect(answer.getByRole('status')).toContainText('Kept in Music room')

  // away from any net the calculators open and answer all the same
  await page.evaluate(() => navigator.serviceWorker.ready)
  await context.setOffline(true)
  await page.goto('/calculators/light')
  await page.getByLabel('Length of the room').fill('400')
  await page.getByLabel('Width of the room').fill('300')
  await expect(answer.locator('.headline')).toHaveText('5000 lm, 7 lamps')
  await context.setOffline(false)

  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto('/')
  await openMakeover(page, /Music room/)
  await toStep(page, 'Pieces')
  await expect(page.getByText('Cloth for 6 square cushions').first()).toBeVisible()
})
