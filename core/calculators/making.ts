/** A way of making that is kept: the answers of its calculator as rows, and what it costs against what is bought. */
import type { Row } from '../makeover/kinds.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { add, edit, type Operation } from '../makeover/change.ts'
import { times, type Minor } from '../money/minor.ts'
import { madeOrBought, type MakeResult } from '../soft-goods/make-or-buy.ts'
import type { Ask, Calculator, Values } from './calculator.ts'

/** As it is kept: a number, a word, several lengths parted by blanks; empty for what nobody answered. */
export const storedAs = (value: Values[string] | undefined): string =>
  value === null || value === undefined ? '' : Array.isArray(value) ? value.join(' ') : String(value)

function readStored(ask: Ask, answer: string): Values[string] {
  switch (ask.as) {
    case 'choice':
      return ask.options.includes(answer) ? answer : ask.start
    case 'lengths':
      return answer.split(' ').flatMap((part) => (Number(part) > 0 ? [Number(part)] : []))
    default: {
      const value = Number(answer)
      return answer === '' || !Number.isFinite(value) ? null : value
    }
  }
}

const measuresOf = (makeover: Makeover, makingId: string): readonly Row<'measure'>[] =>
  rowsOf(makeover, 'measure').filter((row) => row.makingId === makingId)

/** What was answered of what a calculator asks; what nobody answered is not among it. */
export function answersOf(makeover: Makeover, calculator: Calculator, makingId: string): Values {
  const byAsked = new Map(measuresOf(makeover, makingId).map(({ asked, answer }) => [asked, answer]))
  return Object.fromEntries(
    calculator.asks.flatMap((ask) => {
      const answer = byAsked.get(ask.key)
      return answer === undefined ? [] : [[ask.key, readStored(ask, answer)]]
    }),
  )
}

/** What keeps these answers: rows added and changed, nothing for what is kept already. */
export function keepAnswers(makeover: Makeover, makingId: string, values: Values, newId: () => string): Operation[] {
  const kept = new Map(measuresOf(makeover, makingId).map((row) => [row.asked, row]))
  return Object.entries(values).flatMap(([asked, value]): Operation[] => {
    const answer = storedAs(value)
    const row = kept.get(asked)
    if (!row) return [add('measure', newId(), { makingId, asked, answer })]
    return row.answer === answer ? [] : [edit('measure', row, { answer })]
  })
}

export type Bought = {
  readonly row: Row<'supply'>
  readonly packs: number
  readonly cost: Minor
  readonly left: number
}
/** What is bought for it in whole packs: what is at home goes in first, and costs nothing. */
export const suppliesOf = (makeover: Makeover, makingId: string): Bought[] =>
  rowsOf(makeover, 'supply')
    .filter((row) => row.makingId === makingId)
    .toSorted((left, right) => left.place - right.place || (left.id < right.id ? -1 : 1))
    .map((row) => {
      const missing = Math.max(0, row.needed - row.atHome)
      const packs = missing > 0 ? Math.ceil(missing / row.packSize - 1e-9) : 0
      return {
        row,
        packs,
        cost: times(row.packMinor, packs),
        left: Math.round((row.atHome + packs * row.packSize - row.needed) * 1000) / 1000,
      }
    })

/** Made against bought; null while nobody said what either takes. */
export function madeAgainst(makeover: Makeover, making: Row<'making'>): MakeResult | null {
  const supplies = suppliesOf(makeover, making.id)
  if (making.boughtMinor === 0 || (making.hours === null && supplies.length === 0)) return null
  return madeOrBought({
    supplies: supplies.map(({ packs, row }) => ({ packs, priceMinor: row.packMinor })),
    hireMinor: making.hireMinor,
    hours: making.hours ?? 0,
    rateMinor: making.rateMinor,
    boughtMinor: making.boughtMinor,
  })
}
