/** What a decorator needs every day: the brief in full, orders of several lines, things that go wrong, papers, a phone. */
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
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

const add = async (
  page: Page,
  button: string | RegExp,
  fill: Record<string, string>,
  pick: Record<string, string>,
  done: string,
): Promise<void> => {
  await page.getByRole('button', { name: button }).first().click()
  const form = dialog(page)
  for (const [label, text] of Object.entries(fill)) await form.getByLabel(label).fill(text)
  for (const [label, option] of Object.entries(pick)) await choose(page, form, label, option)
  await form.getByRole('button', { name: done, exact: true }).click()
  await expect(form).toBeHidden()
}

test('the brief in full: what stays, what may not be, leave that costs, ways, practice, collection, and a page to sign', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await add(page, 'Add a need', { 'What has to be possible': 'Sit and read' }, {}, 'Add')
  await signBudget(page, { Furniture: '1000' }, '100')
  await add(
    page,
    'Add what stays',
    { 'What it is': 'Grandfather’s chair' },
    { 'Why it stays': 'sentimental', 'Serves the need': 'Sit and read' },
    'It stays',
  )
  await expect(page.getByRole('row', { name: /Grandfather’s chair.*never suggested for replacement/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Sit and read .*Grandfather’s chair yes/ })).toBeVisible()
  await add(page, 'Add a constraint', {}, { 'Because of': 'tenancy', 'Not allowed': 'paint' }, 'Add')
  await expect(page.getByRole('row', { name: /^paint tenancy.*removable paper.*not asked/ })).toBeVisible()

  // leave that is given, and what putting it back costs, which then stands in the budget
  await page.getByRole('button', { name: 'Ask for permission' }).click()
  const form = dialog(page)
  await form.getByLabel('What is asked').fill('May we paint the long wall?')
  await choose(page, form, 'It is about', 'paint')
  await form.getByLabel('What putting it back costs').fill('180')
  await choose(page, form, 'Counted in', 'Furniture')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await expectLine(page, { 'Still to buy': '180.00' })

  await add(page, 'Add a wish', { 'What is to be done about': 'The worn floor' }, {}, 'Add')
  await add(
    page,
    'Add a way for The worn floor',
    { 'What is done': 'Sisal', 'Cost, landed': '300', Lasts: '5' },
    { Way: 'cover' },
    'Add',
  )
  await add(
    page,
    'Add a way for The worn floor',
    { 'What is done': 'New boards', 'Cost, landed': '2400', Lasts: '30' },
    { Way: 'replace' },
    'Add',
  )
  await expect(page.getByRole('row', { name: /replace New boards.*2\s400\.00.*2\s100\.00.*80\.00/ })).toBeVisible()

  await page.getByRole('button', { name: 'All 29 questions' }).click()
  await page.getByRole('combobox', { name: 'How many colours' }).click({ force: true })
  await page.getByRole('option', { name: 'Neutrals and one' }).click()
  await expect(
    page.getByRole('row', { name: /How many colours.*a second strong colour is raised.*chosen here/ }),
  ).toBeVisible()
  await add(page, 'Add a picture or clipping', { 'What it shows': 'A café', Materials: 'oak, brass' }, {}, 'Add')
  await add(page, 'Add a picture or clipping', { 'What it shows': 'A boat', Materials: 'oak, rope' }, {}, 'Add')
  await expect(page.getByText('oak 2')).toBeVisible()

  const [paper] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /The brief as a page to sign/ }).click(),
  ])
  expect(
    readFileSync(await paper.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
})

test('one order of two lines: deposit, a part that does not come, a claim, and money as a credit note', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '2000' }, '200')
  for (const [name, thing, price, quantity] of [
    ['Table', 'Oak table', '400', '1'],
    ['Chairs', 'Oak chair', '100', '4'],
  ] as const) {
    await planPiece(page, { name, category: 'Furniture', allowance: '500', quantity })
    await addCandidate(page, { seller: 'North Joinery', name: thing, price, lead: '10', returns: '14' })
    await chooseCandidate(page, thing, 'It fits')
  }
  await toStep(page, 'Purchases')
  await page.getByRole('button', { name: 'Order Table' }).click()
  const order = dialog(page)
  await order.getByRole('button', { name: 'add Chairs' }).click()
  await order.getByLabel('Deposit asked').fill('200')
  await expect(order.getByLabel('Landed cost')).toContainText('800.00')
  await order.getByRole('button', { name: 'Order', exact: true }).click()
  await expect(order).toBeHidden()
  await expectLine(page, { Committed: '800.00' })
  await page.getByRole('button', { name: 'Chairs', exact: true }).click()
  const tag = page.getByRole('region', { name: 'Order' }).last()
  await expect(tag).toContainText(/Deposit still asked\s*200\.00/)
  await tag.getByRole('button', { name: 'Pay', exact: true }).click()
  await expect(dialog(page).getByLabel('Amount')).toHaveValue('200.00')
  await dialog(page).getByLabel('Amount').fill('800')
  await dialog(page).getByRole('button', { name: 'Paid' }).click()
  await expectLine(page, { Paid: '800.00', Committed: '0.00' })

  await tag.getByRole('button', { name: 'Goods came' }).click()
  await dialog(page).getByLabel('How many').fill('3')
  await dialog(page).getByLabel('Of them damaged').fill('1')
  await dialog(page).getByLabel('What is wrong with them').fill('A split rung')
  await dialog(page).getByRole('button', { name: 'They are here' }).click()
  await expect(tag).toContainText('1 came damaged')
  await tag.getByRole('button', { name: 'Cancel order' }).click()
  await dialog(page).getByLabel('Why').fill('Only three were made')
  await expect(dialog(page).getByLabel('What the price falls by')).toHaveValue('100.00')
  await dialog(page).getByText('Still wanted: count it as to buy again').click()
  await dialog(page).getByRole('button', { name: 'Cancel order' }).click()
  await expect(dialog(page)).toBeHidden()
  await tag.getByRole('button', { name: 'Keep it for less' }).click()
  await dialog(page).getByLabel('Asked for').fill('30')
  await dialog(page).getByRole('button', { name: 'Asked', exact: true }).click()
  await tag.getByRole('button', { name: 'Seller answered' }).click()
  await dialog(page).getByLabel('Granted').fill('25')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expectLine(page, { Paid: '800.00', 'Refunds due': '125.00', Left: '1 325.00' })
  await tag.getByRole('button', { name: 'Refund came' }).click()
  await expect(dialog(page).getByLabel('Amount')).toHaveValue('125.00')
  await choose(page, dialog(page), 'By', 'a credit note')
  await dialog(page).getByRole('button', { name: 'Note the refund' }).click()
  await expect(dialog(page)).toBeHidden()
  await expectLine(page, { Paid: '675.00', Left: '1 325.00' })
  await expect(page.getByRole('row', { name: /credit note.*North Joinery.*125\.00/ })).toBeVisible()

  await tag.getByRole('button', { name: 'In its place' }).click()
  await dialog(page)
    .getByLabel('Tags off on')
    .fill(await dialog(page).getByLabel('Placed on').inputValue())
  await dialog(page).getByRole('button', { name: 'It stands' }).click()
  await expect(page.getByRole('cell', { name: 'kept' })).toBeVisible()

  // what was done is told, before and after
  await expect(dialog(page)).toBeHidden()
  await page.keyboard.press('h')
  await expect(page.getByRole('heading', { name: 'History', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: /Cancelled 1 of 4: Chairs/ }).click()
  await expect(page.getByRole('row', { name: /credit 100\.00/ })).toBeVisible()
  await expect(page.getByText('Tess Ting').first()).toBeVisible()
})

