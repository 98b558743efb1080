/** Documents with some rows gone, though others refer to them, and some fields set to whatever their schema takes. For tests. */
import fc from 'fast-check'
import { validate, type Documents } from '../makeover/change.ts'
import { makeoverKinds } from '../makeover/kinds.ts'

type Loose = Record<string, Record<string, Record<string, unknown>>>
const values = fc.oneof(
  fc.constantFrom(0, 1, -1, 1e-3, 100_000, 1e9, null, '', 'Linen', '2027-02-28'),
  fc.integer({ min: -10_000, max: 100_000 }),
  fc.double({ min: -1000, max: 10_000, noNaN: true, noDefaultInfinity: true }),
)
export type Wound = {
  readonly kind: number
  readonly row: number
  readonly field: number
  readonly value: number | string | null
  readonly away: boolean
}
export const wounds: fc.Arbitrary<Wound[]> = fc.array(
  fc.record({ kind: fc.nat(), row: fc.nat(), field: fc.nat(), value: values, away: fc.boolean() }),
  { minLength: 1, maxLength: 12 },
)
const nowhere = '01900000-0000-7000-8000-00000000ffff'

/** The inputs stay as they were; rows and kinds that are not touched are the same objects. */
export function wounded(documents: Documents, all: readonly Wound[]): Documents {
  const rows = { ...documents.makeover.rows } as unknown as Loose
  for (const { kind, row, field, value, away } of all) {
    const kinds = makeoverKinds.filter((name) => name !== 'makeover' && Object.keys(rows[name] ?? {}).length > 0)
    const named = kinds[kind % kinds.length]
    const before = named ? rows[named] : undefined
    if (!named || !before) continue
    const id = Object.keys(before)[row % Object.keys(before).length] ?? ''
    const { [id]: hit, ...others } = before
    if (away) {
      rows[named] = others
      continue
    }
    const { id: _id, version, ...fields } = hit ?? {}
    const names = Object.keys(fields)
    const name = names[field % names.length] ?? ''
    const hurt = { ...fields, [name]: name.endsWith('Id') && value !== null ? nowhere : value }
    if (validate(named, id, hurt).wrong.length === 0) rows[named] = { ...before, [id]: { ...hurt, id, version } }
  }
  return { ...documents, makeover: { ...documents.makeover, rows: rows as unknown as Documents['makeover']['rows'] } }
}
