/** The small forms of what comes, what is not right yet, and what is put off. */
import { windowWords, type Delivery } from '#core/calendar/index.ts'
import { writeClock } from '#core/measure/clock.ts'
import { remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { arrivalStates, trades } from '#core/makeover/work-choices.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { zero } from '#core/money/minor.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeClockField,
  maybeDateField,
  moneyField,
  numberField,
  saidField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'

type Named = readonly { readonly id: string; readonly name: string }[]

/** What is arranged for one line of an order. */
export const arrivalForm = (delivery: Delivery, rooms: Named, today: PlainDate) =>
  rowForm({
    kind: 'arrival',
    title: () => `How ${delivery.name} comes`,
    fields: (row) => ({
      state: choiceField(arrivalStates, row?.state ?? 'expected'),
      comesOn: dateField(row?.comesOn ?? delivery.comesOn ?? today),
      packs: numberField(row?.packs ?? delivery.packs, 0),
      earliestMinute: maybeClockField(row?.earliestMinute ?? null),
      latestMinute: maybeClockField(row?.latestMinute ?? null),
      letsIn: textField(row?.letsIn),
      waitsInId: maybeChoiceField(
        rooms.map(({ id }) => id),
        row?.waitsInId ?? null,
      ),
      waitsAt: textField(row?.waitsAt),
      answer: textField(row?.answer),
      saidOn: maybeDateField(row?.saidOn ?? null),
    }),
    layout: [
      [
        { key: 'state', label: 'It is', as: 'choice', options: asOptions(arrivalStates) },
        { key: 'comesOn', label: 'Comes on' },
        { key: 'packs', label: 'Packs' },
      ],
      [
        { key: 'earliestMinute', label: 'From', optional: true, hint: '9:00' },
        { key: 'latestMinute', label: 'To', optional: true },
        { key: 'letsIn', label: 'Who lets it in', optional: true },
      ],
      [
        {
          key: 'waitsInId',
          label: 'Waits in',
          as: 'choice',
          options: optionsOf(rooms),
          none: 'no room of this makeover',
        },
        { key: 'waitsAt', label: 'Or at', optional: true, hint: 'the store, the neighbours' },
      ],
      [
        { key: 'answer', label: 'What the seller said', optional: true },
        { key: 'saidOn', label: 'On', optional: true },
      ],
    ],
    check: ({ earliestMinute, latestMinute }) =>
      earliestMinute !== null && latestMinute !== null && latestMinute <= earliestMinute
        ? [{ field: 'latestMinute' as const, message: `expected later than ${writeClock(earliestMinute)}` }]
        : [],
    toRow: (read, row) => ({ ...read, purchaseId: delivery.purchaseId, isSimulated: row?.isSimulated ?? false }),
    sentence: (read) => `${delivery.name} comes ${windowWords(read)}`.trim(),
    removed: () => `${delivery.name}: nothing is arranged any more`,
  })

export const snagForm = (rooms: Named, pieces: Named, pictures: readonly Row<'attachment'>[]) =>
  rowForm({
    kind: 'snag',
    title: (row) => row?.says ?? 'Not right yet',
    fields: (row) => ({
      says: saidField(row?.says, 300),
      roomId: maybeChoiceField(
        rooms.map(({ id }) => id),
        row?.roomId ?? null,
      ),
      pieceId: maybeChoiceField(
        pieces.map(({ id }) => id),
        row?.pieceId ?? null,
      ),
      trade: choiceField(trades, row?.trade ?? 'studio'),
      byOn: maybeDateField(row?.byOn ?? null),
      doneOn: maybeDateField(row?.doneOn ?? null),
      note: textField(row?.note),
    }),
    layout: [
      [{ key: 'says', label: 'What is not right' }],
      [
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), none: 'none' },
        { key: 'pieceId', label: 'Thing', as: 'choice', options: optionsOf(pieces), none: 'none' },
      ],
      [
        { key: 'trade', label: 'Who sees to it', as: 'choice', options: asOptions(trades) },
        { key: 'byOn', label: 'By', optional: true },
        { key: 'doneOn', label: 'Put right on', optional: true },
      ],
      [{ key: 'note', label: 'Note', optional: true }],
    ],
    toRow: (read) => read,
    sentence: ({ says }, row) => `${row ? 'Changed' : 'Noted'} what is not right: ${says}`,
    removed: ({ says }) => `Took off the list: ${says}`,
    removedWith: ({ id }) => pictures.filter(({ snagId }) => snagId === id).map((row) => remove('attachment', row)),
  })

/** What is put off: a piece, which then leaves this sum and this calendar, or anything else with its cost. */
export const deferralForm = (currency: string, rooms: Named, pieces: readonly Row<'piece'>[]) =>
  rowForm({
    kind: 'deferral',
    title: (row) => (row ? 'Put off' : 'Put off to a second phase'),
    fields: (row) => ({
      pieceId: maybeChoiceField(
        pieces.map(({ id }) => id),
        row?.pieceId ?? null,
      ),
      name: textField(row?.name),
      roomId: maybeChoiceField(
        rooms.map(({ id }) => id),
        row?.roomId ?? null,
      ),
      waitsFor: textField(row?.waitsFor),
      costMinor: moneyField(currency, row?.costMinor ?? zero),
      wantedOn: maybeDateField(row?.wantedOn ?? null),
    }),
    layout: [
      [
        {
          key: 'pieceId',
          label: 'A piece',
          as: 'choice',
          options: optionsOf(pieces),
          none: 'none: something else',
          hint: 'it leaves this sum and this calendar',
        },
        { key: 'name', label: 'Or what else', optional: true },
      ],
      [
        { key: 'waitsFor', label: 'What it waits for', optional: true },
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), none: 'none' },
      ],
      [
        { key: 'costMinor', label: 'It costs about', hint: '0 for a piece: what is chosen or allowed for it counts' },
        { key: 'wantedOn', label: 'Looked for on', optional: true },
      ],
    ],
    check: ({ pieceId, name }) =>
      pieceId === null && name === '' ? [{ field: 'name' as const, message: 'is missing: say what is put off' }] : [],
    toRow: (read) => read,
    sentence: () => 'Put off to a second phase',
    removed: () => 'Back into this phase',
  })
