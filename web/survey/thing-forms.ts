/** The forms of what lies in walls and on them: openings, fixed things. */
import { hexFromLab } from '#core/colour/lab.ts'
import { edit, type Operation } from '#core/makeover/change.ts'
import { fixtureKinds, hingeSides, openingKinds, swings } from '#core/makeover/choices.ts'
import { rowsOf } from '#core/makeover/document.ts'
import {
  choiceField,
  distanceField,
  lengthField,
  maybeChoiceField,
  maybeColourField,
  maybeLengthField,
  textField,
  yesField,
} from '../parts/form.ts'
import { withoutOpenings } from '#core/survey/index.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { type Setting, both, values, wallOptions } from './forms.ts'

/** Openings of the other rooms, for saying that two are one. */
function openingsElsewhere({ makeover, roomId }: Setting) {
  return rowsOf(makeover, 'opening').flatMap((row) => {
    const wall = makeover.rows.wall[row.wallId]
    const room = wall ? makeover.rows.room[wall.roomId] : undefined
    return room && room.id !== roomId ? [{ value: row.id, label: `${row.name || row.what}, ${room.name}` }] : []
  })
}

export function openingForm(setting: Setting, wallId: string | null = null) {
  const { entry, makeover } = setting
  const walls = wallOptions(setting)
  const others = openingsElsewhere(setting)
  return rowForm({
    kind: 'opening',
    title: (row) => (row ? row.name || `A ${row.what}` : 'A door, window, arch or niche'),
    fields: (row) => ({
      what: choiceField(openingKinds, row?.what ?? 'door'),
      name: textField(row?.name),
      wallId: choiceField(values(walls), row?.wallId ?? wallId ?? ''),
      fromMm: distanceField(entry, row?.fromMm ?? 0),
      measuredFrom: choiceField(['start', 'end'], row?.fromEnd ? 'end' : 'start'),
      widthMm: lengthField(entry, row?.widthMm ?? null),
      sillMm: distanceField(entry, row?.sillMm ?? 0),
      headMm: lengthField(entry, row?.headMm ?? null),
      revealMm: maybeLengthField(entry, row?.revealMm ?? null),
      hinge: choiceField(hingeSides, row?.hinge ?? 'none'),
      swing: choiceField(swings, row?.swing ?? 'none'),
      clearMm: maybeLengthField(entry, row?.clearMm ?? null),
      viewName: textField(row?.viewName),
      view: maybeColourField(
        row && row.viewL !== null && row.viewA !== null && row.viewB !== null
          ? hexFromLab({ L: row.viewL, a: row.viewA, b: row.viewB })
          : '',
      ),
      round: yesField(row?.round ?? false),
      sharesId: maybeChoiceField(values(others), row?.sharesId ?? null),
    }),
    layout: [
      [
        { key: 'what', label: 'What', as: 'choice', options: asOptions(openingKinds) },
        { key: 'name', label: 'Called', optional: true },
        { key: 'wallId', label: 'On', as: 'choice', options: walls },
      ],
      [
        { key: 'fromMm', label: 'So far along', unit: entry.unit },
        {
          key: 'measuredFrom',
          label: 'From',
          as: 'choice',
          options: [
            { value: 'start', label: 'the first corner (left)' },
            { value: 'end', label: 'the last corner (right)' },
          ],
        },
        { key: 'widthMm', label: 'Width', unit: entry.unit },
      ],
      [
        { key: 'sillMm', label: 'Sill above the floor', unit: entry.unit, hint: '0 for a door' },
        { key: 'headMm', label: 'Head above the floor', unit: entry.unit },
        { key: 'revealMm', label: 'Reveal, or depth of a niche', optional: true, unit: entry.unit },
        {
          key: 'round',
          label: 'It is round or oval',
          as: 'yes',
          when: (texts) => texts.what === 'window' || texts.what === 'arch',
        },
      ],
      [
        {
          key: 'hinge',
          label: 'Hinges, seen from inside',
          as: 'choice',
          options: asOptions(hingeSides),
          when: (texts) => texts.what === 'door',
        },
        {
          key: 'swing',
          label: 'It opens',
          as: 'choice',
          options: [
            { value: 'none', label: 'it slides or folds' },
            { value: 'in', label: 'into this room' },
            { value: 'out', label: 'out of it' },
          ],
          when: (texts) => texts.what === 'door',
        },
        {
          key: 'clearMm',
          label: 'Clear width, open',
          optional: true,
          unit: entry.unit,
          when: (texts) => texts.what === 'door' || texts.what === 'arch',
        },
      ],
      [
        {
          key: 'viewName',
          label: 'It looks on to',
          optional: true,
          hint: 'A garden, a brick wall: a colour of the room',
          when: (texts) => texts.what === 'window',
        },
        { key: 'view', label: 'Its colour', optional: true, as: 'colour', when: (texts) => texts.what === 'window' },
      ],
      [
        {
          key: 'sharesId',
          label: 'The same opening as',
          as: 'choice',
          options: others,
          none: 'none: it leads out of what is measured',
          when: (texts) => others.length > 0 && (texts.what === 'door' || texts.what === 'arch'),
        },
      ],
    ],
    toRow: ({ measuredFrom, view, ...read }) => ({
      ...read,
      fromEnd: measuredFrom === 'end',
      viewL: view?.lab.L ?? null,
      viewA: view?.lab.a ?? null,
      viewB: view?.lab.b ?? null,
    }),
    sentence: (read, row) => `${row ? 'Changed' : 'Noted'} ${read.name || `a ${read.what}`}`,
    removed: (row) => `Took ${row.name || `a ${row.what}`} away`,
    removedWith: (row) => [
      ...rowsOf(makeover, 'opening').flatMap((opening): Operation[] =>
        opening.sharesId === row.id ? [edit('opening', opening, { sharesId: null })] : [],
      ),
      ...withoutOpenings(makeover, new Set([row.id])),
    ],
    caution: both,
  })
}

