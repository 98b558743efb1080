/** What is seen first from each door: what is large, stands out from what is behind it, and lies where the eye is. */
import { deltaE } from '../colour/difference.ts'
import type { Lab } from '../colour/lab.ts'
import type { Makeover } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import { labOf } from '../palette/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Body } from './bodies.ts'
import type { Door, Setting } from './setting.ts'
import { seenFrom, type Seen, type Sight } from './sight.ts'

export type SeenThing = Seen & {
  readonly body: Body
  /** Against the wall; null where its colour is not known. */
  readonly contrast: number | null
  /** Square metres as they face the eye, times the contrast. */
  readonly weight: number
  readonly rank: 'first' | 'competes' | 'seen' | 'hidden'
}
export type FirstSight = {
  readonly door: Door
  readonly eyeMm: number
  readonly things: readonly SeenThing[]
  readonly surfaces: Sight['surfaces']
}

/** The colour a thing is seen in: of the finish it carries, else of what was chosen. */
function colours(makeover: Makeover): (body: Body) => Lab | null {
  const finishes = new Map(paletteFinishes(makeover).map((finish) => [finish.pieceId, labOf(finish)]))
  return ({ thing }) => {
    if (!thing) return null
    const finish = finishes.get(thing.piece.id)
    if (finish) return finish
    const chosen = thing.piece.chosenId === null ? undefined : makeover.rows.candidate[thing.piece.chosenId]
    return chosen && chosen.labL !== null && chosen.labA !== null && chosen.labB !== null
      ? { L: chosen.labL, a: chosen.labA, b: chosen.labB }
      : null
  }
}

/** What is hardly seen is told as hidden, as a share. */
const hidden = 0.05

export function firstSights(makeover: Makeover, setting: Setting, bodies: readonly Body[], rules: Rules): FirstSight[] {
  const colourOf = colours(makeover)
  const walls = paletteFinishes(makeover).filter(
    ({ roomId, surface }) => roomId === setting.room.id && surface === 'walls',
  )
  const floors = paletteFinishes(makeover).filter(
    ({ roomId, surface }) => roomId === setting.room.id && surface === 'floor',
  )
  const [wall, floor] = [walls[0] ? labOf(walls[0]) : null, floors[0] ? labOf(floors[0]) : null]
  const eyeMm = rules['sight.eye']
  return setting.doors.map((door) => {
    const sight = seenFrom(setting, bodies, door.middle, eyeMm)
    const judged = sight.things.flatMap((seen) => {
      const body = bodies.find(({ id }) => id === seen.id)
      if (!body) return []
      const [colour, behind] = [colourOf(body), body.thing?.flat ? floor : wall]
      const contrast = colour && behind ? deltaE(colour, behind) : null
      return [{ ...seen, body, contrast, weight: seen.m2 * (contrast ?? 20) }]
    })
    const most = Math.max(0, ...judged.map(({ weight }) => weight))
    const things = judged
      .toSorted((left, right) => right.weight - left.weight)
      .map((seen, at): SeenThing => ({
        ...seen,
        rank:
          seen.share < hidden
            ? 'hidden'
            : at === 0
              ? 'first'
              : seen.weight >= (rules['sight.competes'] / 100) * most
                ? 'competes'
                : 'seen',
      }))
    return { door, eyeMm, things, surfaces: sight.surfaces }
  })
}
