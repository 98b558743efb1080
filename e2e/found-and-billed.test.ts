/** Candidates found elsewhere are brought in; colours taken by hand; the studio's fees and the client's money; templates. */
import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { labFromHex } from '#core/colour/lab.ts'
import { begin, choose, clean, dialog, expectLine, makeStudio, planPiece, signBudget, toStep } from './person.ts'

test('what was found comes in by paste and as a saved page, shown before it is kept, and the focus goes to it', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '2000' }, '200')
  await planPiece(page, { name: 'Bench', category: 'Furniture', allowance: '500' })
  await toStep(page, 'Pieces')
  await page.getByRole('button', { name: 'Bring in a list' }).click()
  const form = dialog(page)
  await form
    .getByLabel('Paste rows of a list')
    .fill('Shop\tThing\tPrice\tSize\tFor\nMill Lane\tOak bench\t420.00\t120 x 40 x 45 cm\tBench\nKiln\tStool\tdear\t\t')
  const found = form.getByRole('list', { name: 'As it is read' })
  await expect(found.getByRole('listitem')).toHaveCount(2)
  await expect(found).toContainText(/Oak bench\s*420\.00\s*1200\smm wide, 400\smm deep, 450\smm high/)
  await expect(found).toContainText('“dear” is no price in EUR')
  await clean(page, 'bringing in a list')
  // a column is matched by hand, and what it held is no longer read
  await choose(page, form, 'Column 3 holds', 'not taken')
  await expect(found).not.toContainText('420.00')
  await choose(page, form, 'Column 3 holds', 'price')
  await found.getByRole('checkbox', { name: 'Take Stool' }).uncheck()
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Bench', level: 1 })).toBeVisible()
  await expect(page.getByRole('columnheader', { name: /Oak bench/ })).toContainText('Mill Lane')

  await page.getByRole('button', { name: /^Bring in/ }).click()
  const saved = `<!doctype html><script type="application/ld+json">{"@type":"Product","name":"Elm bench","sku":"E 1","offers":{"price":"390.00","priceCurrency":"EUR"},"width":"1100 mm"}</script>`
  await form
    .getByLabel('A table as CSV, or a saved page')
    .setInputFiles({ name: 'elm.html', mimeType: 'text/html', buffer: Buffer.from(saved) })
  await expect(found).toContainText(/Elm bench\s*390\.00\s*1100\smm wide/)
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(form).toBeHidden()
  const elm = page.getByRole('columnheader', { name: /Elm bench/ })
  await expect(elm).toBeFocused()
  await expect(page.getByRole('row', { name: /^Size/ })).toContainText(/1200\smm × 400\smm × 450\smm/)
})

test('a colour comes from a wheel, and from a picture that keeps its five', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  const picture = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#2f6f73' } })
    .png()
    .toBuffer()
  await page.getByRole('button', { name: 'Add a picture or clipping' }).click()
  const form = dialog(page)
  await form.getByLabel('What it shows').fill('The quilt')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  const collection = page.getByRole('region', { name: 'The collection' })
  await collection
    .locator('input[type=file]')
    .setInputFiles({ name: 'quilt.png', mimeType: 'image/png', buffer: picture })
  await collection.getByRole('button', { name: 'Take colours from quilt.png' }).click()
  for (let at = 0; at < 6; at++) await form.getByRole('button', { name: 'Use this colour' }).click()
  await expect(form.getByRole('list', { name: 'Colours taken' }).getByRole('listitem')).toHaveCount(5)
  await clean(page, 'colours of a picture')
  await form.getByRole('button', { name: 'Keep them' }).click()
  await expect(form).toBeHidden()
  await expect(collection.getByRole('img', { name: 'Colours of quilt.png' }).locator('i')).toHaveCount(5)

  await toStep(page, 'Palette')
  await page.getByRole('button', { name: 'Lay down the first' }).click()
  await form.getByLabel('Name').fill('Off the quilt')
  await form.getByRole('button', { name: 'From pictures kept' }).click()
  await form.getByRole('button', { name: 'Take colour 1 of quilt.png' }).click()
  await expect(form.getByLabel('Colour', { exact: true })).toHaveValue(
    new RegExp(`^${Math.floor(labFromHex('#2f6f73')?.L ?? 0)}\\.`),
  )
  await form.getByRole('button', { name: 'On a wheel' }).click()
  await form.getByLabel(/^Depth/).fill('80')
  await form.getByLabel(/^Strength/).fill('0')
  await form.getByRole('button', { name: 'Use this colour' }).click()
  await expect(form.getByLabel('Colour', { exact: true })).toHaveValue('80 0 0')
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
})

