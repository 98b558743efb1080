import { demoDocuments } from '#core/testing/demos.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { floorOf, thingsOf, layoutOf, bodiesIn } from '#core/placement/index.ts'
import { arrange } from '#core/placement/arrange.ts'
const rules = effectiveRules()
for (const { makeover } of demoDocuments()) for (const room of roomsOf(makeover, rules)) {
  const floor = floorOf(room); const layout = layoutOf(makeover, room.id)
  if (!floor || !layout) continue
  const things = thingsOf(makeover, rules)
  const bodies = bodiesIn(makeover, layout.id, things)
  const items = bodies.map((b) => ({ thing: b.thing!, number: Number(/ (\d+)$/.exec(b.name)?.[1] ?? 1) }))
  const t = performance.now()
  const run = arrange({ ...floor, rules }, [], items, 7)
  let step = run.next(); while (!step.done) step = run.next()
  console.log(room.name, items.length, 'things', (performance.now() - t).toFixed(0), 'ms')
  for (const a of step.value) console.log('  ', a.stops, a.looks, a.worth.toFixed(1), 'left', a.left.length, a.checks.filter(c=>c.weight==='stop'||c.weight==='look').map(c=>c.code).join(','), a.ways.filter(w=>!w.isWide).map(w=>w.clearMm.toFixed(0)).join(','))
}
