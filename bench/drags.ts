/** Things and tiles dragged in a real browser: 60 pieces on a plan with all checks live, and the origin of some 2 000 tiles on a floor. */
import type { Page } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Documents, type Operation } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { bodiesIn, floorOf, firstSights, keyOfCheck, leastMove, thingsOf, allChecks } from '#core/placement/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { addLaid } from '#core/testing/laid.ts'
import { rectangle, surveyRows } from '#core/testing/surveyed.ts'
import { busy, frames, watchFrames } from './frames.ts'
import { openMusicRoom, withServed } from './served.ts'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
export const median = (times: readonly number[]): number =>
  times.toSorted((left, right) => left - right)[Math.floor(times.length / 2)] ?? Number.NaN

const kinds = ['table', 'seat', 'storage', 'plant', 'seat', 'other'] as const
/** A hall with two doors, a tiled floor and sixty things in rows. */
function hall({ makeover, studio }: Documents): { roomId: string; operations: Operation[][] } {
  const [roomId, layoutId, finishId] = [uuidv7(), uuidv7(), uuidv7()]
  const survey = surveyRows(
    roomId,
    {
      walls: rectangle(9000, 8900),
      survey: { heightMm: 3000 },
      openings: [
        { wall: 0, what: 'door', fromMm: 300, widthMm: 900, headMm: 2000, hinge: 'left', swing: 'in' },
        { wall: 2, what: 'door', fromMm: 4000, widthMm: 900, headMm: 2000 },
      ],
    },
    uuidv7,
  )
  const category = Object.keys(makeover.rows.category)[0] ?? null
  const seller = Object.keys(studio.rows.seller)[0] ?? ''
  const piece = (name: string, thing: (typeof kinds)[number] | 'material', chosenId: string) => ({
    ...blank.piece,
    roomId,
    zoneId: null,
    categoryId: category,
    name,
    thing,
    quantity: 1,
    unit: thing === 'material' ? 'tiles' : 'pieces',
    allowanceMinor: minor(0),
    chosenId,
    chosenReason: 'For the measure',
  })
  const candidate = (
    pieceId: string,
    name: string,
    size: Partial<Documents['makeover']['rows']['candidate'][string]>,
  ) => ({
    ...blank.candidate,
    pieceId,
    sellerId: seller,
    name,
    priceMinor: minor(1000),
    leadDays: 1,
    returnDays: 14,
    adjustDays: null,
    ...size,
  })
  const things = Array.from({ length: 60 }, (_, at): Operation[] => {
    const [pieceId, candidateId] = [uuidv7(), uuidv7()]
    const kind = kinds[at % kinds.length] ?? 'table'
    return [
      add('piece', pieceId, piece(`Thing ${at + 1}`, kind, candidateId)),
      add(
        'candidate',
        candidateId,
        candidate(pieceId, `Thing ${at + 1}`, { widthMm: 500, depthMm: 450, heightMm: 700 }),
      ),
      add('standing', uuidv7(), {
        ...blank.standing,
        layoutId,
        pieceId,
        xMm: 900 + (at % 8) * 1000,
        yMm: -900 - Math.floor(at / 8) * 1000,
        turnDeg: (at % 4) * 90,
      }),
    ]
  })
  const [tilePiece, tileCandidate] = [uuidv7(), uuidv7()]
  const laid = addLaid(finishId, {
    ...blank.finish,
    roomId,
    zoneId: null,
    name: 'Hall tile',
    role: 'dominant',
    family: 'ceramic',
    texture: 'tile',
    sheen: 'satin',
    labL: 80,
    labA: 0,
    labB: 5,
    colourSource: 'lab',
    usedFor: '',
    visibleM2: null,
    surface: 'floor',
  }).map((operation) =>
    operation.op === 'put' && operation.kind === 'treatment'
      ? { ...operation, fields: { ...operation.fields, pieceId: tilePiece } }
      : operation,
  )
  return {
    roomId,
    operations: [
      [
        add('room', roomId, { uses: '', name: 'Hall for the measure' }),
        ...survey.operations,
        add('layout', layoutId, { ...blank.layout, roomId, name: 'In rows' }),
        add('piece', tilePiece, piece('Hall tiles', 'material', tileCandidate)),
        add('candidate', tileCandidate, candidate(tilePiece, 'Hall tile', {})),
        add('makeUp', uuidv7(), {
          ...blank.makeUp,
          candidateId: tileCandidate,
          widthMm: 200,
          lengthMm: 200,
          jointMm: 2,
        }),
        ...laid,
      ],
      things.flat(),
    ],
  }
}

