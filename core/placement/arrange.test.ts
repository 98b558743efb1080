/** Arrangements, cures and ways, held to what must be so of any room, and to a polygon library that is not ours (Clipper, by Vatti’s algorithm). */
import ClipperLib from 'clipper-lib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { furnished, type Stood } from '../testing/placed.ts'
import { rectangle, type Measured } from '../testing/surveyed.ts'
import { arrange, type Arrangement } from './arrange.ts'
import { bodyOf, type Body, type Waiting } from './bodies.ts'
import { allChecks, type Check } from './checks.ts'
import { bareField, withBodies } from './clearance.ts'
import { seatsAround } from './formations.ts'
import { cureOf, keyOfCheck, keyOfWay, type Ground } from './least-move.ts'
import { placeSet } from './sets.ts'
import { stood, type Outline } from './shapes.ts'
import { endsOf, waysOf, type Way } from './ways.ts'

const room: Measured = {
  walls: rectangle(5200, 4200),
  survey: { heightMm: 2500 },
  openings: [
    { wall: 0, what: 'door', fromMm: 300, widthMm: 850, headMm: 2000, hinge: 'left', swing: 'in' },
    { wall: 2, what: 'window', fromMm: 1800, widthMm: 1500, sillMm: 800, headMm: 2100 },
  ],
}
const thing = (
  name: string,
  kind: 'seat' | 'table' | 'storage' | 'rug' | 'light' | 'bed',
  ...size: Stood['size']
): Stood => ({
  name,
  size,
  at: [0, 0],
  piece: { thing: kind },
})
const living: readonly Stood[] = [
  thing('Sofa', 'seat', 2000, 900, 800),
  thing('Armchair', 'seat', 750, 800, 850),
  thing('Low table', 'table', 1100, 600, 430),
  thing('Bookcase', 'storage', 900, 350, 1900),
  thing('Chest', 'storage', 1100, 450, 850),
  thing('Rug', 'rug', 2400, 1700, 10),
  thing('Floor lamp', 'light', 350, 350, 1500),
]
function groundOf(measured: Measured, things: readonly Stood[]) {
  const world = furnished(measured, things)
  const { setting, rules } = world
  const bare = bareField(setting)
  const ground: Ground = { setting, bare, ends: endsOf(setting, bare.grid), rules }
  return { ...world, ground }
}
const waitingOf = (bodies: readonly Body[]): Waiting[] =>
  bodies.flatMap(({ thing: known }) => (known ? [{ thing: known, number: 1 }] : []))
function arranged(ground: Ground, standing: readonly Body[], items: readonly Waiting[], seed = 1): Arrangement[] {
  const run = arrange(ground, standing, items, seed)
  let step = run.next()
  while (!step.done) step = run.next(false)
  return step.value
}

// Clipper counts in whole units: tenths of a millimetre
const fine = 10
const pathOf = (outline: Outline) => outline.map(({ x, y }) => ({ X: Math.round(x * fine), Y: Math.round(y * fine) }))
function sharedM2(left: Outline, right: Outline): number {
  const clipper = new ClipperLib.Clipper()
  clipper.AddPath(pathOf(left), ClipperLib.PolyType.ptSubject, true)
  clipper.AddPath(pathOf(right), ClipperLib.PolyType.ptClip, true)
  const shared: ClipperLib.Paths = []
  const rule = ClipperLib.PolyFillType.pftNonZero
  clipper.Execute(ClipperLib.ClipType.ctIntersection, shared, rule, rule)
  return shared.reduce((sum, path) => sum + Math.abs(ClipperLib.Clipper.Area(path)), 0) / (fine * fine * 1e6)
}

