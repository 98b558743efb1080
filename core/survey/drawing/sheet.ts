/**
 * A drawing as plain marks in mm, y upwards, and the places on it that are taken. Labels and dimension lines are put
 * where nothing else is: a place is tried, and the next one, and what finds none is left out and listed.
 */
import type { Point } from '../adjust.ts'

export const layers = ['walls', 'openings', 'fixtures', 'zones', 'ceiling', 'checks', 'dimensions', 'names'] as const
export type Layer = (typeof layers)[number]
export type DrawnKind = 'wall' | 'opening' | 'fixture' | 'diagonal' | 'zone' | 'room'
export type Subject = { readonly kind: DrawnKind; readonly id: string }
/** heavy: walls. firm: what is seen. fine: dimension lines. dashed: what is above, thought, or measured across. */
export type Stroke = 'heavy' | 'firm' | 'fine' | 'dashed'

export type Mark =
  | { readonly is: 'line'; readonly layer: Layer; readonly stroke: Stroke; readonly points: readonly Point[]; readonly closed?: boolean; readonly filled?: 'wall' | 'paper' | 'none'; readonly subject?: Subject }
  /** Counterclockwise from one angle to the other, in degrees. */
  | { readonly is: 'arc'; readonly layer: Layer; readonly stroke: Stroke; readonly centre: Point; readonly radius: number; readonly from: number; readonly to: number; readonly subject?: Subject }
  /** Centred at its place, turned counterclockwise. `size` is its height in mm of the room. `length` where the text is one that can be typed anew. */
  | { readonly is: 'text'; readonly layer: Layer; readonly at: Point; readonly text: string; readonly size: number; readonly turn: number; readonly subject?: Subject; readonly strong?: boolean; readonly marked?: boolean; readonly length?: boolean }

export type Bounds = { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number }
export type Drawing = { readonly marks: readonly Mark[]; readonly bounds: Bounds; /** Lengths that found no free place. */ readonly unplaced: readonly string[] }

/** A box that lies at any angle: its middle, half its length and height, and the direction of its length. */
type Box = { readonly x: number; readonly y: number; readonly half: number; readonly tall: number; readonly cos: number; readonly sin: number; readonly reachX: number; readonly reachY: number }
const box = (x: number, y: number, half: number, tall: number, cos: number, sin: number): Box => ({ x, y, half, tall, cos, sin, reachX: Math.abs(half * cos) + Math.abs(tall * sin), reachY: Math.abs(half * sin) + Math.abs(tall * cos) })

/** How far a box reaches along a direction, either way from its middle. */
const reach = ({ half, tall, cos: c, sin: s }: Box, cos: number, sin: number): number => half * Math.abs(c * cos + s * sin) + tall * Math.abs(c * sin - s * cos)
const apartAlong = (one: Box, other: Box, cos: number, sin: number): boolean => Math.abs((other.x - one.x) * cos + (other.y - one.y) * sin) >= reach(one, cos, sin) + reach(other, cos, sin) - 1e-9
/** Do two boxes overlap? Separating axes, after a look at their upright bounds. */
function overlap(one: Box, other: Box): boolean {
  if (Math.abs(other.x - one.x) >= one.reachX + other.reachX || Math.abs(other.y - one.y) >= one.reachY + other.reachY) return false
  return !(apartAlong(one, other, one.cos, one.sin) || apartAlong(one, other, -one.sin, one.cos) || apartAlong(one, other, other.cos, other.sin) || apartAlong(one, other, -other.sin, other.cos))
}

type Shelf = { readonly put: (one: Box) => void; readonly meets: (one: Box) => boolean }
/** Boxes by the squares of a grid they lie in, so that only near ones are held against each other. */
function shelf(square: number): Shelf {
  const squares = new Map<number, Box[]>()
  const from = (at: number): number => Math.floor(at / square) + 4096
  function* keys({ x, y, reachX, reachY }: Box): Generator<number> {
    const [left, right, low, high] = [from(x - reachX), from(x + reachX), from(y - reachY), from(y + reachY)]
    for (let column = left; column <= right; column++) for (let row = low; row <= high; row++) yield column * 8192 + row
  }
  return {
    put: (one) => {
      for (const key of keys(one)) {
        const here = squares.get(key)
        if (here) here.push(one)
        else squares.set(key, [one])
      }
    },
    meets: (one) => {
      for (const key of keys(one)) if (squares.get(key)?.some((each) => overlap(one, each))) return true
      return false
    },
  }
}

