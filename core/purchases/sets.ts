/** Packs of several sizes: a thing that is sold in more than one tin or length is bought as a set of them. */
import { plus, sum, zero } from '../money/minor.ts'
import type { Row } from '../makeover/kinds.ts'
import { landedCost, packsFor, quantityOf, type Landed } from './landed.ts'

export type PackSet = Pick<Row<'candidate'>, 'packSize' | 'priceMinor'> & { readonly packs: number }

/**
 * What is still to be bought of a candidate for what is open: of each further size as many as were decided and not ordered yet, the rest in
 * its own pack. Without decided sizes all of it comes in its own pack.
 */
export function setsFor(
  candidate: Row<'candidate'>,
  sizes: readonly Row<'saleSize'>[],
  bought: readonly Row<'purchase'>[],
  open: number,
): PackSet[] {
  const sets: PackSet[] = []
  let left = open
  for (const { holds, priceMinor, wanted } of sizes) {
    const ordered = bought
      .filter((row) => row.packSize === holds && row.priceMinor === priceMinor)
      .reduce((packs, row) => packs + row.packs, 0)
    const packs = Math.min(Math.max(0, wanted - ordered), left > 0 ? packsFor(left, holds) : 0)
    if (packs === 0) continue
    sets.push({ packSize: holds, priceMinor, packs })
    left = Math.round((left - quantityOf(packs, holds)) * 1000) / 1000
  }
  const { packSize, priceMinor } = candidate
  return left > 0 ? [{ packSize, priceMinor, packs: packsFor(left, packSize) }, ...sets] : sets
}

/** A set as it lands: its delivery, and the work on it, are of all of it and counted once. */
export function landedSets(candidate: Row<'candidate'>, sets: readonly PackSet[]): Landed {
  const parts = sets.map(({ packs, ...size }, at) =>
    landedCost(
      at === 0 ? { ...candidate, ...size } : { ...candidate, ...size, deliveryMinor: zero, workMinor: zero, hours: 0 },
      packs,
    ),
  )
  const total = (field: Exclude<keyof Landed, 'packs'>) => sum(parts.map((part) => part[field]))
  return {
    packs: parts.reduce((packs, part) => packs + part.packs, 0),
    goods: total('goods'),
    discount: total('discount'),
    coupon: total('coupon'),
    trade: total('trade'),
    delivery: total('delivery'),
    taxed: total('taxed'),
    tax: total('tax'),
    work: total('work'),
    landed: parts.reduce((landed, part) => plus(landed, part.landed), zero),
  }
}

export const heldBy = (sets: readonly PackSet[]): number =>
  Math.round(sets.reduce((total, { packs, packSize }) => total + quantityOf(packs, packSize), 0) * 1000) / 1000
