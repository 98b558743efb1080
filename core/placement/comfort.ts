/** What makes a place good beyond what is wrong with it: light, the back of a sofa, the foot of a bed, the zone it was meant for. */
import type { Point } from '../survey/index.ts'
import { insideOf } from './apart.ts'
import { strayCost } from './belongs.ts'
import type { Body } from './bodies.ts'
import type { Setting } from './setting.ts'
import { frontOf } from './shapes.ts'
import { isSofa } from './sides.ts'

/** Below 0 speaks for a place, above it against; a reason is said where it speaks for it. */
export type Comfort = { readonly worth: number; readonly reason: string }

const middle = ([start, end]: readonly [Point, Point]): Point => ({
  x: (start.x + end.x) / 2,
  y: (start.y + end.y) / 2,
})
const away = (body: Body, { x, y }: Point): number => Math.hypot(x - body.at.xMm, y - body.at.yMm)
/** How much a thing looks towards a place: 1 straight at it, -1 away from it. */
function looksAt(body: Body, { x, y }: Point): number {
  const way = frontOf(body.at)
  const far = Math.max(1, away(body, { x, y }))
  return ((x - body.at.xMm) * way.x + (y - body.at.yMm) * way.y) / far
}

export function comfortsOf(setting: Setting, body: Body): Comfort[] {
  const { thing } = body
  if (!thing) return []
  const found: Comfort[] = []
  const say = (worth: number, reason = ''): void => void found.push({ worth, reason })
  const zone = setting.room.zones.find(({ row }) => row.id === thing.piece.zoneId)
  if (zone?.outline) {
    if (insideOf({ x: body.at.xMm, y: body.at.yMm }, zone.outline)) say(-1)
    else say(8)
  }
  const windows = setting.windows.map(({ name, segment }) => ({ name, at: middle(segment) }))
  const near = windows.toSorted((left, right) => away(body, left.at) - away(body, right.at))[0]
  const isNear = near !== undefined && away(body, near.at) < thing.depthMm / 2 + 1500
  const [door] = setting.doors
  if (/\bdesk\b/i.test(body.name) && near && isNear) {
    // one who sits at it looks the way its back lies
    const looks = looksAt(body, near.at)
    if (Math.abs(looks) < 0.6) say(-3, `${body.name} has the light of ${near.name} from its side`)
    else if (looks < 0) say(-1, `${body.name} looks out of ${near.name}`)
    else say(1)
  }
  if (thing.kind === 'plant' && near && isNear) say(-1, `${body.name} has the light of ${near.name}`)
  if (thing.kind === 'bed' || isSofa(body)) {
    if (near && isNear && looksAt(body, near.at) < -0.7) say(thing.kind === 'bed' ? 3 : 1)
    if (door && thing.kind === 'bed') {
      const looks = looksAt(body, door.middle)
      if (looks > 0.95 && away(body, door.middle) < 3000) say(1)
      else if (looks > 0) say(-1, `from ${body.name} one sees ${door.name}`)
    }
    if (door && isSofa(body)) {
      if (looksAt(body, door.middle) < -0.5) say(2)
      else say(-0.5, `nobody on ${body.name} has ${door.name} behind them`)
    }
  }
  if (isSofa(body))
    for (const { row, name, u0, u1 } of setting.room.walls.flatMap(({ fixtures }) => fixtures)) {
      if (row.what !== 'fireplace') continue
      const wall = setting.room.walls.find(({ fixtures }) => fixtures.some((known) => known.row.id === row.id))
      if (!wall) continue
      const share = (u0 + u1) / 2 / Math.max(1, wall.lengthMm)
      const at = {
        x: wall.from.x + share * (wall.to.x - wall.from.x),
        y: wall.from.y + share * (wall.to.y - wall.from.y),
      }
      if (looksAt(body, at) > 0.5) say(-3, `${body.name} looks at ${name}`)
    }
  return found
}
export const comfortOf = (setting: Setting, bodies: readonly Body[], body: Body): number =>
  comfortsOf(setting, body).reduce((sum, { worth }) => sum + worth, 0) + strayCost(setting, bodies, body)
