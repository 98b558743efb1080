import type { MakeoverKind } from '../makeover/kinds.ts'
import type { Schedule } from '../calendar/index.ts'
import type { Money } from '../purchases/index.ts'
import type { Practice } from '../makeover/practice.ts'
import { catalogue } from './catalogue.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { Surveyed } from '../survey/index.ts'
import { pieceAttention } from './attention.ts'
import { pieceDates, slackOf, type PieceDates } from './dates.ts'
import { pieceGuards } from './guards.ts'
import { pieceKinds } from './kinds.ts'
import { pieceRemarks } from './remarks.ts'
import { slackWorking } from './working.ts'
import { pieceRemedies } from './remedies.ts'

type Dates = readonly PieceDates[]

export const step = {
  name: 'pieces',
  title: 'Pieces',
  kinds: Object.keys(pieceKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'dates',
      reads: {
        figures: ['makeover', 'candidate', 'piece'],
        rules: ['dates.'],
        today: true,
        parts: ['money', 'schedule'],
      },
      reckon: ({ makeover, practice, today, parts }: Given<{ money: Money; schedule: Schedule }>): Dates =>
        pieceDates(makeover, parts.money, parts.schedule, practice.rules, today),
    }),
    part({
      /** The least slack of any piece awaited, in days; null while nothing is awaited. */
      name: 'slackDays',
      reads: { parts: ['dates'] },
      reckon: ({ parts }: Given<{ dates: Dates }>) => slackOf(parts.dates),
    }),
  ],
  remarks: part({
    name: 'remarks of the pieces',
    reads: {
      rows: ['piece', 'candidate', 'permission', 'makeover', 'room', 'delivery'],
      figures: [
        'need',
        'serving',
        'constraint',
        'purchase',
        'wall',
        'survey',
        'opening',
        'clearWidth',
        'return',
        'claim',
        'placing',
      ],
      rules: ['fit.', 'dates.', 'colour.', 'room.', 'tip.', 'styles.'],
      schools: true,
      today: true,
      parts: ['money', 'dates', 'survey'],
    },
    reckon: ({ makeover, practice, today, parts }: Given<{ money: Money; dates: Dates; survey: Surveyed }>) =>
      pieceRemarks(
        makeover,
        parts.money,
        parts.dates,
        practice,
        today,
        (roomId) => parts.survey.rooms.find((room) => room.roomId === roomId)?.areas?.floorM2 ?? null,
      ),
  }),
  attention: part({
    name: 'attention to the pieces',
    reads: { rows: ['piece', 'question', 'candidate'], rules: ['dates.'], today: true, parts: ['money', 'dates'] },
    reckon: ({ makeover, practice, today, parts }: Given<{ money: Money; dates: Dates }>) =>
      pieceAttention(makeover, parts.money, parts.dates, practice.rules, today),
  }),
  remedies: pieceRemedies,
  guards: (_before, after) => pieceGuards(after.makeover),
  // a piece counts when it is more than a sum put aside
  progress: (_makeover, { money }: { money: Money }) =>
    money.pieces.length === 0
      ? 0
      : money.pieces.filter((piece) => piece.basis !== 'allowance').length / money.pieces.length,
  workings: {
    slack: (makeover, { dates, slackDays, practice }: { dates: Dates; slackDays: number | null; practice: Practice }) =>
      slackWorking(makeover, dates, slackDays, practice.rules),
  },
} as const satisfies Step
