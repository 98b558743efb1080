/**
 * A drawing as plain marks in mm, y upwards, and the places on it that are taken. Labels and dimension lines are put
 * where nothing else is: a place is tried, and the next one, and what finds none is left out and listed.
 */
import type { Point } from '../adjust.ts'

/** From the back to the front: dashed lines before what is written over them. */
export const layers = ['walls', 'ceiling', 'checks', 'zones', 'openings', 'fixtures', 'dimensions', 'names'] as const
export type Layer = (typeof layers)[number]
export type DrawnKind = 'wall' | 'opening' | 'fixture' | 'diagonal' | 'zone' | 'room'
export type Subject = { readonly kind: DrawnKind; readonly id: string }
/** heavy: walls. firm: what is seen. fine: dimension lines. dashed: what is above, thought, or measured across. */
export type Stroke = 'heavy' | 'firm' | 'fine' | 'dashed'

export type Mark =
  | {
      readonly is: 'line'
      readonly layer: Layer
      readonly stroke: Stroke
      readonly points: readonly Point[]
      readonly closed?: boolean
      readonly filled?: 'wall' | 'paper' | 'none'
      readonly subject?: Subject
    }
  /** Counterclockwise from one angle to the other, in degrees. */
  | {
      readonly is: 'arc'
      readonly layer: Layer
      readonly stroke: Stroke
      readonly centre: Point
      readonly radius: number
      readonly from: number
      readonly to: number
      readonly subject?: Subject
    }
  /** Centred at its place, turned counterclockwise. `size` is its height in mm of the room. `length` where the text is one that can be typed anew. */
  | {
      readonly is: 'text'
      readonly layer: Layer
      readonly at: Point
      readonly text: string
      readonly size: number
      readonly turn: number
      readonly subject?: Subject
      readonly strong?: boolean
      readonly marked?: boolean
      readonly length?: boolean
      /** It found no place but on a dashed line, which is broken under it. */ readonly breaks?: boolean
    }

export type Bounds = { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number }
export type Drawing = {
  readonly marks: readonly Mark[]
  readonly bounds: Bounds
  /** Lengths that found no free place. */ readonly unplaced: readonly string[]
}

/** A box that lies at any angle: its middle, half its length and height, and the direction of its length. */
type Box = {
  readonly x: number
  readonly y: number
  readonly half: number
  readonly tall: number
  readonly cos: number
  readonly sin: number
  readonly reachX: number
  readonly reachY: number
}
const box = (x: number, y: number, half: number, tall: number, cos: number, sin: number): Box => ({
  x,
  y,
  half,
  tall,
  cos,
  sin,
  reachX: Math.abs(half * cos) + Math.abs(tall * sin),
  reachY: Math.abs(half * sin) + Math.abs(tall * cos),
})

/** How far a box reaches along a direction, either way from its middle. */
const reach = ({ half, tall, cos: c, sin: s }: Box, cos: number, sin: number): number =>
  half * Math.abs(c * cos + s * sin) + tall * Math.abs(c * sin - s * cos)
const apartAlong = (box: Box, right: Box, cos: number, sin: number): boolean =>
  Math.abs((right.x - box.x) * cos + (right.y - box.y) * sin) >= reach(box, cos, sin) + reach(right, cos, sin) - 1e-9
/** Do two boxes overlap? Separating axes, after a look at their upright bounds. */
function overlap(box: Box, right: Box): boolean {
  if (Math.abs(right.x - box.x) >= box.reachX + right.reachX || Math.abs(right.y - box.y) >= box.reachY + right.reachY)
    return false
  return !(
    apartAlong(box, right, box.cos, box.sin) ||
    apartAlong(box, right, -box.sin, box.cos) ||
    apartAlong(box, right, right.cos, right.sin) ||
    apartAlong(box, right, -right.sin, right.cos)
  )
}

