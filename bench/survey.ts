/** A room of 40 walls and 100 fixed things: closed, reckoned, drawn; and the demo’s rooms as somebody types. Median, one core. */
import { change } from '#core/testing/small-makeover.ts'
import { measuredRoom, type Measured } from '#core/testing/surveyed.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { areasOf, elevationOf, planOf, roomsOf } from '#core/survey/index.ts'
import { edit } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import type { Makeover } from '#core/makeover/document.ts'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const rules = effectiveRules()

/** A long room with ten breasts along one side: 40 walls; a socket, a radiator and the like on each, and windows opposite. */
function large(): Measured {
  const outside = { corner: 'outside' as const }
  const bays = Array.from({ length: 9 }, () => [
    { lengthMm: 1200 },
    { lengthMm: 300, ...outside },
    { lengthMm: 900, ...outside },
    { lengthMm: 300 },
  ]).flat()
  const length = 9 * 2100 + 1200
  const walls = [...bays, { lengthMm: 1200 }, { lengthMm: 6000 }, { lengthMm: length }, { lengthMm: 6000 }]
  const fixtures = Array.from({ length: 88 }, (_, at) => ({
    wall: at % walls.length,
    what: 'socket' as const,
    fromMm: 100 + 3 * at,
    aboveMm: 300,
  }))
  const openings = Array.from({ length: 12 }, (_, at) => ({
    wall: 38,
    what: 'window' as const,
    fromMm: 300 + at * 1600,
    widthMm: 1100,
    sillMm: 900,
    headMm: 2200,
  }))
  return {
    walls,
    fixtures,
    openings,
    survey: { heightMm: 2700, dadoMm: 900 },
    checks: [
      [1, 40, 6000],
      [1, 38, Math.hypot(length, 0)],
      [2, 39, Math.hypot(length - 1200, 6000)],
    ],
  }
}

function median(work: () => unknown, runs = 120): number {
  for (let warm = 0; warm < 30; warm++) work()
  const times = Array.from({ length: runs }, () => {
    const startedAt = performance.now()
    work()
    return performance.now() - startedAt
  }).sort((left, right) => left - right)
  return times[Math.floor(runs / 2)] ?? Number.NaN
}
/** The same rows in new objects, as a change leaves them: nothing kept helps. */
const fresh = (makeover: Makeover): Makeover => ({
  ...makeover,
  rows: { ...makeover.rows, wall: { ...makeover.rows.wall }, room: { ...makeover.rows.room } },
})

const { documents, room, wallIds } = measuredRoom(large(), rules)
say(
  `survey of ${room.walls.length} walls, ${room.walls.reduce((sum, wall) => sum + wall.openings.length + wall.fixtures.length, 0)} things: ${room.closing.state}`,
)
const closed = median(() => {
  const makeover = fresh(documents.makeover)
  const [room] = roomsOf(makeover, rules)
  return room ? areasOf(makeover, room, rules) : null
})
say(`  closed and its areas reckoned:  ${closed.toFixed(2)} ms median`)
say(
  `  the whole reckoning:            ${median(() => reckon({ ...documents, makeover: fresh(documents.makeover) }, plainDate('2027-03-01'))).toFixed(2)} ms median (goal: under 16)`,
)
const wrong = documents.makeover.rows.wall[wallIds[37] ?? '']
if (wrong) {
  const typed = change(documents, [edit('wall', wrong, { lengthMm: (wrong.lengthMm ?? 0) + 400 })])
  say(
    `  with one wrong length:          ${median(() => roomsOf(fresh(typed.makeover), rules), 40).toFixed(2)} ms median, ${roomsOf(typed.makeover, rules)[0]?.closing.again?.named ? 'named' : 'a set named'}`,
  )
}
say(
  `  its plan laid out:              ${median(() => planOf(room, { text: 170, units: 'metric', rules }), 40).toFixed(2)} ms median`,
)
/** What a key typed into a length costs before the picture: rooms, areas and the plan anew. */
const small = measuredRoom(
  {
    walls: [
      { lengthMm: 1902, corner: 'angle', cornerDeg: 232 },
      { lengthMm: 890, corner: 'angle', cornerDeg: 128 },
      { lengthMm: 1299, corner: 'angle', cornerDeg: 128 },
      { lengthMm: 891, corner: 'angle', cornerDeg: 232 },
      { lengthMm: 1898 },
      { lengthMm: 1501 },
      { lengthMm: 380, corner: 'outside' },
      { lengthMm: 1602, corner: 'outside' },
      { lengthMm: 379 },
      { lengthMm: 1499 },
      { lengthMm: 6204 },
      { lengthMm: 4598 },
    ],
    checks: [
      [1, 11, 7722],
      [6, 12, 7718],
    ],
    openings: [
      { wall: 2, what: 'window', fromMm: 90, widthMm: 1120, sillMm: 610, headMm: 2270 },
      { wall: 11, what: 'door', fromMm: 620, widthMm: 840, headMm: 2040, hinge: 'left', swing: 'in' },
    ],
    survey: { heightMm: 2860 },
  },
  rules,
)
const last = small.documents.makeover.rows.wall[small.wallIds[11] ?? '']
let by = 0
const key = (): unknown => {
  if (!last) return null
  by = (by + 1) % 7
  const rows = small.documents.makeover.rows
  const makeover = {
    ...small.documents.makeover,
    rows: { ...rows, wall: { ...rows.wall, [last.id]: { ...last, lengthMm: 4598 + by } } },
  }
  const [room] = roomsOf(makeover, rules)
  if (room) areasOf(makeover, room, rules)
  return room ? planOf(room, { text: 150, units: 'metric', rules }) : null
}
say(
  `a key typed into a length, 12 walls: reckoned and laid out ${median(key).toFixed(2)} ms median (goal with the picture: under 16)`,
)
say(
  `an elevation laid out:          ${median(() => small.room.walls[11] && elevationOf(small.room, small.room.walls[11], { text: 100, units: 'metric' })).toFixed(2)} ms median`,
)
