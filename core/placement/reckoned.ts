/** What the placement of every room comes to: what stands there, what is held against it, and its ways. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { areaOf, type Room } from '../survey/index.ts'
import { atTheDoor, bodiesIn, layoutOf, thingsOf, type Body, type Thing } from './bodies.ts'
import { allChecks, type Check } from './checks.ts'
import { withBodies } from './clearance.ts'
import { floorOf } from './ground.ts'
import { islandsIn } from './rugs.ts'
import { turningIn, turnsIn, type Turning } from './turning.ts'
import { carriedIn, stagesTo, type CarriedIn } from './way-in.ts'
import { waysOf, type Way } from './ways.ts'

export type RoomPlaced = {
  readonly roomId: string
  readonly layoutId: string | null
  /** What stands there, by the ids of the rows that say where. */
  readonly bodies: readonly Body[]
  /** How many things still wait. */
  readonly waiting: number
  readonly checks: readonly Check[]
  readonly ways: readonly Way[]
  /** What does not go in by the way it has to take. */
  readonly stuck: readonly CarriedIn[]
  /** Rugs that lie under no leg of the group they lie under. */
  readonly islands: readonly Body[]
  /** The largest free circle, where a wheelchair is to turn. */
  readonly turning: Turning | null
  readonly areaM2: number
}

export function placedIn(makeover: Makeover, rooms: readonly Room[], { rules, schools }: Practice): RoomPlaced[] {
  if (!headOf(makeover)) return []
  const things = thingsOf(makeover, rules)
  return rooms.map((room): RoomPlaced => {
    const layout = layoutOf(makeover, room.id)
    const waiting = atTheDoor(makeover, room.id, layout?.id ?? null, things).length
    const floor = floorOf(room)
    const stages = stagesTo(makeover, room)
    const none = {
      roomId: room.id,
      layoutId: layout?.id ?? null,
      waiting,
      bodies: [],
      checks: [],
      ways: [],
      islands: [],
      turning: null,
      areaM2: areaOf(room.outline) / 1e6,
      stuck: [...things.values()]
        .filter((thing) => thing.piece.roomId === room.id && isKnown(thing) && comesIn(makeover, thing))
        .map((thing) => carriedIn(thing, stages))
        .filter(({ goes }) => !goes),
    }
    if (!layout || !floor) return none
    const { setting, bare, ends } = floor
    const bodies = bodiesIn(makeover, layout.id, things)
    if (bodies.length === 0) return none
    const solids = [...bodies, ...setting.built]
    const field = withBodies(bare, solids)
    return {
      ...none,
      bodies,
      checks: allChecks(setting, bodies, rules),
      islands: islandsIn(bodies, rules, schools['small-rug']),
      turning: turnsIn(makeover, room.id) ? turningIn(setting, field, solids) : null,
      ways: waysOf(setting, field, solids, rules['place.way-main'], ends),
    }
  })
}

/** Somebody measured it, or said how it is packed. */
const isKnown = ({ assumed, footprint }: Thing): boolean => !assumed || footprint?.packedWidthMm != null
/** What is there already is not carried in. */
function comesIn(makeover: Makeover, { piece }: Thing): boolean {
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  return chosen?.source !== 'owned'
}

/** How many of the things of a makeover stand somewhere, as a share. */
export function sharePlaced(makeover: Makeover, placed: readonly RoomPlaced[]): number {
  const waiting = placed.reduce((sum, room) => sum + room.waiting, 0)
  const inForce = new Set(placed.map(({ layoutId }) => layoutId))
  const standing = rowsOf(makeover, 'standing').filter(({ layoutId }) => inForce.has(layoutId)).length
  return standing + waiting === 0 ? 0 : standing / (standing + waiting)
}
