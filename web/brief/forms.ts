/** The small forms of the brief. Each is made for the makeover that is open. */
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import {
  answers,
  constraintReasons,
  forbiddable,
  importances,
  keepReasons,
  methods,
  ways,
} from '#core/makeover/choices.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { zero } from '#core/money/minor.ts'
import { questions, type Question } from '#core/rulebook/schools.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeColourField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  numberField,
  severalField,
  textField,
  yesField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'

export type Setting = { readonly makeover: Makeover; readonly currency: string; readonly today: PlainDate }

const ids = (rows: readonly { readonly id: string }[]): string[] => rows.map((row) => row.id)

export function needForm({ makeover }: Setting) {
  const [rooms, zones] = [rowsOf(makeover, 'room'), rowsOf(makeover, 'zone')]
  return rowForm({
    kind: 'need',
    title: (row) => (row ? 'Change a need' : 'A need'),
    fields: (row) => ({
      name: textField(row?.name),
      importance: choiceField(importances, row?.importance ?? 'must'),
      who: textField(row?.who, { may: true }),
      roomId: choiceField(ids(rooms), row?.roomId ?? rooms[0]?.id ?? ''),
      zoneId: maybeChoiceField(ids(zones), row?.zoneId ?? null),
    }),
    layout: [
      [{ key: 'name', label: 'What has to be possible', hint: 'A function, not an object: read, sit, store' }],
      [
        {
          key: 'importance',
          label: 'How much',
          as: 'choice',
          options: importances.map((importance) => ({
            value: importance,
            label: importance === 'nice' ? 'nice to have' : `${importance} have`,
          })),
        },
        { key: 'who', label: 'For whom', optional: true },
      ],
      [
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), when: () => rooms.length > 1 },
        {
          key: 'zoneId',
          label: 'Zone',
          as: 'choice',
          options: optionsOf(zones),
          none: 'the whole room',
          when: () => zones.length > 0,
        },
      ],
    ],
    toRow: (values) => ({
      ...values,
      zoneId: byId(zones, values.zoneId)?.roomId === values.roomId ? values.zoneId : null,
    }),
    sentence: (values, row) => `${row ? 'Changed' : 'Wrote down'} the need “${values.name}”`,
    removed: (row) => `Took away the need “${row.name}”`,
    removedWith: (row) =>
      rowsOf(makeover, 'serving')
        .filter((serving) => serving.needId === row.id)
        .map((serving) => remove('serving', serving)),
  })
}

export function constraintForm({ makeover }: Setting) {
  const rooms = rowsOf(makeover, 'room')
  return rowForm({
    kind: 'constraint',
    title: (row) => (row ? 'Change a constraint' : 'A constraint'),
    fields: (row) => ({
      reason: choiceField(constraintReasons, row?.reason ?? 'tenancy'),
      forbids: choiceField(forbiddable, row?.forbids ?? 'drill'),
      roomId: maybeChoiceField(ids(rooms), row?.roomId ?? null),
      note: textField(row?.note, { most: 500, may: true }),
    }),
    layout: [
      [
        { key: 'reason', label: 'Because of', as: 'choice', options: asOptions(constraintReasons) },
        { key: 'forbids', label: 'It forbids', as: 'choice', options: asOptions(forbiddable) },
        {
          key: 'roomId',
          label: 'Where',
          as: 'choice',
          options: optionsOf(rooms),
          none: 'everywhere',
          when: () => rooms.length > 1,
        },
      ],
      [{ key: 'note', label: 'How it was said', optional: true }],
    ],
    toRow: (values) => values,
    sentence: (values) => `Wrote down: ${values.reason} forbids ${values.forbids}`,
    removed: (row) => `Lifted a constraint: ${row.forbids}`,
    caution: 'It acts on every finish, candidate and way whose methods and qualities are known.',
  })
}

