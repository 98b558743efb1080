/** What a client sees holds nothing of the studio's: every text and figure of a document is marked, and what comes through is on one short list. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Documents } from '../makeover/change.ts'
import { presentedParts } from '../makeover/client-choices.ts'
import { fieldsOf, isKind, isStudioKind } from '../makeover/kinds.ts'
import { anyRows } from '../makeover/change.ts'
import { reckon } from '../reckoning/reckon.ts'
import { demoDocuments } from '../testing/demos.ts'
import { testToday } from '../testing/small-makeover.ts'
import { presentNow } from './now.ts'
import { present, readPresented } from './presented.ts'

/** The texts that are meant for a client, by kind and field. */
const meant = new Set([
  'makeover.name',
  'room.name',
  'need.name',
  'need.who',
  'piece.name',
  'piece.chosenReason',
  'candidate.name',
  'candidate.turnedDown',
  'finish.name',
  'finish.usedFor',
  'wall.name',
  'zone.name',
  'opening.name',
  'passage.name',
  'fixture.name',
])

/** The same documents with every text replaced by a mark that says where it is from. */
function marked(documents: Documents): Documents {
  const rows = (source: Readonly<Record<string, Readonly<Record<string, unknown>>>>) =>
    Object.fromEntries(
      Object.entries(source).map(([kind, byId]) => [
        kind,
        !isKind(kind)
          ? byId
          : Object.fromEntries(
              Object.entries(byId).map(([id, row]) => [
                id,
                {
                  ...(row as object),
                  ...Object.fromEntries(
                    fieldsOf(kind).flatMap(([field, meta]) => {
                      const value = (row as Record<string, unknown>)[field]
                      return meta.words === true && typeof value === 'string' && value !== ''
                        ? [[field, `⟦${kind}.${field}⟧`]]
                        : []
                    }),
                  ),
                },
              ]),
            ),
      ]),
    )
  return {
    makeover: {
      ...documents.makeover,
      rows: rows(documents.makeover.rows) as unknown as Documents['makeover']['rows'],
    },
    studio: { ...documents.studio, rows: rows(documents.studio.rows) as unknown as Documents['studio']['rows'] },
  }
}
const marks = (text: string): string[] => [...new Set([...text.matchAll(/⟦([^⟦⟧]+)⟧/g)].map(([, mark]) => mark ?? ''))]

describe('a version for a client', () => {
  const demos = demoDocuments()
  it.each(demos.map((documents, at) => [at, documents] as const))(
    'makeover %i: no text but those that are meant for them',
    (_at, documents) => {
      const told = JSON.stringify(presentNow(marked(documents), presentedParts.join(', '), '', testToday))
      expect(marks(told).filter((mark) => !meant.has(mark))).toEqual([])
      expect(marks(told).length).toBeGreaterThan(4)
    },
  )
  it('no price, fee, rate or margin: of all amounts only the four that were agreed to be shown', () => {
    fc.assert(
      fc.property(fc.nat({ max: demos.length - 1 }), fc.integer({ min: 1, max: 9 }), (which, seed) => {
        const documents = demos[which] as Documents
        // every amount of every row becomes one that is found nowhere by chance
        let next = 700_000_007 + seed * 1_000_003
        const secret = new Set<number>()
        const rows = Object.fromEntries(
          Object.entries(documents.makeover.rows).map(([kind, byId]) => [
            kind,
            Object.fromEntries(
              Object.entries(byId).map(([id, row]) => [
                id,
                Object.fromEntries(
                  Object.entries(row as object).map(([field, value]) => {
                    if (!/Minor$|Ppm$/.test(field) || typeof value !== 'number' || value === 0)
                      return [field, value as unknown]
                    next += 7919
                    const put = /Ppm$/.test(field) ? (next % 900_000) + 50_000 : next
                    secret.add(put)
                    return [field, put]
                  }),
                ),
              ]),
            ),
          ]),
        ) as unknown as Documents['makeover']['rows']
        const hidden = { ...documents, makeover: { ...documents.makeover, rows } }
        const told = present(hidden, reckon(hidden, testToday), presentedParts, '', null)
        const { money, ...rest } = told
        const numbers = [...JSON.stringify(rest).matchAll(/-?\d+(?:\.\d+)?/g)].map(([text]) => Number(text))
        for (const number of numbers) expect(secret.has(number), String(number)).toBe(false)
        expect(Object.keys(money ?? {}).sort()).toEqual(['agreed', 'left', 'open', 'spent'])
      }),
      { numRuns: 12 },
    )
  }, 120_000)
  it('only the parts that were chosen', () => {
    const documents = demos[0] as Documents
    for (const part of presentedParts) {
      const told = presentNow(documents, part, 'Hello', testToday)
      const filled = Object.entries(told).flatMap(([name, value]) =>
        typeof value === 'object' && value !== null && name !== 'rooms' ? [name] : [],
      )
      expect(filled.length).toBeLessThanOrEqual(1)
    }
    const without = presentNow(documents, 'choices', '', testToday)
    expect(without.choices?.every(({ turnedDown }) => turnedDown.length === 0)).toBe(true)
  })
  it('is read back as it was kept; whatever else is there is none', () => {
    const told = presentNow(demos[0] as Documents, presentedParts.join(', '), 'Hello', testToday)
    expect(readPresented(JSON.stringify(told))).toEqual(JSON.parse(JSON.stringify(told)))
    for (const text of ['', '{', '[]', '{"rooms":1}', 'null']) expect(readPresented(text)).toBeNull()
  })
  it('says nothing of the studio document at all', () => {
    const documents = demos[0] as Documents
    const names = Object.values(documents.studio.rows.seller).map(({ name }) => name)
    expect(names.length).toBeGreaterThan(2)
    const told = JSON.stringify(presentNow(documents, presentedParts.join(', '), '', testToday))
    for (const name of names) expect(told.includes(`"${name}"`)).toBe(false)
    expect(Object.keys(anyRows(documents)).filter((kind) => isKind(kind) && isStudioKind(kind)).length).toBeGreaterThan(
      0,
    )
  })
})
