import type { Makeover } from '../makeover/document.ts'
import type { MakeoverKind } from '../makeover/kinds.ts'
import type { Way } from '../remarks/remedy.ts'
import { catalogue } from './catalogue.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import { purchaseAttention } from './attention.ts'
import { purchaseGuards } from './guards.ts'
import { purchaseKinds } from './kinds.ts'
import { reckonMoney, type Money } from './money.ts'
import { purchaseRemarks } from './remarks.ts'
import { figures, workingOf, type Figure } from './working.ts'

type Has = { readonly money: Money }
/** How each figure of the money came about: of all of it, or of one category. */
const workings = Object.fromEntries(
  figures.map((figure) => [
    figure,
    (makeover: Makeover, { money }: Has, categoryId: string | null) => workingOf(figure, makeover, money, categoryId),
  ]),
) as Record<Figure, (makeover: Makeover, reckoning: Has, categoryId: string | null) => ReturnType<typeof workingOf>>

const signChange: Way = { words: 'Sign a change', step: 'brief', query: { sign: 'change' } }

export const step = {
  name: 'purchases',
  title: 'Purchases',
  kinds: Object.keys(purchaseKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'money',
      reads: {
        rows: ['category', 'agreement'],
        figures: [
          'agreementLine',
          'order',
          'purchase',
          'payment',
          'delivery',
          'return',
          'cancellation',
          'claim',
          'placing',
          'credit',
          'piece',
          'candidate',
          'saleSize',
          'price',
          'task',
          'arrival',
          'deferral',
          'fee',
          'stint',
          'stage',
          'receipt',
        ],
      },
      reckon: ({ makeover }) => reckonMoney(makeover),
    }),
  ],
  remarks: part({
    name: 'remarks of the purchases',
    reads: {
      rows: ['piece', 'category', 'order', 'purchase', 'price', 'claim', 'return', 'credit', 'coupon', 'fee', 'stage'],
      figures: ['makeover', 'candidate', 'delivery', 'cancellation', 'payment', 'placing'],
      rules: ['dates.'],
      today: true,
      parts: ['money'],
    },
    reckon: ({ makeover, practice, today, parts }: Given<Has>) =>
      purchaseRemarks(makeover, parts.money, practice.rules, today),
  }),
  attention: part({
    name: 'attention to the purchases',
    reads: {
      rows: ['piece', 'order', 'purchase', 'price', 'claim', 'credit', 'stage'],
      figures: ['makeover'],
      rules: ['dates.'],
      today: true,
      parts: ['money'],
    },
    reckon: ({ makeover, practice, today, parts }: Given<Has>) =>
      purchaseAttention(makeover, parts.money, practice.rules, today),
  }),
  ways: {
    'over-agreed': signChange,
    'draws-contingency': signChange,
    'category-over': signChange,
  } satisfies Partial<Record<keyof typeof catalogue, Way>>,
  guards: purchaseGuards,
  // of all that was ordered and is still wanted, what is here
  progress: (_makeover, { money }: Has) => {
    const here = money.purchases.filter(
      (purchase) => purchase.received >= purchase.packs && purchase.goingBack === 0,
    ).length
    const all = money.purchases.length + money.pieces.filter((piece) => piece.open > 0).length
    return all === 0 ? 0 : here / all
  },
  workings,
} as const satisfies Step
