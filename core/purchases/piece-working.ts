/** How what is still to be bought of one piece came about. */
import { currencyOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeQuantity } from '../measure/quantity.ts'
import { minus, zero } from '../money/minor.ts'
import { workingLine as line, type Working } from '../money/working.ts'
import { writeMoney } from '../money/written.ts'
import { landedCost } from './landed.ts'
import { landedWorking } from './landed-working.ts'
import { landedSets, type PackSet } from './sets.ts'
import type { PieceReckoning } from './wanted.ts'

/** Packs of several sizes, each as it lands. */
function setsWorking(
  candidate: Row<'candidate'>,
  sets: readonly PackSet[],
  unit: string,
): Pick<Working, 'lines' | 'result'> {
  const whole = landedSets(candidate, sets)
  const delivered = landedSets({ ...candidate, deliveryMinor: zero, workMinor: zero, hours: 0 }, sets)
  const extra = minus(whole.landed, delivered.landed)
  return {
    lines: [
      ...sets.map((set) =>
        line(
          `${set.packs} × ${writeQuantity(set.packSize, unit)}`,
          landedSets({ ...candidate, deliveryMinor: zero, workMinor: zero, hours: 0 }, [set]).landed,
          'less discount, with tax',
        ),
      ),
      ...(extra === 0 ? [] : [line('Delivery and work', extra, 'of all of it, once')]),
    ],
    result: line('Landed', whole.landed),
  }
}

/** What is still to be bought of one piece. */
export function pieceWorking(makeover: Makeover, reckoned: PieceReckoning): Working {
  const piece = makeover.rows.piece[reckoned.id]
  const candidate = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
  if (reckoned.basis === 'candidate' && candidate) {
    const sets = reckoned.sets ?? []
    const { lines, result } =
      sets.length > 1
        ? setsWorking(candidate, sets, piece?.unit ?? '')
        : landedWorking(
            sets[0] ? { ...candidate, ...sets[0] } : candidate,
            reckoned.landed ?? landedCost(candidate, reckoned.packs),
            currencyOf(makeover),
          )
    return {
      title: 'Still to buy',
      means: `${writeQuantity(reckoned.open, piece?.unit ?? '')} still wanted, at the chosen candidate’s landed cost. Delivery is counted as for an order of its own.`,
      lines,
      result: { ...result, label: 'Still to buy' },
    }
  }
  if (reckoned.basis === 'placeholder' && piece) {
    const standIn = reckoned.landed
      ? [line('The placeholder', reckoned.landed.landed, `${reckoned.packs} still to order`)]
      : []
    return {
      title: 'Still to buy',
      means: 'A placeholder stands in: the final piece counts with its allowance until one is chosen.',
      lines: [
        ...standIn,
        line('The final piece', minus(reckoned.stillToBuy, reckoned.landed?.landed ?? zero), 'its allowance'),
      ],
      result: line('Still to buy', reckoned.stillToBuy),
    }
  }
  const lines =
    reckoned.basis === 'allowance' && piece
      ? [
          line(
            'Allowance',
            reckoned.stillToBuy,
            reckoned.open === piece.quantity
              ? ''
              : `for ${reckoned.open} of ${piece.quantity}: a share of ${writeMoney(piece.allowanceMinor, currencyOf(makeover))}`,
          ),
        ]
      : []
  return {
    title: 'Still to buy',
    means:
      reckoned.basis === 'allowance'
        ? 'Nothing is chosen yet, so it counts with its allowance.'
        : reckoned.basis === 'in hand'
          ? 'It is in hand already and costs nothing more.'
          : reckoned.basis === 'promised'
            ? 'It is promised and costs nothing; until it comes it is in nobody’s hand.'
            : reckoned.basis === 'put off'
              ? 'It is put off to a second phase and is no part of this sum.'
              : 'All that is wanted is ordered.',
    lines,
    result: line('Still to buy', reckoned.stillToBuy),
  }
}

/** As what it counts among what is still to buy. */
export const countedAs = ({ basis, packs }: PieceReckoning): string =>
  basis === 'candidate'
    ? `${packs} packs, chosen`.replace('1 packs', '1 pack')
    : basis === 'placeholder'
      ? 'a placeholder now, the final piece by its allowance'
      : 'allowance, nothing chosen yet'
