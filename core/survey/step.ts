import type { MakeoverKind } from '../makeover/kinds.ts'
import { catalogue } from './catalogue.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import { surveyGuards } from './guards.ts'
import { surveyKinds } from './kinds.ts'
import { surveyOf, type Surveyed } from './reckoned.ts'
import { surveyRemarks } from './remarks.ts'
import { roomsOf, type Room } from './room.ts'
import { surveyRemedies } from './remedies.ts'

const measured = ['room', 'survey', 'wall', 'slope', 'diagonal', 'squareTest', 'opening', 'fixture', 'zone'] as const

export const step = {
  name: 'survey',
  title: 'Survey',
  kinds: Object.keys(surveyKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'rooms',
      inner: true,
      reads: { rows: measured, figures: ['makeover'], rules: ['survey.'] },
      reckon: ({ makeover, practice }) => roomsOf(makeover, practice.rules),
    }),
    part({
      name: 'survey',
      reads: { rows: measured, figures: ['finish', 'treatment', 'treatedPart'], rules: ['survey.'], parts: ['rooms'] },
      reckon: ({ makeover, practice, parts }: Given<{ rooms: readonly Room[] }>): Surveyed =>
        surveyOf(makeover, parts.rooms, practice.rules),
    }),
  ],
  remarks: part({
    name: 'remarks of the survey',
    reads: {
      rows: [...measured, 'finish', 'piece'],
      figures: ['makeover', 'candidate', 'treatment', 'treatedPart'],
      rules: ['survey.'],
      parts: ['rooms'],
    },
    reckon: ({ makeover, practice, parts }: Given<{ rooms: readonly Room[] }>) =>
      surveyRemarks(makeover, parts.rooms, practice.rules),
  }),
  remedies: surveyRemedies,
  guards: (_before, after) => surveyGuards(after.makeover),
  // a room counts half when it is walked round, and whole when its ceiling is known and nothing asks for a second look
  progress: (_makeover, { survey }: { survey: Surveyed }) => {
    const far = survey.rooms.map((room) =>
      room.state !== 'closed' ? 0 : room.again === null && room.areas?.ceilingM2 != null ? 1 : 0.5,
    )
    return far.length === 0 ? 0 : far.reduce<number>((sum, room) => sum + room, 0) / far.length
  },
} as const satisfies Step
