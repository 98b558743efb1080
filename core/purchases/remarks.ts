import { byId } from '../makeover/by-id.ts'
import { currencyOf, headOf, type Makeover } from '../makeover/document.ts'
import { writeMoney } from '../money/written.ts'
import { minus, portion, zero } from '../money/minor.ts'
import { daysBetween, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import { writeDate } from '../measure/plain-date.ts'
import { rowsOf } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { accountRemarks, savings } from './account-remarks.ts'
import { couponRemarks } from './coupon-remarks.ts'
import { priceDrops } from './drops.ts'
import type { Money } from './money.ts'

/** What the money and the goods give cause to say. */
export function purchaseRemarks(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Remark[] {
  return [
    ...sumRemarks(makeover, money),
    ...orderRemarks(makeover, money, rules, today),
    ...dropRemarks(makeover, money, today),
    ...claimRemarks(makeover, money),
    ...creditRemarks(makeover, money, rules, today),
    ...dueRemarks(makeover, money, today),
    ...accountRemarks(makeover, money, today),
    ...savings(makeover, money),
    ...couponRemarks(makeover),
  ]
}

function sumRemarks(makeover: Makeover, money: Money): Remark[] {
  const currency = currencyOf(makeover)
  const write = (amount: typeof zero): string => writeMoney(amount, currency)
  const { total, agreement } = money
  const whole: Subject[] = [{ kind: 'makeover', id: makeover.id }]
  const remarks: Remark[] = []
  if (agreement === null) return remarks
  if (total.over > 0)
    remarks.push(
      remark({
        code: 'over-agreed',
        subjects: whole,
        title: `${write(total.over)} over the agreed sum`,
        sentence: `The forecast is ${write(total.forecast)}; ${write(total.categoriesAgreed)} and a contingency of ${write(total.contingency)} were agreed. Nothing more can be ordered until the client signs a change, or a wish is given up.`,
        numbers: [total.over],
      }),
    )
  else if (total.contingencyDrawn > 0 && !money.categories.some(({ left }) => left < 0))
    remarks.push(
      remark({
        code: 'draws-contingency',
        subjects: whole,
        title: `${write(total.contingencyDrawn)} is drawn from the contingency`,
        sentence: `The categories come to ${write(total.categoriesAgreed)}, the forecast to ${write(total.forecast)}. Of the contingency ${write(minus(total.contingency, total.contingencyDrawn))} is left for what nobody foresees.`,
        numbers: [total.contingencyDrawn],
      }),
    )
  for (const category of money.categories)
    if (category.left < 0 && total.over === 0)
      remarks.push(
        remark({
          code: 'category-over',
          subjects: [{ kind: 'category', id: category.id }],
          title: `${category.name} is ${write(minus(zero, category.left))} over`,
          sentence: `${write(category.agreed)} was agreed for it and ${write(category.forecast)} is forecast${total.contingencyDrawn > 0 ? `; the contingency carries ${write(total.contingencyDrawn)} of it, and ${write(minus(total.contingency, total.contingencyDrawn))} of that is left` : ', while the total holds'}. Tell the client before it grows, or find it elsewhere.`,
          numbers: [category.left],
        }),
      )
  return remarks
}

function orderRemarks(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Remark[] {
  const currency = currencyOf(makeover)
  const installOn = headOf(makeover)?.installOn ?? null
  return money.purchases.flatMap((purchase) => {
    const name = makeover.rows.piece[purchase.pieceId]?.name ?? 'A purchase'
    const subjects: Subject[] = [{ kind: 'purchase', id: purchase.id }]
    const remarks: Remark[] = []
    if (purchase.refundDue > 0)
      remarks.push(
        remark({
          code: 'refund-due',
          subjects,
          title: `${name}: ${writeMoney(purchase.refundDue, currency)} to come back`,
          sentence: `${writeMoney(purchase.paid, currency)} is paid and ${writeMoney(purchase.owed, currency)} is owed. Ask the seller for the rest, and note it here when it comes.`,
          numbers: [purchase.refundDue],
        }),
      )
    if (purchase.goingBack > 0)
      remarks.push(
        remark({
          code: 'going-back',
          subjects,
          title: `${name}: the seller has still to accept the return`,
          sentence: `${purchase.goingBack} of ${purchase.packs} went back, for ${writeMoney(purchase.creditExpected, currency)}. Until the seller accepts it, the whole price is owed and counted.`,
          numbers: [purchase.creditExpected],
        }),
      )
    if (purchase.awaited > 0 && purchase.arrivesOn !== null && purchase.arrivesOn < today) {
      const worth = portion(purchase.terms.landed, purchase.awaited, Math.max(1, purchase.packs))
      remarks.push(
        remark({
          code: 'part-overdue',
          subjects,
          title: `${name}: ${purchase.awaited} of ${purchase.packs} still to come`,
          sentence: `Worth ${writeMoney(worth, currency)}, and expected on ${writeDate(purchase.arrivesOn)}, ${daysBetween(purchase.arrivesOn, today)} days ago. Ask the seller for a day, or cancel what will not come.`,
          numbers: [purchase.awaited, worth, purchase.arrivesOn],
        }),
      )
    }
    const daysLeft = purchase.returnBy ? daysBetween(today, purchase.returnBy) : null
    if (purchase.returnBy && daysLeft !== null && daysLeft >= 0 && daysLeft <= rules['dates.return-warning'])
      remarks.push(
        remark({
          code: 'last-return-day',
          subjects,
          title: `${name} can go back until ${writeWeekdayDate(purchase.returnBy)}`,
          sentence: `${daysLeft === 0 ? 'Today is the last day' : `${daysLeft} ${daysLeft === 1 ? 'day is' : 'days are'} left`}. See it in its place before then, and leave the tags on until you have.`,
          numbers: [purchase.returnBy],
        }),
      )
    else if (
      purchase.returnBy &&
      installOn !== null &&
      purchase.returnBy >= today &&
      purchase.returnBy < installOn &&
      purchase.placedOn === null
    )
      remarks.push(
        remark({
          code: 'return-closes',
          subjects,
          title: `${name} can only go back before it stands in its place`,
          sentence: `The last day is ${writeWeekdayDate(purchase.returnBy)}, and it is put in its place on ${writeDate(installOn)}. Try it in the room before then, or ask the seller for longer.`,
          numbers: [purchase.returnBy, installOn],
        }),
      )
    return remarks
  })
}

const nameOf = (makeover: Makeover, pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? 'A purchase'

/** A price seen lower after buying is worth asking for, inside the seller's window. */
function dropRemarks(makeover: Makeover, money: Money, today: PlainDate): Remark[] {
  const currency = currencyOf(makeover)
  return priceDrops(makeover, money, today)
    .filter((drop) => drop.open)
    .map((drop) =>
      remark({
        code: 'price-drop',
        subjects: [{ kind: 'purchase', id: drop.purchaseId }],
        title: `${nameOf(makeover, drop.pieceId)}: seen for ${writeMoney(drop.saves, currency)} less`,
        sentence: `Paid at ${writeMoney(drop.paidEach, currency)} a pack, seen at ${writeMoney(drop.seenEach, currency)} on ${writeDate(drop.seenOn)}. The seller pays the difference until ${writeWeekdayDate(drop.claimBy)}: ask for it. What was paid stays as it is.`,
        numbers: [drop.saves, drop.claimBy],
      }),
    )
}

/** Damage that nothing was done about, and claims without an answer. */
function claimRemarks(makeover: Makeover, money: Money): Remark[] {
  const claims = rowsOf(makeover, 'claim')
  const returns = rowsOf(makeover, 'return')
  const damaged = money.purchases.flatMap((purchase) => {
    const handled =
      claims.some((row) => row.purchaseId === purchase.id && row.about === 'damage') ||
      returns.some((row) => row.purchaseId === purchase.id)
    if (purchase.damaged === 0 || handled) return []
    return [
      remark({
        code: 'damaged',
        subjects: [{ kind: 'purchase', id: purchase.id }],
        title: `${nameOf(makeover, purchase.pieceId)}: ${purchase.damaged} came damaged`,
        sentence:
          'Tell the seller at once, with a picture: ask for a replacement, for money off, or send it back. Nothing is claimed yet.',
        numbers: [purchase.damaged],
      }),
    ]
  })
  const waiting = claims
    .filter((row: Row<'claim'>) => row.answer === 'waiting')
    .flatMap((row) => {
      const purchase = byId(money.purchases, row.purchaseId)
      return purchase
        ? [
            remark({
              code: 'claim-waiting',
              subjects: [{ kind: 'purchase', id: purchase.id }],
              title: `${nameOf(makeover, purchase.pieceId)}: the seller has not answered`,
              sentence: `${writeMoney(row.askedMinor, currencyOf(makeover))} was asked for ${row.about} on ${writeDate(row.madeOn)}. Until the seller grants it, the whole price is owed and counted.`,
              numbers: [row.madeOn],
            }),
          ]
        : []
    })
  return [...damaged, ...waiting]
}

/** Money held with sellers that will end. */
function creditRemarks(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Remark[] {
  return money.credits.flatMap(({ id, balance }) => {
    const row = makeover.rows.credit[id]
    if (!row?.expiresOn || balance <= 0) return []
    const left = daysBetween(today, row.expiresOn)
    if (left > rules['dates.credit-warning']) return []
    const write = writeMoney(balance, currencyOf(makeover))
    return [
      remark({
        code: 'credit-ends',
        subjects: [{ kind: 'credit', id }],
        title:
          left < 0
            ? `${write} on a ${row.kind} is lost`
            : `${write} on a ${row.kind} ends on ${writeWeekdayDate(row.expiresOn)}`,
        sentence:
          left < 0
            ? `It ended on ${writeDate(row.expiresOn)}. Ask the seller whether it still holds.`
            : `${left} ${left === 1 ? 'day is' : 'days are'} left to spend it; from ${citeRule('dates.credit-warning', rules)} before the end it is said.`,
        numbers: [balance, row.expiresOn],
      }),
    ]
  })
}

/** Deposits asked and not paid, balances past their day. */
function dueRemarks(makeover: Makeover, money: Money, today: PlainDate): Remark[] {
  const currency = currencyOf(makeover)
  return money.orders.flatMap((order) => {
    const row = makeover.rows.order[order.id]
    const [first] = order.lineIds
    if (!row || first === undefined) return []
    const name = nameOf(makeover, makeover.rows.purchase[first]?.pieceId ?? '')
    const subjects: Subject[] = order.lineIds.map((id) => ({ kind: 'purchase', id }))
    const remarks: Remark[] = []
    if (order.depositDue > 0)
      remarks.push(
        remark({
          code: 'deposit-due',
          subjects,
          title: `${name}: a deposit of ${writeMoney(order.depositDue, currency)} is asked`,
          sentence: `The seller begins once ${writeMoney(row.depositMinor, currency)} is paid; ${writeMoney(order.paid, currency)} is.`,
          numbers: [order.depositDue],
        }),
      )
    if (row.balanceDueOn !== null && row.balanceDueOn < today && order.committed > 0)
      remarks.push(
        remark({
          code: 'balance-late',
          subjects,
          title: `${name}: ${writeMoney(order.committed, currency)} was due on ${writeDate(row.balanceDueOn)}`,
          sentence: `${daysBetween(row.balanceDueOn, today)} days ago. Pay it, or agree another day with the seller.`,
          numbers: [order.committed, row.balanceDueOn],
        }),
      )
    return remarks
  })
}
