/** What was typed as observations of corner positions, and where the walk begins. */
import type { Rules } from '../rulebook/rulebook.ts'
import { type Observation } from './adjust.ts'
import { type Point } from './point.ts'
import { type Check, type WallMeasure, origin, radians, walk } from './walk.ts'

export type Observed = {
  readonly id: string
  readonly kind: 'wall' | 'diagonal' | 'corner'
  readonly observation: Observation
}

export function observe(walls: readonly WallMeasure[], checks: readonly Check[], rules: Rules): Observed[] {
  const count = walls.length
  const sigmaOf = (length: number): number => rules['survey.sigma'] + (rules['survey.sigma-per-metre'] * length) / 1000
  return [
    ...walls.flatMap((wall, at): Observed[] =>
      wall.lengthMm === null
        ? []
        : [
            {
              id: wall.id,
              kind: 'wall',
              observation: {
                kind: 'distance',
                from: at,
                to: (at + 1) % count,
                mm: wall.lengthMm,
                sigmaMm: sigmaOf(wall.lengthMm),
              },
            },
          ],
    ),
    ...checks.map((check): Observed => ({
      id: check.id,
      kind: 'diagonal',
      observation: {
        kind: 'distance',
        from: check.from,
        to: check.to,
        mm: check.lengthMm,
        sigmaMm: sigmaOf(check.lengthMm),
      },
    })),
    ...walls.flatMap((wall, at): Observed[] =>
      wall.cornerDeg === null
        ? []
        : [
            {
              id: wall.id,
              kind: 'corner',
              observation: {
                kind: 'angle',
                back: at,
                at: (at + 1) % count,
                fore: (at + 2) % count,
                deg: wall.cornerDeg,
                sigmaDeg: wall.sigmaDeg ?? rules['survey.sigma-angle'],
              },
            },
          ],
    ),
  ]
}

/** Where the corners lie roughly: walked, lengths that nobody measured filled in so that the walk closes, the rest spread along it. */
export function begin(walls: readonly WallMeasure[], turns: readonly number[]): Point[] | null {
  const open = walls.flatMap((wall, at) => (wall.lengthMm === null ? [at] : []))
  const mean = walls.reduce((sum, wall) => sum + (wall.lengthMm ?? 0), 0) / Math.max(1, walls.length - open.length)
  const lengths = walls.map((wall) => wall.lengthMm ?? 0)
  if (open.length > 0) {
    // the shortest set of lengths that closes the walk: A·x = −miss by the pseudo-inverse of a 2 × k matrix
    const headings = walls.map((_, at) => -turns.slice(0, at).reduce((sum, turn) => sum + turn, 0) * radians)
    const ways = open.map((at) => ({ x: Math.cos(headings[at] ?? 0), y: Math.sin(headings[at] ?? 0) }))
    const base = ways.reduce(
      (sum, way) => ({ x: sum.x + way.x * mean, y: sum.y + way.y * mean }),
      walk(walls, lengths, turns).at(-1) ?? origin,
    )
    const [xx, xy, yy] = ways.reduce<[number, number, number]>(
      ([a, b, c], way) => [a + way.x * way.x, b + way.x * way.y, c + way.y * way.y],
      [1e-9, 0, 1e-9],
    )
    const bottom = xx * yy - xy * xy
    const [px, py] = [(yy * base.x - xy * base.y) / bottom, (xx * base.y - xy * base.x) / bottom]
    for (const [index, at] of open.entries())
      lengths[at] = Math.max(mean / 50, mean - ((ways[index]?.x ?? 0) * px + (ways[index]?.y ?? 0) * py))
  }
  const points = walk(walls, lengths, turns)
  const end = points.at(-1) ?? origin
  const total = lengths.reduce((sum, length) => sum + length, 0)
  if (!(total > 0)) return null
  let gone = 0
  const spread = points.slice(0, -1).map((point, at) => {
    gone += at === 0 ? 0 : (lengths[at - 1] ?? 0)
    return { x: point.x - (end.x * gone) / total, y: point.y - (end.y * gone) / total }
  })
  // turned back so that the first wall runs east, as the datum has it
  const second = spread[1] ?? origin
  const [length, cos, sin] = [Math.hypot(second.x, second.y) || 1, second.x, second.y]
  return spread.map(({ x, y }) => ({ x: (x * cos + y * sin) / length, y: (y * cos - x * sin) / length }))
}
