import { paletteFinishes } from '../makeover/laid.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import type { Whereabouts } from '../makeover/whereabouts.ts'
import type { Remark } from '../remarks/remark.ts'
import { catalogue, codeOf } from './catalogue.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { FinishArea } from '../surfaces/index.ts'
import type { Room } from '../survey/index.ts'
import { paletteAttention } from './attention.ts'
import { toldByNames } from './told.ts'
import { reckonPalette, type Palette } from './finishes.ts'
import { paletteGuards } from './guards.ts'
import { paletteKinds } from './kinds.ts'
import { paletteRemarks } from './remarks/index.ts'
import { paletteRemedies } from './remedies.ts'

/** The rules that a colour is read, compared and weighed by. */
const colourRules = [
  'balance.',
  'clash.',
  'colour.',
  'door.',
  'hue.',
  'lrv.',
  'metals.',
  'palette.',
  'pattern.',
  'tie.',
  'typical.',
  'wall.',
  'words.',
]

export const step = {
  name: 'palette',
  title: 'Palette',
  kinds: Object.keys(paletteKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'told',
      inner: true,
      reads: { rows: ['piece', 'candidate'] },
      reckon: ({ makeover }): string => toldByNames(makeover),
    }),
    part({
      name: 'palette',
      reads: {
        rows: ['finish'],
        figures: [
          'makeover',
          'treatment',
          'treatedPart',
          'patternPart',
          'candidateColour',
          'piece',
          'candidate',
          'opening',
          'wall',
        ],
        rules: colourRules,
        schools: true,
        parts: ['lying', 'rooms', 'told', 'whereabouts'],
      },
      reckon: ({
        makeover,
        practice,
        parts,
      }: Given<{
        lying: ReadonlyMap<string, FinishArea>
        rooms: readonly Room[]
        told: string
        whereabouts: Whereabouts
      }>): Palette => reckonPalette(makeover, practice, parts.lying, parts.rooms, parts.told, parts.whereabouts),
    }),
  ],
  remarks: part({
    name: 'remarks of the palette',
    reads: {
      rows: ['finish', 'piece', 'constraint'],
      figures: [
        'makeover',
        'treatment',
        'treatedPart',
        'candidate',
        'purchase',
        'sample',
        'viewing',
        'patternPart',
        'candidateColour',
      ],
      rules: [...colourRules, 'envelope.', 'quiet.', 'woods.', 'room.'],
      schools: true,
      parts: ['palette'],
    },
    reckon: ({ makeover, practice, parts }: Given<{ palette: Palette }>) =>
      paletteRemarks(makeover, parts.palette, practice),
  }),
  attention: part({
    name: 'attention to the palette',
    reads: { rows: ['finish'], figures: ['sample', 'viewing', 'purchase', 'piece'], rules: ['dates.'], today: true },
    reckon: ({ makeover, practice, today }) => paletteAttention(makeover, practice.rules, today),
  }),
  remedies: paletteRemedies,
  guards: (_before, after) => paletteGuards(after.makeover),
  // a finish counts when it clashes with nothing
  progress: (makeover, { remarks }: { remarks: readonly Remark[] }) => {
    const finishes = paletteFinishes(makeover).length
    const clashes = remarks.filter((remark) => remark.code === codeOf('clash') && remark.accepted === null).length
    return finishes === 0 ? 0 : Math.max(0, finishes - clashes) / finishes
  },
} as const satisfies Step
