/** The part of a statement that is between the client and the studio: fees, hours, sums asked, money given. */
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeMinutes } from '../measure/duration.ts'
import { negate } from '../money/minor.ts'
import { writeMoney, writeRate } from '../money/written.ts'
import type { FeeReckoning } from './fees.ts'
import type { Money } from './money.ts'
import type { Statement } from './statement.ts'

type Account = Pick<Statement, 'fees' | 'hours' | 'stages' | 'receipts' | 'client'>

export function accountOf(makeover: Makeover, money: Money, categoryOf: (id: string) => string): Account {
  const receipts = rowsOf(makeover, 'receipt')
  const feeOf = (id: string): string => makeover.rows.fee[id]?.name ?? ''
  return {
    fees: money.fees.flatMap((fee) => {
      const row = makeover.rows.fee[fee.id]
      return row
        ? [
            {
              name: row.name,
              category: categoryOf(fee.categoryId),
              countedBy: countedBy(row, fee, currencyOf(makeover)),
              net: fee.net,
              tax: fee.tax,
              earned: fee.earned,
              paid: fee.paid,
              forecast: fee.forecast,
            },
          ]
        : []
    }),
    hours: rowsOf(makeover, 'stint')
      .map(({ workedOn, feeId, what, minutes }) => ({ workedOn, fee: feeOf(feeId), what, minutes }))
      .toSorted((left, right) => (left.workedOn < right.workedOn ? -1 : left.workedOn > right.workedOn ? 1 : 0)),
    stages: money.client.stages.flatMap(({ id, received, outstanding }) => {
      const row = makeover.rows.stage[id]
      return row
        ? [{ name: row.name, askedOn: row.askedOn, dueOn: row.dueOn, amount: row.amountMinor, received, outstanding }]
        : []
    }),
    receipts: receipts
      .map((row) => ({
        receivedOn: row.receivedOn,
        stage: row.stageId === null ? '' : (makeover.rows.stage[row.stageId]?.name ?? ''),
        tender: row.reversesId ? `${row.tender}, reversal` : row.tender,
        amount: row.direction === 'in' ? row.amountMinor : negate(row.amountMinor),
      }))
      .toSorted((left, right) =>
        left.receivedOn < right.receivedOn ? -1 : left.receivedOn > right.receivedOn ? 1 : 0,
      ),
    client: money.client.billed === 0 && receipts.length === 0 ? null : money.client,
  }
}

/** What a fee is counted by: "6 h 30 min at 65.00 an hour", "10 % of 4 200.00". */
export function countedBy(row: Row<'fee'>, fee: FeeReckoning, currency: string): string {
  switch (row.way) {
    case 'fixed':
      return 'one sum'
    case 'hourly':
      return `${writeMinutes(fee.minutes)}${row.expectedHours > 0 ? ` of ${row.expectedHours} h agreed` : ''}, at ${writeMoney(row.amountMinor, currency)} an hour`
    case 'of the cost':
      return `${writeRate(row.ratePpm)} of ${writeMoney(fee.basis, currency)} ordered, ${row.base}`
    case 'of the discount':
      return `${writeRate(row.ratePpm)} of ${writeMoney(fee.basis, currency)} saved against list prices`
  }
}
