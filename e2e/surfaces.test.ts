/** Surfaces: a room unrolled, a wall treated, what it takes with its working, its line to buy, and what is thought of instead. */
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { begin, boxOf, choose, clean, dialog, makeStudio, openMakeover, signBudget, signIn, toStep } from './person.ts'
import { lay } from './tray-hand.ts'

const toBuy = (page: Page) => page.getByRole('region', { name: 'To buy' })
const tag = (page: Page) => page.getByRole('region', { name: 'Treatment' })
async function walk(page: Page, ...walls: readonly string[]): Promise<void> {
  await toStep(page, 'Survey')
  const next = page.getByLabel('Length of the next wall')
  for (const wall of walls) {
    await next.fill(wall)
    await next.press('Enter')
    await expect(next).toHaveValue('')
  }
  await page.getByRole('button', { name: 'Set the heights' }).first().click()
  await dialog(page).getByLabel('Ceiling').fill('2500')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page)).toBeHidden()
}

test('a wall is painted: litres with their working, a line to buy, tins, and what changes afterwards', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Walls: '900' }, '90')
  await toStep(page, 'Surfaces')
  await expect(page.getByText('No room is measured yet.')).toBeVisible()
  await walk(page, '5000', '3000', '5000', '3000')
  await toStep(page, 'Palette')
  await lay(page, 'Moss', '#6b7a58', {}, '')
  await toStep(page, 'Surfaces')
  const row = toBuy(page).getByRole('row', { name: /Moss/ })
  // 40 m², twice, at 10 m² a litre, and a quarter of a litre to keep
  await expect(row).toContainText(/8\.3\s*litres|8\.25\s*litres/)
  await row.getByRole('button', { name: 'Moss' }).click()
  await expect(tag(page)).toContainText('Wall A')
  await expect(tag(page)).toContainText('In two coats')
  await clean(page, 'a room unrolled')

  await tag(page).getByRole('button', { name: 'What it is bought as' }).click()
  const form = dialog(page)
  await form.getByLabel('Price').fill('58')
  await form.getByLabel('Litres in a tin').fill('5')
  await form.getByLabel('Covers, m² a litre and coat').fill('12')
  await form.getByRole('button', { name: 'Put it in' }).click()
  await expect(form).toBeHidden()
  // 40 × 2 ÷ 12 and a quarter are 6.92 litres: two tins of 5
  await expect(row).toContainText('116.00')
  await expect(row).toContainText('Bring the line up to date')
  await row.getByRole('button', { name: 'Bring the line up to date' }).click()
  await expect(row).toContainText('to order')

  // a further coat is never silent
  await tag(page).getByRole('button', { name: 'Change', exact: true }).click()
  await form.getByLabel('Coats').fill('3')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByText(/Moss: 10\.25 l needed, the line says 6\.917/).first()).toBeVisible()

  // the ceiling too, in the same paint
  await tag(page).getByRole('button', { name: 'also on …' }).click()
  await choose(page, form, 'On', 'ceiling')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(tag(page)).toContainText('Ceiling')

  // a stretch that goes nowhere is said where it was typed, and nothing is changed
  await page
    .getByRole('button', { name: /^Treat a surface/ })
    .first()
    .click()
  await form.getByLabel('From height').fill('1200')
  await form.getByLabel('To height').fill('900')
  await form.getByRole('button', { name: 'Treat it' }).click()
  await expect(form.getByText('is not above where the band begins: expected more')).toBeVisible()
  await form.getByRole('button', { name: 'Cancel' }).click()
})

test('the demo unrolled: tiles, lengths, boards that are only thought of, and files', async ({ page }) => {
  await signIn(page)
  await openMakeover(page, /Breakfast room/)
  await toStep(page, 'Surfaces')
  await page.getByRole('button', { name: 'Servery', exact: true }).click()
  await toBuy(page).getByRole('button', { name: 'Milk tile' }).click()
  await expect(tag(page)).toContainText('Offcuts serve again')
  await expect(tag(page)).toContainText('Milk tile, 150 × 150')
  await expect(page.getByRole('region', { name: 'Small things' })).toContainText('Tile spacers')
  // the order came before the tile was to go higher
  await expect(toBuy(page).getByRole('row', { name: /Milk tile/ })).toContainText(/9 tiles short/)
  // dragged by a hand, where the tiles begin goes with it, and is kept when it is put down
  const large = page.getByRole('application')
  const box = await boxOf(large)
  const before = await page
    .getByText(/whole and .* cut, of/)
    .first()
    .textContent()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height - 30)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 9, box.y + box.height - 42, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByText(/whole and .* cut, of/).first()).not.toHaveText(before ?? '')
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/whole and .* cut, of/).first()).toHaveText(before ?? '')
  await clean(page, 'tiles on a wall')
  const saved = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV' }).click()
  expect(readFileSync(await (await saved).path(), 'utf8')).toContain('Milk tile')

  await toBuy(page)
    .getByRole('row', { name: /moulding/ })
    .getByRole('button')
    .first()
    .click()
  await expect(page.getByRole('region', { name: 'How the lengths are cut' })).toContainText('4200')
  await page.getByRole('button', { name: 'Breakfast room', exact: true }).click()
  await toBuy(page).getByRole('button', { name: 'Pale oak' }).click()
  await expect(tag(page).getByRole('button', { name: 'Do it instead' })).toBeVisible()
  await expect(tag(page)).toContainText('Grey boards')
  await expect(tag(page)).toContainText('rows')
})

