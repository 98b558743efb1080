import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, edit, type Documents } from '../makeover/change.ts'
import { makeoverKinds, words } from '../makeover/kinds.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { practiceOf } from '../makeover/practice.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { steps } from '../steps/index.ts'
import type { AnyPart, Given, Step } from '../steps/step.ts'
import { demoDocuments } from '../testing/demos.ts'
import { countingIds, testToday } from '../testing/small-makeover.ts'
import { wounded, wounds } from '../testing/wounds.ts'
import { Memory } from './memory.ts'
import { preview } from './preview.ts'
import { reckon } from './reckon.ts'

const demos = demoDocuments()
const newId = countingIds()
const parts: AnyPart[] = steps.flatMap((step: Step) => [
  ...step.parts,
  step.remarks,
  ...(step.attention ? [step.attention] : []),
])
const days = [testToday, plainDate('2026-09-01'), plainDate('2027-06-20')]

/** Every part of a makeover, each from the others that it says it reads and from nothing else. */
function valuesOf({ makeover, studio }: Documents, today: (typeof days)[number]): Map<string, unknown> {
  const practice = practiceOf({ makeover, studio })
  const found = new Map<string, unknown>()
  const valueOf = (part: AnyPart): unknown => {
    if (!found.has(part.name))
      found.set(part.name, part.reckon({ makeover, practice, today, parts: given(part) } as Given<never>))
    return found.get(part.name)
  }
  const given = (part: AnyPart) =>
    Object.fromEntries(
      (part.reads.parts ?? []).map((name) => [name, valueOf(parts.find(({ name: its }) => its === name) as AnyPart)]),
    )
  for (const part of parts) valueOf(part)
  return found
}

describe('a part reads what it says it reads, and nothing else', () => {
  it.each(parts.map((part) => [part.name, part] as const))('%s', (_name, part) => {
    for (const documents of demos)
      for (const today of days) {
        const values = valuesOf(documents, today)
        const practice = practiceOf(documents)
        const { rows = [], figures = [], rules = [], schools, today: reads, parts: others = [] } = part.reads
        // what it does not read is gone; of what only the figures are read the words are others
        const table = (kind: (typeof makeoverKinds)[number]): unknown => {
          const all = documents.makeover.rows[kind]
          if (rows.includes(kind)) return all
          if (!figures.includes(kind)) return {}
          return Object.fromEntries(
            Object.entries(all).map(([id, row]) => [
              id,
              {
                ...row,
                version: 'another',
                ...Object.fromEntries([...words[kind]].map((field) => [field, 'Other words'])),
              },
            ]),
          )
        }
        const without = {
          makeover: {
            ...documents.makeover,
            rows: Object.fromEntries(makeoverKinds.map((kind) => [kind, table(kind)])),
          },
          practice: {
            rules: Object.fromEntries(
              Object.entries(practice.rules).map(([id, value]) => [
                id,
                rules.some((prefix) => id.startsWith(prefix)) ? value : value + 1000,
              ]),
            ) as Rules,
            schools: schools ? practice.schools : {},
            chosen: schools ? practice.chosen : [],
          },
          today: reads ? today : addDays(today, 4000),
          parts: Object.fromEntries(others.map((name) => [name, values.get(name)])),
        }
        expect(part.reckon(without as unknown as Given<never>)).toEqual(values.get(part.name))
      }
  })
})

it('what is kept from one change to the next is what would be found anew', () => {
  fc.assert(
    fc.property(
      fc.nat({ max: demos.length - 1 }),
      fc.array(fc.tuple(wounds, fc.boolean()), { minLength: 1, maxLength: 5 }),
      (which, changes) => {
        const memory = new Memory()
        let documents = demos[which] as Documents
        let today = testToday
        reckon(documents, today, memory)
        for (const [all, nextDay] of changes) {
          documents = wounded(documents, all)
          if (nextDay) today = addDays(today, 1)
          expect(reckon(documents, today, memory)).toEqual(reckon(documents, today))
        }
      },
    ),
    { numRuns: Number(process.env.RUNS ?? 60) },
  )
}, 180_000)

it('a piece renamed leaves survey, palette and money the very objects they were, and every date the same', () => {
  const [documents] = demos as [Documents]
  const memory = new Memory()
  const before = reckon(documents, testToday, memory)
  const piece = Object.values(documents.makeover.rows.piece).find((row) => row.chosenId === null)
  if (!piece) throw new Error('a piece of the demo is not chosen yet')
  const renamed = apply(documents, [edit('piece', piece, { name: 'Renamed' })], newId())
  const after = reckon(renamed.documents, testToday, memory)
  for (const name of ['survey', 'palette', 'money', 'needs', 'practice'] as const)
    expect(after[name]).toBe(before[name])
  // what it is called can tell what kind of thing it is, and so when it is carried in
  const untold = (dates: typeof before.dates) => dates.map(({ needed, ...rest }) => ({ ...rest, on: needed?.on }))
  expect(untold(after.dates)).toEqual(untold(before.dates))
  expect(after.attention.map((line) => line.title)).toContain('Renamed')
})

it('a change that is only tried leaves no trace in what is kept', () => {
  const [documents] = demos as [Documents]
  const memory = new Memory()
  const before = reckon(documents, testToday, memory)
  const finish = Object.values(documents.makeover.rows.finish)[0]
  if (!finish) throw new Error('the demo has finishes')
  const tried = preview(documents, [edit('finish', finish, { labL: finish.labL > 50 ? 20 : 80 })], testToday, memory)
  expect(tried.after).not.toEqual(before)
  expect(reckon(documents, testToday, memory)).toEqual(before)
})
