import { isKeepsake } from '../brief/index.ts'
import { isInHand, splitSeveral } from '../makeover/choices.ts'
import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { daysBetween, writeDate, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Money } from '../purchases/index.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import type { Practice } from '../makeover/practice.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import type { PieceDates } from './dates.ts'
import { fitOf, placeOf, type Size } from './fit.ts'

/** “1.20 m × – × 0.90 m”, in the makeover's units. */
const sizeWords = ({ widthMm, depthMm, heightMm }: Size, units: UnitSystem): string =>
  [widthMm, depthMm, heightMm].map((side) => (side === null ? '–' : writeLength(side, units))).join(' × ')

/** “a, b and c” */
const inWords = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`
const count = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`

/** What the pieces give cause to say. */
export function pieceRemarks(
  makeover: Makeover,
  money: Money,
  dates: readonly PieceDates[],
  practice: Practice,
  today: PlainDate,
): Remark[] {
  return [
    ...idle(makeover),
    ...late(makeover, dates, practice),
    ...chosenThings(makeover, money, practice, today),
    ...sets(makeover, money, practice),
    ...keepsakes(makeover),
  ]
}

function idle(makeover: Makeover): Remark[] {
  if (rowsOf(makeover, 'need').length === 0) return []
  const serving = new Set(rowsOf(makeover, 'serving').map((row) => row.pieceId))
  const restoring = new Set(rowsOf(makeover, 'permission').map((row) => row.restorePieceId))
  return rowsOf(makeover, 'piece').flatMap((piece) =>
    serving.has(piece.id) || restoring.has(piece.id)
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

function late(makeover: Makeover, dates: readonly PieceDates[], { rules, schools }: Practice): Remark[] {
  return dates.flatMap((date) => {
    const piece = makeover.rows.piece[date.id]
    if (!piece || date.slackDays === null || date.slackDays >= 0 || date.wantedOn === null || date.hereOn === null)
      return []
    return [
      remark({
        code: 'late',
        weight: schools.pace === 'year' ? 'note' : 'look',
        step: date.toOrder ? 'pieces' : 'purchases',
        subjects: [{ kind: 'piece', id: date.id }],
        title: `${piece.name} comes ${count(-date.slackDays)} late`,
        sentence: `${date.toOrder ? 'Ordered today, it' : 'As ordered, it'} is here on ${writeWeekdayDate(date.hereOn)}; it is wanted on site by ${writeDate(date.wantedOn)}, which is ${citeRule('dates.buffer', rules)} before the install date. Ask the seller, choose one that is nearer, or move the date.`,
        numbers: [date.slackDays],
      }),
    ]
  })
}

/** What is chosen: its size, its price, its school, and when to look at it again. */
function chosenThings(makeover: Makeover, money: Money, { rules, schools }: Practice, today: PlainDate): Remark[] {
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
    ): void => void remarks.push(remark({ code, subjects, title, sentence, numbers }))
    const open = (reckoned.get(piece.id)?.open ?? 0) > 0
    const place = placeOf(makeover, piece)
    const fit = fitOf(place, chosen, rules, units)
    if (fit.is === 'too large')
      add(
        'too-large',
        `${chosen.name} is ${fit.words}`,
        `It may take ${sizeWords(place, units)}, and takes ${sizeWords(chosen, units)}. Measure again, give it more, or choose another.`,
        [fit.overMm],
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
        `${chosen.name}: the price is ${count(daysBetween(chosen.pricedOn, today))} old`,
        `It was ${chosen.priceKind} on ${writeDate(chosen.pricedOn)}. After ${citeRule('dates.price-fresh', rules)} it is worth asking again: prices fall from list to sale to clearance.`,
        [chosen.pricedOn],
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
        `${piece.name} would be bought`,
        'The school chosen here uses only what is owned. Look in the house first, or change the school.',
        [chosen.source],
      )
    if (schools.goods === 'second-hand' && chosen.source === 'new')
      add(
        'goods-school',
        `${piece.name} is new`,
        'The school chosen here hunts second-hand first. Was a found one looked for?',
        [chosen.source],
      )
    return remarks
  })
}

/** Pairs and sets stay together. */
function sets(makeover: Makeover, money: Money, { schools }: Practice): Remark[] {
  if (schools.symmetry === 'one-sided') return []
  const reckoned = new Map(money.pieces.map((piece) => [piece.id, piece]))
  const named = groupBy(
    rowsOf(makeover, 'piece').filter((piece) => piece.setName.trim() !== ''),
    (piece) => piece.setName.trim().toLocaleLowerCase('en'),
  )
  return [...named.values()].flatMap((pieces) => {
    const parted = pieces.filter((piece) => (reckoned.get(piece.id)?.givenUp ?? 0) > 0)
    const whole = pieces.reduce((total, piece) => total + piece.quantity, 0)
    const gone = parted.reduce((total, piece) => total + (reckoned.get(piece.id)?.givenUp ?? 0), 0)
    if (gone === 0 || gone >= whole) return []
    const name = pieces[0]?.setName ?? ''
    return [
      remark({
        code: 'set-broken',
        subjects: pieces.map((piece) => ({ kind: 'piece' as const, id: piece.id })),
        title: `${name}: ${gone} of ${whole} will not be there`,
        sentence: `Pairs and sets stay together. Order ${gone === 1 ? 'it' : 'them'} again, send the rest back too, or say that they may part.`,
        numbers: [gone, whole],
      }),
    ]
  })
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
