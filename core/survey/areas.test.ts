import { addLaid, type LaidFields } from '../testing/laid.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, withBreast, type Measured } from '../testing/surveyed.ts'
import { areasOf, disjoint } from './areas.ts'
import { finishAreas } from '../surfaces/finish-areas.ts'
import { roomsOf } from './room.ts'
import { surveyWorking } from './working.ts'

const areasFor = (measured: Measured) => {
  const { areas } = measuredRoom(measured)
  if (!areas) throw new Error('not closed')
  return areas
}

describe('areas and runs of a room', () => {
  it('a plain room, by pencil: 5 × 3.6 × 2.5 m with a door and a window', () => {
    const areas = areasFor({
      walls: rectangle(5000, 3600),
      survey: { heightMm: 2500, dadoMm: 1000 },
      openings: [
        { wall: 0, what: 'door', fromMm: 400, widthMm: 800, headMm: 2000 },
        { wall: 2, what: 'window', fromMm: 1500, widthMm: 1200, sillMm: 900, headMm: 2100 },
      ],
    })
    expect(areas.floorM2).toBeCloseTo(18, 9)
    expect(areas.perimeterMm).toBeCloseTo(17_200, 6)
    expect(areas.ceilingM2).toBeCloseTo(18, 9)
    expect(areas.volumeM3).toBeCloseTo(45, 9)
    expect(areas.grossM2).toBeCloseTo(43, 9)
    expect(areas.netM2).toBeCloseTo(43 - 1.6 - 1.44, 9)
    expect(areas.skirtingMm).toBeCloseTo(16_400, 6)
    expect(areas.walls[0]?.bands.map((band) => band.netM2)).toEqual([
      expect.closeTo(5 - 0.8, 9),
      expect.closeTo(7.5 - 0.8, 9),
    ])
    expect(areas.walls[2]?.bands.map((band) => band.netM2)).toEqual([
      expect.closeTo(5 - 0.12, 9),
      expect.closeTo(7.5 - 1.32, 9),
    ])
    // casings: 0.8 + 2 × 2.0, and 1.2 + 2 × 1.2
    expect(areas.casingMm).toBeCloseTo(4800 + 3600, 9)
  })
  it('bands of a wall add up to the wall, whatever the openings and heights', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            fromMm: fc.integer({ min: 0, max: 4000 }),
            widthMm: fc.integer({ min: 100, max: 1500 }),
            sillMm: fc.integer({ min: 0, max: 1500 }),
            tall: fc.integer({ min: 100, max: 1500 }),
          }),
          { maxLength: 5 },
        ),
        fc.integer({ min: 200, max: 2000 }),
        fc.integer({ min: 0, max: 2300 }),
        (openings, dado, low) => {
          const areas = areasFor({
            walls: rectangle(5000, 3600),
            survey: { heightMm: 2500, dadoMm: dado },
            slopes: [[0, low, 1200]],
            openings: openings.map(({ tall, ...entry }) => ({
              ...entry,
              wall: 1,
              what: 'window' as const,
              headMm: entry.sillMm + tall,
            })),
          })
          for (const wall of areas.walls) {
            expect(wall.bands.reduce((sum, band) => sum + band.netM2, 0)).toBeCloseTo(wall.netM2, 8)
            expect(wall.netM2).toBeGreaterThan(-1e-9)
            expect(wall.openingsM2).toBeLessThanOrEqual(wall.grossM2 + 1e-9)
          }
        },
      ),
    )
  })
  it('overlapping openings are taken off once', () => {
    const both = disjoint([
      { u0: 0, u1: 10, z0: 0, z1: 10 },
      { u0: 5, u1: 15, z0: 5, z1: 15 },
      { u0: 30, u1: 31, z0: 0, z1: 1 },
    ])
    expect(
      both.reduce((sum, rectangle) => sum + (rectangle.u1 - rectangle.u0) * (rectangle.z1 - rectangle.z0), 0),
    ).toBeCloseTo(100 + 100 - 25 + 1, 9)
  })
  it('a lean-to: a prism of trapezoids, its ceiling over the slope', () => {
    // 4 m deep from 1.5 m to 2.5 m high over all of it: mean height 2 m; slope length √(4² + 1²)
    const areas = areasFor({ walls: rectangle(6000, 4000), survey: { heightMm: 2500 }, slopes: [[0, 1500, 4000]] })
    expect(areas.volumeM3).toBeCloseTo(6 * 4 * 2, 6)
    expect(areas.ceilingM2).toBeCloseTo(6 * Math.hypot(4, 1), 6)
    expect(areas.walls.map((wall) => wall.grossM2)).toEqual(
      [9, 8, 15, 8].map((value): unknown => expect.closeTo(value, 6)),
    )
  })
  it('an attic: two slopes and a level strip between them', () => {
    // 5 m across, low walls of 1 m rising to 2.4 m over 1.5 m each side; 2 m level
    const areas = areasFor({
      walls: rectangle(4000, 5000),
      survey: { heightMm: 2400 },
      slopes: [
        [0, 1000, 1500],
        [2, 1000, 1500],
      ],
    })
    const end = 5 * 2.4 - 1.5 * 1.4
    expect(areas.walls.map((wall) => wall.grossM2)).toEqual(
      [4, end, 4, end].map((value): unknown => expect.closeTo(value, 6)),
    )
    expect(areas.volumeM3).toBeCloseTo(4 * end, 6)
    expect(areas.ceilingM2).toBeCloseTo(4 * (2 + 2 * Math.hypot(1.5, 1.4)), 6)
  })
  it('heights by the corner: a plane through four corners is the same as a slope', () => {
    const walls = rectangle(6000, 4000).map((wall, at) => ({ ...wall, heightMm: at < 2 ? 1500 : 2500 }))
    const areas = areasFor({ walls, survey: {} })
    expect(areas.volumeM3).toBeCloseTo(48, 6)
    expect(areas.ceilingM2).toBeCloseTo(6 * Math.hypot(4, 1), 6)
    expect(areas.walls.map((wall) => wall.grossM2)).toEqual(
      [9, 8, 15, 8].map((value): unknown => expect.closeTo(value, 6)),
    )
  })
  it('a breast adds wall and takes floor', () => {
    const areas = areasFor({
      walls: withBreast(5000, 4000, 1300, 1400, 350),
      survey: { heightMm: 2600 },
      fixtures: [{ wall: 3, what: 'fireplace', fromMm: 200, widthMm: 1000, heightMm: 1100, depthMm: 100 }],
    })
    expect(areas.floorM2).toBeCloseTo(20 - 1.4 * 0.35, 9)
    expect(areas.perimeterMm).toBeCloseTo(18_000 + 700, 6)
    expect(areas.skirtingMm).toBeCloseTo(18_700 - 1000, 6)
    expect(areas.walls[3]?.coveredM2).toBeCloseTo(1.1, 9)
    expect(areas.walls[3]?.netM2).toBeCloseTo(1.4 * 2.6, 9)
  })
  it('a curved wall: half a circle of 1 m, by radius or by rise, out or in', () => {
    const areaOf = (curve: Partial<Fields<'wall'>>) =>
      areasFor({
        walls: rectangle(2000, 3000).map((wall, at) => (at === 0 ? { ...wall, ...curve } : wall)),
        survey: { heightMm: 2000 },
      })
    const half = Math.PI / 2
    for (const out of [
      areaOf({ curve: 'rise', curveMm: 1000, bows: 'out' }),
      areaOf({ curve: 'radius', curveMm: 1000, bows: 'out' }),
    ]) {
      expect(out.floorM2).toBeCloseTo(6 + half, 6)
      expect(out.perimeterMm).toBeCloseTo(8000 + 1000 * Math.PI, 3)
      expect(out.walls[0]?.grossM2).toBeCloseTo(2 * Math.PI, 6)
    }
    expect(areaOf({ curve: 'rise', curveMm: 1000, bows: 'in' }).floorM2).toBeCloseTo(6 - half, 6)
    const tight = measuredRoom({
      walls: rectangle(2000, 3000).map((wall, at) =>
        at === 0 ? { ...wall, curve: 'radius' as const, curveMm: 900 } : wall,
      ),
    })
    expect(tight.room.closing).toMatchObject({ state: 'cannot', why: expect.stringMatching(/1000.mm or more/) })
  })
  it('a niche loses no wall and adds its sides; at the floor the skirting runs into it', () => {
    const areas = areasFor({
      walls: rectangle(4000, 3000),
      survey: { heightMm: 2500 },
      openings: [{ wall: 0, what: 'niche', fromMm: 1000, widthMm: 900, sillMm: 0, headMm: 2000, revealMm: 250 }],
    })
    expect(areas.netM2).toBeCloseTo(14 * 2.5 + 0.25 * (0.9 + 4), 9)
    expect(areas.skirtingMm).toBeCloseTo(14_000 + 500, 6)
  })
  it('heights that nobody measured leave walls without an area, and say so', () => {
    const { areas, room, rules } = measuredRoom({ walls: rectangle(4000, 3000) })
    expect(areas).toMatchObject({ ceilingM2: null, volumeM3: null, grossM2: 0 })
    expect(areas && surveyWorking('volume', room, areas, rules, 'metric').result.amount).toBe('no height yet')
  })
})

