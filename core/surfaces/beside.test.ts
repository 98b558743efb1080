/** What comes before a finish and beside it: preparation, small things, units of the line, leftovers. Common practice of the trade. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { change } from '../testing/small-makeover.ts'
import { measuredOf, plain, room, taken } from '../testing/treated.ts'
import { jobsOf, sundriesOf } from './sundries.ts'
import { preparationFor } from './preparation.ts'
import { smallThings } from './small-things.ts'
import { inUnit, unitFor } from './units.ts'

const rules = effectiveRules()
const old = { material: 'paint', condition: 'good', sheen: 'matt', name: 'Old' } as const
const whatOf = (...args: Parameters<typeof preparationFor>): string[] => preparationFor(...args).map(({ what }) => what)

describe('preparation', () => {
  it('sound matt paint is only washed down before paint', () => {
    expect(whatOf('paint', 'walls', old, 20, rules)).toEqual(['wash'])
  })
  it('gloss is keyed, and sealed before paper; damage is filled and sanded; old paper comes off', () => {
    expect(whatOf('paint', 'walls', { ...old, sheen: 'gloss' }, 20, rules)).toEqual(['wash', 'sand'])
    expect(whatOf('paper', 'walls', { ...old, sheen: 'gloss' }, 20, rules)).toEqual(['wash', 'sand', 'seal'])
    expect(whatOf('paint', 'walls', { ...old, condition: 'damaged' }, 20, rules)).toEqual(['wash', 'fill', 'sand'])
    expect(whatOf('paint', 'walls', { ...old, material: 'paper' }, 20, rules)).toEqual(['strip'])
  })
  it('what frees an old coat is marked; washing and filling do not', () => {
    const works = preparationFor('paint', 'trim', { ...old, sheen: 'gloss', condition: 'worn' }, 4, rules)
    expect(works.filter(({ frees }) => frees).map(({ what }) => what)).toEqual(['sand'])
  })
  it('nothing before what is laid loose, and hours go with the area', () => {
    expect(whatOf('loose', 'floor', null, 8, rules)).toEqual([])
    const hours = (m2: number): number =>
      preparationFor('paint', 'walls', null, m2, rules).reduce((sum, work) => sum + work.hours, 0)
    expect(hours(40)).toBeCloseTo(2 * hours(20), 9)
  })
})

describe('small things', () => {
  const wall = { how: 'paint', m2: 40, edgeMm: 16_000, rolls: 0 } as const
  it('follow what is done: no paste without paper, no spacers without tile, nothing where nothing is done', () => {
    const names = smallThings([wall], 'metric').map(({ id }) => id)
    expect(names).toContain('tape')
    expect(names).not.toContain('paste')
    expect(names).not.toContain('spacers')
    expect(smallThings([], 'metric')).toEqual([])
  })
  it('more wall never needs less', () => {
    const of40 = new Map(smallThings([wall], 'metric').map(({ id, quantity }) => [id, quantity]))
    for (const { id, quantity } of smallThings([{ ...wall, m2: 90, edgeMm: 30_000 }], 'metric'))
      expect(quantity).toBeGreaterThanOrEqual(of40.get(id) ?? 0)
  })
  it('one that somebody changed stays as it was said, and own ones stand behind', () => {
    const { documents, finish, newId, roomId } = room(plain)
    const painted = finish({})
    const after = change(documents, [
      painted.operations,
      add('sundry', newId(), {
        ...blank.sundry,
        roomId,
        stands: 'tape',
        name: 'Good tape',
        quantity: 3,
        unit: 'rolls',
      }),
      add('sundry', newId(), { ...blank.sundry, roomId, name: 'Biscuits', quantity: 1, unit: 'tins' }),
    ])
    const { room: measured, areas } = measuredOf(after)
    const list = sundriesOf(after.makeover, roomId, jobsOf([taken(after, painted.id)], { room: measured, areas }))
    expect(list.find(({ id }) => id === 'tape')).toMatchObject({ name: 'Good tape', quantity: 3 })
    expect(list.at(-1)).toMatchObject({ name: 'Biscuits' })
  })
})

// exact by definition: a US gallon is 3.785411784 l, a square foot 0.09290304 m²
it('a need is told in the unit of its line, and not at all in another kind of unit', () => {
  expect(inUnit(7.570_823_568, 'l', 'gal')).toBeCloseTo(2, 9)
  expect(inUnit(0.929_030_4, 'm²', 'sq ft')).toBeCloseTo(10, 9)
  expect(inUnit(12, 'rolls', 'roll')).toBe(12)
  expect(inUnit(12, 'tiles', 'pieces')).toBe(12)
  expect(inUnit(5, 'l', 'rolls')).toBeNull()
  expect(inUnit(5, 'boards', 'm²')).toBeNull()
  expect([unitFor('l', true), unitFor('m²', true), unitFor('rolls', true), unitFor('l', false)]).toEqual([
    'gal',
    'sq ft',
    'rolls',
    'l',
  ])
})
