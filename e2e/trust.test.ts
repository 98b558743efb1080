/** What a person trusts: bad input is answered and kept, two windows agree, silence loses nothing, nobody is locked out. */
import { expect, test, type Page } from '@playwright/test'
import {
  begin,
  chooseCandidate,
  clean,
  dialog,
  expectLine,
  makeStudio,
  openMakeover,
  planPiece,
  signBudget,
  signIn,
  toStep,
} from './person.ts'

/** Opens a form, lets axe look at it, and closes it again. */
async function cleanForm(page: Page, where: string, button: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: button }).click()
  await expect(dialog(page)).toBeVisible()
  await clean(page, where)
  await page.keyboard.press('Escape')
  await expect(dialog(page)).toBeHidden()
}

test.describe('axe finds nothing', () => {
  test.setTimeout(150_000)
  const openDemo = async (page: Page, step: string): Promise<void> => {
    await signIn(page)
    await openMakeover(page, /Music room/)
    await toStep(page, step)
    await expect(page.getByRole('heading', { name: step, level: 1 })).toBeVisible()
  }
  test('on the way in', async ({ page }) => {
    await page.goto('/sign-in')
    await clean(page, 'sign-in')
    await page.getByRole('button', { name: 'Make a studio' }).click()
    await clean(page, 'make a studio')
    await signIn(page)
    await clean(page, 'day')
    await cleanForm(page, 'begin', 'Begin a makeover')
  })
  test('in the brief', async ({ page }) => {
    await openDemo(page, 'Brief')
    await clean(page, 'brief')
    await cleanForm(page, 'a need', 'Add a need')
    await cleanForm(page, 'sign a change', 'Sign a change')
    await cleanForm(page, 'keys', /^Keys/)
  })
  test('in the palette, on every ground', async ({ page }) => {
    await openDemo(page, 'Palette')
    await page.getByRole('button', { name: /^Larch/ }).click()
    await page.getByRole('button', { name: /^Elm/ }).click({ modifiers: ['Shift'] })
    for (const ground of ['mid', 'dark', 'light']) {
      await page.getByRole('button', { name: ground, exact: true }).click()
      await clean(page, `palette, ${ground}`)
    }
    await cleanForm(page, 'a finish', 'Add a finish')
  })
  test('in the pieces', async ({ page }) => {
    await openDemo(page, 'Pieces')
    await clean(page, 'pieces')
    await page.getByRole('link', { name: 'Folding chairs for guests' }).click()
    await expect(page.getByRole('heading', { name: 'Folding chairs for guests', level: 1 })).toBeVisible()
    await clean(page, 'piece')
    await cleanForm(page, 'a candidate', 'Add a candidate')
    await cleanForm(page, 'take instead', 'Take instead Beech folding chair')
  })
  test('in the purchases and the remarks', async ({ page }) => {
    await openDemo(page, 'Purchases')
    await page.getByRole('button', { name: 'Reading lamps, long arm', exact: true }).click()
    await clean(page, 'purchases')
    await cleanForm(page, 'order', 'Order Felt hanging, back wall')
    await cleanForm(page, 'send back', 'Send back')
    await page.getByRole('region', { name: 'Reckoning' }).getByRole('button', { name: /^Paid/ }).click()
    await clean(page, 'a working')
    await page.getByRole('link', { name: /Remarks/ }).click()
    await expect(page.getByRole('heading', { name: 'Remarks', level: 1 })).toBeVisible()
    await clean(page, 'remarks')
  })
})

