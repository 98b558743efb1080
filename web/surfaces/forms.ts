/** The small forms of the surfaces: a treatment, a further surface of it. */
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import { groundings, hows, layouts, profiles, treatables } from '#core/makeover/choices.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { howOf } from '#core/makeover/lay.ts'
import type { Room } from '#core/survey/index.ts'
import {
  choiceField,
  maybeChoiceField,
  maybeLengthField,
  maybeNumberField,
  numberField,
  textField,
  yesField,
} from '../parts/form.ts'
import type { Entry } from '../stores/entry.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

export type Setting = {
  readonly makeover: Makeover
  readonly room: Room
  readonly entry: Entry
  readonly wallId: string | null
}

const wallOptions = ({ room }: Setting) => room.walls.map(({ row, name }) => ({ value: row.id, label: name }))
const openingOptions = ({ room }: Setting) =>
  room.walls.flatMap((wall) =>
    wall.openings.map(({ row, name }) => ({ value: row.id, label: `${name}, ${wall.name}` })),
  )
const values = (options: readonly { readonly value: string }[]): string[] => options.map(({ value }) => value)

const placeFields = (setting: Setting, row: Row<'treatedPart'> | null) => ({
  surface: choiceField(treatables, row?.surface ?? 'walls'),
  wallId: maybeChoiceField(values(wallOptions(setting)), row ? row.wallId : setting.wallId),
  openingId: maybeChoiceField(values(openingOptions(setting)), row?.openingId ?? null),
  bandFromMm: maybeLengthField(setting.entry, row?.bandFromMm ?? null),
  bandToMm: maybeLengthField(setting.entry, row?.bandToMm ?? null),
  alongFromMm: maybeLengthField(setting.entry, row?.alongFromMm ?? null),
  alongToMm: maybeLengthField(setting.entry, row?.alongToMm ?? null),
})
type Texts = Readonly<Record<string, string>>
const onWalls = (texts: Texts): boolean => texts.surface === 'walls'
const placeLayout = (setting: Setting) => {
  const { unit } = setting.entry
  return [
    [
      { key: 'surface', label: 'On', as: 'choice', options: asOptions(treatables) },
      {
        key: 'wallId',
        label: 'Which wall',
        as: 'choice',
        options: wallOptions(setting),
        none: 'all of them',
        when: onWalls,
      },
      {
        key: 'openingId',
        label: 'Door, window or niche',
        as: 'choice',
        options: openingOptions(setting),
        none: 'none in particular',
        when: ({ surface }: Texts) => surface === 'walls' || surface === 'door' || surface === 'window',
      },
    ],
    [
      { key: 'bandFromMm', label: 'From height', unit, optional: true, hint: 'empty is the floor', when: onWalls },
      { key: 'bandToMm', label: 'To height', unit, optional: true, hint: 'empty is the ceiling', when: onWalls },
      { key: 'alongFromMm', label: 'Along from', unit, optional: true, hint: 'from the first corner', when: onWalls },
      { key: 'alongToMm', label: 'Along to', unit, optional: true, hint: 'empty is its end', when: onWalls },
    ],
  ] as const
}
type Place = Pick<
  Row<'treatedPart'>,
  'surface' | 'wallId' | 'openingId' | 'bandFromMm' | 'bandToMm' | 'alongFromMm' | 'alongToMm'
>
/** What is said of walls alone is dropped for another surface. */
const placeOf = ({ surface, wallId, openingId, ...rest }: Place): Place =>
  surface === 'walls'
    ? { surface, wallId, openingId, ...rest }
    : {
        surface,
        wallId: null,
        openingId: surface === 'door' || surface === 'window' ? openingId : null,
        bandFromMm: null,
        bandToMm: null,
        alongFromMm: null,
        alongToMm: null,
      }
