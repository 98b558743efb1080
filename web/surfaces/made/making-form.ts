/** The small forms of what is made: a way of making, and what has to be had for it. */
import { calculators } from '#core/calculators/index.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { zero } from '#core/money/minor.ts'
import {
  choiceField,
  maybeChoiceField,
  maybeNumberField,
  moneyField,
  numberField,
  textField,
} from '../../parts/form.ts'
import { rowForm } from '../../parts/rowform.ts'

/** How two ways compare is asked with each. */
const made = calculators.filter(({ id }) => id !== 'make-or-buy')

export function makingForm(makeover: Makeover, roomId: string, currency: string, like: Row<'making'> | null) {
  const pieces = rowsOf(makeover, 'piece').filter((row) => row.roomId === roomId)
  const finishes = rowsOf(makeover, 'finish').filter((row) => row.roomId === roomId && row.fate === null)
  const asOption = ({ id, name }: { readonly id: string; readonly name: string }) => ({ value: id, label: name })
  const ids = (rows: readonly { readonly id: string }[]): string[] => rows.map(({ id }) => id)
  const categories = rowsOf(makeover, 'category').toSorted((left, right) => left.place - right.place)
  const newPiece = 'new'
  return rowForm({
    kind: 'making',
    title: (row) => (row ? 'A way of making it' : like ? 'Another try' : 'Make something'),
    action: like ? 'Try it' : 'Make it',
    fields: (row) => ({
      forId: choiceField([...ids(pieces), newPiece], row?.pieceId ?? like?.pieceId ?? newPiece),
      pieceName: textField(''),
      calculator: choiceField(
        made.map(({ id }) => id),
        row?.calculator ?? like?.calculator ?? 'cushions',
      ),
      name: textField(row?.name ?? ''),
      finishId: maybeChoiceField(ids(finishes), row?.finishId ?? like?.finishId ?? null),
      secondId: maybeChoiceField(ids(finishes), row?.secondId ?? like?.secondId ?? null),
      clothId: maybeChoiceField(ids(pieces), row?.clothId ?? null),
      hours: maybeNumberField(row?.hours ?? null, 2),
      rateMinor: moneyField(currency, row?.rateMinor ?? zero),
      hireMinor: moneyField(currency, row?.hireMinor ?? zero),
      boughtMinor: moneyField(currency, row?.boughtMinor ?? zero),
      note: textField(row?.note),
    }),
    layout: [
      [
        {
          key: 'forId',
          label: 'For',
          as: 'choice',
          options: [...pieces.map(asOption), { value: newPiece, label: 'a new piece' }],
        },
        { key: 'pieceName', label: 'Its name', when: ({ forId }) => forId === newPiece },
      ],
      [
        {
          key: 'calculator',
          label: 'Made as',
          as: 'choice',
          options: made.map(({ id, title }) => ({ value: id, label: title })),
        },
        { key: 'name', label: 'This try is called', hint: 'by its cloth, its frame, its size' },
      ],
      [
        {
          key: 'finishId',
          label: 'Its cloth or wood',
          as: 'choice',
          options: finishes.map(asOption),
          none: 'not of the palette',
        },
        { key: 'secondId', label: 'A second one', as: 'choice', options: finishes.map(asOption), none: 'none' },
        { key: 'clothId', label: 'Line to buy', as: 'choice', options: pieces.map(asOption), none: 'none yet' },
      ],
      [
        { key: 'hours', label: 'Hours it takes', unit: 'h', optional: true },
        { key: 'rateMinor', label: 'An hour costs' },
        { key: 'hireMinor', label: 'Hire' },
        { key: 'boughtMinor', label: 'Bought it costs', hint: '0: not compared' },
      ],
      [{ key: 'note', label: 'Note', optional: true }],
    ],
    check: ({ forId, pieceName }) => [
      ...(forId === newPiece && pieceName.trim() === ''
        ? [{ field: 'pieceName' as const, message: 'is empty: expected what it is' }]
        : []),
      ...(forId === newPiece && categories.length === 0
        ? [{ field: 'forId' as const, message: 'cannot be a new one: there is no budget yet to count it in' }]
        : []),
    ],
    toRow: ({ pieceName: _name, forId, ...read }, row, _id, spareId) => ({
      ...blank.making,
      ...read,
      pieceId: forId === newPiece ? spareId : forId,
      place: row?.place ?? nextPlace(makeover),
      counts: row ? row.counts : !rowsOf(makeover, 'making').some((known) => known.pieceId === forId),
    }),
    besides: ({ forId, pieceName }, _id, _row, spareId): Operation[] =>
      forId === newPiece
        ? [
            add('piece', spareId, {
              ...blank.piece,
              roomId,
              zoneId: null,
              categoryId: categories[0]?.id ?? '',
              name: pieceName.trim(),
              thing: 'other',
              quantity: 1,
              unit: 'pieces',
              allowanceMinor: zero,
              chosenId: null,
              chosenReason: '',
            }),
          ]
        : [],
    sentence: ({ name, forId, pieceName }, row) => {
      const piece = pieces.find(({ id }) => id === forId)?.name ?? pieceName.trim()
      return row ? `Changed ${name}, ${piece}` : `Tried ${name} for ${piece}`
    },
    names: { pieceId: 'forId' },
    removed: (row) => `Took the try ${row.name} away`,
    removedWith: (row) => [
      ...rowsOf(makeover, 'measure')
        .filter(({ makingId }) => makingId === row.id)
        .map((measure) => remove('measure', measure)),
      ...rowsOf(makeover, 'supply')
        .filter(({ makingId }) => makingId === row.id)
        .map((supply) => remove('supply', supply)),
    ],
  })
}
const nextPlace = (makeover: Makeover): number =>
  Math.min(1_000_000, 1 + Math.max(0, ...rowsOf(makeover, 'making').map(({ place }) => Math.floor(place))))

/** What has to be had, sold in packs. */
export function supplyForm(makeover: Makeover, making: Row<'making'>, currency: string) {
  return rowForm({
    kind: 'supply',
    title: (row) => (row ? 'A supply' : 'What has to be had'),
    fields: (row) => ({
      name: textField(row?.name),
      needed: numberField(row?.needed ?? 1, 3),
      unit: textField(row?.unit ?? 'pieces'),
      atHome: numberField(row?.atHome ?? 0, 3),
      packSize: numberField(row?.packSize ?? 1, 3),
      packMinor: moneyField(currency, row?.packMinor ?? zero),
    }),
    layout: [
      [
        { key: 'name', label: 'What' },
        { key: 'needed', label: 'Needed' },
        { key: 'unit', label: 'Counted in' },
      ],
      [
        { key: 'atHome', label: 'At home', hint: 'goes in first, at nothing' },
        { key: 'packSize', label: 'In a pack' },
        { key: 'packMinor', label: 'A pack costs' },
      ],
    ],
    toRow: (read, row) => ({
      ...read,
      makingId: making.id,
      place: row?.place ?? rowsOf(makeover, 'supply').filter(({ makingId }) => makingId === making.id).length,
    }),
    sentence: ({ name }, row) => (row ? `Changed the supply ${name}` : `${making.name} takes ${name}`),
    removed: (row) => `Took the supply ${row.name} away`,
  })
}
