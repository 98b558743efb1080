/** The small forms of fees, hours, sums asked and money given. */
import { clientTenders, costBases, feeWays, stageKinds } from '#core/makeover/choices.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { writeMinutes } from '#core/measure/duration.ts'
import { zero, type Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  minutesField,
  moneyField,
  numberField,
  rateField,
  textField,
  type Field,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'
import type { Setting } from '../stores/setting.ts'

const wayWords = {
  fixed: 'one sum',
  hourly: 'by the hour',
  'of the cost': 'a part of what is spent',
  'of the discount': 'a part of what discounts save',
} as const

/** Nothing, where it is not shown and nothing is typed. */
const unasked = (field: Field<Minor>): Field<Minor> => ({
  ...field,
  read: (text) => (text.trim() === '' ? { ok: true, value: zero } : field.read(text)),
})

export function feeForm({ makeover, currency }: Setting) {
  const categories = rowsOf(makeover, 'category').toSorted((left, right) => left.place - right.place)
  const likely = categories.find(({ name }) => /fee|design|studio/i.test(name)) ?? categories.at(-1)
  return rowForm({
    kind: 'fee',
    title: (row) => (row ? row.name : 'A fee'),
    fields: (row) => ({
      name: textField(row?.name),
      way: choiceField(feeWays, row?.way ?? 'fixed'),
      categoryId: choiceField(
        categories.map(({ id }) => id),
        row?.categoryId ?? likely?.id ?? '',
      ),
      amountMinor: unasked(moneyField(currency, row && row.amountMinor > 0 ? row.amountMinor : null)),
      expectedHours: numberField(row?.expectedHours ?? 0, 2),
      ratePpm: rateField(row?.ratePpm ?? 100_000),
      base: choiceField(costBases, row?.base ?? 'with tax'),
      taxPpm: rateField(row?.taxPpm ?? 0),
    }),
    layout: [
      [
        { key: 'name', label: 'What for' },
        {
          key: 'way',
          label: 'How it is counted',
          as: 'choice',
          options: feeWays.map((way) => ({ value: way, label: wayWords[way] })),
        },
      ],
      [
        { key: 'amountMinor', label: 'The sum', unit: currency, when: ({ way }) => way === 'fixed' },
        { key: 'amountMinor', label: 'An hour', unit: currency, when: ({ way }) => way === 'hourly' },
        {
          key: 'expectedHours',
          label: 'Hours agreed',
          unit: 'h',
          hint: '0 where none were',
          when: ({ way }) => way === 'hourly',
        },
        { key: 'ratePpm', label: 'The part', unit: '%', when: ({ way = '' }) => way.startsWith('of') },
        {
          key: 'base',
          label: 'Of the cost',
          as: 'choice',
          options: asOptions(costBases),
          when: ({ way }) => way === 'of the cost',
        },
        { key: 'taxPpm', label: 'Tax on it', unit: '%' },
      ],
      [{ key: 'categoryId', label: 'Counts in', as: 'choice', options: optionsOf(categories) }],
    ],
    check: ({ way, amountMinor }) =>
      (way === 'fixed' || way === 'hourly') && amountMinor === 0
        ? [{ field: 'amountMinor', message: 'expected more than zero' }]
        : [],
    toRow: ({ amountMinor, ratePpm, expectedHours, ...values }) => ({
      ...values,
      amountMinor: values.way === 'fixed' || values.way === 'hourly' ? amountMinor : zero,
      expectedHours: values.way === 'hourly' ? expectedHours : 0,
      ratePpm: values.way.startsWith('of') ? ratePpm : 0,
    }),
    sentence: (values, row) => `${row ? 'Changed' : 'Agreed'} a fee: ${values.name}`,
    removed: (row) => `Took away the fee ${row.name}`,
    removedWith: (row) =>
      rowsOf(makeover, 'stint')
        .filter((stint) => stint.feeId === row.id)
        .map(({ id, version }) => ({ op: 'remove', kind: 'stint', id, base: version }) as const),
    caution: 'Before tax. A fee is part of what the makeover costs, and counts in the category that was agreed for it.',
  })
}

export function stintForm({ makeover, today }: Setting, feeId: string, minutes: number | null) {
  const fees = rowsOf(makeover, 'fee').filter(({ way }) => way === 'hourly')
  return rowForm({
    kind: 'stint',
    title: (row) => (row ? 'Hours' : 'Note hours'),
    action: 'Note them',
    fields: (row) => ({
      minutes: minutesField(row?.minutes ?? minutes),
      workedOn: dateField(row?.workedOn ?? today),
      feeId: choiceField(
        fees.map(({ id }) => id),
        row?.feeId ?? feeId,
      ),
      what: textField(row?.what),
    }),
    layout: [
      [
        { key: 'minutes', label: 'How long', hint: '1:30, 1.5 h or 90 min' },
        { key: 'workedOn', label: 'On' },
        ...(fees.length > 1 ? [{ key: 'feeId', label: 'For', as: 'choice', options: optionsOf(fees) } as const] : []),
      ],
      [{ key: 'what', label: 'What was done' }],
    ],
    toRow: (values) => values,
    sentence: (values) => `${writeMinutes(values.minutes)} worked${values.what ? `: ${values.what}` : ''}`,
    removed: () => 'Took away hours worked',
  })
}

export function stageForm({ makeover, currency, today }: Setting, proposed: Minor) {
  const kinds = rowsOf(makeover, 'stage').length === 0 ? 'deposit' : 'stage'
  return rowForm({
    kind: 'stage',
    title: (row) => (row ? row.name : 'Ask the client for a sum'),
    action: 'Asked',
    fields: (row) => ({
      name: textField(row?.name ?? (kinds === 'deposit' ? 'Deposit' : '')),
      kind: choiceField(stageKinds, row?.kind ?? kinds),
      amountMinor: moneyField(currency, row?.amountMinor ?? (proposed > 0 ? proposed : null), { least: 1 }),
      askedOn: dateField(row?.askedOn ?? today),
      dueOn: maybeDateField(row?.dueOn ?? null),
    }),
    layout: [
      [
        { key: 'name', label: 'What for' },
        { key: 'kind', label: 'It is a', as: 'choice', options: asOptions(stageKinds) },
      ],
      [
        { key: 'amountMinor', label: 'Sum', unit: currency },
        { key: 'askedOn', label: 'Asked on' },
        { key: 'dueOn', label: 'Due on', optional: true },
      ],
    ],
    toRow: (values) => values,
    sentence: (values, row) =>
      `${row ? 'Changed what is asked' : 'Asked the client'}: ${values.name}, ${writeMoney(values.amountMinor, currency)}`,
    removed: (row) => `No longer asked: ${row.name}`,
  })
}

export function receiptForm({ makeover, currency, today }: Setting, proposed: Minor, stageId: string | null) {
  const stages = rowsOf(makeover, 'stage')
  return rowForm({
    kind: 'receipt',
    title: () => 'Money from the client',
    action: 'It came',
    fields: () => ({
      amountMinor: moneyField(currency, proposed > 0 ? proposed : null, { least: 1 }),
      direction: choiceField(['in', 'back'] as const, 'in'),
      receivedOn: dateField(today),
      tender: choiceField(clientTenders, 'transfer'),
      stageId: maybeChoiceField(
        stages.map(({ id }) => id),
        stageId,
      ),
      note: textField(''),
    }),
    layout: [
      [
        { key: 'amountMinor', label: 'Amount', unit: currency },
        {
          key: 'direction',
          label: 'Which way',
          as: 'choice',
          options: [
            { value: 'in', label: 'from the client' },
            { value: 'back', label: 'back to the client' },
          ],
        },
        { key: 'receivedOn', label: 'On' },
      ],
      [
        { key: 'tender', label: 'By', as: 'choice', options: asOptions(clientTenders) },
        {
          key: 'stageId',
          label: 'For',
          as: 'choice',
          options: optionsOf(stages),
          none: 'what is open, the first first',
        },
        { key: 'note', label: 'Note', optional: true },
      ],
    ],
    toRow: (values) => ({ ...values, reversesId: null }),
    sentence: (values) =>
      values.direction === 'in'
        ? `${writeMoney(values.amountMinor, currency)} came from the client`
        : `${writeMoney(values.amountMinor, currency)} went back to the client`,
  })
}

/** How long a clock that was started then has run, in whole minutes and at least one. */
export const minutesSince = (startedAt: number, present: number): number =>
  Math.min(1440, Math.max(1, Math.round((present - startedAt) / 60_000)))
