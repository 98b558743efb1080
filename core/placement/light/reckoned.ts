/** The light of every room as its lamps stand and hang: its places with their level, what is held against it, what would help. */
import type { Makeover } from '../../makeover/document.ts'
import type { Practice } from '../../makeover/practice.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Room } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import { floorOf } from '../ground.ts'
import { hangablesOf, hungIn, type Hung } from '../hung/works.ts'
import type { RoomPlaced } from '../reckoned.ts'
import { addFor, type Added } from './adding.ts'
import { lightChecks, type LightCheck } from './checks.ts'
import { lampsIn, type Lamp } from './lamps.ts'
import { floorM2, lightMap, litRoom, lumensFor, type LightMap, type LitRoom } from './map.ts'
import { reflecting } from './reflected.ts'
import { spotsIn, zonesLit, type Spot, type ZoneLit } from './spots.ts'

export type RoomLight = {
  readonly roomId: string
  readonly checks: readonly LightCheck[]
}
export type Lighting = {
  readonly lit: LitRoom
  readonly map: LightMap
  readonly spots: readonly Spot[]
  readonly zones: readonly ZoneLit[]
  readonly added: readonly Added[]
  readonly lumens: number
  /** What would be enough to live by, all over the room, by the lumen method. */
  readonly enough: number
  readonly checks: readonly LightCheck[]
}

/** The plane on which the light of a room is shown, and how coarse its grid is where it is only judged. */
export const planeMm = 750
const judgedMm = 400

export type Scene = {
  readonly makeover: Makeover
  readonly room: Room
  readonly bodies: readonly Body[]
  readonly works: readonly Hung[]
  readonly ways: RoomPlaced['ways']
  readonly practice: Practice
}
/** Null while the room is not closed. `lamps`: as one is moved; else as they stand. */
export function lightingOf(scene: Scene, stepMm = judgedMm, lamps?: readonly Lamp[]): Lighting | null {
  const { makeover, room, bodies, works, ways, practice } = scene
  const { rules, schools, chosen } = practice
  // a first school that nobody chose speaks for nobody here: most rooms have light of several kinds
  const school = chosen.includes('ceiling-light') ? schools['ceiling-light'] : null
  const setting = floorOf(room)?.setting
  if (!setting) return null
  const found = lampsIn(makeover, bodies, works)
  const all = lamps ?? found.lamps
  const counted = school === 'ignored' ? all.filter(({ z }) => z < rules['light.low-down']) : all
  const lit = litRoom(setting, bodies, counted, reflecting(makeover, room, rules), rules)
  const map = lightMap(lit, planeMm, stepMm)
  const spots = spotsIn(lit, bodies, works, rules)
  const zones = zonesLit(lit, planeMm, rules)
  return {
    lit,
    map,
    spots,
    zones,
    added: counted.length === 0 ? [] : dark(spots, rules).flatMap((spot) => addFor(lit, spot) ?? []),
    lumens: counted.reduce((sum, lamp) => sum + lamp.lumens, 0),
    enough: lumensFor(rules['light.live'], floorM2(setting), rules),
    checks: lightChecks({ lit, map, spots, zones, bodies, works, ways, school, unknown: found.unknown }, rules),
  }
}
const dark = (spots: readonly Spot[], rules: Rules): readonly Spot[] =>
  spots.filter(({ lux, wanted }) => lux < wanted * (1 - rules['light.grace'] / 100))

export function lightOfRooms(
  makeover: Makeover,
  rooms: readonly Room[],
  placed: readonly RoomPlaced[],
  practice: Practice,
): RoomLight[] {
  const things = hangablesOf(makeover)
  return rooms.flatMap((room): RoomLight[] => {
    const there = placed.find(({ roomId }) => roomId === room.id)
    const bodies = there?.bodies ?? []
    const works = hungIn(makeover, room, things)
    const lighting = lightingOf({ makeover, room, bodies, works, ways: there?.ways ?? [], practice })
    return lighting ? [{ roomId: room.id, checks: lighting.checks }] : []
  })
}
