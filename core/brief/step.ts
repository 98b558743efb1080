import type { MakeoverKind } from '../makeover/kinds.ts'
import type { Whereabouts } from '../makeover/whereabouts.ts'
import type { Money } from '../purchases/index.ts'
import { catalogue } from './catalogue.ts'
import { briefRemedies } from './remedies.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import { briefAttention } from './attention.ts'
import { briefGuards } from './guards.ts'
import { briefKinds } from './kinds.ts'
import { coverage, type NeedReckoning } from './needs.ts'
import { briefRemarks } from './remarks.ts'

type Needs = readonly NeedReckoning[]

export const step = {
  name: 'brief',
  title: 'Brief',
  kinds: Object.keys(briefKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'needs',
      reads: { figures: ['need', 'serving', 'piece', 'candidate', 'zone'], parts: ['money', 'whereabouts'] },
      reckon: ({ makeover, parts }: Given<{ money: Money; whereabouts: Whereabouts }>) =>
        coverage(makeover, parts.money.pieces, parts.whereabouts),
    }),
  ],
  remarks: part({
    name: 'remarks of the brief',
    reads: {
      rows: [
        'agreement',
        'agreementLine',
        'candidate',
        'category',
        'constraint',
        'finish',
        'treatment',
        'treatedPart',
        'inspiration',
        'need',
        'permission',
        'piece',
        'room',
        'serving',
        'zone',
        'scopeChoice',
        'scopeOption',
      ],
      figures: ['makeover', 'purchase', 'hanging', 'fixing'],
      rules: ['brief.', 'cords.', 'dates.', 'words.', 'envelope.'],
      schools: true,
      today: true,
      parts: ['needs'],
    },
    reckon: ({ makeover, practice, today, parts }: Given<{ needs: Needs }>) =>
      briefRemarks(makeover, parts.needs, practice, today),
  }),
  attention: part({
    name: 'attention to the brief',
    reads: { rows: ['permission'], today: true },
    reckon: ({ makeover, today }) => briefAttention(makeover, today),
  }),
  remedies: briefRemedies,
  ways: { unsigned: { words: 'Have it signed', step: 'brief', query: { sign: 'sign' } } },
  guards: briefGuards,
  // what it is for, and what it may cost
  progress: (_makeover, { needs, money }: { needs: Needs; money: Money }) =>
    ((needs.length > 0 ? 1 : 0) + (money.agreement ? 1 : 0)) / 2,
} as const satisfies Step
