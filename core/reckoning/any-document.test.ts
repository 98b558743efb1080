import fc from 'fast-check'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { validate, type Documents } from '../makeover/change.ts'
import { makeoverKinds } from '../makeover/kinds.ts'
import { readParcel } from '../parcel/index.ts'
import { elevationOf, planOf, roomsOf } from '../survey/index.ts'
import { testToday } from '../testing/small-makeover.ts'
import { reckon } from './reckon.ts'

const demos = ['music-room-tern-house', 'breakfast-room-the-lantern-inn', 'tea-room-long-acre-allotments'].map(
  (file): Documents =>
    readParcel(readFileSync(`demo/${file}.zip`), (bytes) => createHash('sha256').update(bytes).digest('hex')).documents,
)

type Loose = Record<string, Record<string, Record<string, unknown>>>
const values = fc.oneof(
  fc.constantFrom(0, 1, -1, 1e-3, 100_000, 1e9, null),
  fc.integer({ min: -10_000, max: 100_000 }),
  fc.double({ min: -1000, max: 10_000, noNaN: true, noDefaultInfinity: true }),
)
type Wound = {
  readonly kind: number
  readonly row: number
  readonly field: number
  readonly value: number | null
  readonly away: boolean
}
const wounds: fc.Arbitrary<Wound[]> = fc.array(
  fc.record({ kind: fc.nat(), row: fc.nat(), field: fc.nat(), value: values, away: fc.boolean() }),
  { minLength: 1, maxLength: 12 },
)
const nowhere = '01900000-0000-7000-8000-00000000ffff'

/** The demo with some rows gone, though others refer to them, and some fields set to whatever their schema takes. */
function damaged(documents: Documents, all: readonly Wound[]): Documents {
  const makeover = structuredClone(documents.makeover)
  const rows = makeover.rows as unknown as Loose
  for (const { kind, row, field, value, away } of all) {
    const kinds = makeoverKinds.filter((name) => name !== 'makeover' && Object.keys(rows[name] ?? {}).length > 0)
    const named = kinds[kind % kinds.length]
    const rowsOfKind = named ? rows[named] : undefined
    if (!named || !rowsOfKind) continue
    const id = Object.keys(rowsOfKind)[row % Object.keys(rowsOfKind).length] ?? ''
    if (away) {
      delete rowsOfKind[id]
      continue
    }
    const { id: _id, version, ...fields } = rowsOfKind[id] ?? {}
    const names = Object.keys(fields)
    const name = names[field % names.length] ?? ''
    const hurt = { ...fields, [name]: name.endsWith('Id') && value !== null ? nowhere : value }
    if (validate(named, id, hurt).wrong.length === 0) rowsOfKind[id] = { ...hurt, id, version }
  }
  return { ...documents, makeover }
}

/** The paths of numbers that are none. */
function unreal(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${value}`]
  if (value instanceof Map) return [...value].flatMap(([key, entry]) => unreal(entry, `${path}.${String(key)}`))
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, entry]) => unreal(entry, `${path}.${key}`))
}

it('whatever a document holds, it is reckoned: every figure is a number, and its rooms are drawn', () => {
  fc.assert(
    fc.property(fc.nat({ max: demos.length - 1 }), wounds, (which, all) => {
      const hurt = damaged(demos[which] as Documents, all)
      const reckoning = reckon(hurt, testToday)
      expect(unreal({ ...reckoning, practice: null })).toEqual([])
      for (const room of roomsOf(hurt.makeover, reckoning.practice.rules)) {
        expect(unreal(planOf(room, { text: 150, units: 'metric', rules: reckoning.practice.rules }).marks)).toEqual([])
        for (const wall of room.walls)
          expect(unreal(elevationOf(room, wall, { text: 150, units: 'metric' }).marks)).toEqual([])
      }
    }),
    { numRuns: Number(process.env.RUNS ?? 100) },
  )
}, 60_000)
