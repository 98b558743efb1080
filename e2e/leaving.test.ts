import { expect, test } from '@playwright/test'
import { begin, choose, clean, dialog, makeStudio, signBudget, toStep } from './person.ts'

test('what is signed says who entered it, a client’s name is erased, and a makeover is put away and comes back', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page, { name: 'Reading corner' })
  await toStep(page, 'Brief')
  await signBudget(page, { Furniture: '5400' }, '600')
  await expect(page.getByRole('region', { name: 'Versions of the agreed budget' })).toContainText('entered by')
  const client = (await page.getByRole('region', { name: 'Versions of the agreed budget' }).innerText()).match(
    /\d{4}, (.+)/,
  )?.[1]
  if (!client) throw new Error('somebody signed')

  await page.goto('/studio')
  await page.getByRole('button', { name: 'Erase a name from Reading corner' }).click()
  await choose(page, dialog(page), 'Whom', client)
  await page.getByRole('button', { name: 'Look what names them' }).click()
  await expect(dialog(page)).toContainText('of its history something goes')
  await clean(page, 'erasing a name')
  await page.getByRole('button', { name: 'Erase for good' }).click()
  await expect(dialog(page)).toBeHidden()
  await expect(page.getByRole('row', { name: /^Reading corner/ })).toContainText('A former client')
  await expect(page.getByRole('main')).not.toContainText(client)

  await page.getByRole('button', { name: 'Put away Reading corner' }).click()
  await page.getByLabel('Type the name of the makeover').fill('Reading')
  await page.getByRole('button', { name: 'Put away', exact: true }).click()
  await expect(dialog(page)).toContainText('expected the name of the makeover as it stands, Reading corner')
  await page.getByLabel('Type the name of the makeover').fill('Reading corner')
  await page.getByRole('button', { name: 'Put away', exact: true }).click()
  await expect(page.getByRole('row', { name: /^Reading corner/ })).toBeHidden()
  await page.getByRole('button', { name: 'Bring back Reading corner' }).click()
  await expect(page.getByRole('row', { name: /^Reading corner/ })).toContainText('A former client')
})
