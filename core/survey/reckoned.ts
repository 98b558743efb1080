/** The survey's part of the reckoning: how each room closes, and what it comes to. */
import type { Makeover } from '../makeover/document.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { areasOf, type RoomAreas } from './areas.ts'
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
export type Surveyed = { readonly rooms: readonly RoomSurvey[] }

/** What measured rooms come to. */
export function surveyOf(makeover: Makeover, measured: readonly Room[], rules: Rules): Surveyed {
  const rooms = measured.map((room): RoomSurvey => ({
    roomId: room.id,
    walls: room.walls.length,
    state: room.closing.state,
    misclosure: room.closing.misclosure,
    again: room.closing.again,
    areas: areasOf(makeover, room, rules),
  }))
  return { rooms }
}
