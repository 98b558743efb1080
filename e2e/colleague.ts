/** A second person in the same makeover, and what they do there. For tests. */
import { expect, type Browser, type Page } from '@playwright/test'
import { dialog, signIn } from './person.ts'

/** Lets another person into the studio of a page, and opens the same makeover in a browser of their own. */
export async function colleague(page: Page, browser: Browser, name: string): Promise<Page> {
  const who = { email: `${name.toLowerCase()}-${Date.now()}@test.example`, password: 'a long enough password' }
  await invited(page, who.email, { role: 'member', seesCosts: true })
  const [letter] = (await (await page.request.get('/api/letters')).json()) as { opens: string }[]
  const token = letter?.opens.split('#')[1]
  const made = await page.request.post('/api/join', { data: { token, name, password: who.password } })
  expect(made.status()).toBe(201)
  const otherPage = await (await browser.newContext()).newPage()
  await signIn(otherPage, who)
  await otherPage.goto(page.url())
  await expect(otherPage.getByRole('region', { name: 'Reckoning' })).toBeVisible()
  return otherPage
}

async function invited(page: Page, email: string, standing: object): Promise<void> {
  const answer = await page.request.post('/api/invitations', { data: { email, ...standing } })
  expect(answer.status()).toBe(201)
}

export async function addNeed(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a need' }).click()
  await dialog(page).getByLabel('What has to be possible').fill(name)
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog(page)).toBeHidden()
}

export const need = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(`^${name} `) })

export const openPiece = async (page: Page): Promise<void> => {
  await page.getByRole('region', { name: 'Piece' }).getByRole('button', { name: 'Change' }).click()
  await expect(dialog(page)).toBeVisible()
}