type Shelf = { readonly put: (box: Box) => void; readonly meets: (box: Box) => boolean }
/** Boxes by the squares of a grid they lie in, so that only near ones are held against each other. */
function shelf(square: number): Shelf {
  const squares = new Map<number, Box[]>()
  const squareAt = (at: number): number => Math.floor(at / square) + 4096
  /** Until one of the squares under a box answers yes. */
  function someSquare({ x, y, reachX, reachY }: Box, ask: (key: number) => boolean): boolean {
    const [left, right, low, high] = [
      squareAt(x - reachX),
      squareAt(x + reachX),
      squareAt(y - reachY),
      squareAt(y + reachY),
    ]
    for (let column = left; column <= right; column++)
      for (let row = low; row <= high; row++) if (ask(column * 8192 + row)) return true
    return false
  }
  return {
    put: (box) => {
      someSquare(box, (key) => {
        const here = squares.get(key)
        if (here) here.push(box)
        else squares.set(key, [box])
        return false
      })
    },
    meets: (box) => someSquare(box, (key) => squares.get(key)?.some((square) => overlap(box, square)) ?? false),
  }
}

/** The width of a text, as a share of its height, letter by letter: generous, so that what fits here fits in print. */
export const widthOf = (text: string, size: number): number =>
  [...text].reduce(
    (sum, letter) => sum + (/[\s\u00a0.,:'′″"|il]/.test(letter) ? 0.34 : /[A-ZMWmw²³]/.test(letter) ? 0.74 : 0.6),
    0.1,
  ) * size

type Taken = 'text' | 'line' | 'extension' | 'dashed'
/** What no text may ever lie on. */
const solid: readonly Taken[] = ['text', 'line', 'extension']
export type Dimension = {
  readonly from: Point
  readonly to: Point
  /** Unit vector away from what is measured. */ readonly away: Point
  readonly text: string
  readonly subject?: Subject
  readonly length?: boolean
  readonly marked?: boolean
  /** How far out it begins, in heights of text. */ readonly first?: number
  /** Only on the given side. */ readonly oneSided?: boolean
}

/** A sheet that fills up. `size` is the height of its text in mm of the room. */
export function sheet(size: number) {
  const marks: Mark[] = []
  const taken: Readonly<Record<Taken, Shelf>> = {
    text: shelf(size * 12),
    line: shelf(size * 12),
    extension: shelf(size * 12),
    dashed: shelf(size * 12),
  }
  const unplaced: string[] = []
  const thin = size * 0.06

  const alongBox = (start: Point, to: Point, tall: number): Box => {
    const length = Math.hypot(to.x - start.x, to.y - start.y) || 1e-9
    return box(
      (start.x + to.x) / 2,
      (start.y + to.y) / 2,
      length / 2,
      tall,
      (to.x - start.x) / length,
      (to.y - start.y) / length,
    )
  }
  const textBox = (at: Point, text: string, cos: number, sin: number): Box =>
    box(at.x, at.y, widthOf(text, size) / 2, size * 0.55, cos, sin)
  function free(box: Box, against: readonly Taken[]): boolean {
    return !against.some((kind) => taken[kind].meets(box))
  }

  /** Lines that nothing may be written over. */
  function keepClear(points: readonly Point[], closed = false): void {
    for (const [at, point] of points.entries()) {
      const to = points[at + 1] ?? (closed ? points[0] : undefined)
      if (to) taken.line.put(alongBox(point, to, thin))
    }
  }
  /** Dashed lines: others may cross them, and a text lies on one only where nothing else is free. */
  function dashed(mark: {
    readonly points: readonly Point[]
    readonly closed?: boolean
    readonly layer: Layer
    readonly subject?: Subject
  }): void {
    marks.push({ is: 'line', stroke: 'dashed', ...mark })
    for (const [at, point] of mark.points.entries()) {
      const to = mark.points[at + 1] ?? (mark.closed ? mark.points[0] : undefined)
      if (to) taken.dashed.put(alongBox(point, to, thin))
    }
  }
  /** The first place of a text that is free, if possible off the dashed lines too. */
  function placeFor(
    places: readonly Point[],
    boxAt: (at: Point) => Box,
    fits: (own: Box) => boolean = () => true,
  ): { readonly at: Point; readonly own: Box; readonly breaks?: true } | undefined {
    let onDashes: { readonly at: Point; readonly own: Box; readonly breaks: true } | undefined
    for (const at of places) {
      const own = boxAt(at)
      if (!free(own, solid) || !fits(own)) continue
      if (free(own, ['dashed'])) return { at, own }
      onDashes ??= { at, own, breaks: true }
    }
    return onDashes
  }
  /** A text at the first free of several places, or a shorter one; where all are taken it is left out and listed. */
  function label(
    text: string,
    places: readonly Point[],
    layer: Layer,
    options: {
      readonly shorter?: string
      readonly subject?: Subject
      readonly strong?: boolean
      readonly marked?: boolean
    } = {},
  ): boolean {
    const { shorter, ...rest } = options
    for (const said of shorter === undefined ? [text] : [text, shorter]) {
      const found = placeFor(places, (at) => textBox(at, said, 1, 0))
      if (!found) continue
      const { own, ...lies } = found
      taken.text.put(own)
      marks.push({ is: 'text', layer, text: said, size, turn: 0, ...lies, ...rest })
      return true
    }
    unplaced.push(text)
    return false
  }
  /**
   * A dimension line with its two extension lines, as near to what it measures as it finds room. It goes further out
   * before it is crossed by the extension line of another, but no more than three rows, and to the other side last.
   */
  function dimension(thisDimension: Dimension): boolean {
    const length = Math.hypot(thisDimension.to.x - thisDimension.from.x, thisDimension.to.y - thisDimension.from.y)
    if (length < 1e-6) return true
    const run: Run = {
      ...thisDimension,
      mm: length,
      way: {
        x: (thisDimension.to.x - thisDimension.from.x) / length,
        y: (thisDimension.to.y - thisDimension.from.y) / length,
      },
      width: widthOf(thisDimension.text, size),
    }
    let best: Laid | null = null
    for (const side of thisDimension.oneSided ? [1] : [1, -1])
      for (let row = 0; row < 14; row++) {
        const cost = row + (side === 1 ? 0 : 20)
        if (best && cost >= best.cost) break
        const laid = layRow(run, side * ((thisDimension.first ?? 1.9) + row * 0.9) * size)
        if (laid && (!best || cost + laid.cost < best.cost)) best = { ...laid, cost: cost + laid.cost }
        if (laid?.cost === 0) break
      }
    if (!best) {
      unplaced.push(thisDimension.text)
      return false
    }
    taken.line.put(best.line)
    taken.text.put(best.own)
    for (const extension of best.extensions) taken.extension.put(extension)
    marks.push(...best.marks)
    return true
  }
  type Run = Dimension & { readonly mm: number; readonly way: Point; readonly width: number }
  type Laid = {
    readonly cost: number
    readonly line: Box
    readonly own: Box
    readonly extensions: readonly Box[]
    readonly marks: readonly Mark[]
  }
  const step = (point: Point, way: Point, far: number): Point => ({
    x: point.x + way.x * far,
    y: point.y + way.y * far,
  })
  /** A dimension line so far off what it measures: null where something is in its way. */
  function layRow({ from: start, to, away, text, mm: length, way, width, ...subjects }: Run, far: number): Laid | null {
    const sign = Math.sign(far)
    const [a, b] = [step(start, away, far), step(to, away, far)]
    const line = alongBox(a, b, thin)
    if (!free(line, ['text'])) return null
    // its ends may stand on a wall
    const short = Math.min(size * 0.2, length / 4)
    if (!free(alongBox(step(a, way, short), step(b, way, -short), thin), ['line'])) return null
    const extensions = (
      [
        [start, a],
        [to, b],
      ] as const
    ).map(([root, end]) => [step(root, away, sign * size * 0.5), step(end, away, sign * size * 0.35)] as const)
    const boxes = extensions.map(([left, right]) => alongBox(left, right, thin))
    if (!boxes.every((box) => free(box, ['text']))) return null
    // an extension line of another dimension may meet this one at its ends, not between them
    const crossed =
      length > size && !free(alongBox(step(a, way, size * 0.4), step(b, way, -size * 0.4), thin), ['extension'])
    // it reads from below or from the right
    const flip = Math.abs(way.x) < 0.05 ? Math.sign(way.y) || 1 : Math.sign(way.x)
    const [cos, sin] = [way.x * flip, way.y * flip]
    const along = (mm: number, lift: number): Point => step(step(a, way, mm), { x: -sin, y: cos }, lift)
    const play = length - width - size * 0.4
    const places =
      play > 0
        ? [0, 0.17, -0.17, 0.33, -0.33, 0.5, -0.5].map((share) => along(length / 2 + share * play, size * 0.68))
        : [along(length + width / 2 + size * 0.35, 0), along(-width / 2 - size * 0.35, 0)]
    const found = placeFor(
      places,
      (at) => textBox(at, text, cos, sin),
      (own) => play > 0 || boxes.every((box) => !overlap(own, box)),
    )
    if (!found) return null
    const { own, ...lies } = found
    const tick = (end: Point): Mark => ({
      is: 'line',
      layer: 'dimensions',
      stroke: 'firm',
      points: [-0.22, 0.22].map((part) => step(end, { x: way.x + away.x, y: way.y + away.y }, part * size)),
    })
    const fine = (points: readonly Point[]): Mark => ({ is: 'line', layer: 'dimensions', stroke: 'fine', points })
    const said: Mark = {
      is: 'text',
      layer: 'dimensions',
      text,
      size,
      ...lies,
      turn: (Math.atan2(sin, cos) * 180) / Math.PI,
      ...(subjects.subject ? { subject: subjects.subject } : {}),
      ...(subjects.length ? { length: true } : {}),
      ...(subjects.marked ? { marked: true } : {}),
    }
    return {
      cost: crossed ? 3 : 0,
      line,
      own,
      extensions: boxes,
      marks: [...extensions.map(fine), fine([a, b]), tick(a), tick(b), said],
    }
  }
  const finished = (): Drawing => ({ marks, bounds: boundsOf(marks), unplaced })
  return {
    size,
    draw: (...some: readonly Mark[]): void => void marks.push(...some),
    keepClear,
    dashed,
    label,
    dimension,
    finished,
  }
}
export type Sheet = ReturnType<typeof sheet>

/** The upright rectangle that holds all marks. */
export function boundsOf(marks: readonly Mark[]): Bounds {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity]
  const hold = (x: number, y: number): void => {
    left = Math.min(left, x)
    right = Math.max(right, x)
    bottom = Math.min(bottom, y)
    top = Math.max(top, y)
  }
  for (const mark of marks) {
    if (mark.is === 'line') for (const point of mark.points) hold(point.x, point.y)
    else if (mark.is === 'arc') {
      hold(mark.centre.x - mark.radius, mark.centre.y - mark.radius)
      hold(mark.centre.x + mark.radius, mark.centre.y + mark.radius)
    } else {
      const reach = Math.max(widthOf(mark.text, mark.size) / 2, mark.size / 2)
      const [cos, sin] = [
        Math.abs(Math.cos((mark.turn * Math.PI) / 180)),
        Math.abs(Math.sin((mark.turn * Math.PI) / 180)),
      ]
      hold(mark.at.x - reach * cos - (mark.size / 2) * sin, mark.at.y - reach * sin - (mark.size / 2) * cos)
      hold(mark.at.x + reach * cos + (mark.size / 2) * sin, mark.at.y + reach * sin + (mark.size / 2) * cos)
    }
  }
  return left > right ? { left: 0, right: 1000, bottom: -1000, top: 0 } : { left, right, bottom, top }
}
