/** The way through, from signing in to the last refund; the sums are those of the trade handbook's worked case (section 7). */
import { expect, test } from '@playwright/test'
import {
  addCandidate,
  begin,
  choose,
  chooseCandidate,
  dialog,
  expectLine,
  makeStudio,
  openMakeover,
  planPiece,
  signBudget,
  signIn,
  toStep,
} from './person.ts'

test('two chairs ordered, one sent back, and the fabric still to buy', async ({ page }) => {
  await makeStudio(page)
  await begin(page, { name: 'Reading room' })

  await page.getByRole('button', { name: 'Add a need' }).click()
  await dialog(page).getByLabel('What has to be possible').fill('Sit and read')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('row', { name: /^Sit and read / })).toBeVisible()
  await signBudget(page, { Furniture: '4 000', Fabric: '1400.00' }, '600')
  await expectLine(page, { Agreed: '6 000.00', Left: '5 400.00' })

  await planPiece(page, {
    name: 'Armchairs',
    category: 'Furniture',
    quantity: '2',
    allowance: '1500',
    need: 'Sit and read',
  })
  await addCandidate(page, {
    seller: 'North Joinery',
    name: 'Wing chair',
    price: '640.00',
    discount: '10',
    delivery: '45',
    tax: '20',
    lead: '14',
    returns: '14',
    colour: '#5d3d55',
  })
  await addCandidate(page, {
    seller: 'South Joinery',
    name: 'Club chair',
    price: '720',
    delivery: '0',
    tax: '20',
    lead: '7',
  })
  await expect(page.getByRole('columnheader', { name: /Wing chair North Joinery/ })).toBeVisible()
  await page.getByRole('button', { name: 'Landed cost of Wing chair, working' }).click()
  const slip = page.getByRole('region', { name: 'Working' })
  await expect(slip).toContainText('2 × 640.00')
  await expect(slip).toContainText(/Landed\s*EUR\s1\s436\.40/)
  await slip.getByRole('button', { name: 'Close' }).click()
  await chooseCandidate(page, 'Wing chair', 'Holds the head')

  await planPiece(page, { name: 'Curtain fabric', category: 'Fabric', quantity: '7', unit: 'm', allowance: '500' })
  await addCandidate(page, { seller: 'North Joinery', name: 'Linen', price: '89,90', pack: '2', tax: '20' })
  await expect(page.getByText(/4\spacks/)).toBeVisible()
  await chooseCandidate(page, 'Linen', 'Falls well')
  await expectLine(page, { 'Still to buy': '1 867.92', Left: '3 532.08' })

  await toStep(page, 'Purchases')
  await page.getByRole('button', { name: 'Order Armchairs' }).click()
  await expect(dialog(page).getByLabel('Landed cost')).toContainText(/1\s436\.40/)
  await dialog(page).getByRole('button', { name: 'Order', exact: true }).click()
  await page.getByRole('button', { name: 'Armchairs', exact: true }).click()
  await page.getByRole('button', { name: 'Pay', exact: true }).click()
  await dialog(page).getByLabel('Amount').fill('400')
  await dialog(page).getByRole('button', { name: 'Paid' }).click()
  await expectLine(page, {
    Paid: '400.00',
    Committed: '1 036.40',
    'Still to buy': '431.52',
    Left: '3 532.08',
    Agreed: '6 000.00',
  })

  await page.getByRole('button', { name: 'Goods came' }).click()
  await dialog(page).getByRole('button', { name: 'They are here' }).click()
  await page.getByRole('button', { name: 'Send back' }).click()
  await expect(dialog(page).getByLabel('Credit')).toHaveValue('691.20')
  await dialog(page).getByLabel('Why').fill('Too wide for the bay')
  await dialog(page)
    .getByLabel('Accepted on')
    .fill(await dialog(page).getByLabel('Sent on').inputValue())
  await expect(dialog(page).getByLabel('What this would do')).toContainText('4 223.28'.replace(' ', '\u00a0'))
  await dialog(page).getByRole('button', { name: 'It goes back' }).click()
  await expectLine(page, { Paid: '400.00', Committed: '345.20', 'Still to buy': '431.52', Left: '4 223.28' })
  await expect(page.getByRole('region', { name: 'Reckoning' }).getByText('Refunds due')).toHaveCount(0)

  await page
    .getByRole('region', { name: 'Reckoning' })
    .getByRole('button', { name: /^Committed/ })
    .click()
  await expect(slip).toContainText(/1\s436\.40 − 691\.20 credited − 400\.00 paid/)
  await page.keyboard.press('Escape')
  await expect(slip).toBeHidden()

  await page.reload()
  await expectLine(page, { Committed: '345.20', Left: '4 223.28' })
})

