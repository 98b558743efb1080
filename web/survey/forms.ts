/** The small forms of the survey. */
import { edit, type Operation } from '#core/makeover/change.ts'
import {
  bowings,
  corners,
  curves,
  fixtureKinds,
  hingeSides,
  openingKinds,
  passageKinds,
  swings,
} from '#core/makeover/choices.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import { nameOfWall, takeOutWall, wallsOf, type Room } from '#core/survey/index.ts'
import {
  choiceField,
  distanceField,
  lengthField,
  maybeChoiceField,
  maybeDateField,
  maybeLengthField,
  maybeNumberField,
  numberField,
  textField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

export type Setting = { readonly makeover: Makeover; readonly entry: Entry; readonly roomId: string }

const wallOptions = ({ makeover, roomId }: Setting) =>
  wallsOf(makeover, roomId).map((wall, at) => ({ value: wall.id, label: nameOfWall(wall, at) }))
const cornerOptions = ({ makeover, roomId }: Setting) =>
  wallsOf(makeover, roomId).map((wall, at) => ({ value: wall.id, label: `Corner ${at + 1}` }))
const values = (options: readonly { readonly value: string }[]): string[] => options.map((option) => option.value)
const both = 'Measured along the wall to its near edge; a point, as a socket, to its middle.'

export function surveyForm({ entry, roomId, makeover }: Setting) {
  const room = makeover.rows.room[roomId]?.name ?? ''
  return rowForm({
    kind: 'survey',
    title: () => `Heights of ${room}`,
    fields: (row) => ({
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      dadoMm: maybeLengthField(entry, row?.dadoMm ?? null),
      railMm: maybeLengthField(entry, row?.railMm ?? null),
      facesDeg: maybeNumberField(row?.facesDeg ?? null, { decimals: 1, least: 0, most: 360 }),
      measuredOn: maybeDateField(row?.measuredOn ?? null),
      note: textField(row?.note, { most: 500, may: true }),
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
      name: textField(row?.name, { most: 60, may: true }),
      lengthMm: maybeLengthField(entry, row?.lengthMm ?? null),
      corner: choiceField(corners, row?.corner ?? 'inside'),
      cornerDeg: maybeNumberField(row?.cornerDeg ?? null, { decimals: 2, least: 1, most: 359 }),
      curve: choiceField(curves, row?.curve ?? 'straight'),
      curveMm: maybeLengthField(entry, row?.curveMm ?? null),
      bows: choiceField(bowings, row?.bows ?? 'out'),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
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

export function diagonalForm(setting: Setting) {
  const options = cornerOptions(setting)
  return rowForm({
    kind: 'diagonal',
    title: () => 'From corner to corner',
    fields: (row) => ({
      fromId: choiceField(values(options), row?.fromId ?? options[0]?.value ?? ''),
      toId: choiceField(values(options), row?.toId ?? options[2]?.value ?? ''),
      lengthMm: lengthField(setting.entry, row?.lengthMm ?? null),
    }),
    layout: [
      [
        { key: 'fromId', label: 'From', as: 'choice', options },
        { key: 'toId', label: 'To', as: 'choice', options },
        { key: 'lengthMm', label: 'Length', unit: setting.entry.unit },
      ],
    ],
    toRow: (read) => read,
    sentence: () => 'Measured from corner to corner',
    removed: () => 'Took a check measure away',
    caution: 'A diagonal says whether corners are square, and which length is wrong.',
  })
}

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
      name: textField(row?.name, { most: 60, may: true }),
      wallId: choiceField(values(walls), row?.wallId ?? wallId ?? ''),
      fromMm: distanceField(entry, row?.fromMm ?? 0),
      fromEnd: choiceField(['start', 'end'], row?.fromEnd ? 'end' : 'start'),
      widthMm: lengthField(entry, row?.widthMm ?? null),
      sillMm: distanceField(entry, row?.sillMm ?? 0),
      headMm: lengthField(entry, row?.headMm ?? null),
      revealMm: maybeLengthField(entry, row?.revealMm ?? null),
      hinge: choiceField(hingeSides, row?.hinge ?? 'none'),
      swing: choiceField(swings, row?.swing ?? 'none'),
      clearMm: maybeLengthField(entry, row?.clearMm ?? null),
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
          key: 'fromEnd',
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
          key: 'sharesId',
          label: 'The same opening as',
          as: 'choice',
          options: others,
          none: 'none: it leads out of what is measured',
          when: (texts) => others.length > 0 && (texts.what === 'door' || texts.what === 'arch'),
        },
      ],
    ],
    toRow: (read) => ({ ...read, fromEnd: read.fromEnd === 'end' }),
    sentence: (read, row) => `${row ? 'Changed' : 'Noted'} ${read.name || `a ${read.what}`}`,
    removed: (row) => `Took ${row.name || `a ${row.what}`} away`,
    removedWith: (row) =>
      rowsOf(makeover, 'opening').flatMap((opening): Operation[] =>
        opening.sharesId === row.id ? [edit('opening', opening, { sharesId: null })] : [],
      ),
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
      name: textField(row?.name, { most: 60, may: true }),
      wallId: choiceField(values(walls), row?.wallId ?? wallId ?? ''),
      fromMm: distanceField(entry, row?.fromMm ?? 0),
      fromEnd: choiceField(['start', 'end'], row?.fromEnd ? 'end' : 'start'),
      aboveMm: distanceField(entry, row?.aboveMm ?? 0),
      widthMm: maybeLengthField(entry, row?.widthMm ?? null),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      outMm: distanceField(entry, row?.outMm ?? 0),
      note: textField(row?.note, { most: 300, may: true }),
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
          key: 'fromEnd',
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
      [{ key: 'note', label: 'Note', optional: true }],
    ],
    toRow: (read) => ({ ...read, fromEnd: read.fromEnd === 'end' }),
    sentence: (read, row) => `${row ? 'Changed' : 'Noted'} ${read.name || `a ${read.what}`}`,
    removed: (row) => `Took ${row.name || `a ${row.what}`} away`,
    caution: 'New points, gas and water are for licensed trades. Power off before a cover plate comes off.',
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
      place: numberField(row?.place ?? last + 1, { decimals: 3, least: 0, most: 1_000_000 }),
      widthMm: lengthField(entry, row?.widthMm ?? null),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
      depthMm: maybeLengthField(entry, row?.depthMm ?? null),
      note: textField(row?.note, { most: 500, may: true }),
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
    }),
    layout: [
      [
        { key: 'name', label: 'Called' },
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
    fields: (row) => ({ name: textField(row?.name) }),
    layout: [[{ key: 'name', label: 'Called' }]],
    toRow: (read) => read,
    sentence: (read, row) => (row ? `The room is called ${read.name}` : `Took in the room ${read.name}`),
  })
}

/** What a room's survey is made of, taken away together, so that it can be measured anew. */
export const emptied = (makeover: Makeover, room: Room): Operation[] => {
  const all = new Map(
    room.walls.flatMap((wall) => takeOutWall(makeover, wall.row)).map((operation) => [operation.id, operation]),
  )
  return [...all.values()]
}
