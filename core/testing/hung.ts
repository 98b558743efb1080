/** A room with works on one of its walls, for tests. */
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { sceneOf } from '../placement/hung/reckoned.ts'
import { hangablesOf, hungIn } from '../placement/hung/works.ts'
import { reckon } from '../reckoning/reckon.ts'
import { roomsOf } from '../survey/index.ts'
import { furnished, type Stood } from './placed.ts'
import { candidateOf, change, pieceOf, testToday } from './small-makeover.ts'
import { rectangle, type Measured } from './surveyed.ts'

// wall A is above, its first corner on the left
export const hungRoom: Measured = {
  walls: rectangle(5000, 4000),
  survey: { heightMm: 2500 },
  openings: [{ wall: 0, what: 'door', fromMm: 200, widthMm: 800, headMm: 2000 }],
  fixtures: [{ wall: 0, what: 'switch', fromMm: 1200, aboveMm: 1100 }],
}
export type Work = {
  readonly name?: string
  readonly size?: readonly [width: number, height: number]
  readonly at: readonly [along: number, centre: number]
  readonly kg?: number | null
  readonly fixing?: Partial<Fields<'fixing'>>
  readonly why?: string
  readonly group?: string
}
export function hung(
  works: readonly Work[],
  things: readonly Stood[] = [],
  forbids = false,
  school = '',
  madeOf?: Fields<'wall'>['madeOf'],
) {
  const world = furnished(
    madeOf ? { ...hungRoom, walls: hungRoom.walls.map((own) => ({ ...own, madeOf })) } : hungRoom,
    things,
  )
  const { documents, roomId, wallIds, newId } = world
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  const after = change(documents, [
    ...(forbids
      ? [add('constraint', newId(), { roomId, reason: 'tenancy' as const, forbids: 'drill' as const, note: '' })]
      : []),
    ...(school === '' ? [] : [add('school', newId(), { question: 'hanging' as const, school })]),
    ...works.flatMap(({ name = 'Print', size = [600, 800], at, kg = null, fixing, why = '', group = '' }) => {
      const [pieceId, candidateId] = [newId(), newId()]
      return [
        add(
          'piece',
          pieceId,
          pieceOf(roomId, category, { name, thing: 'work', quantity: 1, unit: 'pieces', chosenId: candidateId }),
        ),
        add(
          'candidate',
          candidateId,
          candidateOf(pieceId, seller, { name, widthMm: size[0], heightMm: size[1], weightKg: kg }),
        ),
        add('hanging', newId(), {
          ...blank.hanging,
          pieceId,
          wallId: wallIds[0] ?? '',
          alongMm: at[0],
          centreMm: at[1],
          why,
          groupName: group,
        }),
        ...(fixing ? [add('fixing', newId(), { ...blank.fixing, pieceId, ...fixing })] : []),
      ]
    }),
  ])
  const reckoning = reckon(after, testToday)
  const { rules } = reckoning.practice
  const [measured] = roomsOf(after.makeover, rules)
  const wall = measured?.walls[0]
  if (!measured || !wall) throw new Error('the room is closed')
  const all = hungIn(after.makeover, measured, hangablesOf(after.makeover))
  const scene = sceneOf(after.makeover, measured, wall, all, reckoning.placed[0]?.bodies ?? [], reckoning.practice)
  const codes = reckoning.remarks
    .filter(({ code }) => code.startsWith('placement.hang-'))
    .map(({ code, weight }) => `${code.slice('placement.hang-'.length)} ${weight}`)
    .toSorted()
  return { ...world, after, reckoning, scene, works: all, codes, rules, wall }
}
export const sofa: Stood = {
  name: 'Sofa',
  size: [2000, 900, 850],
  at: [3000, -460],
  piece: { thing: 'seat' },
  topMm: 430,
}
export const bench: Stood = {
  name: 'Bench',
  size: [1500, 400, 450],
  at: [3000, -210],
  piece: { thing: 'seat' },
  topMm: 450,
}
export const bed: Stood = {
  name: 'Bed',
  size: [1600, 2000, 900],
  at: [3000, -1010],
  piece: { thing: 'bed' },
  topMm: 550,
}
