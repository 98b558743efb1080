import { blank, plainTerms, termsOf } from '../makeover/blank.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { add, edit, remove, type Documents, type Operation } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor, sum, zero } from '../money/minor.ts'
import { Decimal } from 'decimal.js'
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
import { couponShares } from './coupons.ts'
import { goodsValue, landedCost, packsFor, quantityOf } from './landed.ts'
import { reckonMoney } from './money.ts'
import { figures, orderWorking, pieceWorking, purchaseWorking, workingOf } from './working.ts'

const anyTerms = fc.record({
  priceMinor: fc.integer({ min: 0, max: 500_000 }).map(minor),
  packSize: fc.integer({ min: 1, max: 9_000 }).map((thousandths) => thousandths / 1000),
  discountPpm: fc.integer({ min: 0, max: 1_000_000 }),
  deliveryMinor: fc.integer({ min: 0, max: 20_000 }).map(minor),
  taxPpm: fc.integer({ min: 0, max: 300_000 }),
  taxIncluded: fc.boolean(),
  deliveryTaxed: fc.boolean(),
})

describe('landed cost', () => {
  it('is price × packs less discount, with delivery and tax, as exact decimals have it to within the two roundings', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 200 }), (terms, packs) => {
        const net = new Decimal(terms.priceMinor)
          .times(packs)
          .times(1_000_000 - terms.discountPpm)
          .div(1_000_000)
        const taxed = terms.deliveryTaxed ? net.plus(terms.deliveryMinor) : net
        const exact = net
          .plus(terms.deliveryMinor)
          .plus(terms.taxIncluded ? 0 : taxed.times(terms.taxPpm).div(1_000_000))
        expect(
          exact
            .minus(landedCost({ ...plainTerms, ...terms }, packs).landed)
            .abs()
            .toNumber(),
        ).toBeLessThanOrEqual(1.2)
      }),
    )
  })
  it('of goods returned one by one adds up to that of all of them, to the cent', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 30 }), (terms, packs) => {
        const line = { ...plainTerms, ...terms, packs, couponMinor: zero }
        const parts = Array.from({ length: packs }, (_, before) => goodsValue(line, 1, before))
        expect(sum(parts)).toBe(landedCost(line, packs, { withDelivery: false }).landed)
      }),
    )
  })
  it.each([
    [7, 2, 4],
    [2.1, 0.7, 3], // 2.1 / 0.7 is 3.0000000000000004 in binary fractions
    [11, 2.5, 5],
    [0.001, 1, 1],
    [3, 3, 1],
  ])('%d in packs of %d is %i packs', (needed, pack, packs) => {
    expect(packsFor(needed, pack)).toBe(packs)
    expect(quantityOf(packs, pack)).toBeGreaterThanOrEqual(needed)
    expect(quantityOf(packs - 1, pack)).toBeLessThan(needed)
  })
})

/** A makeover with three pieces and two candidates each, and a budget that can be broken. */
function world() {
  const newId = countingIds()
  const { ids, categories, operations, start } = begin(newId, {
    sums: { Furniture: 3_000_00, Textiles: 900_00 },
    contingency: 300_00,
  })
  const names = Object.values(categories)
  const candidates = Array.from({ length: 6 }, (_, at) => {
    const pieceId = `01900000-0000-7000-8000-0000000f000${Math.floor(at / 2)}`
    return {
      id: newId(),
      fields: candidateOf(pieceId, ids.seller, {
        priceMinor: minor([319_99, 120_00, 45_45, 610_10, 89_90, 12_34][at] ?? 0),
        packSize: at === 4 ? 2 : 1,
        discountPpm: at * 25_000,
        deliveryMinor: minor(at * 7_77),
        taxPpm: 88_750,
        taxIncluded: at === 3,
        returnDays: at === 5 ? null : 14,
      }),
    }
  })
  const pieces = [0, 1, 2].map((at) =>
    add(
      'piece',
      `01900000-0000-7000-8000-0000000f000${at}`,
      pieceOf(ids.room, names[at % 2] ?? '', {
        quantity: [2, 3.5, 7][at] ?? 1,
        allowanceMinor: minor(200_00),
        chosenId: at === 2 ? null : (candidates[at * 2]?.id ?? null),
      }),
    ),
  )
  const held = { coupon: newId(), card: newId(), note: newId() }
  const extras = [
    add('coupon', held.coupon, {
      sellerId: ids.seller,
      name: 'A coupon',
      gives: 'percent',
      ratePpm: 75_000,
      amountMinor: zero,
      base: 'reduced price',
      minimumMinor: minor(50_00),
      endsOn: null,
      conditions: '',
    }),
    add('credit', held.card, {
      sellerId: ids.seller,
      kind: 'gift card',
      number: '',
      faceMinor: minor(150_00),
      gotOn: agreedOn,
      expiresOn: null,
    }),
    add('credit', held.note, {
      sellerId: ids.seller,
      kind: 'credit note',
      number: '',
      faceMinor: zero,
      gotOn: agreedOn,
      expiresOn: null,
    }),
  ]
  return {
    newId,
    ids,
    names,
    candidates,
    held,
    documents: change(start, [
      ...operations,
      ...pieces,
      ...candidates.map(({ id, fields }) => add('candidate', id, fields)),
      ...extras,
    ]),
  }
}

