import { lights, verdicts } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { Setting } from '../brief/forms.ts'
import { choiceField, maybeDateField, severalField, textField } from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

/** A sample: ordered, come, seen in which light, and what they said. */
export const sampleForm = ({ today }: Setting, finish: Row<'finish'>) =>
  rowForm({
    kind: 'sample',
    title: () => `A sample of ${finish.name}`,
    fields: (row) => ({
      orderedOn: maybeDateField(row ? row.orderedOn : today),
      cameOn: maybeDateField(row?.cameOn ?? null),
      seenIn: severalField(lights, row?.seenIn ?? ''),
      verdict: choiceField(verdicts, row?.verdict ?? 'open'),
      judgedBy: textField(row?.judgedBy, { most: 60, may: true }),
    }),
    layout: [
      [{ key: 'orderedOn', label: 'Ordered on', optional: true }, { key: 'cameOn', label: 'Came on', optional: true }],
      [{ key: 'seenIn', label: 'Seen in the room, by the light of', as: 'several', options: asOptions(lights) }],
      [{ key: 'verdict', label: 'Verdict', as: 'choice', options: asOptions(verdicts) }, { key: 'judgedBy', label: 'Judged by', optional: true }],
    ],
    toRow: (values, row) => ({ ...values, finishId: row?.finishId ?? finish.id }),
    sentence: (values) => (values.verdict === 'open' ? `Noted the sample of ${finish.name}` : `The sample of ${finish.name} is ${values.verdict}`),
    removed: () => `Took away a sample of ${finish.name}`,
    caution: 'Put it up on each wall, and look morning, noon, evening and by lamp: a screen is not a sample.',
  })
