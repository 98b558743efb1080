/** The palette's part of the reckoning with 60 finishes and 100 pieces; and a chip dragged over the tray, in a real browser. */
import type { Page } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { labFromLch } from '#core/colour/lab.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Documents, type Operation } from '#core/makeover/change.ts'
import { families, roles } from '#core/makeover/choices.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { library, reckonPalette, step, suggest } from '#core/palette/index.ts'
import { drawTile, texturesOf } from '#core/texture/index.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import { paletteWorld } from '#core/testing/palette.ts'
import { change } from '#core/testing/small-makeover.ts'
import { rectangle, surveyRows } from '#core/testing/surveyed.ts'
import { busy, frames, watchFrames } from './frames.ts'
import { openMusicRoom, withServed } from './served.ts'
import { finishAreas, measuredRooms } from '#core/surfaces/index.ts'
import { roomsOf, surveyOf } from '#core/survey/index.ts'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const median = (times: readonly number[]): number =>
  times.toSorted((left, right) => left - right)[Math.floor(times.length / 2)] ?? Number.NaN
function timed(work: () => unknown, runs = 200): number {
  for (let warm = 0; warm < 2 * runs; warm++) work() // until it runs as it does in a window that is in use
  return median(
    Array.from({ length: runs }, () => {
      const startedAt = performance.now()
      work()
      return performance.now() - startedAt
    }),
  )
}

/** A measured room with finishes of every family and pieces of every colour, each before a wall. */
function full(count: { readonly finishes: number; readonly pieces: number }): Documents {
  const world = paletteWorld()
  const { operations, wallIds } = surveyRows(
    world.ids.room,
    { walls: rectangle(9000, 6000), survey: { heightMm: 2700 } },
    world.newId,
  )
  const surfaces = ['walls', 'floor', 'trim', 'door', 'window', 'piece', 'piece', 'other'] as const
  const finishes = Array.from({ length: count.finishes }, (_, at) =>
    world.finish(`F${at}`, labFromLch(20 + ((at * 37) % 70), (at * 13) % 44, (at * 97) % 360), {
      family: families[at % families.length] ?? 'paint',
      role: roles[at % 3] ?? 'accent',
      surface: surfaces[at % surfaces.length] ?? 'other',
      visibleM2: at % 3 === 0 ? null : 1 + (at % 9),
    }),
  )
  const pieces = Array.from({ length: count.pieces }, (_, at) =>
    world.piece(
      `P${at}`,
      `#${((at * 2654435) % 0xffffff).toString(16).padStart(6, '0')}`,
      { wallId: wallIds[at % 4] ?? null, aboveMm: (at * 130) % 2000 },
      { widthMm: 300 + at, heightMm: 400 + at },
    ),
  )
  let documents = change(world.with(), operations)
  const rows: Operation[] = [...finishes.flat(), ...pieces.flat()]
  // a change set holds only so many
  for (let at = 0; at < rows.length; at += 200) documents = change(documents, rows.slice(at, at + 200))
  return documents
}

const documents = full({ finishes: 60, pieces: 100 })
const practice = practiceOf(documents)
/** The same rows in new objects, as a change leaves them: nothing kept helps. */
const fresh = () => ({
  ...documents.makeover,
  rows: {
    ...documents.makeover.rows,
    finish: { ...documents.makeover.rows.finish },
    piece: { ...documents.makeover.rows.piece },
    candidate: { ...documents.makeover.rows.candidate },
  },
})
const measured = roomsOf(documents.makeover, practice.rules)
const lyingOn = (makeover: Documents['makeover'], rooms: typeof measured) =>
  finishAreas(makeover, measuredRooms(rooms, surveyOf(makeover, rooms, practice.rules)))
const finishes = lyingOn(documents.makeover, measured)
const roomId = measured[0]?.id ?? ''
say(
  `palette, 60 finishes, 100 pieces: ${timed(() => {
    const makeover = fresh()
    return step.remarks.reckon({
      makeover,
      practice,
      today: plainDate('2027-03-01'),
      parts: { palette: reckonPalette(makeover, practice, finishes, measured) },
    })
  }).toFixed(2)} ms median (goal: under 4)`,
)
const palette = reckonPalette(documents.makeover, practice, finishes, measured)
{
  const large = full({ finishes: 240, pieces: 280 })
  const rooms = roomsOf(large.makeover, practice.rules)
  const areas = lyingOn(large.makeover, rooms)
  const reckoned = (): unknown =>
    reckonPalette({ ...large.makeover, rows: { ...large.makeover.rows } }, practice, areas, rooms)
  say(
    `palette, 240 finishes, 280 pieces: ${timed(reckoned, 10).toFixed(0)} ms median, ${(JSON.stringify(reckoned()).length / 1e6).toFixed(2)} MB told`,
  )
}
for (const name of ['library', 'free'] as const)
  say(
    `accents suggested, ${name}:        ${timed(() => suggest(documents.makeover, palette, practice, { roomId, want: 'accent', from: name }), 20).toFixed(1)} ms median`,
  )
