/** A version for a client as the makeover stands now, with its plans drawn. */
import type { Documents } from '../makeover/change.ts'
import { headOf } from '../makeover/document.ts'
import { practiceOf } from '../makeover/practice.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { svgOf } from '../formats/svg.ts'
import { bodiesIn, firstSights, floorOf, layoutOf, placedPlan, thingsOf } from '../placement/index.ts'
import { reckon } from '../reckoning/reckon.ts'
import { fit, roomsOf } from '../survey/index.ts'
import { partsOf, present, type Presented } from './presented.ts'

/** The plan of each room with what stands there, and what is seen first from its doors. */
function drawnPlans({ makeover, studio }: Documents): Presented['plans'] {
  const { rules } = practiceOf({ makeover, studio })
  const rooms = roomsOf(makeover, rules)
  const units = headOf(makeover)?.units ?? 'metric'
  const things = thingsOf(makeover, rules)
  return rooms.flatMap((room) => {
    const floor = floorOf(room)
    if (!floor || room.outline.length < 3) return []
    const layout = layoutOf(makeover, room.id)
    const bodies = layout ? bodiesIn(makeover, layout.id, things) : []
    const plan = (text: number) => placedPlan(room, bodies, { text, units, rules, beside: rooms })
    const { drawing, scale } = fit(plan, 'a4', units, 2.5, { side: 12, top: 12, bottom: 12 })
    const sights = firstSights(makeover, floor.setting, bodies, rules)
    return [
      {
        room: room.name,
        svg: svgOf(drawing, scale, room.name),
        firstSeen: [
          ...new Set(
            sights.flatMap(({ things: seen }) =>
              seen.filter(({ rank }) => rank === 'first').map(({ body }) => body.name),
            ),
          ),
        ],
      },
    ]
  })
}

/** What a version holds now, for sending it or showing it live. */
export function presentNow(documents: Documents, parts: string, greeting: string, today: PlainDate): Presented {
  const shows = partsOf(parts)
  return present(
    documents,
    reckon(documents, today),
    shows,
    greeting,
    shows.includes('plan') ? drawnPlans(documents) : null,
  )
}