describe('the area of finishes', () => {
  const finish = (roomId: string, fields: LaidFields) => ({
    ...blank.finish,
    roomId,
    name: 'x',
    role: 'dominant' as const,
    family: 'paint' as const,
    sheen: 'matt' as const,
    labL: 60,
    labA: 0,
    labB: 10,
    colourSource: 'lab' as const,
    usedFor: '',
    visibleM2: null,
    ...fields,
  })
  const room = {
    walls: rectangle(5000, 3600),
    survey: { heightMm: 2500 },
    openings: [{ wall: 0, what: 'door' as const, fromMm: 400, widthMm: 800, headMm: 2000 }],
  }
  function laid(...finishes: readonly LaidFields[]) {
    const { documents, roomId, newId, rules, wallIds } = measuredRoom(room)
    const ids = finishes.map(() => newId())
    const after = change(
      documents,
      finishes.flatMap((thisFinish, at) =>
        addLaid(
          ids[at] ?? '',
          finish(roomId, {
            ...thisFinish,
            wallId: thisFinish.wallId === undefined ? null : (wallIds[Number(thisFinish.wallId)] ?? null),
          }),
        ),
      ),
    )
    const [measured] = roomsOf(after.makeover, rules)
    const areas = measured ? areasOf(after.makeover, measured, rules) : null
    const found = finishAreas(after.makeover, areas && measured ? [{ room: measured, areas }] : [])
    return { areas: ids.map((id) => found.get(id)), palette: reckon(after, testToday).palette }
  }
  it('takes walls, floor and ceiling as measured, in place of what the eye said', () => {
    const { areas: found, palette } = laid(
      { surface: 'walls', visibleM2: 10 },
      { surface: 'floor', role: 'secondary' },
      { surface: 'ceiling', role: 'secondary' },
    )
    expect(found.map((finishArea) => finishArea?.m2)).toEqual(
      [43 - 1.6, 18, 18].map((value): unknown => expect.closeTo(value, 6)),
    )
    expect(found.every((finishArea) => finishArea?.basis === 'survey')).toBe(true)
    // ceilings count apart
    expect(palette.balance.roles.find(({ role }) => role === 'dominant')?.share).toBeCloseTo((100 * 41.4) / 59.4, 9)
  })
  it('parts the walls by wall and by band; the one that says no more has the rest', () => {
    const { areas: found } = laid(
      { surface: 'walls' },
      { surface: 'walls', wallId: '2' },
      { surface: 'walls', bandToMm: 1000, wallId: '1' },
    )
    expect(found.map((finishArea) => finishArea?.m2)).toEqual(
      [41.4 - 12.5 - 3.6, 12.5, 3.6].map((value): unknown => expect.closeTo(value, 6)),
    )
  })
  it('what will be changed is not in the palette, and two that say no more stay as judged', () => {
    const { areas: found, palette } = laid(
      { surface: 'floor', fate: 'change', visibleM2: 5 },
      { surface: 'floor', visibleM2: 4 },
      { surface: 'floor', visibleM2: 6 },
    )
    expect(found).toEqual([
      undefined,
      { m2: 4, basis: 'eye', how: 'judged by eye' },
      { m2: 6, basis: 'eye', how: 'judged by eye' },
    ])
    expect(palette.finishes).toHaveLength(2)
  })
})
