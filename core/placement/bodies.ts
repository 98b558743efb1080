/** What stands in a room: each placed thing with its outline and its height, and what is built in. Lengths in mm. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { ThingKind } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import { thingOf } from '../makeover/thing-names.ts'
import { hangs } from './hung/works.ts'
import { groundOfPiece, isMaterial, thingsIn } from '../makeover/things.ts'
import { wearOf } from '../pieces/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { pointOn, type Room } from '../survey/index.ts'
import { convexParts, outlineOf, rectangleAbout, stood, type Outline, type Standing } from './shapes.ts'

/** A solid: an outline from one height to another. */
export type Solid = {
  readonly outline: Outline
  readonly parts: readonly Outline[]
  readonly low: number
  readonly top: number
}
export type OpenBody = Solid & { readonly name: string }
/** A thing as it is, wherever it stands. */
export type Thing = {
  readonly piece: Row<'piece'>
  readonly footprint: Row<'footprint'> | null
  readonly kind: ThingKind
  readonly widthMm: number
  readonly depthMm: number
  readonly heightMm: number
  /** The height of its seat or its top. */
  readonly topMm: number
  readonly isTopMeasured: boolean
  /** What the sun does to what it is made of; null where it lasts, or nobody knows. */
  readonly fades: string | null
  /** Nobody measured it: it takes the size its piece may take. */
  readonly assumed: boolean
  /** A rug and what lies as flat: nothing stumbles over it. */
  readonly flat: boolean
  readonly opens: readonly Row<'openState'>[]
}
export type Body = Solid & {
  /** The id of its placing; of what is built in, of that. */
  readonly id: string
  readonly name: string
  readonly thing: Thing | null
  readonly at: Standing
  /** Nothing of it is further off its middle: what is far away is passed over at once. */
  readonly radiusMm: number
  readonly open: readonly OpenBody[]
}

/** Things that stand or lie on a floor, or hang down over it; what hangs on a wall or lies on a thing is placed elsewhere. */
const onFloor: ReadonlySet<ThingKind> = new Set([
  'seat',
  'bed',
  'table',
  'storage',
  'shelf',
  'light',
  'rug',
  'plant',
  'appliance',
  'fixture',
  'other',
])
export const isOnFloor = (piece: Row<'piece'>): boolean =>
  !isMaterial(piece) &&
  !hangs(piece) &&
  onFloor.has(thingOf(piece)) &&
  (groundOfPiece(piece) !== 'a thing' || isSanitary(piece))
/** Fittings that stand in the room; taps, handles and rails are fitted to them. */
const isSanitary = ({ name }: Row<'piece'>): boolean =>
  /\b(bath|bath ?tub|tub|shower|shower tray|toilet|wc|bidet|basin|wash ?basin|sink|vanity|counter|worktop|island)s?\b/i.test(
    name,
  ) &&
  !/\b(taps?|faucet|mixer|mat|rug|rail|hooks?|handles?|head|hose|screen|curtain|shelf|mirror|tray table)\b/i.test(name)

/** The candidate that says how large a piece is: the chosen one, else the first that is measured. */
function measuredBy(makeover: Makeover, piece: Row<'piece'>, candidates: readonly Row<'candidate'>[]) {
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  if (chosen?.widthMm != null && chosen.depthMm !== null) return chosen
  return candidates.find((row) => row.turnedDown === null && row.widthMm !== null && row.depthMm !== null) ?? null
}

/** Every piece of a makeover that stands on a floor, by its id; what has no size of any kind is left out. */
export function thingsOf(makeover: Makeover, rules: Rules): ReadonlyMap<string, Thing> {
  const candidates = groupBy(rowsOf(makeover, 'candidate'), ({ pieceId }) => pieceId)
  const footprints = new Map(rowsOf(makeover, 'footprint').map((row) => [row.pieceId, row]))
  const opens = groupBy(rowsOf(makeover, 'openState'), ({ pieceId }) => pieceId)
  return new Map(
    rowsOf(makeover, 'piece').flatMap((piece): [string, Thing][] => {
      if (!isOnFloor(piece)) return []
      const measured = measuredBy(makeover, piece, candidates.get(piece.id) ?? [])
      const widthMm = measured?.widthMm ?? piece.widthMm
      const depthMm = measured?.depthMm ?? piece.depthMm ?? widthMm
      if (widthMm === null || depthMm === null) return []
      const kind = thingOf(piece)
      const flat = kind === 'rug'
      const heightMm = flat
        ? Math.min(30, measured?.heightMm ?? 10)
        : (measured?.heightMm ?? piece.heightMm ?? usualHeight[kind] ?? 750)
      return [
        [
          piece.id,
          {
            piece,
            footprint: footprints.get(piece.id) ?? null,
            kind,
            widthMm,
            depthMm,
            heightMm,
            topMm: measured?.topMm ?? (kind === 'seat' ? Math.min(heightMm, rules['place.seat']) : heightMm),
            isTopMeasured: measured?.topMm != null,
            fades:
              measured && measured.id === piece.chosenId ? (wearOf(piece, measured, 'sun')?.because ?? null) : null,
            assumed: measured === null,
            flat,
            opens: opens.get(piece.id) ?? [],
          },
        ],
      ]
    }),
  )
}
const usualHeight: Readonly<Partial<Record<ThingKind, number>>> = {
  seat: 800,
  bed: 550,
  table: 740,
  storage: 900,
  light: 1500,
}
/** Two things are at least so far apart; below 0 they may meet. */
export const leastApart = (left: Pick<Body, 'at' | 'radiusMm'>, right: Pick<Body, 'at' | 'radiusMm'>): number =>
  Math.hypot(left.at.xMm - right.at.xMm, left.at.yMm - right.at.yMm) - left.radiusMm - right.radiusMm
