import type { Makeover } from '../makeover/document.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { Room } from '../survey/index.ts'
import { catalogue } from './catalogue.ts'
import { placementGuards } from './guards.ts'
import { placementKinds } from './kinds.ts'
import { placedIn, sharePlaced, type RoomPlaced } from './reckoned.ts'
import { placementRemedies } from './remedies.ts'
import { placementRemarks } from './remarks.ts'
import { hungRooms, type RoomHung } from './hung/reckoned.ts'
import { hungRemarks } from './hung/remarks.ts'
import { lightOfRooms, type RoomLight } from './light/reckoned.ts'
import { lightRemarks } from './light/remarks.ts'
import type { ShelfCheck } from './shelves/checks.ts'
import { shelfChecksOf } from './shelves/reckoned.ts'
import { shelfRemarks } from './shelves/remarks.ts'
import { whereabouts } from './whereabouts.ts'
import { eyeHeight } from '../makeover/household.ts'
import type { Whereabouts } from '../makeover/whereabouts.ts'

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
    part({
      name: 'hung',
      reads: {
        rows: ['piece', 'opening', 'fixture'],
        figures: ['candidate', 'constraint', 'fixing', 'hanging', 'permission', 'resident'],
        rules: ['hang.'],
        schools: true,
        parts: ['rooms', 'placed'],
      },
      reckon: ({
        makeover,
        practice,
        parts,
      }: Given<{ rooms: readonly Room[]; placed: readonly RoomPlaced[] }>): readonly RoomHung[] =>
        hungRooms(makeover, parts.rooms, parts.placed, practice),
    }),
    part({
      name: 'light',
      reads: {
        rows: ['piece', 'candidate', 'finish'],
        figures: [
          'lamp',
          'hanging',
          'standing',
          'fixing',
          'treatment',
          'treatedPart',
          'footprint',
          'fixture',
          'opening',
          'zone',
        ],
        rules: ['light.'],
        schools: true,
        parts: ['rooms', 'placed'],
      },
      reckon: ({
        makeover,
        practice,
        parts,
      }: Given<{ rooms: readonly Room[]; placed: readonly RoomPlaced[] }>): readonly RoomLight[] =>
        lightOfRooms(makeover, parts.rooms, parts.placed, practice),
    }),
    part({
      name: 'shelves',
      reads: {
        rows: ['piece', 'showpiece', 'shelving'],
        figures: ['candidate', 'finish', 'treatment', 'treatedPart', 'room'],
        rules: ['shelf.'],
      },
      reckon: ({ makeover, practice }: Given<object>): readonly ShelfCheck[] => shelfChecksOf(makeover, practice.rules),
    }),
    part({
      name: 'whereabouts',
      reads: { figures: ['resident'], rules: ['sight.'], parts: ['rooms', 'placed'] },
      reckon: ({
        makeover,
        practice,
        parts,
      }: Given<{ rooms: readonly Room[]; placed: readonly RoomPlaced[] }>): Whereabouts =>
        whereabouts(parts.rooms, parts.placed, eyeHeight(makeover, practice.rules)),
    }),
  ],
  remarks: part({
    name: 'remarks of the placement',
    reads: {
      rows: ['zone'],
      figures: ['makeover', 'standing', 'hanging', 'opening', 'fixture', 'constraint', 'room'],
      rules: ['place.', 'rug.', 'hang.', 'light.', 'shelf.', 'room.small'],
      schools: true,
      parts: ['placed', 'hung', 'light', 'shelves'],
    },
    reckon: ({
      makeover,
      practice,
      parts,
    }: Given<{
      placed: readonly RoomPlaced[]
      hung: readonly RoomHung[]
      light: readonly RoomLight[]
      shelves: readonly ShelfCheck[]
    }>) => [
      ...placementRemarks(makeover, parts.placed, practice),
      ...hungRemarks(makeover, parts.hung, practice.rules),
      ...lightRemarks(makeover, parts.light, practice.rules),
      ...shelfRemarks(makeover, parts.shelves, practice.rules),
    ],
  }),
  remedies: placementRemedies,
  guards: (_before, after) => placementGuards(after.makeover),
  progress: (makeover: Makeover, { placed }: { placed: readonly RoomPlaced[] }) => sharePlaced(makeover, placed),
} as const satisfies Step
