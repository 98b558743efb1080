import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add, remove } from '#core/makeover/change.ts'
import { lights, verdicts, type Light } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { wallsOf, nameOfWall } from '#core/survey/index.ts'
import type { Setting } from '../stores/setting.ts'
import { choiceField, maybeChoiceField, maybeDateField, textField } from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

/** A sample: ordered, come, and what was said of it in the end. */
export const sampleForm = ({ today }: Setting, finish: Row<'finish'>, viewings: readonly Row<'viewing'>[]) =>
  rowForm({
    kind: 'sample',
    title: () => `A sample of ${finish.name}`,
    fields: (row) => ({
      orderedOn: maybeDateField(row ? row.orderedOn : today),
      cameOn: maybeDateField(row?.cameOn ?? null),
      verdict: choiceField(verdicts, row?.verdict ?? 'open'),
      judgedBy: textField(row?.judgedBy),
    }),
    layout: [
      [
        { key: 'orderedOn', label: 'Ordered on', optional: true },
        { key: 'cameOn', label: 'Came on', optional: true },
      ],
      [
        { key: 'verdict', label: 'Verdict', as: 'choice', options: asOptions(verdicts) },
        { key: 'judgedBy', label: 'Judged by', optional: true },
      ],
    ],
    toRow: (values, row) => ({ ...values, finishId: row?.finishId ?? finish.id }),
    sentence: (values) =>
      values.verdict === 'open'
        ? `Noted the sample of ${finish.name}`
        : `The sample of ${finish.name} is ${values.verdict}`,
    removed: () => `Took away a sample of ${finish.name}`,
    removedWith: (row) =>
      viewings.filter((viewing) => viewing.sampleId === row.id).map((viewing) => remove('viewing', viewing)),
    caution: 'Put it up on each wall, and look morning, noon, evening and by lamp: a screen is not a sample.',
  })

/** A look at a sample: put up on which wall, by which light, what was said by whom. A finish without a sample gets one with it. */
export const viewingForm = (
  { today, makeover }: Setting,
  finish: Row<'finish'>,
  sampleId: string | null,
  light: Light,
) => {
  const fresh = uuidv7()
  return rowForm({
    kind: 'viewing',
    title: () => `${finish.name}, looked at`,
    action: 'Note it',
    fields: (row) => ({
      light: choiceField(lights, row?.light ?? light),
      wallId: maybeChoiceField(
        wallsOf(makeover, finish.roomId).map((wall) => wall.id),
        row?.wallId ?? null,
      ),
      seenOn: maybeDateField(row ? row.seenOn : today),
      verdict: choiceField(verdicts, row?.verdict ?? 'open'),
      judgedBy: textField(row?.judgedBy),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'light', label: 'By the light of', as: 'choice', options: asOptions(lights) },
        {
          key: 'wallId',
          label: 'Put up on',
          as: 'choice',
          options: wallsOf(makeover, finish.roomId).map((wall, at) => ({
            value: wall.id,
            label: nameOfWall(wall, at),
          })),
          none: 'no wall in particular',
        },
      ],
      [
        { key: 'verdict', label: 'Verdict', as: 'choice', options: asOptions(verdicts) },
        { key: 'judgedBy', label: 'By whom', optional: true },
        { key: 'seenOn', label: 'On', optional: true },
      ],
      [{ key: 'note', label: 'What was seen', lines: 2, optional: true }],
    ],
    toRow: (values, row) => ({ ...values, sampleId: row?.sampleId ?? sampleId ?? fresh }),
    besides: (_values, _id, row) =>
      row || sampleId ? [] : [add('sample', fresh, { ...blank.sample, finishId: finish.id, cameOn: today })],
    sentence: (values) => `Looked at ${finish.name} by ${values.light} light: ${values.verdict}`,
    removed: () => `Took away a look at ${finish.name}`,
  })
}
