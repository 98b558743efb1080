/**
 * The least move that cures: the nearest place of one thing, or of two, at which what was wrong is right and nothing else is worse.
 * Lengths in mm.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { bodyOf, type Body } from './bodies.ts'
import { allChecks, checksAlone, checksAmong, clashesOf, type Check } from './checks.ts'
import { hinders, withBodies, type Field } from './clearance.ts'
import type { Floor } from './ground.ts'
import type { Standing } from './shapes.ts'
import { pairsOf, wayAsWide, waysOf, type Way } from './ways.ts'

export type Ground = Floor & { readonly rules: Rules }
export type Moved = { readonly id: string; readonly at: Standing; readonly byMm: number; readonly turned: boolean }

export const keyOfCheck = ({ code, ids, about }: Check): string =>
  `${code} ${[...ids].toSorted().join(' ')} ${code === 'open' || code === 'proportion' ? about : ''}`
export const keyOfWay = ({ from, to }: Way): string => `way ${from.id} ${to.id}`
/** What is a note alone is wrong where it is what is to be cured. */
const isWrong = (check: Check, key = ''): boolean =>
  check.weight === 'stop' || check.weight === 'look' || (check.weight === 'note' && keyOfCheck(check) === key)

/** What is wrong with one thing among the others, and with what is near it; null as soon as something is that may not be. */
function wrongAbout(ground: Ground, rest: readonly Body[], body: Body, key: string): Set<string>
function wrongAbout(
  ground: Ground,
  rest: readonly Body[],
  body: Body,
  key: string,
  mayBe: (key: string) => boolean,
): Set<string> | null
function wrongAbout(
  { setting, rules }: Ground,
  rest: readonly Body[],
  body: Body,
  key: string,
  mayBe: (key: string) => boolean = () => true,
): Set<string> | null {
  const bodies = [...rest, body]
  const keys = new Set<string>()
  const holds = (checks: readonly Check[]): boolean =>
    checks.every((check) => {
      if (!isWrong(check, key)) return true
      const found = keyOfCheck(check)
      keys.add(found)
      return mayBe(found)
    })
  // the quickest first: most places are ruled out by what stands there already
  if (!holds(clashesOf(setting, rest, body, rules))) return null
  if (!holds(checksAlone(setting, body, rules)) || !holds(checksAmong(setting, bodies, body, rules))) return null
  for (const met of rest) {
    if (!met.thing || Math.hypot(met.at.xMm - body.at.xMm, met.at.yMm - body.at.yMm) >= nearMm) continue
    // what is wrong with it alone, or with what stands in its place, is the same wherever the moved one stands
    if (!holds(checksAmong(setting, bodies, met, rules))) return null
  }
  return keys
}
const allWrong = ({ setting, rules }: Ground, bodies: readonly Body[]): Set<string> =>
  new Set(
    allChecks(setting, bodies, rules)
      .filter((check) => isWrong(check))
      .map(keyOfCheck),
  )
/** Further off a thing does nothing to another. */
const nearMm = 2200

/** The ways that are too narrow, with how wide they are; `floor` has the rest on it. */
function narrowWays(
  { setting, rules, ends }: Ground,
  rest: readonly Body[],
  body: Body,
  floor: Field,
): ReadonlyMap<string, number> {
  const solids = [...rest, ...setting.built]
  const field = withBodies(floor, [body], solids.length)
  const wanted = rules['place.way-main']
  return new Map(
    waysOf(setting, field, [...solids, body], wanted, ends)
      .filter(({ isWide, clearMm }) => !isWide && clearMm < wanted - 1)
      .map((way) => [keyOfWay(way), way.clearMm]),
  )
}

const stepMm = 50
const turns = [90, 270, 15, 345, 180]
/** A turn counts as so much of a move. */
const turnMm = 300
/** Places about one, the nearest first, as far as a move may go; turned at the same place before moved far. */
function* placesAbout(at: Standing, reachMm: number): Generator<{ at: Standing; byMm: number; turned: boolean }> {
  const steps: { x: number; y: number; far: number }[] = []
  const most = Math.floor(reachMm / stepMm)
  for (let x = -most; x <= most; x++)
    for (let y = -most; y <= most; y++) {
      const far = stepMm * Math.hypot(x, y)
      if (far > 0 && far <= reachMm) steps.push({ x: x * stepMm, y: y * stepMm, far })
    }
  steps.sort((left, right) => left.far - right.far)
  for (const { x, y, far } of steps) yield { at: { ...at, xMm: at.xMm + x, yMm: at.yMm + y }, byMm: far, turned: false }
  for (const turn of turns)
    for (const { x, y, far } of [{ x: 0, y: 0, far: 0 }, ...steps.filter((step) => step.far <= 200)])
      yield {
        at: { xMm: at.xMm + x, yMm: at.yMm + y, turnDeg: (at.turnDeg + turn) % 360 },
        byMm: far,
        turned: true,
      }
}
const lengthOf = ({ byMm, turned }: Pick<Moved, 'byMm' | 'turned'>): number => byMm + (turned ? turnMm : 0)

/**
 * Whether all ways are as wide as they were, or as is wanted, wherever one thing stands; that of `key` as is wanted. A way that it leaves
 * alone is as wide as without it, so that the floor is measured anew only where it stands in one.
 */
