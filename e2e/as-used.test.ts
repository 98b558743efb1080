/** The product as somebody uses it who is new to it: how many steps a job takes, and what a phone is good for. */
import { expect, test, type Page } from '@playwright/test'
import { deflateSync } from 'node:zlib'
import { Hand } from './hand.ts'
import { begin, clean, dialog, makeStudio, openMakeover, planPiece, signBudget, signIn, toStep } from './person.ts'

/**
 * A job from the first talk to the first thing in the room: a tenant's guest room in dollars and feet, with four needs, two
 * things that may not be done, a budget of five categories that is signed, and three things seen in shops with price and
 * size, each chosen, ordered, paid and received. Counted on the product before templates, splitting and sightings, with the
 * same hand and the same job: 127 clicks and 372 keys.
 */
const before = { clicks: 127, keys: 372 }
const seen = [
  { name: 'Sofa bed', price: '640', size: `6' x 3' x 33"`, shop: 'Quayside Rooms', category: 'Furniture' },
  { name: 'Floor lamp', price: '120', size: `14" x 14" x 60"`, shop: 'Quayside Rooms', category: 'Light' },
  { name: 'Wool throw', price: '85', size: '', shop: 'Loom and Line', category: 'Textiles' },
]

test('a job takes half the steps it took', async ({ page }) => {
  await makeStudio(page)
  const hand = new Hand(page)
  const form = dialog(page)
  const press = (name: string | RegExp, scope = page.locator('body')) =>
    hand.click(
      scope
        .getByRole('button', { name: typeof name === 'string' ? new RegExp(`^${name}[A-Z]?$`) : name })
        .filter({ visible: true })
        .first(),
    )

  await press('Begin a makeover')
  await hand.type(form.getByLabel('What it is called'), 'Guest room')
  await hand.type(form.getByLabel('Client'), 'Ada')
  await hand.type(form.getByLabel('Room', { exact: true }), 'Guest room')
  await hand.choose(form, 'Begin from', 'A guest room, what is usual')
  await hand.choose(form, 'Country', 'United States')
  await press('Begin', form)
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible()
  await expect(page.getByText('Put down a suitcase and hang clothes').first()).toBeVisible()
  for (const forbidden of ['drill', 'paint']) {
    await press('Add a constraint')
    if (forbidden !== 'drill') await hand.choose(form, 'Not allowed', forbidden)
    await press('Add', form)
    await expect(form).toBeHidden()
  }
  await press('Draft the budget')
  await hand.type(form.getByLabel('The whole, to be split, if known'), '3000')
  await press('Split, typical shares', form)
  await press('Keep the draft', form)
  await expect(form).toBeHidden()
  await press('Have it signed')
  await press('Signed', form)
  await expect(form).toBeHidden()

  await hand.click(page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Pieces/ }))
  await hand.click(page.getByRole('link', { name: 'Seen in a shop' }))
  const shop = page.getByRole('main')
  for (const { name, price, size, shop: where, category } of seen) {
    await hand.choose(shop, 'What it is for', `Something new: ${category}`)
    await hand.type(shop.getByLabel('What it is', { exact: true }), name)
    await hand.type(shop.getByLabel('Price'), price)
    if (size) await hand.type(shop.getByLabel('Size'), size)
    if ((await shop.getByLabel('Shop').inputValue()) !== where) await hand.type(shop.getByLabel('Shop'), where)
    await press('Keep it')
    await expect(page.getByText(`${name} is kept as a candidate.`)).toBeVisible()
  }
  for (const { name } of seen) {
    await hand.click(page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Pieces/ }))
    await hand.click(page.getByRole('main').getByRole('link', { name }))
    await press(`Choose ${name}`)
    // a person reads what it would do before it is chosen
    await expect(form.getByRole('region', { name: 'What this would do' })).toBeVisible()
    await press('Choose', form)
    await expect(form).toBeHidden()
    await press('Order')
    // and before a box is ticked
    await expect(form.getByRole('region', { name: 'What this would do' })).toBeVisible()
    await hand.click(form.getByText('Bought on the spot: paid in full, and here'))
    await press('Order', form)
    await expect(page.getByRole('heading', { name: 'Purchases' })).toBeVisible()
    await expect(page.getByRole('main').getByRole('row', { name })).toContainText('here')
  }
  test.info().annotations.push({ type: 'counted', description: `${hand.clicks} clicks, ${hand.keys} keys` })
  if (process.env.COUNTED) process.stderr.write(`${hand.clicks} clicks, ${hand.keys} keys\n`)
  expect(hand.clicks).toBeLessThanOrEqual(before.clicks / 2)
  expect(hand.keys).toBeLessThanOrEqual(before.keys / 2)
})

