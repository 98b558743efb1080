import { beforeEach, describe, expect, it, vi } from 'vitest'
import { begin, change, countingIds, testToday } from '#core/testing/small-makeover.ts'
import { createFollow } from './follow.ts'
import type { Opened } from './view.ts'

const asked: string[] = []
let answer: (path: string) => unknown = () => null
vi.mock('../../api.ts', () => ({
  request: (_method: string, path: string) => {
    asked.push(path)
    return Promise.resolve(answer(path))
  },
}))

const newId = countingIds()
const world = begin(newId)
const documents = change(world.start, world.operations)
const at = (rev: number): Opened => ({ ...documents, makeover: { ...documents.makeover, rev }, today: testToday })
const { id } = documents.makeover

function setting(busy = false, history = true) {
  let base = at(3)
  const sent = vi.fn()
  let last: Promise<void> = Promise.resolve()
  const follow = createFollow({
    base: () => base,
    setBase: (next) => {
      base = next
      return Promise.resolve()
    },
    busy: () => busy,
    send: sent,
    history: () => history,
    quietly: (work) => {
      last = work()
    },
  })
  return { follow, sent, settled: () => last, rev: () => base.makeover.rev }
}
const renamed = (rev: number) => ({
  rev,
  id: newId(),
  sentence: 'Renamed',
  undoes: null,
  rows: [{ kind: 'room', rowId: world.ids.room, operation: 'put', before: { name: 'A' }, after: { name: 'B' } }],
})

describe('following others', () => {
  beforeEach(() => (asked.length = 0))
  it('reads the diary from where it stands, and again while something newer was heard of', async () => {
    const { follow, settled, rev } = setting()
    answer = (path) => (path.endsWith('after=3') ? [renamed(4)] : [renamed(5)])
    follow.hear({ is: 'rev', document: id, rev: 4 })
    follow.hear({ is: 'rev', document: id, rev: 5 })
    await settled()
    await vi.waitFor(() => expect(rev()).toBe(5))
    expect(asked).toEqual([`/makeovers/${id}/changes?after=3`, `/makeovers/${id}/changes?after=4`])
  })
  it('does not ask for what it has, nor while a change of its own is under way; that is made up for later', async () => {
    const { follow, settled } = setting(true)
    follow.hear({ is: 'rev', document: id, rev: 3 })
    follow.hear({ is: 'rev', document: id, rev: 4 })
    expect(asked).toEqual([])
    answer = () => [renamed(4)]
    follow.catchUpLate()
    await settled()
    expect(asked).toEqual([`/makeovers/${id}/changes?after=3`])
  })
  it('looks again at all of it after a gap, and sends what waits', async () => {
    const { follow, sent, settled, rev } = setting()
    answer = () => at(9)
    follow.hear({ is: 'again' })
    await settled()
    expect(asked).toEqual([`/makeovers/${id}`])
    expect(rev()).toBe(9)
    expect(sent).toHaveBeenCalledOnce()
  })
  it('an answer that is older than what it has is laid aside', async () => {
    const { follow, settled, rev } = setting()
    answer = () => at(2)
    follow.hear({ is: 'again' })
    await settled()
    expect(rev()).toBe(3)
  })
  it('asks for all of it where the history is not shown: to whoever sees no costs', async () => {
    const { follow, settled, rev } = setting(false, false)
    answer = () => at(7)
    follow.hear({ is: 'rev', document: id, rev: 7 })
    await settled()
    expect(asked).toEqual([`/makeovers/${id}`])
    expect(rev()).toBe(7)
  })
})
