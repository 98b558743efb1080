/** Where a thing may stand that has no place yet: along the walls and about the middle of the room. Lengths in mm. */
import { bodyOf, type Body, type Thing } from './bodies.ts'
import { checksOf } from './checks.ts'
import type { Ground } from './least-move.ts'
import type { Setting } from './setting.ts'
import { offWall } from './snap.ts'
import { outlineOf, stood, type Standing } from './shapes.ts'

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
