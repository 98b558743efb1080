/** Tiles beyond the flat: niches, edges, squares of paper; the pattern of a paper from strip to strip; and what must hold of any room. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edit } from '../../makeover/change.ts'
import { effectiveRules } from '../../rulebook/rulebook.ts'
import { change } from '../../testing/small-makeover.ts'
import { rectangle } from '../../testing/surveyed.ts'
import { measuredOf, plain, reckonedOf, room, spaced, taken } from '../../testing/treated.ts'
import { hang, type PaperWall, type Roll } from '../paper.ts'
import { inUnits } from './words.ts'

const rules = effectiveRules()
const tile = { widthMm: 100, lengthMm: 100, jointMm: 0 }
const niche = { wall: 0, what: 'niche' as const, fromMm: 2000, widthMm: 600, sillMm: 900, headMm: 1300, revealMm: 100 }

describe('a tiled wall with a niche', () => {
  const { documents, finish, line, wallIds } = room({ ...plain, openings: [niche] })
  const boxes = line({ unit: 'tiles', quantity: 1 }, {}, tile)
  const tiled = finish(
    { family: 'ceramic', wallId: wallIds[0] ?? null, bandToMm: 2000 },
    { pieceId: boxes.id, reuse: false },
  )
  const found = reckonedOf(change(documents, [boxes.operations, tiled.operations]), tiled.id)
  it('counts its sides, its foot and its top', () => {
    // two sides of 400 × 100 and foot and top of 600 × 100, tiles of 100: 4 + 4 + 6 + 6, give or take what a cut in the middle adds
    const sides = found.lines.find(({ label }) => /its sides/.test(label))
    const [whole = 0, cut = 0] = (sides?.amount ?? '').split(' + ').map(Number)
    expect(whole + cut).toBeGreaterThanOrEqual(20)
    expect(whole + cut).toBeLessThanOrEqual(2 * 2 * (5 + 7))
    // the wall itself with the back of the niche: 50 × 20
    expect(found.lines[0]?.amount).toBe('1000 + 0')
  })
  it('has a trim along its upper edge and round the niche', () => {
    const trim = found.beside.find(({ label }) => label === 'Edge trim')
    // 5000 and twice 600 + 400
    expect(spaced(trim?.amount)).toBe('7000 mm')
    expect(spaced(trim?.how)).toMatch(/top edge, Wall A 5000 mm.*round the niche, Wall A 2000 mm.*3 of 2500 mm/)
  })
})

it('tile to the ceiling from corner to corner has no edge to trim; a stretch has two', () => {
  const { documents, finish, line, wallIds } = room(plain)
  const boxes = line({ unit: 'tiles', quantity: 1 }, {}, tile)
  const all = finish({ family: 'ceramic' }, { pieceId: boxes.id })
  const whole = reckonedOf(change(documents, [boxes.operations, all.operations]), all.id)
  expect(whole.beside.map(({ label }) => label)).not.toContain('Edge trim')
  const part = finish({ family: 'ceramic', wallId: wallIds[0] ?? null }, { pieceId: boxes.id })
  const stretch = part.operations.map((operation) =>
    operation.op === 'put' && operation.kind === 'treatedPart'
      ? { ...operation, fields: { ...operation.fields, alongFromMm: 1000, alongToMm: 3000 } }
      : operation,
  )
  const found = reckonedOf(change(documents, [boxes.operations, stretch]), part.id)
  expect(spaced(found.beside.find(({ label }) => label === 'Edge trim')?.amount)).toBe('5000 mm')
})

it('squares of paper are counted edge to edge, without grout', () => {
  const { documents, finish, line, wallIds } = room(plain)
  const sheets = line({ unit: 'pieces', quantity: 1 }, {}, { widthMm: 250, lengthMm: 250 })
  const paper = finish({ family: 'paper', wallId: wallIds[0] ?? null }, { pieceId: sheets.id })
  const found = reckonedOf(change(documents, [sheets.operations, paper.operations]), paper.id)
  // 5000 × 2500 are twenty by ten, and 3 % of them again
  expect(found).toMatchObject({ words: '206 squares', need: 206, beside: [] })
})

describe('a picture in panels', () => {
  // the wall is 5000 long and 2500 high
  const hung = (makeUp: { widthMm: number; lengthMm: number; repeatMm: number }, walls: readonly number[] = [0]) => {
    const { documents, finish, line, wallIds } = room(plain)
    const set = line({ unit: 'sets', quantity: 1 }, {}, { ...makeUp, match: 'picture' })
    const laid = walls.map((wall) => finish({ family: 'paper', wallId: wallIds[wall] ?? null }, { pieceId: set.id }))
    const [first] = laid
    if (!first) throw new Error('nothing is laid')
    const after = change(documents, [set.operations, ...laid.map(({ operations }) => operations)])
    return taken(after, first.id).reckoned
  }
  it('a set a wall, about its middle: six panels of 900 on 5000, the outer two cut to 700', () => {
    const found = hung({ widthMm: 900, lengthMm: 2700, repeatMm: 5400 })
    expect(found).toMatchObject({ ok: true, need: 1, unit: 'sets', words: '1 set of 6 panels' })
    const widths = (found?.ok ? found.shapes : []).map(({ outline }) => {
      const xs = outline.map(({ x }) => x)
      return Math.round(Math.max(...xs) - Math.min(...xs))
    })
    expect(widths).toEqual([700, 900, 900, 900, 900, 700])
  })
  it('is refused on a wall that is longer or higher than it, in words', () => {
    expect(hung({ widthMm: 900, lengthMm: 2700, repeatMm: 4500 })).toMatchObject({
      ok: false,
      error: expect.stringMatching(/Wall A is longer than the whole picture/),
    })
    expect(hung({ widthMm: 900, lengthMm: 2520, repeatMm: 5400 })).toMatchObject({
      ok: false,
      error: expect.stringMatching(/Wall A is higher than the picture/),
    })
    expect(hung({ widthMm: 900, lengthMm: 2700, repeatMm: 5000 })).toMatchObject({
      ok: false,
      error: expect.stringMatching(/number of its panels/),
    })
  })
})

const walls = fc.array(
  fc.record({ lengthMm: fc.integer({ min: 400, max: 5000 }), heightMm: fc.integer({ min: 1900, max: 3200 }) }),
  { minLength: 1, maxLength: 5 },
)
const rollOf = fc.record({
  widthMm: fc.constantFrom(530, 685, 1000),
  lengthMm: fc.constant(10_050),
  repeatMm: fc.integer({ min: 100, max: 900 }),
  match: fc.constantFrom('straight' as const, 'half-drop' as const, 'offset' as const),
  offsetMm: fc.integer({ min: 10, max: 300 }),
})
const hungOn = (stretch: readonly Omit<PaperWall, 'name' | 'holes'>[], roll: Roll, startMm = 0) => {
  const found = hang(
    stretch.map((wall, at) => ({ ...wall, name: `Wall ${at}`, holes: [] })),
    roll,
    rules,
    startMm,
  )
  if (!found.ok) throw new Error(found.error)
  return found.paper
}
it('the pattern of every strip meets that of its neighbour, also where walls differ in height', () => {
  fc.assert(
    fc.property(walls, rollOf, fc.integer({ min: 0, max: 500 }), (stretch, roll, startMm) => {
      const { pieces } = hungOn(stretch, roll, startMm)
      const { repeatMm: repeat } = roll
      const drop = roll.match === 'straight' ? 0 : roll.match === 'half-drop' ? repeat / 2 : roll.offsetMm
      // where in the repeat the paper is at a height of 1000 above the floor
      const at1000 = pieces.map(({ topMm, phaseMm }) => (phaseMm + topMm - 1000) % repeat)
      for (const [index, here] of at1000.slice(1).entries()) {
        const step = (((here - (at1000[index] ?? 0) - drop) % repeat) + repeat) % repeat
        expect(Math.min(step, repeat - step)).toBeLessThan(1e-6)
      }
      // every strip is cut once, and each joins the next
      for (const [index, piece] of pieces.slice(1).entries())
        expect(piece.fromMm).toBeCloseTo(pieces[index]?.toMm ?? 0, 6)
    }),
    { numRuns: 60 },
  )
}, 120_000)

describe('of any room', () => {
  const sizes = fc.record({
    wide: fc.integer({ min: 2000, max: 6000 }),
    deep: fc.integer({ min: 2000, max: 6000 }),
    high: fc.integer({ min: 2000, max: 3000 }),
    from: fc.integer({ min: 100, max: 900 }),
    width: fc.integer({ min: 300, max: 900 }),
  })
  type Sizes = { wide: number; deep: number; high: number; from: number; width: number }
  /** What walls and floor of a room with a window in its first wall come to; the walk may begin `turn` walls further on. */
  function figures({ wide, deep, high, from, width }: Sizes, scale = 1, turn = 0) {
    const by = (mm: number): number => mm * scale
    const lengths = rectangle(by(wide), by(deep))
    const { documents, finish, line } = room({
      walls: [...lengths.slice(turn), ...lengths.slice(0, turn)],
      survey: { heightMm: by(high) },
      openings: [
        {
          wall: (4 - turn) % 4,
          what: 'window',
          fromMm: by(from),
          widthMm: by(width),
          sillMm: by(800),
          headMm: by(1700),
        },
      ],
    })
    const boxes = line({ unit: 'tiles', quantity: 1 }, {}, { widthMm: by(200), lengthMm: by(200), jointMm: by(2) })
    const [painted, floor] = [
      finish({ family: 'paint' }, { coats: 2 }),
      finish({ family: 'ceramic', surface: 'floor' }, { pieceId: boxes.id, reuse: false }),
    ]
    const skirting = finish({ family: 'paint', surface: 'trim' }, { how: 'moulding', profile: 'skirting' })
    const after = change(documents, [boxes.operations, painted.operations, floor.operations, skirting.operations])
    const { areas } = measuredOf(after)
    return {
      litres: reckonedOf(after, painted.id).need - rules['paint.reserve'],
      floorM2: areas.floorM2,
      tiles: reckonedOf(after, floor.id).need,
      moulding: reckonedOf(after, skirting.id).need,
    }
  }
  it('all lengths doubled are four times the paint and the floor, as many tiles of twice the size', () => {
    fc.assert(
      fc.property(sizes, (size) => {
        const [plainly, doubled] = [figures(size), figures(size, 2)]
        // openings that are too small to be deducted are left out of account: each of these is larger
        fc.pre((size.width * 900) / 1e6 > rules['paint.deduct-over'])
        expect(doubled.litres).toBeCloseTo(4 * plainly.litres, 6)
        expect(doubled.floorM2).toBeCloseTo(4 * plainly.floorM2, 6)
        expect(doubled.tiles).toBe(plainly.tiles)
      }),
      { numRuns: 15 },
    )
  }, 120_000)
  it('with which wall the walk begins changes no quantity', () => {
    fc.assert(
      fc.property(sizes, fc.integer({ min: 1, max: 3 }), (size, turn) => {
        const [plainly, turned] = [figures(size), figures(size, 1, turn)]
        expect(turned.litres).toBeCloseTo(plainly.litres, 6)
        expect(turned.floorM2).toBeCloseTo(plainly.floorM2, 6)
        expect(turned.moulding).toBeCloseTo(plainly.moulding, 6)
        // a floor seen from its other side takes the same square tiles
        expect(turned.tiles).toBe(plainly.tiles)
      }),
      { numRuns: 15 },
    )
  }, 120_000)
})

