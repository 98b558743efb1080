import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import * as polyclip from 'polyclip-ts'
import { describe, expect, it } from 'vitest'
import { disjoint } from './areas.ts'
import {
  alongArc,
  arcOver,
  areaOf,
  clip,
  clipBy,
  crossing,
  integral,
  offLine,
  offset,
  riseOf,
  seen,
  signedArea,
  type Outline,
} from './geometry.ts'

const box = (x: number, y: number, w: number, d: number): Outline => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + d },
  { x, y: y + d },
]
/** An orthogonal room: steps down and along, closed square. */
const stairs = fc
  .array(fc.tuple(fc.integer({ min: 300, max: 3000 }), fc.integer({ min: 300, max: 3000 })), {
    minLength: 1,
    maxLength: 6,
  })
  .map((steps): Outline => {
    const points = [{ x: 0, y: 0 }]
    let [x, y] = [0, 0]
    for (const [across, down] of steps) {
      x += across
      points.push({ x, y })
      y -= down
      points.push({ x, y })
    }
    return [...points, { x: 0, y }]
  })
const turned = (outline: Outline, angle: number, dx: number, dy: number): Outline =>
  outline.map(({ x, y }) => ({
    x: x * Math.cos(angle) - y * Math.sin(angle) + dx,
    y: x * Math.sin(angle) + y * Math.cos(angle) + dy,
  }))
const ring = (outline: Outline): [number, number][][] => [outline.map(({ x, y }): [number, number] => [x, y])]
/** Shoelace over another library's answer. */
const theirs = (polygons: readonly (readonly (readonly [number, number])[])[][]): number =>
  polygons.reduce(
    (sum, rings) =>
      sum +
      rings.reduce(
        (total, ring, at) =>
          total +
          (at === 0 ? 1 : -1) *
            Math.abs(
              ring.reduce(
                (twice, [x, y], index) =>
                  twice +
                  x * (ring[(index + 1) % ring.length]?.[1] ?? 0) -
                  (ring[(index + 1) % ring.length]?.[0] ?? 0) * y,
                0,
              ) / 2,
            ),
        0,
      ),
    0,
  )
/** What both independent libraries cut out; either gives up now and then where two lines all but touch, and then the other answers. */
function cutOut(outline: Outline, otherOutline: Outline): number[] {
  const answers = [polyclip.intersection, polygonClipping.intersection].flatMap((intersection) => {
    try {
      return [theirs(intersection(ring(outline), ring(otherOutline)))]
    } catch {
      return []
    }
  })
  fc.pre(answers.length > 0)
  return answers
}
const perimeter = (outline: Outline): number =>
  outline.reduce(
    (sum, point, at) =>
      sum +
      Math.hypot(
        (outline[(at + 1) % outline.length]?.x ?? 0) - point.x,
        (outline[(at + 1) % outline.length]?.y ?? 0) - point.y,
      ),
    0,
  )

