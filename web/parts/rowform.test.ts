import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { Kind, MakeoverKind, Row } from '#core/makeover/kinds.ts'
import { headOf, rowsOf, type Makeover } from '#core/makeover/document.ts'
import { readParcel } from '#core/parcel/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import * as answerForms from '../brief/answer-forms.ts'
import * as brief from '../brief/forms.ts'
import { sampleForm, viewingForm } from '../palette/sample-form.ts'
import { priceForm } from '../pieces/forms.ts'
import type { Entry } from '../stores/entry.ts'
import * as survey from '../survey/forms.ts'
import * as thingForms from '../survey/thing-forms.ts'
import type { Setting } from '../stores/setting.ts'
import { bounded } from './bounded.ts'
import type { AnyRowForm } from './rowform.ts'

const today = '2026-11-25' as never
const demo = (file: string): Makeover =>
  readParcel(readFileSync(`demo/${file}.zip`), (bytes) => createHash('sha256').update(bytes).digest('hex')).documents
    .makeover
const makeovers = ['music-room-tern-house', 'breakfast-room-the-lantern-inn', 'tea-room-long-acre-allotments'].map(demo)
const entries: readonly Entry[] = [
  { units: 'metric', unit: 'mm' },
  { units: 'metric', unit: 'm' },
  { units: 'feet and inches', unit: 'in' },
]

/** Every small form over the rows that are there, as its page opens it. */
function formsOf(makeover: Makeover, entry: Entry): [AnyRowForm, Row<Kind>][] {
  const setting: Setting = { makeover, currency: headOf(makeover)?.currency ?? 'EUR', today }
  const found: [unknown, Row<Kind>][] = []
  const over = <K extends MakeoverKind>(kind: K, form: (row: Row<K>) => unknown): void =>
    void found.push(...rowsOf(makeover, kind).map((row): [unknown, Row<Kind>] => [form(row), row as Row<Kind>]))
  const at = (roomId: string): survey.Setting => ({ makeover, entry, roomId })
  const ofWall = (wallId: string): survey.Setting => at(makeover.rows.wall[wallId]?.roomId ?? '')
  over('need', () => brief.needForm(setting))
  over('constraint', () => brief.constraintForm(setting))
  over('permission', () => answerForms.permissionForm(setting))
  over('inspiration', () => brief.inspirationForm())
  over('scopeChoice', () => brief.scopeChoiceForm(setting))
  over('scopeOption', (row) => brief.scopeOptionForm(setting, row.choiceId))
  over('question', (row) => answerForms.questionForm(setting, row.pieceId))
  over('survey', (row) => survey.surveyForm(at(row.roomId)))
  over('wall', (row) => survey.wallForm(at(row.roomId), 0))
  over('slope', (row) => survey.slopeForm(ofWall(row.wallId)))
  over('diagonal', (row) => survey.diagonalForm(ofWall(row.fromId)))
  over('opening', (row) => thingForms.openingForm(ofWall(row.wallId)))
  over('fixture', (row) => thingForms.fixtureForm(ofWall(row.wallId)))
  over('passage', () => survey.passageForm(at('')))
  over('zone', (row) => survey.zoneForm(at(row.roomId)))
  over('room', () => survey.roomForm())
  over('price', (row) => priceForm(setting, makeover.rows.candidate[row.candidateId] ?? null))
  const finishOf = (sampleId: string): Row<'finish'> =>
    makeover.rows.finish[makeover.rows.sample[sampleId]?.finishId ?? ''] as Row<'finish'>
  over('sample', (row) => sampleForm(setting, finishOf(row.id), []))
  over('viewing', (row) => viewingForm(setting, finishOf(row.sampleId), row.sampleId, row.light))
  return found as [AnyRowForm, Row<Kind>][]
}

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
      formsOf(makeover, entry).flatMap(([form, row]) => {
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
      makeovers.flatMap((makeover) => formsOf(makeover, { units: 'metric', unit: 'mm' }).map(([form]) => form.kind)),
    )
    expect([...kinds].toSorted()).toEqual([
      'constraint',
      'diagonal',
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
