import type { Makeover } from '../makeover/document.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { Room } from '../survey/index.ts'
import { catalogue } from './catalogue.ts'
import { placementGuards } from './guards.ts'
import { placementKinds } from './kinds.ts'
import { placedIn, sharePlaced, type RoomPlaced } from './reckoned.ts'
import { placementRemarks } from './remarks.ts'

export const step = {
  name: 'placement',
  title: 'Placement',
  kinds: Object.keys(placementKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'placed',
      reads: {
        rows: ['piece', 'openState', 'passage', 'footprint', 'need'],
        figures: ['makeover', 'candidate', 'layout', 'standing'],
        rules: ['place.', 'rug.'],
        schools: true,
        parts: ['rooms'],
      },
      reckon: ({ makeover, practice, parts }: Given<{ rooms: readonly Room[] }>): readonly RoomPlaced[] =>
        placedIn(makeover, parts.rooms, practice),
    }),
  ],
  remarks: part({
    name: 'remarks of the placement',
    reads: {
      rows: ['zone'],
      figures: ['makeover', 'standing', 'opening', 'fixture', 'constraint', 'room'],
      rules: ['place.', 'rug.', 'room.small'],
      schools: true,
      parts: ['placed'],
    },
    reckon: ({ makeover, practice, parts }: Given<{ placed: readonly RoomPlaced[] }>) =>
      placementRemarks(makeover, parts.placed, practice),
  }),
  guards: (_before, after) => placementGuards(after.makeover),
  progress: (makeover: Makeover, { placed }: { placed: readonly RoomPlaced[] }) => sharePlaced(makeover, placed),
} as const satisfies Step
