/** What is seen from a door, against rays cast one by one on a fine grid; rugs, and the way in by published figures and by pencil. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { furnished, type Stood } from '../testing/placed.ts'
import { rectangle } from '../testing/surveyed.ts'
import { insideOf, overlapOf } from './apart.ts'
import { seenFrom } from './sight.ts'
import { groupsOf, tryRug, usualSizes } from './rugs.ts'
import { carriedIn, longestRound, missesOpening, type Stage } from './way-in.ts'

const room = {
  walls: rectangle(5000, 4000),
  survey: { heightMm: 2500 },
  openings: [{ wall: 0, what: 'door' as const, fromMm: 2000, widthMm: 1000, headMm: 2000 }],
}
const box = (name: string, x: number, y: number, size: Stood['size'], turn = 0): Stood => ({
  name,
  size,
  at: [x, y, turn],
  piece: { thing: 'other' },
})
const eye = { x: 2500, y: -1 }

describe('first sight', () => {
  it('by pencil: a thing that stands alone is seen whole, one right behind a taller one not at all', () => {
    const { setting, bodies, body } = furnished(room, [
      box('Chest', 2500, -1000, [800, 500, 1000]),
      box('Box', 2500, -2500, [300, 300, 300]),
    ])
    const { things } = seenFrom(setting, bodies, eye, 900)
    const share = (name: string): number => things.find(({ id }) => id === body(name).id)?.share ?? -1
    expect(share('Chest')).toBeCloseTo(1, 6)
    expect(share('Box')).toBeCloseTo(0, 6)
  })
  it('what stands on a rug or a table is seen before it', () => {
    const { setting, bodies, body } = furnished(room, [
      { name: 'Rug', size: [3000, 2000, 10], at: [2500, -2000], piece: { thing: 'rug' } },
      box('Stool', 2500, -2300, [400, 400, 450]),
      { name: 'Table', size: [900, 900, 700], at: [1000, -2500], piece: { thing: 'table' } },
      { name: 'Lamp', size: [200, 200, 500], at: [1000, -2500], piece: { thing: 'light', aboveMm: 700 } },
    ])
    const { things } = seenFrom(setting, bodies, eye, 1600)
    const share = (name: string): number => things.find(({ id }) => id === body(name).id)?.share ?? -1
    expect(share('Stool')).toBeCloseTo(1, 6)
    expect(share('Lamp')).toBeCloseTo(1, 6)
    expect(share('Table')).toBeLessThan(1)
    expect(share('Rug')).toBeLessThan(1)
    expect(share('Rug')).toBeGreaterThan(0.7)
  })
  it('of an empty room all walls, the floor and the ceiling are seen', () => {
    const { setting, bodies } = furnished(room, [])
    const { surfaces } = seenFrom(setting, bodies, { x: 2500, y: -10 }, 1500)
    const floor = surfaces.find(({ id }) => id === 'floor')
    expect(floor?.seenM2).toBeCloseTo(20, 0)
    expect(floor?.seenM2).toBeCloseTo(floor?.m2 ?? 0, 6)
    // the far wall, 5000 × 2500
    const far = surfaces.find(({ id }) => id === setting.room.walls[2]?.row.id)
    expect(far?.seenM2).toBeCloseTo(12.5, 1)
  })
  it('shares are within a hundredth of rays cast through space, one by one', () => {
    const thing = fc.record({
      x: fc.integer({ min: 600, max: 4400 }),
      y: fc.integer({ min: -3500, max: -700 }),
      wide: fc.integer({ min: 200, max: 1200 }),
      deep: fc.integer({ min: 200, max: 800 }),
      high: fc.integer({ min: 200, max: 2000 }),
      turn: fc.integer({ min: 0, max: 179 }),
    })
    fc.assert(
      fc.property(fc.array(thing, { minLength: 2, maxLength: 4 }), (all) => {
        const { setting, bodies } = furnished(
          room,
          all.map(({ x, y, wide, deep, high, turn }, at) => box(`Box ${at}`, x, y, [wide, deep, high], turn)),
        )
        // things in one another are no picture of a room: which of them is seen there is nobody's to say
        const clash = bodies.some((left, at) =>
          bodies.slice(at + 1).some((right) => overlapOf(left.parts, right.parts) !== null),
        )
        fc.pre(!clash && !bodies.some(({ outline }) => insideOf(eye, outline)))
        const eyeMm = 1500
        const { things } = seenFrom(setting, bodies, eye, eyeMm)
        const counts = bodies.map(() => ({ seen: 0, alone: 0 }))
        // rays of equal angle and equal slope; each is walked against the sides, tops and undersides of every box
        const [turns, slopes] = [2880, 500]
        for (let at = 0; at < turns; at++) {
          const angle = ((at + 0.5) * 2 * Math.PI) / turns
          const [dx, dy] = [Math.cos(angle), Math.sin(angle)]
          const spans = bodies.map(({ outline }) => crossed(eye, dx, dy, outline))
          if (spans.every((span) => span === null)) continue
          for (let tilt = 0; tilt < slopes; tilt++) {
            // each turn begins its slopes elsewhere, so that no edge lies between the same two for many of them
            const slope = -3 + (tilt + ((at * 0.618034) % 1)) * (3.6 / slopes)
            const met = bodies.map(({ low, top }, index) => {
              const span = spans[index]
              if (!span) return Infinity
              // the stretch of the ray within its heights
              const [under, over] = [(low - eyeMm) / slope, (top - eyeMm) / slope]
              const start = Math.max(span[0], Math.min(under, over))
              return start <= Math.min(span[1], Math.max(under, over)) ? start : Infinity
            })
            const nearest = Math.min(...met)
            for (const [index, far] of met.entries()) {
              const count = counts[index]
              if (!count || far === Infinity) continue
              count.alone++
              if (far === nearest) count.seen++
            }
          }
        }
        for (const [index, { id }] of bodies.entries()) {
          const { seen, alone } = counts[index] ?? { seen: 0, alone: 0 }
          // what is hardly in view has too few rays to say
          if (alone < 8000) continue
          expect(Math.abs((things.find((entry) => entry.id === id)?.share ?? 0) - seen / alone)).toBeLessThan(0.01)
        }
      }),
      {
        numRuns: 15,
        // one that reaches through the wall beside the eye
        examples: [
          [
            [
              { x: 639, y: -1365, wide: 1196, deep: 590, high: 208, turn: 113 },
              { x: 600, y: -2530, wide: 1162, deep: 669, high: 200, turn: 134 },
            ],
          ],
        ],
      },
    )
  }, 180_000)
})
function crossed(
  start: { x: number; y: number },
  dx: number,
  dy: number,
  outline: readonly { x: number; y: number }[],
): [number, number] | null {
  // against each side by Cramer's rule
  const found: number[] = []
  for (const [at, a] of outline.entries()) {
    const b = outline[(at + 1) % outline.length] ?? a
    const [ex, ey] = [b.x - a.x, b.y - a.y]
    const turn = dx * ey - dy * ex
    if (Math.abs(turn) < 1e-12) continue
    const along = ((a.x - start.x) * ey - (a.y - start.y) * ex) / turn
    const on = ((a.x - start.x) * dy - (a.y - start.y) * dx) / turn
    if (on >= 0 && on <= 1 && along > 0) found.push(along)
  }
  return found.length < 2 ? null : [Math.min(...found), Math.max(...found)]
}

describe('the way in', () => {
  it('a ladder round a turn is the closed form (a^⅔ + b^⅔)^{3/2}, for any two widths', () => {
    fc.assert(
      fc.property(fc.integer({ min: 600, max: 3000 }), fc.integer({ min: 600, max: 3000 }), (a, b) => {
        expect(longestRound(a, b, 0)).toBeCloseTo((a ** (2 / 3) + b ** (2 / 3)) ** 1.5, 2)
      }),
    )
    // 8 ft into 1 ft: 125^½ · … the classic of the textbooks has 27 and 64: (9 + 16)^{3/2} = 125
    expect(longestRound(27, 64, 0)).toBeCloseTo(125, 6)
    // thicker things are shorter, and what is thicker than the passage does not go
    expect(longestRound(900, 900, 400)).toBeLessThan(longestRound(900, 900, 300))
    expect(longestRound(900, 900, 901)).toBe(0)
  })
  it('a rectangle goes through a rectangle straight or tilted, by Carver', () => {
    expect(missesOpening(800, 1900, 900, 2000)).toEqual({ mm: 0, tilted: false })
    // a thin board longer than the door is high, but shorter than its diagonal of 2193
    expect(missesOpening(2150, 10, 900, 2000)).toEqual({ mm: 0, tilted: true })
    expect(missesOpening(2200, 10, 900, 2000).mm).toBeGreaterThan(0)
    expect(missesOpening(950, 950, 900, 2000)).toMatchObject({ mm: 50 })
  })
  const stage = (what: Stage['what'], widthMm: number, heightMm: number, depthMm: number | null = null): Stage => ({
    id: what,
    name: what,
    what,
    widthMm,
    heightMm,
    depthMm,
    leafOffMm: null,
  })
  const thing = (size: Stood['size'], footprint: Stood['footprint'] = {}) => {
    const found = furnished(room, [{ ...box('Sofa', 2500, -2000, size), footprint }]).body('Sofa').thing
    if (!found) throw new Error('no thing')
    return found
  }
  it('a sofa of 2100 goes round a turn of 900 on end and not lying; a tall one does neither', () => {
    const [passed] = carriedIn(thing([2100, 850, 800]), [stage('turn', 900, 2400, 900)]).passed
    expect(passed).toMatchObject({ pose: 'on end', missesMm: 0 })
    const [low] = carriedIn(thing([2100, 850, 800]), [stage('turn', 900, 2050, 900)]).passed
    expect(low).toMatchObject({ pose: null })
    expect(low?.missesMm).toBeGreaterThan(0)
  })
  it('its legs come off, or the leaf of the door', () => {
    const sofa = thing([2100, 950, 900], { legsOffMm: 150 })
    const door: Stage = { ...stage('door', 790, 2000), leafOffMm: 830 }
    expect(carriedIn(sofa, [door])).toMatchObject({ goes: true, passed: [{ off: 'legs' }] })
    expect(carriedIn(thing([2100, 820, 820]), [door])).toMatchObject({ goes: true, passed: [{ off: 'door leaf' }] })
    expect(carriedIn(thing([2100, 1000, 1000]), [door])).toMatchObject({ goes: false, passed: [{ pose: null }] })
  })
})

describe('rugs', () => {
  const things: Stood[] = [
    { name: 'Sofa', size: [2000, 900, 800], at: [2500, -500], piece: { thing: 'seat' } },
    { name: 'Low table', size: [1100, 600, 400], at: [2500, -1650], piece: { thing: 'table' } },
  ]
  const tried = (widthMm: number, lengthMm: number) => {
    const { setting, bodies, rules } = furnished(room, things)
    const [group] = groupsOf(bodies)
    if (!group) throw new Error('no group')
    return tryRug(setting, group, { widthMm, lengthMm, priceMinor: null, own: false }, false, rules)
  }
  it('a small one under the table alone is an island, a larger one reaches the front legs', () => {
    expect(tried(600, 900)).toMatchObject({ reach: 'none', verdict: 'an island' })
    // the group reaches from 0 at the wall to -1950: its middle is -975; a rug of 2000 × 1400 goes from -275 …
    expect(tried(1400, 2200)).toMatchObject({ reach: 'front legs' })
    expect(tried(4000, 6000)).toMatchObject({ verdict: 'too large' })
  })
  it('under a dining table it goes 600 beyond, for chairs drawn back', () => {
    const dining: Stood[] = [
      { name: 'Table', size: [1600, 900, 740], at: [2500, -2000], piece: { thing: 'table' } },
      ...[2200, 2800].map((x, at): Stood => ({
        name: `Chair ${at}`,
        size: [450, 500, 850],
        at: [x, -1400, 180],
        piece: { thing: 'seat' },
      })),
    ]
    const { setting, bodies, rules } = furnished(room, dining)
    const [group] = groupsOf(bodies)
    if (!group) throw new Error('no group')
    const run = (widthMm: number, lengthMm: number) =>
      tryRug(setting, group, { widthMm, lengthMm, priceMinor: null, own: false }, false, rules)
    expect(run(2100, 2800)).toMatchObject({ verdict: 'good', beyondMm: 600 })
    expect(run(1600, 2300)).toMatchObject({ verdict: 'too small for drawn chairs', beyondMm: 350 })
  })
  it('the usual sizes are told in the system of the makeover', () => {
    expect(usualSizes('metric').map(({ widthMm, lengthMm }) => [widthMm, lengthMm])).toContainEqual([1600, 2300])
    expect(
      usualSizes('feet and inches').some(
        ({ widthMm, lengthMm }) => Math.abs(widthMm - 1524) < 1 && Math.abs(lengthMm - 2438.4) < 1,
      ),
    ).toBe(true)
  })
})
