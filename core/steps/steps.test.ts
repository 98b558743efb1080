import { describe, expect, it } from 'vitest'
import { fault } from '../makeover/change.ts'
import { kindNames } from '../makeover/kinds.ts'
import { workingLine } from '../money/working.ts'
import { remark } from '../remarks/remark.ts'
import { guard } from '../reckoning/guards.ts'
import { reckon } from '../reckoning/reckon.ts'
import { Memory } from '../reckoning/memory.ts'
import { workingFor } from '../reckoning/working.ts'
import { begin, change, countingIds, testToday } from '../testing/small-makeover.ts'
import { steps } from './index.ts'
import { part, type Given, type Step } from './step.ts'

const world = begin(countingIds())
const documents = change(world.start, world.operations)

/** A step that only this test knows: it counts rooms, and wants two. */
const counting = {
  name: 'counting',
  title: 'Counting',
  kinds: [],
  parts: [
    part({
      name: 'counted',
      reads: { rows: ['room'] },
      reckon: ({ makeover }) => Object.keys(makeover.rows.room).length,
    }),
  ],
  remarks: part({
    name: 'remarks of the counting',
    reads: { parts: ['counted'] },
    reckon: ({ parts }: Given<{ counted: number }>) =>
      parts.counted >= 2
        ? []
        : [
            remark({
              code: 'counting.few',
              weight: 'look',
              step: 'counting',
              subjects: [],
              title: 'Too few rooms',
              sentence: 'Two are wanted.',
              rule: null,
              numbers: [parts.counted],
            }),
          ],
  }),
  attention: part({
    name: 'attention to the counting',
    reads: { parts: ['counted'] },
    reckon: ({ parts }: Given<{ counted: number }>) => [
      {
        kind: 'count',
        on: null,
        late: false,
        title: `${parts.counted}`,
        detail: '',
        step: 'counting',
        id: null,
        rank: 99,
      },
    ],
  }),
  guards: () => [fault('counted', 'room', null, null, 'nothing may change while it is counted')],
  progress: (_makeover, { counted }: { counted: number }) => Math.min(1, counted / 2),
  workings: {
    counted: (_makeover, { counted }: { counted: number }) => ({
      title: 'Rooms',
      means: 'All of them.',
      lines: [],
      result: workingLine('Rooms', String(counted)),
    }),
  },
} as const satisfies Step
const all: readonly Step[] = [...steps, counting]

describe('a step of its own is found wherever steps are gone over', () => {
  const reckoning = reckon(documents, testToday, new Memory(), all) as ReturnType<typeof reckon> & { counted: number }
  it('in the reckoning, its remarks and what needs a hand', () => {
    expect(reckoning.counted).toBe(1)
    expect(reckoning.remarks.map(({ code }) => code)).toContain('counting.few')
    expect(reckoning.attention.at(-1)).toMatchObject({ kind: 'count', title: '1' })
  })
  it('in what is guarded', () =>
    expect(guard(documents, documents, testToday, all).map(({ code }) => code)).toEqual(['counted']))
  it('in its progress and its working', () => {
    expect(counting.progress(documents.makeover, reckoning)).toBe(0.5)
    expect(workingFor('counted', documents.makeover, reckoning, null, all)?.result.amount).toBe('1')
    expect(workingFor('nobody knows', documents.makeover, reckoning, null, all)).toBeNull()
  })
})

describe('the steps', () => {
  it('own each kind once; what several share is nobody’s', () => {
    const owned = steps.flatMap((step: Step) => step.kinds)
    expect(new Set(owned).size).toBe(owned.length)
    expect(kindNames.filter((kind) => !owned.includes(kind)).sort()).toEqual(
      [
        'acceptance',
        'attachment',
        'client',
        'makeover',
        'room',
        'seller',
        'sellerEntry',
        'stock',
        'studio',
        'studioRuling',
        'studioSchool',
        'template',
      ].sort(),
    )
  })
  it('name their parts apart', () => {
    const names = steps
      .flatMap((step: Step) => [...step.parts, step.remarks, ...(step.attention ? [step.attention] : [])])
      .map(({ name }) => name)
    expect(new Set(names).size).toBe(names.length)
  })
})
