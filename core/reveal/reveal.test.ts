/** The client's answers, the views, what is ticked, and how the account closes and opens again. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { addDays, plainDate, type PlainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday, tryChange } from '../testing/small-makeover.ts'
import { installOn, plannedRoom } from '../testing/planned.ts'
import { closedNow, offeredNow, outcomeOf, toSettle } from './closing.ts'
import { everythingTables, thingLines } from './everything.ts'
import { monthsLater, proposedReminders } from './reminders.ts'
import { repliesByThing } from './replies.ts'

const rows = plannedRoom()
const { good, newId, roomId, start, documents } = rows
const clientId = Object.keys(documents.makeover.rows.client)[0] ?? ''
const second = newId()
const sofa = good({ name: 'Sofa', candidate: { taxPpm: 0, priceMinor: minor(400_00) } })
const faultsOf = (...asked: Parameters<typeof tryChange>) => tryChange(...asked).faults
const reply = (fields: Partial<Fields<'reply'>>): Operation =>
  add('reply', newId(), { ...blank.reply, clientId, says: 'yes', saidOn: testToday, ...fields })
const told = (...operations: readonly (readonly Operation[])[]) =>
  change(start, [add('client', second, { name: 'Second' }), ...sofa.operations, ...operations.flat()])
const codes = (found: ReturnType<typeof told>, on = testToday) =>
  reckon(found, on).remarks.flatMap(({ code, weight, step }) =>
    step === 'reveal' ? [`${code.slice('reveal.'.length)} ${weight}`] : [],
  )

describe('what clients say', () => {
  const about = { pieceId: sofa.piece, about: sofa.candidate }
  it('their last word counts; two that differ are a look, and a comment is no answer', () => {
    const found = told([
      reply(about),
      reply({ ...about, clientId: second, says: 'another' }),
      reply({ ...about, says: 'comment', words: 'Hm' }),
    ])
    expect(repliesByThing(found.makeover)).toMatchObject([{ pieceId: sofa.piece, disagree: true }])
    expect(codes(found)).toEqual(['disagree look'])
    const round = told([
      reply(about),
      reply({ ...about, clientId: second, says: 'another' }),
      reply({ ...about, clientId: second }),
    ])
    expect(codes(round)).toEqual([])
  })
  it('a yes to what is no longer chosen asks again; with one that stands beside it, it does not', () => {
    const old = { ...about, about: newId() }
    expect(codes(told([reply(old)]))).toEqual(['asks-again look'])
    expect(codes(told([reply(old), reply({ ...about, clientId: second })]))).toEqual([])
  })
  it('what nobody has looked at stands on the day page until it is seen', () => {
    const open = reckon(told([reply(about)]), testToday).attention.filter(({ kind }) => kind === 'client says')
    expect(open).toMatchObject([{ title: 'Sofa: yes', late: false }])
    expect(
      reckon(told([reply({ ...about, seenOn: testToday })]), testToday).attention.filter(
        ({ kind }) => kind === 'client says',
      ),
    ).toEqual([])
  })
})

describe('before and after', () => {
  const view = newId()
  const views = add('view', view, { ...blank.view, roomId, name: 'Window wall' })
  const picture = (moment: 'before' | 'after'): Operation =>
    add('attachment', newId(), {
      ...blank.attachment,
      viewId: view,
      moment,
      sha256: 'a'.repeat(64),
      mediaType: 'image/png',
      bytes: 10,
      name: 'x',
      addedOn: testToday,
    })
  const cleared = add('task', newId(), { ...blank.task, key: `clear:${roomId}`, roomId, doneOn: testToday })
  it('work that has begun without a picture is a look, and silent before, or with one', () => {
    expect(codes(told([views]))).toEqual([])
    expect(codes(told([views, cleared]))).toEqual(['no-before look'])
    const set = (pinnedOn: PlainDate) =>
      add('task', newId(), { ...blank.task, key: `clear:${roomId}`, roomId, pinnedOn })
    expect(codes(told([views, set(addDays(testToday, 2))]))).toEqual(['no-before look'])
    expect(codes(told([views, set(addDays(testToday, 9))]))).toEqual([])
    expect(codes(told([views, cleared, picture('before')]))).toEqual([])
  })
  it('once it is done, a view that misses its picture after is a note; not a day sooner', () => {
    const found = told([views, picture('before')])
    expect(codes(found, addDays(installOn, -1))).toEqual([])
    expect(codes(found, installOn)).toEqual(['no-after note'])
    expect(codes(told([views, picture('before'), picture('after')]), installOn)).toEqual([])
  })
})

describe('the account', () => {
  const [payment, closing] = [newId(), newId()]
  const ordered = good({
    name: 'Chair',
    ordered: true,
    candidate: { taxPpm: 0, priceMinor: minor(200_00), discountPpm: 100_000 },
  })
  const line = ordered.operations.find(({ kind }) => kind === 'purchase')?.id ?? ''
  const paid = add('payment', payment, {
    ...blank.payment,
    orderId: ordered.order,
    direction: 'out',
    amountMinor: minor(180_00),
    paidOn: testToday,
    tender: 'card',
  })
  const came = add('delivery', newId(), { ...blank.delivery, purchaseId: line, packs: 1, receivedOn: testToday })
  const close = add('closing', closing, {
    ...blank.closing,
    closedOn: testToday,
    signedById: clientId,
    statement: '{}',
    digest: 'c'.repeat(64),
  })
  const open = (...operations: Operation[]) => change(start, [...ordered.operations, ...operations])
  const words = (found: ReturnType<typeof open>) =>
    toSettle(found.makeover, reckon(found, testToday).money).flatMap(({ words: told, holds }) => (holds ? [told] : []))

  it('says what is to be settled first, goods before money', () => {
    expect(words(open())).toEqual(['Chair has not come', 'Ordered and not paid'])
    expect(words(open(came, paid))).toEqual([])
  })
  it('is not closed before that, and says why', () => {
    const faults = faultsOf(open(came), [close])
    expect(faults.map(({ message }) => message).join()).toContain('settle first: Ordered and not paid')
    expect(faultsOf(open(came, paid), [close])).toEqual([])
  })
  it('closed, it takes no money and no goods; opened again with a reason, it does', () => {
    const shut = change(open(came, paid), [close])
    const more = add('payment', newId(), {
      ...blank.payment,
      orderId: ordered.order,
      direction: 'back',
      amountMinor: minor(5_00),
      paidOn: testToday,
      tender: 'card',
    })
    expect(closedNow(shut.makeover)?.id).toBe(closing)
    expect(faultsOf(shut, [more]).map(({ code }) => code)).toContain('closed')
    const row = shut.makeover.rows.closing[closing]
    if (!row) throw new Error('it is closed')
    expect(faultsOf(shut, [edit('closing', row, { reopenedOn: testToday })]).map(({ field }) => field)).toContain(
      'reason',
    )
    expect(faultsOf(shut, [edit('closing', row, { statement: '{"other":1}' })]).map(({ code }) => code)).toContain(
      'closed',
    )
    const again = change(shut, [edit('closing', row, { reopenedOn: testToday, reason: 'A refund came late' })])
    expect(closedNow(again.makeover)).toBeNull()
    expect(faultsOf(again, [more])).toEqual([])
    // what is no money goes on all the same
    expect(
      faultsOf(shut, [
        add('reminder', newId(), { ...blank.reminder, what: 'season', says: 'Store the cushions', dueOn: testToday }),
      ]),
    ).toEqual([])
  })
  it('put before the client it stays open until they sign; one statement at a time, and only once all is settled', () => {
    const offer = (id: string) =>
      add('closing', id, {
        ...blank.closing,
        closedOn: testToday,
        signedById: null,
        statement: '{}',
        digest: 'c'.repeat(64),
      })
    expect(faultsOf(open(came), [offer(closing)]).map(({ code }) => code)).toEqual(['unsettled'])
    const offered = change(open(came, paid), [offer(closing)])
    expect([closedNow(offered.makeover), offeredNow(offered.makeover)?.id]).toEqual([null, closing])
    expect(faultsOf(offered, [offer(newId())]).map(({ code }) => code)).toEqual(['closed'])
    const row = offered.makeover.rows.closing[closing]
    if (!row) throw new Error('it was put before them')
    // money still moves, and then it cannot be signed before that is settled
    const again = add('payment', newId(), {
      ...blank.payment,
      orderId: ordered.order,
      direction: 'back',
      amountMinor: minor(5_00),
      paidOn: testToday,
      tender: 'card',
    })
    const moved = change(offered, [again])
    const signs = edit('closing', row, { signedById: clientId, statement: '{"signed":1}' })
    expect(faultsOf(moved, [signs]).map(({ code }) => code)).toEqual(['unsettled'])
    expect(closedNow(change(offered, [signs]).makeover)?.signedById).toBe(clientId)
    expect(faultsOf(offered, [remove('closing', row)])).toEqual([])
    expect(faultsOf(change(offered, [signs]), [offer(newId())]).map(({ code }) => code)).toContain('closed')
  })
  it('by pencil: 200.00 at 10 % off is 180.00 spent, 20.00 saved against the list', () => {
    const found = open(came, paid)
    expect(outcomeOf(found.makeover, reckon(found, testToday).money)).toMatchObject({
      spent: 180_00,
      savedOnList: 20_00,
      drawn: 0,
      changes: 0,
    })
  })
  it('the sheet of everything has what was paid for the studio, and no price for the client', () => {
    const found = open(came, paid)
    const lines = thingLines(found.makeover, found.studio, reckon(found, testToday).money, 'metric')
    expect(lines).toMatchObject([{ name: 'Chair', paid: 180_00 }])
    const cells = (reader: 'client' | 'studio') => JSON.stringify(everythingTables(lines, [], reader))
    expect(cells('studio')).toContain('"amount":18000')
    expect(cells('client')).not.toContain('amount')
  })
})

describe('what comes later', () => {
  it('follows from lives, stand-ins, loans and plants, and is proposed once', () => {
    const fern = good({ name: 'Fern', thing: 'plant' })
    const rug = good({ name: 'Rug', thing: 'rug', candidate: { lifeYears: 5 } })
    const found = change(start, [...fern.operations, ...rug.operations])
    expect(proposedReminders(found.makeover, 'seasons', testToday).map(({ what, dueOn }) => [what, dueOn])).toEqual([
      ['plant', addDays(installOn, 90)],
      ['wear', addDays(installOn, 1826)],
    ])
    const noted = change(
      found,
      proposedReminders(found.makeover, 'seasons', testToday).map((row) =>
        add('reminder', newId(), { ...blank.reminder, ...row }),
      ),
    )
    expect(proposedReminders(noted.makeover, 'seasons', testToday)).toEqual([])
    const due = reckon(noted, addDays(installOn, 91)).attention.filter(({ kind }) => kind === 'reminder')
    expect(due).toMatchObject([{ title: expect.stringContaining('Fern') as string, late: true }])
  })
  it('plants are asked for by the school that was chosen, after the install day, and by nobody else', () => {
    const fern = good({ name: 'Fern', thing: 'plant' })
    const kept = (school: string | null, ...more: Operation[]) =>
      change(start, [
        ...fern.operations,
        ...(school === null ? [] : [add('school', newId(), { question: 'plants', school })]),
        ...more,
      ])
    const note = (storedAt: string) =>
      add('reminder', newId(), {
        ...blank.reminder,
        what: 'plant',
        pieceId: fern.piece,
        says: 'Fern in',
        dueOn: installOn,
        storedAt,
      })
    expect(codes(kept('seasons'), installOn)).toEqual(['plant-care note'])
    expect(codes(kept('seasons'), addDays(installOn, -1))).toEqual([])
    expect(codes(kept('seasons', note('')), installOn)).toEqual([])
    expect(codes(kept('moved', note('')), installOn)).toEqual(['plant-care note'])
    expect(codes(kept('moved', note('the porch')), installOn)).toEqual([])
    expect(codes(kept('faux'), installOn)).toEqual([])
    expect(codes(kept(null), installOn)).toEqual([])
    expect(proposedReminders(kept(null).makeover, 'faux', testToday)).toEqual([])
    expect(proposedReminders(kept(null).makeover, 'moved', testToday)).toMatchObject([{ dueOn: '2027-10-01' }])
  })
  it.each([
    ['2027-01-31', 1, '2027-02-28'],
    ['2028-01-31', 1, '2028-02-29'],
    ['2027-11-30', 3, '2028-02-29'],
    ['2027-05-15', 12, '2028-05-15'],
  ])('%s and %i months is %s', (date, months, to) => expect(monthsLater(plainDate(date), months)).toBe(to))
})
