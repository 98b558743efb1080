import { describe, expect, it } from 'vitest'
import { edit } from '#core/makeover/change.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { Reckoner } from '#core/reckoning/reckoner.ts'
import { begin, change, countingIds, testToday } from '#core/testing/small-makeover.ts'
import { createView, documentsOf, type FarReckoner, type Opened } from './view.ts'

const newId = countingIds()
const world = begin(newId)
const opened: Opened = { ...change(world.start, world.operations), today: testToday }
const room = opened.makeover.rows.room[world.ids.room]
if (!room) throw new Error('a makeover begins with a room')

/** A reckoner that answers late and takes copies, as one in a worker does; it tells what it was sent. */
function far() {
  const near = new Reckoner(() => '')
  const sent: string[] = []
  const later = <T>(name: string, answer: () => T): Promise<T> => {
    sent.push(name)
    return new Promise((resolve, reject) =>
      setTimeout(() => {
        try {
          resolve(structuredClone(answer()))
        } catch (error) {
          reject(error instanceof Error ? error : new Error(String(error)))
        }
      }, 1),
    )
  }
  const reckoner: FarReckoner = {
    open: (documents, today) => later('open', () => near.open(structuredClone(documents), today)),
    lay: (tables, today) =>
      later(`lay ${Object.keys(tables).join(' ')}`, () => near.lay(structuredClone(tables), today)),
    take: (operations, id) => later('take', () => near.take(operations, id)),
    preview: (operations) => later('preview', () => near.preview(operations)),
    remedies: (remark) => later('remedies', () => near.remedies(remark)),
  }
  return { reckoner, sent }
}

describe('the view', () => {
  it('sends a whole document once, and then what is other', async () => {
    const { reckoner, sent } = far()
    const view = createView(() => reckoner)
    await view.lay(() => opened)
    const renamed = { ...change(opened, [edit('room', room, { name: 'Parlour' })]), today: testToday }
    await view.lay(() => renamed)
    expect(sent).toEqual(['open', 'lay room'])
    expect(view.reckoning.value).toEqual(reckon(documentsOf(renamed), testToday))
    expect(view.opened.value).toBe(renamed)
  })
  it('shows a change with the reckoning of it, and says what it stood on', async () => {
    const { reckoner, sent } = far()
    const view = createView(() => reckoner)
    await view.lay(() => opened)
    const taken = await view.take({ id: newId(), operations: [edit('room', room, { name: 'Parlour' })] })
    expect(taken.faults).toEqual([])
    expect(taken.before).toEqual(documentsOf(opened))
    expect(view.opened.value?.makeover.rows.room[room.id]?.name).toBe('Parlour')
    expect(view.reckoning.value).toEqual(reckon(documentsOf(view.opened.value as Opened), testToday))
    expect(sent).toEqual(['open', 'take'])
  })
  it('leaves all as it is where a change would be refused', async () => {
    const { reckoner } = far()
    const view = createView(() => reckoner)
    await view.lay(() => opened)
    const { faults } = await view.take({
      id: newId(),
      operations: [{ op: 'remove', kind: 'room', id: room.id, base: room.version }],
    })
    expect(faults.length).toBeGreaterThan(0)
    expect(view.opened.value).toBe(opened)
  })
  it('does one thing after the other, whichever is asked first', async () => {
    const { reckoner } = far()
    const view = createView(() => reckoner)
    void view.lay(() => opened)
    const first = view.take({ id: newId(), operations: [edit('room', room, { name: 'One' })] })
    const second = view.take({ id: newId(), operations: [edit('room', room, { name: 'Two' })] })
    await Promise.all([first, second])
    expect(view.opened.value?.makeover.rows.room[room.id]?.name).toBe('Two')
    expect(view.reckoning.value).toEqual(reckon(documentsOf(view.opened.value as Opened), testToday))
  })
  it('what was under way when the screen was cleared is not shown any more', async () => {
    const { reckoner } = far()
    const view = createView(() => reckoner)
    const laying = view.lay(() => opened)
    await Promise.resolve()
    await Promise.resolve()
    view.clear()
    await laying
    expect(view.opened.value).toBeNull()
  })
})
