/** Where a palette colour appears: in which part of the room, and how high. */
import { laidFinish } from '../makeover/laid.ts'
import { groupBy, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { thingsIn } from '../makeover/things.ts'
import { nowhere, type Whereabouts } from '../makeover/whereabouts.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { pointOn, type Room } from '../survey/index.ts'
import { appearances, tieTable, type Appearance } from './ties.ts'

/** In mm of the room's own plan, y upwards; null where nobody said. `all`: it is all over its surface, so no one place. */
export type Place = Appearance & {
  readonly at: { readonly x: number; readonly y: number } | null
  readonly z: number | null
  readonly all: boolean
}

export type Spread = {
  readonly finishId: string
  /** How many of them are places of their own: apart in plan or in height, or nobody knows where. */
  readonly apart: number
  /** What a practitioner would see at once; null where it is well spread or not enough is known. */
  readonly fault: 'one side' | 'one height' | null
}

/** The rooms as they are measured, and where things stand in them. */
export type Grounds = { readonly rooms: ReadonlyMap<string, Room>; readonly stands: Whereabouts }
export const unmeasured: Grounds = { rooms: new Map(), stands: nowhere }

/** Where the finishes named appear, each thing with its place in the room: for what is looked at. */
export function placesOf(
  makeover: Makeover,
  ids: readonly string[],
  { rooms, stands }: Grounds,
  rules: Rules,
): Map<string, Place[]> {
  const found = appearances(makeover, tieTable(makeover, rules), rules)
  return new Map(
    ids.map((id) => {
      const room = rooms.get(makeover.rows.finish[id]?.roomId ?? '')
      return [id, (found.get(id) ?? []).flatMap((appearance) => placesFor(makeover, appearance, room, stands))]
    }),
  )
}

/** How the appearances of each finish are spread over its room, with what gives cause to say something. */
export function spreadsOf(
  makeover: Makeover,
  finishes: readonly Row<'finish'>[],
  appears: ReadonlyMap<string, readonly Appearance[]>,
  { rooms, stands }: Grounds,
  rules: Rules,
): Spread[] {
  // a thing carries several colours and is in one place
  const known = new Map<string, Place[]>()
  return finishes.map((finish) => {
    const room = rooms.get(finish.roomId)
    const places = (appears.get(finish.id) ?? []).flatMap((appear) => {
      const all = known.get(appear.id) ?? placesFor(makeover, appear, room, stands)
      known.set(appear.id, all)
      return all
    })
    const kept: Place[] = []
    for (const place of places) if (!kept.some((otherPlace) => near(place, otherPlace, rules))) kept.push(place)
    // a set spread round a table is several places, however near each other they are
    const sets = [...groupBy(kept, ({ id }) => id)].reduce((more, [id, own]) => {
      const piece = own[0]?.kind === 'piece' ? makeover.rows.piece[id] : undefined
      const things = piece ? thingsIn(piece) : 1
      return more + (things >= 3 ? Math.max(0, things - own.length) : 0)
    }, 0)
    return { finishId: finish.id, apart: kept.length + sets, fault: faultOf(places, room, rules) }
  })
}

function near(place: Place, right: Place, rules: Rules): boolean {
  if (place.all !== right.all) return false
  if (place.at === null || right.at === null) return false
  const flat = Math.hypot(place.at.x - right.at.x, place.at.y - right.at.y) < rules['tie.apart-plan']
  return flat && (place.z === null || right.z === null || Math.abs(place.z - right.z) < rules['tie.apart-height'])
}

function faultOf(places: readonly Place[], room: Room | undefined, rules: Rules): Spread['fault'] {
  if (places.length < 3 || places.some((place) => place.all)) return null
  const [points, heights] = [
    places.flatMap(({ at }) => (at ? [at] : [])),
    places.flatMap(({ z }) => (z === null ? [] : [z])),
  ]
  if (room && room.outline.length > 0 && points.length === places.length) {
    const [walls, things] = [extent(room.outline), extent(points)]
    for (const [axis, across] of [
      ['x', 'y'],
      ['y', 'x'],
    ] as const) {
      const middle = (walls[axis].low + walls[axis].high) / 2
      const oneHalf = things[axis].high < middle || things[axis].low > middle
      const long = walls[axis].high - walls[axis].low >= walls[across].high - walls[across].low
      if (oneHalf && (long || things[across].high - things[across].low < rules['tie.apart-plan'])) return 'one side'
    }
  }
  return heights.length === places.length && Math.max(...heights) - Math.min(...heights) < rules['tie.apart-height']
    ? 'one height'
    : null
}

type Extent = { readonly low: number; readonly high: number }
const extent = (
  points: readonly { readonly x: number; readonly y: number }[],
): { readonly x: Extent; readonly y: Extent } => {
  const extentOf = (values: readonly number[]): Extent => ({ low: Math.min(...values), high: Math.max(...values) })
  return { x: extentOf(points.map(({ x }) => x)), y: extentOf(points.map(({ y }) => y)) }
}

/** Each of a piece where it stands; else the one place of the thing. */
function placesFor(
  makeover: Makeover,
  appearance: Appearance,
  room: Room | undefined,
  { pieces }: Whereabouts,
): Place[] {
  const place = placeOf(makeover, appearance, room)
  const stands = appearance.kind === 'piece' ? pieces.get(appearance.id) : undefined
  return stands ? stands.places.map((at) => ({ ...place, at })) : [place]
}

function placeOf(makeover: Makeover, appearance: Appearance, room: Room | undefined): Place {
  const nowhere = { ...appearance, at: null, z: null, all: false }
  if (appearance.kind === 'piece') {
    const piece = makeover.rows.piece[appearance.id]
    return piece ? { ...nowhere, at: pieceAt(piece, room), z: heightOf(makeover, piece) } : nowhere
  }
  if (appearance.kind === 'opening') {
    for (const wall of room?.walls ?? []) {
      const opening = wall.openings.find(({ row }) => row.id === appearance.id)
      if (opening)
        return {
          ...nowhere,
          at: pointOn(wall, (opening.u0 + opening.u1) / 2),
          z: (opening.z0 + opening.z1) / 2,
        }
    }
    return nowhere
  }
  const finish = laidFinish(makeover, appearance.id)
  if (!finish) return nowhere
  const ceiling = room?.survey?.heightMm ?? null
  const zone = zoneMiddle(finish.zoneId, room)
  switch (finish.surface) {
    case 'floor':
      return {
        ...nowhere,
        at: zone,
        z: 0,
        all: zone === null && finish.family !== 'plush' && finish.family !== 'textile',
      }
    case 'ceiling':
      return { ...nowhere, z: ceiling, all: true }
    case 'walls': {
      const wall = room?.walls.find((wall) => wall.row.id === finish.wallId)
      const [low, high] = [finish.bandFromMm ?? 0, finish.bandToMm ?? ceiling]
      const z = high === null ? null : (low + high) / 2
      return wall ? { ...nowhere, at: pointOn(wall, wall.lengthMm / 2), z } : { ...nowhere, z, all: true }
    }
    case 'trim':
      return { ...nowhere, all: true }
    case 'door':
    case 'window': {
      const openings = (room?.walls ?? []).flatMap((wall) =>
        wall.openings
          .filter(
            (opening) =>
              opening.row.what === finish.surface && (finish.wallId === null || wall.row.id === finish.wallId),
          )
          .map((opening) => ({ at: pointOn(wall, (opening.u0 + opening.u1) / 2), z: (opening.z0 + opening.z1) / 2 })),
      )
      const [first] = openings
      return first ? { ...nowhere, ...first, at: middleOf(openings.map((opening) => opening.at)) } : nowhere
    }
    default: {
      const wall = room?.walls.find((wall) => wall.row.id === finish.wallId)
      const z =
        finish.bandFromMm !== null && finish.bandToMm !== null ? (finish.bandFromMm + finish.bandToMm) / 2 : null
      return { ...nowhere, at: wall ? pointOn(wall, wall.lengthMm / 2, offWall) : zone, z }
    }
  }
}

/** How far off its wall the middle of a thing is taken to be, in mm. */
const offWall = 300

function pieceAt(piece: Row<'piece'>, room: Room | undefined): { x: number; y: number } | null {
  const wall = room?.walls.find((wall) => wall.row.id === piece.wallId)
  return wall
    ? pointOn(wall, wall.lengthMm / 2, Math.max(offWall, (piece.depthMm ?? 0) / 2))
    : zoneMiddle(piece.zoneId, room)
}

function zoneMiddle(zoneId: string | null, room: Room | undefined): { x: number; y: number } | null {
  const outline = zoneId === null ? null : (room?.zones.find((zone) => zone.row.id === zoneId)?.outline ?? null)
  return outline ? middleOf(outline) : null
}

const middleOf = (points: readonly { readonly x: number; readonly y: number }[]): { x: number; y: number } =>
  points.reduce((sum, { x, y }) => ({ x: sum.x + x / points.length, y: sum.y + y / points.length }), { x: 0, y: 0 })

/** The middle of a piece above the floor; null where its height is not known. */
function heightOf(makeover: Makeover, piece: Row<'piece'>): number | null {
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  const tall = chosen?.heightMm ?? piece.heightMm
  return tall === null ? (piece.aboveMm > 0 ? piece.aboveMm : null) : piece.aboveMm + tall / 2
}
