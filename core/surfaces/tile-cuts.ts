/** How narrow the cuts of straight rows are at the edges of a region, and the origin that leaves the widest. */
import type { Rules } from '../rulebook/rulebook.ts'
import { boxOfAll, type Box, type Part } from './outlines.ts'
import { originOf, sideOf } from './tile-patterns.ts'
import type { Laying, Tile, Tiling } from './tiles.ts'

/** The edges of a region along an axis: where it ends, on which side it lies. */
type Edge = { readonly at: number; readonly side: 1 | -1; readonly run: number }
function edgesOf(region: readonly Part[], axis: 'x' | 'y'): Edge[] {
  const across = axis === 'x' ? 'y' : 'x'
  const edges = new Map<string, { at: number; side: 1 | -1; run: number }>()
  for (const part of region) {
    // of a part that is walked round clockwise the region lies on the other side
    const turn =
      Math.sign(
        part.reduce((sum, { x, y }, at) => {
          const next = part[(at + 1) % part.length] ?? { x, y }
          return sum + x * next.y - next.x * y
        }, 0),
      ) || 1
    for (const [at, point] of part.entries()) {
      const next = part[(at + 1) % part.length] ?? point
      if (Math.abs(point[axis] - next[axis]) > 1e-6 || Math.abs(point[across] - next[across]) < 1) continue
      const rising = next[across] > point[across]
      const side = (rising === (axis === 'y') ? 1 : -1) * turn > 0 ? 1 : -1
      const key = `${point[axis].toFixed(1)} ${side}`
      const run = Math.abs(next[across] - point[across])
      edges.set(key, { at: point[axis], side, run: run + (edges.get(key)?.run ?? 0) })
    }
  }
  // as far as one part ends at an edge and the next begins there, nothing is cut
  return [...edges.values()].flatMap((edge) => {
    const run = edge.run - (edges.get(`${edge.at.toFixed(1)} ${-edge.side}`)?.run ?? 0)
    return run > 1 ? [{ ...edge, run }] : []
  })
}

/** The share of a tile that stays at an edge, 0 to 1, a whole tile being 1. */
function shareAt(
  edge: { readonly at: number; readonly side: 1 | -1 },
  origin: number,
  module: number,
  size: number,
): number {
  const past = (((edge.at - origin) % module) + module) % module
  // within the joint the tile beside is whole
  if (past >= size - 1e-6) return 1
  const stays = edge.side > 0 ? size - past : past
  return stays < 1e-6 ? 1 : stays / size
}

export type Cuts = {
  /** The narrowest cut, as a share of its tile. */
  readonly narrowest: number
  /** How far along the edges the cuts are thinner than the least share, in mm. */
  readonly thinMm: number
}

/** The cuts of straight rows at the edges of a region. */
export function cutsOf(region: readonly Part[], tile: Tile, laying: Laying, rules: Rules): Cuts {
  if (region.length === 0) return { narrowest: 1, thinMm: 0 }
  return cutsAt({ x: edgesOf(region, 'x'), y: edgesOf(region, 'y') }, boxOfAll(region), tile, laying, rules)
}

type Edges = { readonly x: readonly Edge[]; readonly y: readonly Edge[] }
function cutsAt(edges: Edges, box: Box, tile: Tile, laying: Laying, rules: Rules): Cuts {
  const { width, height } = sideOf(tile, laying)
  const origin = originOf(box, laying)
  const steps = laying.layout === 'half' ? [0, 1 / 2] : laying.layout === 'third' ? [0, 1 / 3, 2 / 3] : [0]
  const across = width + tile.jointMm
  const shares = [
    ...edges.x.flatMap((edge) =>
      steps.map((step) => ({
        share: shareAt(edge, origin.x + step * across, across, width),
        run: edge.run / steps.length,
      })),
    ),
    ...edges.y.map((edge) => ({ share: shareAt(edge, origin.y, height + tile.jointMm, height), run: edge.run })),
  ]
  const least = rules['tile.sliver'] / 100 - 1e-6
  return {
    narrowest: Math.min(1, ...shares.map(({ share }) => share)),
    thinMm: shares.reduce((sum, { share, run }) => sum + (share < least ? run : 0), 0),
  }
}

/** Fewer thin cuts, else wider ones. */
const isBetter = (left: Cuts, right: Cuts): boolean =>
  left.thinMm < right.thinMm - 1 || (left.thinMm < right.thinMm + 1 && left.narrowest > right.narrowest + 1e-6)

/**
 * The origin that leaves the fewest thin cuts, then the widest: each direction by itself, millimetre by millimetre, the nearest of the
 * best. Null where none leaves fewer.
 */
export function shifted(region: readonly Part[], tile: Tile, laying: Laying, rules: Rules): Tiling['better'] {
  const { width, height } = sideOf(tile, laying)
  const edges = { x: edgesOf(region, 'x'), y: edgesOf(region, 'y') }
  const box = boxOfAll(region)
  const best = (field: 'startMm' | 'upMm', module: number, start: Laying): Laying => {
    const seen = field === 'startMm' ? { x: edges.x, y: [] } : { x: [], y: edges.y }
    const cutsFor = (moved: Laying): Cuts => cutsAt(seen, box, tile, moved, rules)
    let [found, most] = [start, cutsFor(start)]
    for (let step = 1; step <= module / 2; step++)
      for (const by of [step, -step]) {
        const moved = { ...start, [field]: start[field] + by }
        const cuts = cutsFor(moved)
        if (isBetter(cuts, most)) [found, most] = [moved, cuts]
      }
    return found
  }
  const moved = best('upMm', height + tile.jointMm, best('startMm', width + tile.jointMm, laying))
  const [before, after] = [laying, moved].map((tried) => cutsAt(edges, box, tile, tried, rules))
  return before && after && after.thinMm < before.thinMm - 1
    ? { startMm: moved.startMm, upMm: moved.upMm, narrowest: after.narrowest }
    : null
}
