import { blank } from '../makeover/blank.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { add, edit, remove, type Documents } from '../makeover/change.ts'
import { emptyMakeover } from '../makeover/document.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { begin, candidateOf, change, countingIds, pieceOf, orderOf, testToday } from '../testing/small-makeover.ts'
import { preview } from './preview.ts'
import { reckon } from './reckon.ts'
import { lineFigures } from './summary.ts'

const newId = countingIds()
const world = begin(newId)
const { ids, categories } = world
const [piece, candidate, serving] = [newId(), newId(), newId()]
const offer = candidateOf(piece, ids.seller, { priceMinor: minor(500_00), leadDays: 20 })
const planned = change(world.start, [
  ...world.operations,
  add('piece', piece, pieceOf(ids.room, categories.Furniture ?? '', { chosenId: candidate, chosenReason: 'Good' })),
  add('serving', serving, { needId: ids.need, pieceId: piece }),
  add('candidate', candidate, offer),
])
const codes = (documents: Documents, today = testToday): string[] =>
  reckon(documents, today).remarks.map((remark) => `${remark.weight} ${remark.code}`)

describe('remarks', () => {
  it('are silent where nothing is wrong', () => expect(codes(planned)).toEqual([]))
  it('say what nothing serves, and what serves nothing', () => {
    const apart = change(planned, [remove('serving', planned.makeover.rows.serving[serving] ?? ({} as never))])
    expect(codes(apart)).toEqual(['look brief.need-unserved', 'note pieces.serves-nothing'])
  })
  it('say what comes late: lead time and buffer against the install date', () => {
    // wanted 1 June − 7 days; 20 days of lead time: order by 5 May
    expect(reckon(planned, plainDate('2027-05-05')).dates[0]).toMatchObject({ orderBy: '2027-05-05', slackDays: 0 })
    expect(codes(planned, plainDate('2027-04-20'))).toEqual([]) // a fortnight and a day
    expect(codes(planned, plainDate('2027-05-05'))).toEqual(['note pieces.order-soon'])
    expect(codes(planned, plainDate('2027-05-06'))).toEqual(['look pieces.late'])
    // after the day itself, with nothing to stand in, it is not there at all
    expect(codes(planned, plainDate('2027-05-12'))).toEqual(['look pieces.late'])
    expect(codes(planned, plainDate('2027-05-13'))).toEqual(['stop pieces.late'])
  })
  it('say how the contingency is drawn, and stop where the agreed sum is passed', () => {
    const wish = (allowance: number) => {
      const id = newId()
      return change(planned, [
        add('piece', id, pieceOf(ids.room, categories.Furniture ?? '', { allowanceMinor: minor(allowance) })),
        add('serving', newId(), { needId: ids.need, pieceId: id }),
      ])
    }
    expect(codes(wish(3_400_00))).toEqual([]) // 600 + 3 400 is what was agreed for it
    expect(codes(wish(3_400_01))).toEqual(['look purchases.category-over'])
    // what the contingency carries is said once, at the category
    expect(codes(wish(4_800_01))).toEqual(['look purchases.category-over'])
    expect(codes(wish(5_400_00))).toEqual(['look purchases.category-over'])
    expect(codes(wish(5_400_01))).toEqual(['stop purchases.over-agreed'])
  })
  it('warn of the last day to return, the n-th day after delivery included', () => {
    const order = newId()
    const here = change(planned, [
      ...orderOf(order, candidate, offer, 1),
      add('delivery', newId(), { ...blank.delivery, purchaseId: order, packs: 1, receivedOn: plainDate('2027-02-20') }),
    ])
    const last = plainDate('2027-03-06') // 20 February + 14 days
    expect(reckon(here, testToday).money.purchases[0]?.returnBy).toBe(last)
    // it stands in its place in June only: said once, and not beside the last days
    expect(codes(here, addDays(last, -8))).toEqual(['look purchases.return-closes'])
    expect(codes(here, addDays(last, -7))).toEqual(['look purchases.last-return-day'])
    expect(codes(here, last)).toEqual(['look purchases.last-return-day'])
    expect(codes(here, addDays(last, 1))).toEqual([])
  })
  it('say what the seller still has to pay back', () => {
    const order = newId()
    const back = change(planned, [
      ...orderOf(order, candidate, offer, 1),
      add('payment', newId(), {
        orderId: order,
        direction: 'out',
        amountMinor: minor(600_00),
        paidOn: plainDate('2027-02-02'),
        tender: 'card',
        creditId: null,
        reversesId: null,
        reason: 'as billed',
      }),
      add('delivery', newId(), { ...blank.delivery, purchaseId: order, packs: 1, receivedOn: plainDate('2027-02-20') }),
      add('return', newId(), {
        ...blank.return,
        purchaseId: order,
        packs: 1,
        sentOn: plainDate('2027-02-21'),
        acceptedOn: plainDate('2027-02-22'),
        reason: 'No',
        creditMinor: minor(600_00),
        wantedAgain: false,
      }),
    ])
    const { money } = reckon(back, testToday)
    expect(money.total).toMatchObject({ paid: 600_00, refundsDue: 600_00, committed: 0, forecast: 0 })
    expect(money.purchases[0]?.state).toBe('returned')
    expect(codes(back)).toEqual(['note purchases.refund-due'])
  })
})

