/**
 * What is held against a thing where it stands: what it overlaps, what it keeps shut, and the room about it, each with the distance as on
 * a tape, what is wanted, and the rule that wants it. Lengths in mm.
 */
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import type { Weight } from '../remarks/remark.ts'
import { heightOn, type Point } from '../survey/index.ts'
import { insideOf, nearestOn, overlapOf } from './apart.ts'
import { leastApart, type Body, type Solid } from './bodies.ts'
import { proportionChecks } from './proportions.ts'
import { reachChecks, sunChecks } from './reach.ts'
import { sidesChecks } from './sides.ts'
import type { Setting } from './setting.ts'

export type CheckCode =
  | 'overlap'
  | 'outside'
  | 'too-tall'
  | 'door'
  | 'window'
  | 'radiator'
  | 'front'
  | 'open'
  | 'sofa-table'
  | 'dining'
  | 'bed-side'
  | 'desk'
  | 'talk'
  | 'lead'
  | 'pillow'
  | 'changing'
  | 'sun'
  | 'proportion'
  | 'alike'
  | 'fire'
  | 'way'
  | 'blocked'
/** A finding; `is` says whether it is as it should be. What is well is told too, so that a person sees the distance. */
export type Check = {
  readonly code: CheckCode
  readonly weight: Weight | 'well'
  /** The placings, or the built-in things, that it speaks of; the first is the one that is held. */
  readonly ids: readonly string[]
  /** What is, and what is wanted; null where neither is a distance. */
  readonly mm: number | null
  readonly wantedMm: number | null
  readonly rule: RuleId | null
  /** The tape. */
  readonly from: Point | null
  readonly to: Point | null
  /** What of it, for the words: the name of a state, of a side, of what is met. */
  readonly about: string
}
export const check = (code: CheckCode, ids: readonly string[], more: Partial<Check> = {}): Check => ({
  code,
  weight: 'look',
  ids,
  mm: null,
  wantedMm: null,
  rule: null,
  from: null,
  to: null,
  about: '',
  ...more,
})

/** All checks of one thing among the others. */
export function checksOf(setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  if (!body.thing) return []
  return [
    ...clashesOf(setting, bodies, body, rules),
    ...checksAlone(setting, body, rules),
    ...checksAmong(setting, bodies, body, rules),
  ]
}
/** What is held against it in the bare room, whatever else stands there. */
export const checksAlone = (setting: Setting, body: Body, rules: Rules): Check[] => [
  ...tooTall(setting, body),
  ...shut(setting, body, rules),
  ...sunChecks(setting, body, rules),
]
/** What is held against it for what stands about it, beside what stands in its very place. */
export const checksAmong = (setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] => [
  ...opened(setting, bodies, body, rules),
  ...sidesChecks(setting, bodies, body, rules),
  ...reachChecks(setting, bodies, body, rules),
  ...proportionChecks(bodies, body, rules),
]

/** What stands in its place already, and whether it is in the room: the quickest of the checks, which rule most places out. */
export const clashesOf = (setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] => [
  ...overlaps(setting, bodies, body, rules),
  ...outside(setting, body, body, ''),
]

/** All checks of everything that stands there, each once. */
export function allChecks(setting: Setting, bodies: readonly Body[], rules: Rules): Check[] {
  const seen = new Set<string>()
  return bodies
    .flatMap((body) => checksOf(setting, bodies, body, rules))
    .filter(({ code, ids, about }) => {
      const key = `${code} ${[...ids].toSorted().join(' ')} ${about}`
      if (seen.has(key)) return false
      seen.add(key)
      return true
    })
}

const meetInHeight = (left: Solid, right: Solid): boolean =>
  Math.min(left.top, right.top) - Math.max(left.low, right.low) > 5

/** May one thing stand in the place of the other: on it, or under it? */
export function goesWith(left: Body, right: Body, rules: Rules): boolean {
  const mayBe = (thing: Body, over: Body): boolean => {
    const [small, large] = [thing.thing, over.thing]
    if (!small || !large) return false
    if (small.flat || large.flat) return true
    // a lamp or a plant on a table
    const stands = small.kind === 'light' || small.kind === 'plant' || small.kind === 'other'
    if (stands && ['table', 'storage', 'shelf'].includes(large.kind) && Math.max(small.widthMm, small.depthMm) <= 600) {
      const middle = { x: thing.at.xMm, y: thing.at.yMm }
      if (over.parts.some((part) => insideOf(middle, part))) return true
    }
    // a chair under a table
    if (small.kind === 'seat' && large.kind === 'table' && small.topMm <= large.topMm - rules['place.under-table'])
      return true
    const clear = large.footprint?.clearUnderMm
    return clear != null && small.heightMm <= clear
  }
  return mayBe(left, right) || mayBe(right, left)
}

function overlaps({ built }: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  if (body.thing?.flat) return []
  return [...bodies, ...built].flatMap((met): Check[] => {
    if (met.id === body.id || leastApart(body, met) > 0 || met.thing?.flat) return []
    if (!meetInHeight(body, met) || goesWith(body, met, rules)) return []
    const found = overlapOf(body.parts, met.parts)
    return found ? [check('overlap', [body.id, met.id], { weight: 'stop', mm: found.mm, about: met.name })] : []
  })
}

