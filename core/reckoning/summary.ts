import { headOf, type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Minor } from '../money/minor.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { weights, type Weight } from '../remarks/remark.ts'
import type { Attention } from '../remarks/attention.ts'
import type { Reckoning } from './reckon.ts'

/** The reckoning line: what every page of a makeover shows at its top. Money in minor units of the currency. */
export type LineFigures = {
  readonly currency: string
  readonly paid: Minor
  readonly committed: Minor
  readonly stillToBuy: Minor
  readonly refundsDue: Minor
  readonly left: Minor
  readonly agreed: Minor
  readonly contingency: Minor
  readonly over: Minor
  readonly creditHeld: Minor
  readonly signed: boolean
  readonly installOn: PlainDate | null
  readonly slackDays: number | null
  readonly needs: number
  readonly needsCovered: number
  readonly remarks: Readonly<Record<Weight, number>>
}

/** One finish in the strip of materials, as much of it as needs drawing. */
export type StripPart = Pick<
  Row<'finish'>,
  'id' | 'name' | 'family' | 'texture' | 'sheen' | 'labL' | 'labA' | 'labB' | 'role'
> & { readonly visibleM2: number | null }

/** What the day page shows of a makeover. It holds nothing personal. */
export type Summary = {
  readonly id: string
  readonly name: string
  readonly rooms: readonly string[]
  readonly line: LineFigures
  readonly strip: readonly StripPart[]
  readonly attention: readonly Attention[]
}

export function lineFigures(makeover: Makeover, reckoning: Reckoning): LineFigures {
  const { total, agreement } = reckoning.money
  const head = headOf(makeover)
  const open = reckoning.remarks.filter((remark) => remark.accepted === null)
  return {
    currency: head?.currency ?? 'EUR',
    paid: total.paid,
    committed: total.committed,
    stillToBuy: total.stillToBuy,
    refundsDue: total.refundsDue,
    left: total.left,
    agreed: total.agreed,
    contingency: total.contingency,
    over: total.over,
    creditHeld: total.creditHeld,
    signed: agreement !== null,
    installOn: head?.installOn ?? null,
    slackDays: reckoning.slackDays,
    needs: reckoning.needs.length,
    needsCovered: reckoning.needs.filter((need) => need.covered).length,
    remarks: Object.fromEntries(
      weights.map((weight) => [weight, open.filter((remark) => remark.weight === weight).length]),
    ) as Record<Weight, number>,
  }
}

export function stripOf(makeover: Makeover, { palette }: Pick<Reckoning, 'palette'>): StripPart[] {
  const areas = new Map(palette.finishes.map((finish) => [finish.id, finish.area.m2]))
  return paletteFinishes(makeover).map(({ id, name, family, texture, sheen, labL, labA, labB, role }) => ({
    id,
    name,
    family,
    texture,
    sheen,
    labL,
    labA,
    labB,
    visibleM2: areas.get(id) ?? null,
    role,
  }))
}

export const summarise = (makeover: Makeover, reckoning: Reckoning): Summary => ({
  id: makeover.id,
  name: headOf(makeover)?.name ?? '',
  rooms: rowsOf(makeover, 'room').map((room) => room.name),
  line: lineFigures(makeover, reckoning),
  strip: stripOf(makeover, reckoning),
  attention: reckoning.attention,
})