test('bad input is answered where it was typed, and nothing typed is lost', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  await planPiece(page, { name: 'Table', category: 'Furniture', allowance: '500' })
  await page.getByRole('button', { name: 'Add a candidate' }).click()
  const form = dialog(page)
  await form.getByLabel('Seller').fill('A seller')
  await form.getByLabel('What it is').fill('x'.repeat(300))
  await form.getByLabel(/^Price( of a pack)?$/).fill('-5')
  await form.getByLabel('In a pack').fill('0')
  await form.getByLabel('Discount').fill('1e3')
  await form.getByLabel('Delivery', { exact: true }).fill('🎻')
  await form.getByLabel('Lead time').fill('2.5')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  for (const words of [
    /at most 120 characters, this has 300/,
    /is below zero/,
    /“0”: expected more than 0/,
    /“1e3” is not a number/,
    /“🎻” is not a number/,
    /“2.5” has decimals/,
  ])
    await expect(form.getByText(words)).toBeVisible()
  await expect(form.getByLabel('What it is')).toHaveValue('x'.repeat(300))
  await form.getByLabel(/^Price( of a pack)?$/).fill('1.234')
  await form.getByLabel(/^Price( of a pack)?$/).blur()
  await expect(form.getByText(/could be 1234 or 1.234/)).toBeVisible()
  await form.getByLabel('What it is').fill('Oak table 🪵')
  await form.getByLabel(/^Price( of a pack)?$/).fill('412,50')
  await expect(form.getByText('412.50 EUR', { exact: true })).toBeVisible()
  await form.getByLabel('In a pack').fill('1')
  await form.getByLabel('Discount').fill('0')
  await form.getByLabel('Delivery', { exact: true }).fill('')
  await form.getByLabel('Lead time').fill('7')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await chooseCandidate(page, 'Oak table', 'Solid')

  await page.getByRole('button', { name: 'Order', exact: true }).click()
  await dialog(page).getByLabel('Ordered on').fill('1 Jan 2020')
  await dialog(page).getByRole('button', { name: 'Order', exact: true }).click()
  await expect(dialog(page).getByText(/1 Jan 2020 lies before the budget was agreed/)).toBeVisible()
  await dialog(page).getByLabel('Ordered on').fill('31 Feb 2027')
  await dialog(page).getByRole('button', { name: 'Order', exact: true }).click()
  await expect(dialog(page).getByText(/is not a date/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(dialog(page)).toBeHidden()
  await expect(page.getByText('What you typed is kept: open the form again to go on.')).toBeVisible()
  await page.getByRole('button', { name: 'Order', exact: true }).click()
  await expect(dialog(page).getByLabel('Ordered on')).toHaveValue('31 Feb 2027')
  await dialog(page).getByRole('button', { name: 'Start afresh' }).click()
  await dialog(page).getByRole('button', { name: 'Order', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Purchases' })).toBeVisible()

  await page.getByRole('button', { name: 'Pay', exact: true }).click()
  await dialog(page).getByLabel('Amount').fill('100')
  await dialog(page).getByRole('button', { name: 'Paid' }).click()
  await expectLine(page, { Paid: '100.00' })
  await page.getByRole('button', { name: 'Refund came' }).click()
  await dialog(page).getByLabel('Amount').fill('100.01')
  await dialog(page).getByRole('button', { name: 'Note the refund' }).click()
  await expect(dialog(page).getByText(/more would come back than was paid/)).toBeVisible()
  await expect(dialog(page).getByLabel('Amount')).toHaveValue('100.01')
  await page.keyboard.press('Escape')
  await expect(dialog(page)).toBeHidden()
  await expectLine(page, { Paid: '100.00' })
})

test('two windows agree: a change in one is in the other, and only one signs', async ({ page, context }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  const otherPage = await context.newPage()
  await otherPage.goto(page.url())
  await expectLine(otherPage, { Agreed: '1 000.00' })

  await page.getByRole('button', { name: 'Add a need' }).click()
  await dialog(page).getByLabel('What has to be possible').fill('Sleep')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(otherPage.getByRole('row', { name: /^Sleep / })).toBeVisible()

  for (const window of [page, otherPage]) {
    await window.getByRole('button', { name: 'Sign a change' }).click()
    await dialog(window)
      .getByLabel('Sum for Furniture')
      .fill(window === page ? '1200' : '1300')
    await dialog(window).getByLabel('Why it changes').fill('More')
  }
  await Promise.all([page, otherPage].map((window) => dialog(window).getByRole('button', { name: 'Signed' }).click()))
  await expect(async () => {
    const open = await Promise.all([page, otherPage].map((window) => dialog(window).isVisible()))
    expect(open.filter(Boolean)).toHaveLength(1)
  }).toPass()
  const loser = (await dialog(page).isVisible()) ? page : otherPage
  await expect(dialog(loser).getByRole('alert')).toContainText(/another change was signed or drafted meanwhile/)
  await expect(dialog(loser).getByLabel('Sum for Furniture')).toHaveValue(loser === page ? '1200' : '1300')
})

test('when the session runs out, one signs in over the page and the change goes through', async ({ page, context }) => {
  const who = await makeStudio(page)
  await begin(page)
  await page.getByRole('button', { name: 'Add a need' }).click()
  await dialog(page).getByLabel('What has to be possible').fill('Write letters')
  await context.clearCookies()
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  const again = page.getByRole('dialog', { name: 'Sign in again' })
  await expect(again.getByLabel('Email')).toHaveValue(who.email)
  await again.getByLabel('Password').fill(who.password)
  await again.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('row', { name: /^Write letters / })).toBeVisible()
})

test('a makeover of another studio is not there', async ({ page }) => {
  await makeStudio(page)
  const id = await begin(page)
  await page.goto('/')
  await page.getByRole('button', { name: 'Sign out' }).click()
  await makeStudio(page)
  await page.goto(`/makeovers/${id}/brief`)
  await expect(page.getByRole('heading', { name: 'Nothing is here' })).toBeVisible()
})

test('yen have no decimals and dinars three, all the way through', async ({ page }) => {
  await makeStudio(page)
  await begin(page, { currency: 'JPY' })
  await signBudget(page, { Furniture: '100000' }, '0')
  await expect(page.getByRole('region', { name: 'Reckoning' })).toContainText(/JPY\s100\s000(?!\.)/)
  await page.goto('/')
  await begin(page, { name: 'Majlis', currency: 'KWD' })
  await signBudget(page, { Furniture: '1 250.500' }, '0')
  await expect(page.getByRole('region', { name: 'Reckoning' })).toContainText(/KWD\s1\s250\.500/)
})
