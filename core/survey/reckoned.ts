/** The survey's part of the reckoning: how each room closes, what it comes to, and the area of each finish. */
import type { Makeover } from '../makeover/document.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { areasOf, type RoomAreas } from './areas.ts'
import { finishAreas, type FinishArea } from './finish-areas.ts'
import type { Closing } from './closing.ts'
import type { Room } from './room.ts'

export type RoomSurvey = {
  readonly roomId: string
  readonly walls: number
  readonly state: Closing['state']
  readonly misclosure: Closing['misclosure']
  readonly again: Closing['again']
  readonly areas: RoomAreas | null
}
export type Surveyed = { readonly rooms: readonly RoomSurvey[]; readonly finishes: ReadonlyMap<string, FinishArea> }

/** What measured rooms come to, and the area of each finish on them. */
export function surveyOf(makeover: Makeover, measured: readonly Room[], rules: Rules): Surveyed {
  const rooms = measured.map((room): RoomSurvey => ({
    roomId: room.id,
    walls: room.walls.length,
    state: room.closing.state,
    misclosure: room.closing.misclosure,
    again: room.closing.again,
    areas: areasOf(makeover, room, rules),
  }))
  return {
    rooms,
    finishes: finishAreas(
      makeover,
      rooms.flatMap((room) => (room.areas ? [room.areas] : [])),
    ),
  }
}