describe('arranged', () => {
  const { ground, bodies } = groundOf(room, living)
  const found = arranged(ground, [], waitingOf(bodies))
  it('three ways, none with a stop, nothing left at the door, each other than the others', () => {
    expect(found).toHaveLength(3)
    for (const { stops, left, bodies: placed } of found) {
      expect([stops, left.length]).toEqual([0, 0])
      expect(placed.map(({ name }) => name).toSorted()).toEqual(living.map(({ name }) => name).toSorted())
    }
    const [first, second, third] = found.map((way) => new Map(way.bodies.map(({ name, at }) => [name, at])))
    for (const [left, right] of [
      [first, second],
      [second, third],
      [first, third],
    ] as const) {
      const moved = [...(left ?? [])].filter(([name, at]) => {
        const there = right?.get(name)
        return (
          there === undefined ||
          Math.hypot(there.xMm - at.xMm, there.yMm - at.yMm) > 700 ||
          there.turnDeg !== at.turnDeg
        )
      })
      expect(moved.length).toBeGreaterThan(1)
    }
  })
  it('nothing overlaps, by Clipper, and nothing leaves the room', () => {
    for (const { bodies: placed } of found) {
      const solid = placed.filter(({ thing: known }) => !known?.flat)
      for (const [at, left] of solid.entries())
        for (const right of solid.slice(at + 1)) {
          // a lamp may stand on a table
          if ([left, right].some(({ thing: known }) => known?.kind === 'light')) continue
          expect([left.name, right.name, sharedM2(left.outline, right.outline) < 1e-4]).toEqual([
            left.name,
            right.name,
            true,
          ])
        }
      for (const { outline } of placed)
        expect(sharedM2(outline, ground.setting.outline)).toBeCloseTo(sharedM2(outline, outline), 4)
    }
  })
  it('what a decorator would expect: storage against a wall, the low table before the sofa, the rug under both', () => {
    for (const { bodies: placed } of found) {
      const body = (name: string): Body => placed.find((known) => known.name === name) as Body
      for (const name of ['Bookcase', 'Chest']) {
        const [x, y] = [body(name).outline.map((point) => point.x), body(name).outline.map((point) => point.y)]
        const off = Math.min(Math.min(...x), 5200 - Math.max(...x), 4200 + Math.min(...y), -Math.max(...y))
        expect([name, off < 90]).toEqual([name, true])
      }
      const [sofa, table] = [body('Sofa').at, body('Low table').at]
      expect(Math.hypot(sofa.xMm - table.xMm, sofa.yMm - table.yMm)).toBeLessThan(1400)
      expect(sharedM2(body('Rug').outline, body('Low table').outline)).toBeGreaterThan(0.3)
    }
  })
  it('the same seed finds the same, and what stands stays', () => {
    const places = (all: readonly Arrangement[]) => all.map((way) => way.bodies.map(({ at }) => at))
    expect(places(arranged(ground, [], waitingOf(bodies)))).toEqual(places(found))
    const sofa = bodies.find(({ name }) => name === 'Sofa')
    if (!sofa?.thing) throw new Error('no sofa')
    const pinned = bodyOf(sofa.thing, sofa.id, { xMm: 3000, yMm: -3740, turnDeg: 180 })
    const rest = waitingOf(bodies).filter(({ thing: known }) => known !== sofa.thing)
    for (const { bodies: placed, stops } of arranged(ground, [pinned], rest)) {
      expect(stops).toBe(0)
      for (const body of placed.filter(({ thing: known }) => !known?.flat && known?.kind !== 'light'))
        expect(sharedM2(body.outline, pinned.outline)).toBeLessThan(1e-4)
    }
  })
  it('what does not fit at all is left at the door, and told to stop it hands over the best so far', () => {
    const { ground: narrow, bodies: large } = groundOf(
      { walls: rectangle(1800, 1800), survey: { heightMm: 2500 } },
      living,
    )
    expect(arranged(narrow, [], waitingOf(large))[0]?.left.length).toBeGreaterThan(0)
    const run = arrange(ground, [], waitingOf(bodies), 1)
    run.next()
    run.next(false)
    let step = run.next(true)
    for (let more = 0; more < 8 && !step.done; more++) step = run.next(true)
    expect(step.done).toBe(true)
    expect((step.value as Arrangement[]).length).toBeGreaterThan(0)
  })
})

