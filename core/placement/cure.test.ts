/** What is moved to cure cures, and a room keeps its figures however it lies; ways against Clipper, which is not ours. */
import ClipperLib from 'clipper-lib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doorAndWindow as room, fine, groundOf, loose, pathOf } from '../testing/grounds.ts'
import { furnished, type Stood } from '../testing/placed.ts'
import { rectangle } from '../testing/surveyed.ts'
import { bodyOf, type Body } from './bodies.ts'
import { allChecks, type Check } from './checks.ts'
import { bareField, withBodies } from './clearance.ts'
import { cureOf, keyOfCheck, keyOfWay, type Ground } from './least-move.ts'
import { waysOf, type Way } from './ways.ts'

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
          boxes.map(({ x, y, turn, kind }, at) => ({ ...loose(`Thing ${at}`, kind, 900, 450, 800), at: [x, y, turn] })),
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
        const later = wrong(ground, after(bodies, moves))
        expect(later.has(keyOfCheck(check))).toBe(false)
        for (const key of later) expect([key, before.has(key)]).toEqual([key, true])
        for (const { byMm } of moves) expect(byMm).toBeLessThanOrEqual(ground.rules['cure.reach'])
      }),
      { numRuns: 40 },
    )
    expect(cured).toBeGreaterThan(4)
  }, 120_000)
  it('two give way where one alone does not', () => {
    // the chest wants 600 mm before it; the sofa before it is hemmed in by the bookcase behind it
    const { ground, bodies } = groundOf({ walls: rectangle(2400, 3400), survey: { heightMm: 2500 } }, [
      { ...loose('Chest', 'storage', 2380, 450, 850), at: [1200, -226] },
      { ...loose('Bench', 'seat', 2380, 500, 450), at: [1200, -1200, 180] },
      { ...loose('Shelf', 'table', 2380, 400, 400), at: [1200, -1710] },
    ])
    const [check] = allChecks(ground.setting, bodies, ground.rules).filter(({ code }) => code === 'front')
    if (!check) throw new Error('nothing is in front of the chest')
    const moves = cureOf(ground, bodies, check.ids, keyOfCheck(check), new Set(bodies.map(({ id }) => id)))
    expect(moves?.length).toBe(2)
    expect(wrong(ground, after(bodies, moves)).has(keyOfCheck(check))).toBe(false)
  })
  it('what is pinned is not moved', () => {
    const { ground, bodies } = groundOf(room, [
      { ...loose('Chest', 'storage', 1200, 450, 850), at: [3000, -226] },
      { ...loose('Sofa', 'seat', 2000, 900, 800), at: [3000, -1200] },
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
          ...loose(`Thing ${at}`, kind, 1300, 600, 700),
          // off whole millimetres, each otherwise: what lies exactly on a limit may be told or not
          at: [x + 0.217 + 0.113 * at, y + 0.331 + 0.079 * at, turn],
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
        // of things that stand in one another a tape says nothing more than that
        const all = ({ setting, bodies, rules }: typeof here) => {
          const found = allChecks(setting, bodies, rules)
          const stops = found.filter(({ weight }) => weight === 'stop')
          return told(stops.length > 0 ? stops : found)
        }
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
      const left: Stood = { ...loose('Left', 'table', split, 400, 800), at: [split / 2, -2100] }
      const right: Stood = {
        ...loose('Right', 'table', 5200 - split - wide, 400, 800),
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
