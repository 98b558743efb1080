/** The hand on the tray of the palette: chips found, finishes laid in. For tests. */
import { expect, type Locator, type Page } from '@playwright/test'
import { choose, dialog } from './person.ts'

export const chip = (page: Page, name: string): Locator =>
  page.getByRole('group', { name: 'The tray', exact: true }).getByRole('button', { name: new RegExp(`^${name},`) })

export const tagOf = (page: Page): Locator => page.getByRole('region', { name: 'Finish' })

export const role = (page: Page, name: string): Locator => tagOf(page).getByRole('button', { name, exact: true })

export async function lay(
  page: Page,
  name: string,
  colour: string,
  picks: Record<string, string> = {},
  area = '10',
): Promise<void> {
  await page
    .getByRole('button', { name: /Add a finish|Lay down the first/ })
    .first()
    .click()
  const form = dialog(page)
  await form.getByLabel('Name').fill(name)
  await form.getByLabel('Colour', { exact: true }).fill(colour)
  for (const [label, option] of Object.entries(picks)) await choose(page, form, label, option)
  if (area) await form.getByLabel('Visible area by eye').fill(area)
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
}

/** The list forgets what was picked, since it lies there now. */
export async function layAlso(page: Page, name: string): Promise<void> {
  await tagOf(page).getByLabel('And beside them', { exact: true }).click({ force: true })
  await page.getByRole('option', { name, exact: true }).filter({ visible: true }).click()
  await expect(page.getByRole('group', { name: new RegExp(`^Edge to edge: .*${name}`) })).toBeVisible()
}