it('a long run is joined from whole lengths where that costs less than parts that are alike', () => {
  const { documents, finish, line } = room(plain)
  // 5010 is longer than 3000: alike twice 2512.5, of which each takes a length of its own; 3000 and 2025 do too, and leave 975 to no one
  const lengths = line({ unit: 'lengths', quantity: 1 }, {}, { lengthMm: 3000, thickMm: 15, kerfMm: 0 })
  const skirting = finish({ surface: 'trim' }, { how: 'moulding', profile: 'skirting', pieceId: lengths.id })
  const small = line({ unit: 'lengths', quantity: 1 }, {}, { lengthMm: 4000, thickMm: 15, kerfMm: 0 })
  const longer = finish({ surface: 'trim' }, { how: 'moulding', profile: 'skirting', pieceId: small.id })
  // of 3000: two walls of 5010 in two parts, two of 3010 in two: by the area alone six, by either way of joining no fewer
  const by3000 = reckonedOf(change(documents, [lengths.operations, skirting.operations]), skirting.id)
  expect(by3000.need).toBeGreaterThanOrEqual(Math.ceil((2 * 5010 + 2 * 3010) / 3000))
  // of 4000: alike 2512.5 four times and 3010 twice are six lengths; 4000, 1025 and 3010 are four and the two of 1025 in what is left of none
  const by4000 = reckonedOf(change(documents, [small.operations, longer.operations]), longer.id)
  expect(by4000.need).toBe(5)
  expect(by4000.lines.find(({ label }) => label === 'Joints')?.how).toMatch(/whole lengths and the rest/)
})