test('what is taken instead shows every difference first, and the planned line stays', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '2000' }, '0')
  await planPiece(page, { name: 'Lamp', category: 'Furniture', allowance: '300' })
  await addCandidate(page, {
    seller: 'North Light',
    name: 'Tall lamp',
    price: '200',
    lead: '10',
    returns: '14',
    colour: '#5d3d55',
  })
  await addCandidate(page, {
    seller: 'South Light',
    name: 'Short lamp',
    price: '150',
    lead: '30',
    colour: 'slate grey',
  })
  await chooseCandidate(page, 'Tall lamp', 'Lights the page')
  await page.getByRole('button', { name: 'Score of Tall lamp, working' }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText(
    /cost, weight 3.*100\.00 under the allowance/,
  )
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Take instead Short lamp' }).click()
  await expect(dialog(page).getByRole('row', { name: 'Landed, for all 200.00 150.00' })).toBeVisible()
  await expect(dialog(page).getByRole('row', { name: 'To return 14 days from delivery final sale' })).toBeVisible()
  await expect(dialog(page).getByLabel('What this would do')).toContainText(/Left\s*1\s800\.00\s*1\s850\.00/)
  await dialog(page).getByLabel('Why', { exact: true }).fill('The tall one is gone')
  await dialog(page).getByRole('button', { name: 'Take it instead' }).click()
  await expect(
    page.getByText(/Planned was Tall lamp at 200\.00; Short lamp at 150\.00 was taken instead/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Turn down Tall lamp' }).click()
  await dialog(page).getByLabel('Why not').fill('Sold')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Turned down: Sold')).toBeVisible()
})

test('on a phone: the day, an order, and a receipt that is photographed; a file that is none is refused', async ({
  browser,
}) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  await signIn(page)
  await expect(page.getByRole('heading', { name: 'What needs a hand' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('button', { name: /And \d+ more/ }).click()
  await page.getByRole('link', { name: /last return day Playing stools/ }).click()
  await expect(page.getByRole('heading', { name: 'Purchases', level: 1 })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Playing stools', level: 2 })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  const drop = page.getByLabel('Photograph, choose or drop a receipt')
  await drop.setInputFiles({
    name: 'receipt.png',
    mimeType: 'image/png',
    buffer: readFileSync(new URL('../docs/screenshots/day.png', import.meta.url)),
  })
  await expect(page.getByRole('img', { name: 'receipt.png' })).toBeVisible()
  await drop.setInputFiles({
    name: 'receipt.png',
    mimeType: 'image/png',
    buffer: Buffer.from('<!doctype html><script>1</script>'),
  })
  await expect(page.getByRole('alert')).toContainText('no picture and no PDF')
  await page.close()
})

test('the three makeovers of the demo open, each with what it has to say', async ({ page }) => {
  await signIn(page)
  await openMakeover(page, /Breakfast room/)
  await expect(page.getByRole('row', { name: /May we paint above the dado/ })).toContainText('620.00')
  await toStep(page, 'Pieces')
  await page.getByRole('link', { name: 'Lamps over the tables' }).click()
  await expect(page.getByText(/instead: adhesive strips/)).toBeVisible()
  await page.keyboard.press('0')
  await openMakeover(page, /Tea room/)
  await toStep(page, 'Purchases')
  await expect(page.getByRole('cell', { name: 'refunded' })).toBeVisible()
  await expect(page.getByRole('row', { name: /credit note, HW 118/ })).toContainText('69.00')
  await toStep(page, 'Palette')
  await expect(page.getByRole('heading', { name: /Ties: where each colour is taken up/ })).toBeVisible()
})
