/** A value at each point (u, v) of the unit square, which repeats beyond it. */
export type Field = (u: number, v: number) => number

/** Whole-number hash of a lattice point to 0..1: the same picture for the same seed, everywhere. */
export function lattice(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(seed, 2147483647 ^ 0x9e3779b1)
  h = Math.imul(h ^ (h >>> 13), 1274126177)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

/** Value noise of so many cells across and down, −1 to 1, without a seam. */
export function noise(cellsX: number, cellsY: number, seed: number): Field {
  const points = Float32Array.from(
    { length: cellsX * cellsY },
    (_, at) => 2 * lattice(at % cellsX, Math.floor(at / cellsX), seed) - 1,
  )
  return (u, v) => {
    const x = (u - Math.floor(u)) * cellsX
    const y = (v - Math.floor(v)) * cellsY
    const x0 = Math.floor(x) % cellsX
    const y0 = Math.floor(y) % cellsY
    const x1 = (x0 + 1) % cellsX
    const y1 = (y0 + 1) % cellsY
    let tx = x - Math.floor(x)
    let ty = y - Math.floor(y)
    tx = tx * tx * (3 - 2 * tx)
    ty = ty * ty * (3 - 2 * ty)
    const a = points[y0 * cellsX + x0] ?? 0
    const b = points[y0 * cellsX + x1] ?? 0
    const c = points[y1 * cellsX + x0] ?? 0
    const d = points[y1 * cellsX + x1] ?? 0
    const top = a + (b - a) * tx
    return top + (c + (d - c) * tx - top) * ty
  }
}

/** Noise in octaves, each twice as fine and half as strong as the one before. */
export function layered(cellsX: number, cellsY: number, octaves: number, seed: number): Field {
  const fields = Array.from({ length: octaves }, (_, octave) =>
    noise(cellsX << octave, cellsY << octave, seed + octave),
  )
  return (u, v) => {
    let total = 0
    let strength = 0.5
    for (const field of fields) {
      total += strength * field(u, v)
      strength /= 2
    }
    return total
  }
}

/** One thing of a scatter: where it lies from its middle, in cells, and its own random number. */
export type Scattered = { readonly dx: number; readonly dy: number; readonly chance: number; readonly turn: number }

/** Things scattered one to a cell, without a seam: those of the nine cells round a point, always in the same order. */
export function scatter(
  cells: number,
  seed: number,
): (u: number, v: number, see: (scattered: Scattered) => void) => void {
  const cell = { dx: 0, dy: 0, chance: 0, turn: 0 }
  const latticeOf = (what: number): Float32Array =>
    Float32Array.from({ length: cells * cells }, (_, at) => lattice(at % cells, Math.floor(at / cells), seed + what))
  const [places, heights, chances, turns] = [latticeOf(0), latticeOf(1), latticeOf(2), latticeOf(3)]
  return (u, v, see) => {
    const x = (u - Math.floor(u)) * cells
    const y = (v - Math.floor(v)) * cells
    const [cx, cy] = [Math.floor(x), Math.floor(y)]
    for (let row = -1; row <= 1; row++)
      for (let column = -1; column <= 1; column++) {
        const at = ((cy + row + cells) % cells) * cells + ((cx + column + cells) % cells)
        cell.dx = x - (cx + column) - 0.15 - 0.7 * (places[at] ?? 0)
        cell.dy = y - (cy + row) - 0.15 - 0.7 * (heights[at] ?? 0)
        cell.chance = chances[at] ?? 0
        cell.turn = 2 * Math.PI * (turns[at] ?? 0)
        see(cell)
      }
  }
}
