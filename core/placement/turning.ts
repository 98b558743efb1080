/** Where a wheelchair turns: the largest circle that is free on the floor. Lengths in mm. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Point } from '../survey/index.ts'
import { nearestOn, segmentsOf } from './apart.ts'
import type { Body } from './bodies.ts'
import { hinders, placeOf, wallParts, type Field } from './clearance.ts'
import type { Setting } from './setting.ts'

export type Turning = { readonly mm: number; readonly at: Point }

/** Somebody needs it: a need of this room says so. */
export const turnsIn = (makeover: Makeover, roomId: string): boolean =>
  rowsOf(makeover, 'need').some(
    (need) =>
      need.struckOn === null &&
      need.roomId === roomId &&
      /\b(wheelchair|turning circle)/i.test(`${need.name} ${need.who}`),
  )

/** The largest free circle: the best cell of the floor, then walked uphill by the exact distances to what is near. */
export function turningIn(setting: Setting, { grid, mm }: Field, bodies: readonly Body[]): Turning {
  let best = 0
  for (let index = 0; index < mm.length; index++) if ((mm[index] ?? -1) > (mm[best] ?? -1)) best = index
  const segments = [...wallParts(setting), ...bodies.filter(hinders).flatMap(({ outline }) => segmentsOf(outline))]
  const free = (place: Point): number =>
    segments.reduce((least, segment) => {
      const near = nearestOn(place, segment)
      return Math.min(least, Math.hypot(near.x - place.x, near.y - place.y))
    }, Infinity)
  let at = placeOf(grid, best)
  let radius = (mm[best] ?? -1) < 0 ? 0 : free(at)
  for (let step = grid.cell / 2; step > 1 && radius > 0; step /= 2)
    for (let moved = true; moved;) {
      moved = false
      for (const [x, y] of eight) {
        const next = { x: at.x + x * step, y: at.y + y * step }
        const more = free(next)
        if (more > radius + 0.01 && Math.hypot(next.x - at.x, next.y - at.y) < radius) {
          ;[at, radius, moved] = [next, more, true]
          break
        }
      }
    }
  return { mm: 2 * radius, at }
}
const eight = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const
