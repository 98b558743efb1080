import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, apply, type Operation } from '../makeover/change.ts'
import { emptyMakeover, emptyStudio, studioRows } from '../makeover/document.ts'
import { plainDate } from '../measure/plain-date.ts'
import { inStock, lend, ownStock, stockBehind } from './from-stock.ts'

const id = (count: number): string => `00000000-0000-7000-8000-${String(count).padStart(12, '0')}`
const done = (studio = emptyStudio(id(1)), operations: readonly Operation[] = []) => {
  const applied = apply({ makeover: emptyMakeover(id(2)), studio }, operations, id(3))
  expect(applied.faults).toEqual([])
  return applied.documents.studio
}
const chairs = { ...blank.stock, name: 'Folding chair', quantity: 8, unit: 'pieces', lies: 'rack 2' }
const full = done(undefined, [
  add('stock', id(10), chairs),
  add('stock', id(11), { ...blank.stock, name: 'Reed stool', lentTo: 'Another house' }),
  add('stock', id(12), { ...blank.stock, name: 'Cross-line laser', kind: 'tool' }),
])
const on = plainDate('2027-03-01')

describe('what stands in stock', () => {
  it('is what can stand in a room and is not lent', () =>
    expect(inStock(full).map(({ name }) => name)).toEqual(['Folding chair']))
  it('is behind a candidate that is borrowed and has its name, and behind no other', () => {
    expect(stockBehind(full, { source: 'borrowed', name: ' folding CHAIR ' })?.id).toBe(id(10))
    expect(stockBehind(full, { source: 'second-hand', name: 'Folding chair' })).toBeNull()
    expect(stockBehind(full, { source: 'borrowed', name: 'Reed stool' })).toBeNull()
  })
  it('says whose it is, and where it lies', () =>
    expect([ownStock({ lies: 'rack 2' }), ownStock({ lies: '' })]).toEqual(['our own stock, rack 2', 'our own stock']))
})

it('lending keeps the count: what goes and what stays are what there was, and none is lent twice', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }), (had, wanted) => {
      const before = done(undefined, [add('stock', id(10), { ...chairs, quantity: had })])
      const [line] = inStock(before)
      if (!line) throw new Error('nothing in stock')
      const after = done(before, lend({ line, quantity: wanted, to: 'Tern House', on, backOn: null }, id(20)))
      const lines = studioRows(after, 'stock')
      const lent = lines.filter(({ lentTo }) => lentTo === 'Tern House')
      const sum = (rows: typeof lines): number => rows.reduce((total, { quantity }) => total + quantity, 0)
      expect([sum(lines), sum(lent), lent.length]).toEqual([had, Math.min(had, wanted), 1])
      expect(lent[0]).toMatchObject({ lentOn: on, backOn: null, name: 'Folding chair', lies: 'rack 2' })
    }),
  )
})
