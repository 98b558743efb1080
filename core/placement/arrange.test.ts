/** Arrangements and sets, held to what must be so of any room. */
import { describe, expect, it } from 'vitest'
import { doorAndWindow as room, groundOf, loose, sharedM2 } from '../testing/grounds.ts'
import type { Stood } from '../testing/placed.ts'
import { rectangle } from '../testing/surveyed.ts'
import { arrange, type Arrangement } from './arrange.ts'
import { bodyOf, type Body, type Waiting } from './bodies.ts'
import { seatsAround } from './formations.ts'
import type { Ground } from './least-move.ts'
import { placeSet } from './sets.ts'
import { stood } from './shapes.ts'

const living: readonly Stood[] = [
  loose('Sofa', 'seat', 2000, 900, 800),
  loose('Armchair', 'seat', 750, 800, 850),
  loose('Low table', 'table', 1100, 600, 430),
  loose('Bookcase', 'storage', 900, 350, 1900),
  loose('Chest', 'storage', 1100, 450, 850),
  loose('Rug', 'rug', 2400, 1700, 10),
  loose('Floor lamp', 'light', 350, 350, 1500),
]
const waitingOf = (bodies: readonly Body[]): Waiting[] =>
  bodies.flatMap(({ thing: known }) => (known ? [{ thing: known, number: 1 }] : []))
function arranged(ground: Ground, standing: readonly Body[], items: readonly Waiting[], seed = 1): Arrangement[] {
  const run = arrange(ground, standing, items, seed)
  let step = run.next()
  while (!step.done) step = run.next(false)
  return step.value
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
      { ...loose('Table', 'table', 1800, 900, 740), at: [2600, -2100] },
      { ...loose('Chair', 'seat', 450, 500, 850), at: [300, -3800] },
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
      { ...loose('Bed', 'bed', 1600, 2000, 550), at: [2600, -1010] },
      { ...loose('Bedside table', 'table', 450, 400, 550), at: [300, -3800] },
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
  it('two stools face each other about the middle of their rug; two chests flank a window', () => {
    const { ground, bodies, body } = groundOf(room, [
      { ...loose('Rug', 'rug', 2400, 1700, 10), at: [2600, -2200] },
      { ...loose('Stool', 'seat', 420, 420, 480), at: [300, -3800] },
      { ...loose('Chest', 'storage', 700, 400, 700), at: [4800, -3800] },
    ])
    const places = (name: string) => {
      const { thing } = body(name)
      if (!thing) throw new Error(`no ${name}`)
      return placeSet(
        ground,
        bodies.filter((met) => met.name === 'Rug'),
        [1, 2].map((number) => ({ thing, number })),
      ).map(({ at }) => at)
    }
    const [left, right] = places('Stool')
    // 800 between their fronts, along the rug
    expect([left?.xMm, right?.xMm]).toEqual([2600 - 610, 2600 + 610])
    expect([left?.turnDeg, right?.turnDeg]).toEqual([90, 270])
    // the window of wall C is 1500 wide from 1800 off its first corner, which lies on the right: its middle is 5200 − 2550
    const [first, second] = places('Chest')
    expect(((first?.xMm ?? 0) + (second?.xMm ?? 0)) / 2).toBeCloseTo(2650, 6)
    expect(Math.abs((first?.xMm ?? 0) - (second?.xMm ?? 0))).toBeCloseTo(1500 + 700 + 120, 6)
    expect(first?.yMm).toBeCloseTo(-4000, 6)
  })
})