export const countOf = ({ piece }: Thing): number => thingsIn(piece)

/** A thing where it stands. */
export function bodyOf(thing: Thing, id: string, at: Standing, number = 1): Body {
  const { piece, footprint, widthMm, depthMm, heightMm } = thing
  const own = outlineOf(widthMm, depthMm, footprint)
  const outline = stood(own, at)
  const low = piece.aboveMm === 0 && groundOfPiece(piece) === 'ceiling' ? hangsAt : piece.aboveMm
  return {
    id,
    name: countOf(thing) > 1 ? `${piece.name} ${number}` : piece.name,
    thing,
    at: { xMm: at.xMm, yMm: at.yMm, turnDeg: at.turnDeg },
    radiusMm: Math.max(...own.map(({ x, y }) => Math.hypot(x, y))),
    outline,
    parts: convexParts(own).map((part) => stood(part, at)),
    low,
    top: low + heightMm,
    open: thing.opens.map((state): OpenBody => {
      const opened = stood(rectangleAbout(widthMm, depthMm, state), at)
      return { name: state.name, outline: opened, parts: [opened], low, top: low + (state.heightMm ?? heightMm) }
    }),
  }
}
/** A lamp that hangs over a room is above people's heads where nobody said how high. */
const hangsAt = 2000

/** What is built in and stands off its wall: nothing else can stand there. */
export function builtIn(room: Room): Body[] {
  return room.walls.flatMap((wall) =>
    wall.fixtures.flatMap(({ row, name, u0, u1, z0, z1 }): Body[] => {
      const deep = row.depthMm ?? (row.what === 'radiator' ? 100 : 0)
      if (!(u1 > u0) || !(deep > 20) || row.what === 'vent') return []
      const outline = [
        pointOn(wall, u0, row.outMm),
        pointOn(wall, u1, row.outMm),
        pointOn(wall, u1, row.outMm + deep),
        pointOn(wall, u0, row.outMm + deep),
      ]
      const middle = pointOn(wall, (u0 + u1) / 2, row.outMm + deep / 2)
      return [
        {
          id: row.id,
          name,
          thing: null,
          at: { xMm: middle.x, yMm: middle.y, turnDeg: 0 },
          radiusMm: Math.max(...outline.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y))),
          outline,
          parts: [outline],
          low: z0,
          top: z1 > z0 ? z1 : Infinity,
          open: [],
        },
      ]
    }),
  )
}

/** The layout of a room that is in force; the first where none is said to be. */
export function layoutOf(makeover: Makeover, roomId: string): Row<'layout'> | null {
  const layouts = layoutsOf(makeover, roomId)
  return layouts.find(({ inForce }) => inForce) ?? layouts[0] ?? null
}
export const layoutsOf = (makeover: Makeover, roomId: string): Row<'layout'>[] =>
  rowsOf(makeover, 'layout')
    .filter((row) => row.roomId === roomId)
    .toSorted((left, right) => left.place - right.place || (left.id < right.id ? -1 : 1))

/** What stands in a layout. */
export function bodiesIn(makeover: Makeover, layoutId: string, things: ReadonlyMap<string, Thing>): Body[] {
  return rowsOf(makeover, 'standing').flatMap((row) => {
    const thing = row.layoutId === layoutId ? things.get(row.pieceId) : undefined
    return thing ? [bodyOf(thing, row.id, row, row.number)] : []
  })
}

export type Waiting = { readonly thing: Thing; readonly number: number }
/** What is not placed yet, in the order of carrying in: what is large before what is small, rugs after what stands, lamps last. */
export function atTheDoor(
  makeover: Makeover,
  roomId: string,
  layoutId: string | null,
  things: ReadonlyMap<string, Thing>,
): Waiting[] {
  const placed = new Set(
    rowsOf(makeover, 'standing')
      .filter((row) => row.layoutId === layoutId)
      .map(({ pieceId, number }) => `${pieceId} ${number}`),
  )
  const rank = ({ kind, flat }: Thing): number => (flat ? 1 : kind === 'light' || kind === 'plant' ? 2 : 0)
  return [...things.values()]
    .filter(({ piece }) => piece.roomId === roomId)
    .toSorted(
      (left, right) =>
        rank(left) - rank(right) ||
        right.widthMm * right.depthMm * right.heightMm - left.widthMm * left.depthMm * left.heightMm,
    )
    .flatMap((thing) =>
      Array.from({ length: countOf(thing) }, (_, at) => ({ thing, number: at + 1 })).filter(
        ({ number }) => !placed.has(`${thing.piece.id} ${number}`),
      ),
    )
}
