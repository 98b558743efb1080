import { keepers, isKeepsake } from '../brief/index.ts'
import { isInHand, splitSeveral } from '../makeover/choices.ts'
import { isMaterial } from '../makeover/things.ts'
import { currencyOf, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { daysBetween, writeDate, type PlainDate } from '../measure/plain-date.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { inWords, writeQuantity } from '../measure/quantity.ts'
import { minus, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import type { Row } from '../makeover/kinds.ts'
import { landedCost, packsFor, type Money } from '../purchases/index.ts'
import { days } from '../remarks/attention.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import type { Practice } from '../makeover/practice.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import type { PieceDates } from './dates.ts'
import { sets, splitSets } from './set-remarks.ts'
import { late, soon } from './time-remarks.ts'
import { isOpenTerm } from './returns.ts'
import { fitOf, placeOf, type Size } from './fit.ts'
import { kindRemarks } from './kind-remarks.ts'
import { termRemarks } from './term-remarks.ts'
import { wearRemarks } from './wear.ts'

/** “1.20 m × – × 0.90 m”, in the makeover's units. */
const sizeWords = ({ widthMm, depthMm, heightMm }: Size, units: UnitSystem): string =>
  [widthMm, depthMm, heightMm].map((side) => (side === null ? '–' : writeLength(side, units))).join(' × ')

/** What the pieces give cause to say. */
export function pieceRemarks(
  makeover: Makeover,
  money: Money,
  dates: readonly PieceDates[],
  practice: Practice,
  today: PlainDate,
  areaOf: (roomId: string) => number | null = () => null,
): Remark[] {
  return [
    ...idle(makeover),
    ...late(makeover, money, dates, practice),
    ...soon(makeover, dates, practice, today),
    ...splitSets(makeover, practice),
    ...chosenThings(makeover, money, practice, today),
    ...sets(makeover, money, practice),
    ...keepsakes(makeover),
    ...kindRemarks(makeover, practice, areaOf),
    ...wearRemarks(makeover),
    ...termRemarks(makeover, money, today),
  ]
}

function idle(makeover: Makeover): Remark[] {
  if (rowsOf(makeover, 'need').length === 0) return []
  // what stays is never asked whether it is wanted
  const stays = new Set(keepers(makeover).map(({ piece }) => piece.id))
  const serving = new Set(rowsOf(makeover, 'serving').map((row) => row.pieceId))
  const restoring = new Set(rowsOf(makeover, 'permission').map((row) => row.restorePieceId))
  // what is rented for the work goes back when it is done
  const isTool = ({ chosenId }: Row<'piece'>): boolean =>
    chosenId !== null && makeover.rows.candidate[chosenId]?.source === 'rented'
  return rowsOf(makeover, 'piece').flatMap((piece) =>
    serving.has(piece.id) || restoring.has(piece.id) || stays.has(piece.id) || isMaterial(piece) || isTool(piece)
      ? []
      : [
          remark({
            code: 'serves-nothing',
            subjects: [{ kind: 'piece', id: piece.id }],
            title: `${piece.name} serves no need`,
            sentence:
              'Every piece should serve at least one need of the brief. Say which, or ask whether it is wanted.',
            numbers: ['none'],
          }),
        ],
  )
}

/** What is chosen: its size, its price, its school, and when to look at it again. */
function chosenThings(
  makeover: Makeover,
  money: Money,
  { rules, schools, chosen: schoolsChosen }: Practice,
  today: PlainDate,
): Remark[] {
  const practiceChose = schoolsChosen.includes('goods')
  const units = headOf(makeover)?.units ?? 'metric'
  const reckoned = new Map(money.pieces.map((piece) => [piece.id, piece]))
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (!chosen) return []
    const subjects: Subject[] = [{ kind: 'piece', id: piece.id }]
    const remarks: Remark[] = []
    const add = (
      code: Parameters<typeof remark>[0]['code'],
      title: string,
      sentence: string,
      numbers: (string | number)[],
      weight?: Remark['weight'],
    ): void => void remarks.push(remark({ code, subjects, title, sentence, numbers, ...(weight && { weight }) }))
    const open = (reckoned.get(piece.id)?.open ?? 0) > 0
    const place = placeOf(makeover, piece, chosen)
    const fit = fitOf(place, chosen, rules, units)
    if (fit.is === 'too large')
      add(
        'too-large',
        `${chosen.name} is ${fit.words}`,
        `It may take ${sizeWords(place, units)}, and takes ${sizeWords(chosen, units)}. Measure again, give it more, or choose another.`,
        [fit.overMm],
        // between walls it does not go in at all
        place.between && fit.words.endsWith('wide') ? 'stop' : 'look',
      )
    if (open && chosen.priceKind === 'from memory')
      add(
        'price-from-memory',
        `${chosen.name} is priced from memory`,
        'Ask the seller before ordering: a remembered price is mostly an old one.',
        [chosen.priceMinor],
      )
    else if (open && chosen.pricedOn !== null && daysBetween(chosen.pricedOn, today) > rules['dates.price-fresh'])
      add(
        'price-old',
        `${chosen.name}: the price is ${days(daysBetween(chosen.pricedOn, today))} old`,
        `It was ${chosen.priceKind} on ${writeDate(chosen.pricedOn)}. After ${citeRule('dates.price-fresh', rules)} it is worth asking again: prices fall from list to sale to clearance.`,
        [chosen.pricedOn],
      )
    if (
      open &&
      chosen.returnDays === null &&
      !isInHand(chosen.source) &&
      chosen.source !== 'rented' &&
      !isOpenTerm(chosen, 'returns')
    )
      add(
        'final-sale',
        `${chosen.name} is a final sale`,
        `It cannot go back. Check before it is ordered: ${writeQuantity(piece.quantity, piece.unit)}${chosen.colourName ? `, ${chosen.colourName}` : ''}${chosen.batch ? `, batch ${chosen.batch}` : ', and that all of it is of one batch'}.`,
        [piece.quantity],
      )
    const cheaper = open ? cheaperThan(makeover, piece, chosen, rules, units) : null
    if (cheaper)
      add(
        'dearer',
        `${chosen.name} lands ${writeMoney(cheaper.by, currencyOf(makeover))} dearer than ${cheaper.name}`,
        `With delivery and tax, for all that is wanted.${piece.chosenReason ? ` Chosen because: ${piece.chosenReason}.` : ' Worth it where there is a reason.'}`.replace(
          '..',
          '.',
        ),
        [cheaper.by],
      )
    const unknown = [...(chosen.leadDays === null ? ['lead time'] : []), ...splitSeveral(chosen.toAsk)]
    if (open && unknown.length > 0)
      add(
        'to-ask',
        `${chosen.name}: ask about ${inWords(unknown)}`,
        `Nobody has asked the seller yet. Ask before it is ordered${chosen.leadDays === null && headOf(makeover)?.installOn ? ': whether it is here in time cannot be said without its lead time' : ''}.`,
        unknown,
      )
    if (chosen.source === 'placeholder') {
      if (schools.placeholder === 'real')
        add(
          'placeholder-school',
          `${piece.name} is a placeholder`,
          'The school chosen here buys what will be needed anyway, once. Choose the real one, or change the school.',
          ['real'],
        )
      if (chosen.lookAgainOn === null)
        add(
          'placeholder-undated',
          `${piece.name} stands in without a day to look again`,
          'A stand-in without a date tends to stay. Write down when to look at it again.',
          ['none'],
        )
      else if (chosen.lookAgainOn <= today)
        add(
          'placeholder-due',
          `${piece.name}: look at the stand-in again`,
          `It was to be looked at on ${writeDate(chosen.lookAgainOn)}. Choose the real piece, or give it another date.`,
          [chosen.lookAgainOn],
        )
    }
    if (schools.goods === 'owned' && !isInHand(chosen.source))
      add(
        'goods-school',
        `${piece.name}: would be bought`,
        'The school chosen here uses only what is owned. Look in the house first, or change the school.',
        [chosen.source],
      )
    if (schools.goods === 'new' && practiceChose && chosen.source === 'second-hand' && chosen.condition.trim() === '')
      add(
        'condition',
        `${chosen.name}: nobody noted its condition`,
        'A found thing passes when its condition is known: structure, wear, pests, fire label.',
        [chosen.source],
      )
    if (schools.goods === 'second-hand' && chosen.source === 'new' && !isMaterial(piece))
      add(
        'goods-school',
        `${piece.name}: new`,
        'The school chosen here hunts second-hand first. Was a found one looked for?',
        [chosen.source],
      )
    return remarks
  })
}

