/** A total split among the categories of a budget: by what earlier jobs agreed, or by what is typical. */
import { decimalsOf } from '../money/currencies.ts'
import { minor, minus, plus, portion, type Minor } from '../money/minor.ts'
import { split } from '../money/split.ts'
import { agreedNow, agreements } from './agreement.ts'
import type { Makeover } from '../makeover/document.ts'

/**
 * Typical parts of a hundred, our own choice, to begin from and to be changed by hand: by words that a category's name may
 * have. A category of none of them gets the middle part.
 */
const typical: readonly (readonly [words: RegExp, share: number])[] = [
  [/furnitur|seat|bed|storage|sofa/i, 45],
  [/wall|floor|paint|paper|surface|tile/i, 20],
  [/light|lamp/i, 12],
  [/textile|cloth|curtain|rug|bed linen|soft/i, 15],
  [/decor|art|plant|accessor/i, 8],
]
const middle = 12

export const typicalShares = (names: readonly string[]): number[] =>
  names.map((name) => typical.find(([words]) => words.test(name))?.[1] ?? middle)

/** The parts that categories of these names had in earlier signed budgets, on average; null where none was ever signed. */
export function sharesOfJobs(names: readonly string[], jobs: readonly Makeover[]): number[] | null {
  const parts = new Map<string, number[]>()
  for (const job of jobs) {
    const agreed = agreedNow(agreements(job))
    if (!agreed || agreed.categories <= 0) continue
    for (const [categoryId, amount] of agreed.amounts) {
      const name = job.rows.category[categoryId]?.name.trim().toLocaleLowerCase('en') ?? ''
      parts.set(name, [...(parts.get(name) ?? []), amount / agreed.categories])
    }
  }
  const found = names.map((name) => parts.get(name.trim().toLocaleLowerCase('en')) ?? [])
  if (found.every((shares) => shares.length === 0)) return null
  return found.map((shares) =>
    shares.length === 0 ? 0 : (100 * shares.reduce((all, share) => all + share, 0)) / shares.length,
  )
}

export type Split = { readonly amounts: readonly Minor[]; readonly contingency: Minor }

/**
 * So much in all, or so much beside the contingency, by these weights, in round sums: whole tens, below a thousand whole
 * units; what is left over goes to the largest. The parts add up to the cent. `percent` is the contingency on what is split.
 */
export function splitTotal(
  total: Minor,
  weights: readonly number[],
  { percent, within, currency }: { readonly percent: number; readonly within: boolean; readonly currency: string },
): Split {
  const tenths = Math.round(percent * 10)
  const unit = 10 ** decimalsOf(currency)
  const grain = total >= 1000 * unit ? 10 * unit : unit
  const round = (amount: Minor): Minor => minor(Math.round(amount / grain) * grain)
  // within: total = what is split · (1 + percent)
  const contingency = within
    ? round(minus(total, portion(total, 1000, 1000 + tenths)))
    : round(portion(total, tenths, 1000))
  const whole = within ? minus(total, contingency) : total
  const grains = Math.floor(whole / grain)
  const amounts = split(
    minor(grains),
    weights.map((weight) => Math.round(weight * 1000)),
  ).map((part) => minor(part * grain))
  const largest = weights.indexOf(Math.max(...weights))
  const rest = minus(whole, minor(grains * grain))
  return { amounts: amounts.map((amount, at) => (at === largest ? plus(amount, rest) : amount)), contingency }
}
