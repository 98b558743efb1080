/** What is said of how things come: gifts, windows that end too soon, making against buying, what came instead. */
import { currencyOf, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { isPromised } from '../makeover/things.ts'
import { addDays, daysBetween, writeDate, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import { inWords } from '../measure/quantity.ts'
import { minus } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import type { Money } from '../purchases/index.ts'
import { days } from '../remarks/attention.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { chosenOf } from './kind-remarks.ts'
import { makeOrBuy } from './make-or-buy.ts'

export function termRemarks(makeover: Makeover, money: Money, today: PlainDate): Remark[] {
  return [
    ...gifts(makeover, today),
    ...windows(makeover, money, today),
    ...making(makeover, money),
    ...cameInstead(makeover),
  ]
}

/** A promise has a day, and something to fall back on. */
function gifts(makeover: Makeover, today: PlainDate): Remark[] {
  const installOn = headOf(makeover)?.installOn ?? null
  return chosenOf(makeover).flatMap(({ piece, thing }) => {
    if (!isPromised(thing) || thing.promisedOn === null) return []
    const subjects = [{ kind: 'piece' as const, id: piece.id }]
    const whose = thing.origin === '' ? '' : ` by ${thing.origin}`
    const instead =
      thing.fallBack === ''
        ? 'Agree what is done where it does not come.'
        : `Where it does not come: ${thing.fallBack}.`
    if (thing.promisedOn < today)
      return [
        remark({
          code: 'gift-late',
          subjects,
          title: `${thing.name} was promised for ${writeDate(thing.promisedOn)}`,
          sentence: `${days(daysBetween(thing.promisedOn, today))} ago${whose}, and it is not here. Ask once more. ${instead}`,
          numbers: [thing.promisedOn],
        }),
      ]
    if (installOn !== null && thing.promisedOn > installOn)
      return [
        remark({
          code: 'gift-late',
          subjects,
          title: `${thing.name} is promised for after the install date`,
          sentence: `For ${writeWeekdayDate(thing.promisedOn)}${whose}; everything is put in place on ${writeDate(installOn)}. Find a stand-in, or ask for it earlier. ${instead}`,
          numbers: [thing.promisedOn, installOn],
        }),
      ]
    if (thing.fallBack !== '') return []
    return [
      remark({
        code: 'gift-alone',
        subjects,
        title: `${thing.name} is promised, with nothing to fall back on`,
        sentence: `Promised${whose} for ${writeDate(thing.promisedOn)}: until it comes it is in nobody’s hand. Write down what is bought where it does not come.`,
        numbers: [thing.promisedOn],
      }),
    ]
  })
}

/** A window counted from the purchase, that ends before the thing can be tried in its place: said while it can be asked. */
function windows(makeover: Makeover, money: Money, today: PlainDate): Remark[] {
  const installOn = headOf(makeover)?.installOn ?? null
  return chosenOf(makeover).flatMap(({ piece, thing }) => {
    const open = (money.pieces.find(({ id }) => id === piece.id)?.open ?? 0) > 0
    if (!open || thing.returnFrom !== 'order' || thing.returnDays === null) return []
    const last = addDays(today, thing.returnDays)
    const here = thing.leadDays === null ? null : addDays(today, thing.leadDays)
    const tried = [here, installOn]
      .filter((on) => on !== null)
      .toSorted()
      .at(-1)
    if (tried === undefined || last >= tried) return []
    return [
      remark({
        code: 'window-ends',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${thing.name}: ordered today it can go back until ${writeWeekdayDate(last)}`,
        sentence: `The ${days(thing.returnDays)} count from the purchase, and it ${here !== null && here === tried ? `comes on ${writeDate(here)}` : `is put in its place on ${writeDate(tried)}`}. Ask for the days to count from its arrival, or order it later.`,
        numbers: [thing.returnDays, tried],
      }),
    ]
  })
}

/** What is made, where bought is cheaper before an hour is counted, or from which rate an hour on. */
function making(makeover: Makeover, money: Money): Remark[] {
  const currency = currencyOf(makeover)
  return chosenOf(makeover).flatMap(({ piece, thing }) => {
    const open = (money.pieces.find(({ id }) => id === piece.id)?.open ?? 0) > 0
    const found = open ? makeOrBuy(makeover, piece, thing) : null
    if (found === null) return []
    const write = (amount: typeof found.materials): string => writeMoney(amount, currency)
    const bought = `${found.bought.name}, bought, lands ${write(found.boughtLanded)}`
    if (found.hourEven === null)
      return [
        remark({
          code: 'buy-cheaper',
          subjects: [{ kind: 'piece', id: piece.id }],
          title: `${thing.name} costs more in materials alone than bought`,
          sentence: `Its materials come to ${write(found.materials)}, in whole packs; ${bought}. Making it saves nothing before an hour is counted: make it for what it is, or buy it.`,
          numbers: [minus(found.materials, found.boughtLanded)],
        }),
      ]
    if (found.hourMinor <= found.hourEven) return []
    return [
      remark({
        code: 'make-dear',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${thing.name}: making it pays up to ${write(found.hourEven)} an hour`,
        sentence: `Its hours are reckoned at ${write(found.hourMinor)}. Materials ${write(found.materials)}, in whole packs; ${bought}.`,
        numbers: [found.hourEven, found.hourMinor],
      }),
    ]
  })
}

/** What came in place of what was ordered stays told on its piece: at the door nobody agreed to it. */
function cameInstead(makeover: Makeover): Remark[] {
  const settled = new Set(
    [...rowsOf(makeover, 'return'), ...rowsOf(makeover, 'claim')].map(({ purchaseId }) => purchaseId),
  )
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const came = rowsOf(makeover, 'delivery').filter(
      (row) => row.cameInstead !== '' && makeover.rows.purchase[row.purchaseId]?.pieceId === piece.id,
    )
    if (came.length === 0) return []
    const open = came.some(
      ({ purchaseId }) =>
        !settled.has(purchaseId) &&
        !rowsOf(makeover, 'placing').some((row) => row.purchaseId === purchaseId && row.tagsOffOn !== null),
    )
    const planned = makeover.rows.candidate[makeover.rows.purchase[came[0]?.purchaseId ?? '']?.candidateId ?? '']?.name
    return [
      remark({
        code: 'came-instead',
        weight: open ? 'look' : 'note',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${piece.name}: ${inWords(came.map((row) => row.cameInstead))} came instead of ${planned ?? 'what was ordered'}`,
        sentence: open
          ? 'Hold its colour, size and finish against what was planned. Send it back, ask for money off, or have the client agree to it.'
          : 'It was kept. What was planned stays on record.',
        numbers: came.map((row) => row.cameInstead),
      }),
    ]
  })
}