/** The least landed cost among those that would do as well: not turned down, and not too large. */
function cheaperThan(
  makeover: Makeover,
  piece: Row<'piece'>,
  chosen: Row<'candidate'>,
  rules: Practice['rules'],
  units: UnitSystem,
): { readonly name: string; readonly by: Minor } | null {
  const landed = (row: Row<'candidate'>): Minor => landedCost(row, packsFor(piece.quantity, row.packSize)).landed
  const own = landed(chosen)
  const [least] = rowsOf(makeover, 'candidate')
    .filter(
      (row) =>
        row.pieceId === piece.id &&
        row.id !== chosen.id &&
        row.turnedDown === null &&
        row.source !== 'placeholder' &&
        row.priceMinor > 0 &&
        fitOf(placeOf(makeover, piece, row), row, rules, units).is !== 'too large',
    )
    .sort((left, right) => landed(left) - landed(right))
  return least && landed(least) < own ? { name: least.name, by: minus(own, landed(least)) } : null
}

/** A thing kept for its own sake is never to be replaced. */
function keepsakes(makeover: Makeover): Remark[] {
  const sentimental = rowsOf(makeover, 'candidate').filter(
    (row) => row.keepReason === 'sentimental' && row.turnedDown === null,
  )
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const keepsake = sentimental.find((row) => row.pieceId === piece.id)
    if (!keepsake || piece.chosenId === null || piece.chosenId === keepsake.id || !isKeepsake(makeover, piece.id))
      return []
    return [
      remark({
        code: 'keepsake-replaced',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${keepsake.name} would be replaced`,
        sentence: 'It is kept for its own sake. Choose it, or write down with the client why it may go.',
        numbers: [piece.chosenId],
      }),
    ]
  })
}