describe('plane geometry', () => {
  it('an area is the same however the room is turned, moved, or begun', () => {
    fc.assert(
      fc.property(
        stairs,
        fc.double({ min: -7, max: 7, noNaN: true }),
        fc.integer({ min: -90_000, max: 90_000 }),
        fc.integer({ min: -90_000, max: 90_000 }),
        fc.nat({ max: 12 }),
        (outline, angle, dx, dy, value) => {
          const moved = turned(outline, angle, dx, dy)
          const at = value % moved.length
          expect(areaOf([...moved.slice(at), ...moved.slice(0, at)]) / areaOf(outline)).toBeCloseTo(1, 9)
        },
      ),
    )
  })
  it('the part of a room inside a rectangle is what polygon-clipping and polyclip-ts, independent libraries, cut out', () => {
    fc.assert(
      fc.property(
        stairs,
        fc.integer({ min: -2000, max: 6000 }),
        fc.integer({ min: -6000, max: 2000 }),
        fc.integer({ min: 500, max: 4000 }),
        fc.integer({ min: 500, max: 4000 }),
        fc.integer({ min: 50, max: 1500 }),
        (outline, x, y, w, d, milliradians) => {
          const zone = turned(box(0, 0, w, d), milliradians / 1000, x, y)
          const own = areaOf(clipBy(outline, zone))
          for (const area of cutOut(outline, zone)) expect(own).toBeCloseTo(area, 1)
          expect(areaOf(clipBy(outline, zone.toReversed()))).toBeCloseTo(own, 6)
        },
      ),
    )
  })
  it('rectangles that overlap cover together what polygon-clipping unites', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            u0: fc.integer({ min: 0, max: 4000 }),
            wide: fc.integer({ min: 1, max: 2000 }),
            z0: fc.integer({ min: 0, max: 2000 }),
            tall: fc.integer({ min: 1, max: 1500 }),
          }),
          { minLength: 1, maxLength: 7 },
        ),
        (some) => {
          const rectangles = some.map(({ u0, wide, z0, tall }) => ({ u0, u1: u0 + wide, z0, z1: z0 + tall }))
          const [first, ...rest] = rectangles.map(({ u0, u1, z0, z1 }) => ring(box(u0, z0, u1 - u0, z1 - z0)))
          expect(
            disjoint(rectangles).reduce(
              (sum, rectangle) => sum + (rectangle.u1 - rectangle.u0) * (rectangle.z1 - rectangle.z0),
              0,
            ),
          ).toBeCloseTo(theirs(polygonClipping.union(first ?? [], ...rest)), 3)
        },
      ),
    )
  })
  it('an orthogonal room set in by d has area A − P·d + 4d² (elementary geometry), and set out A + P·d + 4d²', () => {
    fc.assert(
      fc.property(stairs, fc.integer({ min: 1, max: 140 }), (outline, d) => {
        const [area, round] = [areaOf(outline), perimeter(outline)]
        // four more corners turn inwards than outwards, and each leaves d²
        expect(areaOf(offset(outline, -d))).toBeCloseTo(area - round * d + 4 * d * d, 3)
        expect(areaOf(offset(outline, d))).toBeCloseTo(area + round * d + 4 * d * d, 3)
      }),
    )
  })
  it('the two sides of a cut make the whole, in area and in volume, and each is what the independent library clips', () => {
    fc.assert(
      fc.property(
        stairs,
        fc.integer({ min: 50, max: 1500 }),
        fc.integer({ min: -3000, max: 3000 }),
        (outline, milliradians, away) => {
          const angle = milliradians / 1000
          const line = { c: away, x: Math.cos(angle), y: Math.sin(angle) }
          const [left, right] = [clip(outline, line), clip(outline, { c: -line.c, x: -line.x, y: -line.y })]
          expect(areaOf(left) + areaOf(right)).toBeCloseTo(areaOf(outline), 2)
          const plane = { c: 2400, x: 0.1, y: -0.2 }
          expect((integral(left, plane) + integral(right, plane)) / integral(outline, plane)).toBeCloseTo(1, 9)
          // a large box on the kept side of the line
          const kept = turned(box(-away, -200_000, 400_000, 400_000), angle, 0, 0)
          for (const area of cutOut(outline, kept)) expect(areaOf(left)).toBeCloseTo(area, 0)
        },
      ),
    )
  })
  it('a half circle over a chord: r = c/2, πr²/2, πr', () => {
    const arc = arcOver(2000, 1000)
    expect(arc.radius).toBeCloseTo(1000, 9)
    expect(arc.area).toBeCloseTo((Math.PI * 1000 ** 2) / 2, 3)
    expect(arc.length).toBeCloseTo(Math.PI * 1000, 6)
    expect(riseOf(2000, 1000)).toBeCloseTo(1000, 9)
    expect(riseOf(2000, 999)).toBeNull()
  })
  it('rise and radius of one arc agree (r = c²/8s + s/2), and its points lie on its circle, to the left', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 6000 }),
        fc.double({ min: 0.02, max: 0.49, noNaN: true }),
        (chord, part) => {
          const rise = chord * part
          const arc = arcOver(chord, rise)
          expect(riseOf(chord, arc.radius)).toBeCloseTo(rise, 5)
          const points = alongArc({ x: 0, y: 0 }, { x: chord, y: 0 }, rise, 16)
          for (const point of points)
            expect(Math.hypot(point.x - chord / 2, point.y - (rise - arc.radius))).toBeCloseTo(arc.radius, 5)
          expect(points[8]?.y).toBeCloseTo(rise, 6)
          expect(points.at(-1)?.x).toBeCloseTo(chord, 6)
        },
      ),
    )
  })
  it('tells what crosses, and which corners see each other', () => {
    expect(crossing(box(0, 0, 3, 2))).toBeNull()
    expect(
      crossing([
        { x: 0, y: 0 },
        { x: 3, y: 0 },
        { x: 0, y: 2 },
        { x: 3, y: 2 },
      ]),
    ).toEqual([1, 3])
    const ell: Outline = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: -4 },
      { x: 3, y: -4 },
      { x: 3, y: -1 },
      { x: 0, y: -1 },
    ]
    expect([seen(ell, 0, 2), seen(ell, 1, 4), seen(ell, 3, 5), seen(ell, 0, 4)]).toEqual([false, true, false, true])
    expect(offLine({ x: 0, y: 0 }, { x: 5, y: 0 })).toMatchObject({ y: -1 })
    expect(signedArea(ell)).toBeLessThan(0)
  })
})
