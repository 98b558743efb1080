import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Kind, Row } from '#core/makeover/kinds.ts'
import { currencyOf } from '#core/makeover/document.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import * as survey from '../survey/forms.ts'
import { entries, formsOf, makeovers } from '../testing/small-forms.ts'
import { bounded } from './bounded.ts'
import type { AnyRowForm } from './rowform.ts'

/** What would be saved if the form were opened and closed with its button, nothing typed. */
function savedAsItIs(form: AnyRowForm, row: Row<Kind>): Record<string, unknown> | string {
  const values: Record<string, unknown> = {}
  for (const [name, field] of Object.entries(bounded(form.kind, form.fields(row)))) {
    const read = field.read(field.text)
    if (!read.ok) return `${name}: “${field.text}” ${read.error}`
    values[name] = read.value
  }
  return form.toRow(values, row, row.id, row.id)
}

describe('a small form that is opened and saved, with nothing typed', () => {
  it.each(entries)('changes nothing of any row of the demo, shown in $units, typed in $unit', (entry) => {
    const changed = makeovers.flatMap((makeover) =>
      formsOf(makeover, entry, currencyOf(makeover)).flatMap(([form, row]) => {
        const saved = savedAsItIs(form, row)
        if (typeof saved === 'string') return [`${form.kind} ${saved}`]
        const was: Record<string, unknown> = { ...row }
        return Object.entries(saved)
          .filter(([name, value]) => !Object.is(was[name], value))
          .map(([name, value]) => `${form.kind} ${name}: ${String(was[name])} became ${String(value)}`)
      }),
    )
    expect(changed).toEqual([])
  })
  it('is tried on rows of every kind that such forms change', () => {
    const kinds = new Set(
      makeovers.flatMap((makeover) =>
        formsOf(makeover, { units: 'metric', unit: 'mm' }, 'EUR').map(([form]) => form.kind),
      ),
    )
    expect([...kinds].toSorted()).toEqual([
      'constraint',
      'coupon',
      'credit',
      'diagonal',
      'fee',
      'fixture',
      'inspiration',
      'need',
      'opening',
      'passage',
      'permission',
      'price',
      'question',
      'room',
      'sample',
      'scopeChoice',
      'scopeOption',
      'slope',
      'stage',
      'stint',
      'survey',
      'viewing',
      'wall',
      'zone',
    ])
  })
  it('a length that is typed anew is taken as it is typed, in any unit', () => {
    const [makeover] = makeovers
    const [room] = makeover ? roomsOf(makeover, effectiveRules()) : []
    const wall = room?.walls[0]
    if (!makeover || !room || !wall) throw new Error('the demo has no walls')
    const form = survey.wallForm({ makeover, entry: { units: 'feet and inches', unit: 'in' }, roomId: room.id }, 0)
    const typed = (text: string): unknown => form.fields(wall.row).lengthMm.read(text)
    expect(typed(`12' 6 1/2"`)).toEqual({ ok: true, value: 3822.7 })
    expect(typed('3.81 m')).toEqual({ ok: true, value: 3810 })
    expect(typed('150 1/2')).toEqual({ ok: true, value: 3822.7 })
    expect(typed('')).toEqual({ ok: true, value: null })
  })
})

const currencies = ['EUR', 'USD', 'JPY', 'KWD']
/** What people type into fields of every kind; each field takes those that it can read. */
const typed = [
  '12.5',
  '1,250.50',
  '3',
  '0',
  '100',
  '1 250',
  '12\' 6 1/2"',
  '2.40 m',
  '381',
  '14 Mar 2027',
  '1:30',
  'yes',
  '#8fa3a8',
  'A few words, “quoted”; and more',
  'Ærø & sons',
]
const samples = fc.array(fc.nat({ max: 997 }), { minLength: 24, maxLength: 24 })

/** Every field filled: for each the text chosen among those that it reads, and what it was read as. */
function filled(form: AnyRowForm, row: Row<Kind>, chosen: readonly number[]): Record<string, unknown> {
  const options = new Map(
    form.layout.flat().flatMap(({ key, options: some }) => (some ? [[key, some.map(({ value }) => value)]] : [])),
  )
  return Object.fromEntries(
    Object.entries(bounded(form.kind, form.fields(row))).flatMap(([name, field], at) => {
      const texts = (options.get(name) ?? typed).filter((text) => text !== '' && field.read(text).ok)
      const text = texts[(chosen[at] ?? 0) % Math.max(1, texts.length)] ?? field.text
      const read = field.read(text)
      return read.ok ? [[name, read.value]] : []
    }),
  )
}

describe('a small form with every field filled', () => {
  const cases = entries.flatMap((entry) => currencies.map((currency) => [entry, currency] as const))
  it.each(cases)('reads back what was typed: %o, %s', (entry, currency) => {
    const forms = makeovers.flatMap((makeover) => {
      const seen = new Set<string>()
      return formsOf(makeover, entry, currency).filter(([{ kind }]) => !seen.has(kind) && Boolean(seen.add(kind)))
    })
    fc.assert(
      fc.property(fc.constantFrom(...forms), samples, ([form, row], chosen) => {
        const values = filled(form, row, chosen)
        if ((form.check?.(values) ?? []).length > 0) return
        const kept = form.toRow(values, row, row.id, row.id)
        const again = bounded(form.kind, form.fields({ ...row, ...kept }))
        const asKept: Record<string, unknown> = { ...kept }
        for (const [name, field] of Object.entries(again)) {
          // what the form does not keep for these choices, a sum of a fee by its share, is not asked again
          if (asKept[name] !== values[name]) continue
          expect([form.kind, name, field.read(field.text)]).toEqual([
            form.kind,
            name,
            { ok: true, value: values[name] },
          ])
        }
      }),
      { numRuns: 150 },
    )
  })
})
