/**
 * A carrier, and a seller, that are not there: asked about a delivery, they answer as real ones would, and badly on request. Seeded: the
 * same question is answered the same each time.
 */
import { addDays, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import { seeded } from '#core/measure/seeded.ts'
import type { ArrivalState } from '#core/makeover/work-choices.ts'

export const carrierBehaviours = ['confirms', 'delays', 'sends short', 'says nothing'] as const
export type CarrierBehaviour = (typeof carrierBehaviours)[number]

export type AskedCarrier = {
  readonly comesOn: PlainDate
  readonly packs: number
  readonly behaves: CarrierBehaviour
  readonly seed: number
}
export type CarrierAnswer = {
  readonly state: ArrivalState
  readonly comesOn: PlainDate
  readonly packs: number
  readonly earliestMinute: number
  readonly latestMinute: number
  readonly words: string
}

/** Null where nobody answers. */
export function carrierSays({ comesOn, packs, behaves, seed }: AskedCarrier): CarrierAnswer | null {
  const random = seeded(seed)
  const starts = 60 * (7 + Math.floor(random() * 8))
  const window = { earliestMinute: starts, latestMinute: starts + 180 }
  switch (behaves) {
    case 'says nothing':
      return null
    case 'confirms':
      return { ...window, state: 'confirmed', comesOn, packs, words: `It comes on ${writeWeekdayDate(comesOn)}.` }
    case 'delays': {
      const later = 3 + Math.floor(random() * 18)
      const on = addDays(comesOn, later)
      return {
        ...window,
        state: 'late',
        comesOn: on,
        packs,
        words: `It is held up, and comes ${later} days later, on ${writeWeekdayDate(on)}.`,
      }
    }
    case 'sends short': {
      const sent = Math.max(1, packs - 1 - Math.floor(random() * Math.max(1, packs / 3)))
      return packs < 2
        ? { ...window, state: 'part', comesOn, packs, words: 'It comes, and a part of it is sent on later.' }
        : {
            ...window,
            state: 'part',
            comesOn,
            packs: sent,
            words: `${sent} of ${packs} come; the rest is not packed yet.`,
          }
    }
  }
}
