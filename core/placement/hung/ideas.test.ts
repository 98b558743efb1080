/** What would look well on a wall of what waits, and what is in sight that is not wanted there: each by pencil. */
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import type { Fields } from '../../makeover/kinds.ts'
import { hung, sofa, type Work } from '../../testing/hung.ts'
import { candidateOf, change, pieceOf, testToday } from '../../testing/small-makeover.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { roomsOf } from '../../survey/index.ts'
import type { Stood } from '../../testing/placed.ts'
import { lampBefore, wallIdeas } from './ideas.ts'
import { sceneOf } from './reckoned.ts'
import { hangablesOf, hungIn, toHang } from './works.ts'

type Waits = { name: string; size: readonly [number, number]; thing?: Fields<'piece'>['thing']; quantity?: number }
/** A wall of 5000 by 2500 with what hangs and stands there, fixed things, and what waits. */
function wallWith(
  fixed: readonly Partial<Fields<'fixture'>>[],
  waits: readonly Waits[],
  works: readonly Work[] = [],
  things: readonly Stood[] = [],
) {
  const { after: bare, roomId, wallIds, newId } = hung(works, things)
  const category = Object.keys(bare.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(bare.studio.rows.seller)[0] ?? ''
  const after = change(bare, [
    ...fixed.map((fields) =>
      add('fixture', newId(), {
        ...blank.fixture,
        what: 'other',
        wallId: wallIds[0] ?? '',
        fromMm: 3000,
        aboveMm: 1500,
        outOfSight: true,
        ...fields,
      }),
    ),
    ...waits.flatMap(({ name, size, thing = 'work', quantity = 1 }) => {
      const [pieceId, candidateId] = [newId(), newId()]
      return [
        add(
          'piece',
          pieceId,
          pieceOf(roomId, category, { name, thing, quantity, unit: 'pieces', chosenId: candidateId }),
        ),
        add(
          'candidate',
          candidateId,
          candidateOf(pieceId, seller, { name, widthMm: size[0], heightMm: size[1], depthMm: 30 }),
        ),
      ]
    }),
  ])
  const { practice, placed, remarks } = reckon(after, testToday)
  const [room] = roomsOf(after.makeover, practice.rules)
  const wall = room?.walls[0]
  if (!room || !wall) throw new Error('the room is closed')
  const hangables = hangablesOf(after.makeover)
  const all = hungIn(after.makeover, room, hangables)
  const scene = sceneOf(after.makeover, room, wall, all, placed[0]?.bodies ?? [], practice)
  return {
    ideas: wallIdeas(scene, wall, toHang(after.makeover, room.id, hangables), practice.rules),
    seen: remarks.filter(({ code }) => code === 'placement.hang-seen'),
    scene,
    works: all,
  }
}
const meter = { name: 'Electricity meter', widthMm: 200, heightMm: 300, fromMm: 2900, aboveMm: 1500 }

describe('a fixed thing that is wanted out of sight', () => {
  it('is told, and the print that waits and would cover it is named and hung over it', () => {
    const { ideas, seen } = wallWith([meter], [{ name: 'Print', size: [600, 800] }])
    expect(seen).toHaveLength(1)
    expect(seen[0]).toMatchObject({ weight: 'note', title: 'Electricity meter is in sight' })
    expect(seen[0]?.sentence).toMatch(/lifts off its hook.*Print, which hangs nowhere yet, would cover it/)
    const [idea] = ideas
    expect(idea).toMatchObject({ is: 'hides', about: 'Electricity meter' })
    const at = idea?.places[0]?.at
    // the meter is from 2900 to 3100 along and 1500 to 1800 high; the print reaches 300 and 400 to each side of its middle
    expect(Math.abs((at?.along ?? 0) - 3000)).toBeLessThanOrEqual(300 - 100)
    expect(Math.abs((at?.centre ?? 0) - 1650)).toBeLessThanOrEqual(400 - 150)
  })
  it('is silent once a work hangs over it, once it is not wanted out of sight, or behind a wardrobe', () => {
    const over: Work = { name: 'Print', size: [600, 800], at: [3000, 1600] }
    expect(wallWith([meter], [], [over]).seen).toHaveLength(0)
    expect(wallWith([{ ...meter, outOfSight: false }], []).seen).toHaveLength(0)
    const wardrobe: Stood = { name: 'Wardrobe', size: [1200, 600, 2100], at: [3000, -310], piece: { thing: 'storage' } }
    expect(wallWith([meter], [], [], [wardrobe]).seen).toHaveLength(0)
  })
  it('air has to pass a vent: nothing is hung over it, and the largest work beside it is named', () => {
    const vent = { what: 'vent' as const, name: 'Vent', widthMm: 200, heightMm: 200, fromMm: 3500, aboveMm: 2100 }
    const { ideas, seen } = wallWith(
      [vent],
      [{ name: 'Print', size: [600, 800] }],
      [{ name: 'Quilt', size: [900, 1200], at: [2600, 1550] }],
    )
    expect(ideas.filter(({ is }) => is === 'hides')).toHaveLength(0)
    expect(seen[0]?.sentence).toMatch(/Air has to pass it.*Quilt, the largest work here, hangs beside it/)
  })
  it('a print too small, or one that would hang over a switch to reach it, is not proposed', () => {
    expect(wallWith([meter], [{ name: 'Card', size: [220, 320] }]).ideas).toHaveLength(0)
    const bySwitch = { ...meter, fromMm: 1250, aboveMm: 1000 }
    expect(wallWith([bySwitch], [{ name: 'Print', size: [300, 400] }]).ideas).toHaveLength(0)
  })
})

describe('a pair for the bare sides', () => {
  const centre: Work = { name: 'Quilt', size: [1000, 800], at: [3000, 1550] }
  it('hangs as far from the centre piece on one side as on the other, at its height', () => {
    const { ideas } = wallWith([], [{ name: 'Wall sconces', size: [150, 300], thing: 'light', quantity: 2 }], [centre])
    expect(ideas).toHaveLength(1)
    const [left, right] = ideas[0]?.places ?? []
    if (!left || !right) throw new Error('a pair is proposed')
    // to 0.5 mm, as a mirrored set is held
    expect(left.at.along + right.at.along).toBeCloseTo(2 * 3000, 1)
    expect([left.at.centre, right.at.centre]).toEqual([1550, 1550])
    // 75 mm, a hand's width, between the quilt's edge at 3500 and the lamp's
    expect(right.at.along - 75).toBeCloseTo(3500 + 75, 6)
  })
  it('is not proposed where one waits alone, where they are wider than what they flank, or where no side is bare', () => {
    const lamp = { name: 'Wall sconces', size: [150, 300] as const, thing: 'light' as const }
    expect(wallWith([], [lamp], [centre]).ideas).toHaveLength(0)
    expect(wallWith([], [{ name: 'Prints', size: [1100, 300], quantity: 2 }], [centre]).ideas).toHaveLength(0)
    const wide: Work = { name: 'Panel', size: [1000, 800], at: [4300, 1550] }
    expect(wallWith([], [{ ...lamp, quantity: 2 }], [wide]).ideas).toHaveLength(0)
  })
})

describe('a mirror behind a lamp', () => {
  const lamp: Stood = { name: 'Tall lamp', size: [300, 300, 1500], at: [3800, -200], piece: { thing: 'light' } }
  it('is proposed where it hangs behind what glows, and told of once it hangs there', () => {
    const { ideas } = wallWith([], [{ name: 'Mirror', size: [600, 900], thing: 'mirror' }], [], [lamp])
    expect(ideas).toHaveLength(1)
    expect(ideas[0]).toMatchObject({ is: 'doubles', about: 'Tall lamp', places: [{ at: { along: 3800 } }] })
    const hangs = wallWith([], [], [{ name: 'Mirror', size: [600, 900], at: [3800, 1500] }], [lamp])
    const work = hangs.works[0]
    // a print is no mirror
    expect(work && lampBefore(work, hangs.scene)).toBeNull()
    const asMirror = work && {
      ...work,
      thing: { ...work.thing, piece: { ...work.thing.piece, thing: 'mirror' as const } },
    }
    expect(asMirror && lampBefore(asMirror, hangs.scene)?.name).toBe('Tall lamp')
  })
  it('a work behind a lamp keeps to the line of the eyes: a lamp is no furniture to keep a gap over (common practice)', () => {
    const behind = hung([{ name: 'Print', size: [400, 500], at: [3800, 1485] }], [lamp])
    expect(behind.codes.filter((code) => /gap|wide/.test(code))).toEqual([])
  })
  it('is not proposed behind a sofa, nor for a print', () => {
    expect(wallWith([], [{ name: 'Mirror', size: [600, 900], thing: 'mirror' }], [], [sofa]).ideas).toHaveLength(0)
    expect(wallWith([], [{ name: 'Print', size: [600, 900] }], [], [lamp]).ideas).toHaveLength(0)
  })
})