/** A picture of one colour, as PNG (W3C PNG 5: signature, IHDR, IDAT, IEND). */
function picture(red: number, green: number, blue: number): Buffer {
  const side = 32
  const table = Array.from({ length: 256 }, (_, byte) => {
    let sum = byte
    for (let bit = 0; bit < 8; bit++) sum = sum & 1 ? 0xedb88320 ^ (sum >>> 1) : sum >>> 1
    return sum >>> 0
  })
  const crc = (bytes: Buffer): number => {
    let sum = 0xffffffff
    for (const byte of bytes) sum = (table[(sum ^ byte) & 255] ?? 0) ^ (sum >>> 8)
    return (sum ^ 0xffffffff) >>> 0
  }
  const chunk = (name: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(name), data])
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)]
    length.writeUInt32BE(data.length)
    check.writeUInt32BE(crc(body))
    return Buffer.concat([length, body, check])
  }
  const head = Buffer.alloc(13)
  head.writeUInt32BE(side, 0)
  head.writeUInt32BE(side, 4)
  head.set([8, 2, 0, 0, 0], 8)
  const line = Buffer.concat([Buffer.of(0), ...Array.from({ length: side }, () => Buffer.of(red, green, blue))])
  const lines = Buffer.concat(Array.from({ length: side }, () => line))
  return Buffer.concat([
    Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(lines)),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

test('in a shop, on a phone without a net: what is seen is judged at once, kept, and its picture sent when there is one', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  await planPiece(page, { name: 'Stool', category: 'Furniture', allowance: '100' })
  await toStep(page, 'In a shop')
  const shop = page.getByRole('main')
  await context.setOffline(true)
  await shop
    .getByLabel(/Photograph it/)
    .setInputFiles({ name: 'stool.png', mimeType: 'image/png', buffer: picture(120, 70, 40) })
  await expect(shop.getByRole('list', { name: 'Colours taken' }).getByRole('button')).toHaveCount(1)
  await shop.getByLabel('What it is', { exact: true }).fill('Bentwood stool')
  await shop.getByLabel('Price').fill('120')
  await shop.getByLabel('Shop').fill('Quayside Rooms')
  await expect(shop.getByRole('list', { name: 'What can be said at once' })).toContainText(
    '20.00 EUR over what it may cost',
  )
  await clean(page, 'in a shop')
  await shop.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Bentwood stool is kept as a candidate.')).toBeVisible()
  await expect(shop.getByText('One picture waits for the server')).toBeVisible()
  await context.setOffline(false)
  await toStep(page, 'Pieces')
  await toStep(page, 'In a shop')
  await toStep(page, 'Pieces')
  await page.getByRole('main').getByRole('link', { name: 'Stool' }).click()
  await expect(page.getByRole('main').getByText('Bentwood stool').first()).toBeVisible()
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/makeovers/${page.url().split('/')[4] ?? ''}`)
      const { makeover } = (await answer.json()) as {
        makeover: { rows: { attachment: object; candidate: Record<string, { leadDays: number | null }> } }
      }
      return [Object.keys(makeover.rows.attachment).length, Object.values(makeover.rows.candidate)[0]?.leadDays]
    })
    .toEqual([1, null])
})

test('the day page looks the same after every step of a makeover was seen', async ({ page }) => {
  await signIn(page)
  const measured = (looked: Page): Promise<string> =>
    looked.evaluate(() =>
      [...document.querySelectorAll('.day main *')]
        .map((element) => {
          const { width, height } = element.getBoundingClientRect()
          return `${element.tagName} ${Math.round(width)} × ${Math.round(height)}`
        })
        .join('\n'),
    )
  const list = page.getByRole('list', { name: 'All makeovers' })
  await expect(list).toBeVisible()
  // until all of it has come and nothing moves any more
  let first = ''
  await expect
    .poll(
      async () => {
        const before = first
        first = await measured(page)
        return first === before && first.includes('SECTION')
      },
      { intervals: [800] },
    )
    .toBe(true)
  await openMakeover(page, /Music room/)
  for (const step of ['Survey', 'Palette', 'Pieces', 'Purchases', 'Brief']) {
    await toStep(page, step)
    await expect(page.getByRole('heading', { name: step, level: 1 })).toBeVisible()
  }
  await page.getByRole('link', { name: 'Bonitas, to all makeovers' }).click()
  await expect(list).toBeVisible()
  await expect.poll(() => measured(page)).toBe(first)
})
