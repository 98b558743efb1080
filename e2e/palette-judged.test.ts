/** The palette judged: laid edge to edge, cured, suggested, seen by each light, and true on the screen. */
import { expect, test } from '@playwright/test'
import { converter } from 'culori'
import sharp from 'sharp'
import { deltaE } from '#core/colour/difference.ts'
import { labFromHex, type Lab } from '#core/colour/lab.ts'
import { begin, boxOf, choose, clean, dialog, makeStudio, openMakeover, signIn, toStep } from './person.ts'
import { chip, lay, layAlso, tagOf } from './tray-hand.ts'

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('roles lie one below the other, and a chip that is held down is moved', async ({ page }) => {
    await makeStudio(page)
    await begin(page)
    await toStep(page, 'Palette')
    await lay(page, 'Oat', '#d9d0bd', {}, '60')
    await lay(page, 'Moss', '#6b7a58', { Role: 'secondary', On: 'a thing' }, '40')
    const [oat, moss] = [chip(page, 'Oat'), chip(page, 'Moss')]
    await moss.evaluate((element) => element.scrollIntoView({ block: 'center' }))
    const [top, below] = [await boxOf(oat), await boxOf(moss)]
    expect(below.y).toBeGreaterThan(top.y + top.height - 1)
    const session = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
      session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
    await touch('touchStart', below.x + 40, below.y + 30)
    await expect(page.locator('.lifted-chip')).toBeVisible()
    for (let step = 1; step <= 8; step++)
      await touch('touchMove', below.x + 40, below.y + 30 - (step * (below.y - top.y)) / 8)
    await touch('touchEnd')
    await expect(page.getByText('Dominant 100 %')).toBeVisible()
    await clean(page, 'the palette on a phone')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  })
})

test('laid edge to edge, judged in words, and a clash cured by the least change, seen before it is made', async ({
  page,
}) => {
  await signIn(page)
  await openMakeover(page, /Breakfast room/)
  await toStep(page, 'Palette')
  await chip(page, 'Buttermilk').click()
  await chip(page, 'Old tile').click({ modifiers: ['Shift'] })
  const tag = tagOf(page)
  await expect(page.getByRole('group', { name: /^Edge to edge: Buttermilk, Old tile/ })).toBeVisible()
  await expect(tag).toContainText(/yellow beside green.*ΔE \d\.\d.*By lamp light.*may|much/s)
  await tag.getByRole('button', { name: 'What would cure it' }).click()
  const form = dialog(page)
  await expect(form).toContainText('Old tile stays: it is there and is kept.')
  await expect(form.getByRole('radio')).toHaveCount(2)
  await expect(form.getByRole('region', { name: 'What this would do' })).toContainText(
    /Buttermilk and Old tile: two near-neutrals of different undertone/,
  )
  await clean(page, 'what would cure it')
  await form.getByRole('button', { name: 'Cancel' }).click()
  await layAlso(page, 'Runner stripe')
  await expect(tag.getByRole('heading', { name: '3 laid edge to edge' })).toBeVisible()
  await layAlso(page, 'Fog oak')
  await expect(tag).toContainText(/Runner stripe beside Fog oak/)
  await expect(tag.getByLabel('And beside them')).toBeHidden() // four are enough
  await clean(page, 'four laid edge to edge')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('group', { name: /^Edge to edge/ })).toBeHidden()

  // the dial names the pairs, and lays one out
  await page.getByRole('button', { name: 'Lay the clash side by side: Pale brass and Green brass' }).press('Enter')
  await expect(tag.getByRole('heading', { name: 'Pale brass beside Green brass' })).toBeVisible()
  await page.keyboard.press('Escape')
  // shares that are off, and what would bring them right
  await expect(page.getByText(/^\d+ short$/).first()).toBeVisible()
  await page.getByRole('button', { name: 'What would bring it right' }).first().click()
  await expect(dialog(page).getByRole('heading', { name: 'What would bring the shares right' })).toBeVisible()
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await choose(page, page.getByRole('main'), 'Family', 'metal')
  await expect(page.getByText('2 of 13 shown')).toBeVisible()
  await choose(page, page.getByRole('main'), 'Room', 'Servery')
  await expect(page.getByText('Nothing in the palette is so.')).toBeVisible()
})

