import { demoDocuments } from '#core/testing/demos.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf, surveyOf } from '#core/survey/index.ts'
import { measuredRooms, atOf, takeOff, finishOf, productOf, chosenOf } from '#core/surfaces/index.ts'
import { rowsOf } from '#core/makeover/document.ts'
const rules = effectiveRules()
for (const { makeover } of demoDocuments()) {
  const rooms = roomsOf(makeover, rules); const measured = measuredRooms(rooms, surveyOf(makeover, rooms, rules))
  for (const t of rowsOf(makeover, 'treatment')) {
    const f = finishOf(makeover, t); const m = measured.find(x => x.room.id === f?.roomId); if (!f || !m) continue
    const at = atOf(makeover, m, rules); const p = productOf(makeover, chosenOf(makeover, t))
    const times = []
    for (let i = 0; i < 30; i++) { const s = performance.now(); takeOff(at, f, t, p); times.push(performance.now() - s) }
    times.sort((a, b) => a - b); if (times[15]! > 0.4) console.log(makeover.rows.makeover[makeover.id]?.name, f.name, t.how, times[15]!.toFixed(2))
  }
}
