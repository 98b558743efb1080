/** The kinds of row of what the studio is paid for its own work, and of the money it is given by the client. */
import { clientTenders, costBases, feeWays, stageKinds } from '../makeover/choices.ts'
import { choice, count, date, label, line, money, rate, real, reference, row } from '../makeover/fields.ts'

export const feeKinds = {
  fee: row('fee', {
    categoryId: reference('category'),
    name: label(),
    way: choice(feeWays),
    /** The one sum, or what an hour costs; before tax. */
    amountMinor: money(),
    /** The part of the cost, or of the discount. */
    ratePpm: rate(),
    base: choice(costBases),
    /** How many hours were agreed; what is forecast until more are worked. */
    expectedHours: real(0, 10_000),
    taxPpm: rate(),
  }),
  /** A stretch of work that is paid by the hour. */
  stint: row('stretch of work', {
    feeId: reference('fee'),
    workedOn: date(),
    minutes: count(1, 1440),
    what: line(200),
  }),
  /** A sum asked of the client: a deposit, a stage of the work, or the balance. */
  stage: row('sum asked of the client', {
    name: label(),
    kind: choice(stageKinds),
    amountMinor: money(1),
    askedOn: date(),
    dueOn: date().nullable(),
  }),
  /** Money from the client to the studio, or back; a wrong entry is reversed. */
  receipt: row('money from the client', {
    stageId: reference('stage').nullable(),
    direction: choice(['in', 'back']),
    amountMinor: money(1),
    receivedOn: date(),
    tender: choice(clientTenders),
    reversesId: reference('receipt').nullable(),
    note: line(300),
  }),
}