/** The width of a text, as a share of its height, letter by letter: generous, so that what fits here fits in print. */
export const widthOf = (text: string, size: number): number => [...text].reduce((sum, letter) => sum + (/[\s\u00a0.,:'′″"|il]/.test(letter) ? 0.34 : /[A-ZMWmw²³]/.test(letter) ? 0.74 : 0.6), 0.1) * size

type Taken = 'text' | 'line' | 'extension' | 'faint'
export type Dimension = { readonly from: Point; readonly to: Point; /** Unit vector away from what is measured. */ readonly away: Point; readonly text: string; readonly subject?: Subject; readonly length?: boolean; readonly marked?: boolean; /** How far out it begins, in heights of text. */ readonly first?: number; /** Only on the given side. */ readonly oneSided?: boolean }

/** A sheet that fills up. `size` is the height of its text in mm of the room. */
export function sheet(size: number) {
  const marks: Mark[] = []
  const taken: Readonly<Record<Taken, Shelf>> = { text: shelf(size * 12), line: shelf(size * 12), extension: shelf(size * 12), faint: shelf(size * 12) }
  const unplaced: string[] = []
  const thin = size * 0.06

  const alongBox = (from: Point, to: Point, tall: number): Box => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1e-9
    return box((from.x + to.x) / 2, (from.y + to.y) / 2, length / 2, tall, (to.x - from.x) / length, (to.y - from.y) / length)
  }
  const textBox = (at: Point, text: string, cos: number, sin: number): Box => box(at.x, at.y, widthOf(text, size) / 2, size * 0.55, cos, sin)
  function free(one: Box, against: readonly Taken[]): boolean {
    return !against.some((kind) => taken[kind].meets(one))
  }

  /** Lines that nothing may be written over. */
  function keepClear(points: readonly Point[], closed = false): void {
    for (const [at, from] of points.entries()) {
      const to = points[at + 1] ?? (closed ? points[0] : undefined)
      if (to) taken.line.put(alongBox(from, to, thin))
    }
  }
  /** Lines that no text may lie on, and others may cross. */
  function keepTextOff(from: Point, to: Point): void {
    taken.faint.put(alongBox(from, to, thin))
  }
  /** A text at the first free of several places, or a shorter one; where all are taken it is left out and listed. */
  function label(text: string, places: readonly Point[], layer: Layer, of: { readonly shorter?: string; readonly subject?: Subject; readonly strong?: boolean; readonly marked?: boolean } = {}): boolean {
    const { shorter, ...rest } = of
    for (const said of shorter === undefined ? [text] : [text, shorter])
      for (const at of places) {
        const own = textBox(at, said, 1, 0)
        if (!free(own, ['text', 'line', 'extension', 'faint'])) continue
        taken.text.put(own)
        marks.push({ is: 'text', layer, at, text: said, size, turn: 0, ...rest })
        return true
      }
    unplaced.push(text)
    return false
  }
  /** A dimension line with its two extension lines, in the first free row away from what it measures. */
  function dimension(of: Dimension): boolean {
    const length = Math.hypot(of.to.x - of.from.x, of.to.y - of.from.y)
    if (length < 1e-6) return true
    const way = { x: (of.to.x - of.from.x) / length, y: (of.to.y - of.from.y) / length }
    const width = widthOf(of.text, size)
    const rows = Array.from({ length: 14 }, (_, row) => (of.first ?? 1.9) + row * 0.9)
    const sides = of.oneSided ? [1] : [1, -1]
    for (const side of sides)
      for (const row of rows) {
        const off = { x: of.away.x * side * row * size, y: of.away.y * side * row * size }
        const [a, b] = [{ x: of.from.x + off.x, y: of.from.y + off.y }, { x: of.to.x + off.x, y: of.to.y + off.y }]
        // its ends may stand on a wall
        const lineBox = alongBox(a, b, thin)
        const short = Math.min(size * 0.2, length / 4)
        const between = alongBox({ x: a.x + way.x * short, y: a.y + way.y * short }, { x: b.x - way.x * short, y: b.y - way.y * short }, thin)
        if (!free(lineBox, ['text']) || !free(between, ['line'])) continue
        // an extension line of another dimension may meet this one at its ends, not between them
        const inner = alongBox({ x: a.x + way.x * size * 0.4, y: a.y + way.y * size * 0.4 }, { x: b.x - way.x * size * 0.4, y: b.y - way.y * size * 0.4 }, thin)
        if (length > size && !free(inner, ['extension'])) continue
        const begin = (point: Point): Point => ({ x: point.x + of.away.x * side * size * 0.5, y: point.y + of.away.y * side * size * 0.5 })
        const beyond = (point: Point): Point => ({ x: point.x + of.away.x * side * size * 0.35, y: point.y + of.away.y * side * size * 0.35 })
        const extensions = [alongBox(begin(of.from), beyond(a), thin), alongBox(begin(of.to), beyond(b), thin)]
        if (!extensions.every((one) => free(one, ['text']))) continue
        // it reads from below or from the right
        const flip = Math.abs(way.x) < 0.05 ? Math.sign(way.y) || 1 : Math.sign(way.x)
        const [cos, sin] = [way.x * flip, way.y * flip]
        const lift = { x: -sin * size * 0.68, y: cos * size * 0.68 }
        const middle = { x: (a.x + b.x) / 2 + lift.x, y: (a.y + b.y) / 2 + lift.y }
        const past = (end: Point, sign: number): Point => ({ x: end.x + way.x * sign * (width / 2 + size * 0.35), y: end.y + way.y * sign * (width / 2 + size * 0.35) })
        const slid = (share: number): Point => ({ x: middle.x + way.x * length * share, y: middle.y + way.y * length * share })
        const play = 0.5 - width / 2 / length - size * 0.2 / length
        const places = play > 0 ? [middle, ...[0.5, 1].flatMap((part) => [slid(part * play), slid(-part * play)])] : [past(b, 1), past(a, -1)]
        const at = places.find((place) => {
          const own = textBox(place, of.text, cos, sin)
          return free(own, ['text', 'line', 'extension', 'faint']) && (play > 0 || extensions.every((one) => !overlap(own, one)))
        })
        if (!at) continue
        taken.line.put(lineBox)
        taken.text.put(textBox(at, of.text, cos, sin))
        for (const one of extensions) taken.extension.put(one)
        const tick = (end: Point): Mark => ({ is: 'line', layer: 'dimensions', stroke: 'firm', points: [{ x: end.x - (way.x + of.away.x) * size * 0.22, y: end.y - (way.y + of.away.y) * size * 0.22 }, { x: end.x + (way.x + of.away.x) * size * 0.22, y: end.y + (way.y + of.away.y) * size * 0.22 }] })
        marks.push(
          { is: 'line', layer: 'dimensions', stroke: 'fine', points: [begin(of.from), beyond(a)] },
          { is: 'line', layer: 'dimensions', stroke: 'fine', points: [begin(of.to), beyond(b)] },
          { is: 'line', layer: 'dimensions', stroke: 'fine', points: [a, b] },
          tick(a),
          tick(b),
          { is: 'text', layer: 'dimensions', at, text: of.text, size, turn: (Math.atan2(sin, cos) * 180) / Math.PI, ...(of.subject ? { subject: of.subject } : {}), ...(of.length ? { length: true } : {}), ...(of.marked ? { marked: true } : {}) },
        )
        return true
      }
    unplaced.push(of.text)
    return false
  }
  const finished = (): Drawing => ({ marks, bounds: boundsOf(marks), unplaced })
  return { size, draw: (...some: readonly Mark[]): void => void marks.push(...some), keepClear, keepTextOff, label, dimension, finished }
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
      const [cos, sin] = [Math.abs(Math.cos((mark.turn * Math.PI) / 180)), Math.abs(Math.sin((mark.turn * Math.PI) / 180))]
      hold(mark.at.x - reach * cos - (mark.size / 2) * sin, mark.at.y - reach * sin - (mark.size / 2) * cos)
      hold(mark.at.x + reach * cos + (mark.size / 2) * sin, mark.at.y + reach * sin + (mark.size / 2) * cos)
    }
  }
  return left > right ? { left: 0, right: 1000, bottom: -1000, top: 0 } : { left, right, bottom, top }
}
