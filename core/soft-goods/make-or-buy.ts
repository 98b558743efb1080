/** Made or bought: whole packs of supplies, hire and hours against a price, and where the two are equal. Money in minor units. */
import { minor, minus, sum, type Minor } from '../money/minor.ts'
import { wrong, type Wrong } from './cloth.ts'

export type MakeAsked = {
  /** Whole packs of what has to be bought for it; what is left over at home costs nothing. */
  readonly supplies: readonly { readonly packs: number; readonly priceMinor: Minor }[]
  readonly hireMinor: Minor
  readonly hours: number
  readonly rateMinor: Minor
  readonly boughtMinor: Minor
}
export type MadeOrBought = {
  readonly suppliesMinor: Minor
  readonly workMinor: Minor
  readonly madeMinor: Minor
  /** What making it saves; below zero where bought is cheaper. */
  readonly savedMinor: Minor
  /** At this rate, so many hours make the two equal; null where bought is cheaper before an hour is counted, or the rate is nothing. */
  readonly equalHours: number | null
  /** At these hours, that rate makes the two equal; null likewise. */
  readonly equalRateMinor: Minor | null
}
export type MakeResult = { readonly ok: true; readonly found: MadeOrBought } | Wrong

export function madeOrBought({ supplies, hireMinor, hours, rateMinor, boughtMinor }: MakeAsked): MakeResult {
  const flat = supplies.find(({ packs, priceMinor }) => !Number.isInteger(packs) || packs < 0 || priceMinor < 0)
  if (flat) return wrong('supplies', 'are whole packs at a price: expected 0 or more of each')
  if (!(hours >= 0)) return wrong('hours', 'are below nothing')
  if (rateMinor < 0) return wrong('rate', 'is below nothing')
  if (boughtMinor < 0) return wrong('bought', 'is below nothing')
  const things = sum([...supplies.map(({ packs, priceMinor }) => minor(packs * priceMinor)), hireMinor])
  const work = minor(Math.round(hours * rateMinor))
  const made = sum([things, work])
  const left = minus(boughtMinor, things)
  return {
    ok: true,
    found: {
      suppliesMinor: things,
      workMinor: work,
      madeMinor: made,
      savedMinor: minus(boughtMinor, made),
      equalHours: left > 0 && rateMinor > 0 ? left / rateMinor : null,
      equalRateMinor: left > 0 && hours > 0 ? minor(Math.floor(left / hours)) : null,
    },
  }
}