/** What reaches through a wall. */
function outside({ outline, walls, room }: Setting, body: Body, solid: Solid, state: string): Check[] {
  let worst: { mm: number; from: Point; to: Point; name: string } | null = null
  for (const corner of solid.outline) {
    if (insideOf(corner, outline)) continue
    let near: { mm: number; to: Point; name: string } | null = null
    for (const { segment, wall } of walls) {
      const to = nearestOn(corner, segment)
      const mm = Math.hypot(to.x - corner.x, to.y - corner.y)
      if (!near || mm < near.mm) near = { mm, to, name: wall.name }
    }
    if (near && near.mm > 1 && (!worst || near.mm > worst.mm)) worst = { ...near, from: corner }
  }
  // a corner of the room that juts into the thing
  for (const wall of room.walls) {
    if (!solid.parts.some((part) => insideOf(wall.from, part))) continue
    const mm = Math.min(
      ...solid.outline.map((start, at) => {
        const to = nearestOn(wall.from, [start, solid.outline[(at + 1) % solid.outline.length] ?? start])
        return Math.hypot(to.x - wall.from.x, to.y - wall.from.y)
      }),
    )
    if (mm > 1 && (!worst || mm > worst.mm)) worst = { mm, from: wall.from, to: wall.from, name: wall.name }
  }
  if (!worst) return []
  const { mm, from, to, name } = worst
  return [
    check(state === '' ? 'outside' : 'open', [body.id], {
      weight: state === '' ? 'stop' : 'look',
      mm,
      from,
      to,
      about: state === '' ? name : `${state}|${name}`,
    }),
  ]
}

/** Higher than the ceiling over it, where slopes come down too; where nobody said how high the room is, as outdoors, nothing is known. */
function tooTall({ room: { ceiling } }: Setting, body: Body): Check[] {
  // how far a lamp hangs down that nobody hung yet is not known either
  const hangs = body.thing !== null && body.low > 0 && body.thing.piece.aboveMm === 0
  if (!ceiling || hangs) return []
  const over = body.outline.flatMap((corner) =>
    ceiling.parts.filter(({ over: floor }) => insideOf(corner, floor)).map(({ plane }) => heightOn(plane, corner)),
  )
  const lowest = over.length > 0 ? Math.min(...over) : ceiling.highestMm
  return body.top > lowest + 1 && body.low < lowest
    ? [
        check('too-tall', [body.id], {
          weight: 'stop',
          mm: body.top - lowest,
          wantedMm: lowest,
          about: lowest < ceiling.highestMm - 1 ? 'slope' : '',
        }),
      ]
    : []
}

/** Doors that do not open, windows and warmth that are covered. */
function shut({ doors, windows, free }: Setting, body: Body, rules: Rules): Check[] {
  if (body.thing?.flat) return []
  const found: Check[] = []
  for (const door of doors) {
    if (!door.swing || body.low >= door.head || body.top <= 20) continue
    const met = overlapOf(body.parts, [door.swing])
    if (met) found.push(check('door', [body.id, door.id], { mm: met.mm, about: door.name }))
  }
  for (const window of windows) {
    if (body.top <= window.sill + 1 || body.low >= window.head || body.thing?.kind === 'light') continue
    const covered = coveredOf(body, window.segment, 600)
    const share =
      (100 * covered * Math.min(1, (body.top - window.sill) / Math.max(1, window.head - window.sill))) /
      Math.max(1, window.u1 - window.u0)
    if (share > rules['place.window-cover'])
      found.push(
        check('window', [body.id, window.id], {
          mm: body.top - window.sill,
          rule: 'place.window-cover',
          about: window.name,
        }),
      )
  }
  for (const { id, name, what, low, top, face } of free) {
    if (body.low >= top || body.top <= low + 100) continue
    const rule = what === 'radiator' ? 'place.radiator' : 'place.vent'
    const long = Math.hypot(face[1].x - face[0].x, face[1].y - face[0].y)
    if (coveredOf(body, face, rules[rule]) > long / 3)
      found.push(check('radiator', [body.id, id], { wantedMm: rules[rule], rule, about: name }))
  }
  return found
}

/** How much of the length of a segment has a thing before it, within so far off. */
function coveredOf(body: Body, [start, end]: readonly [Point, Point], within: number): number {
  const long = Math.hypot(end.x - start.x, end.y - start.y)
  if (long < 1) return 0
  const [ux, uy] = [(end.x - start.x) / long, (end.y - start.y) / long]
  const along = body.outline.map(({ x, y }) => (x - start.x) * ux + (y - start.y) * uy)
  const off = body.outline.map(({ x, y }) => (x - start.x) * uy - (y - start.y) * ux)
  const nearest = Math.min(...off)
  if (nearest > within || Math.max(...off) < 0) return 0
  return Math.max(0, Math.min(long, Math.max(...along)) - Math.max(0, Math.min(...along)))
}

/** Every way it opens, among what stands about it. */
function opened(setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  return body.open.flatMap((state) => {
    const reach = Math.max(...state.outline.map(({ x, y }) => Math.hypot(x - body.at.xMm, y - body.at.yMm)))
    const met = [...bodies, ...setting.built].flatMap((thing): Check[] => {
      if (thing.id === body.id || leastApart({ ...body, radiusMm: reach }, thing) > 0 || thing.thing?.flat) return []
      if (!meetInHeight(state, thing) || goesWith(body, thing, rules)) return []
      const found = overlapOf(state.parts, thing.parts)
      return found ? [check('open', [body.id, thing.id], { mm: found.mm, about: `${state.name}|${thing.name}` })] : []
    })
    return [...met, ...outside(setting, body, state, state.name)]
  })
}