describe('an accepted remark', () => {
  const id = newId()
  const apart = change(planned, [
    remove('serving', planned.makeover.rows.serving[serving] ?? ({} as never)),
    add('piece', id, pieceOf(ids.room, categories.Textiles ?? '', { allowanceMinor: minor(1_500_00) })),
    add('serving', newId(), { needId: ids.need, pieceId: id }),
  ])
  const over = () => reckon(apart, testToday).remarks.find((remark) => remark.code === 'purchases.category-over')
  const accepted = change(apart, [
    add('acceptance', newId(), {
      remarkKey: over()?.key ?? '',
      fingerprint: over()?.fingerprint ?? '',
      reason: 'They know',
      acceptedOn: testToday,
    }),
  ])
  const find = (documents: Documents) =>
    reckon(documents, testToday).remarks.find((remark) => remark.code === 'purchases.category-over')
  it('keeps its reason and counts no more', () => {
    expect(find(accepted)?.accepted).toMatchObject({ reason: 'They know' })
    const line = lineFigures(accepted.makeover, reckon(accepted, testToday))
    expect(line.remarks).toEqual({ stop: 0, look: 0, note: 1 })
  })
  it('comes back when its numbers change', () => {
    const more = Object.values(accepted.makeover.rows.piece).find((piece) => piece.allowanceMinor === 1_500_00)
    if (!more) throw new Error('it was planned above')
    expect(find(change(accepted, [edit('piece', more, { allowanceMinor: minor(1_500_01) })]))?.accepted).toBeNull()
  })
  it('is never a stop', () => {
    const broken = change(accepted, [
      add('piece', newId(), pieceOf(ids.room, categories.Textiles ?? '', { allowanceMinor: minor(9_000_00) })),
    ])
    const stop = reckon(broken, testToday).remarks[0]
    expect(stop?.weight).toBe('stop')
    const waved = change(broken, [
      add('acceptance', newId(), {
        remarkKey: stop?.key ?? '',
        fingerprint: stop?.fingerprint ?? '',
        reason: 'Never mind',
        acceptedOn: testToday,
      }),
    ])
    expect(reckon(waved, testToday).remarks[0]).toMatchObject({ weight: 'stop', accepted: null })
  })
})

describe('a preview', () => {
  it('says what would be refused and what would change, and changes nothing', () => {
    const before = structuredClone(planned)
    const breaking = orderOf(newId(), candidate, offer, 11) // 6 600 against 6 000 agreed
    const seen = preview(planned, breaking, testToday)
    expect(seen.faults[0]).toMatchObject({ code: 'over-agreed', kind: 'order' })
    expect(seen.after.money.total.over).toBe(600_00)
    expect(seen.newRemarks.map((remark) => remark.code)).toContain('purchases.over-agreed')
    expect(planned).toEqual(before)
  })
})

describe('reckon', () => {
  it('is total: rows that point nowhere give a stop, never an exception', () => {
    fc.assert(
      fc.property(fc.subarray(Object.keys(planned.makeover.rows) as (keyof typeof planned.makeover.rows)[]), (gone) => {
        const rows = { ...planned.makeover.rows, ...Object.fromEntries(gone.map((kind) => [kind, {}])) }
        const { remarks, money } = reckon({ ...planned, makeover: { ...planned.makeover, rows } }, testToday)
        expect(Number.isSafeInteger(money.total.forecast)).toBe(true)
        if (gone.includes('category') && !gone.includes('piece'))
          expect(remarks[0]).toMatchObject({ weight: 'stop', code: 'damaged.reference' })
      }),
    )
    expect(reckon({ ...planned, makeover: emptyMakeover(newId()) }, testToday).remarks).toEqual([])
  })
  it('gives the same for the same', () =>
    expect(reckon(planned, testToday)).toEqual(reckon(structuredClone(planned), testToday)))
  it.each(['JPY', 'KWD'])('reckons in %s', (currency) => {
    const next = countingIds(70_000)
    const second = begin(next, { currency, sums: { Furniture: 1_000_000 }, contingency: 0 })
    const [thing, text] = [next(), next()]
    const asked = candidateOf(thing, second.ids.seller, { priceMinor: minor(33_333), taxPpm: 100_000 })
    const documents = change(second.start, [
      ...second.operations,
      add('piece', thing, pieceOf(second.ids.room, second.categories.Furniture ?? '', { chosenId: text })),
      add('candidate', text, asked),
    ])
    expect(reckon(documents, testToday).money.total.stillToBuy).toBe(36_666) // 33 333 and 3 333.3 of tax, to the unit
  })
})
