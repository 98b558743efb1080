import { describe, expect, it } from 'vitest'
import { apply, add, type Documents, type Operation } from './change.ts'
import { sharedGuards } from './guards.ts'
import { begin, change, countingIds } from '../testing/small-makeover.ts'
import { headOf } from './document.ts'
import { largestMinor, minor } from '../money/minor.ts'
import { money } from './fields.ts'

const newId = countingIds()
const world = begin(newId)
const documents = change(world.start, world.operations)
const after = (operations: readonly Operation[]): Documents => apply(documents, operations, newId()).documents
const codes = (changed: Documents): string[] =>
  sharedGuards(documents, changed).map((fault) => `${fault.code} ${fault.kind}`)

describe('what holds for every document', () => {
  it('a makeover has one head: not two, and not none', () => {
    const head = headOf(documents.makeover)
    if (!head) throw new Error('it was begun')
    const { id: _id, version: _version, ...fields } = head
    expect(codes(documents)).toEqual([])
    expect(codes(after([add('makeover', newId(), fields)]))).toEqual(['head makeover'])
    expect(codes(after([{ op: 'remove', kind: 'makeover', id: head.id, base: head.version }]))).toEqual([
      'head makeover',
    ])
  })
  it('what may be there once is refused the second time, by its schema', () => {
    const twice = ['a', 'b'].map(() => add('ruling', newId(), { rule: 'dates.buffer', value: 9 }))
    expect(codes(after(twice))).toEqual(['twice ruling'])
  })
})

it('an amount is taken up to the largest, and no further', () => {
  expect(money().isValidSync(minor(largestMinor))).toBe(true)
  expect(money().isValidSync(largestMinor + 1)).toBe(false)
})
