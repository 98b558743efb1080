/** How much room is free on one side of a thing: as a tape would measure it, to the next thing or to the wall. Lengths in mm. */
import { clipBy, type Point } from '../survey/index.ts'
import { gapBetween, segmentsOf } from './apart.ts'
import { leastApart, type Body } from './bodies.ts'
import type { Setting } from './setting.ts'
import { stood, type Outline } from './shapes.ts'

export type Side = 'front' | 'back' | 'left' | 'right'
/** What is free: how far, between which places, and what ends it; a wall where that is no thing. */
export type Clear = { readonly mm: number; readonly from: Point; readonly to: Point; readonly ends: Body | null }

/** A strip off one side of a thing, so deep, and the edge it begins at. */
export function stripOff(
  { thing, at, outline }: Body,
  side: Side,
  deepMm: number,
): { strip: Outline; edge: readonly [Point, Point] } {
  const xs = outline.map(({ x }) => x)
  const [wide, deep] = [thing?.widthMm ?? Math.max(...xs) - Math.min(...xs), thing?.depthMm ?? 0]
  const [x, y] = [wide / 2, deep / 2]
  // a hair in from the corners, so that what stands beside it flush is not met
  const hair = 2
  const edges: Readonly<Record<Side, readonly [Point, Point, Point]>> = {
    front: [
      { x: -x + hair, y: -y },
      { x: x - hair, y: -y },
      { x: 0, y: -1 },
    ],
    back: [
      { x: x - hair, y },
      { x: -x + hair, y },
      { x: 0, y: 1 },
    ],
    left: [
      { x: -x, y: y - hair },
      { x: -x, y: -y + hair },
      { x: -1, y: 0 },
    ],
    right: [
      { x, y: -y + hair },
      { x, y: y - hair },
      { x: 1, y: 0 },
    ],
  }
  const [start, end, way] = edges[side]
  const out = ({ x: left, y: up }: Point): Point => ({ x: left + way.x * deepMm, y: up + way.y * deepMm })
  const [first, second, far, near] = stood([start, end, out(end), out(start)], at)
  const none = { x: 0, y: 0 }
  return { strip: [first ?? none, second ?? none, far ?? none, near ?? none], edge: [first ?? none, second ?? none] }
}

/** The nearest of what stands within a strip, or of the walls; null where the whole strip is free. */
export function clearOff(
  setting: Setting,
  bodies: readonly Body[],
  body: Body,
  side: Side,
  deepMm: number,
): Clear | null {
  const { strip, edge } = stripOff(body, side, deepMm)
  let nearest: Clear | null = null
  const hold = (part: readonly (readonly [Point, Point])[], ends: Body | null): void => {
    if (part.length === 0) return
    const gap = gapBetween([edge], part)
    // of two as near as each other always the same is told, in whatever order they stand
    const isNearer =
      nearest === null ||
      gap.mm < nearest.mm - 1e-6 ||
      (gap.mm < nearest.mm + 1e-6 && (ends?.id ?? '') < (nearest.ends?.id ?? ''))
    if (isNearer) nearest = { mm: gap.mm, from: gap.from, to: gap.to, ends }
  }
  // a circle about the strip passes over most things at once
  const [start, , far] = strip
  const about = {
    at: { xMm: ((start?.x ?? 0) + (far?.x ?? 0)) / 2, yMm: ((start?.y ?? 0) + (far?.y ?? 0)) / 2, turnDeg: 0 },
    radiusMm: Math.hypot((far?.x ?? 0) - (start?.x ?? 0), (far?.y ?? 0) - (start?.y ?? 0)) / 2,
  }
  for (const met of bodies) {
    if (
      met.id === body.id ||
      leastApart(about, met) > 0 ||
      met.thing?.flat ||
      met.low >= body.top ||
      met.top <= body.low + 50
    )
      continue
    for (const part of met.parts) {
      const shared = clipBy(part, strip)
      if (shared.length > 2) hold(segmentsOf(shared), met)
    }
  }
  for (const { segment } of setting.walls) {
    const [start, end] = withinStrip(segment, strip) ?? []
    if (start && end) hold([[start, end]], null)
  }
  return nearest
}

/** The part of a segment that lies in a convex outline. */
function withinStrip([start, end]: readonly [Point, Point], strip: Outline): readonly [Point, Point] | null {
  let [low, high] = [0, 1]
  const sign =
    strip.reduce((sum, point, at) => {
      const next = strip[(at + 1) % strip.length] ?? point
      return sum + (point.x * next.y - next.x * point.y)
    }, 0) >= 0
      ? 1
      : -1
  for (const [left, right] of segmentsOf(strip)) {
    const [nx, ny] = [-(right.y - left.y) * sign, (right.x - left.x) * sign]
    const [here, there] = [
      (start.x - left.x) * nx + (start.y - left.y) * ny,
      (end.x - left.x) * nx + (end.y - left.y) * ny,
    ]
    if (here < 0 && there < 0) return null
    if (here === there) continue
    const share = here / (here - there)
    if (here < 0) low = Math.max(low, share)
    else if (there < 0) high = Math.min(high, share)
  }
  if (low > high) return null
  const at = (share: number): Point => ({
    x: start.x + share * (end.x - start.x),
    y: start.y + share * (end.y - start.y),
  })
  return [at(low), at(high)]
}