for (const [family, texture] of families
  .flatMap((family) => texturesOf(family).map((texture) => [family, texture] as const))
  .filter(([family, texture]) => ['wood', 'greenery'].includes(family) || texture === 'terrazzo'))
  say(
    `a tile of 320 × 320, ${family} ${texture}: ${timed(() => drawTile({ family, texture, sheen: 'matt', lab: { L: 60, a: 8, b: 20 } }, 5, 320, 320), 10).toFixed(0)} ms median (in a worker)`,
  )

async function toStep(page: Page, step: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: new RegExp(step) })
    .click()
  await page.getByRole('heading', { name: step, level: 1 }).waitFor()
  await page.waitForTimeout(2500) // until its tiles are drawn
}

const many = 60
/** Finishes of every family, by the one door for changes, until the tray holds as many as the goal is set for. */
async function fillTray(page: Page, base: string): Promise<void> {
  const id = page.url().split('/')[4] ?? ''
  const { makeover } = (await (await page.request.get(`${base}/api/makeovers/${id}`)).json()) as Documents
  const [room] = Object.keys(makeover.rows.room)
  const count = many - Object.values(makeover.rows.finish).filter((row) => row.fate !== 'change').length
  const operations = library
    .filter((_, at) => at % 5 === 0)
    .slice(0, count)
    .map((libraryFinish, at) =>
      add('finish', uuidv7(), {
        ...blank.finish,
        roomId: room ?? '',
        name: libraryFinish.name,
        role: roles[at % 3] ?? 'accent',
        place: 100 + at,
        family: libraryFinish.family,
        texture: libraryFinish.texture,
        sheen: libraryFinish.sheen,
        labL: libraryFinish.lab.L,
        labA: libraryFinish.lab.a,
        labB: libraryFinish.lab.b,
        colourSource: 'library',
        usedFor: '',
        visibleM2: 1 + (at % 7),
        suits: libraryFinish.suits,
      }),
    )
  const answer = await page.request.post(`${base}/api/makeovers/${id}/changes`, {
    data: { id: uuidv7(), schemaVersion, sentence: 'Filled the tray', operations },
  })
  if (!answer.ok()) throw new Error(await answer.text())
  await page.reload()
}

/** Materials are drawn in a worker when a page is first opened: what is measured begins after that. */
const settled = 4000

export async function benchBrowser(): Promise<void> {
  await withServed(8495, async (browser, base) => {
    const page = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    ).newPage()
    await openMusicRoom(page, base)
    await toStep(page, 'Survey')
    const field = page.getByLabel('Length of wall M')
    await page.waitForTimeout(settled)
    await field.click()
    await page.keyboard.press('End')
    await watchFrames(page, 'input')
    // the last figure of a length taken away and typed again: without it the room does not close, with it all of it is drawn anew
    const figures = '8915620374891562037489'.split('')
    const typing = await busy(page, async () => {
      for (const figure of figures) {
        for (const key of ['Backspace', figure]) {
          await page.keyboard.press(key)
          await page.waitForTimeout(40)
        }
      }
    })
    const typed = (await frames(page)).filter((_, at) => at % 2 === 1)
    say(
      `a length typed in the survey:    ${(typing / figures.length / 2).toFixed(1)} ms of work a key; ${median(typed).toFixed(1)} ms median from the key that closes the room to the picture, ${Math.max(...typed).toFixed(0)} worst of ${typed.length} (goal: under 16)`,
    )

    await fillTray(page, base)
    await toStep(page, 'Palette')
    const tray = await page.getByRole('group', { name: 'The tray', exact: true }).boundingBox()
    const chip = await page.getByRole('button', { name: /^Damson,/ }).boundingBox()
    if (!tray || !chip) throw new Error('there is no tray')
    await page.waitForTimeout(settled)
    await page.mouse.move(chip.x + 40, chip.y + 40)
    await page.mouse.down()
    await page.mouse.move(chip.x + 60, chip.y + 60)
    await watchFrames(page, 'pointermove')
    const moves = 120
    const work = await busy(page, async () => {
      for (let at = 0; at < moves; at++)
        await page.mouse.move(
          tray.x + 20 + ((at * 53) % (tray.width - 40)),
          tray.y + 20 + ((at * 31) % (tray.height - 40)),
        )
    })
    const dragged = await frames(page)
    await page.mouse.up()
    await page.keyboard.press('Control+z')
    say(
      `a chip dragged among ${many}:       ${(work / moves).toFixed(1)} ms of work a move; ${median(dragged).toFixed(1)} ms median from the move to its picture, ${Math.max(...dragged).toFixed(0)} worst of ${dragged.length} (goal: under 16)`,
    )
  })
}
if (process.argv[1] === import.meta.filename) await benchBrowser()