describe('sets', () => {
  it('chairs go round their table, each looking at it, and none on another', () => {
    const { ground, bodies, body } = groundOf(room, [
      { ...thing('Table', 'table', 1800, 900, 740), at: [2600, -2100] },
      { ...thing('Chair', 'seat', 450, 500, 850), at: [300, -3800] },
    ])
    const chair = body('Chair').thing
    if (!chair) throw new Error('no chair')
    const items = Array.from({ length: 6 }, (_, at) => ({ thing: chair, number: at + 1 }))
    const standing = bodies.filter(({ name }) => name === 'Table')
    const set = placeSet(ground, standing, items).map(({ item, at }) => bodyOf(item.thing, String(item.number), at))
    expect(set).toHaveLength(6)
    for (const [at, left] of set.entries()) {
      // its front points to the table
      const [front = { x: 0, y: 0 }] = stood([{ x: 0, y: -300 }], left.at)
      expect(Math.hypot(front.x - 2600, front.y + 2100)).toBeLessThan(
        Math.hypot(left.at.xMm - 2600, left.at.yMm + 2100),
      )
      for (const right of set.slice(at + 1)) expect(sharedM2(left.outline, right.outline)).toBe(0)
    }
    // two at each long side, one at each end: 600 mm a person (NKBA, memory)
    expect(
      seatsAround({ ...chair, widthMm: 1800, depthMm: 900 }, chair, 6, ground.rules)
        .map(({ turnDeg }) => turnDeg)
        .toSorted((left, right) => left - right),
    ).toEqual([0, 0, 0, 180, 180, 180])
  })
  it('a pair stands on both sides of a bed', () => {
    const { ground, bodies, body } = groundOf({ walls: rectangle(5200, 4200), survey: { heightMm: 2500 } }, [
      { ...thing('Bed', 'bed', 1600, 2000, 550), at: [2600, -1010] },
      { ...thing('Bedside table', 'table', 450, 400, 550), at: [300, -3800] },
    ])
    const stand = body('Bedside table').thing
    if (!stand) throw new Error('no table')
    const set = placeSet(
      ground,
      bodies.filter(({ name }) => name === 'Bed'),
      [1, 2].map((number) => ({ thing: stand, number })),
    )
    expect(set.map(({ at }) => Math.round(at.xMm - 2600))).toEqual([-1045, 1045])
  })
})

describe('a cure cures', () => {
  const wrong = (ground: Ground, bodies: readonly Body[]): Set<string> =>
    new Set([
      ...allChecks(ground.setting, bodies, ground.rules)
        .filter(({ weight }) => weight === 'stop' || weight === 'look')
        .map(keyOfCheck),
      ...waysIn(ground, bodies)
        .filter(({ isWide, clearMm }) => !isWide && clearMm < ground.rules['place.way-main'] - 70)
        .map(keyOfWay),
    ])
  function waysIn({ setting, bare, rules, ends }: Ground, bodies: readonly Body[]): Way[] {
    const solids = [...bodies, ...setting.built]
    return waysOf(setting, withBodies(bare, solids), solids, rules['place.way-main'], ends)
  }
  const after = (bodies: readonly Body[], moves: ReturnType<typeof cureOf>): Body[] =>
    bodies.map((body) => {
      const move = moves?.find(({ id }) => id === body.id)
      return move && body.thing ? { ...bodyOf(body.thing, body.id, move.at), name: body.name } : body
    })
  it('in random rooms: what was wrong is right after it, and nothing else is worse', () => {
    const box = fc.record({
      x: fc.integer({ min: 700, max: 4500 }),
      y: fc.integer({ min: -3600, max: -600 }),
      turn: fc.constantFrom(0, 90, 180, 270),
      kind: fc.constantFrom('storage' as const, 'seat' as const, 'table' as const),
    })
    let cured = 0
    fc.assert(
      fc.property(fc.array(box, { minLength: 2, maxLength: 4 }), (boxes) => {
        const { ground, bodies } = groundOf(
          room,
          boxes.map(({ x, y, turn, kind }, at) => ({ ...thing(`Thing ${at}`, kind, 900, 450, 800), at: [x, y, turn] })),
        )
        const before = wrong(ground, bodies)
        const [check] = allChecks(ground.setting, bodies, ground.rules).filter(
          ({ weight }) => weight === 'stop' || weight === 'look',
        )
        if (!check) return
        const free = new Set(bodies.map(({ id }) => id))
        const moves = cureOf(ground, bodies, check.ids, keyOfCheck(check), free)
        if (!moves) return
        cured++
        const now = wrong(ground, after(bodies, moves))
        expect(now.has(keyOfCheck(check))).toBe(false)
        for (const key of now) expect([key, before.has(key)]).toEqual([key, true])
        for (const { byMm } of moves) expect(byMm).toBeLessThanOrEqual(ground.rules['cure.reach'])
      }),
      { numRuns: 20 },
    )
    expect(cured).toBeGreaterThan(6)
  }, 120_000)
  it('two give way where one alone does not', () => {
    // the chest wants 600 mm before it; the sofa before it is hemmed in by the bookcase behind it
    const { ground, bodies } = groundOf({ walls: rectangle(2400, 3400), survey: { heightMm: 2500 } }, [
      { ...thing('Chest', 'storage', 2380, 450, 850), at: [1200, -226] },
      { ...thing('Bench', 'seat', 2380, 500, 450), at: [1200, -1200, 180] },
      { ...thing('Shelf', 'table', 2380, 400, 400), at: [1200, -1710] },
    ])
    const [check] = allChecks(ground.setting, bodies, ground.rules).filter(({ code }) => code === 'front')
    if (!check) throw new Error('nothing is in front of the chest')
    const moves = cureOf(ground, bodies, check.ids, keyOfCheck(check), new Set(bodies.map(({ id }) => id)))
    expect(moves?.length).toBe(2)
    expect(wrong(ground, after(bodies, moves)).has(keyOfCheck(check))).toBe(false)
  })
  it('what is pinned is not moved', () => {
    const { ground, bodies } = groundOf(room, [
      { ...thing('Chest', 'storage', 1200, 450, 850), at: [3000, -226] },
      { ...thing('Sofa', 'seat', 2000, 900, 800), at: [3000, -1200] },
    ])
    const [check] = allChecks(ground.setting, bodies, ground.rules).filter(({ code }) => code === 'front')
    const chest = bodies.find(({ name }) => name === 'Chest')?.id ?? ''
    const moves = check && cureOf(ground, bodies, check.ids, keyOfCheck(check), new Set([chest]))
    expect(moves?.every(({ id }) => id === chest) ?? true).toBe(true)
  })
})

