import fc from 'fast-check'
import { expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { emptyMakeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { plainPractice } from '../makeover/practice.ts'
import { labFromLch } from '../colour/lab.ts'
import { reckonPalette } from './index.ts'

const id = (at: number): string => `01900000-0000-7000-8000-${String(at).padStart(12, '0')}`

/** The colours that finishes come to, each as a set of what they were called, laid in one order or another. */
function coloursIn(order: readonly number[], finishes: readonly { L: number; C: number; h: number }[]): string[] {
  const rows = order.map((which, at): Row<'finish'> => {
    const { L, a, b } = labFromLch(finishes[which]?.L ?? 0, finishes[which]?.C ?? 0, finishes[which]?.h ?? 0)
    return {
      ...blank.finish,
      id: id(at),
      version: id(0),
      roomId: id(999),
      zoneId: null,
      pieceId: null,
      name: String(which),
      role: 'accent',
      family: 'paint',
      labL: L,
      labA: a,
      labB: b,
      usedFor: '',
      sheen: 'matt',
      colourSource: 'lab',
    } as Row<'finish'>
  })
  const empty = emptyMakeover(id(900))
  const makeover = { ...empty, rows: { ...empty.rows, finish: Object.fromEntries(rows.map((row) => [row.id, row])) } }
  return reckonPalette(makeover, plainPractice, new Map())
    .colours.map((group) =>
      group
        .map((rowId) => makeover.rows.finish[rowId]?.name ?? '')
        .sort()
        .join(' '),
    )
    .sort()
}
const orders = (count: number): number[][] =>
  count === 0
    ? [[]]
    : orders(count - 1).flatMap((order) =>
        Array.from({ length: count }, (_, at) => [...order.slice(0, at), count - 1, ...order.slice(at)]),
      )

it('how many colours there are does not depend on the order they were entered in', () => {
  const finish = fc.record({
    L: fc.integer({ min: 15, max: 95 }),
    C: fc.integer({ min: 0, max: 60 }),
    h: fc.integer({ min: 0, max: 90 }),
  })
  fc.assert(
    fc.property(fc.array(finish, { minLength: 2, maxLength: 4 }), (finishes) => {
      const [first, ...others] = orders(finishes.length).map((order) => coloursIn(order, finishes))
      for (const colours of others) expect(colours).toEqual(first)
    }),
    { numRuns: 60 },
  )
})
it('a hue between two others links them: three finishes, one colour, whichever comes last', () => {
  const chain = [
    { L: 50, C: 30, h: 30 },
    { L: 50, C: 30, h: 40 },
    { L: 50, C: 30, h: 50 },
  ]
  for (const order of orders(3)) expect(coloursIn(order, chain)).toEqual(['0 1 2'])
})
