/** Surfaces of the richest demo and of a flat, tiles that are dragged, and cutting lists beside an integer solver. Median, one core. */
import highs from 'highs'
import { add } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import { minor } from '#core/money/minor.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { cheapestCuts, type StockLength } from '#core/surfaces/cuts.ts'
import { rectangle } from '#core/surfaces/outlines.ts'
import { measuredRooms } from '#core/surfaces/index.ts'
import { takeOffs } from '#core/surfaces/take-off/index.ts'
import { layTiles } from '#core/surfaces/tiles.ts'
import { roomsOf, surveyOf } from '#core/survey/index.ts'
import { cuttingModel } from '#core/testing/cutting-model.ts'
import { addLaid } from '#core/testing/laid.ts'
import { change } from '#core/testing/small-makeover.ts'
import { measuredRoom, rectangle as walls, surveyRows } from '#core/testing/surveyed.ts'
import { demoDocuments } from '#core/testing/demos.ts'
import type { Makeover } from '#core/makeover/document.ts'
import { median, say } from './timing.ts'

const rules = effectiveRules()
function surfacesOf(makeover: Makeover): () => unknown {
  const rooms = roomsOf(makeover, rules)
  const measured = measuredRooms(rooms, surveyOf(makeover, rooms, rules))
  return () => takeOffs(makeover, measured, rules)
}

for (const { makeover } of demoDocuments())
  say(
    `surfaces of ${makeover.rows.makeover[makeover.id]?.name ?? ''}: ${median(surfacesOf(makeover), 240).toFixed(1)} ms (goal: under 8)`,
  )

{
  const { documents, newId } = measuredRoom({ walls: walls(4000, 3000), survey: { heightMm: 2500 } })
  let flat = documents
  for (let at = 0; at < 6; at++) {
    const room = newId()
    const rows = surveyRows(room, { walls: walls(3000 + 300 * at, 2800), survey: { heightMm: 2500 } }, newId)
    const finish = (name: string, family: 'paint' | 'paper' | 'wood', surface: 'walls' | 'floor' | 'ceiling') =>
      addLaid(newId(), {
        ...blank.finish,
        roomId: room,
        zoneId: null,
        name,
        role: 'dominant',
        family,
        sheen: 'matt',
        labL: 80,
        labA: 0,
        labB: 8,
        colourSource: 'lab',
        usedFor: '',
        visibleM2: null,
        surface,
      })
    flat = change(flat, [
      add('room', room, { uses: '', name: `Room ${at}` }),
      rows.operations,
      finish('Walls', at % 2 === 0 ? 'paper' : 'paint', 'walls'),
      finish('Floor', 'wood', 'floor'),
      finish('Ceiling', 'paint', 'ceiling'),
    ])
  }
  say(`a flat of 6 rooms: ${median(surfacesOf(flat.makeover), 30).toFixed(1)} ms (goal: under 100)`)
}

{
  const floor = [rectangle(0, 0, 9000, 8900)]
  let startMm = 0
  const tile = { widthMm: 200, heightMm: 200, jointMm: 2 }
  const drag = (): unknown =>
    layTiles(floor, tile, { layout: 'grid', turned: false, startMm: (startMm += 3) % 200, upMm: 0, reuse: true }, rules)
  const laid = layTiles(floor, tile, { layout: 'grid', turned: false, startMm: 0, upMm: 0, reuse: true }, rules)
  say(
    `the origin of ${laid.ok ? laid.tiling.tiles.length : 0} tiles moved: ${median(drag, 40).toFixed(1)} ms (goal: under 16 to the picture)`,
  )
}

{
  const stock: StockLength[] = [
    { lengthMm: 2400, priceMinor: minor(700) },
    { lengthMm: 3000, priceMinor: minor(850) },
    { lengthMm: 4200, priceMinor: minor(1150) },
  ]
  let state = 7
  const next = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647
  const solver = await highs()
  const lists = Array.from({ length: 11 }, () => Array.from({ length: 40 }, () => 300 + Math.round(next() * 1800)))
  let at = 0
  const ours = median(() => cheapestCuts(lists[at++ % lists.length] ?? [], stock, 3), lists.length)
  say(`40 pieces from three lengths, of ${lists.length} lists: ${ours.toFixed(0)} ms (goal: under 200)`)
  for (const pieces of lists.slice(0, 2)) {
    const found = cheapestCuts(pieces, stock, 3)
    const begun = performance.now()
    const theirs = solver.solve(cuttingModel(pieces, stock, 3, 20), { time_limit: 20 })
    const took = performance.now() - begun
    const plan = found.ok ? found.plan : null
    say(
      `  the same by HiGHS: ${took.toFixed(0)} ms for ${Math.round(theirs.ObjectiveValue)}, ${theirs.Status}; ours ${plan?.cost ?? 0}, bound ${plan?.least ?? 0} (goal: 5 times faster)`,
    )
  }
}