export function fixtureForm(setting: Setting, wallId: string | null = null) {
  const { entry } = setting
  const walls = wallOptions(setting)
  const sized = (texts: Readonly<Record<string, string>>): boolean =>
    !['socket', 'switch', 'light point'].includes(texts.what ?? '')
  return rowForm({
    kind: 'fixture',
    title: (row) => (row ? row.name || `A ${row.what}` : 'A fixed thing'),
    fields: (row) => ({
      what: choiceField(fixtureKinds, row?.what ?? 'socket'),
      name: textField(row?.name),
      wallId: choiceField(values(walls), row?.wallId ?? wallId ?? ''),
      fromMm: distanceField(entry, row?.fromMm ?? 0),
      measuredFrom: choiceField(['start', 'end'], row?.fromEnd ? 'end' : 'start'),
      aboveMm: distanceField(entry, row?.aboveMm ?? 0),
      widthMm: maybeLengthField(entry, row?.widthMm ?? null),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      outMm: distanceField(entry, row?.outMm ?? 0),
      note: textField(row?.note),
      outOfSight: yesField(row?.outOfSight ?? false),
    }),
    layout: [
      [
        { key: 'what', label: 'What', as: 'choice', options: asOptions(fixtureKinds) },
        { key: 'name', label: 'Called', optional: true },
        { key: 'wallId', label: 'On', as: 'choice', options: walls },
      ],
      [
        { key: 'fromMm', label: 'So far along', unit: entry.unit },
        {
          key: 'measuredFrom',
          label: 'From',
          as: 'choice',
          options: [
            { value: 'start', label: 'the first corner (left)' },
            { value: 'end', label: 'the last corner (right)' },
          ],
        },
        { key: 'aboveMm', label: 'Above the floor', unit: entry.unit, hint: 'its underside; a point, its middle' },
      ],
      [
        { key: 'widthMm', label: 'Width', optional: true, unit: entry.unit, when: sized },
        { key: 'heightMm', label: 'Height', optional: true, unit: entry.unit, when: sized },
        { key: 'depthMm', label: 'Stands out by', optional: true, unit: entry.unit, when: sized },
        {
          key: 'outMm',
          label: 'Off the wall',
          unit: entry.unit,
          hint: '0 on it; a ceiling point so far into the room',
        },
      ],
      [
        { key: 'note', label: 'Note', optional: true },
        { key: 'outOfSight', label: 'It stays, wanted out of sight', as: 'yes' },
      ],
    ],
    toRow: ({ measuredFrom, ...read }) => ({ ...read, fromEnd: measuredFrom === 'end' }),
    sentence: (read, row) => `${row ? 'Changed' : 'Noted'} ${read.name || `a ${read.what}`}`,
    removed: (row) => `Took ${row.name || `a ${row.what}`} away`,
    caution: 'New points, gas and water are for licensed trades. Power off before a cover plate comes off.',
  })
}
