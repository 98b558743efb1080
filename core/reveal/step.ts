import type { Makeover } from '../makeover/document.ts'
import { rowsOf } from '../makeover/document.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import { revealAttention } from './attention.ts'
import { catalogue } from './catalogue.ts'
import { closedNow, closingGuards } from './closing.ts'
import { revealKinds } from './kinds.ts'
import { revealRemarks } from './remarks.ts'
import { repliesByThing, type SaidOf } from './replies.ts'

export const step = {
  name: 'reveal',
  title: 'Reveal',
  kinds: Object.keys(revealKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'replies',
      reads: { rows: ['reply'], figures: ['piece'] },
      reckon: ({ makeover }: Given<object>): readonly SaidOf[] => repliesByThing(makeover),
    }),
  ],
  remarks: part({
    name: 'remarks of the reveal',
    reads: {
      rows: ['client', 'piece', 'reply', 'room', 'need', 'view', 'tick', 'reminder', 'task'],
      figures: ['makeover', 'attachment', 'closing'],
      schools: true,
      today: true,
    },
    reckon: ({ makeover, practice, today }: Given<object>) => revealRemarks(makeover, practice, today),
  }),
  attention: part({
    name: 'attention to the reveal',
    reads: { rows: ['reply', 'piece', 'client', 'reminder'], today: true },
    reckon: ({ makeover, today }: Given<object>) => revealAttention(makeover, today),
  }),
  guards: closingGuards,
  // needs ticked, and the account closed
  progress: (makeover: Makeover) => {
    const needs = rowsOf(makeover, 'need').filter(({ struckOn }) => struckOn === null).length
    const closed = closedNow(makeover) !== null
    const ticked = rowsOf(makeover, 'tick').length
    return closed ? 1 : needs === 0 ? 0 : (0.9 * Math.min(ticked, needs)) / needs
  },
} as const satisfies Step