async function tell(page: Page, base: string, id: string, operations: readonly Operation[]): Promise<void> {
  const answer = await page.request.post(`${base}/api/makeovers/${id}/changes`, {
    data: { id: uuidv7(), schemaVersion, sentence: 'A hall for the measure', operations },
  })
  if (!answer.ok()) throw new Error(await answer.text())
}

/** So many steps of a hand, a frame apart. */
export async function dragged(
  page: Page,
  x: number,
  y: number,
  steps: number,
): Promise<{ work: number; shown: number[] }> {
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 8, y + 6, { steps: 3 })
  await watchFrames(page, 'pointermove')
  const work = await busy(page, async () => {
    for (let step = 0; step < steps; step++) {
      await page.mouse.move(x + 8 + (step % 40), y + 6 + Math.round(12 * Math.sin(step / 6)))
      await page.waitForTimeout(20)
    }
  })
  const shown = await frames(page)
  await page.mouse.up()
  return { work: work / steps, shown }
}

export async function benchDrags(): Promise<void> {
  await withServed(8497, async (browser, base) => {
    const page = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    ).newPage()
    await openMusicRoom(page, base)
    const id = page.url().split('/')[4] ?? ''
    const read = async (): Promise<Documents> =>
      (await (await page.request.get(`${base}/api/makeovers/${id}`)).json()) as Documents
    const { roomId, operations } = hall(await read())
    for (const part of operations) await tell(page, base, id, part)

    const rules = effectiveRules()
    const { makeover } = await read()
    const room = roomsOf(makeover, rules).find((known) => known.id === roomId)
    const floor = room && floorOf(room)
    const layoutId = Object.values(makeover.rows.layout).find((row) => row.roomId === roomId)?.id ?? ''
    if (!floor) throw new Error('the hall is closed')
    const bodies = bodiesIn(makeover, layoutId, thingsOf(makeover, rules))
    const timed = (work: () => unknown, runs: number): number => {
      for (let warm = 0; warm < runs; warm++) work()
      return median(
        Array.from({ length: runs }, () => {
          const startedAt = performance.now()
          work()
          return performance.now() - startedAt
        }),
      )
    }
    const wrong = allChecks(floor.setting, bodies, rules)
      .filter(({ weight }) => weight === 'look')
      .slice(0, 7)
    say(
      `first sight of ${bodies.length} things from two doors: ${timed(() => firstSights(makeover, floor.setting, bodies, rules), 30).toFixed(1)} ms (goal: under 30 from one)`,
    )
    const ground = { ...floor, rules }
    const cures = wrong.map((check) => ({
      found: leastMove(ground, bodies, check.ids, keyOfCheck(check)) !== null,
      ms: timed(() => leastMove(ground, bodies, check.ids, keyOfCheck(check)), 3),
    }))
    for (const found of [true, false]) {
      const times = cures.filter((cure) => cure.found === found).map(({ ms }) => ms)
      if (times.length > 0)
        say(
          `the least move of one among ${bodies.length}${found ? '' : ', where there is none'}: ${median(times).toFixed(0)} ms, median of ${times.length} checks (goal: under 150)`,
        )
    }

    await page.goto(`${base}/makeovers/${id}/placement?room=${roomId}`)
    const thing = page.getByRole('group', { name: 'The plan' }).getByRole('button', { name: 'Thing 28', exact: true })
    await thing.waitFor()
    await page.waitForTimeout(3000)
    const box = await thing.boundingBox()
    if (!box) throw new Error('the thing is drawn')
    const placed = await dragged(page, box.x + box.width / 2, box.y + box.height / 2, 200)
    say(
      `one of ${bodies.length} things dragged, all checks live: ${placed.work.toFixed(1)} ms of work a move; ${median(placed.shown).toFixed(1)} ms median to the picture, ${Math.max(...placed.shown).toFixed(0)} worst of ${placed.shown.length} (goal: 8 of work, 16 to the picture, 32 worst)`,
    )

    await page.goto(`${base}/makeovers/${id}/surfaces?room=${roomId}`)
    await page.getByRole('heading', { name: 'Surfaces', level: 1 }).waitFor()
    await page.getByRole('button', { name: 'Hall for the measure', exact: true }).click()
    await page
      .getByRole('region', { name: /to buy/i })
      .getByRole('button', { name: 'Hall tile' })
      .click()
    await page.waitForTimeout(3000)
    const large = await page.getByRole('application').boundingBox()
    if (!large) throw new Error('the floor is drawn large')
    const tiles = await dragged(page, large.x + large.width / 2, large.y + large.height / 2, 100)
    say(
      `the origin of a tiled floor dragged: ${tiles.work.toFixed(1)} ms of work a move; ${median(tiles.shown).toFixed(1)} ms median to the picture, ${Math.max(...tiles.shown).toFixed(0)} worst of ${tiles.shown.length} (goal: under 16 to the picture)`,
    )
  })
}
