/** What a mirror doubles: against the picture of each thing behind the glass, drawn the other way round. */
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { furnished, type Stood } from '../../testing/placed.ts'
import { rectangle, type Measured } from '../../testing/surveyed.ts'
import { doubledBy } from './mirrors.ts'
import { hungOf, type Hung } from './works.ts'

// wall A above, its window on wall C below, opposite it
const room: Measured = {
  walls: rectangle(5000, 4000),
  survey: { heightMm: 2500 },
  openings: [{ wall: 2, what: 'window', fromMm: 1900, widthMm: 1200, sillMm: 900, headMm: 2100 }],
}
const world = (things: readonly Stood[]) => furnished(room, things)
type World = ReturnType<typeof world>
function mirrorIn({ setting, bodies }: World, along: number, centre: number, [wide, high] = [800, 1000]): Hung {
  const wall = setting.room.walls[0]
  const piece = bodies[0]?.thing?.piece
  if (!wall || !piece) throw new Error('there are a wall and a thing')
  return hungOf(
    { piece, widthMm: wide, heightMm: high, depthMm: 20, weightKg: null, fixing: null },
    {
      ...blank.hanging,
      id: 'mirror',
      version: '',
      pieceId: piece.id,
      wallId: wall.row.id,
      alongMm: along,
      centreMm: centre,
    },
    wall,
  )
}
const chair: Stood = { name: 'Chair', size: [600, 600, 900], at: [800, -3400], piece: { thing: 'seat' } }

it('opposite the window it doubles the window to who stands before it; from aside what lies on the other side', () => {
  const there = world([chair])
  const mirror = mirrorIn(there, 2500, 1500)
  const before = doubledBy(mirror, there.setting, there.bodies, { x: 2500, y: -1500, z: 1600 })
  // at the window the view is 800 × (1500 + 4000) / 1500 wide; the window has 1200 of it
  expect(before?.find(({ what }) => what === 'opening')?.share).toBeCloseTo(1200 / (800 * (5500 / 1500)), 1)
  // from the right the ray goes on to the left
  const aside = doubledBy(mirror, there.setting, there.bodies, { x: 4200, y: -3000, z: 1600 })
  expect(aside?.map(({ what }) => what)).toContain('thing')
  // who stands behind its wall sees nothing in it
  expect(doubledBy(mirror, there.setting, there.bodies, { x: 2500, y: 200, z: 1600 })).toBeNull()
})

it('a thing is doubled where the straight line from the eye to its picture behind the glass goes through the glass', () => {
  const eye = fc.record({ x: fc.integer({ min: 300, max: 4700 }), y: fc.integer({ min: -3700, max: -300 }) })
  const at = fc.record({ x: fc.integer({ min: 500, max: 4500 }), y: fc.integer({ min: -3500, max: -700 }) })
  fc.assert(
    fc.property(eye, at, fc.integer({ min: 600, max: 4400 }), ({ x, y }, place, along) => {
      const post: Stood = { name: 'Post', size: [60, 60, 2400], at: [place.x, place.y], piece: { thing: 'storage' } }
      const there = world([post])
      const mirror = mirrorIn(there, along, 1250, [900, 2400])
      const found = doubledBy(mirror, there.setting, there.bodies, { x, y, z: 1250 })
      // wall A lies on y = 0: the picture of a place is as far above it
      const crossing = (px: number): number => x + ((px - x) * (0 - y)) / (-place.y - y)
      const ends = [crossing(place.x - 30), crossing(place.x + 30)]
      const inGlass = Math.min(...ends) > mirror.left + 40 && Math.max(...ends) < mirror.right - 40
      const outside = Math.max(...ends) < mirror.left - 40 || Math.min(...ends) > mirror.right + 40
      fc.pre(inGlass || outside)
      expect(found?.some(({ what }) => what === 'thing') ?? false).toBe(inGlass)
    }),
    { numRuns: 150 },
  )
}, 120_000)
