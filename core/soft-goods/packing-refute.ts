/**
 * Which lengths are too short, by scales on both sides at once: dual feasible functions count a panel that is wider, or longer, than all
 * but a rest as the whole, and one smaller than that rest as nothing (Fekete and Schepers, 1997). Lengths in mm.
 */
import type { Cloth } from './cloth.ts'
import type { Panel } from './packing.ts'

type Sides = readonly (readonly [across: number, along: number])[]
const scaled = (size: number, rest: number, whole: number): number =>
  size > whole - rest + 1e-9 ? whole : size < rest - 1e-9 ? 0 : size

/** Can these panels, each lying in one of its ways, not lie on so much cloth? What it does not refute may still be too short. */
function isRefuted(panels: readonly Sides[], widthMm: number, lengthMm: number): boolean {
  if (panels.some((ways) => ways.every(([, along]) => along > lengthMm + 1e-9))) return true
  const restsOf = (side: 0 | 1, whole: number): number[] => [
    ...new Set([
      0,
      ...panels.flatMap((ways) => ways.map((way) => way[side])).filter((size) => size <= whole / 2 + 1e-9),
    ]),
  ]
  const alongs = restsOf(1, lengthMm)
  const limit = widthMm * lengthMm * (1 + 1e-9)
  return restsOf(0, widthMm).some((across) =>
    alongs.some((along) => {
      let sum = 0
      for (const ways of panels) {
        let least = Infinity
        for (const [wide, long] of ways) {
          const share = scaled(wide, across, widthMm) * scaled(long, along, lengthMm)
          if (share < least) least = share
        }
        sum += least
        if (sum > limit) return true
      }
      return false
    }),
  )
}

const halvings = 7
/** The greatest length under which none can be that is found between a known bound and a packing; the packing's own where it is the shortest. */
export function refutedUpTo(panels: readonly Panel[], { widthMm }: Cloth, leastMm: number, foundMm: number): number {
  const sides = panels.map(({ widthMm: across, lengthMm: along, mayTurn }): Sides =>
    [[across, along] as const, ...(mayTurn ? [[along, across] as const] : [])].filter(
      ([wide]) => wide <= widthMm + 1e-9,
    ),
  )
  if (isRefuted(sides, widthMm, foundMm - 1e-3)) return foundMm
  let [low, high] = [leastMm, foundMm]
  for (let at = 0; at < halvings; at++) {
    const middle = (low + high) / 2
    if (isRefuted(sides, widthMm, middle)) low = middle
    else high = middle
  }
  return low
}
