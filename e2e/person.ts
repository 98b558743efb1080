/** What a decorator does in the browser, by label, for the tests of every step. */
import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'

export const demo = { email: 'ottilie@wrenandtide.example', password: 'lamplight-on-larch' }

export async function signIn(page: Page, { email, password } = demo): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Email').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('button', { name: 'Sign out', exact: true })).toBeVisible()
}

/** A studio of its own for a test, so that tests do not see each other. */
export async function makeStudio(page: Page): Promise<{ email: string; password: string }> {
  const who = { email: `${randomUUID()}@test.example`, password: 'a long enough password' }
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Make a studio' }).click()
  await page.getByLabel('Studio').fill('Test studio')
  await page.getByLabel('Your name').fill('Tess Ting')
  await page.getByLabel('Email').fill(who.email)
  await page.getByLabel('Password').fill(who.password)
  await page.getByRole('button', { name: 'Make the studio' }).click()
  await expect(page.getByText('No makeover yet')).toBeVisible()
  return who
}

/** Opens a makeover from the day page by its name. */
export const openMakeover = (page: Page, name: RegExp): Promise<void> =>
  page.getByRole('list', { name: 'All makeovers' }).getByRole('link', { name }).click()

/** The music room of the demo in a studio of the test's own, so that what is changed there is in nobody's way. */
export const openOwnMusicRoom = (page: Page): Promise<void> =>
  openOwn(page, 'music-room-tern-house', 'Music room, Tern House')
/** A makeover of the demo, by its file and its name, in a studio of the test's own. */
export async function openOwn(page: Page, file: string, name: string): Promise<void> {
  await makeStudio(page)
  await page.getByRole('link', { name: 'Studio', exact: true }).click()
  await page.getByLabel(/^Bring in a makeover/).setInputFiles(join(import.meta.dirname, `../demo/${file}.zip`))
  await page.getByRole('region', { name }).getByRole('button', { name: 'Bring it in' }).click()
  await page.getByRole('button', { name: 'Open it' }).click()
  await expect(page.getByRole('heading', { name: 'Brief', level: 1 })).toBeVisible()
}

export const dialog = (page: Page): Locator => page.getByRole('dialog')

/** Chooses an option of a list by its label. */
export async function choose(page: Page, scope: Locator, label: string, option: string): Promise<void> {
  const wanted = page.getByRole('option', { name: option, exact: true }).filter({ visible: true })
  // a list that opened while its dialog still moved closes again: a person clicks a second time
  await expect(async () => {
    // the list draws its value over the input that is labelled
    if (!(await wanted.isVisible())) await scope.getByLabel(label, { exact: true }).click({ force: true })
    await expect(wanted).toBeVisible({ timeout: 3000 })
  }).toPass({ timeout: 30_000 })
  await wanted.click()
  const shown = scope.locator('.el-select').filter({ has: page.getByLabel(label, { exact: true }) })
  if ((await shown.count()) > 0) await expect(shown).toContainText(option)
  await expect(page.getByRole('option').filter({ visible: true })).toHaveCount(0)
}

export async function begin(page: Page, { name = 'Test room', currency = 'EUR' } = {}): Promise<string> {
  await page.getByRole('button', { name: 'Begin a makeover' }).click()
  const form = dialog(page)
  await form.getByLabel('What it is called').fill(name)
  await form.getByLabel('Client').fill('Cleo Ent')
  await form.getByLabel('Room', { exact: true }).fill('Room')
  if (currency !== 'EUR') {
    await form.getByLabel('Currency', { exact: true }).fill(currency)
    await page.getByRole('option', { name: currency }).click()
  }
  await form.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible()
  return page.url().split('/')[4] ?? ''
}

/** Drafts a budget of one sum a category and has it signed today. */
export async function signBudget(page: Page, sums: Record<string, string>, contingency: string): Promise<void> {
  await page.getByRole('button', { name: 'Draft the budget' }).click()
  const form = dialog(page)
  for (const [at, [name, sum]] of Object.entries(sums).entries()) {
    if (at > 0) await form.getByRole('button', { name: 'Add a category' }).click()
    await form.getByLabel('New category').nth(at).fill(name)
    await form.getByLabel(`Sum for ${name}`).fill(sum)
  }
  await form.getByLabel('Contingency', { exact: true }).fill(contingency)
  await form.getByRole('button', { name: 'Keep the draft' }).click()
  await expect(form).toBeHidden()
  await page.getByRole('button', { name: 'Have it signed' }).click()
  await dialog(page).getByRole('button', { name: 'Signed' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(page.getByRole('button', { name: 'Sign a change' })).toBeVisible()
}

export const toStep = (page: Page, name: string): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: new RegExp(name) })
    .click()

