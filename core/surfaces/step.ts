import type { MakeoverKind } from '../makeover/kinds.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import { type Whereabouts } from '../makeover/whereabouts.ts'
import type { Room, Surveyed } from '../survey/index.ts'
import { catalogue } from './catalogue.ts'
import { finishAreas, type FinishArea, type Measured } from './finish-areas.ts'
import { surfaceGuards } from './guards.ts'
import { surfaceKinds } from './kinds.ts'
import type { Money } from '../purchases/index.ts'
import { surfaceRemarks } from './remarks.ts'
import { surfaceRemedies } from './remedies.ts'
import { takeOffs } from './take-off/index.ts'
import { dressedWindows, dressingLines, windowRemarks, type DressedWindow } from './windows/index.ts'
import { withoutPicture, type TakeOff } from './take-off/told.ts'

const takeOffRules = [
  'paint.',
  'paper.',
  'tile.',
  'boards.',
  'carpet.',
  'moulding.',
  'panels.',
  'rail.',
  'ground.',
  'prepare.',
  'survey.',
]

/** What is cured at the window itself. */
const atTheWindow = [
  'dressing-refused',
  'pole-place',
  'pole-drill',
  'stand-off',
  'over-radiator',
  'near-fire',
  'recess',
  'too-light',
  'covers-glass',
  'cords',
] as const satisfies readonly (keyof typeof catalogue)[]
const softRules = ['curtain.', 'blind.', 'pelmet.']
type Remarked = {
  readonly takeOffs: readonly TakeOff[]
  readonly dressings: readonly DressedWindow[]
  readonly money: Money
}

export const step = {
  name: 'surfaces',
  title: 'Surfaces',
  kinds: Object.keys(surfaceKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'takeOffs',
      reads: {
        rows: ['finish', 'treatment', 'saleSize'],
        figures: ['makeover', 'treatedPart', 'piece', 'candidate', 'makeUp'],
        rules: takeOffRules,
        parts: ['rooms', 'survey'],
      },
      reckon: ({
        makeover,
        practice,
        parts,
      }: Given<{ rooms: readonly Room[]; survey: Surveyed }>): readonly TakeOff[] =>
        takeOffs(makeover, measuredRooms(parts.rooms, parts.survey), practice.rules).map(withoutPicture),
    }),
    part({
      name: 'dressings',
      reads: {
        rows: ['dressing'],
        figures: ['makeover', 'piece', 'candidate', 'makeUp'],
        rules: softRules,
        parts: ['rooms'],
      },
      reckon: ({ makeover, practice, parts }: Given<{ rooms: readonly Room[] }>): readonly DressedWindow[] =>
        dressedWindows(makeover, parts.rooms, practice.rules),
    }),
    part({
      name: 'lying',
      reads: { figures: ['finish', 'treatment', 'treatedPart'], parts: ['rooms', 'survey', 'whereabouts'] },
      reckon: ({
        makeover,
        parts,
      }: Given<{
        rooms: readonly Room[]
        survey: Surveyed
        whereabouts: Whereabouts
      }>): ReadonlyMap<string, FinishArea> =>
        finishAreas(makeover, measuredRooms(parts.rooms, parts.survey), parts.whereabouts),
    }),
  ],
  remarks: part({
    name: 'remarks of the surfaces',
    reads: {
      rows: ['finish', 'treatment', 'treatedPart', 'piece', 'zone'],
      figures: ['makeover', 'candidate', 'saleSize', 'constraint', 'permission'],
      rules: ['tile.', ...softRules],
      parts: ['takeOffs', 'dressings', 'money'],
    },
    reckon: ({ makeover, practice: { rules }, parts }: Given<Remarked>) => [
      ...surfaceRemarks(makeover, parts.takeOffs, parts.money, rules),
      ...windowRemarks(makeover, parts.dressings, rules),
      ...dressingLines(makeover, parts.dressings, parts.money),
    ],
  }),
  remedies: surfaceRemedies,
  ways: Object.fromEntries(
    atTheWindow.map((code) => [code, { words: 'See it at its window', step: 'windows', query: {} }]),
  ),
  guards: (_before, after) => surfaceGuards(after.makeover),
  // a treatment that takes something counts when it has a line to buy
  progress: (_makeover, { takeOffs: taken }: { takeOffs: readonly TakeOff[] }) => {
    const asking = taken.filter(({ treatment, reckoned }) => treatment.insteadOfId === null && reckoned !== null)
    return asking.length === 0 ? 0 : asking.filter(({ treatment }) => treatment.pieceId !== null).length / asking.length
  },
} as const satisfies Step

/** The rooms that are measured, each with what it comes to. */
export const measuredRooms = (rooms: readonly Room[], survey: Surveyed): Measured[] =>
  rooms.flatMap((room) => {
    const areas = survey.rooms.find(({ roomId }) => roomId === room.id)?.areas
    return areas ? [{ room, areas }] : []
  })
