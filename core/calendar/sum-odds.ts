/**
 * How likely it is that all stays within the agreed sum: what is paid and ordered stands, what has no firm price yet has a range. By so
 * many runs of beta distributions with λ = 4, each for itself, and by the classic formula beside it. Money in minor units.
 */
import type { Makeover } from '../makeover/document.ts'
import { seeded } from '../measure/seeded.ts'
import type { Money, PieceReckoning } from '../purchases/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { classicChance, drawn, meanOf, quantilesOf, varianceOf, type Range } from './chance.ts'

export type OpenSum = {
  readonly pieceId: string
  readonly name: string
  readonly because: 'nothing chosen' | 'a stand-in now' | 'no firm price'
  readonly range: Range
}
export type SumOdds = {
  readonly runs: number
  readonly agreed: number
  readonly simulated: number
  readonly classic: number
  /** What it comes to at the mean, and what four of five runs stay within. */
  readonly mean: number
  readonly fourOfFive: number
  /** What may differ, most first. */
  readonly open: readonly OpenSum[]
  /** Wanted, with nothing chosen and nothing allowed for: in no sum at all. */
  readonly unpriced: readonly string[]
}

const firm = new Set(['agreed', 'paid', 'list'])

/** What is still to buy without a firm price, each with its range. */
export function openSums(makeover: Makeover, pieces: readonly PieceReckoning[], rules: Rules): OpenSum[] {
  const spread = (sum: number, by: 'allowance' | 'seen'): Range => ({
    least: (sum * rules[`odds.${by}-least`]) / 100,
    likely: sum,
    most: (sum * rules[`odds.${by}-most`]) / 100,
  })
  return pieces.flatMap(({ id, basis, stillToBuy }): OpenSum[] => {
    const piece = makeover.rows.piece[id]
    if (!piece || stillToBuy <= 0) return []
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const about = { pieceId: id, name: piece.name }
    if (basis === 'allowance') return [{ ...about, because: 'nothing chosen', range: spread(stillToBuy, 'allowance') }]
    if (basis === 'placeholder')
      return [{ ...about, because: 'a stand-in now', range: spread(stillToBuy, 'allowance') }]
    return basis === 'candidate' && chosen && !firm.has(chosen.priceKind)
      ? [{ ...about, because: 'no firm price', range: spread(stillToBuy, 'seen') }]
      : []
  })
}

export function sumOddsOf(
  makeover: Makeover,
  money: Pick<Money, 'pieces' | 'total' | 'agreement'>,
  rules: Rules,
  { runs, seed }: { readonly runs: number; readonly seed: number },
): SumOdds | null {
  if (!money.agreement) return null
  const open = openSums(makeover, money.pieces, rules)
  const { agreed, forecast } = money.total
  const fixed = forecast - open.reduce((sum, { range }) => sum + range.likely, 0)
  const tables = open.map(({ range }) => quantilesOf(range))
  const random = seeded(seed)
  const sums = new Float64Array(runs)
  for (let run = 0; run < runs; run++) {
    let sum = fixed
    for (const table of tables) sum += drawn(table, random())
    sums[run] = sum
  }
  sums.sort()
  const mean = fixed + open.reduce((sum, { range }) => sum + meanOf(range), 0)
  const variance = open.reduce((sum, { range }) => sum + varianceOf(range), 0)
  return {
    runs,
    agreed,
    simulated: sums.filter((sum) => sum <= agreed).length / runs,
    classic: classicChance(agreed, mean, variance),
    mean,
    fourOfFive: sums[Math.max(0, Math.ceil(runs * 0.8) - 1)] ?? fixed,
    open: open.toSorted((left, right) => varianceOf(right.range) - varianceOf(left.range)),
    unpriced: money.pieces.flatMap(({ id, basis, open: left, stillToBuy }) =>
      basis === 'allowance' && left > 0 && stillToBuy === 0 ? [makeover.rows.piece[id]?.name ?? ''] : [],
    ),
  }
}

/** A chance in the words one would say. */
export const chanceWords = (chance: number): string =>
  chance >= 0.99
    ? 'as good as certain'
    : chance >= 0.9
      ? 'very likely'
      : chance >= 0.7
        ? 'likely'
        : chance >= 0.55
          ? 'more likely than not'
          : chance > 0.45
            ? 'even odds'
            : chance > 0.3
              ? 'rather unlikely'
              : chance > 0.1
                ? 'unlikely'
                : chance > 0.01
                  ? 'very unlikely'
                  : 'as good as impossible'
