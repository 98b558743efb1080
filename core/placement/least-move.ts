/**
 * The least move that cures: the nearest place of one thing at which what was wrong is right and nothing else is worse. Also where a
 * thing may stand that has no place yet. Lengths in mm.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { bodyOf, type Body, type Thing } from './bodies.ts'
import { checksOf, type Check } from './checks.ts'
import { withBodies, type Field } from './clearance.ts'
import type { Floor } from './ground.ts'
import type { Setting } from './setting.ts'
import { offWall } from './snap.ts'
import { outlineOf, stood, type Standing } from './shapes.ts'
import { waysOf } from './ways.ts'

export type Ground = Floor & { readonly rules: Rules }
export type Moved = { readonly id: string; readonly at: Standing; readonly byMm: number; readonly turned: boolean }

/** How much is wrong with a room: stops first, then looks, then how narrow its ways are. */
export type Wrong = { readonly stops: number; readonly looks: number; readonly keys: ReadonlySet<string> }
const keyOf = ({ code, ids, about }: Check): string =>
  `${code} ${[...ids].toSorted().join(' ')} ${code === 'open' ? about : ''}`

/** What is wrong with one thing among the others, and with the ways. */
export function wrongWith(
  { setting, rules, bare, ends }: Ground,
  rest: readonly Body[],
  body: Body,
  floor?: Field,
): Wrong {
  const bodies = [...rest, body]
  const found = checksOf(setting, bodies, body, rules)
  // what it does to those about it
  for (const met of rest) {
    const near = Math.hypot(met.at.xMm - body.at.xMm, met.at.yMm - body.at.yMm)
    if (met.thing && near < 3500)
      found.push(...checksOf(setting, bodies, met, rules).filter(({ ids }) => ids.includes(body.id)))
  }
  const keys = new Set<string>()
  let [stops, looks] = [0, 0]
  for (const check of found) {
    if (check.weight !== 'stop' && check.weight !== 'look') continue
    const key = keyOf(check)
    if (keys.has(key)) continue
    keys.add(key)
    if (check.weight === 'stop') stops++
    else looks++
  }
  const solids = [...rest, ...setting.built]
  const field = withBodies(floor ?? withBodies(bare, solids), [body], solids.length)
  for (const way of waysOf(setting, field, [...solids, body], rules['place.way-main'], ends)) {
    if (way.isWide || way.clearMm >= rules['place.way-main'] - 1) continue
    keys.add(`way ${way.from.id} ${way.to.id}`)
    if (way.clearMm < rules['place.way-blocked']) stops++
    else looks++
  }
  return { stops, looks, keys }
}

const stepMm = 50
const turns = [0, 90, 270, 15, 345, 180]
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
  for (const turn of turns.slice(1))
    for (const { x, y, far } of [{ x: 0, y: 0, far: 0 }, ...steps.filter((step) => step.far <= 200)])
      yield {
        at: { xMm: at.xMm + x, yMm: at.yMm + y, turnDeg: (at.turnDeg + turn) % 360 },
        byMm: far,
        turned: true,
      }
}

/**
 * The least move of one of the things that a check speaks of; null where none within the rule's reach cures it. A cheap look comes
 * first: the ways are worked out only for places at which all else is right.
 */
export function leastMove(ground: Ground, bodies: readonly Body[], ids: readonly string[], key: string): Moved | null {
  const { setting, rules, bare } = ground
  let best: Moved | null = null
  for (const id of ids) {
    const body = bodies.find((thing) => thing.id === id)
    if (!body?.thing) continue
    const rest = bodies.filter((thing) => thing !== body)
    const floor = withBodies(bare, [...rest, ...setting.built])
    const before = wrongWith(ground, rest, body, floor)
    for (const { at, byMm, turned } of placesAbout(body.at, rules['cure.reach'])) {
      if (best && byMm + (turned ? 300 : 0) >= best.byMm + (best.turned ? 300 : 0)) break
      const moved = bodyOf(body.thing, body.id, at)
      if (checksOf(setting, [...rest, moved], moved, rules).some(({ weight }) => weight === 'stop')) continue
      const after = wrongWith(ground, rest, { ...moved, name: body.name }, floor)
      if (after.keys.has(key) || [...after.keys].some((wrong) => !before.keys.has(wrong))) continue
      best = { id, at, byMm, turned }
      break
    }
  }
  return best
}
export const keyOfCheck = keyOf

/** Against every wall, its back to it, so far apart; then about the middle of the room. */
export function placesFor({ walls, outline }: Setting, thing: Thing): Standing[] {
  const own = outlineOf(thing.widthMm, thing.depthMm, thing.footprint)
  const places: Standing[] = []
  for (const { segment } of walls) {
    const [start, end] = segment
    const long = Math.hypot(end.x - start.x, end.y - start.y)
    if (long < thing.widthMm * 0.6) continue
    const [ux, uy] = [(end.x - start.x) / long, (end.y - start.y) / long]
    // its back is up as it is drawn: turned so that it looks off the wall
    const turnDeg = ((Math.atan2(uy, ux) * 180) / Math.PI + 360) % 360
    const [first, last] = [thing.widthMm / 2, long - thing.widthMm / 2]
    for (const along of [
      (first + last) / 2,
      first,
      last,
      first + (last - first) / 4,
      first + (3 * (last - first)) / 4,
    ]) {
      const at = { xMm: start.x + ux * along, yMm: start.y + uy * along, turnDeg }
      const off = offWall(stood(own, at), segment)
      places.push({ ...at, xMm: at.xMm - uy * off, yMm: at.yMm + ux * off })
    }
  }
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const middle: Standing[] = []
  for (const x of [0.5, 0.35, 0.65, 0.2, 0.8])
    for (const y of [0.5, 0.35, 0.65, 0.2, 0.8])
      for (const turnDeg of [0, 90])
        middle.push({ xMm: left + x * (right - left), yMm: low + y * (high - low), turnDeg })
  return ['table', 'rug'].includes(thing.kind) && thing.topMm < 2000 ? [...middle, ...places] : [...places, ...middle]
}

/** A place for a thing that has none: the first at which least is wrong. */
export function firstPlace(ground: Ground, bodies: readonly Body[], thing: Thing): Standing {
  const { setting, rules } = ground
  let best: { at: Standing; worth: number } | null = null
  for (const at of placesFor(setting, thing)) {
    const body = bodyOf(thing, 'new', at)
    const checks = checksOf(setting, [...bodies, body], body, rules)
    const worth = checks.reduce(
      (sum, { weight }) => sum + (weight === 'stop' ? 100 : weight === 'look' ? 10 : weight === 'note' ? 1 : 0),
      0,
    )
    if (!best || worth < best.worth) best = { at, worth }
    if (worth === 0) break
  }
  return best?.at ?? { xMm: 0, yMm: 0, turnDeg: 0 }
}
