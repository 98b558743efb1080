/** The survey at the desk: typed, closed, drawn, measured on, taken out and in; by mouse and by keyboard. */
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { begin, choose, clean, dialog, makeStudio, openMakeover, signIn, toStep } from './person.ts'

const next = (page: Page) => page.getByLabel('Length of the next wall')
async function walk(page: Page, ...walls: readonly string[]): Promise<void> {
  for (const wall of walls) {
    await next(page).fill(wall)
    await next(page).press('Enter')
    await expect(next(page)).toHaveValue('')
  }
}
const figure = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name} of Room, working`) })
/** The figures of the whole room: what is taken up is laid back first. */
async function whole(page: Page): Promise<void> {
  const back = page.getByRole('button', { name: 'To the room’s figures' })
  if (await back.isVisible()) await back.click()
}
const rowOf = (page: Page, name: RegExp) => page.getByRole('region', { name: 'Walk round' }).getByRole('row', { name })
async function fill(
  page: Page,
  open: string | RegExp,
  texts: Record<string, string>,
  picks: Record<string, string>,
  done: string,
): Promise<void> {
  await page.getByRole('button', { name: open }).first().click()
  const form = dialog(page)
  for (const [label, option] of Object.entries(picks)) await choose(page, form, label, option)
  for (const [label, text] of Object.entries(texts))
    await form.getByLabel(label, { exact: label === 'Width' }).fill(text)
  await form.getByRole('button', { name: done, exact: true }).click()
  await expect(form).toBeHidden()
}

test('a room walked round: lengths as people write them, the wrong one found by diagonals, figures with their working', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Survey')
  await expect(page.getByText('No wall yet.')).toBeVisible()
  await clean(page, 'an empty survey')

  await next(page).fill('wide')
  await next(page).press('Enter')
  await expect(page.getByRole('alert')).toHaveText(/“wide” is not a length: expected one such as/)
  await next(page).fill(`16' 4 7/8"`)
  await expect(page.getByText('5000.6 mm')).toBeVisible()
  await walk(page, '5 m', '360 cm', '5300')
  await expect(page.getByText(/Not round yet.*270° of 360°/)).toBeVisible()
  await walk(page, '3.6 m')
  // A and C differ by 300 mm: either may be wrong, and a diagonal is asked for
  await expect(page.getByText('Wall A or Wall C: one of them is wrong.').first()).toBeVisible()
  await expect(
    page
      .getByText(
        /Measure from corner \d to corner \d: near 64\d\d\smm means Wall A is wrong, near 6161\smm means Wall C is wrong/,
      )
      .first(),
  ).toBeVisible()
  for (const [start, to] of [
    ['Corner 1', 'Corner 3'],
    ['Corner 2', 'Corner 4'],
  ])
    await fill(
      page,
      'Add a diagonal, or any corner to corner',
      { Length: '6161' },
      { From: start ?? '', To: to ?? '' },
      'Add',
    )
  await expect(page.getByText('Measure Wall C again.').first()).toBeVisible()
  await expect(rowOf(page, /^C measure again/)).toBeVisible()
  await expect(figure(page, 'Floor')).toHaveText('18.00 m²')

  // typed anew in its row: the drawing and the figures follow before it is saved
  const wallC = page.getByLabel('Length of wall C')
  await wallC.fill('5000')
  await expect(page.getByText('measure again')).toBeHidden()
  await wallC.press('Enter')
  await expect(page.getByText(/^closes/).first()).toBeVisible()
  await fill(page, 'Set the heights', { Ceiling: '2500', Dado: '1 m' }, {}, 'Save')
  await whole(page)
  await expect(figure(page, 'Volume')).toHaveText('45.0 m³')
  await fill(
    page,
    /^Add one/,
    { 'So far along': '400', Width: '800', 'Head above the floor': '2000' },
    { On: 'Wall A', 'Hinges, seen from inside': 'left', 'It opens': 'into this room' },
    'Add',
  )
  await expect(figure(page, 'Walls, net')).toHaveText('41.40 m²')
  await expect(figure(page, 'Skirting')).toHaveText('16400 mm')
  await figure(page, 'Skirting').click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText(
    /Perimeter.*17(200|199\.\d)\smm[\s\S]*Wall A.*Door[\s\S]*−\s800\smm/,
  )
  await page.keyboard.press('Escape')

  // a breast put into a wall, and taken back
  await fill(
    page,
    'Shape wall B: a bump, recess, bay or slant',
    { 'Begins so far along': '1100', 'Width along the wall': '1400', Depth: '350' },
    {},
    'Put it in',
  )
  await whole(page)
  await expect(figure(page, 'Floor')).toHaveText('17.51 m²')
  await page.keyboard.press('Control+z')
  await expect(figure(page, 'Floor')).toHaveText('18.00 m²')
  await clean(page, 'a survey')
  await page.reload()
  await expect(figure(page, 'Floor')).toHaveText('18.00 m²')
})

