/** The small forms of what checks a survey: diagonals, corners tested with a triangle, clear widths by height. */
import { byId } from '#core/makeover/by-id.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { wallsOf } from '#core/survey/index.ts'
import { choiceField, distanceField, lengthField, maybeChoiceField } from '../parts/form.ts'
import { rowForm } from '../parts/rowform.ts'
import { cornerOptions, values, wallOptions, type Setting } from './forms.ts'

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

/** A corner held against a triangle: 3, 4 and 5 of anything make a right angle. */
export function squareTestForm(setting: Setting) {
  const options = cornerOptions(setting)
  const walls = wallsOf(setting.makeover, setting.roomId)
  // a corner is named by the wall that begins there; the test hangs on the wall that ends there
  const before = (cornerId: string): string => walls.at(walls.findIndex(({ id }) => id === cornerId) - 1)?.id ?? ''
  const after = (wallId: string): string =>
    walls[(walls.findIndex(({ id }) => id === wallId) + 1) % Math.max(1, walls.length)]?.id ?? ''
  return rowForm({
    kind: 'squareTest',
    title: () => 'Is a corner square?',
    fields: (row) => ({
      cornerId: choiceField(values(options), row ? after(row.wallId) : (options[0]?.value ?? '')),
      alongMm: lengthField(setting.entry, row?.alongMm ?? null),
      nextMm: lengthField(setting.entry, row?.nextMm ?? null),
      acrossMm: lengthField(setting.entry, row?.acrossMm ?? null),
    }),
    layout: [
      [{ key: 'cornerId', label: 'Which corner', as: 'choice', options }],
      [
        { key: 'alongMm', label: 'Marked along the wall on its left', unit: setting.entry.unit },
        { key: 'nextMm', label: 'Marked along the wall on its right', unit: setting.entry.unit },
        { key: 'acrossMm', label: 'From mark to mark', unit: setting.entry.unit },
      ],
    ],
    toRow: ({ cornerId, ...read }) => ({ ...read, wallId: before(cornerId) }),
    names: { wallId: 'cornerId' },
    check: ({ alongMm, nextMm, acrossMm }) =>
      acrossMm >= alongMm + nextMm || acrossMm <= Math.abs(alongMm - nextMm)
        ? [{ field: 'acrossMm', message: 'makes no triangle with the two marks: expected less than both together' }]
        : [],
    sentence: () => 'Tested a corner with a triangle',
    removed: () => 'Took a corner test away',
    caution: 'Measure at least a metre along each wall: shorter legs cannot tell.',
  })
}

/** An alcove is narrowest where it is narrowest: its clear width, at several heights and between the skirtings. */
export function clearWidthForm(setting: Setting, wallId: string | null = null) {
  const walls = wallOptions(setting)
  const niches = rowsOf(setting.makeover, 'opening')
    .filter(({ what, wallId }) => what !== 'door' && walls.some(({ value }) => value === wallId))
    .map((row) => ({ value: row.id, label: row.name || row.what }))
  return rowForm({
    kind: 'clearWidth',
    title: () => 'A clear width at a height',
    fields: (row) => ({
      wallId: choiceField(values(walls), row?.wallId ?? wallId ?? ''),
      openingId: maybeChoiceField(values(niches), row?.openingId ?? null),
      aboveMm: distanceField(setting.entry, row?.aboveMm ?? 0),
      widthMm: lengthField(setting.entry, row?.widthMm ?? null),
    }),
    layout: [
      [
        { key: 'wallId', label: 'On', as: 'choice', options: walls },
        {
          key: 'openingId',
          label: 'In',
          as: 'choice',
          options: niches,
          none: 'the whole wall, corner to corner',
          when: () => niches.length > 0,
        },
      ],
      [
        { key: 'aboveMm', label: 'At a height of', unit: setting.entry.unit, hint: '0 is between the skirtings' },
        { key: 'widthMm', label: 'Clear width there', unit: setting.entry.unit },
      ],
    ],
    toRow: (read) => ({
      ...read,
      wallId: byId(rowsOf(setting.makeover, 'opening'), read.openingId)?.wallId ?? read.wallId,
    }),
    sentence: () => 'Measured a clear width',
    removed: () => 'Took a clear width away',
    caution: 'What is fitted is cut for the width at its own height, and needs all of it.',
  })
}
