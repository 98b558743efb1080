import { beforeEach, describe, expect, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { countingIds } from '#core/testing/small-makeover.ts'
import { drop, isWaitingKey, keep, makeoversWaiting, parted, readAll, type Waiting } from './waiting.ts'

const newId = countingIds(70_000)
const [me, text, makeover] = [newId(), newId(), newId()]
const waiting = (waiting: Partial<Waiting> = {}, id = newId()): Waiting => ({
  changeSet: { id, schemaVersion, sentence: 'Did it', operations: [add('room', newId(), { uses: '', name: 'Hall' })] },
  addedAt: '2027-03-01T09:00:00.000Z',
  was: {},
  held: null,
  old: false,
  ...waiting,
})

beforeEach(() => localStorage.clear())

describe('what waits to be sent', () => {
  it('is read as it was kept, oldest first, of one person and one makeover', () => {
    const [first, second] = [waiting(), waiting()]
    keep(me, makeover, second)
    keep(me, makeover, first)
    keep(text, makeover, waiting())
    keep(me, newId(), waiting())
    expect(readAll(me, makeover)).toEqual([first, second])
    expect(makeoversWaiting(me)).toHaveLength(2)
    drop(me, makeover, first.changeSet.id)
    expect(readAll(me, makeover)).toEqual([second])
  })
  it('that an older page left is told in today’s words, under the same id', () => {
    const id = newId()
    const [roomId, need] = [newId(), newId()]
    localStorage.setItem(
      `bonitas.unsent.${makeover}`,
      JSON.stringify({
        id,
        schemaVersion: 1,
        sentence: 'Wrote a need',
        operations: [
          {
            op: 'put',
            kind: 'need',
            id: need,
            base: null,
            fields: { roomId, zoneId: null, name: 'Sing', importance: 'must' },
          },
        ],
      }),
    )
    const [read] = readAll(me, makeover)
    expect(read).toMatchObject({
      changeSet: { id, schemaVersion, operations: [{ fields: { name: 'Sing', who: '' } }] },
      old: true,
      held: null,
    })
    expect(localStorage.getItem(`bonitas.unsent.${makeover}`)).toBeNull()
    expect(readAll(me, makeover)).toEqual([read]) // once
  })
  it('that cannot be read is held with its text, never dropped', () => {
    localStorage.setItem(
      `bonitas.waiting.${me}.${makeover}.broken`,
      '{"changeSet":{"sentence":"Chose the green one","opera',
    )
    localStorage.setItem(
      `bonitas.waiting.${me}.${makeover}.future`,
      JSON.stringify({ changeSet: { id: newId(), schemaVersion: 99, sentence: 'From tomorrow', operations: [] } }),
    )
    const all = readAll(me, makeover)
    expect(all.map((waiting) => [waiting.held?.is, waiting.raw !== undefined])).toEqual([
      ['refused', true],
      ['refused', true],
    ])
    expect(all.map((waiting) => waiting.raw).join()).toContain('Chose the green one')
    expect(all.map((waiting) => waiting.changeSet.sentence)).toContain('From tomorrow')
    keep(me, makeover, waiting())
    expect(parted(readAll(me, makeover)).going).toHaveLength(1) // and holds nothing else up
  })
  it('waits in the window where the browser keeps nothing', () => {
    const full = Object.getOwnPropertyDescriptor(Storage.prototype, 'setItem')
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    try {
      const thisWaiting = waiting()
      keep(me, makeover, thisWaiting)
      expect(readAll(me, makeover)).toEqual([thisWaiting])
      drop(me, makeover, thisWaiting.changeSet.id)
      expect(readAll(me, makeover)).toEqual([])
    } finally {
      if (full) Object.defineProperty(Storage.prototype, 'setItem', full)
    }
  })
  it('goes on past what is held, but for what rests on it', () => {
    const room = newId()
    const first = waiting({
      changeSet: {
        id: newId(),
        schemaVersion,
        sentence: 'Hall',
        operations: [add('room', room, { uses: '', name: 'Hall' })],
      },
      held: { is: 'refused', faults: [] },
    })
    const rests = waiting({
      changeSet: {
        id: newId(),
        schemaVersion,
        sentence: 'Nook',
        operations: [add('zone', newId(), { ...blank.zone, roomId: room, name: 'Nook' })],
      },
    })
    const apart = waiting()
    const { going, held, resting } = parted([first, rests, apart])
    expect(going).toEqual([apart])
    expect(held).toEqual([first])
    expect(resting.get(first.changeSet.id)).toEqual([rests])
  })
  it('is told apart from other keys', () => {
    expect(isWaitingKey(`bonitas.waiting.${me}.${makeover}.x`, me, makeover)).toBe(true)
    expect([
      isWaitingKey(null, me, makeover),
      isWaitingKey('bonitas.ground', me, makeover),
      isWaitingKey(`bonitas.waiting.${text}.${makeover}.x`, me, makeover),
    ]).toEqual([false, false, false])
  })
})