test('the drawing: picked, typed and measured on by keyboard, walls as one stands before them', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Survey')
  await walk(page, '5000', '3600', '5000', '3600')
  await fill(page, 'Set the heights', { Ceiling: '2500' }, {}, 'Save')
  await fill(
    page,
    /^Add one/,
    {
      Called: 'Low window',
      'So far along': '1000',
      Width: '1500',
      'Sill above the floor': '400',
      'Head above the floor': '2100',
    },
    { What: 'window', On: 'Wall B' },
    'Add',
  )
  const plan = page.getByRole('group', { name: 'Plan of Room' })
  await plan.getByRole('button', { name: 'Low window, wall B' }).focus()
  await page.keyboard.press('Enter')
  const tag = page.getByRole('region', { name: 'Selected' })
  await expect(tag).toContainText(/Low window.*From the left\s*1000\smm.*To the right\s*1100\smm/)
  await page.getByRole('heading', { name: 'Survey' }).click()

  await page.keyboard.press('m')
  await plan.getByRole('button', { name: 'Measure from corner 1' }).focus()
  await page.keyboard.press('Enter')
  await plan.getByRole('button', { name: 'Measure from corner 3' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText(/6161\smm from corner 1 to corner 3; 5000\smm across, 3600\smm up/)).toBeVisible()
  await clean(page, 'measuring')
  await page.keyboard.press('m')

  // a length typed where it stands: Escape leaves it, Enter keeps it
  await plan.getByRole('button', { name: 'Wall B, 3600: type its length' }).click()
  const typed = page.getByRole('textbox', { name: 'Length of Wall B', exact: true })
  await typed.fill('3650')
  await expect(plan.getByText(/^36[1-5]\d$/).first()).toBeVisible() // the drawing follows each key
  await typed.press('Escape')
  await expect(plan.getByRole('button', { name: 'Wall B, 3600: type its length' })).toBeVisible()
  await plan.getByRole('button', { name: 'Wall B, 3600: type its length' }).focus()
  await page.keyboard.press('Enter')
  await typed.fill('3608')
  await typed.press('Enter')
  await page.getByRole('button', { name: 'What closing made of it' }).click()
  await expect(rowOf(page, /^B/)).toContainText(/360\d(\.\d)?\smm/)

  await page.getByRole('heading', { name: 'Survey' }).click()
  await page.keyboard.press(']')
  await page.keyboard.press(']')
  const face = page.getByRole('group', { name: /Wall B as one stands before it/ })
  await expect(face.getByText('2500').first()).toBeVisible()
  await expect(face.getByText('400', { exact: true })).toBeVisible()
  await expect(face.getByText('1700', { exact: true })).toBeVisible() // from sill to head
  await clean(page, 'an elevation')
  const before = await face.locator('g').first().getAttribute('transform')
  await page.keyboard.press('+')
  await expect.poll(() => face.locator('g').first().getAttribute('transform')).not.toBe(before)
  await page.keyboard.press('=')
  await expect.poll(() => face.locator('g').first().getAttribute('transform')).toBe(before)
  await page.keyboard.press('p')
  await expect(plan).toBeVisible()
})

