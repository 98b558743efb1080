/** What a surface is bought as: a candidate with what it is made up of, and the sizes it is sold in. */
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { matches } from '#core/makeover/choices.ts'
import { rowsOf, studioRows, type Makeover, type Studio } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { spreadUnit } from '#core/measure/area.ts'
import { lineOperations, unitFor, type TakeOff } from '#core/surfaces/index.ts'
import {
  choiceField,
  maybeChoiceField,
  maybeLengthField,
  maybeNumberField,
  maybeSpreadField,
  moneyField,
  numberField,
  rateField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

export type SoldSetting = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly entry: Entry
  readonly currency: string
  readonly taken: TakeOff
  readonly all: readonly TakeOff[]
}
type How = Row<'treatment'>['how']

/** What each kind of thing says of itself, in the words of its trade. */
const asked: Readonly<Partial<Record<How, readonly (keyof typeof labels)[]>>> = {
  paint: ['rateM2', 'coats'],
  paper: ['widthMm', 'lengthMm', 'repeatMm', 'match', 'offsetMm'],
  tile: ['widthMm', 'lengthMm', 'thickMm', 'jointMm'],
  boards: ['widthMm', 'lengthMm', 'thickMm'],
  carpet: ['widthMm'],
  sheet: ['widthMm'],
  panels: ['lengthMm', 'thickMm', 'kerfMm'],
  moulding: ['lengthMm', 'thickMm', 'kerfMm'],
}
const labels = {
  rateM2: 'Covers',
  coats: 'Coats, as it says',
  widthMm: 'Width',
  lengthMm: 'Length',
  thickMm: 'Thickness',
  repeatMm: 'Repeat',
  match: 'Match',
  offsetMm: 'Drop from strip to strip',
  jointMm: 'Joint',
  kerfMm: 'Saw cut',
} as const
const packWords: Readonly<Partial<Record<How, string>>> = {
  paper: 'Rolls in a pack',
  tile: 'Tiles in a box',
  boards: 'Boards in a pack',
  'hard ground': 'Bags in a pack',
}
/** What one pack holds, in the unit that its line to buy is counted in, or will be. */
function packLabel({ makeover, entry, taken: { treatment } }: SoldSetting): string {
  const isFeet = entry.units !== 'metric'
  const counted = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]?.unit
  if (treatment.how === 'paint') {
    const unit = counted ?? unitFor('l', isFeet)
    return /^l/i.test(unit) ? 'Litres in a tin' : `${unit} in a tin`
  }
  if (treatment.how === 'carpet' || treatment.how === 'sheet')
    return `${counted ?? unitFor('m²', isFeet)} its price is for`
  return packWords[treatment.how] ?? 'In a pack'
}

const makeUpFields = ({ entry }: Pick<SoldSetting, 'entry'>, row: Row<'makeUp'> | null) => ({
  rateM2: maybeSpreadField(entry, row?.rateM2 ?? null),
  coats: maybeNumberField(row?.coats ?? null, 0),
  widthMm: maybeLengthField(entry, row?.widthMm ?? null),
  lengthMm: maybeLengthField(entry, row?.lengthMm ?? null),
  thickMm: maybeLengthField(entry, row?.thickMm ?? null),
  repeatMm: maybeLengthField(entry, row?.repeatMm ?? null),
  match: choiceField(matches, row?.match ?? 'free'),
  offsetMm: maybeLengthField(entry, row?.offsetMm ?? null),
  jointMm: maybeLengthField(entry, row?.jointMm ?? null),
  kerfMm: maybeLengthField(entry, row?.kerfMm ?? null),
})
const makeUpLayout = ({ entry }: Pick<SoldSetting, 'entry'>, how: How) =>
  (asked[how] ?? []).map((key) =>
    key === 'match'
      ? { key, label: labels[key], as: 'choice' as const, options: asOptions(matches) }
      : {
          key,
          ...(key === 'repeatMm' ? { hint: 'Of a picture in panels: how wide the whole picture is' } : {}),
          label: key === 'rateM2' ? `Covers, ${spreadUnit(entry.units)} and coat` : labels[key],
          optional: true,
          ...(key === 'rateM2' || key === 'coats' ? {} : { unit: entry.unit }),
          ...(key === 'offsetMm' ? { when: ({ match }: Readonly<Record<string, string>>) => match === 'offset' } : {}),
        },
  )
type MakeUp = Omit<Row<'makeUp'>, 'id' | 'version' | 'candidateId'>
type Faults = readonly { readonly field: keyof typeof labels; readonly message: string }[]
function matchFaults({ match, repeatMm, offsetMm, widthMm, lengthMm }: MakeUp, how: How): Faults {
  const faults: { field: keyof typeof labels; message: string }[] = []
  const say = (field: keyof typeof labels, message: string): void => void faults.push({ field, message })
  if (how === 'paper' && match === 'picture') {
    if (widthMm === null) say('widthMm', 'is missing: how wide one panel is')
    if (lengthMm === null) say('lengthMm', 'is missing: how high one panel is')
    if (repeatMm === null) say('repeatMm', 'is missing: how wide the whole picture is')
    else if (widthMm !== null && repeatMm < widthMm)
      say('repeatMm', 'is less than one panel: expected the whole picture')
    return faults
  }
  if (how === 'paper' && match !== 'free' && repeatMm === null)
    say('repeatMm', 'is missing: a paper that is matched has a repeat')
  if (how === 'paper' && match === 'offset' && offsetMm === null)
    say('offsetMm', 'is missing: by how much each strip steps down')
  if (how === 'paper' && repeatMm !== null && lengthMm !== null && repeatMm > lengthMm)
    say('repeatMm', 'is longer than the roll: expected one that comes at least once')
  if (how === 'tile' && (widthMm === null) !== (lengthMm === null))
    say(widthMm === null ? 'widthMm' : 'lengthMm', 'is missing: a tile has both')
  return faults
}

