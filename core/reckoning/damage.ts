/** Rows that point at rows which are not there: only a damaged file or database has them, and they are said, not thrown. */
import { anyRows } from '../makeover/change.ts'
import { emptyStudio, type Makeover } from '../makeover/document.ts'
import { aSpoken, isStudioKind, makeoverKinds, referencesOf } from '../makeover/kinds.ts'
import { remarksOf } from '../remarks/catalogue.ts'
import type { Remark } from '../remarks/remark.ts'

const { remark } = remarksOf('damaged', {
  reference: { said: 'A row points at one that is not there.', weight: 'stop', units: ['words', 'id'] },
})

const inside = makeoverKinds.map((kind) => ({
  kind,
  references: referencesOf(kind).filter(({ to }) => !isStudioKind(to)),
}))

export function brokenRows(makeover: Makeover): Remark[] {
  const all = anyRows({ makeover, studio: emptyStudio(makeover.id) })
  return inside.flatMap(({ kind, references }) =>
    references.flatMap(({ field, to }) =>
      Object.values(all[kind]).flatMap((row) => {
        const id = row[field]
        if (typeof id !== 'string' || all[to][id]) return []
        return [
          remark({
            code: 'reference',
            step: 'brief',
            subjects: [{ kind, id: row.id }],
            title: `${aSpoken(kind).replace('a', 'A')} points at ${aSpoken(to)} that is not there`,
            sentence:
              'Figures that rest on it may be wrong. The file or the database it came from is damaged: restore it from a copy.',
            numbers: [field, id],
          }),
        ]
      }),
    ),
  )
}