test('an order that would break the agreed sum is stopped before it is made, and a signed change lets it through', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '100')
  await planPiece(page, { name: 'Sideboard', category: 'Furniture', allowance: '900' })
  await addCandidate(page, { seller: 'A seller', name: 'Long sideboard', price: '1150' })
  await chooseCandidate(page, 'Long sideboard', 'It fits')
  await expect(
    page.getByRole('region', { name: 'Reckoning' }).getByRole('button', { name: /Over the categories/ }),
  ).toContainText('−150.00')
  await page.getByRole('button', { name: 'Order', exact: true }).click()
  const order = page.getByRole('dialog', { name: 'Order Sideboard' })
  await expect(order.getByRole('alert')).toContainText(/1\s150\.00, which is 50\.00 over the agreed 1\s100\.00/)
  await expect(order.getByRole('button', { name: 'Order', exact: true })).toBeDisabled()
  await order.getByRole('button', { name: 'Sign a change' }).click()
  const change = page.getByRole('dialog', { name: 'Sign a change' })
  await expect(change.getByLabel('Sum for Furniture')).toHaveValue('1050.00')
  // a reason is proposed, and none at all is refused
  await expect(change.getByLabel('Why it changes')).toHaveValue('More for Furniture')
  await change.getByLabel('Why it changes').fill('')
  await change.getByRole('button', { name: 'Signed' }).click()
  await expect(change.getByText('is empty: expected some text')).toBeVisible()
  await change.getByLabel('Why it changes').fill('The long one after all')
  await change.getByRole('button', { name: 'Signed' }).click()
  await expect(change).toBeHidden()
  await order.getByRole('button', { name: 'Order', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Purchases' })).toBeVisible()
  await expectLine(page, { Committed: '1 150.00', Agreed: '1 150.00' })
  await toStep(page, 'Brief')
  await expect(page.getByText('The long one after all')).toBeVisible()
  await expect(page.getByRole('columnheader', { name: /Agreed/ })).toBeVisible()
  await expect(page.getByRole('columnheader', { name: /Change 1/ })).toBeVisible()
})

test('two finishes are laid edge to edge, and a clash is said in words and accepted with a reason', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  for (const [name, colour, family, sheen] of [
    ['Warm white', '#f3ecdc', 'paint', 'matt'],
    ['Cool white', '92 -1 -5', 'paint', 'gloss'],
    ['Floor', '#c59c5f', 'wood', 'satin'],
  ] as const) {
    await page
      .getByRole('button', { name: /Add a finish|Lay down the first/ })
      .first()
      .click()
    const form = dialog(page)
    await form.getByLabel('Name').fill(name)
    await form.getByLabel('Colour', { exact: true }).fill(colour)
    await choose(page, form, 'Family', family)
    await choose(page, form, 'Sheen', sheen)
    await form.getByLabel('Visible area by eye').fill('10')
    await form.getByRole('button', { name: 'Lay it in' }).click()
    await expect(form).toBeHidden()
  }
  await page.getByRole('button', { name: /^Warm white/ }).click()
  const tag = page.getByRole('region', { name: 'Finish' })
  await expect(tag).toContainText('A yellow white, warm')
  await expect(tag).toContainText('LRV')
  await choose(page, tag, 'Lay beside', 'Cool white')
  await expect(tag).toContainText(/white: yellow beside blue\..*ΔE \d+\.\d/s)
  await expect(tag).toContainText('two near-neutrals of different undertone')
  const looks = page.getByRole('link', { name: /Remarks/ })
  await expect(looks).toContainText('1 look')
  await tag.getByRole('button', { name: /^Accept/ }).click()
  await dialog(page).getByLabel('Why it is right here').fill('They never meet')
  await dialog(page).getByRole('button', { name: 'Accept' }).click()
  await expect(looks).toContainText('0 look')
  await looks.click()
  await expect(page.getByRole('region', { name: 'Accepted' })).toContainText('They never meet')

  // the remark comes back when its numbers change
  await toStep(page, 'Palette')
  await page.getByRole('button', { name: /^Cool white/ }).click()
  await tag.getByRole('button', { name: 'Change', exact: true }).click()
  await dialog(page).getByLabel('Colour', { exact: true }).fill('92 -1 -8')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(looks).toContainText('1 look')
})

