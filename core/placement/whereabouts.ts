/**
 * What placement tells the other steps: the wall each thing stands before, the part of the room it is in, and how much of it and of
 * the surfaces is seen, by eyes at every door and in the middle of the room: whatever one of them sees is seen.
 */
import { kept } from '../makeover/kept.ts'
import { flatId, type Stands, type Whereabouts } from '../makeover/whereabouts.ts'
import { areaOf, type Point, type Room } from '../survey/index.ts'
import { gapBetween, insideOf, segmentsOf } from './apart.ts'
import type { Body } from './bodies.ts'
import { isInside } from './clearance.ts'
import { floorOf } from './ground.ts'
import type { RoomPlaced } from './reckoned.ts'
import type { Setting } from './setting.ts'
import { convexParts, frontOf } from './shapes.ts'
import { seenFrom } from './sight.ts'

/** `eyeMm`: the height of the eyes that look. The very same while nothing stands elsewhere, whatever else is said of it. */
export const whereabouts = (rooms: readonly Room[], placed: readonly RoomPlaced[], eyeMm: number): Whereabouts =>
  found(rooms, placed.map(({ bodies }) => stance(bodies)).join('||'), eyeMm, placed)
const found = kept(
  (rooms: readonly Room[], stances: string, eyeMm: number, _placed: readonly RoomPlaced[]) => [rooms, stances, eyeMm],
  (rooms, _stances, eyeMm, placed) => standing(rooms, placed, eyeMm),
)

function standing(rooms: readonly Room[], placed: readonly RoomPlaced[], eyeMm: number): Whereabouts {
  const pieces = new Map<string, Stands>()
  const surfaces = new Map<string, number>()
  for (const { roomId, bodies } of placed) {
    const room = rooms.find(({ id }) => id === roomId)
    const setting = room && floorOf(room)?.setting
    if (!setting || bodies.length === 0) continue
    const shares = sharesSeen(setting, bodies, eyeMm)
    for (const [id, share] of shares.surfaces)
      surfaces.set(id === 'floor' || id === 'ceiling' ? flatId(roomId, id) : id, share)
    for (const [pieceId, all] of byPiece(bodies)) {
      const [first] = all
      if (!first) continue
      const facing = all.map((body) => facingM2(body))
      const m2 = facing.reduce((sum, area) => sum + area, 0)
      const seen = all.reduce((sum, { id }, at) => sum + (shares.things.get(id) ?? 1) * (facing[at] ?? 0), 0)
      pieces.set(pieceId, {
        roomId,
        places: all.map(({ at }) => ({ x: at.xMm, y: at.yMm })),
        wallId: wallBehind(setting, first),
        zoneIds: setting.room.zones
          .filter(({ outline }) => outline && all.some(({ at }) => isInside(outline, at.xMm, at.yMm)))
          .map(({ row }) => row.id),
        m2,
        seen: m2 > 0 ? seen / m2 : 1,
        flat: first.thing?.flat ?? false,
      })
    }
  }
  return { pieces, surfaces }
}

function byPiece(bodies: readonly Body[]): ReadonlyMap<string, readonly Body[]> {
  const found = new Map<string, Body[]>()
  for (const body of bodies)
    if (body.thing) found.set(body.thing.piece.id, [...(found.get(body.thing.piece.id) ?? []), body])
  return found
}

const facingM2 = ({ thing, outline }: Body): number =>
  (thing?.flat ? areaOf(outline) : (thing?.widthMm ?? 0) * (thing?.heightMm ?? 0)) / 1e6

type Shares = { readonly things: ReadonlyMap<string, number>; readonly surfaces: ReadonlyMap<string, number> }
/** Where things stand and how large they are, in a word: nothing else makes a difference to what is seen. */
const stance = (bodies: readonly Body[]): string =>
  bodies
    .map(({ id, thing, at, radiusMm, low, top }) =>
      [id, thing?.kind, thing?.widthMm, thing?.footprint?.version, at.xMm, at.yMm, at.turnDeg, radiusMm, low, top].join(
        ' ',
      ),
    )
    .join('|')
/** Shares are wanted to a hundredth; what lies flat hides no floor here, since it is taken off it by its own area. */
const atAGlance = { slices: 120, flatHides: false }
/** Kept while the room and where its things stand are the same. */
const sharesSeen = kept(
  (setting: Setting, all: readonly Body[], eyeMm: number) => [setting, stance(all), eyeMm],
  (setting, all, eyeMm): Shares => {
    const things = new Map<string, number>()
    const surfaces = new Map<string, number>()
    const most = (known: Map<string, number>, id: string, share: number): void =>
      void known.set(id, Math.max(known.get(id) ?? 0, share))
    for (const eye of [...setting.doors.map(({ middle }) => middle), ...middleOf(setting)]) {
      const sight = seenFrom(setting, all, eye, eyeMm, atAGlance)
      for (const { id, share } of sight.things) most(things, id, share)
      for (const { id, seenM2, m2 } of sight.surfaces) if (m2 > 0) most(surfaces, id, seenM2 / m2)
    }
    return { things, surfaces }
  },
)

/** The middle of the largest part of a room that bends nowhere inwards. */
function middleOf({ outline }: Setting): Point[] {
  const [largest] = convexParts(outline).toSorted((left, right) => areaOf(right) - areaOf(left))
  if (!largest) return []
  const middle = largest.reduce((sum, { x, y }) => ({ x: sum.x + x / largest.length, y: sum.y + y / largest.length }), {
    x: 0,
    y: 0,
  })
  return insideOf(middle, largest) ? [middle] : []
}

/** A thing stands before a wall that it has its back to from so near, in mm; common practice. */
const nearWallMm = 600
/** Of two walls, the one at its back counts as so much nearer than one at its side. */
const besideMm = 300
const hasNoBack: ReadonlySet<string> = new Set(['light', 'plant', 'table', 'other'])

export function wallBehind({ walls }: Setting, body: Body): string | null {
  const front = frontOf(body.at)
  const hasBack = body.thing !== null && !hasNoBack.has(body.thing.kind)
  const sides = segmentsOf(body.outline)
  const [nearest] = walls
    .flatMap(({ segment, wall }) => {
      const { mm, to } = gapBetween(sides, [segment])
      if (mm > nearWallMm) return []
      const off = Math.max(1, Math.hypot(to.x - body.at.xMm, to.y - body.at.yMm))
      const behind = -((to.x - body.at.xMm) * front.x + (to.y - body.at.yMm) * front.y) / off
      return [{ id: wall.row.id, far: mm + (hasBack ? besideMm * (1 - behind) : 0) }]
    })
    .toSorted((left, right) => left.far - right.far)
  return nearest?.id ?? null
}
