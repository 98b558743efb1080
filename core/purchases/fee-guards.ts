/** What a change may not do to fees and to the client's money: money that moved is only reversed, hours lie in the past. */
import { fault, type Fault } from '../makeover/change.ts'
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { negate } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { reckonMoney } from './money.ts'

export function feeFaults(before: Makeover, after: Makeover, today: PlainDate): Fault[] {
  return [...receiptFaults(before, after, today), ...hourFaults(after, today), ...stageFaults(after)]
}

function receiptFaults(before: Makeover, after: Makeover, today: PlainDate): Fault[] {
  const wrong = (id: string | null, field: string | null, message: string): Fault =>
    fault('receipt', 'receipt', id, field, message)
  const faults: Fault[] = []
  for (const old of rowsOf(before, 'receipt'))
    if (after.rows.receipt[old.id] !== old)
      faults.push(
        wrong(old.id, null, 'money from the client is never changed or taken away: reverse it, and enter it anew'),
      )
  const reversed = new Set<string>()
  let last: string | null = null
  let balance = 0
  for (const row of rowsOf(after, 'receipt')) {
    if (!before.rows.receipt[row.id]) last = row.id
    balance += row.direction === 'in' ? row.amountMinor : negate(row.amountMinor)
    if (row.receivedOn > today)
      faults.push(
        wrong(row.id, 'receivedOn', `${writeDate(row.receivedOn)} lies in the future: expected today or earlier`),
      )
    if (row.reversesId === null) continue
    const first = after.rows.receipt[row.reversesId]
    if (
      !first ||
      first.reversesId !== null ||
      first.direction === row.direction ||
      first.amountMinor !== row.amountMinor ||
      reversed.has(first.id)
    )
      faults.push(
        wrong(row.id, 'reversesId', 'money from the client is reversed once, by its whole amount, the other way'),
      )
    reversed.add(row.reversesId)
  }
  if (balance < 0)
    faults.push(
      wrong(
        last,
        'amountMinor',
        `more would go back than came: ${writeMoney(reckonMoney(before).client.received, currencyOf(after))} is here`,
      ),
    )
  return faults
}

function hourFaults(after: Makeover, today: PlainDate): Fault[] {
  return rowsOf(after, 'stint').flatMap((row) => [
    ...(row.workedOn > today
      ? [
          fault(
            'hours',
            'stint',
            row.id,
            'workedOn',
            `${writeDate(row.workedOn)} lies in the future: expected today or earlier`,
          ),
        ]
      : []),
    ...(after.rows.fee[row.feeId]?.way === 'hourly'
      ? []
      : [fault('hours', 'stint', row.id, 'feeId', 'hours belong to a fee by the hour')]),
  ])
}

const stageFaults = (after: Makeover): Fault[] =>
  rowsOf(after, 'stage').flatMap((row) =>
    row.dueOn !== null && row.dueOn < row.askedOn
      ? [fault('stage', 'stage', row.id, 'dueOn', `${writeDate(row.dueOn)} lies before it is asked`)]
      : [],
  )
