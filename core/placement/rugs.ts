/**
 * The sizes that rugs are sold in, run through against the group that stands there: how many legs each reaches, how much floor stays
 * bare, and whether it is an island. Lengths in mm.
 */
import { times, type Minor } from '../money/minor.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Schools } from '../rulebook/schools.ts'
import type { Point } from '../survey/index.ts'
import { gapBetween, insideOf, segmentsOf } from './apart.ts'
import type { Body } from './bodies.ts'
import type { Setting } from './setting.ts'
import { frontOf, outlineOf, stood, type Footprint, type Outline, type Standing } from './shapes.ts'
import { isSofa } from './sides.ts'

const foot = 304.8
/** The usual sizes in feet and in centimetres; runners last. Common practice of the trade. */
const usualFeet = [
  [2, 3],
  [3, 5],
  [4, 6],
  [5, 8],
  [6, 9],
  [8, 10],
  [9, 12],
  [10, 14],
  [12, 15],
  [2.5, 8],
] as const
const usualCm = [
  [60, 90],
  [120, 170],
  [160, 230],
  [200, 290],
  [200, 300],
  [240, 340],
  [80, 250],
] as const
export type RugSize = {
  readonly widthMm: number
  readonly lengthMm: number
  readonly priceMinor: Minor | null
  readonly own: boolean
  /** Where it is no rectangle: its outline within its width and length. */
  readonly shape?: Footprint | null
  /** Two of them laid edge to edge, both sizes told together. */
  readonly joined?: boolean
}
/** Two of a size joined along their lengths, as one. */
export const joinedOf = (size: RugSize): RugSize => ({
  ...size,
  widthMm: 2 * size.widthMm,
  priceMinor: size.priceMinor === null ? null : times(size.priceMinor, 2),
  joined: true,
})
export const usualSizes = (units: 'metric' | 'feet and inches'): RugSize[] =>
  (units === 'metric'
    ? usualCm.map(([w, l]) => [w * 10, l * 10])
    : usualFeet.map(([w, l]) => [w * foot, l * foot])
  ).map(([widthMm = 0, lengthMm = 0]) => ({ widthMm, lengthMm, priceMinor: null, own: false }))

export type Group = {
  readonly kind: 'talk' | 'dining' | 'corridor'
  readonly members: readonly Body[]
  readonly seats: readonly Body[]
  readonly table: Body | null
  /** The middle of the group, turned as it is turned. */
  readonly at: Standing
}
export type Reach = 'none' | 'some front legs' | 'front legs' | 'all legs'
export type RugTried = {
  readonly size: RugSize
  readonly at: Standing
  readonly outline: Outline
  readonly reach: Reach
  /** The least floor that stays bare to a wall; below 0 it goes through one. */
  readonly bareMm: number
  /** How far it goes beyond the table at its least side; for a dining group. */
  readonly beyondMm: number | null
  readonly verdict:
    'good' | 'an island' | 'too large' | 'too small for drawn chairs' | 'reaches some' | 'short for the corridor'
}

/** What stands together: a table with its chairs, else a sofa or seats with their low table. */
export function groupsOf(bodies: readonly Body[]): Group[] {
  const seats = bodies.filter(({ thing }) => thing?.kind === 'seat')
  const near = (left: Body, right: Body, mm: number): boolean =>
    gapBetween(segmentsOf(left.outline), segmentsOf(right.outline)).mm <= mm
  const groups: Group[] = []
  for (const table of bodies.filter(({ thing }) => thing?.kind === 'table')) {
    const isHigh = table.top > 560
    const about = seats.filter((seat) => (isHigh ? !isSofa(seat) : true) && near(seat, table, isHigh ? 500 : 900))
    if (about.length === 0 || (isHigh && about.length < 2)) continue
    const turned = about.find(isSofa) ?? table
    groups.push({
      kind: isHigh ? 'dining' : 'talk',
      members: [table, ...about],
      seats: about,
      table,
      at: middleOf([table, ...about], isHigh ? table.at.turnDeg : turned.at.turnDeg, isHigh ? table : null),
    })
  }
  const grouped = new Set(groups.flatMap(({ members }) => members.map(({ id }) => id)))
  const free = seats.filter((seat) => !grouped.has(seat.id))
  const [sofa] = free.filter(isSofa)
  if (sofa) {
    const about = [sofa, ...free.filter((seat) => seat !== sofa && near(seat, sofa, 2400))]
    groups.push({ kind: 'talk', members: about, seats: about, table: null, at: middleOf(about, sofa.at.turnDeg, null) })
  }
  return groups
}
/** A room that is passed along, as a runner sees it: narrow, and more than twice as long. */
export function corridorOf({ outline }: Setting): Group | null {
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const [narrow, long] = [Math.min(right - left, high - low), Math.max(right - left, high - low)]
  if (narrow > corridorMm || long < 2 * narrow) return null
  const turnDeg = right - left > high - low ? 90 : 0
  return {
    kind: 'corridor',
    members: [],
    seats: [],
    table: null,
    at: { xMm: (left + right) / 2, yMm: (low + high) / 2, turnDeg },
  }
}
const corridorMm = 1800
function longSide(outline: Outline): number {
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
}
/** A runner goes along at least so much of its corridor. */
const runnerShare = 0.6