test('a round window leaves its corners to the paint', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Walls: '900' }, '90')
  await walk(page, '5000', '3000', '5000', '3000')
  await page
    .getByRole('button', { name: /^Add one/ })
    .first()
    .click()
  const form = dialog(page)
  await choose(page, form, 'What', 'window')
  await choose(page, form, 'On', 'Wall A')
  for (const [label, value] of [
    ['So far along', '1000'],
    ['Width', '600'],
    ['Sill above the floor', '1400'],
    ['Head above the floor', '2000'],
  ] as const)
    await form.getByLabel(label, { exact: true }).fill(value)
  await form.getByText('It is round or oval').click()
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await toStep(page, 'Palette')
  await lay(page, 'Moss', '#6b7a58', {}, '')
  await toStep(page, 'Surfaces')
  await toBuy(page).getByRole('button', { name: 'Moss' }).click()
  // 5000 × 2500 less π · 300² are 12.22 m²
  await expect(tag(page)).toContainText(/12\.2\d?\s*m²/)
})

test('carpet lies in widths with a seam, a radiator by its faces, paint is ordered in two sizes', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Decorating: '3000' }, '300')
  await walk(page, '6000', '5000', '6000', '5000')
  await page
    .getByRole('button', { name: /^Add one/ })
    .last()
    .click()
  const form = dialog(page)
  await choose(page, form, 'What', 'radiator')
  await choose(page, form, 'On', 'Wall A')
  for (const [label, value] of [
    [/^So far along/, '2000'],
    [/^Width/, '1000'],
    [/^Height/, '600'],
    [/^Above the floor/, '150'],
  ] as const)
    await form.getByLabel(label).fill(value)
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await toStep(page, 'Palette')
  await lay(page, 'Oat', '#c9b89a', {}, '')
  await toStep(page, 'Surfaces')
  for (const [how, on] of [
    ['carpet', 'floor'],
    ['paint', 'radiator'],
  ] as const) {
    await page
      .getByRole('button', { name: /^Treat a surface/ })
      .first()
      .click()
    await choose(page, form, 'Done as', how)
    await choose(page, form, 'On', on)
    await form.getByRole('button', { name: 'Treat it' }).click()
    await expect(form).toBeHidden()
  }
  // both faces of 1000 × 600
  await expect(tag(page)).toContainText(/both faces, 1000\smm × 600\smm/)
  await expect(tag(page)).toContainText('painted cold')

  await toBuy(page)
    .getByRole('row', { name: /carpet/ })
    .getByRole('button')
    .first()
    .click()
  await tag(page).getByRole('button', { name: 'What it is bought as' }).click()
  await form.getByLabel('Price', { exact: true }).fill('42')
  await form.getByLabel(/^Width/).fill('4000')
  await form.getByRole('button', { name: 'Put it in' }).click()
  await expect(form).toBeHidden()
  // 5000 across are a width of 4000 and the rest of a second, each with its trim at both ends: 2 × 4 × 6.1 are 48.8 m²
  await expect(tag(page)).toContainText(/a seam of 6000\smm/)
  await expect(toBuy(page).getByRole('row', { name: /carpet/ })).toContainText(/48\.80?\s*m²|48\.80\s*m/)

  await toBuy(page).getByRole('row', { name: /walls/ }).getByRole('button').first().click()
  await tag(page).getByRole('button', { name: 'What it is bought as' }).click()
  await form.getByLabel('Price', { exact: true }).fill('58')
  await form.getByLabel('Litres in a tin').fill('5')
  await form.getByRole('button', { name: 'Put it in' }).click()
  await expect(form).toBeHidden()
  await tag(page).getByRole('button', { name: 'another size' }).click()
  await form.getByLabel('Called').fill('small tin')
  await form.getByLabel('Litres in a tin').fill('1')
  await form.getByLabel('Price', { exact: true }).fill('15')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  // 55 m² twice at 10 m² a litre and a quarter are 11.25: two of 5 and two of 1 are 146, three of 5 are 174
  const paint = toBuy(page).getByRole('row', { name: /walls/ })
  await expect(paint).toContainText('2 + 2 × small tin')
  await expect(paint).toContainText('146.00')
  await paint.getByRole('button', { name: 'Bring the line up to date' }).click()
  await expect(paint).toContainText('to order')
  await toStep(page, 'Purchases')
  await page.getByRole('button', { name: 'Order Oat' }).last().click()
  await expect(form.getByLabel('Packs of 5 l')).toHaveValue('2')
  await expect(form.getByLabel('Packs of 1 l')).toHaveValue('2')
  await expect(form.getByText('A final sale')).toHaveCount(0)
  await form.getByRole('button', { name: 'Order', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('row', { name: /one order with 1 more/ })).toHaveCount(2)
  await toStep(page, 'Surfaces')
  await expect(paint).toContainText('ordered')
})
