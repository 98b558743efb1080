/** What belongs together of what is to be placed: each cluster has one thing that leads, and members about it. */
import type { Rules } from '../rulebook/rulebook.ts'
import { insideOf } from './apart.ts'
import type { Body, Thing, Waiting } from './bodies.ts'
import { across, before, facing, pairBeside, seatsAround } from './formations.ts'
import type { Standing } from './shapes.ts'
import { lowTop } from './sides.ts'

/** Members with their places about what leads, in one way they can stand. */
export type Formation = readonly { readonly item: Waiting; readonly at: Standing }[]
export type Cluster = { readonly leads: Waiting; readonly ways: readonly Formation[] }

const isSofaThing = ({ kind, widthMm, piece: { name } }: Thing): boolean =>
  kind === 'seat' && ((widthMm >= 1200 && !/\bbench|pew\b/i.test(name)) || /\bsofa|settee|couch\b/i.test(name))
const isDesk = ({ kind, piece: { name } }: Thing): boolean => kind === 'table' && /\bdesk\b/i.test(name)
const isHigh = ({ kind, topMm, heightMm }: Thing): boolean => kind === 'table' && Math.max(topMm, heightMm) > lowTop
const isSmall = ({ widthMm, depthMm }: Thing): boolean => Math.max(widthMm, depthMm) <= 650
const isEasy = (thing: Thing): boolean =>
  thing.kind === 'seat' && thing.widthMm >= 600 && !/\b(dining|desk|office|bench|stool)\b/i.test(thing.piece.name)
const isBedside = (thing: Thing): boolean =>
  (thing.kind === 'table' || thing.kind === 'storage') &&
  isSmall(thing) &&
  !/\bside table\b.*\bsofa\b/i.test(thing.piece.name)

/** Every thing in exactly one cluster, those that lead a room first. What hangs over a table goes to it. */
export function clustersOf(items: readonly Waiting[], rules: Rules): Cluster[] {
  const left = new Set(items)
  const take = (count: number, test: (thing: Thing) => boolean): Waiting[] => {
    const found = [...left].filter(({ thing }) => test(thing)).slice(0, count)
    for (const item of found) left.delete(item)
    return found
  }
  const clusters: Cluster[] = []
  const add = (leads: Waiting, ...ways: Formation[]): void =>
    void clusters.push({ leads, ways: ways.length > 0 ? ways : [[]] })

  for (const bed of take(Infinity, ({ kind }) => kind === 'bed')) {
    const stands = take(2, isBedside)
    const [first, second] = stands
    const [onLeft, onRight] = pairBeside(bed.thing, first?.thing ?? bed.thing)
    if (first && second)
      add(bed, [
        { item: first, at: onLeft },
        { item: second, at: onRight },
      ])
    else if (first) add(bed, [{ item: first, at: onLeft }], [{ item: first, at: onRight }])
    else add(bed)
  }
  for (const desk of take(Infinity, isDesk)) {
    const [chair] = take(1, ({ kind, piece }) => kind === 'seat' && /\b(desk|office)\b/i.test(piece.name))
    const [seat] = chair
      ? [chair]
      : take(1, (thing) => thing.kind === 'seat' && !isSofaThing(thing) && thing.widthMm < 700)
    add(desk, seat ? [{ item: seat, at: facing(desk.thing, seat.thing, -200) }] : [])
  }
  const tables = take(Infinity, isHigh).filter((table) => {
    if (isSmall(table.thing)) left.add(table)
    return !isSmall(table.thing)
  })
  const chairs = take(
    tables.length === 0 ? 0 : Infinity,
    (thing) => thing.kind === 'seat' && thing.widthMm < 1200 && !isSofaThing(thing) && !isEasy(thing),
  )
  for (const [index, table] of tables.entries()) {
    // shared out evenly, and no more at one than it has room for
    const share = Math.ceil(chairs.length / (tables.length - index))
    const about = chairs.splice(0, share)
    const [sample] = about
    const places = sample ? seatsAround(table.thing, sample.thing, about.length, rules) : []
    for (const over of about.slice(places.length)) left.add(over)
    const seated = places.flatMap((at, index) => {
      const item = about[index]
      return item ? [{ item, at }] : []
    })
    const [lamp] = take(1, ({ kind, piece }) => kind === 'light' && /\b(pendant|chandelier)\b/i.test(piece.name))
    const over = lamp ? [{ item: lamp, at: { xMm: 0, yMm: 0, turnDeg: 0 } }] : []
    add(table, [...seated, ...over])
  }
  for (const chair of chairs) left.add(chair)
  for (const sofa of take(Infinity, isSofaThing)) add(sofa, ...aboutSofa(sofa, take, rules))
  // where there is no sofa a long bench has the low table before it
  for (const bench of take(Infinity, ({ kind, widthMm }) => kind === 'seat' && widthMm >= 1200))
    add(bench, ...aboutSofa(bench, take, rules))
  const rest = [...left].toSorted((first, second) => areaOf(second.thing) - areaOf(first.thing))
  for (const item of rest.filter(({ thing }) => !thing.flat)) add(item)
  for (const item of rest.filter(({ thing }) => thing.flat)) add(item)
  return clusters
}
const areaOf = ({ widthMm, depthMm }: Thing): number => widthMm * depthMm