/** The middle of the box about a group, as it is turned; a dining group is about its table. */
function middleOf(members: readonly Body[], turnDeg: number, about: Body | null): Standing {
  if (about) return { xMm: about.at.xMm, yMm: about.at.yMm, turnDeg }
  const back = { xMm: 0, yMm: 0, turnDeg: -turnDeg }
  const points = stood(
    members.flatMap(({ outline }) => outline),
    back,
  )
  const xs = points.map(({ x }) => x)
  const ys = points.map(({ y }) => y)
  const middle = stood([{ x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }], {
    xMm: 0,
    yMm: 0,
    turnDeg,
  })[0]
  return { xMm: middle?.x ?? 0, yMm: middle?.y ?? 0, turnDeg }
}

/** How far a rug must reach under a seat for its front legs, and beyond it for all of them. */
function legsOf(
  { thing, at }: Body,
  rules: Rules,
): { readonly front: readonly Point[]; readonly back: readonly Point[] } {
  const inset = thing?.footprint?.legsInMm ?? 40
  const [x, y] = [(thing?.widthMm ?? 0) / 2 - inset, (thing?.depthMm ?? 0) / 2]
  const under = -y + Math.max(rules['rug.under'], inset)
  return {
    front: stood(
      [
        { x: -x, y: under },
        { x, y: under },
      ],
      at,
    ),
    back: stood(
      [
        { x: -x, y: y + rules['rug.beyond'] },
        { x, y: y + rules['rug.beyond'] },
      ],
      at,
    ),
  }
}

function reachOf(outlines: readonly Outline[], seats: readonly Body[], rules: Rules): Reach {
  const isOn = (leg: Point): boolean => outlines.some((outline) => insideOf(leg, outline))
  const held = seats.map((seat) => {
    const { front, back } = legsOf(seat, rules)
    return {
      front: front.every(isOn),
      all: [...front, ...back].every(isOn),
    }
  })
  if (held.length > 0 && held.every(({ all }) => all)) return 'all legs'
  if (held.length > 0 && held.every(({ front }) => front)) return 'front legs'
  return held.some(({ front }) => front) ? 'some front legs' : 'none'
}

/** Rugs that lie under groups of seats for talk, with how far each group’s seats stand on them at best. */
function underGroups(
  bodies: readonly Body[],
  rules: Rules,
  school: Schools['small-rug'],
): { readonly rug: Body; readonly reach: Reach }[] {
  const groups = groupsOf(bodies)
  const rugs = bodies.filter(({ thing }) => thing?.flat)
  return rugs.flatMap((rug) => {
    // by that school a rug of its own shape goes where it pleases
    if (school === 'odd-corner' && rug.thing?.footprint != null && rug.thing.footprint.shape !== 'rectangle') return []
    const over = groups.filter(({ table, members }) => {
      const middle = table ?? members[0]
      return middle !== undefined && insideOf({ x: middle.at.xMm, y: middle.at.yMm }, rug.outline)
    })
    if (over.length === 0 || over.some(({ kind }) => kind !== 'talk')) return []
    const joined = school === 'joined' ? rugs.filter((met) => meets(met, rug)) : [rug]
    const outlines = joined.map(({ outline }) => outline)
    return [{ rug, reach: best(over.map(({ seats }) => reachOf(outlines, seats, rules))) }]
  })
}
const best = (reaches: readonly Reach[]): Reach =>
  reaches.toSorted((left, right) => ranks[right] - ranks[left])[0] ?? 'none'
