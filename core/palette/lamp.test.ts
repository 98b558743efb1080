import { describe, expect, it } from 'vitest'
import { labFromLch, type Lab } from '../colour/lab.ts'
import type { Family } from '../makeover/choices.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { library } from './library.ts'
import { byLamp, colourantOf } from './lamp.ts'

const rules = effectiveRules()
const swatch = (family: Family, lab: Lab) => ({ family, lab })

describe('what gives a finish its colour', () => {
  it.each<[string, Family, number, number, string]>([
    ['a pale paint is white pigment', 'paint', 85, 11.9, 'white'],
    ['a paint at the edge of pale is not', 'paint', 84, 5, 'mineral'],
    ['nor a pale one that is a colour', 'paint', 90, 12, 'mineral'],
    ['a pale tile is white too', 'ceramic', 92, 3, 'white'],
    ['a pale wood is wood', 'wood', 90, 8, 'wood'],
    ['a pale cloth is dyed', 'textile', 92, 2, 'dye'],
    ['a leaf is a leaf', 'greenery', 40, 30, 'leaf'],
  ])('%s', (_name, family, L, C, expected) => expect(colourantOf(swatch(family, labFromLch(L, C, 90)))).toBe(expected))
  it('a finish of the library says it itself, as long as it is of that family', () => {
    const known = library.find(
      ({ family, colourant }) => colourant !== colourantOf(swatch(family, { L: 40, a: 0, b: 0 })),
    )
    if (!known) throw new Error('some finish of the library is not as its family usually is')
    expect(colourantOf(known, known.name)).toBe(known.colourant)
    const stranger: Family = known.family === 'greenery' ? 'stone' : 'greenery'
    expect(colourantOf(swatch(stranger, known.lab), known.name)).toBe(colourantOf(swatch(stranger, known.lab)))
  })
})

describe('two finishes by lamp light', () => {
  const red: Lab = { L: 45, a: 45, b: 25 }
  it('of one stuff and one colour are one by lamp too', () => {
    expect(byLamp(swatch('paint', red), swatch('paint', red), rules)).toEqual({
      deltaE: 0,
      by: 0,
      words: 'much as by day',
    })
  })
  // metamerism: what matches under one light need not match under another (CIE 15, its special metamerism index)
  it('that match by day and are of different stuff may part, by all that parts them', () => {
    const found = byLamp(swatch('paint', red), swatch('textile', red), { ...rules, 'colour.unseen': 0 })
    expect(found.deltaE).toBeGreaterThan(0)
    expect(found.by).toBe(found.deltaE)
    expect(found.words).toBe('may part')
  })
  it('whichever is named first; and a change that nobody sees is none', () => {
    const [left, right] = [swatch('paint', red), swatch('textile', { L: 48, a: 40, b: 28 })]
    const found = byLamp(left, right, { ...rules, 'colour.unseen': 0 })
    expect(byLamp(right, left, rules).by).toBeCloseTo(found.by, 9)
    expect(found.words).toBe(found.by < 0 ? 'may close up' : 'may part')
    expect(byLamp(left, right, { ...rules, 'colour.unseen': 100 }).words).toBe('much as by day')
  })
})
