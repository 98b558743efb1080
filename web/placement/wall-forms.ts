/** The small forms of what hangs: where, and how it is held. */
import { fixings } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { Hung } from '#core/placement/index.ts'
import type { Room } from '#core/survey/index.ts'
import {
  choiceField,
  distanceField,
  maybeLengthField,
  maybeNumberField,
  numberField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

/** Where it hangs, as it is measured: its left edge from the wall's left corner, its middle above the floor. */
export function hangingForm(entry: Entry, room: Room, work: Hung) {
  const walls = room.walls.map(({ row, name }) => ({ value: row.id, label: name }))
  return rowForm({
    kind: 'hanging',
    title: () => `Where ${work.name} hangs`,
    fields: (row) => ({
      wallId: choiceField(
        walls.map(({ value }) => value),
        row?.wallId ?? work.wall.row.id,
      ),
      leftMm: distanceField(entry, Math.max(0, work.left)),
      centreMm: distanceField(entry, Math.max(0, work.centre)),
      why: textField(row?.why ?? ''),
    }),
    layout: [
      [{ key: 'wallId', label: 'On', as: 'choice', options: walls }],
      [
        { key: 'leftMm', label: 'Its left edge, from the left corner', unit: entry.unit },
        { key: 'centreMm', label: 'Its middle, above the floor', unit: entry.unit },
      ],
      [{ key: 'why', label: 'Why it hangs off its line', optional: true }],
    ],
    toRow: ({ wallId, leftMm, centreMm, why }, row) => ({
      pieceId: row?.pieceId ?? work.thing.piece.id,
      number: row?.number ?? 1,
      groupName: row?.groupName ?? '',
      wallId,
      alongMm: leftMm + work.thing.widthMm / 2,
      centreMm,
      why,
    }),
    sentence: () => `Said where ${work.name} hangs`,
    removed: () => `Took ${work.name} off its wall`,
  })
}

const isStrips = ({ method = '' }: Readonly<Record<string, string>>): boolean => method === 'strips'
const isHung = ({ method = '' }: Readonly<Record<string, string>>): boolean => method !== 'leans' && method !== 'rail'

/** How a piece is held on a wall. */
export const fixingForm = (entry: Entry, piece: Row<'piece'>) =>
  rowForm({
    kind: 'fixing',
    title: () => `How ${piece.name} is held`,
    fields: (row) => ({
      method: choiceField(fixings, row?.method ?? 'not said'),
      hooks: numberField(row?.hooks ?? 1, 0),
      dropMm: maybeLengthField(entry, row?.dropMm ?? null),
      spreadMm: maybeLengthField(entry, row?.spreadMm ?? null),
      stripKg: maybeNumberField(row?.stripKg ?? null, 2),
    }),
    layout: [
      [
        { key: 'method', label: 'By', as: 'choice', options: asOptions(fixings) },
        { key: 'hooks', label: 'Hooks, or pairs of strips', when: isHung },
      ],
      [
        {
          key: 'dropMm',
          label: 'Hook below its top',
          optional: true,
          unit: entry.unit,
          hint: 'the wire pulled tight',
          when: isHung,
        },
        { key: 'spreadMm', label: 'Between the outer hooks', optional: true, unit: entry.unit, when: isHung },
        {
          key: 'stripKg',
          label: 'A pair bears, kg',
          optional: true,
          hint: 'as the packet says',
          when: isStrips,
        },
      ],
    ],
    toRow: (read) => ({ ...read, pieceId: piece.id }),
    sentence: () => `Said how ${piece.name} is held`,
    removed: () => `${piece.name} is not said how it is held`,
    caution:
      'Find cables and pipes before a hole is made. Heavy things go into the structure; a mirror or a work over a bed is held twice.',
  })
