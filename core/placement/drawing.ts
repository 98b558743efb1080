/** The plan with what stands there, as a drawing for files: outlines to scale, open states dashed, names. Lengths in mm. */
import { around, planOf, type Drawing, type PlanOptions, type Room, type Sheet } from '../survey/index.ts'
import type { Body } from './bodies.ts'

export function placedPlan(room: Room, bodies: readonly Body[], options: PlanOptions): Drawing {
  // what lies flat is drawn first, then from the lowest up
  const sorted = bodies.toSorted(
    (left, right) => Number(right.thing?.flat ?? false) - Number(left.thing?.flat ?? false) || left.top - right.top,
  )
  return planOf(room, {
    ...options,
    diagonals: false,
    fixtures: false,
    things: (page: Sheet) => {
      for (const { outline, open } of sorted) {
        page.draw({ is: 'line', layer: 'pieces', stroke: 'firm', points: outline, closed: true, filled: 'paper' })
        for (const state of open) page.dashed({ layer: 'opened', points: state.outline, closed: true })
      }
      for (const body of sorted.toReversed()) {
        const { xMm: x, yMm: y } = body.at
        // of what lies flat the middle is mostly covered: its name goes to its edge
        const corner = body.outline[0] ?? { x, y }
        const at = body.thing?.flat ? { x: x + (corner.x - x) * 0.6, y: y + (corner.y - y) * 0.85 } : { x, y }
        page.label(body.name, around(at, options.text), 'names')
      }
    },
  })
}