test('a fee by the hour, a deposit and a balance: in the budget, on the account and in both statements', async ({
  page,
}) => {
  await makeStudio(page)
  const id = await begin(page)
  await signBudget(page, { Furniture: '2000', Design: '900' }, '200')
  await toStep(page, 'Purchases')
  await page.getByRole('link', { name: 'Fees and client money' }).click()
  const form = dialog(page)
  await page.getByRole('button', { name: 'Agree a fee' }).click()
  await form.getByLabel('What for').fill('Work on site')
  await choose(page, form, 'How it is counted', 'by the hour')
  await form.getByLabel('An hour').fill('60')
  await form.getByLabel('Hours agreed').fill('10')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await expectLine(page, { 'Still to buy': '600.00' })
  await page.keyboard.press('n')
  await form.getByLabel('How long').fill('90')
  await form.getByRole('button', { name: 'Note them' }).click()
  await expect(form).toContainText('expected 1:30, 1.5 h or 90 min') // could be hours, could be minutes
  await form.getByLabel('How long').fill('1:30')
  await form.getByLabel('What was done').fill('Measured')
  await form.getByRole('button', { name: 'Note them' }).click()
  await expect(form).toBeHidden()
  await expectLine(page, { Committed: '90.00', 'Still to buy': '510.00' })

  await page.getByRole('button', { name: 'Ask for a sum' }).click()
  await form.getByLabel('Sum').fill('500')
  await form.getByRole('button', { name: 'Asked', exact: true }).click()
  await expect(form).toBeHidden()
  await page.getByRole('button', { name: 'It came: Deposit' }).click()
  await form.getByRole('button', { name: 'It came', exact: true }).click()
  await expect(form).toBeHidden()
  await expect(page.getByText(/410\.00 is held for the client/)).toBeVisible()
  await expectLine(page, { Paid: '90.00' })
  await clean(page, 'fees and client money')
  // what was entered wrongly is reversed, and stays on record
  await page.getByRole('button', { name: /^Reverse 500\.00/ }).click()
  await expect(page.getByText(/90\.00 is owed to the studio/)).toBeVisible()
  // the page shows it at once; the paper comes from the server, which hears of it a moment later
  const csv = async (): Promise<string> => (await page.request.get(`/api/makeovers/${id}/client-statement.csv`)).text()
  await expect.poll(csv).toMatch(/transfer, reversal/)
  expect(await csv()).toMatch(/Work on site,Design,"1 h 30 min of 10 h agreed, at 60\.00 an hour",90\.00/)
})

test('a template of the studio begins another makeover', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await page.getByRole('button', { name: 'Add a need' }).click()
  const form = dialog(page)
  await form.getByLabel('What has to be possible').fill('Wait and read')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await page.getByRole('button', { name: 'Keep as a template' }).click()
  await form.getByLabel('What it is called').fill('Waiting rooms')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(form).toBeHidden()
  await page.goto('/')
  await page.getByRole('button', { name: 'Begin a makeover' }).click()
  await form.getByLabel('What it is called').fill('Second')
  await form.getByLabel('Client').fill('Cleo Ent')
  await form.getByLabel('Room', { exact: true }).fill('Room')
  await choose(page, form, 'Begin from', 'Template: Waiting rooms')
  await form.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('cell', { name: 'Wait and read', exact: true })).toBeVisible()
})
