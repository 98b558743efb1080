import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reckon } from '../reckoning/reckon.ts'
import { rulebook } from '../rulebook/rulebook.ts'
import { steps } from '../steps/index.ts'
import { demoDocuments } from '../testing/demos.ts'
import { testToday } from '../testing/small-makeover.ts'
import { wounded, wounds } from '../testing/wounds.ts'
import { remarksOf, type Entry } from './catalogue.ts'

const entries = new Map<string, Entry>(
  steps.flatMap((step) => Object.entries(step.catalogue).map(([name, entry]) => [`${step.name}.${name}`, entry])),
)
const demos = demoDocuments()

describe('the catalogue of remarks', () => {
  it('holds what is said of any makeover, with as many numbers as it says', () => {
    fc.assert(
      fc.property(fc.constantFrom(...demos), wounds, (documents, all) => {
        for (const remark of reckon(wounded(documents, all), testToday).remarks) {
          if (remark.code === 'damaged.reference') continue
          const entry = entries.get(remark.code)
          expect(entry, remark.code).toBeDefined()
          expect(remark.fingerprint.split(' | ').length, remark.code).toBeGreaterThanOrEqual(entry?.units.length ?? 0)
        }
      }),
      { numRuns: 40 },
    )
  }, 120_000)
  it('names rules that the rulebook has, and says each thing once', () => {
    for (const { rule } of entries.values()) if (rule) expect(rulebook[rule]).toBeDefined()
    const said = [...entries.values()].map((entry) => entry.said)
    expect(new Set(said).size).toBe(said.length)
  })
  it('gives a remark its weight, rule and step, where nothing else is said of it', () => {
    const { remark, codeOf } = remarksOf('test', {
      plain: { said: 'Plain.', weight: 'look', rule: 'fit.grace', units: ['mm'] },
    })
    const draft = { code: 'plain', subjects: [], title: 'T', sentence: 'S', numbers: [1.26] } as const
    expect(remark(draft)).toMatchObject({
      code: codeOf('plain'),
      weight: 'look',
      rule: 'fit.grace',
      step: 'test',
      fingerprint: '1.3',
    })
    expect(remark({ ...draft, weight: 'stop', rule: 'dates.buffer', step: 'brief' })).toMatchObject({
      code: 'test.plain',
      weight: 'stop',
      rule: 'dates.buffer',
      step: 'brief',
    })
  })
})
