/** Layouts and cutting lists as drawings in mm, to take to the workshop: SVG and PDF draw the same marks. */
import { writeDimension, type UnitSystem } from '../measure/length.ts'
import { widthOf, type Drawing, type Mark, type Point } from '../survey/index.ts'
import type { Face } from './faces.ts'
import { boxOf, rectangle } from './outlines.ts'
import type { CutBar, Shape } from './take-off/told.ts'

const line = (
  points: readonly Point[],
  stroke: 'heavy' | 'firm' | 'fine' | 'dashed',
  filled?: 'paper' | 'wall',
): Mark => ({
  is: 'line',
  layer: stroke === 'heavy' ? 'walls' : 'fixtures',
  stroke,
  points,
  closed: true,
  ...(filled ? { filled } : {}),
})
const label = (text: string, at: Point, size: number, strong = false): Mark => ({
  is: 'text',
  layer: 'names',
  at,
  text,
  size,
  turn: 0,
  ...(strong ? { strong } : {}),
})

/** An arrow in the middle of a width, the way its pile lies; nothing for what has none. */
export function pileOf({ along, outline }: Shape, halfMm: number): Point[][] {
  if (!along || outline.length === 0) return []
  const { left, right, low, high } = boxOf(outline)
  const [x, y, barb] = [(left + right) / 2, (low + high) / 2, halfMm / 5]
  const point = (ahead: number, aside: number): Point =>
    along === 'x' ? { x: x + ahead, y: y + aside } : { x: x + aside, y: y + ahead }
  return [
    [point(-halfMm, 0), point(halfMm, 0)],
    [point(halfMm - barb, barb), point(halfMm, 0), point(halfMm - barb, -barb)],
  ]
}

/** One face with every strip, tile, board or frame where it lies; what is cut is grey. Openings lie over it. */
export function layoutDrawing(face: Face, shapes: readonly Shape[], units: UnitSystem, text: number): Drawing {
  const clipped = shapes
    .map((shape) => ({ shape, outline: inside(shape.outline, face) }))
    .filter(({ outline }) => outline.length > 2)
  const marks: Mark[] = [
    line(face.outline, 'heavy', 'paper'),
    ...clipped.map(({ shape, outline }) =>
      line(outline, 'fine', (shape.kind === 'tile' || shape.kind === 'board') && !shape.whole ? 'wall' : 'paper'),
    ),
    ...clipped
      .flatMap(({ shape }) => pileOf(shape, face.height / 8))
      .map((points): Mark => ({ is: 'line', layer: 'fixtures', stroke: 'firm', points, closed: false })),
    ...face.openings.map(({ outline }) => line(outline, 'firm', 'paper')),
    ...face.fixed.map(({ outline }) => line(outline, 'firm', 'paper')),
    line(face.outline, 'heavy'),
    ...clipped.flatMap(({ shape, outline }): Mark[] => {
      if (shape.text === '') return []
      const box = boxOf(outline)
      return [label(shape.text, { x: (box.left + box.right) / 2, y: box.low + text * 1.2 }, text)]
    }),
    label(writeDimension(face.width, units), { x: face.width / 2, y: -text * 1.6 }, text),
    label(
      writeDimension(face.height, units),
      { x: -widthOf(writeDimension(face.height, units), text) / 2 - text, y: face.height / 2 },
      text,
    ),
  ]
  const side = widthOf(writeDimension(face.height, units), text) + 2 * text
  return {
    marks,
    bounds: { left: -side, right: face.width + text, bottom: -3 * text, top: face.height + text },
    unplaced: [],
  }
}

/** Clipped to the box of the face, so that nothing of a strip or a tile is drawn beside it. */
const inside = (outline: readonly Point[], { width, height }: Face): Point[] => {
  const within = (value: number, most: number): number => Math.min(most, Math.max(0, value))
  const moved = outline.map(({ x, y }) => ({ x: within(x, width), y: within(y, height) }))
  const box = boxOf(moved)
  return box.right - box.left < 1 || box.high - box.low < 1 ? [] : moved
}

/** Rolls or lengths under one another, each with its pieces in the order they are cut. */
export function cutsDrawing(bars: readonly CutBar[], units: UnitSystem, text: number): Drawing {
  const tall = text * 2.4
  const step = tall + text * 2.2
  const longest = Math.max(1, ...bars.map(({ lengthMm }) => lengthMm))
  const named = Math.max(...bars.map(({ name }) => widthOf(name, text)), 0) + 2 * text
  const marks = bars.flatMap((bar, at): Mark[] => {
    const y = -at * step
    return [
      line(rectangle(0, y - tall, bar.lengthMm, tall), 'firm', 'wall'),
      ...bar.pieces.flatMap((piece): Mark[] => {
        const said = `${piece.text}  ${writeDimension(piece.lengthMm, units)}`
        const short = writeDimension(piece.lengthMm, units)
        const fits = [said, short].find((words) => widthOf(words, text) < piece.lengthMm)
        return [
          line(rectangle(piece.fromMm, y - tall, piece.lengthMm, tall), 'firm', 'paper'),
          ...(fits ? [label(fits, { x: piece.fromMm + piece.lengthMm / 2, y: y - tall / 2 }, text)] : []),
        ]
      }),
      label(bar.name, { x: -named / 2, y: y - tall / 2 }, text, true),
      label(writeDimension(bar.lengthMm, units), { x: bar.lengthMm / 2, y: y - tall - text }, text * 0.8),
    ]
  })
  return {
    marks,
    bounds: { left: -named, right: longest + text, bottom: -bars.length * step, top: text },
    unplaced: [],
  }
}
