import fc from 'fast-check'
import { expect, it } from 'vitest'
import { headOf } from '../makeover/document.ts'
import { reckon } from '../reckoning/reckon.ts'
import { demoDocuments } from '../testing/demos.ts'
import { testToday } from '../testing/small-makeover.ts'
import { wounded, wounds } from '../testing/wounds.ts'

const inFeet = demoDocuments().map((documents) => {
  const head = headOf(documents.makeover)
  if (!head) throw new Error('the demo has heads')
  const { makeover } = documents
  const rows = { ...makeover.rows, makeover: { [head.id]: { ...head, units: 'feet and inches' as const } } }
  return { ...documents, makeover: { ...makeover, rows } }
})

it('a makeover in feet and inches is told nothing in millimetres or metres, whatever is wrong with it', () => {
  const metric = /\d(\s| )(mm|cm|m)\b/
  fc.assert(
    fc.property(fc.constantFrom(...inFeet), wounds, (documents, all) => {
      const hurt = wounded(documents, all)
      // what people called things is theirs
      const names = Object.values(hurt.makeover.rows).flatMap((rows: Readonly<Record<string, object>>) =>
        Object.values(rows).flatMap((row) => ('name' in row ? String(row.name) : [])),
      )
      const ours = (text: string): string => names.reduce((left, name) => left.replaceAll(name || '\n', ''), text)
      const told = reckon(hurt, testToday)
        .remarks.flatMap((remark) => [ours(remark.title), ours(remark.sentence)])
        .filter((text) => metric.test(text))
      expect(told).toEqual([])
    }),
    { numRuns: 60 },
  )
}, 120_000)
