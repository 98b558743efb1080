import { minus, negate, type Minor } from '#core/money/minor.ts'
import { writeDate, type PlainDate } from '#core/measure/plain-date.ts'
import { writeMinutes } from '#core/measure/duration.ts'
import type { Statement } from '#core/purchases/index.ts'
import type { Paper } from './paper.ts'

/** What is between the client and the studio: its fees, the hours behind them, what was asked and given, and the balance. */
export function accountPages(
  page: Paper,
  { fees, hours, stages, receipts, client, for: reader }: Statement,
  money: (amount: Minor) => string,
  day: (on: PlainDate) => string,
): void {
  if (fees.length > 0) {
    page.heading(reader === 'studio' ? 'Fees' : 'The studio’s fees')
    page.table(
      [
        { head: 'What', width: 2.2 },
        { head: 'Counted by', width: 3.6 },
        { head: 'Before tax', width: 1.4, right: true },
        { head: 'Tax', width: 1.2, right: true },
        { head: 'To date', width: 1.4, right: true },
        { head: 'In the end', width: 1.4, right: true },
      ],
      fees.map((fee) => [
        fee.name,
        fee.countedBy,
        money(fee.net),
        money(fee.tax),
        money(fee.earned),
        money(fee.forecast),
      ]),
    )
  }
  if (hours.length > 0) {
    page.heading('Hours')
    page.table(
      [
        { head: 'On', width: 1.6 },
        { head: 'What', width: 5 },
        { head: 'For', width: 2.4 },
        { head: 'How long', width: 1.5, right: true },
      ],
      hours.map((row) => [day(row.workedOn), row.what, row.fee, writeMinutes(row.minutes).replaceAll(' ', '\u00a0')]),
    )
  }
  if (stages.length > 0) {
    page.heading('Asked in stages')
    page.table(
      [
        { head: 'What', width: 3 },
        { head: 'Asked', width: 1.6 },
        { head: 'Due', width: 1.6 },
        { head: 'Sum', width: 1.5, right: true },
        { head: 'Received', width: 1.5, right: true },
        { head: 'Outstanding', width: 1.6, right: true },
      ],
      stages.map((stage) => [
        stage.name,
        day(stage.askedOn),
        stage.dueOn ? day(stage.dueOn) : '',
        money(stage.amount),
        money(stage.received),
        money(stage.outstanding),
      ]),
    )
  }
  if (receipts.length > 0) {
    page.heading('Received from the client')
    page.table(
      [
        { head: 'On', width: 1.6 },
        { head: 'For', width: 3 },
        { head: 'By', width: 2 },
        { head: 'Received', width: 1.5, right: true },
        { head: 'Went back', width: 1.5, right: true },
      ],
      receipts.map((row) => [
        day(row.receivedOn),
        row.stage,
        row.tender,
        row.amount > 0 ? money(row.amount) : '',
        row.amount < 0 ? money(negate(row.amount)) : '',
      ]),
    )
  }
  if (client)
    page.words(
      `${client.goods > 0 ? `Bought by the studio and billed on ${money(client.goods)}, ` : ''}fees ${money(client.fees)}, received ${money(client.received)}: ${
        client.owes > 0
          ? `${money(client.owes)} is owed to the studio.`
          : client.held > 0
            ? `${money(client.held)} is held for the client.`
            : 'nothing is owed on either side.'
      }`,
    )
  if (client && client.asked > 0 && client.asked < minus(client.billed, client.received))
    page.words(`Of it ${money(client.asked)} is asked and not received yet.`, true)
}

/** A day that never breaks over lines. */
export const unbroken = (on: PlainDate): string => writeDate(on).replaceAll(' ', '\u00a0')
