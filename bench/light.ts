/** The light of a room with twelve lamps, and things composed on shelves. Median, one core. */
import { lightMap, planeMm } from '#core/placement/index.ts'
import { lampsIn, lightingOf, arrangeShelf } from '#core/placement/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { floorLamp, lighted, pendant } from '#core/testing/lighted.ts'
import type { Stood } from '#core/testing/placed.ts'
import { rectangle } from '#core/testing/surveyed.ts'
import { shelved, type OnShow } from '#core/testing/shelved.ts'
import { displays } from '#core/makeover/room-choices.ts'
import { median, say } from './timing.ts'

const lamps = Array.from({ length: 12 }, (_, at) => ({
  name: `Lamp ${at + 1}`,
  x: 700 + (at % 4) * 1900,
  y: -700 - Math.floor(at / 4) * 2000,
}))
const things: Stood[] = Array.from({ length: 20 }, (_, at) => ({
  name: `Thing ${at + 1}`,
  size: [900, 500, at % 4 === 0 ? 1800 : 750],
  at: [1100 + (at % 5) * 1300, -900 - Math.floor(at / 5) * 1100],
  piece: { thing: at % 4 === 0 ? 'storage' : at % 4 === 1 ? 'table' : 'seat' },
}))
const { scene } = lighted(
  [...things, ...lamps.map(({ name, x, y }, at) => (at % 2 === 0 ? pendant([x, y], name) : floorLamp([x, y], name)))],
  Object.fromEntries(lamps.map(({ name }) => [name, { lumens: 806, kelvin: 2700 }])),
  { measured: { walls: rectangle(7500, 5500), survey: { heightMm: 2600 } } },
)
const lighting = lightingOf(scene)
if (!lighting) throw new Error('the room is closed')
const count = lampsIn(scene.makeover, scene.bodies, []).lamps.length
say(
  `the light of a room with ${count} lamps and ${things.length} things on a grid of 150 mm: ${median(() => lightMap(lighting.lit, planeMm, 150), 30).toFixed(1)} ms (goal: under 50 in a worker)`,
)
say(
  `the same of 400 mm, with all its places and checks, as while a lamp is dragged: ${median(() => lightingOf(scene, 400), 60).toFixed(1)} ms (goal: under 16 to the picture)`,
)

const forty: OnShow[] = Array.from({ length: 40 }, (_, at) => ({
  at: 100 + (at % 8) * 180,
  size: [60 + ((at * 37) % 110), 80 + ((at * 53) % 240)],
  what: displays[at % displays.length] ?? 'other',
  board: 1 + Math.floor(at / 7),
  heavy: at % 9 === 0,
}))
const { shelf } = shelved(forty, { boards: '0, 350, 700, 1050, 1400, 1750', size: [1600, 320, 2100] })
say(
  `40 things composed on 6 boards: ${median(() => {
    const run = arrangeShelf(shelf, effectiveRules(), 1)
    while (!run.next().done);
  }, 5).toFixed(0)} ms (goal: under 2000, with stop)`,
)
