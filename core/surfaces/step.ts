import { treatmentsOf } from '../makeover/laid.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { Room, Surveyed } from '../survey/index.ts'
import { catalogue } from './catalogue.ts'
import { finishAreas, type FinishArea, type Measured } from './finish-areas.ts'
import { surfaceGuards } from './guards.ts'
import { surfaceKinds } from './kinds.ts'
import { surfaceRemarks } from './remarks.ts'

export const step = {
  name: 'surfaces',
  title: 'Surfaces',
  kinds: Object.keys(surfaceKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'lying',
      reads: { figures: ['finish', 'treatment', 'treatedPart'], parts: ['rooms', 'survey'] },
      reckon: ({
        makeover,
        parts,
      }: Given<{ rooms: readonly Room[]; survey: Surveyed }>): ReadonlyMap<string, FinishArea> =>
        finishAreas(makeover, measuredRooms(parts.rooms, parts.survey)),
    }),
  ],
  remarks: part({
    name: 'remarks of the surfaces',
    reads: { rows: ['finish', 'treatment', 'treatedPart'] },
    reckon: ({ makeover }) => surfaceRemarks(makeover),
  }),
  guards: (_before, after) => surfaceGuards(after.makeover),
  progress: (makeover) => (treatmentsOf(makeover).length > 0 ? 1 : 0),
} as const satisfies Step

/** The rooms that are measured, each with what it comes to. */
export const measuredRooms = (rooms: readonly Room[], survey: Surveyed): Measured[] =>
  rooms.flatMap((room) => {
    const areas = survey.rooms.find(({ roomId }) => roomId === room.id)?.areas
    return areas ? [{ room, areas }] : []
  })
