import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type ChangeSet, type Operation } from '../makeover/change.ts'
import { restingOn, restsOn } from '../makeover/waiting.ts'
import { change, pieceOf } from '../testing/small-makeover.ts'
import { advance, personal, rollBack, withoutPersonal, type DiaryEntry } from './entries.ts'
import { undoStack, type Done } from './undo.ts'
import { bare, begun, did, newId, world } from '../testing/undoing.ts'

describe('what is next to undo and to do again', () => {
  it.each<[string, [string, string | null][], string | null, string | null]>([
    ['nothing', [], null, null],
    [
      'the last',
      [
        ['a', null],
        ['b', null],
      ],
      'b',
      null,
    ],
    [
      'the one before, after an undo',
      [
        ['a', null],
        ['b', null],
        ['c', 'b'],
      ],
      'a',
      'c',
    ],
    [
      'as if never undone, after a redo',
      [
        ['a', null],
        ['b', null],
        ['c', 'b'],
        ['d', 'c'],
      ],
      'd',
      null,
    ],
    [
      'nothing more to redo, after something new',
      [
        ['a', null],
        ['b', 'a'],
        ['c', null],
      ],
      'c',
      null,
    ],
    [
      'two undone, and the later one first to come back',
      [
        ['a', null],
        ['b', null],
        ['c', 'b'],
        ['d', 'a'],
      ],
      null,
      'd',
    ],
    [
      'one in the middle, taken back from the history',
      [
        ['a', null],
        ['b', null],
        ['c', 'a'],
      ],
      'b',
      'c',
    ],
  ])('%s', (_name, own, next, again) =>
    expect(undoStack(own.map(([id, undoes]) => ({ id, undoes })))).toEqual({ undo: next, redo: again }),
  )
})

describe('the diary forwards and backwards', () => {
  const entry = (done: Done, rev: number): DiaryEntry => ({ ...done, rev })
  it('cannot go on over what it does not tell: personal values, and rows of the studio', () => {
    const client = begun.makeover.rows.client[world.ids.client] ?? ({} as never)
    const made = did(begun, [edit('client', client, { name: 'Somebody Private' })])
    expect(advance(begun, [entry({ ...made.done, rows: made.done.rows.map(withoutPersonal) }, 2)])).toBeNull()
    const seller = did(begun, [add('seller', newId(), { ...blank.seller, name: 'Another' })])
    expect(advance(begun, [entry(seller.done, 2)])).toBeNull()
    expect(bare(rollBack(seller.documents, [entry(seller.done, 2)]))).toEqual(bare(begun))
  })
  it('shows somebody who is gone without a name', () => {
    const [text] = [newId()]
    const two = change(begun, [add('client', text, { name: 'Second' })])
    const gone = did(two, [remove('client', two.makeover.rows.client[text] ?? ({} as never))])
    const back = rollBack(gone.documents, [entry({ ...gone.done, rows: gone.done.rows.map(withoutPersonal) }, 3)])
    expect(back.makeover.rows.client[text]).toMatchObject({ name: personal })
    expect(back.makeover.rows.client[world.ids.client]).toMatchObject({ name: 'A client' })
  })
})

describe('changes that wait', () => {
  const set = (...operations: Operation[]): ChangeSet => ({ id: newId(), schemaVersion: 3, sentence: 'x', operations })
  it('rest on those whose rows they change or name, through others too, and on nothing else', () => {
    const [room, piece] = [newId(), newId()]
    const first = set(add('room', room, { uses: '', name: 'Hall' }))
    const second = set(add('piece', piece, pieceOf(room, '')))
    const third = set({ op: 'put', kind: 'piece', id: piece, base: second.id, fields: { name: 'x' } })
    const apart = set(add('room', newId(), { uses: '', name: 'Attic' }))
    expect([restsOn(second, first), restsOn(third, first), restsOn(apart, first)]).toEqual([true, false, false])
    expect(restingOn([first], [first, apart, second, third])).toEqual([second, third])
    expect(restingOn([second], [first, apart, second, third])).toEqual([third])
    expect(restingOn([apart], [first, apart, second, third])).toEqual([])
  })
  it('of two things in one category do not rest on each other', () => {
    const category = world.categories.Furniture ?? ''
    expect(
      restsOn(
        set(add('piece', newId(), pieceOf(world.ids.room, category))),
        set(add('piece', newId(), pieceOf(world.ids.room, category))),
      ),
    ).toBe(false)
  })
})