function waysWith(
  ground: Ground,
  rest: readonly Body[],
  floor: Field,
  was: ReadonlyMap<string, number>,
  key: string,
): (body: Body) => boolean {
  const { setting, rules, ends } = ground
  const wanted = pairsOf(ends).map(([start, to]) => {
    const way = `way ${start.id} ${to.id}`
    const known = way === key ? undefined : was.get(way)
    const wideMm = known === undefined ? rules['place.way-main'] : known - graceMm
    return { start, to, wideMm, path: wayAsWide(floor, start, to, wideMm) }
  })
  const widest = Math.max(0, ...wanted.map(({ wideMm }) => wideMm))
  return (body) => {
    if (!hinders(body)) return true
    const met = wanted.filter(
      ({ path, wideMm }) =>
        path === null ||
        path.some(({ x, y }) => Math.hypot(x - body.at.xMm, y - body.at.yMm) < body.radiusMm + wideMm / 2),
    )
    if (met.length === 0) return true
    // a disc that goes by is no wider than the widest way asked for
    const field = withBodies(floor, [body], rest.length + setting.built.length, widest / 2 + ground.bare.grid.cell)
    return met.every(({ start, to, wideMm }) => wayAsWide(field, start, to, wideMm) !== null)
  }
}

/** How a room was before anything is moved: nothing of it may get worse. */
type Before = { readonly keys: ReadonlySet<string>; readonly ways: ReadonlyMap<string, number> }

/** The nearest place of one thing at which `key` is cured and nothing is wrong that was not; a way may not get narrower. */
function nearestPlace(
  ground: Ground,
  rest: readonly Body[],
  body: Body,
  key: string,
  before: Before | null,
  within = Infinity,
): Moved | null {
  if (!body.thing) return null
  const { setting, rules, bare } = ground
  const floor = withBodies(bare, [...rest, ...setting.built])
  const was = before ?? {
    keys: allWrong(ground, [...rest, body]),
    ways: narrowWays(ground, rest, body, floor),
  }
  const waysHold = waysWith(ground, rest, floor, was.ways, key)
  for (const { at, byMm, turned } of placesAbout(body.at, rules['cure.reach'])) {
    if (lengthOf({ byMm, turned }) >= within) {
      if (turned) continue
      // the turns at the same place are nearer
      if (within <= turnMm) break
      continue
    }
    const moved = { ...bodyOf(body.thing, body.id, at), name: body.name }
    const mayBe = (wrong: string): boolean => wrong !== key && was.keys.has(wrong)
    if (!wrongAbout(ground, rest, moved, key, mayBe)) continue
    // the ways are worked out only for places at which all else is right
    if (!waysHold(moved)) continue
    return { id: body.id, at, byMm, turned }
  }
  return null
}
/** A way that gets narrower by less than the grid tells apart is as wide as before. */
const graceMm = 60

/** The least move of one of the things that a check or a way speaks of; null where none within the rule's reach cures it. */
export function leastMove(ground: Ground, bodies: readonly Body[], ids: readonly string[], key: string): Moved | null {
  let best: Moved | null = null
  for (const id of ids) {
    const body = bodies.find((thing) => thing.id === id)
    if (!body?.thing) continue
    const rest = bodies.filter((thing) => thing !== body)
    const found = nearestPlace(ground, rest, body, key, null, best ? lengthOf(best) : Infinity)
    if (found) best = found
  }
  return best
}

/**
 * Where no move of one thing cures: one of them is moved so that only a second is in its way, and that one gives way. Looked for among the
 * nearest places; `free` says what may be moved. Null where none is found.
 */
export function twoMoves(
  ground: Ground,
  bodies: readonly Body[],
  ids: readonly string[],
  key: string,
  free: ReadonlySet<string>,
): readonly [Moved, Moved] | null {
  const { rules, setting, bare } = ground
  let best: readonly [Moved, Moved] | null = null
  for (const id of ids) {
    const body = bodies.find((thing) => thing.id === id)
    if (!body?.thing || !free.has(id)) continue
    const rest = bodies.filter((thing) => thing !== body)
    const floor = withBodies(bare, [...rest, ...setting.built])
    const keys = allWrong(ground, bodies)
    // when the second gives way, what was wrong may not come back, and a way that was too narrow is to be wide
    keys.delete(key)
    const ways = new Map([...narrowWays(ground, rest, body, floor)].filter(([way]) => way !== key))
    const before: Before = { keys, ways }
    let tried = 0
    for (const { at, byMm, turned } of placesAbout(body.at, rules['cure.reach'])) {
      if (tried >= mostTried || (best && byMm >= lengthOf(best[0]) + lengthOf(best[1]))) break
      const moved = { ...bodyOf(body.thing, body.id, at), name: body.name }
      const found = wrongAbout(ground, rest, moved, key)
      if (found.has(key)) continue
      const fresh = [...found].filter((wrong) => !keys.has(wrong))
      const inTheWay = bodies.filter((met) => met !== body && fresh.every((wrong) => wrong.includes(met.id)))
      const [second] = inTheWay
      if (!second || fresh.length === 0 || !free.has(second.id)) continue
      tried++
      const others = [...rest.filter((met) => met !== second), moved]
      const gives = nearestPlace(ground, others, second, fresh[0] ?? key, before)
      const first = { id, at, byMm, turned }
      if (gives && (!best || lengthOf(first) + lengthOf(gives) < lengthOf(best[0]) + lengthOf(best[1])))
        best = [first, gives]
    }
  }
  return best
}
const mostTried = 8

/** What cures: one move, else two; null where neither does. */
export function cureOf(
  ground: Ground,
  bodies: readonly Body[],
  ids: readonly string[],
  key: string,
  free: ReadonlySet<string>,
): readonly Moved[] | null {
  const held = ids.filter((id) => free.has(id))
  const alone = leastMove(ground, bodies, held, key)
  return alone ? [alone] : twoMoves(ground, bodies, held, key, free)
}
