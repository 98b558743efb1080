import { addLaid } from '../testing/laid.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { change, tryChange } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from '../testing/surveyed.ts'
import { areasOf } from './areas.ts'
import { breakWall, takeOutWall, type Shape } from './break-wall.ts'
import { roomsOf } from './room.ts'

const start = (more: Partial<Measured> = {}) =>
  measuredRoom({ walls: rectangle(5000, 3600), survey: { heightMm: 2500 }, ...more })
function broken(shape: Shape, wall = 0, more: Partial<Measured> = {}) {
  const world = start(more)
  const row = world.documents.makeover.rows.wall[world.wallIds[wall] ?? '']
  if (!row) throw new Error('no wall')
  const done = breakWall(world.documents.makeover, row, shape, world.newId)
  if (!done.ok) return { error: done.error, makeover: world.documents.makeover, floorM2: 0, world }
  const { makeover } = change(world.documents, done.operations)
  const [room] = roomsOf(makeover, world.rules)
  return { error: '', makeover, room, floorM2: (room && areasOf(makeover, room, world.rules)?.floorM2) ?? 0, world }
}
const names = (makeover: Makeover) =>
  rowsOf(makeover, 'wall')
    .toSorted((left, right) => left.place - right.place)
    .map((wall) => [wall.lengthMm, wall.corner])

