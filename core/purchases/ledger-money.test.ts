import { blank } from '../makeover/blank.ts'
import { describe, expect, it } from 'vitest'
import { add, edit, remove, type Operation } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor, zero } from '../money/minor.ts'
import {
  agreedOn,
  begin,
  candidateOf,
  change,
  countingIds,
  pieceOf,
  orderOf,
  terms,
  testToday,
  tryChange,
} from '../testing/small-makeover.ts'
import { reckonMoney } from './money.ts'
import { world } from '../testing/ledgers.ts'

describe('what may not be done to orders and payments', () => {
  const newId = countingIds(5000)
  const begun = world()
  const [first] = begun.candidates
  const [order, delivery] = [newId(), newId()]
  const base = first
    ? change(begun.documents, [
        ...orderOf(order, first.id, first.fields, 2),
        add('delivery', delivery, {
          ...blank.delivery,
          purchaseId: order,
          packs: 2,
          receivedOn: plainDate('2027-02-08'),
        }),
      ])
    : begun.documents
  const paid = change(base, [
    add('payment', newId(), {
      orderId: order,
      direction: 'out',
      amountMinor: minor(300_00),
      paidOn: plainDate('2027-02-02'),
      tender: 'card',
      creditId: null,
      reversesId: null,
      reason: 'as billed',
    }),
  ])
  const payment = rowsOf(paid.makeover, 'payment')[0]
  const payBack = (amount: number): Operation =>
    add('payment', newId(), {
      orderId: order,
      direction: 'back',
      amountMinor: minor(amount),
      paidOn: plainDate('2027-02-20'),
      tender: 'card',
      creditId: null,
      reversesId: null,
      reason: 'as billed',
    })
  const sendBack = (fields: { packs?: number; credit?: number; sentOn?: string }): Operation =>
    add('return', newId(), {
      ...blank.return,
      purchaseId: order,
      packs: fields.packs ?? 1,
      sentOn: plainDate(fields.sentOn ?? '2027-02-20'),
      acceptedOn: null,
      reason: 'No',
      creditMinor: minor(fields.credit ?? 0),
      wantedAgain: false,
    })
  const anOrder = (orderedOn: string): Operation[] =>
    first ? [...orderOf(newId(), first.id, first.fields, 1, { orderedOn: plainDate(orderedOn) })] : []

  it.each([
    ['a refund above what was paid', [payBack(300_01)], 'amountMinor', /300\.01 back, 300\.00 paid/],
    [
      'more goods than were ordered',
      [
        add('delivery', newId(), {
          ...blank.delivery,
          purchaseId: order,
          packs: 1,
          receivedOn: plainDate('2027-02-09'),
        }),
      ],
      'packs',
      /3 of 2/,
    ],
    ['more goods back than came', [sendBack({ packs: 3 })], 'packs', /2 came, 3 would go back/],
    [
      'a credit above what the goods cost',
      [sendBack({ credit: 348_40 })],
      'creditMinor',
      /more than the returned goods cost/,
    ],
    ['a return before the order', [sendBack({ sentOn: '2027-01-31' })], 'sentOn', /before the order/],
    ['a return tomorrow', [sendBack({ sentOn: '2027-03-02' })], 'sentOn', /future/],
    ['an order before the agreement', anOrder('2027-01-09'), 'orderedOn', /before the budget was agreed, 10 Jan 2027/],
    ['an order tomorrow', anOrder('2027-03-02'), 'orderedOn', /future/],
    [
      'a payment rewritten',
      payment ? [edit('payment', payment, { amountMinor: minor(1) })] : [],
      null,
      /never changed/,
    ],
    ['a payment taken away', payment ? [remove('payment', payment)] : [], null, /never changed/],
    [
      'an order with other terms',
      [edit('purchase', paid.makeover.rows.purchase[order] ?? ({} as never), { priceMinor: minor(1) })],
      null,
      /keeps the terms/,
    ],
    [
      'an order taken away under its payment',
      [
        remove('purchase', paid.makeover.rows.purchase[order] ?? ({} as never)),
        remove('order', paid.makeover.rows.order[order] ?? ({} as never)),
      ],
      'orderId',
      /not there/,
    ],
    [
      'an order left without a line',
      [
        remove('delivery', paid.makeover.rows.delivery[delivery] ?? ({} as never)),
        remove('purchase', paid.makeover.rows.purchase[order] ?? ({} as never)),
      ],
      null,
      /at least one line/,
    ],
  ] as const)('%s is refused', (_name, operations, field, message) => {
    const { faults } = tryChange(paid, operations as readonly Operation[])
    expect(faults.length).toBeGreaterThan(0)
    expect(faults.some((fault) => fault.field === field && message.test(fault.message))).toBe(true)
  })
  it('on the day of the agreement an order is made', () =>
    expect(tryChange(paid, anOrder(agreedOn)).faults).toEqual([]))
  it('a refund of all that was paid is taken', () => expect(tryChange(paid, [payBack(300_00)]).faults).toEqual([]))
  it('a payment is reversed once', () => {
    if (!payment) throw new Error('the payment was made above')
    const reversal = () =>
      add('payment', newId(), {
        orderId: order,
        direction: 'back',
        amountMinor: payment.amountMinor,
        paidOn: testToday,
        tender: 'card',
        creditId: null,
        reversesId: payment.id,
        reason: 'as billed',
      })
    const once = change(paid, [reversal()])
    expect(reckonMoney(once.makeover).total.paid).toBe(0)
    expect(tryChange(once, [reversal()]).faults.map((fault) => fault.field)).toContain('reversesId')
  })
  it('without a signed budget nothing is ordered', () => {
    const ids = countingIds(9000)
    const draft = begin(ids, { signed: false })
    const [piece, candidate] = [ids(), ids()]
    const offer = candidateOf(piece, draft.ids.seller)
    const planned = change(draft.start, [
      ...draft.operations,
      add('piece', piece, pieceOf(draft.ids.room, draft.categories.Furniture ?? '', { chosenId: candidate })),
      add('candidate', candidate, offer),
    ])
    expect(tryChange(planned, [...orderOf(ids(), candidate, offer, 1)]).faults[0]?.message).toMatch(
      /no budget is signed yet/,
    )
  })
})

