/** The small forms of the placement: where a thing stands, its footprint, what opens, a layout. */
import { footprints } from '#core/makeover/choices.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { remove } from '#core/makeover/change.ts'
import { measuredFrom, placeOffWalls, type Body, type Setting } from '#core/placement/index.ts'
import {
  choiceField,
  distanceField,
  lengthField,
  maybeLengthField,
  numberField,
  textField,
  yesField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

export type PlacementSetting = { readonly makeover: Makeover; readonly entry: Entry }

/** Where a thing stands, typed as it is measured: so far from two walls, and how it is turned. */
export function standingForm({ entry }: PlacementSetting, setting: Setting, body: Body) {
  const walls = setting.room.walls.map(({ row, name }) => ({ value: row.id, label: name }))
  const ids = walls.map(({ value }) => value)
  const [first, second] = measuredFrom(setting, body)
  const segmentOf = (wallId: string) => {
    const wall = setting.room.walls.find(({ row }) => row.id === wallId)
    return wall ? ([wall.from, wall.to] as const) : null
  }
  const placed = (read: { firstId: string; firstMm: number; secondId: string; secondMm: number; turnDeg: number }) => {
    const [near, far] = [segmentOf(read.firstId), segmentOf(read.secondId)]
    return near && far && body.thing
      ? placeOffWalls(
          body.thing,
          read.turnDeg % 360,
          { segment: near, mm: read.firstMm },
          { segment: far, mm: read.secondMm },
        )
      : null
  }
  return rowForm({
    kind: 'standing',
    title: () => `Where ${body.name} stands`,
    fields: (row) => ({
      firstMm: distanceField(entry, Math.max(0, first?.mm ?? 0)),
      firstId: choiceField(ids, first?.wallId ?? ids[0] ?? ''),
      secondMm: distanceField(entry, Math.max(0, second?.mm ?? 0)),
      secondId: choiceField(ids, second?.wallId ?? ids[1] ?? ''),
      turnDeg: numberField(Math.round((row?.turnDeg ?? 0) * 10) / 10, 1),
      pinned: yesField(row?.pinned ?? false),
    }),
    layout: [
      [
        { key: 'firstMm', label: 'So far', unit: entry.unit },
        { key: 'firstId', label: 'From', as: 'choice', options: walls },
      ],
      [
        { key: 'secondMm', label: 'And so far', unit: entry.unit },
        { key: 'secondId', label: 'From', as: 'choice', options: walls },
      ],
      [
        { key: 'turnDeg', label: 'Turned, counterclockwise', unit: '°' },
        { key: 'pinned', label: 'It stays here, whoever arranges', as: 'yes' },
      ],
    ],
    toRow: (read, row) => {
      const at = placed(read) ?? { xMm: row?.xMm ?? 0, yMm: row?.yMm ?? 0, turnDeg: read.turnDeg % 360 }
      return {
        layoutId: row?.layoutId ?? '',
        pieceId: row?.pieceId ?? '',
        number: row?.number ?? 1,
        pinned: read.pinned,
        ...at,
      }
    },
    check: (read) => [
      ...(placed(read)
        ? []
        : [{ field: 'secondId' as const, message: 'runs along the first: expected a wall across it' }]),
      ...(read.turnDeg > 360
        ? [{ field: 'turnDeg' as const, message: 'is more than once round: expected up to 360' }]
        : []),
    ],
    sentence: () => `Said where ${body.name} stands`,
    removed: () => `Put ${body.name} back at the door`,
  })
}

/** What of a piece meets the floor, and the room it needs. */
export function footprintForm({ entry }: PlacementSetting, piece: Row<'piece'>) {
  const side = (start: number | null | undefined) => maybeLengthField(entry, start ?? null)
  return rowForm({
    kind: 'footprint',
    title: () => `The footprint of ${piece.name}`,
    fields: (row) => ({
      shape: choiceField(footprints, row?.shape ?? 'rectangle'),
      notchWidthMm: maybeLengthField(entry, row?.notchWidthMm ?? null),
      notchDepthMm: maybeLengthField(entry, row?.notchDepthMm ?? null),
      points: textField(row?.points ?? ''),
      clearUnderMm: maybeLengthField(entry, row?.clearUnderMm ?? null),
      legsInMm: side(row?.legsInMm),
      frontMm: side(row?.frontMm),
      backMm: side(row?.backMm),
      leftMm: side(row?.leftMm),
      rightMm: side(row?.rightMm),
      leadMm: maybeLengthField(entry, row?.leadMm ?? null),
      packedWidthMm: maybeLengthField(entry, row?.packedWidthMm ?? null),
      packedDepthMm: maybeLengthField(entry, row?.packedDepthMm ?? null),
      packedHeightMm: maybeLengthField(entry, row?.packedHeightMm ?? null),
      legsOffMm: maybeLengthField(entry, row?.legsOffMm ?? null),
    }),
    layout: [
      [
        { key: 'shape', label: 'Seen from above', as: 'choice', options: asOptions(footprints) },
        {
          key: 'notchWidthMm',
          label: 'Missing at its front right, wide',
          optional: true,
          unit: entry.unit,
          when: ({ shape }) => shape === 'L',
        },
        {
          key: 'notchDepthMm',
          label: 'and deep',
          optional: true,
          unit: entry.unit,
          when: ({ shape }) => shape === 'L',
        },
        {
          key: 'points',
          label: 'Its corners in order, in mm',
          hint: '0 0, 900 0, 900 600',
          when: ({ shape }) => shape === 'drawn',
        },
      ],
      [
        {
          key: 'frontMm',
          label: 'Room in front',
          optional: true,
          unit: entry.unit,
          hint: 'by what it is, where nothing is said',
        },
        { key: 'backMm', label: 'behind', optional: true, unit: entry.unit },
        { key: 'leftMm', label: 'on its left', optional: true, unit: entry.unit },
        { key: 'rightMm', label: 'on its right', optional: true, unit: entry.unit },
      ],
      [
        { key: 'clearUnderMm', label: 'Clear under it', optional: true, unit: entry.unit },
        { key: 'legsInMm', label: 'Its legs stand in by', optional: true, unit: entry.unit },
        { key: 'leadMm', label: 'Its lead', optional: true, unit: entry.unit },
      ],
      [
        { key: 'packedWidthMm', label: 'Carried in, wide', optional: true, unit: entry.unit },
        { key: 'packedDepthMm', label: 'deep', optional: true, unit: entry.unit },
        { key: 'packedHeightMm', label: 'high', optional: true, unit: entry.unit },
        { key: 'legsOffMm', label: 'lower with its legs off by', optional: true, unit: entry.unit },
      ],
    ],
    toRow: (read) => ({ ...read, pieceId: piece.id }),
    sentence: () => `Said what of ${piece.name} meets the floor`,
  })
}

/** A way a thing opens. */
export function openStateForm({ entry }: PlacementSetting, piece: Row<'piece'>) {
  return rowForm({
    kind: 'openState',
    title: (row) => (row ? `${piece.name}, ${row.name}` : `How ${piece.name} opens`),
    fields: (row) => ({
      name: textField(row?.name ?? ''),
      frontMm: distanceField(entry, row?.frontMm ?? 0),
      backMm: distanceField(entry, row?.backMm ?? 0),
      leftMm: distanceField(entry, row?.leftMm ?? 0),
      rightMm: distanceField(entry, row?.rightMm ?? 0),
      heightMm: maybeLengthField(entry, row?.heightMm ?? null),
    }),
    layout: [
      [{ key: 'name', label: 'Called', hint: 'open as a bed, drawers out, leaf up' }],
      [
        { key: 'frontMm', label: 'Further in front', unit: entry.unit },
        { key: 'backMm', label: 'behind', unit: entry.unit },
        { key: 'leftMm', label: 'on its left', unit: entry.unit },
        { key: 'rightMm', label: 'on its right', unit: entry.unit },
      ],
      [{ key: 'heightMm', label: 'Its height then', optional: true, unit: entry.unit }],
    ],
    toRow: (read) => ({ ...read, pieceId: piece.id }),
    sentence: ({ name }, row) => (row ? `Changed how ${piece.name} opens` : `${piece.name} opens: ${name}`),
    removed: (row) => `${piece.name} no longer opens: ${row.name}`,
  })
}

/** A layout of a room: what stood in it goes with it. */
export function layoutForm({ makeover }: PlacementSetting, roomId: string) {
  const layouts = rowsOf(makeover, 'layout').filter((row) => row.roomId === roomId)
  return rowForm({
    kind: 'layout',
    title: (row) => (row ? `The layout ${row.name}` : 'Another layout'),
    fields: (row) => ({ name: textField(row?.name ?? '') }),
    layout: [[{ key: 'name', label: 'Called', hint: 'As it will be, round the fire' }]],
    toRow: ({ name }, row) => ({
      name,
      roomId,
      place: row?.place ?? layouts.length,
      inForce: row?.inForce ?? layouts.length === 0,
    }),
    sentence: ({ name }, row) => (row ? `The layout is called ${name}` : `Began the layout ${name}`),
    removed: (row) => `Took the layout ${row.name} away`,
    removedWith: (row) =>
      rowsOf(makeover, 'standing')
        .filter((standing) => standing.layoutId === row.id)
        .map((standing) => remove('standing', standing)),
  })
}

/** A size that rugs are sold in, or one of the usual ones that is left out. */
export function rugSizeForm({ entry }: PlacementSetting) {
  return rowForm({
    kind: 'rugSize',
    title: (row) => (row ? 'A size of rug' : 'A further size of rug'),
    fields: (row) => ({
      widthMm: lengthField(entry, row?.widthMm ?? null),
      lengthMm: lengthField(entry, row?.lengthMm ?? null),
      leftOut: yesField(row?.leftOut ?? false),
    }),
    layout: [
      [
        { key: 'widthMm', label: 'Wide', unit: entry.unit },
        { key: 'lengthMm', label: 'Long', unit: entry.unit },
        { key: 'leftOut', label: 'It is not to be had: leave it out', as: 'yes' },
      ],
    ],
    toRow: (read) => read,
    sentence: ({ leftOut }) => (leftOut ? 'Left a size of rug out' : 'Took in a size of rug'),
    removed: () => 'Took a size of rug away',
  })
}
