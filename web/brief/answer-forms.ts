/** The forms of what others have to answer: permission of an owner, questions to a client. */
import { v7 as uuidv7 } from 'uuid'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import { answers, forbiddable } from '#core/makeover/choices.ts'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { zero } from '#core/money/minor.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'
import type { Setting } from '../stores/setting.ts'
import { ids } from './forms.ts'

/** Permission asked of an owner. What putting it back costs becomes a piece of its own, so that it stands in the budget. */
export function permissionForm({ makeover, currency, today }: Setting) {
  const categories = rowsOf(makeover, 'category')
  const room = rowsOf(makeover, 'room')[0]
  const pieceOf = (row: Row<'permission'> | null): Row<'piece'> | undefined =>
    row?.restorePieceId ? makeover.rows.piece[row.restorePieceId] : undefined
  return rowForm({
    kind: 'permission',
    title: (row) => (row ? 'A permission' : 'Ask for permission'),
    fields: (row) => ({
      ask: textField(row?.ask),
      method: choiceField(forbiddable, row?.method ?? 'drill'),
      askedOf: textField(row?.askedOf),
      askedOn: dateField(row?.askedOn ?? today),
      answer: choiceField(answers, row?.answer ?? 'waiting'),
      answeredOn: maybeDateField(row?.answeredOn ?? null),
      holes: maybeNumberField(row?.holes ?? null, 0),
      restore: textField(row?.restore),
      cost: moneyField(currency, pieceOf(row)?.allowanceMinor ?? zero),
      categoryId: maybeChoiceField(ids(categories), pieceOf(row)?.categoryId ?? null),
    }),
    layout: [
      [
        { key: 'ask', label: 'What is asked', hint: 'May we paint the long wall?' },
        { key: 'method', label: 'It is about', as: 'choice', options: asOptions(forbiddable) },
      ],
      [
        { key: 'askedOf', label: 'Asked of', optional: true },
        { key: 'askedOn', label: 'Asked on' },
      ],
      [
        { key: 'answer', label: 'Answer', as: 'choice', options: asOptions(answers) },
        { key: 'answeredOn', label: 'Answered on', when: (texts) => texts.answer !== 'waiting' },
      ],
      [
        {
          key: 'holes',
          label: 'Holes allowed',
          optional: true,
          hint: 'What is chosen is counted against them',
          when: (texts) => texts.method === 'drill' && texts.answer === 'yes',
        },
      ],
      [{ key: 'restore', label: 'How it is put back', optional: true }],
      [
        { key: 'cost', label: 'What putting it back costs', unit: currency },
        {
          key: 'categoryId',
          label: 'Counted in',
          as: 'choice',
          options: optionsOf(categories),
          none: categories.length > 0 ? 'not chosen' : 'its own category, till there is a budget',
        },
      ],
    ],
    check: ({ cost, categoryId }) =>
      cost > 0 && categoryId === null && categories.length > 0
        ? [{ field: 'categoryId', message: 'is not chosen: expected where what it costs is counted' }]
        : [],
    toRow: ({ ask, method, askedOf, askedOn, answer, answeredOn, holes, restore, cost }, row, _id, spareId) => ({
      ask,
      method,
      askedOf,
      askedOn,
      answer,
      answeredOn: answer === 'waiting' ? null : (answeredOn ?? today),
      holes: method === 'drill' ? holes : null,
      restore,
      restorePieceId: pieceOf(row)?.id ?? (cost > 0 ? spareId : null),
    }),
    sentence: ({ ask, answer }) => (answer === 'waiting' ? `Asked: ${ask}` : `${ask} – answered ${answer}`),
    besides: ({ ask, cost, categoryId }, _id, row, spareId): Operation[] => {
      const piece = pieceOf(row)
      if (piece)
        return piece.allowanceMinor === cost && piece.categoryId === categoryId
          ? []
          : [edit('piece', piece, { allowanceMinor: cost, categoryId })]
      if (cost === 0 || !room) return []
      // before there is a budget its costs make a category of their own, to be named and summed later
      const own = categoryId === null ? uuidv7() : null
      return [
        ...(own === null ? [] : [add('category', own, { name: 'Putting back', place: 0 })]),
        add('piece', spareId, {
          ...blank.piece,
          roomId: room.id,
          zoneId: null,
          categoryId: own ?? categoryId,
          name: `Put back: ${ask}`.slice(0, 120),
          quantity: 1,
          unit: 'pieces',
          allowanceMinor: cost,
          chosenId: null,
          chosenReason: '',
        }),
      ]
    },
    names: { restorePieceId: 'cost' },
  })
}

export function questionForm({ makeover, today }: Setting, pieceId: string | null = null) {
  const clients = rowsOf(makeover, 'client')
  return rowForm({
    kind: 'question',
    title: (row) => (row ? 'A question to them' : 'Ask them'),
    action: 'Asked',
    fields: (row) => ({
      ask: textField(row?.ask),
      askedOn: dateField(row?.askedOn ?? today),
      neededBy: maybeDateField(row?.neededBy ?? null),
      answer: choiceField(answers, row?.answer ?? 'waiting'),
      answerNote: textField(row?.answerNote),
      answeredById: maybeChoiceField(ids(clients), row?.answeredById ?? clients[0]?.id ?? null),
      answeredOn: maybeDateField(row?.answeredOn ?? today),
    }),
    layout: [
      [{ key: 'ask', label: 'What is asked' }],
      [
        { key: 'askedOn', label: 'Asked on' },
        { key: 'neededBy', label: 'Needed by', optional: true },
        { key: 'answer', label: 'Answer', as: 'choice', options: asOptions(answers) },
      ],
      [
        {
          key: 'answeredById',
          label: 'Answered by',
          as: 'choice',
          options: optionsOf(clients),
          none: 'nobody said',
          when: (texts) => texts.answer !== 'waiting',
        },
        { key: 'answeredOn', label: 'Answered on', when: (texts) => texts.answer !== 'waiting' },
      ],
      [{ key: 'answerNote', label: 'In their words', optional: true, when: (texts) => texts.answer !== 'waiting' }],
    ],
    toRow: ({ answer, answeredById, answeredOn, ...rest }, row) => ({
      ...rest,
      answer,
      answeredById: answer === 'waiting' ? null : answeredById,
      answeredOn: answer === 'waiting' ? null : (answeredOn ?? today),
      pieceId: row ? row.pieceId : pieceId,
      candidateId: row?.candidateId ?? null,
    }),
    sentence: ({ ask, answer }) => (answer === 'waiting' ? `Asked: ${ask}` : `${ask} – they said ${answer}`),
    removed: (row) => `Took back the question “${row.ask}”`,
  })
}
