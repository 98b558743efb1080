/** What is known of things by their kind: needs with an amount, what a thing holds and is made of, corners, and what is struck out. */
import { expect, test } from '@playwright/test'
import {
  addCandidate,
  begin,
  choose,
  chooseCandidate,
  clean,
  dialog,
  makeStudio,
  planPiece,
  signBudget,
  toStep,
} from './person.ts'

test('a need with an amount is held against what is chosen, and struck out it is silent', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await page.getByRole('button', { name: /^Add a need/ }).click()
  const form = dialog(page)
  await form.getByLabel('What has to be possible').fill('Keep the books')
  await form.getByLabel('How many', { exact: false }).first().fill('8')
  await form.getByLabel('Of what').fill('m of books')
  await expect(form.getByLabel('Struck out by the client on')).toHaveCount(0)
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await signBudget(page, { Storage: '2000' }, '200')
  await planPiece(page, { name: 'Bookcase', category: 'Storage', allowance: '500', need: 'Keep the books' })
  await addCandidate(page, { name: 'Pine case', seller: 'Mill Lane', price: '300' })
  await chooseCandidate(page, 'Pine case', 'It fits')
  await toStep(page, 'Brief')
  await expect(page.getByText('“Keep the books”: measure how much Bookcase holds').first()).toBeVisible()

  await toStep(page, 'Pieces')
  await page.getByRole('link', { name: /^Bookcase/ }).click()
  await page.getByRole('button', { name: 'Change Pine case' }).click()
  // its name says what it is, so it is asked what a cupboard is asked
  await expect(form.getByText('How much it holds, measured inside')).toBeVisible()
  await form.getByLabel('It holds').fill('5')
  await choose(page, form, 'Made of', 'chipboard')
  await clean(page, 'what a thing of its kind is asked for')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('row', { name: /^Wear/ })).toContainText('chipboard')
  await toStep(page, 'Brief')
  await expect(page.getByText('“Keep the books”: 3 m of books find no place').first()).toBeVisible()

  await page.getByRole('button', { name: 'Change Keep the books' }).click()
  await form.getByLabel('Struck out by the client on').fill('2026-11-01')
  await form.getByLabel('Why').fill('They gave them away')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('row', { name: /Keep the books/ })).toContainText('struck out')
  await expect(page.getByText('find no place')).toHaveCount(0)
})

test('what a room does to its things is said of what would not last there', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Cloth: '2000' }, '200')
  await planPiece(page, { name: 'Rug', category: 'Cloth', allowance: '500' })
  await addCandidate(page, { name: 'Sheen rug', seller: 'Mill Lane', price: '300' })
  await chooseCandidate(page, 'Sheen rug', 'It shines')
  await page.getByRole('button', { name: 'Change Sheen rug' }).click()
  const form = dialog(page)
  await choose(page, form, 'Made of', 'viscose')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('row', { name: /^Wear/ })).toContainText('lasts here')

  await toStep(page, 'Survey')
  await page.getByRole('button', { name: 'What things have to stand here' }).click()
  await form.getByText('traffic', { exact: true }).click()
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByText('What things have to stand here: traffic')).toBeVisible()
  await toStep(page, 'Pieces')
  await expect(page.getByText('Sheen rug: viscose where many walk here').first()).toBeVisible()
})
