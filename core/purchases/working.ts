import { belongingTo, byId } from '../makeover/by-id.ts'
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { writeDate } from '../measure/plain-date.ts'
import { minus, negate, type Minor } from '../money/minor.ts'
import { workingLine as line, type Working, type WorkingLine } from '../money/working.ts'
import { writeMoney } from '../money/written.ts'
import type { OrderReckoning, PurchaseReckoning } from './ledger.ts'
import type { Money } from './money.ts'
import { countedAs } from './piece-working.ts'
import { countedBy } from './statement-account.ts'
import type { FeeReckoning } from './fees.ts'

export const figures = [
  'paid',
  'committed',
  'refundsDue',
  'stillToBuy',
  'forecast',
  'left',
  'agreed',
  'contingency',
] as const

export type Figure = (typeof figures)[number]

const credits = (makeover: Makeover, purchaseIds: readonly string[]): WorkingLine[] => {
  const ofThisPurchase = <T extends { readonly purchaseId: string }>(rows: readonly T[]): T[] =>
    rows.filter((row) => purchaseIds.includes(row.purchaseId))
  return [
    ...ofThisPurchase(rowsOf(makeover, 'cancellation')).map((row) =>
      line(
        'Cancelled',
        negate(row.creditMinor),
        `${row.packs} not coming, ${writeDate(row.cancelledOn)}${row.keptMinor > 0 ? `; the seller keeps ${writeMoney(row.keptMinor, currencyOf(makeover))}` : ''}`,
      ),
    ),
    ...ofThisPurchase(rowsOf(makeover, 'return')).flatMap((row) =>
      row.acceptedOn && row.settles === 'money'
        ? [
            line(
              'Credited',
              negate(row.creditMinor),
              `${row.packs} returned, accepted ${writeDate(row.acceptedOn)}${row.restockingMinor > 0 ? `, less ${writeMoney(row.restockingMinor, currencyOf(makeover))} for restocking` : ''}`,
            ),
          ]
        : [],
    ),
    ...ofThisPurchase(rowsOf(makeover, 'claim')).flatMap((row) =>
      row.answer === 'yes' && row.answeredOn
        ? [line('Allowed', negate(row.grantedMinor), `for ${row.about}, ${writeDate(row.answeredOn)}`)]
        : [],
    ),
  ]
}

const carriageLines = (carriage: Minor) =>
  carriage > 0 ? [line('Carriage back', carriage, 'what sending it back costs')] : []

/** What one line still owes, or has to come back: its price, less what was credited, and its part of what is paid. */
export function purchaseWorking(makeover: Makeover, purchase: PurchaseReckoning): Working {
  const lines = [
    line('Landed, as ordered', purchase.terms.landed),
    ...credits(makeover, [purchase.id]),
    ...carriageLines(purchase.carriage),
    ...(purchase.paid === 0
      ? []
      : [line('Less paid', negate(purchase.paid), 'its part of what was paid on the order')]),
  ]
  const due = minus(purchase.owed, purchase.paid)
  return {
    title: due < 0 ? 'To come back' : 'Due',
    means: 'The price of this line, less what the seller credited and its part of what is paid.',
    lines,
    result: line(due < 0 ? 'To come back' : 'Due', due),
  }
}

/** What one order still owes, or has to come back, by the lines that it holds and the money that moved. */
export function orderWorking(makeover: Makeover, order: OrderReckoning, money: Money): Working {
  const lines = [
    ...money.purchases
      .filter((purchase) => purchase.orderId === order.id)
      .map((purchase) =>
        line(makeover.rows.piece[purchase.pieceId]?.name ?? 'A piece', purchase.terms.landed, 'landed, as ordered'),
      ),
    ...credits(makeover, order.lineIds),
    ...carriageLines(order.carriage),
    ...belongingTo(rowsOf(makeover, 'payment'), 'orderId', order.id).map((row) =>
      line(
        row.reversesId ? 'Reversed' : row.direction === 'out' ? 'Paid' : 'Refunded',
        row.direction === 'out' ? negate(row.amountMinor) : row.amountMinor,
        `${writeDate(row.paidOn)}, ${row.tender}`,
      ),
    ),
  ]
  const due = minus(order.owed, order.paid)
  return {
    title: due < 0 ? 'To come back' : 'Due',
    means: 'The price of this order, less what the seller credited and what is paid.',
    lines,
    result: line(due < 0 ? 'To come back' : 'Due', due),
  }
}

