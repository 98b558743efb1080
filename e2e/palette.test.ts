/** The palette: the tray moved by mouse, touch and keyboard, colours from everywhere, laid edge to edge, judged, cured and suggested. */
import { expect, test, type Locator, type Page } from '@playwright/test'
import { converter } from 'culori'
import sharp from 'sharp'
import { deltaE } from '#core/colour/difference.ts'
import { labFromHex, type Lab } from '#core/colour/lab.ts'
import { begin, choose, clean, dialog, makeStudio, openMakeover, signIn, toStep } from './person.ts'

const chip = (page: Page, name: string): Locator =>
  page.getByRole('group', { name: 'The tray', exact: true }).getByRole('button', { name: new RegExp(`^${name},`) })
const tagOf = (page: Page): Locator => page.getByRole('region', { name: 'Finish' })
const role = (page: Page, name: string): Locator => tagOf(page).getByRole('button', { name, exact: true })

async function lay(
  page: Page,
  name: string,
  colour: string,
  picks: Record<string, string> = {},
  area = '10',
): Promise<void> {
  await page
    .getByRole('button', { name: /Add a finish|Lay down the first/ })
    .first()
    .click()
  const form = dialog(page)
  await form.getByLabel('Name').fill(name)
  await form.getByLabel('Colour', { exact: true }).fill(colour)
  for (const [label, option] of Object.entries(picks)) await choose(page, form, label, option)
  if (area) await form.getByLabel('Visible area by eye').fill(area)
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
}

/** The list forgets what was picked, since it lies there now. */
async function layAlso(page: Page, name: string): Promise<void> {
  await tagOf(page).getByLabel('And beside them', { exact: true }).click({ force: true })
  await page.getByRole('option', { name, exact: true }).filter({ visible: true }).click()
  await expect(page.getByRole('group', { name: new RegExp(`^Edge to edge: .*${name}`) })).toBeVisible()
}

test('a palette is begun from the library, a meter that strays and a photograph; shares work before anybody measured', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await page.getByRole('button', { name: 'Lay down the first' }).click()
  const form = dialog(page)
  await form.getByRole('button', { name: 'From the library' }).click()
  await form.getByLabel('Find in the library').fill('grey blue eggshell')
  await expect(form.getByText('1 finish.')).toBeVisible()
  await clean(page, 'the library')
  await form.getByRole('button', { name: 'Take Eggshell grey blue' }).click()
  await expect(form.getByLabel('Name')).toHaveValue('Eggshell grey blue')
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
  await chip(page, 'Eggshell grey blue').click()
  await expect(tagOf(page)).toContainText(/Stands up to\s*wet, scrub.*Area, typical\s*32\.00\sm²/)
  await expect(page.getByText(/100 %|typical of an ordinary room, since nobody measured yet/).first()).toBeVisible()

  // the meter meets a stain: the reading is left out, and the mean is taken
  await page.keyboard.press('n')
  await form.getByLabel('Name').fill('Read off the quilt')
  await form.getByRole('button', { name: 'With a meter' }).click()
  await expect(form.getByText('Simulated')).toBeVisible()
  await choose(page, form, 'The meter lies on', 'Wool, madder')
  await choose(page, form, 'How the meter behaves', 'meets a stain now and then')
  for (let at = 0; at < 4; at++) {
    await form.getByRole('button', { name: 'Take a reading' }).click()
    await expect(form.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(at + 1)
  }
  await expect(form.getByText(/left out: ΔE \d/)).toBeVisible()
  await expect(form.getByRole('status').filter({ hasText: 'they agree' })).toBeVisible()
  await clean(page, 'the meter')
  await choose(page, form, 'How the meter behaves', 'does not lie flat')
  await form.getByRole('button', { name: 'Take a reading' }).click()
  await expect(form.getByRole('alert')).toContainText('press it down and read again')
  await form.getByRole('button', { name: 'Use the mean' }).click()
  await choose(page, form, 'Role', 'accent')
  await choose(page, form, 'On', 'other')
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()

  // picked from a picture of two halves: by the arrows from one into the other
  const picture = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#2f6f73' } })
    .composite([
      { input: { create: { width: 200, height: 200, channels: 3, background: '#d9d0bd' } }, left: 0, top: 0 },
    ])
    .png()
    .toBuffer()
  await page.keyboard.press('n')
  await form.getByLabel('Name').fill('From the picture')
  await form.getByRole('button', { name: 'From a picture' }).click()
  await form
    .getByLabel('Choose a picture to pick from')
    .setInputFiles({ name: 'halves.png', mimeType: 'image/png', buffer: picture })
  const view = form.getByRole('application')
  await view.focus()
  for (let at = 0; at < 5; at++) await view.press('Shift+ArrowRight')
  await form.getByRole('button', { name: 'wide', exact: true }).click()
  const { L, a, b } = labFromHex('#2f6f73') ?? { L: 0, a: 0, b: 0 }
  await expect(form.getByText(`L* ${L.toFixed(1)}, a* ${a.toFixed(1)}, b* ${b.toFixed(1)}`)).toBeVisible()
  await clean(page, 'picking from a picture')
  await form.getByRole('button', { name: 'Use this colour' }).click()
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
  await chip(page, 'From the picture').click()
  await expect(tagOf(page)).toContainText('On this screen#2f6f73')
  await form.waitFor({ state: 'hidden' })
  await page.keyboard.press('n')
  await form.getByRole('button', { name: 'From a picture' }).click()
  await form
    .getByLabel('Choose a picture to pick from')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('not a picture') })
  await expect(form.getByRole('alert')).toContainText('notes.txt cannot be opened as a picture')
})

