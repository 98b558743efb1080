/**
 * A drawing as plain marks in mm, y upwards, and the places on it that are taken. Labels and dimension lines are put
 * where nothing else is: a place is tried, and the next one, and what finds none is left out and listed.
 */
import type { Point } from '../point.ts'
import { type Box, type Shelf, box, overlap, shelf, widthOf } from './boxes.ts'
import { type Drawing, type Layer, type Mark, type Subject, boundsOf } from './marks.ts'

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
   * before it is crossed by the extension line of another, but no more than three rows. The other side comes last.
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
