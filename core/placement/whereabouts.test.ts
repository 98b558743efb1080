/** What placement tells the other steps, by pencil and through the whole reckoning. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { eyeHeight } from '../makeover/household.ts'
import { flatId } from '../makeover/whereabouts.ts'
import { reckon } from '../reckoning/reckon.ts'
import { addLaid } from '../testing/laid.ts'
import { furnished, type Stood, type Zoned } from '../testing/placed.ts'
import { change, testToday } from '../testing/small-makeover.ts'
import { rectangle } from '../testing/surveyed.ts'
import { firstSights } from './first-sight.ts'

// walls A to D clockwise from the upper left corner: A above, B on the right, C below, D on the left
const room = {
  walls: rectangle(5000, 4000),
  survey: { heightMm: 2500 },
  openings: [{ wall: 2, what: 'door' as const, fromMm: 2000, widthMm: 900, headMm: 2000 }],
}
const thing = (
  name: string,
  kind: 'seat' | 'storage' | 'table' | 'rug',
  size: Stood['size'],
  at: Stood['at'],
): Stood => ({
  name,
  size,
  at,
  piece: { thing: kind },
})
function placed(things: readonly Stood[], zones: readonly Zoned[] = []) {
  const world = furnished(room, things, zones)
  const idOf = (name: string): string =>
    Object.values(world.documents.makeover.rows.piece).find((row) => row.name === name)?.id ?? ''
  return { ...world, idOf, ...reckon(world.documents, testToday) }
}
const finish = (roomId: string, name: string, surface: 'walls' | 'floor' | 'piece', labL: number) => ({
  ...blank.finish,
  roomId,
  zoneId: null,
  name,
  role: 'dominant' as const,
  family: 'paint' as const,
  texture: 'usual' as const,
  sheen: 'matt' as const,
  labL,
  labA: 0,
  labB: 0,
  colourSource: 'lab' as const,
  usedFor: '',
  visibleM2: null,
  surface,
})

describe('where things stand', () => {
  it('a thing stands before the wall at its back; in the middle of the room before none', () => {
    const { whereabouts, idOf, wallIds } = placed([
      // its front looks down the plan, its back is at A; its side is as near to D
      thing('Dresser', 'storage', [1200, 450, 1000], [625, -250]),
      thing('Sofa', 'seat', [2000, 900, 800], [4500, -2000, 270]),
      thing('Low table', 'table', [900, 600, 400], [2500, -2000]),
    ])
    expect(whereabouts.pieces.get(idOf('Dresser'))?.wallId).toBe(wallIds[0])
    expect(whereabouts.pieces.get(idOf('Sofa'))?.wallId).toBe(wallIds[1])
    expect(whereabouts.pieces.get(idOf('Low table'))?.wallId).toBeNull()
  })
  it('of an empty room all is seen; what stands hides floor and wall, and more of it hides no less', () => {
    expect(placed([]).whereabouts.surfaces.size).toBe(0)
    const low = (x: number, y: number): Stood => thing(`Chest ${x} ${y}`, 'storage', [700, 450, 1300], [x, y])
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom<[number, number]>([500, -400], [1500, -400], [3500, -400], [4500, -400]), {
          minLength: 2,
          selector: String,
        }),
        (places) => {
          const all = places.map(([x, y]) => low(x, y))
          const [fewer, more] = [placed(all.slice(1)), placed(all)]
          const wall = (world: typeof more): number => world.whereabouts.surfaces.get(world.wallIds[0] ?? '') ?? 1
          const floor = (world: typeof more): number =>
            world.whereabouts.surfaces.get(flatId(world.roomId, 'floor')) ?? 1
          expect(wall(more)).toBeLessThanOrEqual(wall(fewer) + 1e-9)
          expect(wall(more)).toBeLessThan(1)
          expect(floor(more)).toBeLessThanOrEqual(floor(fewer) + 1e-9)
          expect(wall(more)).toBeGreaterThan(0.4)
        },
      ),
      { numRuns: 8 },
    )
  })
  it('the floor counts less the rug that lies on it, and only as far as it is seen', () => {
    const world = placed([thing('Rug', 'rug', [2000, 1500, 10], [2500, -2000])])
    const [floor, rug] = [world.newId(), world.newId()]
    const after = reckon(
      change(world.documents, [
        ...addLaid(floor, finish(world.roomId, 'Boards', 'floor', 50)),
        ...addLaid(rug, { ...finish(world.roomId, 'Wool', 'piece', 80), pieceId: world.idOf('Rug') }),
      ]),
      testToday,
    )
    const areaOf = (id: string) => after.palette.finishes.find((found) => found.id === id)?.area
    // 5 × 4 less 2 × 1.5; nothing stands there that hides any of it
    expect(areaOf(floor)?.m2).toBeCloseTo(17, 6)
    expect(areaOf(rug)).toMatchObject({ basis: 'size', m2: expect.closeTo(3, 6) as number })
  })
  it('a thing is held against the wall it was put before, not the one somebody thought of', () => {
    const world = placed([{ ...thing('Chest', 'storage', [900, 450, 800], [1500, -225]) }])
    const [pale, dark, own] = [world.newId(), world.newId(), world.newId()]
    const laid = change(world.documents, [
      ...addLaid(pale, { ...finish(world.roomId, 'Pale', 'walls', 85), wallId: world.wallIds[0] ?? null }),
      ...addLaid(dark, { ...finish(world.roomId, 'Dark', 'walls', 25), wallId: world.wallIds[1] ?? null }),
      ...addLaid(own, { ...finish(world.roomId, 'Lacquer', 'piece', 84), pieceId: world.idOf('Chest') }),
    ])
    const found = reckon(laid, testToday).palette.standings.find(({ id }) => id === world.idOf('Chest'))
    expect(found).toMatchObject({ wallId: pale, reads: 'disappears' })
  })
})

describe('what it feeds', () => {
  const zone: Zoned = { name: 'By the window', wall: 0, widthMm: 1600, depthMm: 1600 }
  const wanted = (at: Stood['at']) => {
    const world = placed([thing('Armchair', 'seat', [800, 800, 850], at)], [zone])
    const zoneId = Object.keys(world.documents.makeover.rows.zone)[0] ?? null
    const need = world.newId()
    const after = change(world.documents, [
      add('need', need, { ...blank.need, roomId: world.roomId, zoneId, name: 'Read', importance: 'must' }),
      add('serving', world.newId(), { needId: need, pieceId: world.idOf('Armchair') }),
    ])
    return reckon(after, testToday).remarks.filter(({ code }) => code === 'brief.need-elsewhere')
  }
  it('a need of a part of the room whose piece stands in another is noted, and not where it stands there', () => {
    expect(wanted([4200, -3000])).toMatchObject([{ weight: 'note', title: '“Read”: wanted in “By the window”' }])
    expect(wanted([800, -800])).toEqual([])
  })
  it('eyes are those of the household, between them; what is as high as they are counts most', () => {
    const world = placed([
      thing('Tall', 'storage', [600, 400, 2400], [1200, -300]),
      thing('Flat', 'rug', [600, 2400, 10], [3600, -1400]),
    ])
    const people = [1500, 1700, null].map((eyeMm) => add('resident', world.newId(), { name: 'Somebody', eyeMm }))
    const { makeover } = change(world.documents, people)
    expect(eyeHeight(world.documents.makeover, world.rules)).toBe(1600)
    expect(eyeHeight(makeover, world.rules)).toBe(1600)
    const short = change(world.documents, people.slice(0, 1)).makeover
    expect(eyeHeight(short, world.rules)).toBe(1500)
    const [sight] = firstSights(short, world.setting, world.bodies, world.rules)
    expect(sight?.eyeMm).toBe(1500)
    const height = (name: string): number => sight?.things.find(({ body }) => body.name === name)?.height ?? 0
    // its middle is 300 off 1500: half of 300 ÷ 1500 is lost; on the floor half of all
    expect(height('Tall')).toBeCloseTo(0.9, 9)
    expect(height('Flat')).toBeCloseTo(0.5, 2)
  })
})
