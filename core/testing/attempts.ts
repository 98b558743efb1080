/** What a person might try next with money and orders, much of it refused. For tests. */
import { blank, termsOf } from '../makeover/blank.ts'
import fc from 'fast-check'
import { add, edit, remove, type Documents, type Operation } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { addDays } from '../measure/plain-date.ts'
import { minor, zero } from '../money/minor.ts'
import { orderOf, testToday } from './small-makeover.ts'
import { couponShares } from '../purchases/coupons.ts'
import { without, world } from './ledgers.ts'

export type Step = { what: number; pick: number; amount: number; day: number; flag: boolean }

export const step = fc.record({
  what: fc.nat(16),
  pick: fc.nat(20),
  amount: fc.integer({ min: 1, max: 90_000 }),
  day: fc.integer({ min: -60, max: 5 }),
  flag: fc.boolean(),
})

/** What a person might try next; much of it is refused, and nothing of it may break the ledger. */
export function attempt(
  start: ReturnType<typeof world>,
  documents: Documents,
  { what, pick, amount, day, flag }: Step,
): Operation[] {
  const { makeover } = documents
  const on = addDays(testToday, day)
  const picked = <T>(rows: readonly T[]): T | undefined => rows[pick % Math.max(1, rows.length)]
  const purchase = picked(rowsOf(makeover, 'purchase'))
  const piece = picked(rowsOf(makeover, 'piece'))
  const candidate = picked(start.candidates)
  const payment = picked(rowsOf(makeover, 'payment'))
  const returned = picked(rowsOf(makeover, 'return'))
  const agreement = rowsOf(makeover, 'agreement').at(-1)
  switch (what) {
    case 0:
    case 1:
      return candidate
        ? [...orderOf(start.newId(), candidate.id, candidate.fields, 1 + (amount % 3), { orderedOn: on })]
        : []
    case 2:
    case 3:
      return purchase
        ? [
            add('payment', start.newId(), {
              orderId: purchase.orderId,
              direction: flag ? 'out' : 'back',
              amountMinor: minor(amount),
              paidOn: on,
              tender: 'card',
              creditId: null,
              reversesId: null,
              reason: 'as asked',
            }),
          ]
        : []
    case 4:
      return purchase
        ? [
            add('delivery', start.newId(), {
              ...blank.delivery,
              purchaseId: purchase.id,
              packs: 1 + (amount % 2),
              receivedOn: on,
            }),
          ]
        : []
    case 5:
      return purchase
        ? [
            add('return', start.newId(), {
              ...blank.return,
              purchaseId: purchase.id,
              packs: 1,
              sentOn: on,
              acceptedOn: flag ? on : null,
              reason: 'No',
              creditMinor: minor(amount),
              carriageMinor: minor(pick % 3 === 0 ? 12_50 : 0),
              wantedAgain: pick % 2 === 0,
            }),
          ]
        : []
    case 6:
      return returned ? [edit('return', returned, { acceptedOn: on })] : []
    case 7:
      return payment
        ? [
            add('payment', start.newId(), {
              ...payment,
              direction: payment.direction === 'out' ? 'back' : 'out',
              reversesId: payment.id,
              reason: 'as asked',
            } as never),
          ].map(({ fields, ...rest }) => ({ ...rest, fields: without(fields) }))
        : []
    case 8:
      return piece && candidate
        ? [
            edit(
              'piece',
              piece,
              flag
                ? { chosenId: candidate.fields.pieceId === piece.id ? candidate.id : null }
                : { quantity: 1 + (amount % 5), allowanceMinor: minor(amount) },
            ),
          ]
        : []
    case 9: {
      // two lines, tax rounded by line or for the whole, with the coupon or without
      const [first, second] = [candidate, start.candidates[(pick + 2) % start.candidates.length]]
      const coupon = flag ? makeover.rows.coupon[start.held.coupon] : undefined
      if (!first || !second) return []
      const id = start.newId()
      const lines = [first, second].map((line) => ({
        ...termsOf(line.fields),
        pieceId: line.fields.pieceId,
        candidateId: line.id,
        orderId: id,
        packs: 1 + (amount % 2),
      }))
      const shares = coupon ? couponShares(coupon, lines) : []
      return [
        add('order', id, {
          ...blank.order,
          sellerId: start.ids.seller,
          orderedOn: on,
          couponId: coupon?.id ?? null,
          taxRounding: pick % 2 === 0 ? 'total' : 'line',
          boughtBy: pick % 3 === 0 ? 'studio' : 'client',
          depositMinor: minor(amount % 40_00),
        }),
        ...lines.map((line, at) =>
          add('purchase', start.newId(), { ...blank.purchase, ...line, couponMinor: shares[at] ?? zero }),
        ),
      ]
    }
    case 10:
      return purchase
        ? [
            add('cancellation', start.newId(), {
              purchaseId: purchase.id,
              packs: 1,
              cancelledOn: on,
              reason: 'Not to be had',
              creditMinor: minor(flag ? amount : Math.min(amount, 5_00)),
              keptMinor: minor(amount % 300),
              wantedAgain: pick % 2 === 0,
            }),
          ]
        : []
    case 11:
      return purchase
        ? [
            add('claim', start.newId(), {
              purchaseId: purchase.id,
              about: 'damage',
              note: '',
              askedMinor: minor(amount),
              madeOn: on,
              answer: flag ? 'yes' : 'waiting',
              grantedMinor: flag ? minor(amount % 30_00) : zero,
              answeredOn: flag ? on : null,
            }),
          ]
        : []
    case 12:
    case 13: {
      const card = what === 12
      return purchase
        ? [
            add('payment', start.newId(), {
              orderId: purchase.orderId,
              direction: flag ? 'out' : 'back',
              amountMinor: minor(1 + (amount % 160_00)),
              paidOn: on,
              tender: card ? 'gift card' : 'held credit',
              creditId: card ? start.held.card : start.held.note,
              reversesId: null,
              reason: 'as asked',
            }),
          ]
        : []
    }
    case 14:
      return purchase
        ? [
            add('return', start.newId(), {
              ...blank.return,
              purchaseId: purchase.id,
              packs: 1,
              sentOn: on,
              acceptedOn: on,
              reason: 'Broken',
              creditMinor: zero,
              restockingMinor: zero,
              settles: 'replacement',
              wantedAgain: false,
            }),
          ]
        : []
    case 15:
      return purchase
        ? [add('placing', start.newId(), { purchaseId: purchase.id, placedOn: on, tagsOffOn: flag ? on : null })]
        : []
    default: {
      if (!agreement) return purchase ? [remove('purchase', purchase)] : []
      const id = start.newId()
      return [
        add('agreement', id, {
          number: agreement.number + 1,
          contingencyMinor: minor(amount),
          signedById: start.ids.client,
          signedOn: on,
          reason: 'So it is',
          kept: '',
        }),
        ...start.names.map((categoryId) =>
          add('agreementLine', start.newId(), { agreementId: id, categoryId, amountMinor: minor(amount * 4) }),
        ),
      ]
    }
  }
}