describe('still to buy', () => {
  it('counts the allowance, in proportion, while nothing is chosen, and what came back and is still wanted', () => {
    const ids = countingIds(20_000)
    const { ids: fields, categories, operations, start } = begin(ids)
    const [piece, candidate, order] = [ids(), ids(), ids()]
    const offer = candidateOf(piece, fields.seller, terms({ priceMinor: minor(50_00), taxPpm: 0 }))
    let documents = change(start, [
      ...operations,
      add(
        'piece',
        piece,
        pieceOf(fields.room, categories.Furniture ?? '', { quantity: 4, allowanceMinor: minor(330_00) }),
      ),
      add('candidate', candidate, offer),
    ])
    const firstPiece = () => reckonMoney(documents.makeover).pieces[0]
    expect(firstPiece()).toMatchObject({ open: 4, basis: 'allowance', stillToBuy: 330_00 })
    documents = change(documents, [
      ...orderOf(order, candidate, offer, 3),
      add('delivery', ids(), { ...blank.delivery, purchaseId: order, packs: 3, receivedOn: plainDate('2027-02-08') }),
    ])
    expect(firstPiece()).toMatchObject({ open: 1, stillToBuy: 82_50 })
    documents = change(documents, [
      add('return', ids(), {
        ...blank.return,
        purchaseId: order,
        packs: 1,
        sentOn: plainDate('2027-02-09'),
        acceptedOn: null,
        reason: 'No',
        creditMinor: zero,
        wantedAgain: true,
      }),
    ])
    expect(firstPiece()).toMatchObject({ open: 2, stillToBuy: 165_00 })
    documents = change(documents, [
      edit('piece', documents.makeover.rows.piece[piece] ?? ({} as never), {
        chosenId: candidate,
        chosenReason: 'Good',
      }),
    ])
    expect(firstPiece()).toMatchObject({ open: 2, basis: 'candidate', stillToBuy: 100_00 })
  })
})
