/** The small forms of the survey. */
import { edit } from '#core/makeover/change.ts'
import { activities, bowings, corners, curves, passageKinds, roomUses } from '#core/makeover/choices.ts'
import { wallStuffs } from '#core/makeover/room-choices.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import { nameOfWall, takeOutWall, wallsOf } from '#core/survey/index.ts'
import {
  choiceField,
  distanceField,
  lengthField,
  maybeChoiceField,
  maybeDateField,
  maybeLengthField,
  maybeNumberField,
  numberField,
  severalField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

export type Setting = { readonly makeover: Makeover; readonly entry: Entry; readonly roomId: string }

export const wallOptions = ({ makeover, roomId }: Setting) =>
  wallsOf(makeover, roomId).map((wall, at) => ({ value: wall.id, label: nameOfWall(wall, at) }))

export const cornerOptions = ({ makeover, roomId }: Setting) =>
  wallsOf(makeover, roomId).map((wall, at) => ({ value: wall.id, label: `Corner ${at + 1}` }))

export const values = (options: readonly { readonly value: string }[]): string[] =>
  options.map((option) => option.value)

export const both = 'Measured along the wall to its near edge; a point, as a socket, to its middle.'

export function surveyForm({ entry, roomId, makeover }: Setting) {
  const room = makeover.rows.room[roomId]?.name ?? ''
  return rowForm({
    kind: 'survey',
    title: () => `Heights of ${room}`,
    fields: (row) => ({
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      dadoMm: maybeLengthField(entry, row?.dadoMm ?? null),
      railMm: maybeLengthField(entry, row?.railMm ?? null),
      facesDeg: maybeNumberField(row?.facesDeg ?? null, 1),
      measuredOn: maybeDateField(row?.measuredOn ?? null),
      note: textField(row?.note),
    }),
    layout: [
      [
        {
          key: 'heightMm',
          label: 'Ceiling',
          optional: true,
          unit: entry.unit,
          hint: 'where it is level, above the floor',
        },
        { key: 'dadoMm', label: 'Dado', optional: true, unit: entry.unit },
        { key: 'railMm', label: 'Picture rail', optional: true, unit: entry.unit },
      ],
      [
        {
          key: 'facesDeg',
          label: 'Facing the first wall one looks',
          optional: true,
          unit: '°',
          hint: '0 north, 90 east',
        },
        { key: 'measuredOn', label: 'Measured on', optional: true },
      ],
      [{ key: 'note', label: 'Note', lines: 2 }],
    ],
    toRow: (read) => ({ ...read, roomId }),
    sentence: () => `Noted the heights of ${room}`,
  })
}

export function wallForm(setting: Setting, at: number) {
  const { entry, makeover } = setting
  return rowForm({
    kind: 'wall',
    title: (row) => (row ? nameOfWall(row, at) : 'A wall'),
    fields: (row) => ({
      name: textField(row?.name),
      lengthMm: maybeLengthField(entry, row?.lengthMm ?? null),
      corner: choiceField(corners, row?.corner ?? 'inside'),
      cornerDeg: maybeNumberField(row?.cornerDeg ?? null, 2),
      curve: choiceField(curves, row?.curve ?? 'straight'),
      curveMm: maybeLengthField(entry, row?.curveMm ?? null),
      bows: choiceField(bowings, row?.bows ?? 'out'),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      madeOf: choiceField(wallStuffs, row?.madeOf ?? 'not said'),
    }),
    layout: [
      [
        { key: 'name', label: 'Called', optional: true, hint: 'window side, breast' },
        { key: 'lengthMm', label: 'Length, corner to corner', optional: true, unit: entry.unit },
      ],
      [
        { key: 'corner', label: 'The corner at its end', as: 'choice', options: cornerWords },
        { key: 'cornerDeg', label: 'Its angle inside the room', unit: '°', when: (texts) => texts.corner === 'angle' },
      ],
      [
        {
          key: 'curve',
          label: 'Shape',
          as: 'choice',
          options: [
            { value: 'straight', label: 'straight' },
            { value: 'radius', label: 'an arc of a known radius' },
            { value: 'rise', label: 'an arc of a known rise' },
          ],
        },
        { key: 'curveMm', label: 'Radius or rise', unit: entry.unit, when: (texts) => texts.curve !== 'straight' },
        {
          key: 'bows',
          label: 'It bows',
          as: 'choice',
          options: [
            { value: 'out', label: 'out of the room' },
            { value: 'in', label: 'into the room' },
          ],
          when: (texts) => texts.curve !== 'straight',
        },
      ],
      [
        {
          key: 'heightMm',
          label: 'Ceiling at its first corner',
          optional: true,
          unit: entry.unit,
          hint: 'only where corners differ',
        },
        { key: 'madeOf', label: 'It is made of', as: 'choice', options: asOptions(wallStuffs) },
      ],
    ],
    toRow: (read, row) => ({
      ...read,
      cornerDeg: read.corner === 'angle' ? read.cornerDeg : null,
      curveMm: read.curve === 'straight' ? null : read.curveMm,
      roomId: row?.roomId ?? setting.roomId,
      place: row?.place ?? 0,
    }),
    sentence: (read, row) => `Changed ${row ? nameOfWall(row, at).toLowerCase() : read.name}`,
    removed: (row) => `Took ${nameOfWall(row, at).toLowerCase()} out of the walk`,
    removedWith: (row) => takeOutWall(makeover, row).filter((operation) => operation.id !== row.id),
    caution: 'Taking a wall away takes what is on it.',
  })
}

export const cornerWords = [
  { value: 'inside', label: 'square, drawn in' },
  { value: 'outside', label: 'square, jutting out' },
  { value: 'angle', label: 'measured angle' },
  { value: 'unknown', label: 'unknown angle' },
] as const

export function slopeForm(setting: Setting) {
  const walls = wallOptions(setting)
  return rowForm({
    kind: 'slope',
    title: (row) => (row ? 'A slope of the ceiling' : 'Where the ceiling comes down'),
    fields: (row) => ({
      wallId: choiceField(values(walls), row?.wallId ?? ''),
      lowMm: distanceField(setting.entry, row?.lowMm ?? 0),
      runMm: lengthField(setting.entry, row?.runMm ?? null),
    }),
    layout: [
      [
        { key: 'wallId', label: 'Towards', as: 'choice', options: walls },
        { key: 'lowMm', label: 'Its height at the wall', unit: setting.entry.unit },
        { key: 'runMm', label: 'Full height so far from it', unit: setting.entry.unit, hint: 'along the floor' },
      ],
    ],
    toRow: (read) => read,
    sentence: () => 'Noted a slope of the ceiling',
    removed: () => 'Took a slope of the ceiling away',
  })
}

export function passageForm({ makeover, entry }: Setting) {
  const last = Math.max(0, ...rowsOf(makeover, 'passage').map((row) => row.place))
  return rowForm({
    kind: 'passage',
    title: (row) => (row ? row.name : 'A stage of the way in'),
    fields: (row) => ({
      what: choiceField(passageKinds, row?.what ?? 'door'),
      name: textField(row?.name),
      place: numberField(row?.place ?? last + 1, 3),
      widthMm: lengthField(entry, row?.widthMm ?? null),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'what', label: 'What', as: 'choice', options: asOptions(passageKinds) },
        { key: 'name', label: 'Called' },
        { key: 'place', label: 'Place in order', hint: '1 is nearest the street' },
      ],
      [
        { key: 'widthMm', label: 'Clear width', unit: entry.unit },
        { key: 'heightMm', label: 'Clear height', optional: true, unit: entry.unit },
        {
          key: 'depthMm',
          label: 'Second width, or depth',
          optional: true,
          unit: entry.unit,
          when: (texts) => texts.what === 'turn' || texts.what === 'lift' || texts.what === 'stair',
        },
      ],
      [{ key: 'note', label: 'Note', optional: true, hint: 'load of a lift, steps, who opens' }],
    ],
    toRow: (read) => read,
    sentence: (read, row) => `${row ? 'Changed' : 'Measured'} the way in: ${read.name}`,
    removed: (row) => `Took ${row.name} out of the way in`,
  })
}

