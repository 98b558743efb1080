/** What is bought of a need: whole packs of one size, or the cheapest set of the sizes it is sold in. Money in minor units. */
import { minor, plus, zero } from '../../money/minor.ts'
import { landedCost, packsFor } from '../../purchases/index.ts'
import { cheapestTins } from '../tins.ts'
import { inUnit } from '../units.ts'
import type { Buying, Pack, Product, Reckoned } from './told.ts'

/** Null where no candidate says what it costs, or it is counted otherwise than the need. */
export function buyingOf(reckoned: Reckoned, { candidate, sizes, counted }: Product): Buying | null {
  const { unit, lengths } = reckoned
  const need = inUnit(reckoned.need, unit, counted ?? unit)
  if (!candidate || need === null) return null
  const packs = lengths
    ? ofLengths(lengths, sizes)
    : sizes.length > 0 && unit === 'l'
      ? ofSizes(need, candidate, sizes)
      : [
          {
            sizeId: null,
            name: '',
            holds: candidate.packSize,
            priceMinor: candidate.priceMinor,
            count: need > 0 ? packsFor(Math.ceil(need * 1000 - 1e-6) / 1000, candidate.packSize) : 0,
          },
        ]
  if (!packs) return null
  const bought = packs.filter(({ count }) => count > 0)
  const holds = bought.reduce((sum, pack) => sum + pack.holds * pack.count, 0)
  // delivery and work are for all of it, so they are counted once
  const cost = bought.reduce((sum, pack, at) => {
    const terms = { ...candidate, priceMinor: pack.priceMinor, packSize: pack.holds }
    const whole = at === 0 ? terms : { ...terms, deliveryMinor: zero, workMinor: zero, hours: 0 }
    return plus(sum, landedCost(whole, pack.count).landed)
  }, zero)
  // told in the unit of the need, whatever the line is counted in
  const scale = need > 0 ? reckoned.need / need : 1
  const over = Math.max(0, holds - (lengths ? lengths.length : need))
  return { packs: bought, holds: holds * scale, over: over * scale, cost }
}

/** Every size it is sold in, its own first. */
const sizesOf = (candidate: NonNullable<Product['candidate']>, sizes: Product['sizes']): Omit<Pack, 'count'>[] => [
  { sizeId: null, name: '', holds: candidate.packSize, priceMinor: candidate.priceMinor },
  ...sizes.map(({ id, name, holds, priceMinor }) => ({ sizeId: id, name, holds, priceMinor })),
]

function ofSizes(need: number, candidate: NonNullable<Product['candidate']>, sizes: Product['sizes']): Pack[] | null {
  const all = sizesOf(candidate, sizes)
  const found = cheapestTins(
    Math.ceil(need * 1000 - 1e-6),
    all.map(({ holds, priceMinor }) => ({ holds: Math.round(holds * 1000), priceMinor })),
  )
  return found && all.map((size, at) => ({ ...size, count: found.counts[at] ?? 0 }))
}

function ofLengths(lengths: NonNullable<Reckoned['lengths']>, sizes: Product['sizes']): Pack[] {
  const counts = new Map<string, Pack>()
  for (const { stock } of lengths) {
    const key = `${stock.lengthMm} ${stock.priceMinor}`
    const known = counts.get(key)
    const size = sizes.find((row) => row.lengthMm === stock.lengthMm && row.priceMinor === stock.priceMinor)
    counts.set(key, {
      sizeId: size?.id ?? null,
      name: size?.name ?? '',
      holds: 1,
      priceMinor: minor(stock.priceMinor),
      count: (known?.count ?? 0) + 1,
    })
  }
  return [...counts.values()]
}