it('what cannot be laid is told in feet and inches to whoever measures in those (25.4 mm to the inch)', () => {
  // 600 / 25.4 = 23.62: 23 5/8 in; 300 / 25.4 = 11.81: 11 3/4 to the nearest eighth
  const told = inUnits('a tile of 600 × 300 mm is larger than what it is laid on', 'feet and inches')
  expect(spaced(told)).toBe('a tile of 1\' 11 5/8" × 11 3/4" is larger than what it is laid on')
  expect(inUnits('a roll of 600 mm', 'metric')).toBe('a roll of 600 mm')
  const { documents, finish, line } = room(plain)
  const slab = line({ unit: 'tiles', quantity: 1 }, {}, { widthMm: 6700, lengthMm: 10_050, jointMm: 0 })
  const tiled = finish({ family: 'ceramic' }, { how: 'tile', pieceId: slab.id })
  const head = Object.values(documents.makeover.rows.makeover)[0]
  if (!head) throw new Error('the makeover has begun')
  const after = change(documents, [
    edit('makeover', head, { units: 'feet and inches' }),
    slab.operations,
    tiled.operations,
  ])
  const { reckoned } = taken(after, tiled.id)
  expect(spaced(reckoned?.ok === false ? reckoned.error : '')).toMatch(/a tile of 21' 11 3\/4"/)
})
