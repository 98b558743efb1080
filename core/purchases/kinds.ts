/** The kinds of row of the purchases; what the studio is paid, and what comes from the client, are in `fee-kinds.ts`. */
import {
  answers,
  buyers,
  claimReasons,
  couponBases,
  couponGives,
  creditKinds,
  settlements,
  taxRoundings,
  tenders,
} from '../makeover/choices.ts'
import { choice, count, date, flag, label, line, money, rate, reference, row } from '../makeover/fields.ts'
import { terms } from '../makeover/terms.ts'
import { feeKinds } from './fee-kinds.ts'

export const purchaseKinds = {
  coupon: row('coupon', {
    sellerId: reference('seller'),
    name: label(),
    gives: choice(couponGives),
    ratePpm: rate(),
    amountMinor: money(),
    base: choice(couponBases),
    minimumMinor: money(),
    endsOn: date().nullable(),
    conditions: line(500),
  }),
  /** Gift cards and credit notes: what is held with a seller. A credit note begins empty and is filled by refunds. */
  credit: row('held credit', {
    sellerId: reference('seller'),
    kind: choice(creditKinds),
    number: line(60),
    faceMinor: money(),
    gotOn: date(),
    expiresOn: date().nullable(),
    /** Good at every seller of the seller's group. */
    wholeGroup: flag(),
  }),
  order: row('order', {
    sellerId: reference('seller').nullable(),
    orderedOn: date(),
    reference: line(60),
    boughtBy: choice(buyers),
    /** What the seller asks at once. */
    depositMinor: money(),
    balanceDueOn: date().nullable(),
    taxRounding: choice(taxRoundings),
    couponId: reference('coupon').nullable(),
    note: line(500),
  }),
  purchase: row('line of an order', {
    orderId: reference('order'),
    pieceId: reference('piece'),
    candidateId: reference('candidate', { within: 'pieceId' }),
    packs: count(1, 100_000),
    couponMinor: money(),
    /** Of a kind that the coupon excludes, such as clearance: neither reduced nor counted towards its minimum. */
    offCoupon: flag(),
    ...terms,
  }),
  delivery: row('delivery', {
    purchaseId: reference('purchase'),
    packs: count(1, 100_000),
    receivedOn: date(),
    damagedPacks: count(0, 100_000),
    /** What came in place of what was ordered; empty where it is the same. */
    cameInstead: line(200),
    note: line(500),
  }),
  /** Put in its place; kept once the tags are off. */
  placing: row(
    'placing',
    { purchaseId: reference('purchase'), placedOn: date(), tagsOffOn: date().nullable() },
    { once: ['purchaseId'] },
  ),
  /** Goods that will not come. The credit is what the order's price falls by; what is kept, the seller holds back. */
  cancellation: row('cancellation', {
    purchaseId: reference('purchase'),
    packs: count(1, 100_000),
    cancelledOn: date(),
    reason: label(500),
    creditMinor: money(),
    keptMinor: money(),
    wantedAgain: flag(),
  }),
  /** Goods going back. The credit is what the purchase's price falls by once the seller accepts them. */
  return: row('return', {
    purchaseId: reference('purchase'),
    packs: count(1, 100_000),
    sentOn: date(),
    reason: label(500),
    creditMinor: money(),
    /** What the seller keeps for taking it back. */
    restockingMinor: money(),
    /** What it costs to send it back. */
    carriageMinor: money(),
    settles: choice(settlements),
    acceptedOn: date().nullable(),
    wantedAgain: flag(),
  }),
  /** Money asked of a seller while the goods stay: for damage, or a price seen lower within its window. */
  claim: row('claim', {
    purchaseId: reference('purchase'),
    about: choice(claimReasons),
    note: line(500),
    askedMinor: money(1),
    madeOn: date(),
    answer: choice(answers),
    grantedMinor: money(),
    answeredOn: date().nullable(),
  }),
  payment: row('payment', {
    orderId: reference('order'),
    direction: choice(['out', 'back']),
    amountMinor: money(1),
    paidOn: date(),
    tender: choice(tenders),
    /** The gift card or credit note it was paid with, or put back on. */
    creditId: reference('credit').nullable(),
    /** The payment that this one takes back because it was entered wrongly. */
    reversesId: reference('payment').nullable(),
    /** Why more was paid than was owed; empty otherwise. */
    reason: line(300),
  }),
  ...feeKinds,
}