export async function planPiece(
  page: Page,
  piece: { name: string; category: string; quantity?: string; unit?: string; allowance: string; need?: string },
): Promise<void> {
  await toStep(page, 'Pieces')
  await page.getByRole('button', { name: 'Add a piece' }).click()
  const form = dialog(page)
  await form.getByLabel('What is wanted').fill(piece.name)
  if (piece.need) await choose(page, form, 'For the need', piece.need)
  await choose(page, form, 'Category', piece.category)
  await form.getByLabel('Quantity').fill(piece.quantity ?? '1')
  if (piece.unit) await form.getByLabel('Counted in').fill(piece.unit)
  await form.getByLabel('Allowance').fill(piece.allowance)
  await form.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('heading', { name: piece.name, level: 1 })).toBeVisible()
}

export type Offer = {
  seller: string
  name: string
  price: string
  pack?: string
  discount?: string
  delivery?: string
  tax?: string
  lead?: string
  returns?: string
  colour?: string
}

export async function addCandidate(page: Page, offer: Offer): Promise<void> {
  await page.getByRole('button', { name: 'Add a candidate' }).click()
  const form = dialog(page)
  await form.getByLabel('Seller').fill(offer.seller)
  await form.getByLabel('What it is').fill(offer.name)
  await form.getByLabel(/^Price( of a pack)?$/).fill(offer.price)
  if (offer.pack) await form.getByLabel('In a pack').fill(offer.pack)
  if (offer.discount) await form.getByLabel('Discount').fill(offer.discount)
  if (offer.delivery) await form.getByLabel('Delivery', { exact: true }).fill(offer.delivery)
  await form.getByLabel('Tax', { exact: true }).fill(offer.tax ?? '0')
  await form.getByLabel('Lead time').fill(offer.lead ?? '7')
  if (offer.returns) await form.getByLabel('Days to return').fill(offer.returns)
  if (offer.colour) await form.getByLabel(/^Colour/).fill(offer.colour)
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
}

export async function chooseCandidate(page: Page, name: string, reason: string): Promise<void> {
  await page.getByRole('button', { name: `Choose ${name}` }).click()
  const form = dialog(page)
  await form.getByLabel('Why this one').fill(reason)
  await form.getByRole('button', { name: 'Choose', exact: true }).click()
  await expect(form).toBeHidden()
}

/** The figures of the reckoning line as a person reads them. */
export async function expectLine(page: Page, figures: Record<string, string>): Promise<void> {
  const line = page.getByRole('region', { name: 'Reckoning' })
  for (const [name, amount] of Object.entries(figures))
    await expect(line.getByRole('button', { name: new RegExp(`^${name} `) })).toHaveText(
      new RegExp(`${name}\\s*(EUR\\s)?${amount.replaceAll(' ', '\\s').replace('.', '\\.')}$`),
    )
}

/** axe finds nothing on the page as it is now; a page whose code is still being fetched has no heading yet. */
export async function clean(page: Page, where: string): Promise<void> {
  await expect(page.locator('h1').first()).toBeVisible()
  await page.waitForTimeout(300)
  // only what is wrong is written out, and in the page itself: each takes half as long
  const { violations } = await new AxeBuilder({ page })
    .options({
      runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'] },
      resultTypes: ['violations'],
    })
    .setLegacyMode()
    .analyze()
  expect(
    violations.map(
      (violation) =>
        `${where}: ${violation.id}: ${violation.nodes
          .map((node) => node.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

/** Where something is drawn, once it has stood still for a fifth of a second: a hand waits for that too. */
export async function boxOf(drawn: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  let last = ''
  let still = 0
  await expect(async () => {
    const seen = JSON.stringify(await drawn.boundingBox())
    still = seen === last && seen !== 'null' ? still + 1 : 0
    last = seen
    expect(still).toBeGreaterThan(3)
  }).toPass({ intervals: [50] })
  return JSON.parse(last) as { x: number; y: number; width: number; height: number }
}
