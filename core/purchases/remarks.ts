import { currencyOf, type Makeover } from '../makeover/document.ts'
import { writeMoney } from '../money/written.ts'
import { minus, zero } from '../money/minor.ts'
import { daysBetween, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import { remark, type Remark, type Subject } from '../remarks/remark.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Money } from './money.ts'

/** What the money and the goods give cause to say. */
export function purchaseRemarks(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Remark[] {
  return [...sumRemarks(makeover, money), ...orderRemarks(makeover, money, rules, today)]
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
        code: 'purchases.over-agreed',
        weight: 'stop',
        step: 'purchases',
        subjects: whole,
        title: `${write(total.over)} over the agreed sum`,
        sentence: `The forecast is ${write(total.forecast)}; ${write(total.categoriesAgreed)} and a contingency of ${write(total.contingency)} were agreed. Nothing more can be ordered until the client signs a change, or a wish is given up.`,
        rule: null,
        numbers: [total.over],
      }),
    )
  else if (total.contingencyDrawn > 0)
    remarks.push(
      remark({
        code: 'purchases.draws-contingency',
        weight: 'look',
        step: 'purchases',
        subjects: whole,
        title: `${write(total.contingencyDrawn)} is drawn from the contingency`,
        sentence: `The categories come to ${write(total.categoriesAgreed)}, the forecast to ${write(total.forecast)}. Of the contingency ${write(minus(total.contingency, total.contingencyDrawn))} is left for what nobody foresees.`,
        rule: null,
        numbers: [total.contingencyDrawn],
      }),
    )
  for (const category of money.categories)
    if (category.left < 0 && total.over === 0)
      remarks.push(
        remark({
          code: 'purchases.category-over',
          weight: 'look',
          step: 'purchases',
          subjects: [{ kind: 'category', id: category.id }],
          title: `${category.name} is ${write(minus(zero, category.left))} over`,
          sentence: `${write(category.agreed)} was agreed for it and ${write(category.forecast)} is forecast, while the total holds. Tell the client before it grows, or find it elsewhere.`,
          rule: null,
          numbers: [category.left],
        }),
      )
  return remarks
}

function orderRemarks(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Remark[] {
  const currency = currencyOf(makeover)
  return money.purchases.flatMap((purchase) => {
    const name = makeover.rows.piece[purchase.pieceId]?.name ?? 'A purchase'
    const subjects: Subject[] = [{ kind: 'purchase', id: purchase.id }]
    const remarks: Remark[] = []
    if (purchase.refundDue > 0)
      remarks.push(
        remark({
          code: 'purchases.refund-due',
          weight: 'look',
          step: 'purchases',
          subjects,
          title: `${name}: ${writeMoney(purchase.refundDue, currency)} to come back`,
          sentence: `${writeMoney(purchase.paid, currency)} is paid and ${writeMoney(purchase.owed, currency)} is owed. Ask the seller for the rest, and note it here when it comes.`,
          rule: null,
          numbers: [purchase.refundDue],
        }),
      )
    if (purchase.goingBack > 0)
      remarks.push(
        remark({
          code: 'purchases.going-back',
          weight: 'note',
          step: 'purchases',
          subjects,
          title: `${name}: the seller has still to accept the return`,
          sentence: `${purchase.goingBack} of ${purchase.packs} went back, for ${writeMoney(purchase.creditExpected, currency)}. Until the seller accepts it, the whole price is owed and counted.`,
          rule: null,
          numbers: [purchase.creditExpected],
        }),
      )
    const daysLeft = purchase.returnBy ? daysBetween(today, purchase.returnBy) : null
    if (purchase.returnBy && daysLeft !== null && daysLeft >= 0 && daysLeft <= rules['dates.return-warning'])
      remarks.push(
        remark({
          code: 'purchases.last-return-day',
          weight: 'look',
          step: 'purchases',
          subjects,
          title: `${name} can go back until ${writeWeekdayDate(purchase.returnBy)}`,
          sentence: `${daysLeft === 0 ? 'Today is the last day' : `${daysLeft} ${daysLeft === 1 ? 'day is' : 'days are'} left`}. See it in its place before then, and leave the tags on until you have.`,
          rule: 'dates.return-warning',
          numbers: [purchase.returnBy],
        }),
      )
    return remarks
  })
}
