import { beforeEach, describe, expect, it, vi } from 'vitest'
import { schemaVersion, type ChangeSet } from '#core/makeover/change.ts'
import { countingIds } from '#core/testing/small-makeover.ts'
import { NoAnswer, Refused } from '../../api.ts'
import type { Waiting } from '../waiting.ts'
import { createQueue, type Sending } from './queue.ts'

const newId = countingIds()
const [person, makeover, room] = [newId(), newId(), newId()]
const entry = (name: string, base: string | null = null): Waiting => ({
  changeSet: {
    id: newId(),
    schemaVersion,
    sentence: name,
    operations: [{ op: 'put', kind: 'room', id: room, base, fields: { name } }],
  },
  addedAt: '2027-03-01T12:00:00Z',
  was: {},
  held: null,
  old: false,
})
const refused = (status: number): Refused =>
  new Refused({
    type: 'x',
    title: 'No',
    status,
    detail: 'no',
    faults: [{ code: 'no', kind: null, id: null, field: null, message: 'no' }],
    conflicts: [],
  })

function setting(post: Sending['post']) {
  const sent: string[] = []
  const taken: number[] = []
  const queue = createQueue({
    where: () => ({ person, makeover }),
    post: async (id, changeSet) => {
      sent.push(changeSet.sentence)
      return post(id, changeSet)
    },
    taken: (_changeSet, rev) => {
      taken.push(rev)
      queue.reread()
      return Promise.resolve()
    },
    shown: () => Promise.resolve(),
    refresh: () => Promise.resolve(),
    signedOut: vi.fn(),
    idle: vi.fn(),
  })
  return { queue, sent, taken }
}

describe('the queue', () => {
  beforeEach(() => localStorage.clear())
  it('sends in the order they were made, and keeps none that was taken', async () => {
    let rev = 0
    const { queue, sent, taken } = setting(() => Promise.resolve({ rev: ++rev }))
    expect(await Promise.all([queue.add(entry('First')), queue.add(entry('Second'))])).toEqual([null, null])
    expect(sent).toEqual(['First', 'Second'])
    expect(taken).toEqual([1, 2])
    expect(queue.waiting.value).toEqual([])
    expect(localStorage).toHaveLength(0)
  })
  it('holds what is refused and says why; what rests on it waits with it', async () => {
    const { queue, sent } = setting(() => Promise.reject(refused(422)))
    const first = entry('First')
    expect(await queue.add(first)).toMatchObject({ is: 'refused' })
    await queue.add(entry('Second', first.changeSet.id))
    expect(sent).toEqual(['First'])
    expect(queue.sorted.value.resting.get(first.changeSet.id)).toHaveLength(1)
    expect(queue.giveUp(first.changeSet.id)).toHaveLength(2)
    expect(queue.waiting.value).toEqual([])
  })
  it('what the server breaks on is tried four times, then put aside, and the rest goes on', async () => {
    vi.useFakeTimers()
    try {
      const { queue, sent } = setting((_id, changeSet) =>
        changeSet.sentence === 'Breaks' ? Promise.reject(refused(500)) : Promise.resolve({ rev: 1 }),
      )
      void queue.add(entry('Breaks'))
      const goes = entry('Goes')
      const operations = [{ op: 'put', kind: 'room', id: newId(), base: null, fields: { name: 'Goes' } }] as const
      void queue.add({ ...goes, changeSet: { ...goes.changeSet, operations } })
      await vi.advanceTimersByTimeAsync(60_000)
      expect(sent.filter((sentence) => sentence === 'Breaks')).toHaveLength(4)
      expect(sent.at(-1)).toBe('Goes')
      expect(queue.waiting.value).toMatchObject([{ held: { is: 'refused' } }])
    } finally {
      vi.useRealTimers()
    }
  })
  it('a conflict is held as one', async () => {
    const { queue } = setting(() => Promise.reject(refused(409)))
    expect(await queue.add(entry('First'))).toMatchObject({ is: 'conflict' })
  })
  it('keeps all while nobody answers, and retries until somebody does', async () => {
    vi.useFakeTimers()
    try {
      let answers = false
      const { queue, sent } = setting(() =>
        answers ? Promise.resolve({ rev: 1 }) : Promise.reject(new NoAnswer('away')),
      )
      expect(await queue.add(entry('First'))).toBeNull()
      expect(queue.away.value).not.toBeNull()
      expect(queue.waiting.value).toHaveLength(1)
      answers = true
      await vi.advanceTimersByTimeAsync(600)
      expect(sent).toEqual(['First', 'First'])
      expect(queue.away.value).toBeNull()
      expect(queue.waiting.value).toEqual([])
    } finally {
      vi.useRealTimers()
    }
  })
  it('sends what was decided instead; with nothing left of it, what rests on it goes on upon the row as it is', async () => {
    let no = true
    const told: ChangeSet[] = []
    const { queue } = setting((_id, changeSet) => {
      told.push(changeSet)
      return no ? Promise.reject(refused(409)) : Promise.resolve({ rev: 2 })
    })
    const first = entry('First')
    await queue.add(first)
    await queue.add(entry('Second', first.changeSet.id))
    no = false
    const version = newId()
    queue.settle(first.changeSet.id, [], {
      makeover: { id: makeover, rev: 1, rows: { room: { [room]: { id: room, version, name: 'Theirs' } } } },
      studio: { id: newId(), rev: 1, rows: {} },
    } as never)
    await queue.send()
    expect(told.at(-1)).toMatchObject({ sentence: 'Second', operations: [{ base: version }] })
  })
})
