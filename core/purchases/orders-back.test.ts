import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents } from '../makeover/change.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor, zero } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { candidateOf, change, orderOf, pieceOf, testToday, tryChange } from '../testing/small-makeover.ts'
import { reckonMoney } from './index.ts'
import { came, categories, ids, newId, offers, pay, planned, table, tableFrom, twoLines } from '../testing/orders.ts'

describe('a price seen lower after buying', () => {
  const { documents, at } = twoLines()
  const seen = (amount: number, on: string) =>
    change(documents, [
      add('price', newId(), {
        candidateId: tableFrom,
        kind: 'seen',
        amountMinor: minor(amount),
        seenOn: plainDate(on),
        note: '',
      }),
    ])
  const drop = (documents: Documents, today = testToday) =>
    reckon(documents, today).remarks.find((remark) => remark.code === 'purchases.price-drop')
  it('prompts a claim until the last day of the window, the order’s day + 30, that day included', () => {
    const lower = seen(430_00, '2027-02-20')
    expect(drop(lower)?.title).toContain('70.00 less')
    expect(drop(lower, plainDate('2027-03-03'))).toBeDefined()
    expect(drop(lower, plainDate('2027-03-04'))).toBeUndefined()
    expect(reckonMoney(lower.makeover).total.owed).toBe(reckonMoney(documents.makeover).total.owed) // what was ordered stays
  })
  it('is silent for a higher price, one from before the order, and once it was claimed', () => {
    expect(drop(seen(510_00, '2027-02-20'))).toBeUndefined()
    expect(drop(seen(430_00, '2027-01-20'))).toBeUndefined()
    const claimed = change(seen(430_00, '2027-02-20'), [
      add('claim', newId(), {
        purchaseId: at[0],
        about: 'price drop',
        note: '',
        askedMinor: minor(70_00),
        madeOn: testToday,
        answer: 'waiting',
        grantedMinor: zero,
        answeredOn: null,
      }),
    ])
    expect(drop(claimed)).toBeUndefined()
  })
})

describe('gift cards and credit notes', () => {
  const { documents, order, at } = twoLines()
  const [card, note] = [newId(), newId()]
  const held = change(documents, [
    add('credit', card, {
      ...blank.credit,
      sellerId: ids.seller,
      kind: 'gift card',
      number: 'A1',
      faceMinor: minor(100_00),
      gotOn: plainDate('2027-01-15'),
      expiresOn: plainDate('2027-03-20'),
    }),
    add('credit', note, {
      ...blank.credit,
      sellerId: ids.seller,
      kind: 'credit note',
      number: '',
      faceMinor: zero,
      gotOn: plainDate('2027-02-15'),
      expiresOn: null,
    }),
  ])
  const byCard = (amount: number, fields: object = {}) =>
    pay(order, amount, { tender: 'gift card', creditId: card, ...fields })
  it('a gift card pays at its face, and no further', () => {
    expect(reckonMoney(change(held, [byCard(60_00)]).makeover)).toMatchObject({
      total: { paid: 60_00, creditHeld: 40_00 },
    })
    expect(tryChange(held, [byCard(100_01)]).faults[0]?.message).toMatch(
      /only 100\.00 was put on it, and 100\.01 would be spent/,
    )
  })
  it('a refund as a credit note is money back, held with that seller', () => {
    const back = change(held, [
      pay(order, 774_00),
      came(at[0], 1),
      add('return', newId(), {
        ...blank.return,
        purchaseId: at[0],
        packs: 1,
        sentOn: plainDate('2027-02-12'),
        acceptedOn: plainDate('2027-02-14'),
        reason: 'No',
        creditMinor: minor(450_00),
        wantedAgain: false,
      }),
    ])
    const noted = change(back, [
      pay(order, 450_00, { direction: 'back', tender: 'held credit', creditId: note, paidOn: plainDate('2027-02-16') }),
    ])
    expect(reckonMoney(noted.makeover).total).toMatchObject({ paid: 324_00, refundsDue: 0, creditHeld: 550_00 })
  })
  it.each([
    ['with another kind of tender', byCard(1, { tender: 'card' }), /expected one of these/],
    ['with the wrong kind', byCard(1, { tender: 'held credit' }), /it is a gift card/],
    ['without saying which', byCard(1, { creditId: null }), /expected the gift card/],
  ])('%s is refused', (_name, operation, message) =>
    expect(tryChange(held, [operation]).faults.some((fault) => message.test(fault.message))).toBe(true),
  )
  it('its end is said in time', () => {
    const said = (days: number) =>
      reckon(held, addDays(plainDate('2027-03-20'), -days)).remarks.some(
        (remark) => remark.code === 'purchases.credit-ends',
      )
    expect([said(46), said(45), said(0), said(-1)]).toEqual([false, true, true, true])
  })
})

