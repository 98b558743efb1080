/** Fixed things that have to stay and are wanted out of sight: what hides them, and what may not cover them. Lengths in mm. */
import type { Wall } from '../../survey/index.ts'
import { check, type HungCheck, type WallScene } from './check.ts'
import type { Box } from './boxes.ts'
import type { Hung, ToHang } from './works.ts'

export type FixedThing = Wall['fixtures'][number]

/** So far what covers reaches beyond what it covers, on each side. */
export const coverMarginMm = 20
/** A point of the survey is a plate of so much on each side of its middle. */
const plateMm = 40

export const boxOf = ({ u0, u1, z0, z1 }: FixedThing): Box => ({
  left: Math.min(u0, (u0 + u1) / 2 - plateMm),
  right: Math.max(u1, (u0 + u1) / 2 + plateMm),
  low: Math.min(z0, (z0 + z1) / 2 - plateMm),
  top: Math.max(z1, (z0 + z1) / 2 + plateMm),
})

/** Air has to pass it, a hand has to reach it now and then, or neither. */
export function asksFor({ row, name }: FixedThing): 'air' | 'hand' | 'often' | null {
  if (row.what === 'radiator' || row.what === 'vent' || row.what === 'fireplace') return 'air'
  if (row.what === 'switch' || row.what === 'socket' || /\b(thermostat|intercom|bell)\b/i.test(name)) return 'often'
  return /\b(meter|fuse|consumer|distribution|breaker|board|panel|stop ?(cock|tap|valve)|valve|isolator|hatch|router)\b/i.test(
    name,
  )
    ? 'hand'
    : null
}
export const mayBeCovered = (fixed: FixedThing): boolean => asksFor(fixed) === 'hand' || asksFor(fixed) === null

const covers = (cover: Box, box: Box): boolean =>
  cover.left <= box.left + 1 && cover.right >= box.right - 1 && cover.low <= box.low + 1 && cover.top >= box.top - 1

/** Behind a work, or behind what stands before the wall. */
export const isHidden = ({ works, before }: Pick<WallScene, 'works' | 'before'>, fixed: FixedThing): boolean =>
  works.some((work) => work.wall.fixtures.includes(fixed) && covers(work, boxOf(fixed))) ||
  before.some(({ left, right, top, body }) => covers({ left, right, low: body.low, top }, boxOf(fixed)))

/** The largest work of a room leads the eye to what is so near it; common practice. */
const leadsMm = 1500
function beside(works: readonly Hung[], fixed: FixedThing): Hung | null {
  const area = ({ thing }: Hung): number => thing.widthMm * thing.heightMm
  const [largest] = works.toSorted((left, right) => area(right) - area(left))
  if (!largest?.wall.fixtures.includes(fixed)) return null
  const { left, right } = boxOf(fixed)
  return Math.max(largest.left - right, left - largest.right) < leadsMm ? largest : null
}

/** What is wanted out of sight and is in sight; a thing that waits and would cover it is named. `works` are all of the room. */
export function inSight(
  scene: WallScene,
  wall: Wall,
  works: readonly Hung[],
  ideas: readonly {
    readonly is: string
    readonly aboutId: string
    readonly places: readonly { readonly item: ToHang }[]
  }[],
): HungCheck[] {
  return wall.fixtures
    .filter((fixed) => fixed.row.outOfSight && !isHidden(scene, fixed))
    .map((fixed) => {
      const cover = ideas.find(({ is, aboutId }) => is === 'hides' && aboutId === fixed.row.id)?.places[0]?.item
      const leads = beside(works, fixed)
      return check('hang-seen', 'note', [fixed.row.id], {
        name: fixed.name,
        about: [asksFor(fixed) ?? '', cover?.thing.piece.name ?? '', leads?.name ?? ''].join('|'),
      })
    })
}
