/** The small forms of a shelf: where its boards are, and a thing that stands on it. */
import { hexFromLab } from '#core/colour/lab.ts'
import { stuffs } from '#core/makeover/choices.ts'
import { displays } from '#core/makeover/room-choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import { readBoards } from '#core/placement/index.ts'
import {
  choiceField,
  distanceField,
  lengthField,
  maybeChoiceField,
  maybeColourField,
  maybeLengthField,
  numberField,
  textField,
  yesField,
  type Field,
} from '../../parts/form.ts'
import { asOptions, rowForm } from '../../parts/rowform.ts'
import type { Entry } from '../../stores/entry.ts'

/** Heights of boards, each as any length is typed, parted by semicolons or by commas with a space. */
function boardsField({ units, unit }: Entry, heights: string): Field<string> {
  const expected = 'expected the height of each board above the lower end, from below, such as 0; 350; 700'
  return {
    text: (readBoards(heights) ?? []).map((mm) => (mm === 0 ? '0' : writeLength(mm, units))).join('; '),
    error: '',
    read: (text) => {
      const parts = text.split(/;|,\s+/).filter((part) => part.trim() !== '')
      const read = parts.map((part) =>
        /^\s*0+\s*$/.test(part) ? { ok: true as const, value: 0 } : readLength(part, unit),
      )
      const bad = read.find((reading) => !reading.ok)
      if (bad) return bad
      const told = read.flatMap((reading) => (reading.ok ? [Math.round(reading.value * 10) / 10] : [])).join(', ')
      return readBoards(told) === null ? { ok: false, error: expected } : { ok: true, value: told }
    },
    echo: (value) => `${value.split(',').length} boards`,
  }
}

export const shelvingForm = (entry: Entry, piece: Row<'piece'>) =>
  rowForm({
    kind: 'shelving',
    title: () => `The boards of ${piece.name}`,
    fields: (row) => ({ heights: boardsField(entry, row?.heights ?? '') }),
    layout: [
      [
        {
          key: 'heights',
          label: 'Height of each board',
          hint: 'above its lower end, from below, parted by semicolons',
        },
      ],
    ],
    toRow: ({ heights }) => ({ pieceId: piece.id, heights }),
    sentence: () => `Said where the boards of ${piece.name} are`,
    removed: () => `${piece.name} has one board, its top`,
    caution: 'Tall shelves are fixed to the wall before anything stands on them.',
  })

export const showpieceForm = (entry: Entry, piece: Row<'piece'>, boards: number, freeAt: number) =>
  rowForm({
    kind: 'showpiece',
    title: (row) => row?.name ?? `A thing on ${piece.name}`,
    fields: (row) => ({
      name: textField(row?.name),
      what: choiceField(displays, row?.what ?? 'other'),
      widthMm: lengthField(entry, row?.widthMm ?? null),
      heightMm: lengthField(entry, row?.heightMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      board: numberField(row?.board ?? 1, 0),
      alongMm: distanceField(entry, row?.alongMm ?? freeAt),
      madeOf: maybeChoiceField(stuffs, row?.madeOf ?? null),
      colour: maybeColourField(
        row && row.labL !== null && row.labA !== null && row.labB !== null
          ? hexFromLab({ L: row.labL, a: row.labA, b: row.labB })
          : '',
      ),
      heavy: yesField(row?.heavy ?? false),
      leads: yesField(row?.leads ?? false),
    }),
    layout: [
      [
        { key: 'name', label: 'Called' },
        { key: 'what', label: 'What it is', as: 'choice', options: asOptions(displays) },
      ],
      [
        { key: 'widthMm', label: 'Wide', unit: entry.unit },
        { key: 'heightMm', label: 'High', unit: entry.unit },
        { key: 'depthMm', label: 'Deep', unit: entry.unit, optional: true },
      ],
      [
        { key: 'board', label: 'Board', hint: `1 is the lowest of ${boards}`, when: () => boards > 1 },
        { key: 'alongMm', label: 'Its middle, from the left end', unit: entry.unit },
      ],
      [
        { key: 'madeOf', label: 'Made of', as: 'choice', options: asOptions(stuffs), none: 'not said' },
        { key: 'colour', label: 'Colour', as: 'colour', optional: true },
      ],
      [
        { key: 'heavy', label: 'It is heavy', as: 'yes' },
        { key: 'leads', label: 'It is the one that is looked at', as: 'yes' },
      ],
    ],
    toRow: ({ colour, ...read }) => ({
      ...read,
      pieceId: piece.id,
      labL: colour?.lab.L ?? null,
      labA: colour?.lab.a ?? null,
      labB: colour?.lab.b ?? null,
    }),
    sentence: ({ name }, row) => (row ? `Changed ${row.name}` : `Stood ${name} on ${piece.name}`),
    removed: (row) => `Took ${row.name} off ${piece.name}`,
  })