test('files: paper, DXF and lengths go out; a table comes in after a look, and a wrong one changes nothing', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Survey')
  const take = (name: string, text: string) =>
    page
      .getByLabel('Look at a table of lengths (CSV)')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await take('wrong.csv', 'what,length\nwall,three\nroof,1')
  await expect(page.getByText(/wrong.csv cannot be taken as it is. Nothing was changed/)).toBeVisible()
  await expect(page.getByText('Line 2, length: “three” is not a length')).toBeVisible()
  await expect(page.getByText(/Line 3, what: “roof” is not known: expected ceiling/)).toBeVisible()
  await take('den.csv', `what,length,corner,top\nceiling,,,2.4 m\nwall,12',,\nwall,10',,\nwall,144 in,,\nwall,3048,,`)
  await expect(page.getByText(/would make 5 new, change 0 and take 0 away/)).toBeVisible()
  await expect(page.getByText('No wall yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByText('Room is as den.csv says.')).toBeVisible()
  await expect(figure(page, 'Floor')).toHaveText('11.15 m²') // 12 ft × 10 ft
  await take('den.csv', `what,length,corner,top\nceiling,,,2.4 m\nwall,12',,\nwall,10',,\nwall,144 in,,\nwall,3048,,`)
  await expect(page.getByText('It says what is here already: nothing would change.')).toBeVisible()
  const download = async (name: string): Promise<Buffer> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name, exact: true }).click(),
    ])
    return readFileSync(await file.path())
  }
  expect((await download('A4')).subarray(0, 5).toString()).toBe('%PDF-')
  expect((await download('Letter')).subarray(0, 5).toString()).toBe('%PDF-')
  expect((await download('DXF in mm')).toString()).toContain('$INSUNITS')
  expect((await download('Wall B as SVG')).toString()).toContain('<svg')
  expect((await download('CSV')).toString()).toContain('wall,,A,3657.6')
})

test('two rooms joined by a door, what is there in the palette as fixed, and the way in', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Survey')
  await walk(page, '5000', '3600', '5000', '3600')
  await fill(page, 'Set the heights', { Ceiling: '2500' }, {}, 'Save')
  await fill(
    page,
    /^Add one/,
    { Called: 'Hall door', 'So far along': '500', Width: '800', 'Head above the floor': '2000' },
    { On: 'Wall B' },
    'Add',
  )
  await fill(page, 'Another room', { Called: 'Hall' }, {}, 'Add')
  await expect(page.getByRole('button', { name: 'Hall', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await walk(page, '2000', '3000', '2000', '3000')
  await fill(
    page,
    /^Add one/,
    { 'So far along': '900', Width: '860', 'Head above the floor': '2000' },
    { On: 'Wall D', 'The same opening as': 'Hall door, Room' },
    'Add',
  )
  await expect(page.getByText('Door: two sizes for one opening.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Room', exact: true }).click()
  await expect(page.getByRole('group', { name: 'Plan of Room' }).getByText('Hall', { exact: true })).toBeVisible()

  await page.getByRole('button', { name: 'Note a finish' }).click()
  const form = dialog(page)
  await form.getByLabel('Name').fill('Old oak')
  await form.getByLabel('Colour', { exact: true }).fill('#a07848')
  await choose(page, form, 'Family', 'wood')
  await choose(page, form, 'On', 'floor')
  await choose(page, form, 'Made of', 'wood')
  await form.getByLabel('Since the year').fill('1931')
  await form.getByRole('button', { name: 'Note it' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('row', { name: /Old oak.*floor.*good.*1931.*18\.00\sm².*kept/ })).toBeVisible()
  await expect(page.getByText(/Old oak may hold lead: test before it is sanded/).first()).toBeVisible()
  await fill(page, 'Add a stage', { Called: 'Front door', 'Clear width': '31"', 'Clear height': '2 m' }, {}, 'Add')
  await expect(page.getByText('Narrowest: Front door, 787.4 mm; lowest: Front door, 2000 mm.')).toBeVisible()

  await toStep(page, 'Palette')
  await page.getByRole('button', { name: /^Old oak/ }).click()
  await expect(page.getByRole('region', { name: 'Finish' })).toContainText(
    /There already\s*kept, good, since 1931.*Area, measured\s*18\.00\sm²/,
  )
  await expect(page.getByText('fixed', { exact: true })).toBeVisible()
})

test('the demo rooms: a bay and a breast, a sloped ceiling, and a wrong length that is named; on a phone too', async ({
  page,
}) => {
  await signIn(page)
  await openMakeover(page, /Music room/)
  await toStep(page, 'Survey')
  await expect(page.getByRole('group', { name: 'Plan of Music room' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Floor of Music room, working' })).toHaveText(/^2\d\.\d\d\sm²$/)
  await page.getByRole('link', { name: 'Bonitas, to all makeovers' }).click()
  await openMakeover(page, /Tea room/)
  await toStep(page, 'Survey')
  await expect(page.getByText('Measure B, shed side again.').first()).toBeVisible()
  await expect(page.getByText(/the others make it 1[12]'\s\d/).first()).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await clean(page, 'a survey on a phone')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