/** A product for a surface: the line to buy is made with it where there is none. */
export function soldForm(setting: SoldSetting) {
  const { makeover, studio, currency, taken, all } = setting
  const { treatment, finish } = taken
  const piece = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]
  const sellers = studioRows(studio, 'seller').map(({ id, name }) => ({ value: id, label: name }))
  return rowForm({
    kind: 'candidate',
    title: () => `What ${finish.name} is bought as`,
    action: 'Put it in',
    fields: () => ({
      name: textField(piece ? '' : finish.name),
      sellerId: maybeChoiceField(
        sellers.map(({ value }) => value),
        null,
      ),
      priceMinor: moneyField(currency, null),
      packSize: numberField(1, 3),
      taxPpm: rateField(0),
      ...makeUpFields(setting, null),
    }),
    layout: [
      [
        { key: 'name', label: 'What' },
        { key: 'sellerId', label: 'Seller', as: 'choice', options: sellers, none: 'not said' },
      ],
      [
        { key: 'priceMinor', label: 'Price', unit: currency },
        { key: 'packSize', label: packLabel(setting) },
        { key: 'taxPpm', label: 'Tax on top', unit: '%' },
      ],
      makeUpLayout(setting, treatment.how),
    ],
    toRow: ({ name, sellerId, priceMinor, packSize, taxPpm }, _row, _id, spareId) => {
      return {
        ...blank.candidate,
        pieceId: piece?.id ?? spareId,
        name,
        sellerId,
        priceMinor,
        packSize,
        taxPpm,
        toAsk: 'returns, delivery',
      }
    },
    besides: ({ name: _n, sellerId: _s, priceMinor: _p, packSize: _k, taxPpm: _t, ...makeUp }, id, _row, spareId) => {
      const line = piece ? [] : lineOperations(makeover, taken, all, () => spareId)
      const chosen = { chosenId: id, chosenReason: '' }
      return [
        ...line.map((operation) =>
          operation.op === 'put' && operation.kind === 'piece' && operation.base === null
            ? { ...operation, fields: { ...operation.fields, ...chosen } }
            : operation,
        ),
        ...(piece?.chosenId === null ? [edit('piece', piece, chosen)] : []),
        add('makeUp', id, { ...makeUp, candidateId: id }),
      ]
    },
    check: (read) => matchFaults(read, treatment.how),
    sentence: ({ name }) => `Found ${name} for ${finish.name}`,
  })
}

/** What a candidate that is there already is made up of. */
export function makeUpForm(setting: SoldSetting, candidate: Row<'candidate'>) {
  const { how } = setting.taken.treatment
  return rowForm({
    kind: 'makeUp',
    title: () => `What ${candidate.name} is made up of`,
    fields: (row) => makeUpFields(setting, row),
    layout: [makeUpLayout(setting, how)],
    toRow: (read) => ({ ...read, candidateId: candidate.id }),
    check: (read) => matchFaults(read, how),
    sentence: () => `Said what ${candidate.name} is made up of`,
  })
}

/** A further size that a candidate is sold in: a tin, a stock length, the width of a roll. */
export function sizeForm(setting: SoldSetting, candidate: Row<'candidate'>) {
  const { how } = setting.taken.treatment
  const isLength = how === 'moulding' || how === 'panels'
  const isWidth = how === 'carpet' || how === 'sheet'
  return rowForm({
    kind: 'saleSize',
    title: () => `A further size of ${candidate.name}`,
    fields: (row) => ({
      name: textField(row?.name),
      holds: numberField(row?.holds ?? 1, 3),
      widthMm: maybeLengthField(setting.entry, row?.widthMm ?? null),
      lengthMm: maybeLengthField(setting.entry, row?.lengthMm ?? null),
      priceMinor: moneyField(setting.currency, row?.priceMinor ?? null),
    }),
    layout: [
      [
        { key: 'name', label: 'Called', hint: 'small tin, 3 m' },
        ...(isLength
          ? [{ key: 'lengthMm' as const, label: 'Length', unit: setting.entry.unit }]
          : isWidth
            ? [{ key: 'widthMm' as const, label: 'Width of the roll', unit: setting.entry.unit }]
            : [{ key: 'holds' as const, label: packLabel(setting) }]),
        { key: 'priceMinor', label: 'Price', unit: setting.currency },
      ],
    ],
    toRow: (read, row) => ({ ...read, candidateId: candidate.id, wanted: row?.wanted ?? 0 }),
    check: ({ lengthMm, widthMm }) => [
      ...(isLength && lengthMm === null
        ? [{ field: 'lengthMm' as const, message: 'is missing: how long it is sold' }]
        : []),
      ...(isWidth && widthMm === null
        ? [{ field: 'widthMm' as const, message: 'is missing: how wide the roll is' }]
        : []),
    ],
    sentence: ({ name }) => `${candidate.name} is also sold as ${name}`,
    removed: () => 'Took a size away',
  })
}

/** The sizes and the make-up of a candidate, which go with it. */
export const makeUpOf = (makeover: Makeover, candidateId: string): Row<'makeUp'> | null =>
  rowsOf(makeover, 'makeUp').find((row) => row.candidateId === candidateId) ?? null