test('a school is looked at before it is followed; suggestions have reasons and are never the same twice', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await lay(page, 'Wall', '#83a7ad', { On: 'walls' }, '36')
  await lay(page, 'Boards', '#c59c5f', { Family: 'wood', On: 'floor', Role: 'secondary' }, '17')
  await lay(page, 'Red trim', '#a84f33', { On: 'trim', Role: 'secondary' }, '4')
  await page.getByRole('button', { name: 'What “One envelope” would change' }).click()
  const schools = page.getByRole('region', { name: /^School/ })
  await expect(schools).toContainText(/It would say: Red trim breaks the envelope/)
  await clean(page, 'a school before it is followed')
  await schools.getByRole('button', { name: 'Follow it' }).click()
  await expect(page.getByRole('heading', { name: 'School: one envelope' })).toBeVisible()
  await expect(page.getByText('Red trim breaks the envelope').first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { name: /none chosen yet/ })).toBeVisible()

  await page.keyboard.press('s')
  const form = dialog(page)
  const list = form.locator('.suggest li')
  await form.getByRole('button', { name: 'A second', exact: true }).click()
  await expect(list.first()).toContainText(/darker|lighter|company|Takes up/)
  await clean(page, 'suggestions')
  const first = await list.locator('strong').allInnerTexts()
  await form.getByRole('button', { name: 'Others' }).click()
  await expect.poll(() => list.locator('strong').first().innerText()).not.toBe(first[0])
  for (const name of await list.locator('strong').allInnerTexts()) expect(first).not.toContain(name)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Palette', level: 1 })).toBeVisible()
  await page.keyboard.press('s')
  await form.getByRole('button', { name: 'A second', exact: true }).click()
  await expect(list.first()).toContainText(/darker|lighter|company|Takes up/)
  for (const name of await list.locator('strong').allInnerTexts()) expect(first).not.toContain(name)
  await form.getByRole('button', { name: 'Earlier' }).click()
  await expect.poll(() => list.locator('strong').allInnerTexts()).toEqual(first)
  await form.getByRole('button', { name: 'Others' }).click()
  await expect.poll(() => list.locator('strong').first().innerText()).not.toBe(first[0])
  await list.first().getByRole('button').click()
  await expect(form.getByText(/brings no new remark|appears|never seen/).first()).toBeVisible()
  const name = await list.first().locator('strong').innerText()
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
  await expect(tagOf(page).getByRole('heading', { name })).toBeVisible()
})

test('a colour that a pattern carries stays until the pattern lets it go; the pattern comes in other colours of the palette', async ({
  page,
}) => {
  await signIn(page)
  await openMakeover(page, /Breakfast room/)
  await toStep(page, 'Palette')
  await chip(page, 'Rust line').click()
  await tagOf(page).getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByRole('alert')).toHaveText(
    'Runner stripe carries Rust line in the pattern: take it out of the pattern first.',
  )
  await chip(page, 'Runner stripe').click()
  await expect(tagOf(page)).toContainText(/Pattern\s*medium stripe, repeats in 120\smm/)
  const ways = tagOf(page).getByRole('region', { name: 'Colourways' }).getByRole('button')
  expect(await ways.count()).toBeGreaterThanOrEqual(2)
})

test('a sample is looked at on its wall by each light, and asks for lamp light until it had it', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await lay(page, 'Wall', '#83a7ad', { On: 'walls' }, '36')
  const samples = page.getByRole('region', { name: /^Samples, by the light/ })
  await expect(page.getByText('Wall was never seen by lamp light').first()).toBeVisible()
  await samples.getByRole('button', { name: 'Note how Wall looks by lamp light' }).click()
  await dialog(page).getByLabel('By whom').fill('Cleo')
  await choose(page, dialog(page), 'Verdict', 'right')
  await dialog(page).getByLabel('What was seen').fill('Greyer, and good')
  await clean(page, 'a look at a sample')
  await dialog(page).getByRole('button', { name: 'Note it' }).click()
  await expect(samples.getByRole('button', { name: 'By lamp light, Wall: right by Cleo' })).toBeVisible()
  await expect(page.getByText('Wall was never seen by lamp light')).toHaveCount(0)
  await samples.getByRole('button', { name: 'By lamp light, Wall: right by Cleo' }).click()
  await dialog(page).getByRole('button', { name: 'Take away' }).click()
  await expect(page.getByText('Wall was never seen by lamp light').first()).toBeVisible()
})

for (const fineness of [1, 2])
  test.describe(`at ${fineness} pixels a pixel`, () => {
    test.use({ deviceScaleFactor: fineness, viewport: { width: 1280, height: 900 } })
    test('each chip on the screen has the mean colour of its finish', async ({ page }) => {
      await signIn(page)
      await openMakeover(page, /Tea room/)
      await toStep(page, 'Palette')
      // as the demo has them: satin paint, matt paint, wood, cane, a woven cloth, glaze, glass, leaves
      const told = [
        ['Brick dust', '#9c5a44'],
        ['Cloud break', '#9fb7c4'],
        ['Pine shelf', '#cfa46a'],
        ['Wicker', '#a8814f'],
        ['Mustard seed', '#c4972c'],
        ['Enamel', '#34607a'],
        ['Bottle glass', '#6c8f6a'],
        ['Geranium', '#56713f'],
      ] as const
      await page.waitForTimeout(1500) // the tiles are drawn in a worker
      await page.addStyleTag({ content: '.chip .name { display: none !important; }' })
      await page.mouse.move(2, 2)
      const toLab = converter('lab65')
      for (const [name, hex] of told) {
        const { data, info } = await sharp(await chip(page, name).screenshot())
          .removeAlpha()
          .raw()
          .toBuffer({ resolveWithObject: true })
        expect(info.width).toBeGreaterThan(60 * fineness)
        const sum = [0, 0, 0]
        for (let at = 0; at < data.length; at++) {
          const byte = (data[at] ?? 0) / 255
          sum[at % 3] =
            (sum[at % 3] ?? 0) +
            (byte <= 0.04045 ? byte / 12.92 : ((byte + 0.055) / 1.055) ** 2.4) / (info.width * info.height)
        }
        const { l, a, b } = toLab({ mode: 'lrgb', r: sum[0] ?? 0, g: sum[1] ?? 0, b: sum[2] ?? 0 })
        const mean: Lab = { L: l, a, b }
        const off = deltaE(mean, labFromHex(hex) ?? mean)
        expect(off, `${name} is ΔE ${off.toFixed(2)} off`).toBeLessThan(1)
      }
    })
  })