test('a chip is moved by mouse, keyboard and tag, kept over a reload, and taken back', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await lay(page, 'Oat', '#d9d0bd', {}, '60')
  await lay(page, 'Moss', '#6b7a58', { Role: 'secondary', On: 'piece' }, '30')
  await lay(page, 'Rust', '#a84f33', { Role: 'accent', On: 'other' }, '10')
  await expect(page.getByText('Dominant 60 %')).toBeVisible()
  // dragged into the column of the secondary, before the one that lies there
  await page.evaluate(() => window.scrollTo(0, 0))
  const [start, to] = [await chip(page, 'Rust').boundingBox(), await chip(page, 'Moss').boundingBox()]
  if (!start || !to) throw new Error('both lie in the tray')
  await page.mouse.move(start.x + 20, start.y + 30)
  await page.mouse.down()
  await page.mouse.move(start.x - 20, start.y + 60, { steps: 4 })
  await page.mouse.move(to.x + to.width / 2, to.y + 12, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByText('Secondary 40 %')).toBeVisible()
  await expect(tagOf(page)).toBeHidden() // a drag is no click
  await chip(page, 'Rust').click()
  await expect(role(page, 'secondary')).toHaveAttribute('aria-pressed', 'true')
  // by keyboard: below the other, and back to the accent
  await chip(page, 'Rust').focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect(page.getByRole('status').filter({ hasText: 'Rust: secondary, place 2 of 2' })).toBeAttached()
  await expect(async () =>
    expect((await chip(page, 'Rust').boundingBox())?.y).toBeGreaterThan(
      (await chip(page, 'Moss').boundingBox())?.y ?? 0,
    ),
  ).toPass()
  await page.keyboard.press('Alt+ArrowRight')
  await expect(page.getByText('Accent 10 %')).toBeVisible()
  await role(page, 'dominant').click()
  await expect(page.getByText('Dominant 70 %')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Dominant 70 %')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Accent 10 %')).toBeVisible()
  // Escape lets a chip fall back
  const box = await chip(page, 'Rust').boundingBox()
  if (!box) throw new Error('it lies there')
  await page.mouse.move(box.x + 20, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(300, 400, { steps: 5 })
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(page.getByText('Accent 10 %')).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('roles lie one below the other, and a chip that is held down is moved', async ({ page }) => {
    await makeStudio(page)
    await begin(page)
    await toStep(page, 'Palette')
    await lay(page, 'Oat', '#d9d0bd', {}, '60')
    await lay(page, 'Moss', '#6b7a58', { Role: 'secondary', On: 'piece' }, '40')
    const [oat, moss] = [chip(page, 'Oat'), chip(page, 'Moss')]
    await moss.scrollIntoViewIfNeeded()
    const [top, below] = [await oat.boundingBox(), await moss.boundingBox()]
    if (!top || !below) throw new Error('both lie in the tray')
    expect(below.y).toBeGreaterThan(top.y + top.height - 1)
    const session = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
      session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
    await touch('touchStart', below.x + 40, below.y + 30)
    await page.waitForTimeout(600)
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
  await expect(page.getByText('10 short')).toBeVisible()
  await page.getByRole('button', { name: 'What would bring it right' }).first().click()
  await expect(dialog(page).getByRole('heading', { name: 'What would bring the shares right' })).toBeVisible()
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await page.getByLabel('Family', { exact: true }).selectOption('metal')
  await expect(page.getByText('2 of 10 shown')).toBeVisible()
  await page.getByLabel('Room', { exact: true }).selectOption({ label: 'Servery' })
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
