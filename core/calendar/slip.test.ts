/** What a slip costs and leaves whole, tasks in parts and for dry weather, and piece by piece over a year. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit } from '../makeover/change.ts'
import { addDays, daysBetween } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { installOn, plannedRoom } from '../testing/planned.ts'
import { testToday } from '../testing/small-makeover.ts'
import { slipped, wholes, zonesOf } from './slip.ts'
import { floorOf } from './step.ts'
import { workDayMinutes } from './working-time.ts'

const rows = plannedRoom()
const { good, task, finish, after, newId, roomId } = rows
const sofa = good({ name: 'Sofa', ordered: true })
const lamp = good({ name: 'Lamp', thing: 'light', ordered: true })
const walls = finish({ name: 'Chalk' }, { coats: 2 })
const coat = `coat 1:${walls.operations.find(({ kind }) => kind === 'treatment')?.id ?? ''}`
const asked = ({ documents, practice, today, takeOffs, money, survey }: ReturnType<typeof after>) => ({
  makeover: documents.makeover,
  practice,
  today,
  takeOffs,
  money,
  floorM2: (id: string) => floorOf(survey, id),
})

describe('a slip', () => {
  const hand = newId()
  const painter = (dayMinor: number | null) =>
    add('hand', hand, {
      ...blank.hand,
      name: 'Painter',
      does: 'painter',
      dayMinor: dayMinor === null ? null : minor(dayMinor),
    })
  it('costs the days of hands who were asked for a day, at their price; who was not asked costs nothing', () => {
    const own = { name: 'Order of the trade', trade: 'studio' as const, likelyDays: 2 }
    const wait = (pinned: boolean, price: number | null) => {
      const first = newId()
      const found = after(walls.operations, [
        painter(price),
        add('task', first, { ...blank.task, ...own }),
        add('taskLink', newId(), { taskKey: coat, afterKey: first, waitDays: 0 }),
        task({ key: coat, trade: 'painter', pinnedOn: pinned ? addDays(testToday, 2) : null }),
      ])
      return slipped(asked(found), found.schedule, found.named(/^Order of the trade/), 7)
    }
    // Wednesday to Wednesday: seven days, five of them worked
    expect(wait(true, 340_00).waits).toEqual([{ hand: 'Painter', days: 5, costs: 1700_00 }])
    expect(wait(true, 340_00).costs).toBe(1700_00)
    expect(wait(true, null).waits).toEqual([{ hand: 'Painter', days: 5, costs: null }])
    expect(wait(false, 340_00).waits).toEqual([])
  })
  it('leaves whole what is not of it: a zone whose things are here, and none of a room whose walls are not done', () => {
    const [near, far] = [newId(), newId()]
    const zone = (id: string, name: string) =>
      add('zone', id, { roomId, name, wallId: null, fromMm: null, widthMm: null, depthMm: null, activity: null })
    const pieceRow = (found: ReturnType<typeof after>, id: string) => {
      const row = found.documents.makeover.rows.piece[id]
      if (!row) throw new Error('it is there')
      return row
    }
    const bare = after(sofa.operations, lamp.operations, walls.operations)
    const found = after(sofa.operations, lamp.operations, walls.operations, [
      zone(near, 'The seat'),
      zone(far, 'The corner'),
      edit('piece', pieceRow(bare, sofa.piece), { zoneId: near }),
      edit('piece', pieceRow(bare, lamp.piece), { zoneId: far }),
    ])
    const slip = slipped(asked(found), found.schedule, found.named(/^Sofa$/), 40)
    const names = (all: readonly { name: string }[]) => all.map(({ name }) => name)
    const stands = wholes(slip.schedule, zonesOf(found.documents.makeover))
    expect([names(stands.whole), names(stands.broken)]).toEqual([['The corner'], ['The seat']])
    const painted = slipped(asked(found), found.schedule, found.named(/^Coat 1/), 40)
    expect(names(wholes(painted.schedule, zonesOf(found.documents.makeover)).broken)).toEqual([
      'The seat',
      'The corner',
    ])
  })
  it('says what can no longer be sent back once all stands', () => {
    const received = newId()
    const line = sofa.operations.find((operation) => operation.kind === 'purchase')
    const found = after(sofa.operations, walls.operations, [
      add('delivery', received, { ...blank.delivery, purchaseId: line?.id ?? '', packs: 1, receivedOn: testToday }),
    ])
    const returnBy = found.money.purchases[0]?.returnBy ?? testToday
    const slip = slipped(asked(found), found.schedule, found.named(/^Coat 1/), daysBetween(testToday, returnBy) + 3)
    expect(slip.closes).toEqual([{ name: 'Sofa', on: returnBy, is: 'return' }])
    expect(slipped(asked(found), found.schedule, found.named(/^Coat 1/), 1).closes).toEqual([])
  })
})

describe('a task in parts', () => {
  it('is as long as it was, in parts one after the other, and what waits for it waits for the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 1, max: 9 }), (parts, likelyDays) => {
        const own = newId()
        const plan = (count: number) =>
          after(walls.operations, [
            add('task', own, { ...blank.task, name: 'Own', likelyDays, parts: count }),
            add('taskLink', newId(), { taskKey: coat, afterKey: own, waitDays: 0 }),
          ])
        const split = plan(parts)
        const all = split.schedule.tasks.filter(({ part }) => part !== null)
        expect(all).toHaveLength(parts)
        const work = split.schedule.net.tasks
          .filter(({ id }) => id.startsWith(own))
          .reduce((sum, met) => sum + met.work, 0)
        expect(Math.abs(work - likelyDays * workDayMinutes)).toBeLessThanOrEqual(parts)
        const last = all.at(-1)
        expect(last?.key).toBe(own)
        expect(split.named(/^Coat 1/).start).toBeGreaterThanOrEqual(last?.finish ?? 0)
        for (const [at, met] of all.entries())
          if (at > 0) expect(met.start).toBeGreaterThanOrEqual(all[at - 1]?.finish ?? 0)
      }),
      { numRuns: 20 },
    )
  }, 60_000)
  it('each of which can be set to a day of its own', () => {
    const { schedule } = after(walls.operations, [
      task({ key: coat, trade: 'painter', parts: 2 }),
      task({ key: `${coat}/1`, trade: 'painter', pinnedOn: addDays(testToday, 9) }),
    ])
    const [first, second] = schedule.tasks.filter(({ part }) => part?.key === coat)
    expect(first?.startOn).toBe(addDays(testToday, 9))
    expect(second?.start).toBeGreaterThanOrEqual(first?.finish ?? Infinity)
  })
})

it('what waits for dry weather takes longer by the share of days that are dry, and its range is wider', () => {
  const own = newId()
  const range = (dryWeather: boolean) =>
    after([
      add('task', own, { ...blank.task, name: 'Paint the shutters', likelyDays: 3, dryWeather }),
    ]).schedule.net.tasks.find(({ id }) => id === own)
  // three dry days, where three of five are dry, are five days
  expect(range(true)?.work).toBe(5 * workDayMinutes)
  expect(range(false)?.work).toBe(3 * workDayMinutes)
  expect(range(true)?.range?.most).toBeGreaterThan(5 * workDayMinutes)
})

it('over a year each piece has its own day, and the install day rules none', () => {
  const open = good({ name: 'Desk', leadDays: 60 })
  const year = add('school', newId(), { question: 'pace', school: 'year' })
  const row = after(open.operations).documents.makeover.rows.piece[open.piece]
  if (!row) throw new Error('it is there')
  const own = (wantedOn: string | null) =>
    after(open.operations, [year, edit('piece', row, { wantedOn: wantedOn as never })]).dates.find(
      ({ id }) => id === open.piece,
    )
  expect(own(null)).toMatchObject({ needed: null, orderBy: null, slackDays: null })
  const wanted = addDays(testToday, 200)
  expect(own(wanted)).toMatchObject({ needed: { on: wanted }, orderBy: addDays(wanted, -60 - 7) })
  expect(after(open.operations).dates.find(({ id }) => id === open.piece)?.needed?.on).toBe(installOn)
})

it('the anchor wall is hung before the furniture is carried in, or last, by the school', () => {
  const work = good({ name: 'Woodcut', thing: 'work' })
  const first = (school: string) => {
    const { named } = after(sofa.operations, work.operations, [
      add('school', newId(), { question: 'wall-order', school }),
    ])
    return named(/^Hang works/).start - named(/^Carry in/).start
  }
  expect(first('anchor-first')).toBeLessThan(0)
  expect(first('walls-last')).toBeGreaterThan(0)
})