const placeFaults = ({ surface, wallId, bandFromMm, bandToMm, alongFromMm, alongToMm }: Place) => [
  ...(surface === 'walls' && bandFromMm !== null && bandToMm !== null && bandToMm <= bandFromMm
    ? [{ field: 'bandToMm' as const, message: 'is not above where the band begins: expected more' }]
    : []),
  ...(surface === 'walls' && alongFromMm !== null && alongToMm !== null && alongToMm <= alongFromMm
    ? [{ field: 'alongToMm' as const, message: 'is not past where the stretch begins: expected more' }]
    : []),
  ...(surface === 'walls' && (alongFromMm !== null || alongToMm !== null) && wallId === null
    ? [{ field: 'wallId' as const, message: 'is missing: a stretch is along one wall' }]
    : []),
]

const is =
  (...names: readonly string[]) =>
  ({ how = '' }: Texts): boolean =>
    names.includes(how)

/** How a finish is done on a surface; a new one says on which. */
export function treatmentForm(
  setting: Setting,
  {
    editing = false,
    insteadOf = null,
  }: { readonly editing?: boolean; readonly insteadOf?: Row<'treatment'> | null } = {},
) {
  const { makeover, room, entry } = setting
  const { unit } = entry
  const finishes = rowsOf(makeover, 'finish').filter((row) => row.roomId === room.id && row.fate === null)
  const finishOptions = finishes.map(({ id, name }) => ({ value: id, label: name }))
  const pieces = rowsOf(makeover, 'piece').filter((row) => row.roomId === room.id)
  const first = finishes[0]
  const parts = insteadOf ? rowsOf(makeover, 'treatedPart').filter((row) => row.treatmentId === insteadOf.id) : []
  return rowForm({
    kind: 'treatment',
    title: (row) => (row ? 'How it is done' : insteadOf ? 'What could be done instead' : 'Treat a surface'),
    action: insteadOf ? 'Think of it' : 'Treat it',
    fields: (row) => ({
      finishId: choiceField(values(finishOptions), row?.finishId ?? first?.id ?? ''),
      how: choiceField(hows, row?.how ?? (first ? howOf(first, 'walls') : 'paint')),
      ...placeFields(setting, parts[0] ?? null),
      coats: maybeNumberField(row?.coats ?? null, 0),
      under: choiceField(groundings, row?.under ?? 'as proposed'),
      layout: choiceField(layouts, row?.layout ?? 'grid'),
      turned: yesField(row?.turned ?? false),
      reuse: yesField(row?.reuse ?? true),
      jointMm: maybeLengthField(entry, row?.jointMm ?? null),
      profile: maybeChoiceField(profiles, row?.profile ?? 'skirting'),
      panels: maybeNumberField(row?.panels ?? null, 0),
      gapMm: maybeLengthField(entry, row?.gapMm ?? null),
      thickMm: maybeLengthField(entry, row?.thickMm ?? null),
      baseMm: maybeLengthField(entry, row?.baseMm ?? null),
      everyMm: maybeLengthField(entry, row?.everyMm ?? null),
      leftOver: numberField(row?.leftOver ?? 0, 3),
      leftFrom: textField(row?.leftFrom),
      pieceId: maybeChoiceField(
        pieces.map(({ id }) => id),
        row?.pieceId ?? null,
      ),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'finishId', label: 'Finish', as: 'choice', options: finishOptions },
        { key: 'how', label: 'Done as', as: 'choice', options: asOptions(hows) },
      ],
      // where it lies is changed surface by surface afterwards
      ...(editing ? [] : placeLayout(setting).map((line) => [...line])),
      [
        {
          key: 'coats',
          label: 'Coats',
          optional: true,
          hint: 'empty: as the tin says, or as is usual',
          when: is('paint'),
        },
        { key: 'under', label: 'Under it', as: 'choice', options: asOptions(groundings), when: is('paint', 'paper') },
        { key: 'layout', label: 'Laid', as: 'choice', options: asOptions(layouts), when: is('tile') },
        { key: 'jointMm', label: 'Joint', unit, optional: true, hint: 'empty: as its maker says', when: is('tile') },
        {
          key: 'profile',
          label: 'Which moulding',
          as: 'choice',
          options: asOptions(profiles),
          none: 'not said',
          when: is('moulding'),
        },
        {
          key: 'panels',
          label: 'Frames a wall',
          optional: true,
          hint: 'empty: by proportion',
          when: is('panels', 'moulding'),
        },
        { key: 'gapMm', label: 'Between frames', unit, optional: true, when: is('panels', 'moulding') },
        { key: 'thickMm', label: 'Thickness', unit, optional: true, when: is('hard ground') },
        { key: 'baseMm', label: 'Base under it', unit, optional: true, when: is('hard ground') },
        { key: 'everyMm', label: 'Joints every', unit, optional: true, when: is('hard ground') },
      ],
      [
        {
          key: 'turned',
          label: 'Turned',
          as: 'yes',
          hint: 'across the first wall',
          when: is('tile', 'boards', 'carpet', 'sheet'),
        },
        { key: 'reuse', label: 'Offcuts serve again', as: 'yes', when: is('tile', 'boards') },
      ],
      [
        { key: 'leftOver', label: 'Left from elsewhere', hint: 'goes in first' },
        { key: 'leftFrom', label: 'From where', optional: true },
        {
          key: 'pieceId',
          label: 'Line to buy',
          as: 'choice',
          options: pieces.map(({ id, name }) => ({ value: id, label: name })),
          none: 'none yet',
        },
      ],
      [{ key: 'note', label: 'Note', optional: true }],
    ],
    toRow: (
      { surface: _s, wallId: _w, openingId: _o, bandFromMm: _b, bandToMm: _t, alongFromMm: _a, alongToMm: _l, ...said },
      row,
    ) => ({
      ...blank.treatment,
      startMm: row?.startMm ?? 0,
      upMm: row?.upMm ?? 0,
      leaveOut: row?.leaveOut ?? '',
      place: row?.place ?? insteadOf?.place ?? nextPlace(makeover),
      insteadOfId: row ? row.insteadOfId : (insteadOf?.id ?? null),
      ...said,
      profile: said.how === 'moulding' ? said.profile : null,
    }),
    check: (read) => placeFaults(read),
    besides: (read, id, row): Operation[] =>
      row
        ? []
        : [
            add('treatedPart', id, { ...blank.treatedPart, treatmentId: id, ...placeOf(read) }),
            // what is thought of lies wherever the other one does
            ...parts
              .slice(1)
              .map(({ id: _id, version: _v, ...part }) => add('treatedPart', uuidv7(), { ...part, treatmentId: id })),
          ],
    sentence: (read, row) => {
      const name = finishes.find(({ id }) => id === read.finishId)?.name ?? 'a finish'
      return row
        ? `Changed how ${name} is done`
        : insteadOf
          ? `Thought of ${name} instead`
          : `Treated a surface with ${name}`
    },
    removed: () => 'Took a treatment away',
    removedWith: (row) => withTreatment(makeover, row.id),
  })
}
const nextPlace = (makeover: Makeover): number =>
  Math.min(1_000_000, 1 + Math.max(0, ...rowsOf(makeover, 'treatment').map(({ place }) => Math.floor(place))))

/** What goes with a treatment: its surfaces, and what was thought of in its place. */
function withTreatment(makeover: Makeover, id: string): Operation[] {
  const instead = rowsOf(makeover, 'treatment').filter((row) => row.insteadOfId === id)
  const gone = new Set([id, ...instead.map((row) => row.id)])
  return [
    ...rowsOf(makeover, 'treatedPart')
      .filter((row) => gone.has(row.treatmentId))
      .map((row) => remove('treatedPart', row)),
    ...instead.map((row) => remove('treatment', row)),
  ]
}

/** A further surface of a treatment, or where one lies. */
export function partForm(setting: Setting, treatment: Row<'treatment'>) {
  return rowForm({
    kind: 'treatedPart',
    title: (row) => (row ? 'Where it lies' : 'Also on'),
    fields: (row) => placeFields(setting, row),
    layout: placeLayout(setting).map((line) => [...line]),
    toRow: (read) => ({ ...placeOf(read), treatmentId: treatment.id }),
    check: (read) => placeFaults(read),
    sentence: (_read, row) => (row ? 'Moved a finish on its surface' : 'Treated a further surface'),
    removed: () => 'Took a surface out of a treatment',
  })
}
