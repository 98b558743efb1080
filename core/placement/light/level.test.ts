/** The light of lamps: against pencil, closed forms and figures of standards, and by laws that any light keeps. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lampSpreads } from '../../makeover/room-choices.ts'
import { effectiveRules } from '../../rulebook/rulebook.ts'
import { lighted, litRoomMeasured as room, pendant } from '../../testing/lighted.ts'
import { furnished, type Stood } from '../../testing/placed.ts'
import type { Lamp } from './lamps.ts'
import { directOn, facingUp, shadeOf } from './level.ts'
import { lightMap, lumensFor } from './map.ts'
import { roundLux } from './reflected.ts'
import { candelaPerLumen } from './spread.ts'

const rules = effectiveRules()
const lamp = (more: Partial<Lamp> = {}): Lamp => ({
  id: 'lamp',
  pieceId: 'piece',
  name: 'Lamp',
  x: 0,
  y: 0,
  z: 2000,
  lumens: 1000,
  kelvin: 2700,
  dims: false,
  water: null,
  wideMm: 0,
  deepMm: 0,
  turnDeg: 0,
  isFixed: true,
  spread: 'all round',
  beamDeg: null,
  ...more,
})
const open = shadeOf([])

describe('the light of one lamp', () => {
  it('falls as the inverse square with the cosine, by hand', () => {
    // 1000 lm all round are 1000 / 4π = 79.577 cd; 2 m below 79.577 / 4, and 2 m aside 79.577 / 8 × cos 45°
    expect(directOn([lamp()], facingUp(0, 0, 0), open)).toBeCloseTo(19.894, 3)
    expect(directOn([lamp()], facingUp(2000, 0, 0), open)).toBeCloseTo(7.0337, 3)
    // by Lambert 1000 / π cd straight down
    expect(directOn([lamp({ spread: 'down' })], facingUp(0, 0, 0), open)).toBeCloseTo(79.577, 3)
    expect(directOn([lamp({ spread: 'up' })], facingUp(0, 0, 0), open)).toBe(0)
    // a cone of 60° takes 2π (1 − cos 30°) = 0.84179 sr; 1000 lm / that / 4 m²
    expect(directOn([lamp({ spread: 'beam', beamDeg: 60 })], facingUp(0, 0, 0), open)).toBeCloseTo(296.99, 1)
    expect(directOn([lamp({ spread: 'beam', beamDeg: 60 })], facingUp(1200, 0, 0), open)).toBe(0)
  })
  it.each(lampSpreads.map((spread) => [spread] as const))(
    '%s: its candela over all directions are one lumen',
    (spread) => {
      // summed over rings of the sphere, another way than the closed forms
      const rings = 200_000
      let lumens = 0
      for (let ring = 0; ring < rings; ring++) {
        const cosDown = -1 + (2 * (ring + 0.5)) / rings
        lumens += candelaPerLumen({ spread, beamDeg: 50 }, cosDown) * 2 * Math.PI * (2 / rings)
      }
      expect(lumens).toBeCloseTo(1, 3)
    },
  )
  it('a panel is no point: the form factor of a rectangle over a place, from handbooks of radiation [mem]', () => {
    // a quarter of 1200 × 600 over a place 1 m below: A = 0.6, B = 0.3; E = exitance × the sum of four corners
    const corner = (a: number, b: number): number =>
      (1 / (2 * Math.PI)) *
      ((a / Math.hypot(1, a)) * Math.atan(b / Math.hypot(1, a)) +
        (b / Math.hypot(1, b)) * Math.atan(a / Math.hypot(1, b)))
    const wanted = (3000 / (1.2 * 0.6)) * 4 * corner(0.6, 0.3)
    const panel = lamp({ spread: 'down', lumens: 3000, z: 1000, wideMm: 1200, deepMm: 600 })
    expect(directOn([panel], facingUp(0, 0, 0), open) / wanted).toBeCloseTo(1, 2)
    // turned with the place it gives the same
    const [c, s] = [Math.cos(0.7), Math.sin(0.7)]
    const straight = directOn([panel], facingUp(500, 200, 0), open)
    const turned = directOn(
      [{ ...panel, turnDeg: (0.7 * 180) / Math.PI }],
      facingUp(c * 500 - s * 200, s * 500 + c * 200, 0),
      open,
    )
    expect(turned).toBeCloseTo(straight, 6)
  })
})

describe('what goes round a room', () => {
  it('is Φ ρ ÷ (A (1 − ρ)), as in a sphere that is white inside', () => {
    // a sphere of 1 m² painted to 0.5: light goes round once in all, 0.5 + 0.25 + … = 1
    expect(roundLux(100, { rho: 0.5, m2: 1 })).toBeCloseTo(100, 9)
    expect(roundLux(100, { rho: 0, m2: 1 })).toBe(0)
  })
  it('the lumen method: 500 lx on 100 m² by 0.5 and 0.8 take 125 000 lm', () => {
    const own = effectiveRules({ 'light.utilisation': 50, 'light.upkeep': 80 })
    expect(lumensFor(500, 100, own)).toBeCloseTo(125_000, 6)
  })
  it('desk work takes the 500 lx of EN 12464-1', () => expect(rules['light.work']).toBe(500))
})

const anyLamp = fc.record({
  x: fc.integer({ min: 100, max: 4900 }),
  y: fc.integer({ min: -3900, max: -100 }),
  z: fc.integer({ min: 300, max: 2400 }),
  lumens: fc.integer({ min: 50, max: 5000 }),
  spread: fc.constantFrom(...lampSpreads),
  beamDeg: fc.integer({ min: 10, max: 150 }),
})
const place = fc.tuple(
  fc.integer({ min: 50, max: 4950 }),
  fc.integer({ min: -3950, max: -50 }),
  fc.integer({ min: 0, max: 1200 }),
)
const cupboard: Stood = {
  name: 'Cupboard',
  size: [1200, 600, 2000],
  at: [2500, -2000, 30],
  piece: { thing: 'storage' },
}

describe('laws of light', () => {
  it('one more lamp, or a brighter one, never makes it darker anywhere; a thing in between never brighter', () => {
    const { bodies } = furnished(room, [cupboard])
    const shade = shadeOf(bodies)
    fc.assert(
      fc.property(fc.array(anyLamp, { minLength: 1, maxLength: 5 }), anyLamp, place, (some, more, [x, y, z]) => {
        const lamps = some.map((given, at) => lamp({ ...given, id: String(at) }))
        const facet = facingUp(x, y, z)
        const before = directOn(lamps, facet, open)
        expect(directOn([...lamps, lamp(more)], facet, open)).toBeGreaterThanOrEqual(before)
        expect(
          directOn(
            lamps.map((given) => ({ ...given, lumens: 2 * given.lumens })),
            facet,
            open,
          ),
        ).toBeCloseTo(2 * before, 6)
        expect(directOn(lamps, facet, shade)).toBeLessThanOrEqual(before)
      }),
    )
  })
  it('all lengths doubled leave a quarter', () => {
    fc.assert(
      fc.property(anyLamp, place, (given, [x, y, z]) => {
        fc.pre(Math.hypot(given.x - x, given.y - y, given.z - z) > 150)
        const near = directOn([lamp(given)], facingUp(x, y, z), open)
        const far = directOn(
          [lamp({ ...given, x: 2 * given.x, y: 2 * given.y, z: 2 * given.z })],
          facingUp(2 * x, 2 * y, 2 * z),
          open,
        )
        expect(far).toBeCloseTo(near / 4, 6)
      }),
    )
  })
  it('a cupboard stops the ray that goes through it: steps along the ray find the same', () => {
    const { bodies, body } = furnished(room, [cupboard])
    const there = body('Cupboard')
    const turn = (-there.at.turnDeg * Math.PI) / 180
    /** How deep a place lies within the cupboard, below 0 outside: by turning it back to its own sides. */
    const depth = (x: number, y: number, z: number): number => {
      const [dx, dy] = [x - there.at.xMm, y - there.at.yMm]
      const [u, v] = [Math.cos(turn) * dx - Math.sin(turn) * dy, Math.sin(turn) * dx + Math.cos(turn) * dy]
      return Math.min(600 - Math.abs(u), 300 - Math.abs(v), 2000 - z, z)
    }
    fc.assert(
      fc.property(anyLamp, place, (given, [x, y, z]) => {
        const source = lamp({ ...given, spread: 'all round' })
        const depths = Array.from({ length: 2001 }, (_, at) => {
          const share = at / 2000
          return depth(x + share * (source.x - x), y + share * (source.y - y), z + share * (source.z - z))
        })
        const deepest = Math.max(...depths)
        // what only grazes it, or begins or ends in it, may go either way
        fc.pre(Math.abs(deepest) > 5 && (depths[0] ?? 0) < 0 && (depths.at(-1) ?? 0) < 0)
        fc.pre(source.z > z + 1)
        expect(directOn([source], facingUp(x, y, z), shadeOf(bodies)) === 0).toBe(deepest > 0)
      }),
      { numRuns: 300 },
    )
  }, 60_000)
  it('the map is even where a room is lit from all over, and its mean lies between its least and its most', () => {
    const { lighting } = lighted([pendant([1200, -900]), cupboard], { Pendant: { lumens: 2000 } })
    for (const stepMm of [200, 400]) {
      const { mean, least, most, even } = lightMap(lighting.lit, 750, stepMm)
      expect(least).toBeLessThanOrEqual(mean + 1e-9)
      expect(mean).toBeLessThanOrEqual(most + 1e-9)
      expect(even).toBeGreaterThan(0)
      expect(even).toBeLessThan(1)
    }
    // with no straight light at all what goes round is the same everywhere
    const round = lightMap({ ...lighting.lit, lamps: [], roundLux: 50 }, 750, 300)
    expect(round.even).toBeCloseTo(1, 6)
  })
})