export function zoneForm(setting: Setting) {
  const { entry, makeover } = setting
  const walls = wallOptions(setting)
  return rowForm({
    kind: 'zone',
    title: (row) => (row ? row.name : 'A zone of the room'),
    fields: (row) => ({
      name: textField(row?.name),
      wallId: maybeChoiceField(values(walls), row?.wallId ?? null),
      fromMm: distanceField(entry, row?.fromMm ?? 0),
      widthMm: maybeLengthField(entry, row?.widthMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      activity: maybeChoiceField(activities, row?.activity ?? null),
    }),
    layout: [
      [
        { key: 'name', label: 'Called' },
        {
          key: 'activity',
          label: 'What is done there',
          as: 'choice',
          options: asOptions(activities),
          none: 'not said',
        },
        { key: 'wallId', label: 'Off', as: 'choice', options: walls, none: 'no wall: it has no place yet' },
      ],
      [
        { key: 'fromMm', label: 'From so far along', unit: entry.unit, when: (texts) => texts.wallId !== '' },
        { key: 'widthMm', label: 'Width', unit: entry.unit, when: (texts) => texts.wallId !== '' },
        { key: 'depthMm', label: 'Depth, into the room', unit: entry.unit, when: (texts) => texts.wallId !== '' },
      ],
    ],
    toRow: (read) => ({
      ...read,
      roomId: setting.roomId,
      ...(read.wallId === null ? { fromMm: null, widthMm: null, depthMm: null } : {}),
    }),
    sentence: (read, row) => `${row ? 'Changed' : 'Parted off'} the zone ${read.name}`,
    removed: (row) => `Took the zone ${row.name} away`,
    removedWith: (row) => [
      ...rowsOf(makeover, 'need')
        .filter((need) => need.zoneId === row.id)
        .map((need) => edit('need', need, { zoneId: null })),
      ...rowsOf(makeover, 'piece')
        .filter((piece) => piece.zoneId === row.id)
        .map((piece) => edit('piece', piece, { zoneId: null })),
    ],
  })
}

/** A new room, with one to be measured. */
export function roomForm() {
  return rowForm({
    kind: 'room',
    title: (row) => (row ? row.name : 'Another room'),
    fields: (row) => ({ name: textField(row?.name), uses: severalField(roomUses, row?.uses ?? '') }),
    layout: [
      [{ key: 'name', label: 'Called' }],
      [{ key: 'uses', label: 'What things in it have to stand', as: 'several', options: asOptions(roomUses) }],
    ],
    toRow: (read) => read,
    sentence: (read, row) => (row ? `The room is called ${read.name}` : `Took in the room ${read.name}`),
  })
}
