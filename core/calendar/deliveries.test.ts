/** What comes: who lets it in, where it waits, what can be done when it does not come, and the sheet of the day. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { installOn, plannedRoom } from '../testing/planned.ts'
import { candidateOf, testToday } from '../testing/small-makeover.ts'
import { deliveriesOf, waitingPlaces, windowWords } from './deliveries.ts'
import { piecesAway } from './delivery-remarks.ts'
import { fallBacks, waitingFor } from './fall-backs.ts'
import { installSheet } from './install-sheet.ts'
import { floorOf } from './step.ts'

const rows = plannedRoom()
const { good, task, after, newId, roomId } = rows
const sofa = good({
  name: 'Sofa',
  ordered: true,
  candidate: { widthMm: 2200, depthMm: 1000, heightMm: 800, weightKg: 60 },
})
const arrives = (fields: Partial<Fields<'arrival'>>, ordered = sofa) => {
  const line = ordered.operations.find((operation) => operation.kind === 'purchase')
  if (!line) throw new Error('it is ordered')
  return add('arrival', newId(), {
    ...blank.arrival,
    purchaseId: line.id,
    packs: 1,
    comesOn: addDays(testToday, 5),
    ...fields,
  })
}
const seen = (...operations: readonly (readonly Operation[])[]) => {
  const found = after(...operations)
  const { makeover } = found.documents
  return {
    ...found,
    makeover,
    deliveries: deliveriesOf(makeover, found.money.purchases, found.schedule, () => 'A seller', testToday),
  }
}

describe('a delivery', () => {
  it('is looked for on the day its lead time gives, and on the day that was arranged where one was', () => {
    const expected = seen(sofa.operations).deliveries
    expect(expected).toMatchObject([
      { name: 'Sofa', state: 'expected', comesOn: addDays(testToday, 10), isLate: false },
    ])
    const arranged = seen(sofa.operations, [arrives({ state: 'confirmed', comesOn: addDays(testToday, 12) })])
    expect(arranged.deliveries).toMatchObject([{ state: 'confirmed', comesOn: addDays(testToday, 12) }])
    // pieces, purchases and calendar say the same day
    expect(arranged.money.purchases[0]?.arrivesOn).toBe(addDays(testToday, 12))
    expect(arranged.dates.find(({ id }) => id === sofa.piece)?.hereOn).toBe(addDays(testToday, 12))
    expect(arranged.named(/^Sofa$/).finishOn).toBe(addDays(testToday, 12))
  })
  it('that comes in two parts is here with the later of them, and late after its day', () => {
    const { deliveries, money } = seen(sofa.operations, [
      arrives({ state: 'part', comesOn: addDays(testToday, 5) }),
      arrives({ state: 'late', comesOn: addDays(installOn, 3) }),
    ])
    expect(deliveries.map(({ isLate }) => isLate)).toEqual([false, true])
    const { makeover } = seen(sofa.operations)
    const gone = deliveriesOf(
      makeover,
      money.purchases,
      seen(sofa.operations).schedule,
      () => '',
      addDays(installOn, 20),
    )
    expect(gone).toMatchObject([{ isOverdue: true, isLate: true }])
    expect(money.purchases[0]?.arrivesOn).toBe(addDays(installOn, 3))
  })
  it('confirmed within the week with nobody to let it in is a look; not while it is only expected, or weeks off', () => {
    const codes = (fields: Partial<Fields<'arrival'>>) => seen(sofa.operations, [arrives(fields)]).codes
    expect(codes({ state: 'confirmed' })).toContain('nobody-in look')
    expect(codes({ state: 'confirmed', letsIn: 'the neighbour' })).not.toContain('nobody-in look')
    expect(codes({ state: 'expected' })).toEqual([])
    expect(codes({ state: 'confirmed', comesOn: addDays(testToday, 15) })).toEqual([])
  })
  it('let in by a hand that is away on that day is a look', () => {
    const hand = newId()
    const away = (until: number) =>
      seen(sofa.operations, [
        add('hand', hand, { ...blank.hand, name: 'The painters', does: 'painter' }),
        add('absence', newId(), {
          handId: hand,
          name: 'Fair',
          fromOn: addDays(testToday, 3),
          untilOn: addDays(testToday, until),
        }),
        arrives({ state: 'confirmed', letsIn: 'the painters' }),
      ]).codes
    expect(away(6)).toContain('let-in-away look')
    expect(away(4)).not.toContain('let-in-away look')
  })
  it('says its window as one would', () => {
    expect(windowWords({ earliestMinute: 540, latestMinute: 725 })).toBe('between 9:00 and 12:05')
    expect(windowWords({ earliestMinute: 540, latestMinute: null })).toBe('from 9:00')
    expect(windowWords({ earliestMinute: null, latestMinute: 720 })).toBe('by 12:00')
    expect(windowWords({ earliestMinute: null, latestMinute: null })).toBe('')
  })
})

describe('where it waits', () => {
  it('by pencil: 2.2 by 1.0 m each, and of 15 m² of floor 40 % are free: two fit, three do not', () => {
    const more = [1, 2].map(() =>
      good({ name: 'Sofa too', ordered: true, candidate: { widthMm: 2200, depthMm: 1000, heightMm: 800 } }),
    )
    const places = (count: number) => {
      const all = [sofa, ...more].slice(0, count)
      const found = seen(
        ...all.map(({ operations }) => operations),
        all.map((met) => arrives({ waitsInId: roomId, letsIn: 'me' }, met)),
      )
      return {
        codes: found.codes,
        ...waitingPlaces(found.makeover, found.deliveries, (id) => floorOf(found.survey, id), found.practice.rules)[0],
      }
    }
    expect(places(2)).toMatchObject({
      takenM2: expect.closeTo(4.4, 6) as number,
      freeM2: expect.closeTo(6, 6) as number,
    })
    expect(places(2).codes).not.toContain('no-waiting-room look')
    expect(places(3)).toMatchObject({ takenM2: expect.closeTo(6.6, 6) as number })
    expect(places(3).codes).toContain('no-waiting-room look')
  })
})

describe('when it does not come', () => {
  const nearer = candidateOf(sofa.piece, '', { name: 'Another sofa', leadDays: 4, priceMinor: minor(900_00) })
  const seller = Object.keys(rows.documents.studio.rows.seller)[0] ?? ''
  it('another seller with its day and what it costs more, the stand-in that is here, a second phase; what is in time first', () => {
    const loan = newId()
    const open = good({ name: 'Sofa', leadDays: 40, candidate: { priceMinor: minor(700_00) } })
    const { makeover, schedule } = seen(open.operations, [
      add('candidate', newId(), { ...nearer, pieceId: open.piece, sellerId: seller }),
      add('candidate', loan, {
        ...candidateOf(open.piece, seller, { name: 'The old bench', priceMinor: minor(0) }),
        sellerId: null,
        source: 'owned',
        leadDays: null,
      }),
    ])
    const ways = fallBacks(makeover, schedule, open.piece, testToday)
    expect(ways.map(({ what, on, inTime }) => [what, on, inTime])).toEqual([
      ['stands in', testToday, true],
      ['another seller', addDays(testToday, 4), true],
      ['moved day', schedule.readyOn, true],
      ['second phase', installOn, true],
    ])
    expect(ways[1]?.more).toBeGreaterThan(0)
  })
  it('put off, it leaves the sum and the calendar, and the room is ready without it', () => {
    const open = good({ name: 'Sofa', leadDays: 40 })
    const before = seen(open.operations)
    const later = seen(open.operations, [
      add('deferral', newId(), { ...blank.deferral, pieceId: open.piece, waitsFor: 'a warehouse sale' }),
    ])
    expect(before.money.total.stillToBuy).toBeGreaterThan(0)
    expect(later.money.total.stillToBuy).toBe(0)
    expect(later.money.pieces[0]?.basis).toBe('put off')
    expect(before.schedule.tasks.some(({ pieceId }) => pieceId === open.piece)).toBe(true)
    expect(later.schedule.tasks.some(({ pieceId }) => pieceId === open.piece)).toBe(false)
    expect(later.remarks.some(({ code }) => code === 'pieces.late')).toBe(false)
  })
  it('waiting for a sale costs no day until the last day to order, and saves what the lowest noted price is below', () => {
    const open = good({ name: 'Sofa', leadDays: 5, candidate: { priceMinor: minor(700_00), taxPpm: 0 } })
    const { makeover, dates } = seen(open.operations, [
      add('price', newId(), {
        candidateId: open.candidate,
        kind: 'seen',
        amountMinor: minor(560_00),
        seenOn: plainDate('2026-11-27'),
        note: '',
      }),
    ])
    const orderBy = dates.find(({ id }) => id === open.piece)?.orderBy ?? null
    expect(waitingFor(makeover, open.piece, orderBy, testToday)).toMatchObject({
      until: orderBy,
      saves: 140_00,
      seenOn: '2026-11-27',
    })
    expect(waitingFor(makeover, open.piece, testToday, testToday)).toBeNull()
  })
})

describe('what is away to be worked on', () => {
  it('is carried in after it is back, its place empty meanwhile; past the install day that is a look', () => {
    const chair = good({ name: 'Armchair', leadDays: null, candidate: { source: 'owned', priceMinor: minor(0) } })
    const away = (likelyDays: number) =>
      seen(chair.operations, [
        task({ name: 'Cover the armchair', trade: 'workroom', pieceId: chair.piece, isAway: true, likelyDays }),
      ])
    const short = away(5)
    expect(piecesAway(short.makeover, short.schedule)).toMatchObject([{ pieceId: chair.piece, from: testToday }])
    expect(short.named(/^Carry in/).start).toBeGreaterThanOrEqual(short.named(/^Cover/).finish)
    expect(short.codes).toEqual([])
    expect(away(30).codes).toContain('piece-away look')
  })
})

describe('the sheet of the install day', () => {
  it('has each thing in the order of carrying in, by two where it is heavy or long, with what is not here', () => {
    const lamp = good({ name: 'Lamp', thing: 'light' })
    const { makeover, schedule, money, practice } = seen(sofa.operations, lamp.operations)
    const sheet = installSheet(makeover, schedule, money, practice.rules, testToday)
    expect(
      sheet.parts.map(({ task: part, lines }) => [part.name.split(',')[0], lines.map(({ name }) => name)]),
    ).toEqual([
      ['Carry in the large pieces', ['Sofa']],
      ['Place the lamps', ['Lamp']],
      ['Photograph', []],
    ])
    expect(sheet.parts[0]?.lines[0]).toMatchObject({ byTwo: true, comes: addDays(testToday, 10) })
    expect(sheet.parts[1]?.lines[0]).toMatchObject({ byTwo: false, comes: 'not here' })
    expect(sheet.bring).toEqual(expect.arrayContaining(['gloves', 'felt pads', 'bulbs']))
  })
})