describe('a wall that is not plain', () => {
  it('a breast takes its area, a recess gives it, a bay gives its trapezoid, a slant takes its triangle', () => {
    expect(broken({ is: 'bump', fromMm: 1800, widthMm: 1400, depthMm: 350 }).floorM2).toBeCloseTo(18 - 0.49, 6)
    expect(broken({ is: 'recess', fromMm: 1800, widthMm: 1400, depthMm: 350 }).floorM2).toBeCloseTo(18 + 0.49, 6)
    expect(broken({ is: 'bay', fromMm: 1000, widthMm: 2400, depthMm: 600, frontMm: 1200 }).floorM2).toBeCloseTo(
      18 + 0.6 * 1.8,
      3,
    )
    expect(broken({ is: 'slant', alongMm: 800, nextMm: 600 }).floorM2).toBeCloseTo(18 - 0.24, 3)
  })
  it('whatever its size, the room still closes to what a tape reads, and no floor is made of nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('bump' as const, 'recess' as const),
        fc.integer({ min: 100, max: 2000 }),
        fc.integer({ min: 100, max: 2500 }),
        fc.integer({ min: 50, max: 1500 }),
        fc.nat({ max: 3 }),
        (is, fromMm, widthMm, depthMm, wall) => {
          const { room, floorM2, error } = broken({ is, fromMm, widthMm, depthMm }, wall)
          if (error !== '') {
            expect(error).toMatch(/past the end/)
            return
          }
          expect(room?.closing.state).toBe('closed')
          expect(room?.closing.misclosure?.mm).toBeLessThan(0.2)
          expect(floorM2).toBeCloseTo(18 + ((is === 'bump' ? -1 : 1) * widthMm * depthMm) / 1e6, 3)
        },
      ),
    )
  })
  it('what hangs on the wall goes to the piece it lies on, measured from there', () => {
    const { makeover } = broken({ is: 'bump', fromMm: 1800, widthMm: 1400, depthMm: 350 }, 0, {
      openings: [
        { wall: 0, what: 'door', fromMm: 300, widthMm: 800, headMm: 2000 },
        { wall: 0, what: 'window', fromMm: 200, fromEnd: true, widthMm: 900, sillMm: 900, headMm: 2000 },
      ],
      fixtures: [{ wall: 0, what: 'light point', fromMm: 2500, aboveMm: 1800 }],
    })
    const walls = rowsOf(makeover, 'wall').toSorted((left, right) => left.place - right.place)
    expect(
      rowsOf(makeover, 'opening').map((row) => [
        walls.findIndex((wall) => wall.id === row.wallId),
        row.fromMm,
        row.fromEnd,
      ]),
    ).toEqual([
      [0, 300, false],
      [4, 700, false],
    ])
    expect(
      rowsOf(makeover, 'fixture').map((row) => [walls.findIndex((wall) => wall.id === row.wallId), row.fromMm]),
    ).toEqual([[2, 700]])
  })
  it.each([
    ['past the wall', { is: 'bump', fromMm: 4000, widthMm: 1400, depthMm: 350 }, /400\smm past the end/],
    ['in the corner', { is: 'recess', fromMm: 0, widthMm: 1400, depthMm: 350 }, /corner/],
    ['a bay without slants', { is: 'bay', fromMm: 1000, widthMm: 1400, depthMm: 350, frontMm: 1400 }, /recess/],
    ['a slant longer than the wall', { is: 'slant', alongMm: 5000, nextMm: 100 }, /longer/],
    ['across a door', { is: 'bump', fromMm: 600, widthMm: 1400, depthMm: 350 }, /Door|door/],
  ] as const)('%s is asked back', (_, shape, why) => {
    const found = broken(shape, 0, { openings: [{ wall: 0, what: 'door', fromMm: 300, widthMm: 800, headMm: 2000 }] })
    expect(found.error).toMatch(why)
    expect(names(found.makeover)).toHaveLength(4)
  })
  it('a wall goes with all that is on it, and nothing points at what is gone', () => {
    const world = start({
      checks: [[1, 3, 6161]],
      openings: [{ wall: 0, what: 'door', fromMm: 300, widthMm: 800, headMm: 2000 }],
      fixtures: [{ wall: 0, what: 'socket', fromMm: 100, aboveMm: 300 }],
      slopes: [[0, 1500, 1000]],
    })
    const row = world.documents.makeover.rows.wall[world.wallIds[0] ?? '']
    if (!row) throw new Error('no wall')
    const { documents, faults } = tryChange(world.documents, takeOutWall(world.documents.makeover, row))
    expect(faults).toEqual([])
    expect(
      ['wall', 'opening', 'fixture', 'slope', 'diagonal'].map(
        (kind) => Object.keys(documents.makeover.rows[kind as 'wall']).length,
      ),
    ).toEqual([3, 0, 0, 0, 0])
  })
  it('what shared an opening with it, and what lay on it, stands by itself', () => {
    const door = { what: 'door', fromMm: 300, widthMm: 800, headMm: 2000 } as const
    const world = start({ openings: [{ wall: 0, ...door }] })
    const [gone] = rowsOf(world.documents.makeover, 'opening')
    const row = world.documents.makeover.rows.wall[world.wallIds[0] ?? '']
    if (!gone || !row) throw new Error('a wall with a door was made')
    const [nextRoom, nextWall, sharing, wash] = [world.newId(), world.newId(), world.newId(), world.newId()]
    const shared = change(world.documents, [
      add('room', nextRoom, { uses: '', name: 'The next room' }),
      add('wall', nextWall, { ...blank.wall, roomId: nextRoom, place: 1, lengthMm: 3000 }),
      add('opening', sharing, { ...blank.opening, ...door, wallId: nextWall, sharesId: gone.id }),
      ...addLaid(wash, {
        ...blank.finish,
        roomId: row.roomId,
        name: 'Lime wash',
        role: 'dominant',
        family: 'paint',
        sheen: 'matt',
        labL: 80,
        labA: 0,
        labB: 4,
        colourSource: 'lab',
        usedFor: '',
        visibleM2: null,
        surface: 'walls',
        wallId: row.id,
      }),
    ])
    const { makeover } = change(shared, takeOutWall(shared.makeover, row))
    expect(makeover.rows.opening[gone.id]).toBeUndefined()
    expect(makeover.rows.opening[sharing]?.sharesId).toBeNull()
    expect(makeover.rows.treatedPart[wash]).toBeUndefined()
  })
})