const ranks: Readonly<Record<Reach, number>> = { none: 0, 'some front legs': 1, 'front legs': 2, 'all legs': 3 }
/** Laid edge to edge, two rugs are one. */
const meets = (left: Body, right: Body): boolean =>
  left === right || gapBetween(segmentsOf(left.outline), segmentsOf(right.outline)).mm <= 20

/** Rugs that lie under a group and reach under no front leg of it. */
export const islandsIn = (bodies: readonly Body[], rules: Rules, school: Schools['small-rug']): Body[] =>
  underGroups(bodies, rules, school).flatMap(({ rug, reach }) => (reach === 'none' ? [rug] : []))
/** Rugs that reach under the front legs of some seats of their group, and not of all. */
export const rugsShort = (bodies: readonly Body[], rules: Rules, school: Schools['small-rug']): Body[] =>
  underGroups(bodies, rules, school).flatMap(({ rug, reach }) => (reach === 'some front legs' ? [rug] : []))

/** How far a rug goes beyond a table at its least side; below 0 the table stands over its edge. */
function beyond(rug: Outline, table: Outline): number {
  const { mm } = gapBetween(segmentsOf(table), segmentsOf(rug))
  if (table.every((corner) => insideOf(corner, rug))) return Math.round(mm * 1e6) / 1e6
  return -Math.max(
    ...table
      .filter((corner) => !insideOf(corner, rug))
      .map((corner) => gapBetween([[corner, corner]], segmentsOf(rug)).mm),
  )
}

/** One size under one group, laid along or across it, whichever reaches more; an odd shape either way round. */
export function tryRug(setting: Setting, group: Group, size: RugSize, isSmallRoom: boolean, rules: Rules): RugTried {
  const isOdd = size.shape != null && !['rectangle', 'round', 'oval'].includes(size.shape.shape)
  // along a corridor lies its longer side
  const turns =
    group.kind === 'corridor' ? [size.widthMm > size.lengthMm ? 90 : 0] : isOdd ? [0, 90, 180, 270] : [0, 90]
  const own = outlineOf(size.widthMm, size.lengthMm, size.shape ?? null)
  const least = rules[group.kind === 'corridor' ? 'rug.runner-side' : isSmallRoom ? 'rug.wall-small' : 'rug.wall']
  const way = frontOf(group.at)
  // under seats that stand at a wall it is drawn off the wall, as far as it still reaches them
  const shifts = group.kind === 'talk' ? Array.from({ length: 17 }, (_, index) => index * 50) : [0]
  const placed = turns.flatMap((turn) => shifts.map((shift) => ({ turn, shift })))
  const tried = placed.map(({ turn, shift }) => {
    const at = {
      turnDeg: (group.at.turnDeg + turn) % 360,
      xMm: group.at.xMm + way.x * shift,
      yMm: group.at.yMm + way.y * shift,
    }
    const outline = stood(own, at)
    const reach = reachOf([outline], group.seats, rules)
    const through = outline.some((corner) => !insideOf(corner, setting.outline))
    const gap = gapBetween(
      segmentsOf(outline),
      setting.walls.map(({ segment }) => segment),
    ).mm
    const beyondMm = group.kind === 'dining' && group.table ? beyond(outline, group.table.outline) : null
    return { at, shift, outline, reach, bareMm: through ? -gap : gap, beyondMm }
  })
  const found = tried.toSorted(
    (left, right) =>
      Number(left.bareMm < 0) - Number(right.bareMm < 0) ||
      Number(left.bareMm < least - 1) - Number(right.bareMm < least - 1) ||
      (right.beyondMm ?? 0) - (left.beyondMm ?? 0) ||
      ranks[right.reach] - ranks[left.reach] ||
      left.shift - right.shift ||
      right.bareMm - left.bareMm,
  )[0]
  const { at = group.at, outline = [], reach = 'none', bareMm = 0, beyondMm = null } = found ?? {}
  const long = longSide(setting.outline)
  const verdict: RugTried['verdict'] =
    bareMm < 0 || (bareMm < least - 1 && (group.kind !== 'talk' || reach !== 'none'))
      ? 'too large'
      : group.kind === 'corridor'
        ? Math.max(size.widthMm, size.lengthMm) < runnerShare * long
          ? 'short for the corridor'
          : 'good'
        : beyondMm !== null
          ? beyondMm >= rules['rug.dining'] - 1
            ? 'good'
            : 'too small for drawn chairs'
          : reach === 'none'
            ? 'an island'
            : reach === 'some front legs'
              ? 'reaches some'
              : 'good'
  return { size, at, outline, reach, bareMm, beyondMm, verdict }
}
