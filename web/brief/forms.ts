/** The small forms of the brief. Each is made for the makeover that is open. */
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { add, remove } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import { constraintReasons, forbiddable, importances, keepReasons, methods, ways } from '#core/makeover/choices.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { zero } from '#core/money/minor.ts'
import {
  choiceField,
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
import type { Setting } from '../stores/setting.ts'

export const ids = (rows: readonly { readonly id: string }[]): string[] => rows.map((row) => row.id)

/** `isNew`: what is not written down yet cannot be struck out. */
export function needForm({ makeover }: Setting, isNew = false) {
  const [rooms, zones] = [rowsOf(makeover, 'room'), rowsOf(makeover, 'zone')]
  return rowForm({
    kind: 'need',
    title: (row) => (row ? 'Change a need' : 'A need'),
    fields: (row) => ({
      name: textField(row?.name),
      importance: choiceField(importances, row?.importance ?? 'must'),
      who: textField(row?.who),
      amount: maybeNumberField(row?.amount ?? null, 3),
      unit: textField(row?.unit ?? ''),
      untilOn: maybeDateField(row?.untilOn ?? null),
      struckOn: maybeDateField(row?.struckOn ?? null),
      struckReason: textField(row?.struckReason ?? ''),
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
        { key: 'amount', label: 'How many', optional: true, hint: 'What is stored, or seated, is held against it' },
        { key: 'unit', label: 'Of what', optional: true, hint: 'm of books, litres, pairs, seats' },
        { key: 'untilOn', label: 'Needed until', optional: true, hint: 'A child grows, a lease ends' },
      ],
      [
        { key: 'struckOn', label: 'Struck out by the client on', optional: true, when: () => !isNew },
        { key: 'struckReason', label: 'Why', optional: true, when: (texts) => !isNew && texts.struckOn !== '' },
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
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'reason', label: 'Because of', as: 'choice', options: asOptions(constraintReasons) },
        { key: 'forbids', label: 'Not allowed', as: 'choice', options: asOptions(forbiddable) },
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

export function inspirationForm() {
  return rowForm({
    kind: 'inspiration',
    title: (row) => (row ? row.name : 'A picture or clipping'),
    fields: (row) => ({
      name: textField(row?.name),
      liked: textField(row?.liked),
      materials: textField(row?.materials),
      hues: textField(row?.hues),
      words: textField(row?.words),
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
    caution: 'Separated by commas: what recurs across the collection is counted.',
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
      days: numberField(row?.days ?? 1, 0),
      lifeYears: maybeNumberField(row?.lifeYears ?? null, 1),
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
      origin: textField(''),
      hole: textField(''),
      goBackOn: maybeDateField(null),
      setName: textField(''),
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
        { key: 'colour', label: 'Colour', optional: true, as: 'colour' },
      ],
      [
        { key: 'needId', label: 'Serves the need', as: 'choice', options: optionsOf(needs), none: 'none' },
        { key: 'roomId', label: 'Room', as: 'choice', options: optionsOf(rooms), when: () => rooms.length > 1 },
      ],
    ],
    toRow: ({ name, setName, roomId }, _row, _id, spareId) => ({
      ...blank.piece,
      roomId,
      zoneId: null,
      categoryId: null,
      name,
      setName,
      quantity: 1,
      unit: 'pieces',
      allowanceMinor: zero,
      chosenId: spareId,
      chosenReason: 'It stays',
    }),
    sentence: ({ name }) => `${name} stays`,
    besides: ({ name, source, keepReason, origin, hole, goBackOn, colour, needId }, pieceId, _row, spareId) => [
      add('candidate', spareId, {
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