type Step = { what: number; pick: number; amount: number; day: number; flag: boolean }
const step = fc.record({
  what: fc.nat(16),
  pick: fc.nat(20),
  amount: fc.integer({ min: 1, max: 90_000 }),
  day: fc.integer({ min: -60, max: 5 }),
  flag: fc.boolean(),
})

/** What a person might try next; much of it is refused, and nothing of it may break the ledger. */
function attempt(
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
        ...lines.map((line, at) => add('purchase', start.newId(), { ...line, couponMinor: shares[at] ?? zero })),
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
            }),
          ]
        : []
    }
    case 14:
      return purchase
        ? [
            add('return', start.newId(), {
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
const without = (fields: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).filter(([name]) => name !== 'id' && name !== 'version'))

describe('the ledger, whatever is ordered, paid, returned and signed', () => {
  it('keeps its identities', () => {
    let taken = 0
    let refused = 0
    fc.assert(
      fc.property(fc.array(step, { minLength: 5, maxLength: 40 }), (steps) => {
        const begun = world()
        let { documents } = begun
        for (const step of steps) {
          const operations = attempt(begun, documents, step)
          if (operations.length === 0) continue
          const was = reckonMoney(documents.makeover)
          const tried = tryChange(documents, operations)
          if (tried.faults.length === 0) taken++
          else refused++
          documents = tried.documents
          const money = reckonMoney(documents.makeover)
          const { total, categories, purchases, pieces, orders, credits } = money

          expect(total.forecast).toBe(total.owed + total.stillToBuy)
          expect(total.forecast).toBe(total.paid + total.committed + total.stillToBuy - total.refundsDue)
          expect(total.left).toBe(total.categoriesAgreed - total.forecast)
          expect(total.agreed).toBe(total.categoriesAgreed + total.contingency)
          expect(Math.max(0, 0 - total.left)).toBe(total.contingencyDrawn + total.over)
          for (const key of ['owed', 'paid', 'committed', 'refundsDue', 'stillToBuy', 'forecast', 'left'] as const)
            expect(categories.reduce((all, category) => all + category[key], 0)).toBe(total[key])
          for (const purchase of purchases) {
            expect(purchase.paid).toBeGreaterThanOrEqual(0)
            expect(purchase.owed).toBeGreaterThanOrEqual(0)
            expect(Math.min(purchase.committed, purchase.refundDue)).toBe(0)
            expect(purchase.owed - purchase.paid).toBe(purchase.committed - purchase.refundDue)
            expect(purchase.goingBack + purchase.returned).toBeLessThanOrEqual(purchase.received)
            expect(purchase.awaited).toBeGreaterThanOrEqual(0)
            if (purchase.studioCost !== null) expect(purchase.studioCost).toBeLessThanOrEqual(purchase.owed)
          }
          // an order is the sum of its lines, and one sum for its seller
          for (const order of orders) {
            const lines = purchases.filter((purchase) => purchase.orderId === order.id)
            for (const key of ['owed', 'paid', 'committed', 'refundDue', 'credited'] as const)
              expect(lines.reduce((all, line) => all + line[key], 0)).toBe(order[key])
            expect(Math.min(order.committed, order.refundDue)).toBe(0)
            const { lines: written, result } = orderWorking(documents.makeover, order, money)
            expect(written.reduce((all, line) => all + Number(line.amount), 0)).toBe(result.amount)
          }
          for (const credit of credits) expect(credit.balance).toBeGreaterThanOrEqual(0)
          for (const piece of pieces) expect(piece.open === 0 || piece.stillToBuy >= 0).toBe(true)
          // the money rule: nothing makes more owed while the forecast passes what was agreed
          if (total.owed > was.total.owed) expect(total.over).toBe(0)
          for (const working of [
            ...purchases.map((purchase) => purchaseWorking(documents.makeover, purchase)),
            ...pieces.map((piece) => pieceWorking(documents.makeover, piece)),
          ])
            expect(working.lines.reduce((all, line) => all + Number(line.amount), 0)).toBe(working.result.amount)
          for (const figure of figures) {
            const { lines, result } = workingOf(figure, documents.makeover, reckonMoney(documents.makeover))
            expect(lines.reduce((all, line) => all + Number(line.amount), 0)).toBe(result.amount)
          }
        }
      }),
      { numRuns: 80 },
    )
    expect(taken).toBeGreaterThan(200)
    expect(refused).toBeGreaterThan(200)
  }, 60_000)
})

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
