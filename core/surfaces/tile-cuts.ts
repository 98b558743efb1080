/** How narrow the cuts of straight rows are at the edges of a region, and the origin that leaves the widest. */
import { boxOfAll, type Part } from './outlines.ts'
import { originOf, sideOf } from './tile-patterns.ts'
import type { Laying, Tile, Tiling } from './tiles.ts'

/** The edges of a region along an axis: where it ends, on which side it lies. */
function edgesOf(region: readonly Part[], axis: 'x' | 'y'): { readonly at: number; readonly side: 1 | -1 }[] {
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
  // where one part ends at an edge and the next begins there, nothing is cut
  return [...edges.values()].filter(({ at, side, run }) => {
    const facing = edges.get(`${at.toFixed(1)} ${-side}`)
    return !facing || Math.abs(facing.run - run) > 1
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

/** The narrowest cut of straight rows at the edges of a region, as a share of its tile. */
export function cutsOf(region: readonly Part[], tile: Tile, laying: Laying): number {
  if (region.length === 0) return 1
  const { width, height } = sideOf(tile, laying)
  const origin = originOf(boxOfAll(region), laying)
  const steps = laying.layout === 'half' ? [0, 1 / 2] : laying.layout === 'third' ? [0, 1 / 3, 2 / 3] : [0]
  const along = edgesOf(region, 'x').flatMap((edge) =>
    steps.map((step) => shareAt(edge, origin.x + step * (width + tile.jointMm), width + tile.jointMm, width)),
  )
  const up = edgesOf(region, 'y').map((edge) => shareAt(edge, origin.y, height + tile.jointMm, height))
  return Math.min(1, ...along, ...up)
}

/** The origin that leaves the widest cuts: each direction by itself, millimetre by millimetre, the nearest of the best. */
export function shifted(region: readonly Part[], tile: Tile, laying: Laying, narrowest: number): Tiling['better'] {
  const { width, height } = sideOf(tile, laying)
  const best = (field: 'startMm' | 'upMm', module: number, start: Laying): Laying => {
    let [found, most] = [start, cutsOf(region, tile, start)]
    for (let step = 1; step < module; step++)
      for (const by of [step, -step]) {
        const moved = { ...start, [field]: start[field] + by }
        if (Math.abs(by) > module / 2) continue
        const cuts = cutsOf(region, tile, moved)
        if (cuts > most + 1e-6) [found, most] = [moved, cuts]
      }
    return found
  }
  // the worse of the two directions hides the other: so each is looked for twice
  const once = best('upMm', height + tile.jointMm, best('startMm', width + tile.jointMm, laying))
  const twice = best('startMm', width + tile.jointMm, once)
  const found = cutsOf(region, tile, twice)
  return found > narrowest + 1e-6 ? { startMm: twice.startMm, upMm: twice.upMm, narrowest: found } : null
}
