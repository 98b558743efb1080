/** What a makeover holds of one client: the rows that point at them, and those that name them. For whoever asks what is kept of them. */
import { anyRows, type Documents } from './change.ts'
import { erasing } from './erase.ts'
import { makeoverKinds, references, type MakeoverKind } from './kinds.ts'

export type About = { readonly kind: MakeoverKind; readonly row: Readonly<Record<string, unknown>> }

export function rowsAbout(documents: Documents, clientId: string): About[] {
  const rows = anyRows(documents)
  const name = documents.makeover.rows.client[clientId]?.name ?? ''
  const naming = new Set(erasing(documents, clientId, { names: [name], notes: false }).map(({ id }) => id))
  return makeoverKinds.flatMap((kind) =>
    Object.values(rows[kind]).flatMap((row): About[] => {
      const points = Object.entries(references[kind]).some(([field, to]) => to === 'client' && row[field] === clientId)
      if (row.id !== clientId && !points && !naming.has(row.id)) return []
      const { version: _version, ...told } = row
      return [{ kind, row: told }]
    }),
  )
}