test('by keyboard alone: sign in, open the makeover, go through the steps, pay and read a working', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '500' }, '0')
  await planPiece(page, { name: 'Stool', category: 'Furniture', allowance: '100' })
  await addCandidate(page, { seller: 'A seller', name: 'Plain stool', price: '80' })
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Test room' })).toBeVisible()

  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let tries = 0; tries < 60; tries++) {
      await page.keyboard.press('Tab')
      const at = await page.evaluate(() => {
        const focused = document.activeElement
        return `${focused?.getAttribute('aria-label') ?? ''} ${focused?.textContent ?? ''} ${focused instanceof HTMLInputElement ? [...(focused.labels ?? [])].map((label) => label.textContent).join() : ''}`
      })
      if (name.test(at)) return
    }
    throw new Error(`no Tab reaches ${name}`)
  }
  await tabTo(/Test room/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible()
  await page.keyboard.press('?')
  await expect(dialog(page)).toContainText('To Purchases')
  await page.keyboard.press('Escape')
  await expect(dialog(page)).toBeHidden()
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { name: 'Pieces', level: 1 })).toBeVisible()
  await tabTo(/^\s*Stool/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Stool', level: 1 })).toBeVisible()
  await tabTo(/Choose Plain stool/)
  await page.keyboard.press('Enter')
  await expect(dialog(page).getByLabel('Why this one')).toBeVisible()
  await dialog(page).getByLabel('Why this one').focus()
  await page.keyboard.type('Light')
  await tabTo(/^\s*Choose\s*$/)
  await page.keyboard.press('Enter')
  await expect(dialog(page)).toBeHidden()
  await page.keyboard.press('o')
  await expect(page.getByRole('dialog', { name: 'Order Stool' })).toBeVisible()
  await page.getByLabel('How many').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Purchases' })).toBeVisible()
  await expectLine(page, { Committed: '80.00' })
  await page.keyboard.press('p')
  await expect(dialog(page).getByLabel('Amount')).toHaveValue('80.00')
  await dialog(page).getByLabel('Amount').focus()
  await page.keyboard.press('Enter')
  await expectLine(page, { Paid: '80.00', Committed: '0.00' })
  await expect(dialog(page)).toBeHidden()
  await tabTo(/^\s*Committed/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Working' })).toBeFocused()
  await page.keyboard.press('Escape')
  await page.keyboard.press('r')
  await expect(page.getByRole('heading', { name: 'Remarks' })).toBeVisible()
})

test('the demo opens: a clash, a return under way and a signed change are there', async ({ page }) => {
  await signIn(page)
  await openMakeover(page, /Music room/)
  await expect(page.getByRole('columnheader', { name: /Change 1/ })).toBeVisible()
  await toStep(page, 'Palette')
  await expect(page.getByText(/two woods of different undertone/)).toBeVisible()
  await toStep(page, 'Purchases')
  await expect(page.getByRole('cell', { name: 'going back' })).toBeVisible()
})
