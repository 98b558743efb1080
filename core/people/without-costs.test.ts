/** Whoever is shown no costs learns none: every cost is marked, and no mark comes through, nor moves anything that does. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyRows, type Documents } from '../makeover/change.ts'
import { fieldsOf, isKind, kindNames, references } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { demoDocuments } from '../testing/demos.ts'
import { testToday } from '../testing/small-makeover.ts'
import { mayChange, remarksWithoutCosts, roles, showsCosts, withoutCosts } from './index.ts'

/** Every field that is money by its schema, whatever it is called: found here anew, by what it is stored as. */
const isMoney = (field: string): boolean => field.endsWith('Minor') || ['discountPpm', 'tradePpm'].includes(field)

/** The documents with every cost replaced by what `mark` makes of its place. */
function marked(documents: Documents, mark: (at: number) => number): Documents {
  let at = 0
  const inRows = (rows: object): object =>
    Object.fromEntries(
      Object.entries(rows as Record<string, Record<string, Record<string, unknown>>>).map(([kind, byId]) => [
        kind,
        Object.fromEntries(
          Object.entries(byId).map(([id, row]) => [
            id,
            Object.fromEntries(
              Object.entries(row).map(([field, value]) => [
                field,
                isMoney(field) && typeof value === 'number'
                  ? mark(at++)
                  : kind === 'agreement' && field === 'kept' && value !== ''
                    ? JSON.stringify({ sums: [mark(at++)] })
                    : value,
              ]),
            ),
          ]),
        ),
      ]),
    )
  return {
    makeover: { ...documents.makeover, rows: inRows(documents.makeover.rows) as never },
    studio: { ...documents.studio, rows: inRows(documents.studio.rows) as never },
  }
}

describe('a makeover without its costs', () => {
  const demos = demoDocuments()
  it('holds no mark of any cost, in every makeover of the demo', () => {
    for (const documents of demos) {
      let marks = 0
      const told = JSON.stringify(withoutCosts(marked(documents, (at) => 731_900_000 + ((marks = at), at))))
      expect(marks).toBeGreaterThan(100)
      expect(told).not.toMatch(/7319\d{5}/)
    }
  })
  it('is the same whatever things cost: nothing that is shown moves with a cost', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9_000_000 }), fc.nat(demos.length - 1), (seed, which) => {
        const documents = demos[which] as Documents
        const dearer = withoutCosts(marked(documents, (at) => 1 + ((seed * (at + 7)) % 9_999_991)))
        expect(dearer).toEqual(withoutCosts(documents))
      }),
      { numRuns: 12 },
    )
  })
  it('can be reckoned, points at nothing that is left out, and is remarked on where no cost counts', () => {
    for (const documents of demos) {
      const shown = withoutCosts(documents)
      const rows = anyRows(shown)
      for (const kind of kindNames)
        for (const [field, to] of Object.entries(references[kind]))
          for (const row of Object.values(rows[kind])) {
            const target = (row as Record<string, unknown>)[field]
            if (typeof target === 'string')
              expect([kind, field, rows[to][target] !== undefined]).toEqual([kind, field, true])
          }
      const { remarks } = reckon(shown, testToday)
      expect(remarks.filter(({ code }) => code.startsWith('broken'))).toEqual([])
      const kept = remarksWithoutCosts(remarks)
      expect(kept.every(({ step }) => ['survey', 'palette', 'surfaces', 'placement'].includes(step))).toBe(true)
      // what is remarked there is what is remarked with the costs known
      const known = reckon(documents, testToday).remarks
      expect(kept.map(({ key }) => key).sort()).toEqual(
        remarksWithoutCosts(known)
          .map(({ key }) => key)
          .sort(),
      )
    }
  })
  it('every field stored as money is marked a cost by its schema', () => {
    for (const kind of kindNames)
      for (const [field, meta] of fieldsOf(kind))
        if (isMoney(field)) expect([kind, field, meta.cost]).toEqual([kind, field, true])
  })
})

describe('a role', () => {
  it('changes what it is for', () => {
    const may = (role: (typeof roles)[number], kind: string): boolean =>
      isKind(kind) && mayChange({ role, seesCosts: true }, kind)
    expect(roles.map((role) => may(role, 'studio'))).toEqual([true, false, false, false])
    expect(roles.map((role) => may(role, 'room'))).toEqual([true, true, false, false])
    expect(roles.map((role) => may(role, 'payment'))).toEqual([true, true, true, false])
    expect(roles.map((role) => may(role, 'order'))).toEqual([true, true, false, false])
  })
  it('is shown costs, but for a looker-on who is not', () => {
    expect(roles.map((role) => showsCosts({ role, seesCosts: false }))).toEqual([true, true, true, false])
    expect(showsCosts({ role: 'looker-on', seesCosts: true })).toBe(true)
  })
})
