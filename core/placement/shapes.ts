/**
 * Outlines of things on the floor. A thing is drawn about its middle with its back upwards and its front downwards, turned
 * counterclockwise about its middle, and moved to where it stands. Lengths in mm.
 */
import earcut from 'earcut'
import type { Fields } from '../makeover/kinds.ts'
import type { Point } from '../survey/index.ts'

export type Outline = readonly Point[]
export type Standing = { readonly xMm: number; readonly yMm: number; readonly turnDeg: number }
export type Footprint = Pick<Fields<'footprint'>, 'shape' | 'notchWidthMm' | 'notchDepthMm' | 'points'>
/** Room on each side of a thing. */
export type Sides = {
  readonly frontMm: number
  readonly backMm: number
  readonly leftMm: number
  readonly rightMm: number
}
export const noSides: Sides = { frontMm: 0, backMm: 0, leftMm: 0, rightMm: 0 }

/** How many corners a round outline is drawn with; its area is then within a third of a per cent. */
const roundCorners = 48

export const rectangleAbout = (widthMm: number, depthMm: number, more: Sides = noSides): Point[] => {
  const [left, right] = [-widthMm / 2 - more.leftMm, widthMm / 2 + more.rightMm]
  const [low, high] = [-depthMm / 2 - more.frontMm, depthMm / 2 + more.backMm]
  return [
    { x: left, y: low },
    { x: right, y: low },
    { x: right, y: high },
    { x: left, y: high },
  ]
}

/** The outline of a thing of a width and a depth, about its middle. What is drawn is moved so that its box lies about the middle. */
export function outlineOf(widthMm: number, depthMm: number, footprint: Footprint | null): Point[] {
  switch (footprint?.shape) {
    case 'round':
    case 'oval': {
      const [wide, deep] =
        footprint.shape === 'round' ? [Math.min(widthMm, depthMm), Math.min(widthMm, depthMm)] : [widthMm, depthMm]
      return Array.from({ length: roundCorners }, (_, at) => {
        const angle = (2 * Math.PI * at) / roundCorners
        return { x: (wide / 2) * Math.cos(angle), y: (deep / 2) * Math.sin(angle) }
      })
    }
    case 'L': {
      const [wide, deep] = [footprint.notchWidthMm ?? widthMm / 2, footprint.notchDepthMm ?? depthMm / 2]
      const [x, y] = [widthMm / 2, depthMm / 2]
      return [
        { x: -x, y: -y },
        { x: x - wide, y: -y },
        { x: x - wide, y: -y + deep },
        { x, y: -y + deep },
        { x, y },
        { x: -x, y },
      ]
    }
    case 'drawn': {
      const drawn = readPoints(footprint.points)
      if (drawn === null) return rectangleAbout(widthMm, depthMm)
      const xs = drawn.map(({ x }) => x)
      const ys = drawn.map(({ y }) => y)
      const [middleX, middleY] = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
      return drawn.map(({ x, y }) => ({ x: x - middleX, y: y - middleY }))
    }
    default:
      return rectangleAbout(widthMm, depthMm)
  }
}

/** Corners as they are typed, "0 0, 900 0, 900 600": null where they are no outline. */
export function readPoints(text: string): Point[] | null {
  const corners = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => part.split(/\s+/).map(Number))
  const points = corners.flatMap(([x, y, ...more]) =>
    x !== undefined && y !== undefined && more.length === 0 && Number.isFinite(x) && Number.isFinite(y)
      ? [{ x, y }]
      : [],
  )
  return points.length === corners.length && points.length >= 3 ? points : null
}

const radians = Math.PI / 180
/** Points of a thing where it stands. */
export function stood(points: Outline, { xMm, yMm, turnDeg }: Standing): Point[] {
  const [cos, sin] = [Math.cos(turnDeg * radians), Math.sin(turnDeg * radians)]
  return points.map(({ x, y }) => ({ x: xMm + cos * x - sin * y, y: yMm + sin * x + cos * y }))
}
/** Which way its front looks. */
export const frontOf = ({ turnDeg }: Pick<Standing, 'turnDeg'>): Point => ({
  x: Math.sin(turnDeg * radians),
  y: -Math.cos(turnDeg * radians),
})

/** An outline in convex parts: itself where it is convex. */
export function convexParts(outline: Outline): Outline[] {
  if (isConvex(outline)) return [outline]
  const flat = outline.flatMap(({ x, y }) => [x, y])
  const corners = earcut(flat)
  return Array.from({ length: corners.length / 3 }, (_, at) =>
    corners.slice(3 * at, 3 * at + 3).flatMap((corner) => outline[corner] ?? []),
  )
}
function isConvex(outline: Outline): boolean {
  let sign = 0
  return outline.every((point, at) => {
    const [next, after] = [outline[(at + 1) % outline.length], outline[(at + 2) % outline.length]]
    if (!next || !after) return true
    const turn = (next.x - point.x) * (after.y - next.y) - (next.y - point.y) * (after.x - next.x)
    if (Math.abs(turn) < 1e-9) return true
    if (sign !== 0 && Math.sign(turn) !== sign) return false
    sign = Math.sign(turn)
    return true
  })
}
