import { v7 as uuidv7 } from 'uuid'
import type { Row } from '#core/makeover/kinds.ts'
import { zero, type Minor } from '#core/money/minor.ts'
import { packsFor, type PackSet } from '#core/purchases/index.ts'
import { bounded } from '../parts/bounded.ts'
import { moneyField, numberField, rateField, yesField, type Field } from '../parts/form.ts'

/** A line of an order as it is typed. */
export type Line = {
  piece: Row<'piece'>
  candidate: Row<'candidate'>
  /** Which of the sizes it is bought in, from 0. */
  size: number
  id: string
  fields: {
    packs: Field<number>
    priceMinor: Field<Minor>
    discountPpm: Field<number>
    deliveryMinor: Field<Minor>
    offCoupon: Field<boolean>
  }
}

/** A line for each size of pack a thing is bought in; delivery and work are of the first, since they are of all of it. */
export function linesFor(
  piece: Row<'piece'>,
  candidate: Row<'candidate'>,
  sets: readonly PackSet[],
  open: number,
  currency: string,
): Line[] {
  const { packSize, priceMinor } = candidate
  const single = { packSize, priceMinor, packs: packsFor(Math.max(open, 0.001), packSize) }
  return (sets.length > 0 ? sets : [single]).map((set, size): Line => {
    const further = size > 0
    return {
      piece,
      candidate: {
        ...candidate,
        packSize: set.packSize,
        priceMinor: set.priceMinor,
        ...(further ? { workMinor: zero, hours: 0 } : {}),
      },
      size,
      id: uuidv7(),
      fields: bounded('purchase', {
        packs: numberField(set.packs, 0),
        priceMinor: moneyField(currency, set.priceMinor),
        discountPpm: rateField(candidate.discountPpm),
        deliveryMinor: moneyField(currency, further ? zero : candidate.deliveryMinor),
        offCoupon: yesField(false),
      }),
    }
  })
}
