/** Where tiles lie by their layout, over a box. Lengths in mm. */
import type { Point } from '../survey/index.ts'
import { rectangle, type Box } from './outlines.ts'
import type { Laying, Tile } from './tiles.ts'

/** Width and height of a tile as it lies. */
export function sideOf({ widthMm, heightMm }: Tile, { layout, turned }: Laying): { width: number; height: number } {
  const upright = (layout === 'stacked') !== turned
  return upright && layout !== 'herringbone' && layout !== 'diagonal'
    ? { width: Math.min(widthMm, heightMm), height: Math.max(widthMm, heightMm) }
    : { width: Math.max(widthMm, heightMm), height: Math.min(widthMm, heightMm) }
}

/** The corner of a tile that the laying starts from: the middle of the region, moved. */
export const originOf = (box: Box, { startMm, upMm }: Laying): Point => ({
  x: (box.left + box.right) / 2 + startMm,
  y: (box.low + box.high) / 2 + upMm,
})

/** Every tile that could touch the box, as an outline. */
export function outlinesOf(box: Box, tile: Tile, laying: Laying): Point[][] {
  const { width, height } = sideOf(tile, laying)
  const [acrossMm, upMm] = [width + tile.jointMm, height + tile.jointMm]
  const origin = originOf(box, laying)
  if (laying.layout === 'herringbone') return herringbone(box, origin, width, height, tile.jointMm)
  if (laying.layout === 'diagonal') {
    const reach =
      Math.hypot(box.right - box.left, box.high - box.low) / 2 + Math.hypot(laying.startMm, laying.upMm) + acrossMm
    return grid(-reach, reach, -reach, reach, acrossMm, upMm, () => 0).map(({ x, y }) =>
      rectangle(x, y, width, height).map((point) => rotated(point, origin, Math.PI / 4)),
    )
  }
  const step = laying.layout === 'half' ? acrossMm / 2 : laying.layout === 'third' ? acrossMm / 3 : 0
  return grid(
    box.left - origin.x - acrossMm,
    box.right - origin.x,
    box.low - origin.y - upMm,
    box.high - origin.y,
    acrossMm,
    upMm,
    (row) => (step === 0 ? 0 : (((row * step) % acrossMm) + acrossMm) % acrossMm),
  ).map(({ x, y }) => rectangle(x + origin.x, y + origin.y, width, height))
}

const rotated = ({ x, y }: Point, about: Point, angle: number): Point => ({
  x: about.x + x * Math.cos(angle) - y * Math.sin(angle),
  y: about.y + x * Math.sin(angle) + y * Math.cos(angle),
})

/** Lower left corners of a grid that covers a box, row by row, each row moved by its own step. */
function grid(
  left: number,
  right: number,
  low: number,
  high: number,
  across: number,
  up: number,
  stepOf: (row: number) => number,
): Point[] {
  const corners: Point[] = []
  for (let row = Math.floor(low / up); row * up <= high; row++) {
    const step = stepOf(row)
    for (let column = Math.floor((left - step) / across); column * across + step <= right; column++)
      corners.push({ x: column * across + step, y: row * up })
  }
  return corners
}

/**
 * Herringbone at 45°: a lying and a standing tile repeat by (short, short) and (long, −long), joints counted in; so the two cover
 * their lattice, whatever their proportion.
 */
function herringbone(box: Box, origin: Point, long: number, short: number, joint: number): Point[][] {
  const [far, near] = [long + joint, short + joint]
  const reach =
    Math.hypot(box.right - box.left, box.high - box.low) +
    Math.hypot(origin.x - (box.left + box.right) / 2, origin.y - (box.low + box.high) / 2) +
    far
  const [steps, slides] = [Math.ceil(reach / near) + 1, Math.ceil(reach / far) + 1]
  const found: Point[][] = []
  for (let slide = -slides; slide <= slides; slide++)
    for (let step = -steps; step <= steps; step++) {
      const [x, y] = [step * near + slide * far, step * near - slide * far]
      if (Math.abs(x) > reach + far || Math.abs(y) > reach + far) continue
      const pair = [rectangle(x, y, long, short), rectangle(x + far, y + near - far, short, long)]
      found.push(...pair.map((outline) => outline.map((point) => rotated(point, origin, Math.PI / 4))))
    }
  return found
}
