/** Operations that waited since an earlier version get what a new row says while nobody has said more, and keep what they say. */
import { expect, it } from 'vitest'
import { Schema } from 'yup'
import { blank } from './blank.ts'
import { isKind, schemas, type Kind } from './kinds.ts'
import { schemaVersion } from './change.ts'
import { upgradeOperations } from './upgrade.ts'

const put = (kind: Kind, base: string | null, fields: object) => ({ op: 'put', kind, id: 'x', base, fields })

it('since version 8 things have a kind, rooms a use, returns a carriage', () => {
  const without = (kind: keyof typeof blank, ...fields: string[]): object =>
    Object.fromEntries(Object.entries(blank[kind]).filter(([field]) => !fields.includes(field)))
  const old = [
    put('room', null, { name: 'Hall' }),
    put('piece', null, { ...without('piece', 'thing', 'openingId'), name: 'Chair' }),
    put('return', null, { ...without('return', 'carriageMinor'), packs: 2 }),
    put('room', 'seen', { name: 'Hall' }),
  ]
  const told = upgradeOperations(8, old, 9) as ReturnType<typeof put>[]
  expect(told.map(({ fields }) => fields)).toMatchObject([
    { name: 'Hall', uses: '' },
    { name: 'Chair', thing: 'other', openingId: null },
    { packs: 2, carriageMinor: 0 },
    { name: 'Hall' },
  ])
  // what is changed of a row that is there says no more than it said
  expect(told[3]).toEqual(old[3])
})

it('what a new row says is of fields that its kind has, and passes their schema', () => {
  for (const [kind, fields] of Object.entries(blank)) {
    if (!isKind(kind)) throw new Error(`${kind} is no kind`)
    for (const [field, value] of Object.entries(fields)) {
      const schema = (schemas[kind].fields as Readonly<Record<string, unknown>>)[field]
      expect(schema instanceof Schema && schema.isValidSync(value), `${kind}.${field}`).toBe(true)
    }
  }
})

it('a version that is not known is none', () => {
  expect(upgradeOperations(schemaVersion + 1, [], schemaVersion)).toBeNull()
  expect(upgradeOperations(0, [], schemaVersion)).toBeNull()
  expect(upgradeOperations('8', [], schemaVersion)).toBeNull()
})
