/** What is seen first from each door: what is large, stands out from what is behind it, and is as high as the eye. */
import { deltaE } from '../colour/difference.ts'
import type { Lab } from '../colour/lab.ts'
import type { Makeover } from '../makeover/document.ts'
import { eyeHeight } from '../makeover/household.ts'
import { liesOn, paletteFinishes } from '../makeover/laid.ts'
import { labOf } from '../palette/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Body } from './bodies.ts'
import type { Door, Setting } from './setting.ts'
import { seenFrom, type Seen, type Sight } from './sight.ts'

export type SeenThing = Seen & {
  readonly body: Body
  /** Against what is behind it, or under what lies flat; null where one of the two colours is not known. */
  readonly contrast: number | null
  /** How much its height counts: 1 at the height of the eye, as the rulebook says on the floor. */
  readonly height: number
  /** Square metres as they face the eye, times the contrast, times the height of its place. */
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

/** Where a colour is not known, it is taken to stand out as an ordinary thing does: ΔE00 20. */
const unknownContrast = 20

/** The colour of what is behind a thing at the height of its middle, or of the floor under what lies flat. */
function behind(makeover: Makeover, roomId: string) {
  const here = paletteFinishes(makeover).filter((row) => row.roomId === roomId && row.pieceId === null)
  const [floor] = here.filter((row) => liesOn(row, 'floor'))
  return ({ thing }: Body, wallId: string | null, middle: number): Lab | null => {
    if (thing?.flat) return floor ? labOf(floor) : null
    const on = here.flatMap((finish) =>
      finish.lies
        .filter(
          (lie) =>
            lie.surface === 'walls' &&
            lie.how !== 'moulding' &&
            (lie.wallId === null || lie.wallId === wallId) &&
            (lie.bandFromMm ?? 0) <= middle &&
            middle <= (lie.bandToMm ?? Infinity),
        )
        .map((lie) => ({
          finish,
          own: Number(lie.wallId !== null) + Number(lie.bandFromMm !== null || lie.bandToMm !== null),
        })),
    )
    const [nearest] = on.toSorted((left, right) => right.own - left.own)
    return nearest ? labOf(nearest.finish) : null
  }
}

/** What is hardly seen is told as hidden, as a share. */
const hidden = 0.05

export function firstSights(makeover: Makeover, setting: Setting, bodies: readonly Body[], rules: Rules): FirstSight[] {
  const colourOf = colours(makeover)
  const behindOf = behind(makeover, setting.room.id)
  const eyeMm = eyeHeight(makeover, rules)
  const low = rules['sight.low'] / 100
  return setting.doors.map((door) => {
    const sight = seenFrom(setting, bodies, door.middle, eyeMm)
    const judged = sight.things.flatMap((seen) => {
      const body = bodies.find(({ id }) => id === seen.id)
      if (!body) return []
      const middle = (body.low + Math.min(body.top, setting.heightMm)) / 2
      const [colour, ground] = [colourOf(body), behindOf(body, seen.behindId, middle)]
      const contrast = colour && ground ? deltaE(colour, ground) : null
      const height = 1 - (1 - low) * Math.min(1, Math.abs(middle - eyeMm) / eyeMm)
      return [{ ...seen, body, contrast, height, weight: seen.m2 * (contrast ?? unknownContrast) * height }]
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
