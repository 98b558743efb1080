/** What is said of pieces, orders and permissions, each with a case close by that stays silent. Common practice of the trade. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { addDays } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, orderOf, pieceOf, testToday } from '../testing/small-makeover.ts'

const newId = countingIds()
const { ids, categories, operations, start } = begin(newId, { sums: { Furniture: 9_000_00 } })
const begun = change(start, operations)
type Offer = Partial<Fields<'candidate'>>
/** A piece with its offers, the first one chosen. */
function planned(
  wish: Partial<Fields<'piece'>>,
  ...offers: Offer[]
): { rows: Operation[]; pieceId: string; firstId: string } {
  const pieceId = newId()
  const candidates = offers.map(
    (offer) => [newId(), candidateOf(pieceId, ids.seller, { leadDays: 5, ...offer })] as const,
  )
  const firstId = candidates[0]?.[0] ?? ''
  return {
    pieceId,
    firstId,
    rows: [
      add(
        'piece',
        pieceId,
        pieceOf(ids.room, categories.Furniture ?? '', { chosenId: firstId, chosenReason: 'Good', ...wish }),
      ),
      add('serving', newId(), { needId: ids.need, pieceId }),
      ...candidates.map(([id, fields]) => add('candidate', id, fields)),
    ],
  }
}
const said = (documents: Documents, code: string) =>
  reckon(documents, testToday).remarks.filter((remark) => remark.code === code)

describe('what is chosen', () => {
  it('lands dearer than another: a note with the sum, delivery and tax in it', () => {
    const offers = (delivery: number) =>
      change(
        begun,
        planned({}, { priceMinor: minor(500_00) }, { priceMinor: minor(480_00), deliveryMinor: minor(delivery) }).rows,
      )
    expect(said(offers(0), 'pieces.dearer')).toMatchObject([
      { weight: 'note', fingerprint: '2400' } /* 20.00 and its tax of 20 % */,
    ])
    expect(said(offers(30_00), 'pieces.dearer')).toEqual([])
  })
  it('a final sale is said before it is ordered, with how many; what is rented goes back anyway', () => {
    const sale = (fields: Offer) => change(begun, planned({ quantity: 3 }, { returnDays: null, ...fields }).rows)
    expect(said(sale({ batch: 'B7' }), 'pieces.final-sale')[0]).toMatchObject({
      weight: 'note',
      sentence: expect.stringMatching(/3.pieces, batch B7/) as string,
    })
    expect(said(sale({ returnDays: 14 }), 'pieces.final-sale')).toEqual([])
    expect(said(sale({ source: 'rented' }), 'pieces.final-sale')).toEqual([])
    expect(said(sale({ toAsk: 'returns' }), 'pieces.final-sale')).toEqual([])
  })
})

it('a pair parted between rooms is raised; in one room, or where one-sided is the school, it is not', () => {
  const hall = newId()
  const pair = (roomId: string) =>
    change(begun, [
      add('room', hall, { uses: '', name: 'Hall' }),
      ...planned({ setName: 'Lamps' }, {}).rows,
      ...planned({ setName: 'Lamps', roomId }, {}).rows,
    ])
  expect(said(pair(hall), 'pieces.set-split')).toMatchObject([{ weight: 'look', fingerprint: '2' }])
  expect(said(pair(ids.room), 'pieces.set-split')).toEqual([])
  const oneSided = change(pair(hall), [add('school', newId(), { question: 'symmetry', school: 'one-sided' })])
  expect(said(oneSided, 'pieces.set-split')).toEqual([])
})

describe('an order', () => {
  const offer = { priceMinor: minor(100_00), leadDays: 5, returnDays: 14 }
  function ordered(came: number, quantity = 4) {
    const { rows, firstId } = planned({ quantity }, offer)
    const purchaseId = newId()
    const candidate = rows.find((row) => row.kind === 'candidate')
    const fields = candidate?.op === 'put' ? (candidate.fields as Fields<'candidate'>) : null
    if (!fields) throw new Error('the piece has a candidate')
    return change(begun, [
      ...rows,
      ...orderOf(purchaseId, firstId, fields, quantity),
      ...(came > 0
        ? [
            add('delivery', newId(), {
              ...blank.delivery,
              purchaseId,
              packs: came,
              receivedOn: addDays(testToday, -2),
            }),
          ]
        : []),
    ])
  }
  it('open past its day in part says how many and worth what; all here, nothing', () => {
    // three of four at 100.00 and their tax of 20 %
    const [part] = said(ordered(1), 'purchases.part-overdue')
    expect(part).toMatchObject({ weight: 'look', fingerprint: expect.stringMatching(/^3 \| 36000 \|/) as string })
    expect(said(ordered(4), 'purchases.part-overdue')).toEqual([])
  })
})

describe('what is forbidden', () => {
  const corded = (reason: 'children' | 'pets', aboveMm = 0) =>
    change(begun, [
      ...planned({ name: 'Blind', aboveMm }, { qualities: 'corded' }).rows,
      add('constraint', newId(), { roomId: null, reason, forbids: 'corded', note: '' }),
    ])
  it('cords in reach of children are a stop (EN 13120, from memory); before a cat a look', () => {
    expect(said(corded('children'), 'brief.forbidden')).toMatchObject([{ weight: 'stop' }])
    expect(said(corded('pets'), 'brief.forbidden')).toMatchObject([{ weight: 'look' }])
    // EN 13120, from memory: 1.5 m above the floor
    expect(said(corded('children'), 'brief.forbidden')[0]?.sentence).toMatch(/1500\smm/)
    expect(said(corded('children', 1499), 'brief.forbidden')).toHaveLength(1)
    expect(said(corded('children', 1500), 'brief.forbidden')).toEqual([])
  })
  it('leave to paint wants the putting back in the budget', () => {
    const allowed = (restorePieceId: string | null, rows: Operation[] = []) =>
      change(begun, [
        ...rows,
        add('permission', newId(), {
          ...blank.permission,
          method: 'paint',
          ask: 'Walls in green',
          askedOf: 'The owner',
          askedOn: addDays(testToday, -9),
          answer: 'yes',
          answeredOn: addDays(testToday, -3),
          restore: 'White again',
          restorePieceId,
        }),
      ])
    expect(said(allowed(null), 'brief.unrestored')).toMatchObject([{ weight: 'look' }])
    const { rows, pieceId } = planned({ name: 'White paint' }, {})
    expect(said(allowed(pieceId, rows), 'brief.unrestored')).toEqual([])
  })
})

it('old paint that is only covered is silent, kept a note, changed a stop', () => {
  const old = (fate: 'keep' | 'change' | 'camouflage') =>
    change(begun, [
      add('finish', newId(), {
        ...blank.finish,
        roomId: ids.room,
        name: 'Old gloss',
        role: 'dominant',
        family: 'paint',
        sheen: 'gloss',
        labL: 60,
        labA: 0,
        labB: 10,
        colourSource: 'lab',
        usedFor: '',
        visibleM2: null,
        fate,
        material: 'paint',
        laidYear: 1955,
      }),
    ])
  expect(said(old('camouflage'), 'survey.lead')).toEqual([])
  expect(said(old('keep'), 'survey.lead')).toMatchObject([{ weight: 'note' }])
  // sanding, stripping or lifting what may hold lead is no look: it waits for a test
  expect(said(old('change'), 'survey.lead')).toMatchObject([{ weight: 'stop' }])
})
