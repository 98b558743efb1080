/** The calendar of a room by pencil: hours from quantities, what dries, who waits for whom, and by when each thing is needed. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit } from '../makeover/change.ts'
import { addDays, daysBetween, plainDate } from '../measure/plain-date.ts'
import { wayKey } from '../makeover/said-arrivals.ts'
import { plannedRoom } from '../testing/planned.ts'
import { testToday, tryChange } from '../testing/small-makeover.ts'
import { oddsOf } from './odds.ts'
import { scheduleOf } from './schedule.ts'
import { slipped } from './slip.ts'
import { workDayMinutes } from './working-time.ts'
import { floorOf } from './step.ts'

const rows = plannedRoom()
const { good, task, finish, after, newId } = rows
const sofa = good({ name: 'Sofa' })
const paint = rows.line({ name: 'Paint', unit: 'l', quantity: 9, thing: 'material' }, { leadDays: 4 })
const walls = finish({ name: 'Chalk' }, { pieceId: paint.id, coats: 2 })
const painted = [paint.operations, walls.operations]

describe('the work makes itself', () => {
  it('walls of 40 m² in two coats at 0.09 hours a m², 4 hours to recoat, 24 before anything stands by them', () => {
    const { named, schedule } = after(...painted, sofa.operations)
    const [first, second] = [named(/^Coat 1/), named(/^Coat 2/)]
    expect([first.amount, second.amount]).toEqual([3.6, 3.6].map((hours) => expect.closeTo(hours, 6) as number))
    expect(first.hand).toBe('painter')
    // recoating: 4 hours, by common practice for water-based paint
    expect(second.start - first.finish).toBeGreaterThanOrEqual(4 * 60)
    expect(named(/^Clean/).start - second.finish).toBeGreaterThanOrEqual(24 * 60)
    // the order of the trade: clear, prepare, paint, clean, carry in, photograph
    const order = ['Clear and protect', 'Wash', 'Coat 1', 'Coat 2', 'Clean', 'Carry in', 'Photograph']
    const starts = order.map((name) => named(new RegExp(`^${name}`)).start)
    expect(starts).toEqual(starts.toSorted((left, right) => left - right))
    expect(schedule.circle).toEqual([])
  })
  it('by the school the floor is laid before the paint, or after', () => {
    const floor = finish({ name: 'Oak', family: 'wood', surface: 'floor' }, { how: 'boards' })
    const laid = (school: string) => {
      const { named } = after(...painted, floor.operations, [
        add('school', newId(), { question: 'floor-paint', school }),
      ])
      return named(/^Lay: Oak/).start - named(/^Coat 1/).start
    }
    expect(laid('floor-first')).toBeLessThan(0)
    expect(laid('paint-first')).toBeGreaterThan(0)
  })
  it('boards lie in their room for 48 hours before they are laid, tiles dry before their grout', () => {
    const boards = rows.line({ name: 'Boards', unit: 'm²', quantity: 15, thing: 'material' }, { leadDays: 2 })
    const floor = finish({ name: 'Oak', family: 'wood', surface: 'floor' }, { how: 'boards', pieceId: boards.id })
    const tiles = finish({ name: 'Tile', family: 'ceramic' }, { how: 'tile' })
    const { named } = after(boards.operations, floor.operations, tiles.operations)
    expect(named(/^Lay: Oak/).start - named(/^Boards$/).finish).toBeGreaterThanOrEqual(48 * 60)
    expect(named(/^Grout/).start - named(/^Set/).finish).toBeGreaterThanOrEqual(24 * 60)
    expect(named(/^Set/).hand).toBe('tiler')
  })
  it('what needs leave of an owner waits for the answer, and nothing waits once it is here', () => {
    const walled = (answer: 'waiting' | 'yes', askedOn = testToday) => [
      add('constraint', newId(), { roomId: null, reason: 'tenancy', forbids: 'paint', note: '' } as const),
      add('permission', newId(), {
        ...blank.permission,
        method: 'paint',
        ask: 'The walls in chalk?',
        askedOf: 'the owner',
        askedOn,
        answer,
        answeredOn: answer === 'yes' ? testToday : null,
        restore: '',
        restorePieceId: null,
      }),
    ]
    const { named, schedule } = after(...painted, sofa.operations, walled('waiting'))
    const leave = named(/^Leave to paint/)
    expect(named(/^Coat 1/).start).toBeGreaterThanOrEqual(leave.finish)
    expect(named(/^Coat 2/).start).toBeGreaterThan(named(/^Coat 1/).start)
    // the painting ends well before the install day: silent; a house that is handed over in 18 days has nothing to spare
    expect(after(...painted, walled('waiting')).codes).toEqual([])
    const head = Object.values(rows.start.makeover.rows.makeover)[0]
    if (!head) throw new Error('the makeover has begun')
    const soon = edit('makeover', head, { installOn: plainDate('2027-03-17') })
    expect(after(...painted, walled('waiting'), soon).codes).toEqual(['answer look'])
    // two weeks [own]; asked ten days ago, four of them are left
    expect((leave.finish - leave.start) / 1440).toBe(14)
    const asked = after(...painted, walled('waiting', addDays(testToday, -10))).named(/^Leave to paint/)
    expect((asked.finish - asked.start) / 1440).toBe(4)
    // the sofa is carried in when the paint is dry, and ordered without leave
    expect(schedule.chain[0]).toBe(leave.key)
    expect(named(/^Order Sofa/).start).toBeLessThan(leave.finish)
    const given = after(...painted, sofa.operations, walled('yes')).schedule
    expect(given.tasks.some(({ name }) => name.startsWith('Leave'))).toBe(false)
  })
  it('two at it take half as long, days that were said go before the rates, and what is left out hands on what it waits for', () => {
    const { named: plain } = after(...painted)
    const length = (part: { start: number; finish: number }): number => part.finish - part.start
    const key = plain(/^Coat 1/).key
    expect(length(after(...painted, [task({ key, trade: 'painter', people: 2 })]).named(/^Coat 1/))).toBe(108)
    expect(
      length(after(...painted, [task({ key, trade: 'painter', likelyDays: 1 })]).named(/^Coat 1/)),
    ).toBeGreaterThanOrEqual(workDayMinutes)
    const { schedule, named } = after(...painted, [task({ key, trade: 'painter', leftOut: true })])
    expect(schedule.tasks.some(({ name }) => name.startsWith('Coat 1'))).toBe(false)
    expect(named(/^Coat 2/).start).toBeGreaterThanOrEqual(named(/^Wash/).finish)
  })
  it('a hand of one’s own works on its own days, and two trades of one hand come one after the other', () => {
    const tiles = finish({ name: 'Tile', family: 'ceramic', bandToMm: 1000 }, { how: 'tile' })
    const hand = add('hand', newId(), { ...blank.hand, name: 'Both', does: 'painter, tiler', daysWorked: 'Sat' })
    const { schedule } = after(...painted, tiles.operations, [hand])
    const mine = schedule.tasks
      .filter((known) => known.hand === 'Both')
      .toSorted((left, right) => left.start - right.start)
    expect(mine.length).toBeGreaterThan(4)
    for (const [at, part] of mine.entries()) {
      expect(new Date(part.start * 60_000).getUTCDay()).toBe(6)
      expect(part.start).toBeGreaterThanOrEqual(mine[at - 1]?.finish ?? 0)
    }
  })
})

describe('needed for its task', () => {
  it('what is carried in for the install day, paint for its first coat: order-by less the buffer of 7 days and the lead', () => {
    const { dates, named } = after(...painted, sofa.operations)
    const seat = dates.find(({ id }) => id === sofa.piece)
    expect(seat).toMatchObject({ wantedOn: '2027-03-19', orderBy: '2027-03-09', slackDays: 8 })
    const tin = dates.find(({ id }) => id === paint.id)
    const latest = named(/^Coat 1/).latestOn
    expect(latest && latest < '2027-03-26').toBe(true)
    expect(tin?.needed).toMatchObject({ on: latest, name: expect.stringMatching(/^Coat 1/) as string })
    expect(tin?.orderBy).toBe(latest && addDays(latest, -7 - 4))
  })
  it('where the seller counts working days, the buffer is taken off first and the lead counted back in those', () => {
    const slow = good({ name: 'Armchair', candidate: { leadWorking: true } })
    const { dates } = after(slow.operations)
    // from Friday 19 March ten working days back is Friday 5 March
    expect(dates.find(({ id }) => id === slow.piece)?.orderBy).toBe('2027-03-05')
  })
  it('a later day that the seller says moves the piece, its purchase and what waits for it alike', () => {
    const bench = good({ name: 'Bench', ordered: true })
    const { dates, money, named } = after(bench.operations, [
      task({ key: wayKey(bench.piece), pinnedOn: plainDate('2027-03-22') }),
    ])
    expect(dates.find(({ id }) => id === bench.piece)?.hereOn).toBe('2027-03-22')
    expect(money.purchases.find(({ pieceId }) => pieceId === bench.piece)?.arrivesOn).toBe('2027-03-22')
    expect(named(/^Carry in/).startOn >= '2027-03-22').toBe(true)
  })
})

describe('what is said', () => {
  const hurried = plannedRoom('2027-03-02')
  const hurriedWalls = hurried.finish({ name: 'Chalk' })
  const chair = hurried.good({ name: 'Chair', leadDays: 0, candidate: { source: 'owned' } })
  it('work that ends after the install day is a stop; piece by piece over a year, or with a month to go, it is silent', () => {
    expect(hurried.after(hurriedWalls.operations, chair.operations).codes).toContain('late stop')
    const year = add('school', newId(), { question: 'pace', school: 'year' })
    expect(hurried.after(hurriedWalls.operations, chair.operations, [year]).codes).not.toContain('late stop')
    expect(after(...painted, sofa.operations).codes).toEqual([])
  })
  it('a thing that comes too late is said of the piece, and not again here', () => {
    const late = hurried.good({ name: 'Wardrobe', thing: 'storage', leadDays: 20 })
    const { codes, remarks } = hurried.after(late.operations)
    expect(codes).toEqual([])
    expect(remarks.map(({ code }) => code)).toContain('pieces.late')
  })
  it('an answer with nothing to spare holds the chain: a look; with days to spare it is silent', () => {
    const open = (leadDays: number) => good({ name: 'Bed', thing: 'bed', leadDays, chosen: false })
    // 25 days to the install day: 3 for the answer, 22 on the way, and carrying in on the day
    expect(after(open(22).operations).codes).toContain('answer look')
    expect(after(open(10).operations).codes).toEqual([])
  })
  it('set to a day before what it needs is done it begins later, and that is told; set to a later day it is silent', () => {
    const { named } = after(...painted)
    const key = named(/^Coat 2/).key
    const set = (on: string) => after(...painted, [task({ key, trade: 'painter', pinnedOn: plainDate(on) })])
    expect(set('2027-03-01').codes).toEqual(['pinned look'])
    expect(set('2027-03-01').named(/^Coat 2/).start).toBe(named(/^Coat 2/).start)
    expect(set('2027-03-10').codes).toEqual([])
    expect(set('2027-03-10').named(/^Coat 2/).startOn).toBe('2027-03-10')
  })
  it('an install day on which nobody works is a look', () => {
    const away = (fromOn: string) =>
      add('absence', newId(), {
        handId: null,
        name: 'Fair',
        fromOn: plainDate(fromOn),
        untilOn: plainDate('2027-03-28'),
      })
    expect(after(sofa.operations, [away('2027-03-26')]).codes).toContain('away look')
    expect(after(sofa.operations, [away('2027-03-27')]).codes).toEqual([])
  })
  it('what is done is done, also late, and how far it is counts it', () => {
    const { named } = after(...painted)
    const { named: then, codes } = after(...painted, [
      task({ key: named(/^Clear/).key, doneOn: plainDate('2027-02-20') }),
    ])
    expect(then(/^Clear/)).toMatchObject({ isDone: true, startOn: '2027-02-20' })
    expect(codes).toEqual([])
  })
})

describe('bad input', () => {
  const refused = (operations: ReturnType<typeof task>[]): string =>
    tryChange(rows.start, operations)
      .faults.map(({ field, message }) => `${field}: ${message}`)
      .join('; ')
  it('a range out of order, a name of nothing, days that end before they begin, a hand without a day, a circle', () => {
    expect(refused([task({ name: 'Own', leastDays: 3, likelyDays: 2, mostDays: 4 })])).toMatch(
      /expected least ≤ likely ≤ most/,
    )
    expect(refused([task({})])).toMatch(/name: is missing/)
    expect(
      refused([
        add('absence', newId(), {
          ...blank.absence,
          fromOn: plainDate('2027-03-09'),
          untilOn: plainDate('2027-03-08'),
        }),
      ]),
    ).toMatch(/untilOn: lies before the first day/)
    expect(refused([add('hand', newId(), { ...blank.hand, name: 'Nobody', daysWorked: '' })])).toMatch(
      /at least one day/,
    )
    const [left, right] = [newId(), newId()]
    const own = (id: string, name: string) => add('task', id, { ...blank.task, name })
    const link = (taskKey: string, afterKey: string) => add('taskLink', newId(), { taskKey, afterKey, waitDays: 0 })
    expect(refused([own(left, 'Left'), own(right, 'Right'), link(left, right), link(right, left)])).toMatch(
      /would wait for one another: 2 tasks/,
    )
    expect(refused([own(left, 'Left'), own(right, 'Right'), link(left, right)])).toBe('')
  })
})

describe('when it slips', () => {
  const { documents, schedule, practice, money, takeOffs, survey, today } = after(...painted, sofa.operations)
  const asked = {
    makeover: documents.makeover,
    practice,
    money,
    takeOffs,
    today,
    floorM2: (roomId: string) => floorOf(survey, roomId),
  }
  it('nothing comes earlier for it, and it is planned again as it was with no day of slipping', () => {
    fc.assert(
      fc.property(fc.nat(schedule.tasks.length - 1), fc.integer({ min: 0, max: 40 }), (at, days) => {
        const part = schedule.tasks[at]
        if (!part) throw new Error('there are tasks')
        const slip = slipped(asked, schedule, part, days)
        if (days === 0) expect(slip.moved).toEqual([])
        expect(daysBetween(schedule.readyOn ?? testToday, slip.readyOn ?? testToday)).toBeGreaterThanOrEqual(0)
        for (const { task: moved, to } of slip.moved) expect(to >= moved.startOn).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
  it('a sofa three weeks late is not whole by the install day, the walls are', () => {
    const lead = schedule.tasks.find(({ is, pieceId }) => is === 'lead' && pieceId === sofa.piece)
    if (!lead) throw new Error('it is on its way')
    const slip = slipped(asked, schedule, lead, 21)
    expect(slip.unready.map(({ name }) => name)).toEqual([
      expect.stringMatching(/^Carry in/),
      expect.stringMatching(/^Photograph/),
    ])
    expect(slip.ready.some(({ name }) => name.startsWith('Coat 2'))).toBe(true)
  })
  it('chances grow with the days, and what has a range threatens it', () => {
    const plan = scheduleOf(asked)
    const odds = oddsOf(plan.net, plan.chain, plan.installOn, { runs: 2000, seed: 5 })
    const shares = odds?.byDay.map(({ chance }) => chance) ?? []
    expect(shares).toEqual(shares.toSorted((left, right) => left - right))
    expect(shares.at(-1)).toBe(1)
    expect(odds?.threats[0]?.share).toBeGreaterThan(0)
  })
})
