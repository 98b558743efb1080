/** A measured room, small enough to reckon with a pencil, for tests and benches. */
import { blank } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { effectiveRules, type Rules } from '../rulebook/rulebook.ts'
import { areasOf, roomsOf, type Room, type RoomAreas } from '../survey/index.ts'
import { begin, change, countingIds } from './small-makeover.ts'

export type Measured = {
  readonly walls: readonly (Partial<Fields<'wall'>> & { readonly lengthMm: number | null })[]
  /** Corners counted from 1, and the length between them. */
  readonly checks?: readonly (readonly [from: number, to: number, lengthMm: number])[]
  readonly openings?: readonly (Partial<Fields<'opening'>> & {
    readonly wall: number
    readonly fromMm: number
    readonly widthMm: number
    readonly headMm: number
    readonly what: Fields<'opening'>['what']
  })[]
  readonly fixtures?: readonly (Partial<Fields<'fixture'>> & {
    readonly wall: number
    readonly fromMm: number
    readonly what: Fields<'fixture'>['what']
  })[]
  readonly slopes?: readonly (readonly [wall: number, lowMm: number, runMm: number])[]
  readonly survey?: Partial<Fields<'survey'>>
  readonly units?: 'metric' | 'feet and inches'
}

/** Rows of a measured room; walls are counted from 0. */
export function surveyRows(
  roomId: string,
  { walls, checks = [], openings = [], fixtures = [], slopes = [], survey = {} }: Measured,
  newId: () => string,
): { operations: Operation[]; wallIds: string[] } {
  const wallIds = walls.map(() => newId())
  const id = (at: number): string => wallIds[at] ?? ''
  return {
    wallIds,
    operations: [
      add('survey', newId(), { ...blank.survey, roomId, ...survey }),
      ...walls.map((wall, place) => add('wall', id(place), { ...blank.wall, roomId, place, ...wall })),
      ...checks.map(([start, to, lengthMm]) =>
        add('diagonal', newId(), { fromId: id(start - 1), toId: id(to - 1), lengthMm }),
      ),
      ...slopes.map(([wall, lowMm, runMm]) => add('slope', newId(), { wallId: id(wall), lowMm, runMm })),
      ...openings.map(({ wall, ...fields }) =>
        add('opening', newId(), { ...blank.opening, ...fields, wallId: id(wall) }),
      ),
      ...fixtures.map(({ wall, ...fields }) =>
        add('fixture', newId(), { ...blank.fixture, aboveMm: 0, ...fields, wallId: id(wall) }),
      ),
    ],
  }
}

/** A makeover with one measured room. */
export function measuredRoom(
  measured: Measured,
  rules: Rules = effectiveRules(),
): {
  documents: Documents
  room: Room
  areas: RoomAreas | null
  roomId: string
  wallIds: string[]
  rules: Rules
  newId: () => string
} {
  const newId = countingIds()
  const { ids, operations, start } = begin(newId)
  const { operations: rows, wallIds } = surveyRows(ids.room, measured, newId)
  const documents = change(start, [...operations, ...rows])
  const [room] = roomsOf(documents.makeover, rules)
  if (!room) throw new Error('no room')
  return { documents, room, areas: areasOf(documents.makeover, room, rules), roomId: ids.room, wallIds, rules, newId }
}

const outside = { corner: 'outside' } as const
export const rectangle = (width: number, depth: number) => [
  { lengthMm: width },
  { lengthMm: depth },
  { lengthMm: width },
  { lengthMm: depth },
]
/** A room with a chimney breast in the middle of its second wall. */
export const withBreast = (width: number, depth: number, value: number, across: number, deep: number) => [
  { lengthMm: width },
  { lengthMm: value },
  { lengthMm: deep, ...outside },
  { lengthMm: across, ...outside },
  { lengthMm: deep },
  { lengthMm: depth - value - across },
  { lengthMm: width },
  { lengthMm: depth },
]
/** A room with a bay in its first wall: two slanted walls of 45° and one across. Corners are angles inside the room. */
export const withBay = (width: number, depth: number, value: number, across: number, deep: number) => [
  { lengthMm: value, corner: 'angle' as const, cornerDeg: 225 },
  { lengthMm: deep * Math.SQRT2, corner: 'angle' as const, cornerDeg: 135 },
  { lengthMm: across, corner: 'angle' as const, cornerDeg: 135 },
  { lengthMm: deep * Math.SQRT2, corner: 'angle' as const, cornerDeg: 225 },
  { lengthMm: width - value - across - 2 * deep },
  { lengthMm: depth },
  { lengthMm: width },
  { lengthMm: depth },
]
