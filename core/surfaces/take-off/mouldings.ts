/** Mouldings and frames: what each wall takes, cut from stock lengths at least cost. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { minor, type Minor } from '../../money/minor.ts'
import { cheapestCuts, type CutPlan, type CutResult, type StockLength } from '../cuts.ts'
import type { MouldingPiece } from '../mouldings.ts'
import { lengthIn, line, type At, type CutBar, type Product, type Reckoned, type Refused } from './told.ts'
import { framed } from './frames.ts'
import { runs } from './runs.ts'
import { percentOf } from './words.ts'

export function mouldingReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  product: Product,
): Reckoned | Refused | null {
  const { rules } = at
  const thick = product.makeUp?.thickMm ?? rules['moulding.thick']
  const stock = stockOf(product)
  const longest = stock.length > 0 ? Math.max(...stock.map(({ lengthMm }) => lengthMm)) : Infinity
  const taken =
    treatment.how === 'panels' || treatment.profile === 'frames'
      ? framed(at, finish, treatment)
      : runs(at, finish, treatment, thick, longest)
  if ('error' in taken) return { ok: false, error: taken.error }
  const { lines, shapes } = taken
  let { pieces } = taken
  if (pieces.length === 0) return null
  const length = lengthIn(at)
  const all = pieces.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
  const common = { ok: true as const, shapes, beside: [], says: [] }
  if (stock.length === 0)
    return {
      ...common,
      need: all / 1000,
      unit: 'm',
      words: `${length(all)} of moulding`,
      lines: [
        ...lines,
        line('Pieces', String(pieces.length), 'with their mitres'),
        line('Together', length(all), 'nobody chose a moulding with its lengths'),
      ],
      bars: [],
      lengths: null,
    }
  const kerf = product.makeUp?.kerfMm ?? rules['moulding.kerf']
  const planned = (list: readonly MouldingPiece[]): CutResult =>
    cutsOf(
      list.map(({ lengthMm }) => Math.round(lengthMm * 10) / 10),
      stock,
      kerf,
    )
  const cut = planned(pieces)
  if (!cut.ok) return cut
  let { plan } = cut
  // joined from parts that are alike a run looks best; from whole lengths it may cost less
  const joints = pieces.filter(({ name }) => /, part [2-9]$/.test(name)).length
  const byWholes = joints > 0 && 'byWholes' in taken ? taken.byWholes : undefined
  const cheaper = byWholes && planned(byWholes)
  const isCheaper = cheaper?.ok === true && cheaper.plan.cost < plan.cost
  if (byWholes && isCheaper) [pieces, plan] = [byWholes, cheaper.plan]
  return {
    ...common,
    need: plan.lengths.length,
    unit: 'lengths',
    words: countedLengths(plan, length),
    lines: [
      ...lines,
      line('Pieces', String(pieces.length), `with their mitres, ${length(all)} together`),
      ...(joints > 0
        ? [
            line(
              'Joints',
              String(joints),
              isCheaper
                ? 'whole lengths and the rest: parts that are alike cost more'
                : 'no length is long enough: the parts of a run are alike',
            ),
          ]
        : []),
      line(
        'From',
        countedLengths(plan, length),
        `one saw cut of ${length(kerf)} between neighbours; ${percentOf(plan.waste)} is waste`,
      ),
      line(
        'Proven',
        plan.proven ? 'no plan costs less' : 'not proven',
        plan.proven
          ? 'the bound is met'
          : `it costs at most ${((100 * (plan.cost - plan.least)) / Math.max(1, plan.least)).toFixed(1)} % more than the least there can be`,
      ),
    ],
    bars: barsOf(plan, pieces, kerf),
    lengths: plan.lengths,
  }
}

/** The same list is cut the same way: the last ones are kept, since a plan takes long. */
const known = new Map<string, CutResult>()
function cutsOf(pieces: readonly number[], stock: readonly StockLength[], kerf: number): CutResult {
  const key = JSON.stringify([pieces, stock, kerf])
  const found = known.get(key) ?? cheapestCuts(pieces, stock, kerf)
  known.delete(key)
  known.set(key, found)
  const [oldest] = known.keys()
  if (known.size > 60 && oldest !== undefined) known.delete(oldest)
  return found
}

/** The lengths a candidate is sold in, each with its price. */
export const stockOf = ({ candidate, makeUp, sizes }: Product): StockLength[] => {
  const price: Minor = candidate?.priceMinor ?? minor(0)
  return [
    ...(makeUp?.lengthMm == null ? [] : [{ lengthMm: makeUp.lengthMm, priceMinor: price }]),
    ...sizes.flatMap((row) => (row.lengthMm === null ? [] : [{ lengthMm: row.lengthMm, priceMinor: row.priceMinor }])),
  ]
}

/** "7 × 2400 mm, 2 × 3000 mm" */
const countedLengths = ({ lengths }: CutPlan, length: (mm: number) => string): string => {
  const counts = new Map<number, number>()
  for (const { stock } of lengths) counts.set(stock.lengthMm, (counts.get(stock.lengthMm) ?? 0) + 1)
  return [...counts]
    .toSorted(([left], [right]) => left - right)
    .map(([mm, count]) => `${count} × ${length(mm)}`)
    .join(', ')
}

function barsOf(plan: CutPlan, pieces: readonly MouldingPiece[], kerf: number): CutBar[] {
  const left = pieces.map((piece) => ({ ...piece, lengthMm: Math.round(piece.lengthMm * 10) / 10 }))
  return plan.lengths.map(({ stock, pieces: cuts }, index) => {
    let along = 0
    return {
      name: String(index + 1),
      lengthMm: stock.lengthMm,
      pieces: cuts.map((lengthMm) => {
        const found = left.findIndex((piece) => Math.abs(piece.lengthMm - lengthMm) < 1e-6)
        const text = found < 0 ? '' : (left.splice(found, 1)[0]?.name ?? '')
        const fromMm = along
        along += lengthMm + kerf
        return { text, fromMm, lengthMm }
      }),
    }
  })
}