/** A low table before a sofa, the easy seats across from it or at its ends, a lamp beside it. */
function aboutSofa(
  sofa: Waiting,
  take: (count: number, test: (thing: Thing) => boolean) => Waiting[],
  rules: Rules,
): Formation[] {
  const gap = (rules['place.sofa-table-least'] + rules['place.sofa-table-most']) / 2
  const [table] = take(1, (thing) => thing.kind === 'table' && !isHigh(thing))
  const seats = take(3, isEasy)
  const [lamp] = take(
    1,
    ({ kind, heightMm, piece: { name } }) => kind === 'light' && heightMm > 900 && !/\b(pendant|ceiling)\b/i.test(name),
  )
  const low = table ? [{ item: table, at: before(sofa.thing, table.thing, gap) }] : []
  const deep = table ? Math.min(table.thing.widthMm, table.thing.depthMm) : 700
  const half = table ? Math.max(table.thing.widthMm, table.thing.depthMm) / 2 : sofa.thing.widthMm / 3
  const ahead = sofa.thing.depthMm / 2 + gap + deep / 2
  const opposite = seats.map((item, at) => ({
    item,
    at: facing(sofa.thing, item.thing, 2 * gap + deep, (at - (seats.length - 1) / 2) * (item.thing.widthMm + 200)),
  }))
  const ends = (first: -1 | 1): Formation =>
    seats.map((item, at) =>
      at < 2
        ? { item, at: across(item.thing, half, ahead, gap, at === 0 ? first : first === 1 ? -1 : 1) }
        : { item, at: facing(sofa.thing, item.thing, 2 * gap + deep) },
    )
  const [onLeft, onRight] = lamp ? pairBeside(sofa.thing, lamp.thing, 60) : [null, null]
  const lit = (place: Standing | null): Formation => (lamp && place ? [{ item: lamp, at: place }] : [])
  return seats.length === 0
    ? [
        [...low, ...lit(onLeft)],
        [...low, ...lit(onRight)],
      ]
    : [
        [...low, ...opposite, ...lit(onLeft)],
        [...low, ...ends(-1), ...lit(onRight)],
        [...low, ...ends(1), ...lit(onLeft)],
      ]
}

/** Where a rug goes: under the middle of a group of seats, or of a table with its chairs. */
export const groupMiddles = (
  groups: readonly { readonly at: Standing; readonly members: readonly Body[] }[],
  placed: readonly Body[],
): Standing[] => {
  const taken = placed.filter(({ thing }) => thing?.flat)
  return groups
    .map(({ at }) => at)
    .filter(({ xMm, yMm }) => !taken.some(({ outline }) => insideOf({ x: xMm, y: yMm }, outline)))
}
