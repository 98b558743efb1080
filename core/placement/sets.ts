/** Several of one piece placed as a set: chairs round a table, a pair beside what it belongs to; else one after the other. */
import { pointOn } from '../survey/index.ts'
import { bodyOf, type Body, type Thing, type Waiting } from './bodies.ts'
import { checksOf } from './checks.ts'
import { isInside } from './clearance.ts'
import { pairBeside, placeAbout, seatsAround } from './formations.ts'
import type { Ground } from './least-move.ts'
import { firstPlace } from './places.ts'
import type { Setting } from './setting.ts'
import type { Standing } from './shapes.ts'
import { isSofa, lowTop } from './sides.ts'

export type SetPlace = { readonly item: Waiting; readonly at: Standing }

export function placeSet(ground: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] {
  const [first] = items
  if (!first) return []
  const together = tableSet(ground, standing, items) ?? pairSet(ground, standing, items) ?? []
  const bodies = [
    ...standing,
    ...together.map(({ item, at }) => bodyOf(item.thing, `set ${item.number}`, at, item.number)),
  ]
  const rest = items.slice(together.length).map((item): SetPlace => {
    const at = firstPlace(ground, bodies, item.thing)
    bodies.push(bodyOf(item.thing, `set ${item.number}`, at, item.number))
    return { item, at }
  })
  return [...together, ...rest]
}

/** Round the table at which fewest sit; as many as have room there. */
function tableSet({ rules }: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] | null {
  const [first] = items
  if (first?.thing.kind !== 'seat' || first.thing.widthMm > 750) return null
  const seats = standing.filter((met) => met.thing?.kind === 'seat' && !isSofa(met))
  const [table] = standing
    .filter(({ thing, top }) => thing?.kind === 'table' && top > lowTop && Math.max(thing.widthMm, thing.depthMm) > 650)
    .map((met) => ({
      met,
      taken: seats.filter(({ at }) => Math.hypot(at.xMm - met.at.xMm, at.yMm - met.at.yMm) < met.radiusMm + 500).length,
    }))
    .toSorted((left, right) => left.taken - right.taken || right.met.radiusMm - left.met.radiusMm)
  if (!table?.met.thing) return null
  const { at, thing } = table.met
  return seatsAround(thing, first.thing, items.length, rules).flatMap((place, index) => {
    const item = items[index]
    return item ? [{ item, at: placeAbout(at, place) }] : []
  })
}

type Pair = readonly [Standing, Standing]
/** A pair of places, and how soon it is thought of: 0 first. */
type PairPlace = { readonly places: Pair; readonly rank: number }

/** On both sides of what stands there: a bed, a sofa, a chest; two seats also face each other across a rug or a low table. */
function pairsAbout(anchor: Body, thing: Thing): PairPlace[] {
  const about = (pair: Pair, rank: number): PairPlace => ({
    places: [placeAbout(anchor.at, pair[0]), placeAbout(anchor.at, pair[1])],
    rank,
  })
  if (!anchor.thing) return []
  const { kind, flat, widthMm, depthMm } = anchor.thing
  if (kind === 'bed' || isSofa(anchor) || kind === 'storage')
    return [about(pairBeside(anchor.thing, thing), kind === 'bed' ? 0 : kind === 'storage' ? 2 : 1)]
  if (thing.kind !== 'seat' || (!flat && (kind !== 'table' || anchor.top > lowTop))) return []
  const off = flat ? acrossMm / 2 + thing.depthMm / 2 : Math.max(widthMm, depthMm) / 2 + kneesMm + thing.depthMm / 2
  const isWide = widthMm >= depthMm
  return [
    about(
      isWide
        ? [
            { xMm: -off, yMm: 0, turnDeg: 90 },
            { xMm: off, yMm: 0, turnDeg: 270 },
          ]
        : [
            { xMm: 0, yMm: off, turnDeg: 0 },
            { xMm: 0, yMm: -off, turnDeg: 180 },
          ],
      1,
    ),
  ]
}
/** Between two who face each other over a rug, and between a seat and its low table; common practice. */
const acrossMm = 800
const kneesMm = 400

/** On both sides of a window or a fireplace, their backs to its wall. */
function pairsAtWalls({ windows, room }: Setting, thing: Thing): PairPlace[] {
  const middles = [
    ...windows.map(({ wall, u0, u1 }) => ({ wall, u0, u1, rank: 4 })),
    ...room.walls.flatMap((wall) =>
      wall.fixtures.filter(({ row }) => row.what === 'fireplace').map(({ u0, u1 }) => ({ wall, u0, u1, rank: 3 })),
    ),
  ]
  return middles.map(({ wall, u0, u1, rank }) => {
    const turnDeg = ((Math.atan2(wall.to.y - wall.from.y, wall.to.x - wall.from.x) * 180) / Math.PI + 360) % 360
    const at = (along: number): Standing => {
      const { x, y } = pointOn(wall, along, thing.depthMm / 2)
      return { xMm: x, yMm: y, turnDeg }
    }
    const half = thing.widthMm / 2 + besideMm
    return { places: [at(u0 - half), at(u1 + half)], rank }
  })
}
const besideMm = 60

/** About a centre: where least is wrong with both, in the part of the room they are for, and with what they belong to. */
function pairSet({ setting, rules }: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] | null {
  const [left, right] = items
  if (!left || !right || items.length !== 2 || left.thing.widthMm > 900) return null
  const zone = setting.room.zones.find(({ row }) => row.id === left.thing.piece.zoneId)?.outline ?? null
  const found = [...standing.flatMap((anchor) => pairsAbout(anchor, left.thing)), ...pairsAtWalls(setting, left.thing)]
    .map(({ places, rank }) => {
      const bodies = places.map((at, index) => bodyOf(left.thing, `set ${index}`, at))
      const all = [...standing, ...bodies]
      const wrong = bodies
        .flatMap((body) => checksOf(setting, all, body, rules))
        .filter(({ weight }) => weight === 'stop' || weight === 'look').length
      const isThere = zone === null || places.every(({ xMm, yMm }) => isInside(zone, xMm, yMm))
      return { places, wrong, rank, away: Number(!isThere) }
    })
    .toSorted((near, far) => near.wrong - far.wrong || near.away - far.away || near.rank - far.rank)
  const [best] = found
  const [first, second] = best?.places ?? []
  if (!best || best.wrong > 0 || !first || !second) return null
  return [
    { item: left, at: first },
    { item: right, at: second },
  ]
}
