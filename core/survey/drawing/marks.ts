/** What a drawing is made of: marks on layers, in millimetres, each of which may stand for a thing. */
import type { Point } from '../point.ts'
import { widthOf } from './boxes.ts'

/** From the back to the front: dashed lines before what is written over them. */
export const layers = [
  'walls',
  'ceiling',
  'checks',
  'zones',
  'pieces',
  'opened',
  'openings',
  'fixtures',
  'dimensions',
  'names',
] as const

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