/** How a figure of the reckoning line came about, for the whole or for one category. */
export function workingOf(figure: Figure, makeover: Makeover, money: Money, categoryId: string | null = null): Working {
  const currency = currencyOf(makeover)
  const write = (amount: Minor): string => writeMoney(amount, currency)
  const here = <T extends { readonly categoryId: string }>(rows: readonly T[]): readonly T[] =>
    categoryId === null ? rows : rows.filter((row) => row.categoryId === categoryId)
  const name = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? 'A piece'
  const purchases = here(money.purchases)
  const fees = here(money.fees)
  const feeName = (id: string): string => makeover.rows.fee[id]?.name ?? 'A fee'
  const feeWords = (fee: FeeReckoning): string => {
    const row = makeover.rows.fee[fee.id]
    return row ? `fee: ${countedBy(row, fee, currency)}` : 'fee'
  }
  const category = byId(money.categories, categoryId)
  const sums = category ?? money.total
  const agreedSum = category ? category.agreed : money.total.categoriesAgreed
  switch (figure) {
    case 'paid':
      return {
        title: 'Paid',
        means: 'Money out for purchases, less money back, and fees that the client’s money covers.',
        lines: [
          ...purchases
            .filter((purchase) => purchase.paid !== 0)
            .map((purchase) => line(name(purchase.pieceId), purchase.paid)),
          ...fees.filter((fee) => fee.paid > 0).map((fee) => line(feeName(fee.id), fee.paid, 'fee')),
        ],
        result: line('Paid', sums.paid),
      }
    case 'committed':
      return {
        title: 'Committed',
        means: 'Owed for what is ordered, and for fees, and not yet paid.',
        lines: [
          ...purchases
            .filter((purchase) => purchase.committed > 0)
            .map((purchase) =>
              line(
                name(purchase.pieceId),
                purchase.committed,
                `${write(purchase.terms.landed)}${purchase.credited > 0 ? ` − ${write(purchase.credited)} credited` : ''}${purchase.carriage > 0 ? ` + ${write(purchase.carriage)} carriage back` : ''}${purchase.paid > 0 ? ` − ${write(purchase.paid)} paid` : ''}`,
              ),
            ),
          ...fees
            .filter((fee) => fee.earned > fee.paid)
            .map((fee) => line(feeName(fee.id), minus(fee.earned, fee.paid), feeWords(fee))),
        ],
        result: line('Committed', sums.committed),
      }
    case 'refundsDue':
      return {
        title: 'Refunds due',
        means: 'Paid beyond what is owed: money to come back.',
        lines: purchases
          .filter((purchase) => purchase.refundDue > 0)
          .map((purchase) =>
            line(
              name(purchase.pieceId),
              purchase.refundDue,
              `${write(purchase.paid)} paid − ${write(purchase.owed)} owed`,
            ),
          ),
        result: line('Refunds due', sums.refundsDue),
      }
    case 'stillToBuy':
      return {
        title: 'Still to buy',
        means: 'For what is wanted and not ordered: the chosen candidate’s landed cost, else the allowance.',
        lines: [
          ...here(money.pieces)
            .filter((piece) => piece.stillToBuy > 0)
            .map((piece) => line(name(piece.id), piece.stillToBuy, countedAs(piece))),
          ...fees
            .filter((fee) => fee.forecast > fee.earned)
            .map((fee) => line(feeName(fee.id), minus(fee.forecast, fee.earned), 'fee still to be earned')),
        ],
        result: line('Still to buy', sums.stillToBuy),
      }
    case 'forecast':
      return {
        title: 'Forecast',
        means: 'What it will have cost in the end, as things stand.',
        lines: [
          line('Paid', sums.paid),
          line('Committed', sums.committed),
          line('Still to buy', sums.stillToBuy),
          line('Less refunds due', negate(sums.refundsDue)),
        ],
        result: line('Forecast', sums.forecast),
      }
    case 'left':
      return {
        title: 'Left',
        means: category
          ? 'What is free in this category.'
          : 'What is free in the categories; below zero it draws on the contingency.',
        lines: [
          line(category ? `Agreed for ${category.name}` : 'Agreed for the categories', agreedSum),
          line('Less forecast', negate(sums.forecast)),
        ],
        result: line('Left', minus(agreedSum, sums.forecast)),
      }
    case 'contingency':
      return {
        title: 'Contingency',
        means: 'Agreed for what nobody foresees; drawn when the categories are used up.',
        lines: [line('Agreed', money.total.contingency), line('Less drawn', negate(money.total.contingencyDrawn))],
        result: line('Not drawn', minus(money.total.contingency, money.total.contingencyDrawn)),
      }
    case 'agreed':
      return {
        title: 'Agreed',
        means: money.agreement ? 'The signed budget: its categories and the contingency.' : 'No budget is signed yet.',
        lines: category
          ? []
          : [
              ...money.categories
                .filter((category) => category.agreed > 0)
                .map((category) => line(category.name, category.agreed)),
              line('Contingency', money.total.contingency),
            ],
        result: line('Agreed', category ? category.agreed : money.total.agreed),
      }
  }
}
