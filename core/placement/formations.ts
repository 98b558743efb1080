/**
 * How things stand to one another: chairs round a table, seats about a sofa, a pair beside a bed. Places are told about the middle of
 * the thing they belong to, its back upwards and its front downwards. Common practice of the trade; lengths in mm.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import type { Thing } from './bodies.ts'
import { stood, type Standing } from './shapes.ts'

type Box = Pick<Thing, 'widthMm' | 'depthMm'> & Partial<Pick<Thing, 'footprint'>>

/** A place told about a thing, as a place in the room. */
export function placeAbout(anchor: Standing, { xMm, yMm, turnDeg }: Standing): Standing {
  const [at = { x: 0, y: 0 }] = stood([{ x: xMm, y: yMm }], anchor)
  return { xMm: at.x, yMm: at.y, turnDeg: (anchor.turnDeg + turnDeg + 360) % 360 }
}

/** How far a seat is pushed under the table it belongs to. */
const tuckMm = 200

/**
 * So many seats about a table: round a round one evenly; else as many along each long side as have room, then at its ends. Each looks at
 * the table.
 */
export function seatsAround(table: Thing, seat: Box, many: number, rules: Rules): Standing[] {
  const tuck = Math.min(tuckMm, seat.depthMm / 2)
  const isRound = table.footprint?.shape === 'round' || table.footprint?.shape === 'oval'
  if (isRound)
    return Array.from({ length: many }, (_, at) => {
      const angle = (2 * Math.PI * at) / many + Math.PI / 2
      const [x, y] = [Math.cos(angle), Math.sin(angle)]
      // on an oval the edge lies further off along its length
      const edge = (table.widthMm * table.depthMm) / 2 / Math.hypot(table.depthMm * x, table.widthMm * y)
      const far = edge + seat.depthMm / 2 - tuck
      return { xMm: far * x, yMm: far * y, turnDeg: ((angle * 180) / Math.PI + 270) % 360 }
    })
  const room = (long: number): number =>
    Math.max(0, Math.floor((long + 1) / Math.max(seat.widthMm, rules['place.diner'])))
  const isWide = table.widthMm >= table.depthMm
  const [along, ends] = isWide ? [room(table.widthMm), room(table.depthMm)] : [room(table.depthMm), room(table.widthMm)]
  const longs = Math.min(many, 2 * Math.max(1, along))
  const counts = isWide
    ? { front: Math.ceil(longs / 2), back: Math.floor(longs / 2), left: 0, right: 0 }
    : { front: 0, back: 0, left: Math.ceil(longs / 2), right: Math.floor(longs / 2) }
  const left = Math.min(many - longs, 2 * ends)
  const [first, second] = [Math.ceil(left / 2), Math.floor(left / 2)]
  if (isWide) [counts.left, counts.right] = [first, second]
  else [counts.front, counts.back] = [first, second]
  const [x, y] = [table.widthMm / 2 + seat.depthMm / 2 - tuck, table.depthMm / 2 + seat.depthMm / 2 - tuck]
  const spread = (count: number, long: number): number[] =>
    Array.from({ length: count }, (_, at) => ((at + 0.5) / count - 0.5) * long)
  return [
    ...spread(counts.front, table.widthMm).map((aside) => ({ xMm: aside, yMm: -y, turnDeg: 180 })),
    ...spread(counts.back, table.widthMm).map((aside) => ({ xMm: aside, yMm: y, turnDeg: 0 })),
    ...spread(counts.left, table.depthMm).map((up) => ({ xMm: -x, yMm: up, turnDeg: 90 })),
    ...spread(counts.right, table.depthMm).map((up) => ({ xMm: x, yMm: up, turnDeg: 270 })),
  ]
}

/** Two of a thing beside another one, their backs in line: on its left and on its right. */
export const pairBeside = (anchor: Box, thing: Box, gapMm = 20): [Standing, Standing] => {
  const x = anchor.widthMm / 2 + thing.widthMm / 2 + gapMm
  const y = anchor.depthMm / 2 - thing.depthMm / 2
  return [
    { xMm: -x, yMm: y, turnDeg: 0 },
    { xMm: x, yMm: y, turnDeg: 0 },
  ]
}

/** Before the front of a thing, its long side along it. */
export function before(anchor: Box, thing: Box, gapMm: number): Standing {
  const turned = thing.depthMm > thing.widthMm
  const deep = turned ? thing.widthMm : thing.depthMm
  return { xMm: 0, yMm: -(anchor.depthMm / 2 + gapMm + deep / 2), turnDeg: turned ? 90 : 0 }
}

/** Looking back at a thing from so far before its front edge. */
export const facing = (anchor: Box, thing: Box, gapMm: number, asideMm = 0): Standing => ({
  xMm: asideMm,
  yMm: -(anchor.depthMm / 2 + gapMm + thing.depthMm / 2),
  turnDeg: 180,
})

/** At an end of what lies before a thing, looking across it; `side` -1 for its left. */
export const across = (thing: Box, halfMm: number, aheadMm: number, gapMm: number, side: -1 | 1): Standing => ({
  xMm: side * (halfMm + gapMm + thing.depthMm / 2),
  yMm: -aheadMm,
  turnDeg: side === -1 ? 90 : 270,
})
