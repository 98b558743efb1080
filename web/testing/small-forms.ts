/** Every small form over the rows of the demo, as its page opens it. For tests. */
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Kind, MakeoverKind, Row } from '#core/makeover/kinds.ts'
import { zero } from '#core/money/minor.ts'
import { demoDocuments } from '#core/testing/demos.ts'
import * as answerForms from '../brief/answer-forms.ts'
import * as brief from '../brief/forms.ts'
import { sampleForm, viewingForm } from '../palette/sample-form.ts'
import type { AnyRowForm } from '../parts/rowform.ts'
import { priceForm } from '../pieces/forms.ts'
import { feeForm, stageForm, stintForm } from '../purchases/fee-forms.ts'
import { couponForm, giftCardForm } from '../purchases/seller-forms.ts'
import type { Entry } from '../stores/entry.ts'
import type { Setting } from '../stores/setting.ts'
import * as checks from '../survey/check-forms.ts'
import * as survey from '../survey/forms.ts'
import * as thingForms from '../survey/thing-forms.ts'

const today = '2026-11-25' as never
const demos = demoDocuments()
export const makeovers: readonly Makeover[] = demos.map(({ makeover }) => makeover)
export const entries: readonly Entry[] = [
  { units: 'metric', unit: 'mm' },
  { units: 'metric', unit: 'm' },
  { units: 'feet and inches', unit: 'in' },
]

export function formsOf(makeover: Makeover, entry: Entry, currency: string): [AnyRowForm, Row<Kind>][] {
  const setting: Setting = { makeover, currency, today }
  const studio = demos.find((documents) => documents.makeover === makeover)?.studio
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
  over('diagonal', (row) => checks.diagonalForm(ofWall(row.fromId)))
  over('opening', (row) => thingForms.openingForm(ofWall(row.wallId)))
  over('fixture', (row) => thingForms.fixtureForm(ofWall(row.wallId)))
  over('passage', () => survey.passageForm(at('')))
  over('zone', (row) => survey.zoneForm(at(row.roomId)))
  over('room', () => survey.roomForm())
  over('fee', () => feeForm(setting))
  over('stint', (row) => stintForm(setting, row.feeId, null))
  over('stage', () => stageForm(setting, zero))
  if (studio) {
    over('coupon', () => couponForm(setting, studio))
    over('credit', () => giftCardForm(setting, studio))
  }
  over('price', (row) => priceForm(setting, makeover.rows.candidate[row.candidateId] ?? null))
  const finishOf = (sampleId: string): Row<'finish'> =>
    makeover.rows.finish[makeover.rows.sample[sampleId]?.finishId ?? ''] as Row<'finish'>
  over('sample', (row) => sampleForm(setting, finishOf(row.id), []))
  over('viewing', (row) => viewingForm(setting, finishOf(row.sampleId), row.sampleId, row.light))
  return found as [AnyRowForm, Row<Kind>][]
}
