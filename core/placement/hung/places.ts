/** Where a thing may hang that hangs nowhere yet, and what draws it there as a hand moves it. Lengths in mm. */
import { blank } from '../../makeover/blank.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { wrongness, type WallScene } from './check.ts'
import { hungChecks } from './checks.ts'
import { belongsAt } from './line.ts'
import { asOne, hungOf, type Hangable, type Hung } from './works.ts'

export type OnWall = { readonly along: number; readonly centre: number }

/** A middle draws from so near. */
const drawsMm = 40
const nearest = (value: number, to: readonly number[]): number =>
  to
    .filter((target) => Math.abs(target - value) <= drawsMm)
    .toSorted((left, right) => Math.abs(left - value) - Math.abs(right - value))[0] ?? value

/** A thing as it would hang that hangs nowhere yet. */
export const newlyHung = (thing: Hangable, number: number, wall: Hung['wall'], along: number, centre: number): Hung =>
  hungOf(
    thing,
    {
      ...blank.hanging,
      id: `${thing.piece.id} ${number}`,
      version: '',
      pieceId: thing.piece.id,
      number,
      wallId: wall.row.id,
      alongMm: along,
      centreMm: centre,
    },
    wall,
  )

const movedTo = (work: Hung, { along, centre }: OnWall): Hung =>
  hungOf(work.thing, { ...work.row, alongMm: along, centreMm: centre }, work.wall)

/** Drawn to the middles of the wall, of what stands before it and of its neighbours, and to the height it belongs at. */
export function drawnTo(scene: WallScene, work: Hung, at: OnWall, rules: Rules): OnWall {
  const beside = scene.works.filter(({ id }) => id !== work.id)
  const along = nearest(at.along, [
    work.wall.lengthMm / 2,
    ...scene.before.map(({ left, right }) => (left + right) / 2),
    ...beside.map((met) => met.along),
  ])
  const there = movedTo(work, { along, centre: at.centre })
  const belongs = belongsAt(scene.room, there, scene.before, scene.lineMm, rules).centre
  return { along, centre: nearest(at.centre, [belongs, ...beside.map((met) => met.centre)]) }
}

export type GroupMember = { readonly id: string; readonly thing: Hangable; readonly x: number; readonly y: number }
/**
 * Where the middle of a group comes: as near as it goes to where it is wanted along the wall, with least wrong, and as high as it
 * belongs. `members` lie about the middle of the whole.
 */
export function placeGroup(
  scene: WallScene,
  members: readonly GroupMember[],
  wall: Hung['wall'],
  wantedAlong: number,
  rules: Rules,
): OnWall {
  const at = ({ id, thing }: GroupMember, along: number, centre: number): Hung =>
    hungOf(
      thing,
      {
        ...blank.hanging,
        id,
        version: '',
        pieceId: thing.piece.id,
        wallId: wall.row.id,
        alongMm: along,
        centreMm: centre,
        groupName: ' ',
      },
      wall,
    )
  const hungAt = (along: number, centre: number): Hung[] =>
    members.map((member) => at(member, along + member.x, centre + member.y))
  const half = (asOne(hungAt(0, 0))?.right ?? 0) + stepMm
  const shifts = [
    0,
    ...Array.from({ length: Math.ceil(wall.lengthMm / stepMm) }, (_, step) => [step + 1, -step - 1]).flat(),
  ]
  let best: { at: OnWall; worth: number } | null = null
  for (const shift of shifts) {
    const along = wantedAlong + shift * stepMm
    if (along < half - stepMm || along > wall.lengthMm - half + stepMm) continue
    const high = asOne(hungAt(along, 2000 + half))
    if (!high) break
    const { centre } = belongsAt(scene.room, high, scene.before, scene.lineMm, rules)
    const works = hungAt(along, centre)
    const held = { ...scene, works: [...scene.works, ...works] }
    const worth = wrongness(works.flatMap((work) => hungChecks(held, work, rules)))
    if (best === null || worth < best.worth) best = { at: { along, centre }, worth }
    if (worth === 0) break
  }
  return best?.at ?? { along: wantedAlong, centre: scene.lineMm }
}
const stepMm = 50

/** Over what stands before the wall, the widest first, else along it: the first place at which least is wrong. */
export function firstOnWall(scene: WallScene, thing: Hangable, wall: Hung['wall'], rules: Rules): OnWall {
  const middles = [
    ...scene.before
      .toSorted((left, right) => right.right - right.left - (left.right - left.left))
      .map(({ left, right }) => (left + right) / 2),
    wall.lengthMm / 2,
    ...Array.from(
      { length: Math.max(0, Math.floor((wall.lengthMm - thing.widthMm) / 100)) },
      (_, at) => thing.widthMm / 2 + 50 + at * 100,
    ),
  ]
  let best: { at: OnWall; worth: number } | null = null
  for (const along of middles) {
    // high enough to hang over whatever stands there, then brought down to where it belongs
    const high = newlyHung(thing, 1, wall, along, 2000 + thing.heightMm)
    const { centre } = belongsAt(scene.room, high, scene.before, scene.lineMm, rules)
    const work = movedTo(high, { along, centre })
    const worth = wrongness(hungChecks({ ...scene, works: [...scene.works, work] }, work, rules))
    if (!best || worth < best.worth) best = { at: { along, centre }, worth }
    if (worth === 0) break
  }
  return best?.at ?? { along: wall.lengthMm / 2, centre: scene.lineMm }
}