describe('a room turned or mirrored with what stands in it', () => {
  const told = (checks: readonly Check[]): string[] =>
    checks.map(({ code, mm, weight }) => `${code} ${weight} ${mm === null ? '' : Math.round(mm)}`).toSorted()
  const walls = rectangle(5200, 4200)
  it('keeps every figure', () => {
    const box = fc.record({
      x: fc.integer({ min: 600, max: 4600 }),
      y: fc.integer({ min: -3700, max: -500 }),
      turn: fc.constantFrom(0, 90, 180, 270),
      kind: fc.constantFrom('storage' as const, 'seat' as const, 'table' as const, 'bed' as const),
    })
    fc.assert(
      fc.property(fc.array(box, { minLength: 2, maxLength: 5 }), (boxes) => {
        const things = boxes.map(({ x, y, turn, kind }, at): Stood => ({
          ...thing(`Thing ${at}`, kind, 1300, 600, 700),
          at: [x, y, turn],
        }))
        const here = furnished({ walls, survey: { heightMm: 2500 } }, things)
        // the room's shape is its own mirror image about its middle
        const mirrored = furnished(
          { walls, survey: { heightMm: 2500 } },
          things.map(({ at: [x, y, turn = 0], ...rest }) => ({
            ...rest,
            at: [5200 - x, y, (360 - turn) % 360] as const,
          })),
        )
        // walked from its second corner: the room is turned by a quarter, and what stands in it with it
        const turned = furnished(
          { walls: rectangle(4200, 5200), survey: { heightMm: 2500 } },
          things.map(({ at: [x, y, turn = 0], ...rest }) => ({
            ...rest,
            at: [-y, x - 5200, (turn + 90) % 360] as const,
          })),
        )
        const all = ({ setting, bodies, rules }: typeof here) => told(allChecks(setting, bodies, rules))
        expect(all(mirrored)).toEqual(all(here))
        expect(all(turned)).toEqual(all(here))
      }),
      { numRuns: 60 },
    )
  }, 120_000)
})

it('a way is as wide as Clipper says: two walls grown by half of it meet, grown by less they do not', () => {
  const zones = [{ name: 'By the far wall', wall: 2, fromMm: 500, widthMm: 3500, depthMm: 800 }]
  const gap = fc.integer({ min: 400, max: 850 })
  fc.assert(
    fc.property(gap, fc.integer({ min: 1200, max: 3000 }), (wide, split) => {
      const left: Stood = { ...thing('Left', 'table', split, 400, 800), at: [split / 2, -2100] }
      const right: Stood = {
        ...thing('Right', 'table', 5200 - split - wide, 400, 800),
        at: [(5200 + split + wide) / 2, -2100],
      }
      const { setting, bodies, rules } = furnished(room, [left, right], zones)
      const solids = [...bodies, ...setting.built]
      const [way] = waysOf(setting, withBodies(bareField(setting), solids), solids, rules['place.way-main'])
      const grown = (by: number): number => {
        const offset = new ClipperLib.ClipperOffset(2, 0.25 * fine)
        offset.AddPaths(
          bodies.map(({ outline }) => pathOf(outline)),
          ClipperLib.JoinType.jtRound,
          ClipperLib.EndType.etClosedPolygon,
        )
        const all: ClipperLib.Paths = []
        offset.Execute(all, by * fine)
        return all.length
      }
      const clear = way?.clearMm ?? 0
      expect(grown(clear / 2 + 2)).toBe(1)
      expect(grown(clear / 2 - 2)).toBe(2)
    }),
    { numRuns: 30 },
  )
}, 60_000)
