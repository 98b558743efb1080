/** What is sewn and hung, and the calculators: while typing, and a cloth of forty panels. Median, one core. */
import { calculators, type Values } from '#core/calculators/index.ts'
import { seeded } from '#core/measure/seeded.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { packed, type Panel } from '#core/soft-goods/packing.ts'
import { median, say } from './timing.ts'

const rules = effectiveRules()
const typed: Readonly<Record<string, Values>> = {
  paint: { length: 4000, width: 3000 },
  paper: { run: 14_000 },
  tiles: { width: 3000, height: 2400 },
  boards: { length: 5000, width: 4000 },
  lengths: { pieces: [2400, 2400, 1200, 1200, 900, 900, 600, 600, 450, 450] },
  curtains: { opening: 1540, drop: 2300 },
  cushions: { count: 6 },
  rug: { wide: 2200, deep: 1600 },
  light: { length: 4000, width: 3000 },
  frame: { size: 300, high: 400 },
  'make-or-buy': {},
}
for (const { id, asks, reckon } of calculators) {
  const starts = Object.fromEntries(asks.map((ask) => [ask.key, ask.as === 'lengths' ? [] : ask.start]))
  const values = { ...starts, ...typed[id] }
  say(`Calculator ${id}: ${median(() => reckon(values, rules, 'metric'), 9).toFixed(1)} ms (goal: under 16)`)
}
const random = seeded(1)
const side = (): number => 100 + Math.round(random() * 600)
const panels = Array.from({ length: 40 }, (_, at): Panel => ({
  name: String(at),
  widthMm: side(),
  lengthMm: side(),
  mayTurn: random() < 0.5,
  onRepeat: random() < 0.2,
}))
const cloth = { widthMm: 1370, repeatMm: 320, acrossMm: 0 }
const found = packed(panels, cloth)
say(
  `40 panels on a cloth of 1.37 m: ${median(() => packed(panels, cloth), 5).toFixed(0)} ms (goal: under 300), ${found.ok ? `${((100 * (found.packing.lengthMm - found.packing.leastMm)) / found.packing.leastMm).toFixed(1)} % over what none can be under` : found.error}`,
)