/** Leave asked of an owner. What putting it back costs becomes a piece of its own, so that it stands in the budget. */
export function permissionForm({ makeover, currency, today }: Setting) {
  const categories = rowsOf(makeover, 'category')
  const room = rowsOf(makeover, 'room')[0]
  const pieceOf = (row: Row<'permission'> | null): Row<'piece'> | undefined =>
    row?.restorePieceId ? makeover.rows.piece[row.restorePieceId] : undefined
  return rowForm({
    kind: 'permission',
    title: (row) => (row ? 'A permission' : 'Ask for leave'),
    fields: (row) => ({
      ask: textField(row?.ask, { most: 300 }),
      method: choiceField(forbiddable, row?.method ?? 'drill'),
      askedOf: textField(row?.askedOf, { may: true }),
      askedOn: dateField(row?.askedOn ?? today),
      answer: choiceField(answers, row?.answer ?? 'waiting'),
      answeredOn: maybeDateField(row?.answeredOn ?? null),
      restore: textField(row?.restore, { most: 500, may: true }),
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
      [{ key: 'restore', label: 'How it is put back', optional: true }],
      [
        { key: 'cost', label: 'What putting it back costs', unit: currency },
        { key: 'categoryId', label: 'Counted in', as: 'choice', options: optionsOf(categories), none: 'costs nothing' },
      ],
    ],
    toRow: ({ ask, method, askedOf, askedOn, answer, answeredOn, restore, cost, categoryId }, row) => ({
      ask,
      method,
      askedOf,
      askedOn,
      answer,
      answeredOn: answer === 'waiting' ? null : (answeredOn ?? today),
      restore,
      restorePieceId: pieceOf(row)?.id ?? (cost > 0 && categoryId !== null ? restoreId(row) : null),
    }),
    sentence: ({ ask, answer }) => (answer === 'waiting' ? `Asked: ${ask}` : `${ask} – answered ${answer}`),
    besides: ({ ask, cost, categoryId }, _id, row): Operation[] => {
      const piece = pieceOf(row)
      if (piece)
        return piece.allowanceMinor === cost && piece.categoryId === categoryId
          ? []
          : [edit('piece', piece, { allowanceMinor: cost, categoryId })]
      if (cost === 0 || categoryId === null || !room) return []
      return [
        add('piece', restoreId(row), {
          ...blank.piece,
          roomId: room.id,
          zoneId: null,
          categoryId,
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
/** The piece that putting back will be: one id for one form, so that the two rows name each other. */
const restoreIds = new WeakMap<object, string>()
let unsaved = { key: {} }
function restoreId(row: Row<'permission'> | null): string {
  const key = row ?? unsaved.key
  const known = restoreIds.get(key)
  if (known) return known
  const id = uuidv7()
  restoreIds.set(key, id)
  return id
}
/** A new form begins: its piece will be another. */
export const forgetRestoring = (): void => {
  unsaved = { key: {} }
}

export function inspirationForm() {
  return rowForm({
    kind: 'inspiration',
    title: (row) => (row ? row.name : 'A picture or clipping'),
    fields: (row) => ({
      name: textField(row?.name),
      liked: textField(row?.liked, { most: 500, may: true }),
      materials: textField(row?.materials, { most: 300, may: true }),
      hues: textField(row?.hues, { most: 300, may: true }),
      words: textField(row?.words, { most: 300, may: true }),
    }),
    layout: [
      [{ key: 'name', label: 'What it shows' }],
      [{ key: 'liked', label: 'What is liked in it', lines: 2 }],
      [
        { key: 'materials', label: 'Materials', hint: 'oak, linen, brass' },
        { key: 'hues', label: 'Hues', hint: 'grey blue, ochre' },
        { key: 'words', label: 'Words for the mood', hint: 'calm, worn' },
      ],
    ],
    toRow: (values) => values,
    sentence: (values, row) => `${row ? 'Changed' : 'Collected'} “${values.name}”`,
    removed: (row) => `Took “${row.name}” out of the collection`,
    caution: 'Parted by commas: what recurs across the collection is counted.',
  })
}

export function scopeChoiceForm({ makeover }: Setting) {
  const rooms = rowsOf(makeover, 'room')
  return rowForm({
    kind: 'scopeChoice',
    title: (row) => (row ? row.name : 'A wish with several ways'),
    fields: (row) => ({
      name: textField(row?.name),
      roomId: choiceField(ids(rooms), row?.roomId ?? rooms[0]?.id ?? ''),
    }),
    layout: [
      [
        { key: 'name', label: 'What is to be done about', hint: 'The worn floor, the cabinets' },
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), when: () => rooms.length > 1 },
      ],
    ],
    toRow: (values) => values,
    sentence: (values) => `Asked what to do about “${values.name}”`,
    removed: (row) => `No longer asks what to do about “${row.name}”`,
    removedWith: (row) =>
      rowsOf(makeover, 'scopeOption')
        .filter((scopeOption) => scopeOption.choiceId === row.id)
        .map((scopeOption) => remove('scopeOption', scopeOption)),
  })
}

export function scopeOptionForm({ currency }: Setting, choiceId: string) {
  return rowForm({
    kind: 'scopeOption',
    title: (row) => (row ? row.name : 'A way of doing it'),
    fields: (row) => ({
      way: choiceField(ways, row?.way ?? 'cover'),
      name: textField(row?.name),
      costMinor: moneyField(currency, row?.costMinor ?? null),
      days: numberField(row?.days ?? 1, { decimals: 0, least: 0, most: 1000 }),
      lifeYears: maybeNumberField(row?.lifeYears ?? null, { decimals: 1, least: 0.1, most: 200 }),
      methods: severalField(methods, row?.methods ?? ''),
      chosen: yesField(row?.chosen ?? false),
    }),
    layout: [
      [
        { key: 'way', label: 'Way', as: 'choice', options: asOptions(ways) },
        { key: 'name', label: 'What is done', hint: 'Sisal over the boards' },
      ],
      [
        { key: 'costMinor', label: 'Cost, landed', unit: currency },
        { key: 'days', label: 'Takes', unit: 'days' },
        { key: 'lifeYears', label: 'Lasts', unit: 'years', optional: true },
      ],
      [{ key: 'methods', label: 'It needs', as: 'several', options: asOptions(methods) }],
      [{ key: 'chosen', label: 'This is the chosen way', as: 'yes' }],
    ],
    toRow: (values, row) => ({ ...values, choiceId: row?.choiceId ?? choiceId, pieceId: row?.pieceId ?? null }),
    sentence: (values, row) => `${row ? 'Changed' : 'Priced'} a way: ${values.name}`,
    removed: (row) => `Struck a way: ${row.name}`,
  })
}

/** A thing that stays, was moved here or is lent: a piece with what holds it, in one form. */
export function keeperForm({ makeover }: Setting) {
  const rooms = rowsOf(makeover, 'room')
  const needs = rowsOf(makeover, 'need')
  const kinds = ['owned', 'moved', 'borrowed', 'gift'] as const
  return rowForm({
    kind: 'piece',
    title: () => 'Something that stays',
    action: 'It stays',
    fields: () => ({
      name: textField(),
      source: choiceField(kinds, 'owned'),
      keepReason: maybeChoiceField(keepReasons, 'works'),
      origin: textField('', { most: 200, may: true }),
      hole: textField('', { most: 200, may: true }),
      goBackOn: maybeDateField(null),
      setName: textField('', { most: 60, may: true }),
      colour: maybeColourField(''),
      needId: maybeChoiceField(ids(needs), null),
      roomId: choiceField(ids(rooms), rooms[0]?.id ?? ''),
    }),
    layout: [
      [
        { key: 'name', label: 'What it is' },
        { key: 'source', label: 'How it comes to be here', as: 'choice', options: asOptions(kinds) },
      ],
      [
        {
          key: 'keepReason',
          label: 'Why it stays',
          as: 'choice',
          options: asOptions(keepReasons),
          none: 'no reason given',
        },
        { key: 'origin', label: 'Where it comes from', optional: true },
      ],
      [
        { key: 'hole', label: 'What is missing there now', optional: true, when: (texts) => texts.source === 'moved' },
        {
          key: 'goBackOn',
          label: 'Goes back on',
          optional: true,
          when: (texts) => texts.source === 'moved' || texts.source === 'borrowed',
        },
      ],
      [
        { key: 'setName', label: 'Pair or set', optional: true, hint: 'Pieces of one name stay together' },
        { key: 'colour', label: 'Colour', optional: true },
      ],
      [
        { key: 'needId', label: 'Serves the need', as: 'choice', options: optionsOf(needs), none: 'none' },
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), when: () => rooms.length > 1 },
      ],
    ],
    toRow: ({ name, setName, roomId }, _row, id) => ({
      ...blank.piece,
      roomId,
      zoneId: null,
      categoryId: null,
      name,
      setName,
      quantity: 1,
      unit: 'pieces',
      allowanceMinor: zero,
      chosenId: keeperCandidate(id),
      chosenReason: 'It stays',
    }),
    sentence: ({ name }) => `${name} stays`,
    besides: ({ name, source, keepReason, origin, hole, goBackOn, colour, needId }, pieceId) => [
      add('candidate', keeperCandidate(pieceId), {
        ...blank.candidate,
        pieceId,
        sellerId: null,
        name,
        source,
        keepReason,
        origin,
        hole,
        goBackOn,
        labL: colour?.lab.L ?? null,
        labA: colour?.lab.a ?? null,
        labB: colour?.lab.b ?? null,
      }),
      ...(needId ? [add('serving', uuidv7(), { needId, pieceId })] : []),
    ],
  })
}
/** What holds the piece: one id for one piece, since the two rows name each other. */
const keeperIds = new Map<string, string>()
function keeperCandidate(pieceId: string): string {
  const known = keeperIds.get(pieceId) ?? uuidv7()
  keeperIds.set(pieceId, known)
  return known
}

export function questionForm({ makeover, today }: Setting, pieceId: string | null = null) {
  const clients = rowsOf(makeover, 'client')
  return rowForm({
    kind: 'question',
    title: (row) => (row ? 'A question to them' : 'Ask them'),
    action: 'Asked',
    fields: (row) => ({
      ask: textField(row?.ask, { most: 300 }),
      askedOn: dateField(row?.askedOn ?? today),
      neededBy: maybeDateField(row?.neededBy ?? null),
      answer: choiceField(answers, row?.answer ?? 'waiting'),
      answerNote: textField(row?.answerNote, { most: 500, may: true }),
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

export const allQuestions: readonly Question[] = questions
