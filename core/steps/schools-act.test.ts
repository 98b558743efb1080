/** What the brief says that a school does is done by a check, or it says in which step it will be. */
import { expect, it } from 'vitest'
import { questions, type School } from '../rulebook/schools.ts'
import { steps } from './index.ts'

const codes = new Set(steps.flatMap((step) => Object.keys(step.catalogue).map((code) => `${step.name}.${code}`)))
/** Which remark each question moves; a school of it may be the one that keeps silent. */
const speaks: Readonly<Record<string, readonly string[]>> = {
  colours: ['palette.balance', 'palette.many-colours', 'palette.one-accent', 'palette.no-pop', 'palette.quiet-cloth'],
  accent: ['palette.accent-on-cloth'],
  begin: ['brief.begin'],
  trim: ['palette.trim', 'palette.trim-white', 'palette.no-panelling'],
  'dark-room': ['palette.dark-small'],
  woods: ['palette.clash', 'palette.deep-wood'],
  metals: ['palette.clash', 'palette.many-metals'],
  goods: ['pieces.goods-school', 'pieces.condition'],
  placeholder: ['pieces.placeholder-due', 'pieces.placeholder-school'],
  symmetry: ['pieces.set-broken', 'pieces.set-split'],
  scheme: ['palette.clash'],
  'open-shelves': ['pieces.open-shelf'],
  styles: ['pieces.many-styles'],
  keepsakes: ['palette.clash'],
  cabinets: ['brief.repaint-near-replace'],
  'tenant-walls': ['brief.forbidden', 'brief.unrestored'],
  pace: ['pieces.late'],
  plants: ['reveal.plant-care'],
  exactness: ['calendar.undecided'],
  'small-rug': ['placement.island', 'placement.rug-reach', 'placement.rug-small'],
  scale: ['placement.scale'],
  'ceiling-light': ['placement.light-hero', 'placement.light-low', 'placement.light-even'],
  hanging: ['placement.hang-line', 'placement.hang-mirror', 'placement.hang-edges', 'placement.hang-apart'],
}
/** Schools that move no remark but an order or a weight, held by the test of what they move. */
const orders = new Set(['ugly-finish', 'splurge', 'floor-paint', 'wall-order']) // brief/scope.ts; the weights of compare.ts; calendar/room-work.ts

it.each(questions.map((question) => [question.id, question] as const))('%s', (id, { schools }) => {
  for (const school of schools as readonly School[]) {
    if (/^Recorded; acts in (Surfaces|Placement|Calendar|Reveal): /.test(school.then)) continue
    const moved = speaks[id] ?? []
    expect([school.id, moved.length > 0 || orders.has(id) || Object.keys(school.rules ?? {}).length > 0]).toEqual([
      school.id,
      true,
    ])
    for (const code of moved) expect(codes, code).toContain(code)
  }
})
