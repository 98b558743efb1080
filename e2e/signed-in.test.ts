/** One's own ways in: another browser seen and signed out, a password changed, by eye and by keyboard. */
import { expect, test } from '@playwright/test'
import { clean, dialog, makeStudio, signIn } from './person.ts'

test('a browser left open elsewhere is signed out from here, and a new password ends what the former one opened', async ({
  page,
  browser,
}) => {
  test.setTimeout(90_000)
  const who = await makeStudio(page)
  const elsewhere = await (await browser.newContext()).newPage()
  await signIn(elsewhere, who)
  await page.getByRole('link', { name: 'Studio', exact: true }).click()
  const section = page.getByRole('region', { name: 'Where you are signed in' })
  await expect(section.getByText('this one')).toBeVisible()
  await clean(page, 'studio')
  await section.getByRole('button', { name: /^Sign out Chrome or Chromium/ }).click()
  await expect(section.getByRole('status')).toContainText('is signed out')
  await elsewhere.reload()
  await expect(elsewhere.getByLabel('Password')).toBeVisible()

  await signIn(elsewhere, who)
  await section.getByRole('button', { name: 'Change your password' }).press('Enter')
  await clean(page, 'change your password')
  await dialog(page).getByLabel('The one you have').fill('not the one I have')
  await dialog(page).getByLabel('The new one').fill('nine lanterns by the weir')
  await page.keyboard.press('Enter')
  await expect(dialog(page).getByText('is not right: expected the one you have now')).toBeVisible()
  await dialog(page).getByLabel('The one you have').fill(who.password)
  await page.keyboard.press('Enter')
  await expect(dialog(page)).toBeHidden()
  await expect(section.getByRole('status')).toContainText('The password is changed')
  await elsewhere.reload()
  await expect(elsewhere.getByLabel('Password')).toBeVisible()
  await signIn(elsewhere, { email: who.email, password: 'nine lanterns by the weir' })
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
