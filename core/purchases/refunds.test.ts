/** Refunds go back by the way that was paid, gift cards first: common practice of sellers. */
import { describe, expect, it } from 'vitest'
import { add } from '../makeover/change.ts'
import { blank } from '../makeover/blank.ts'
import type { Fields } from '../makeover/kinds.ts'
import { minor } from '../money/minor.ts'
import { agreedOn, change } from '../testing/small-makeover.ts'
import { world } from '../testing/ledgers.ts'
import { refundProposed } from './refunds.ts'

function paidBy(payments: readonly Partial<Fields<'payment'>>[]) {
  const { newId, candidates, documents, ids, held } = world()
  const [orderId, purchaseId] = [newId(), newId()]
  const candidate = candidates[0]
  if (!candidate) throw new Error('the world has candidates')
  const { pieceId } = candidate.fields
  const { makeover } = change(documents, [
    add('order', orderId, { ...blank.order, sellerId: ids.seller, orderedOn: agreedOn }),
    add('purchase', purchaseId, {
      ...blank.purchase,
      priceMinor: minor(500_00),
      orderId,
      pieceId,
      candidateId: candidate.id,
      packs: 1,
    }),
    ...payments.map((payment) =>
      add('payment', newId(), {
        ...blank.payment,
        orderId,
        direction: 'out',
        amountMinor: minor(100_00),
        paidOn: agreedOn,
        tender: 'card',
        ...payment,
      }),
    ),
  ])
  return { makeover, orderId, held }
}

describe('a refund', () => {
  it('goes back on the gift card first, and no more than was on it', () => {
    const card = world().held.card
    const { makeover, orderId } = paidBy([{ tender: 'gift card', creditId: card, amountMinor: minor(150_00) }, {}])
    expect(refundProposed(makeover, orderId, minor(200_00))).toEqual({
      tender: 'gift card',
      creditId: card,
      amount: 150_00,
    })
    expect(refundProposed(makeover, orderId, minor(20_00))).toMatchObject({ tender: 'gift card', amount: 20_00 })
  })
  it('then by what was paid last, once the card has its own back', () => {
    const card = world().held.card
    const { makeover, orderId } = paidBy([
      { tender: 'gift card', creditId: card },
      { tender: 'transfer' },
      { tender: 'cash' },
      { tender: 'gift card', creditId: card, direction: 'back' },
    ])
    expect(refundProposed(makeover, orderId, minor(60_00))).toEqual({ tender: 'cash', creditId: null, amount: 60_00 })
  })
  it('is not proposed where nothing was paid', () => {
    const { makeover, orderId } = paidBy([])
    expect(refundProposed(makeover, orderId, minor(60_00))).toBeNull()
  })
})