describe('a placeholder', () => {
  it('stands in, while the final piece still counts with its allowance, until one is chosen', () => {
    const [piece, standIn, real, order] = [newId(), newId(), newId(), newId()]
    const cheap = candidateOf(piece, ids.seller, {
      source: 'placeholder',
      name: 'Crate',
      priceMinor: minor(20_00),
      taxPpm: 0,
      lookAgainOn: plainDate('2027-02-28'),
    })
    let documents = change(planned, [
      add(
        'piece',
        piece,
        pieceOf(ids.room, categories.Furniture ?? '', {
          name: 'Side table',
          allowanceMinor: minor(200_00),
          chosenId: standIn,
          chosenReason: 'For now',
        }),
      ),
      add('candidate', standIn, cheap),
      add(
        'candidate',
        real,
        candidateOf(piece, ids.seller, { name: 'Oak table', priceMinor: minor(150_00), taxPpm: 0 }),
      ),
    ])
    const wantedPiece = () => reckonMoney(documents.makeover).pieces.find((thisPiece) => thisPiece.id === piece)
    expect(wantedPiece()).toMatchObject({ basis: 'placeholder', stillToBuy: 220_00 })
    documents = change(documents, orderOf(order, standIn, cheap, 1))
    expect(wantedPiece()).toMatchObject({ basis: 'placeholder', open: 0, standIn: 1, stillToBuy: 200_00 })
    expect(
      reckon(documents, testToday).remarks.find((remark) => remark.code === 'pieces.placeholder-due'),
    ).toBeDefined()
    documents = change(documents, [
      edit('piece', documents.makeover.rows.piece[piece] ?? ({} as never), {
        chosenId: real,
        chosenReason: 'The real one',
      }),
    ])
    expect(wantedPiece()).toMatchObject({ basis: 'candidate', open: 1, stillToBuy: 150_00 })
  })
})

describe('what the studio keeps', () => {
  it('is its trade discount on what it buys and bills on, and follows what is credited', () => {
    const order = newId()
    const trade = candidateOf(table, ids.seller, { ...offers.table, tradePpm: 200_000 })
    const bought = change(planned, orderOf(order, tableFrom, trade, 1, { boughtBy: 'studio' }))
    expect(reckonMoney(bought.makeover).purchases[0]).toMatchObject({ owed: 500_00, studioCost: 400_00 })
    const half = change(bought, [
      came(order, 1),
      add('claim', newId(), {
        purchaseId: order,
        about: 'damage',
        note: '',
        askedMinor: minor(250_00),
        madeOn: testToday,
        answer: 'yes',
        grantedMinor: minor(250_00),
        answeredOn: testToday,
      }),
    ])
    expect(reckonMoney(half.makeover).purchases[0]).toMatchObject({ owed: 250_00, studioCost: 200_00 })
    expect(
      reckonMoney(change(planned, orderOf(newId(), tableFrom, trade, 1)).makeover).purchases[0]?.studioCost,
    ).toBeNull()
  })
})

describe('a return', () => {
  const { documents, at } = twoLines()
  const back = newId()
  const sent = change(documents, [
    came(at[0], 1),
    add('return', back, {
      ...blank.return,
      purchaseId: at[0],
      packs: 1,
      sentOn: plainDate('2027-02-12'),
      acceptedOn: null,
      reason: 'No',
      creditMinor: minor(450_00),
      wantedAgain: false,
    }),
  ])
  const accept = (documentsNow: Documents, creditMinor: number) => {
    const row = documentsNow.makeover.rows.return[back]
    if (!row) throw new Error('it was sent')
    return tryChange(documentsNow, [
      edit('return', row, { acceptedOn: plainDate('2027-02-14'), creditMinor: minor(creditMinor) }),
    ])
  }
  it('may be put right until the seller has accepted it, and is fixed from then on', () => {
    const accepted = accept(sent, 440_00)
    expect(accepted.faults).toEqual([])
    expect(accept(accepted.documents, 430_00).faults).toMatchObject([{ code: 'fixed', kind: 'return' }])
  })
})
