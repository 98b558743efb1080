/** Where marks lie on a sheet: turned boxes, whether they meet, and a shelf that finds them by place. */

/** A box that lies at any angle: its middle, half its length and height, and the direction of its length. */
export type Box = {
  readonly x: number
  readonly y: number
  readonly half: number
  readonly tall: number
  readonly cos: number
  readonly sin: number
  readonly reachX: number
  readonly reachY: number
}

export const box = (x: number, y: number, half: number, tall: number, cos: number, sin: number): Box => ({
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
export const reach = ({ half, tall, cos: c, sin: s }: Box, cos: number, sin: number): number =>
  half * Math.abs(c * cos + s * sin) + tall * Math.abs(c * sin - s * cos)

const apartAlong = (box: Box, right: Box, cos: number, sin: number): boolean =>
  Math.abs((right.x - box.x) * cos + (right.y - box.y) * sin) >= reach(box, cos, sin) + reach(right, cos, sin) - 1e-9

/** Do two boxes overlap? Separating axes, after a look at their upright bounds. */
export function overlap(box: Box, right: Box): boolean {
  if (Math.abs(right.x - box.x) >= box.reachX + right.reachX || Math.abs(right.y - box.y) >= box.reachY + right.reachY)
    return false
  return !(
    apartAlong(box, right, box.cos, box.sin) ||
    apartAlong(box, right, -box.sin, box.cos) ||
    apartAlong(box, right, right.cos, right.sin) ||
    apartAlong(box, right, -right.sin, right.cos)
  )
}

export type Shelf = { readonly put: (box: Box) => void; readonly meets: (box: Box) => boolean }

/** Boxes by the squares of a grid they lie in, so that only near ones are held against each other. */
export function shelf(square: number): Shelf {
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
