/** Patterns: which of its colours lies at each point, each covering its share of the whole. */
import type { Pattern, Scale } from '../makeover/choices.ts'
import type { Lab } from '../colour/lab.ts'
import { layered } from './noise.ts'

/** A pattern on a finish: the palette colours it carries, each by its share of the whole, 0 to 1, and how often it repeats across the tile. */
export type Print = {
  readonly pattern: Pattern
  readonly repeats: number
  readonly parts: readonly { readonly lab: Lab; readonly share: number }[]
}

/** How often a pattern repeats across a tile where its true size is not asked for. */
export const repeatsOf = { small: 14, medium: 7, large: 3 } as const satisfies Record<Scale, number>

/** Most of a repeat that figures standing apart can cover. */
const mostFigure = 0.72
const petals = 0.32

/** Which colour lies at (u, v) of the tile: 0 is the ground, then its parts. `alternate` says which of two crossing threads is on top. */
export function printAt(
  { pattern, repeats: count, parts }: Print,
  seed: number,
): (u: number, v: number, alternate: boolean) => number {
  const limits = parts.map((_, at) => parts.slice(0, at + 1).reduce((total, part) => total + part.share, 0))
  const whole = limits.at(-1) ?? 0
  const pick = (value: number): number => limits.findIndex((limit) => value < limit) + 1
  const step = (value: number): number => value * count - Math.floor(value * count)
  // bands both ways that cover a share s between them: each is 1 − √(1 − s) of the repeat
  const band = 1 - Math.sqrt(Math.max(0, 1 - whole))
  const within = (value: number): number => (whole > 0 ? (value / Math.max(band, 1e-6)) * whole : 1)
  // a figure that grows from its middle: `covered` is the area of the repeat nearer to the middle than the point
  const figure = (covered: number): number => {
    const most = Math.min(mostFigure, whole)
    return covered < most ? pick(covered * (whole / Math.max(most, 1e-6))) : 0
  }
  switch (pattern) {
    case 'plain':
      return () => 0
    case 'stripe':
      return (u) => pick(step(u))
    case 'check':
      return (u, v) => (step(u) < band ? pick(within(step(u))) : step(v) < band ? pick(within(step(v))) : 0)
    case 'plaid': {
      // one sett for warp and weft, mirrored about its middle: where they cross, each thread shows in turn
      const sett = (value: number): number => pick(Math.abs(2 * step(value) - 1))
      return (u, v, alternate) => (alternate ? sett(u) : sett(v))
    }
    case 'trellis':
      return (u, v) => {
        const [x, y] = [step(u + v), step(u - v)]
        return x < band ? pick(within(x)) : y < band ? pick(within(y)) : 0
      }
    case 'geometric':
      return (u, v) => {
        const far = Math.abs(step(u) - 0.5) + Math.abs(step(v) - 0.5) // diamonds: 2r² within r, to half; the rest is the corners
        const covered = far <= 0.5 ? 2 * far * far : 1 - 2 * (1 - far) * (1 - far)
        return covered < whole ? pick(covered) : 0
      }
    case 'motif':
    case 'floral': {
      const wave = pattern === 'floral' ? petals : 0
      return (u, v) => {
        const row = Math.floor(v * count)
        const [x, y] = [step(u + (row % 2 === 0 ? 0 : 0.5 / count)) - 0.5, step(v) - 0.5]
        const near = Math.hypot(x, y) / (1 + wave * Math.cos(5 * Math.atan2(y, x) + row))
        return figure(Math.PI * near * near * (1 + (wave * wave) / 2))
      }
    }
    case 'all over': {
      const spread = layered(count, count, 3, seed + 77)
      const sorted = Float32Array.from({ length: 4096 }, (_, at) =>
        spread((at % 64) / 64, Math.floor(at / 64) / 64),
      ).sort()
      const heights = limits.map((share) => sorted[Math.min(4095, Math.max(0, Math.round(share * 4095)))] ?? 0)
      return (u, v) => heights.findIndex((limit) => spread(u, v) < limit) + 1
    }
  }
}
