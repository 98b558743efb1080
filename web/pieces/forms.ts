import { edit } from '#core/makeover/change.ts'
import { priceKinds } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { Setting } from '../stores/setting.ts'
import { choiceField, dateField, moneyField, textField } from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

/** A price that was listed, asked, seen, paid or remembered, with its day; what was ordered stays as it was ordered. */
export const priceForm = ({ currency, today }: Setting, candidate: Row<'candidate'> | null) =>
  rowForm({
    kind: 'price',
    title: () => `A price of ${candidate?.name ?? ''}`,
    action: 'Note it',
    fields: (row) => ({
      amountMinor: moneyField(currency, row?.amountMinor ?? null),
      kind: choiceField(priceKinds, row?.kind ?? 'seen'),
      seenOn: dateField(row?.seenOn ?? today),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'amountMinor', label: 'Price of a pack', unit: currency },
        {
          key: 'kind',
          label: 'It was',
          as: 'choice',
          options: asOptions(priceKinds),
          hint: 'An agreed price counts at once',
        },
        { key: 'seenOn', label: 'On' },
      ],
      [{ key: 'note', label: 'Where, or why', optional: true }],
    ],
    toRow: (values, row) => ({ ...values, candidateId: row?.candidateId ?? candidate?.id ?? '' }),
    // what the seller agreed to is the price from now on
    besides: ({ kind, amountMinor, seenOn }) =>
      kind === 'agreed' && candidate
        ? [edit('candidate', candidate, { priceMinor: amountMinor, priceKind: 'agreed', pricedOn: seenOn })]
        : [],
    sentence: (values) => `Noted a price ${values.kind} of ${candidate?.name ?? ''}`,
    caution:
      'What is ordered keeps the terms it was ordered on. A lower price inside the seller’s window is said, with the last day to claim it.',
  })

/** Why a candidate is out of the running: it stays on record. */
export const turnDownForm = (proposed: string) =>
  rowForm({
    kind: 'candidate',
    title: (row) => `Turn down ${row?.name ?? ''}`,
    fields: (row) => ({ turnedDown: textField(row?.turnedDown ?? proposed) }),
    layout: [[{ key: 'turnedDown', label: 'Why not', lines: 2, hint: 'It stays on record as a fall-back' }]],
    toRow: ({ turnedDown }, row) => {
      if (!row) throw new RangeError('only a candidate that is there is turned down')
      const { id: _id, version: _version, ...fields } = row
      return { ...fields, turnedDown }
    },
    sentence: ({ turnedDown }, row) => `Turned down “${row?.name ?? ''}”: ${turnedDown}`.slice(0, 490),
  })
