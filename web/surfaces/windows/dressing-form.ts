/** The form of what hangs before a window. */
import { blank } from '#core/makeover/blank.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import { darkness, dressings, falls, headings, isBlind, linings, railings } from '#core/makeover/dressing-choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { Room } from '#core/survey/index.ts'
import {
  choiceField,
  maybeChoiceField,
  maybeDistanceField,
  maybeLengthField,
  maybeNumberField,
  textField,
  yesField,
} from '../../parts/form.ts'
import { asOptions, rowForm } from '../../parts/rowform.ts'
import type { Entry } from '../../stores/entry.ts'

type Texts = Readonly<Record<string, string>>
const isCloth = ({ what = '' }: Texts): boolean => what === 'curtains' || what === 'sheers'
const before = (texts: Texts): boolean => texts.inside !== 'yes'

export function dressingForm(
  { makeover, room, entry }: { readonly makeover: Makeover; readonly room: Room; readonly entry: Entry },
  { openingId, before: nearer }: { readonly openingId: string; readonly before: Row<'dressing'> | null },
) {
  const { unit } = entry
  const windows = room.walls.flatMap((wall) =>
    wall.openings
      .filter(({ row }) => row.what !== 'niche')
      .map(({ row, name }) => ({ value: row.id, label: `${name}, ${wall.name}` })),
  )
  const soft = rowsOf(makeover, 'finish').filter(
    (row) => row.roomId === room.id && row.fate === null && (row.family === 'textile' || row.family === 'plush'),
  )
  const pieces = rowsOf(makeover, 'piece').filter((row) => row.roomId === room.id)
  const hanging = rowsOf(makeover, 'dressing').filter((row) => row.openingId === openingId)
  const place = Math.min(1_000_000, 1 + Math.max(-1, ...hanging.map((row) => Math.floor(row.place))))
  return rowForm({
    kind: 'dressing',
    title: (row) => (row ? 'What hangs here' : nearer ? 'Hang another before it' : 'Dress a window'),
    action: 'Hang it',
    fields: (row) => ({
      openingId: choiceField(
        windows.map(({ value }) => value),
        row?.openingId ?? openingId,
      ),
      what: choiceField(dressings, row?.what ?? (nearer?.what === 'curtains' ? 'pelmet' : 'curtains')),
      finishId: maybeChoiceField(
        soft.map(({ id }) => id),
        row ? row.finishId : (soft[0]?.id ?? null),
      ),
      inside: yesField(row?.inside ?? false),
      roundBay: yesField(row?.roundBay ?? nearer?.roundBay ?? false),
      hung: choiceField(railings, row?.hung ?? 'pole'),
      heading: choiceField(headings, row?.heading ?? 'pleated'),
      fullness: maybeNumberField(row?.fullness ?? null, 2),
      falls: choiceField(falls, row?.falls ?? 'floor'),
      pair: yesField(row?.pair ?? true),
      lining: choiceField(linings, row?.lining ?? 'lined'),
      centred: yesField(row?.centred ?? false),
      trackMm: maybeLengthField(entry, row?.trackMm ?? null),
      atMm: maybeLengthField(entry, row?.atMm ?? null),
      returnMm: maybeDistanceField(entry, row?.returnMm ?? null),
      staysMm: maybeDistanceField(entry, row?.staysMm ?? null),
      standOffMm: maybeDistanceField(entry, row?.standOffMm ?? null),
      dark: maybeChoiceField(darkness, row?.dark ?? null),
      pieceId: maybeChoiceField(
        pieces.map(({ id }) => id),
        row?.pieceId ?? null,
      ),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'openingId', label: 'Window', as: 'choice', options: windows },
        { key: 'what', label: 'What hangs there', as: 'choice', options: asOptions(dressings) },
      ],
      [
        {
          key: 'finishId',
          label: 'Its cloth',
          as: 'choice',
          options: soft.map(({ id, name }) => ({ value: id, label: name })),
          none: 'none of the palette',
        },
        { key: 'lining', label: 'Behind the cloth', as: 'choice', options: asOptions(linings) },
      ],
      [
        { key: 'inside', label: 'Within the recess', as: 'yes' },
        { key: 'roundBay', label: 'Round the whole bay', as: 'yes', when: before },
        { key: 'pair', label: 'A pair', as: 'yes', when: isCloth },
        { key: 'centred', label: 'Stripe or motif centred', as: 'yes', when: ({ what }) => what === 'Roman blind' },
      ],
      [
        {
          key: 'heading',
          label: 'Heading',
          as: 'choice',
          options: asOptions(headings),
          when: ({ what }) => what === 'curtains',
        },
        {
          key: 'fullness',
          label: 'Fullness',
          optional: true,
          unit: '× the track',
          hint: 'empty: as its heading takes',
          when: isCloth,
        },
        {
          key: 'falls',
          label: 'Down to',
          as: 'choice',
          options: asOptions(falls),
          when: (texts) => isCloth(texts) && before(texts),
        },
        { key: 'hung', label: 'On a', as: 'choice', options: asOptions(railings), when: isCloth },
      ],
      [
        {
          key: 'trackMm',
          label: 'Length of it',
          unit,
          optional: true,
          hint: 'empty: beyond the window as is usual',
          when: isCloth,
        },
        {
          key: 'atMm',
          label: 'Height above the floor',
          unit,
          optional: true,
          hint: 'empty: as is usual',
          when: before,
        },
        { key: 'returnMm', label: 'Back to the wall', unit, optional: true, when: isCloth },
      ],
      [
        {
          key: 'staysMm',
          label: 'Blind that stays: its head-rail',
          unit,
          optional: true,
          hint: 'how deep it is',
          when: isCloth,
        },
        {
          key: 'standOffMm',
          label: 'Brackets',
          unit,
          optional: true,
          hint: 'wall to the middle of the pole',
          when: isCloth,
        },
        {
          key: 'dark',
          label: 'How dark',
          as: 'choice',
          options: asOptions(darkness),
          none: 'by who sleeps there',
        },
      ],
      [
        {
          key: 'pieceId',
          label: 'Line to buy',
          as: 'choice',
          options: pieces.map(({ id, name }) => ({ value: id, label: name })),
          none: 'none yet',
        },
        { key: 'note', label: 'Note', optional: true },
      ],
    ],
    toRow: (read, row) => ({
      ...blank.dressing,
      ...read,
      roundBay: read.roundBay && !read.inside,
      place: row?.place ?? place,
    }),
    sentence: ({ what, openingId: at }, row) => {
      const window = windows.find(({ value }) => value === at)?.label ?? 'a window'
      return row
        ? `Changed the ${what}, ${window}`
        : `Hung ${isBlind(what) || what === 'pelmet' ? `a ${what}` : what}, ${window}`
    },
    removed: (row) => `Took the ${row.what} down`,
    ...(nearer ? { caution: `It hangs before the ${nearer.what}, further into the room.` } : {}),
  })
}
