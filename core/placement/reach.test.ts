/**
 * What a good decorator says of things beside one another, and close by what only a rule of thumb would say. The distances are those of the
 * handbook of the trade: 2.4 m for talk, half to two thirds for a low table, 75 mm at a bed, 760 to 860 mm over a table.
 */
import type { ThingKind } from '../makeover/choices.ts'
import { describe, expect, it } from 'vitest'
import { add } from '../makeover/change.ts'
import { blank } from '../makeover/blank.ts'
import { reckon } from '../reckoning/reckon.ts'
import { chosenSchools } from '../rulebook/schools.ts'
import { change, testToday } from '../testing/small-makeover.ts'
import { furnished, type Stood } from '../testing/placed.ts'
import { rectangle, type Measured } from '../testing/surveyed.ts'
import { minor } from '../money/minor.ts'
import { allChecks } from './checks.ts'
import type { Footprint } from './shapes.ts'
import { corridorOf, groupsOf, joinedOf, tryRug } from './rugs.ts'

// the first wall runs along x from the origin, and the room lies below it; a thing that is not turned looks down
const room: Measured = { walls: rectangle(6000, 5000), survey: { heightMm: 2500 } }
const found = (things: readonly Stood[], measured: Measured = room) => {
  const { setting, bodies, rules } = furnished(measured, things)
  return allChecks(setting, bodies, rules)
    .filter(({ weight }) => weight !== 'well')
    .map(({ code, about, weight }) => `${code} ${about.split('|')[0] ?? ''} ${weight}`.replaceAll(/\s+/g, ' '))
}
const seat = (name: string, at: Stood['at'], more: Partial<Stood> = {}): Stood => ({
  name,
  size: [2000, 900, 800],
  at,
  piece: { thing: 'seat' },
  ...more,
})
const thing = (
  name: string,
  kind: ThingKind,
  size: Stood['size'],
  at: Stood['at'],
  more: Partial<Stood> = {},
): Stood => ({ name, size, at, ...more, piece: { thing: kind, ...more.piece } })

describe('talk', () => {
  it('sofas that face each other across more than 2.4 m are drawn together; nearer, or back to back, nothing is said', () => {
    // front edges at -950 and -3550
    expect(found([seat('Sofa', [3000, -500]), seat('Settee', [3000, -4000, 180])])).toEqual(['talk note'])
    expect(found([seat('Sofa', [3000, -500]), seat('Settee', [3000, -3600, 180])])).toEqual([])
    expect(found([seat('Sofa', [3000, -500, 180]), seat('Settee', [3000, -4000])])).toEqual([])
  })
  it('a chair by itself that looks elsewhere is for reading', () => {
    expect(found([seat('Sofa', [1200, -500]), seat('Armchair', [5400, -4400, 90], { size: [750, 800, 900] })])).toEqual(
      [],
    )
  })
})

describe('leads and lamps', () => {
  const socketed: Measured = { ...room, fixtures: [{ wall: 0, what: 'socket', fromMm: 500, aboveMm: 300 }] }
  const lamp = (x: number, y: number, more: Partial<Stood> = {}): Stood =>
    thing('Floor lamp', 'light', [300, 300, 1500], [x, y], more)
  it('a floor lamp far from every socket is noted, by its own lead it is a look; near, or where nobody measured sockets, not', () => {
    expect(found([lamp(4000, -3000)], socketed)).toEqual(['lead assumed note'])
    expect(found([lamp(4000, -3000, { footprint: { leadMm: 2500 } })], socketed)).toEqual(['lead look'])
    expect(found([lamp(1500, -800)], socketed)).toEqual([])
    expect(found([lamp(4000, -3000)])).toEqual([])
  })
  const bed = (x: number): Stood => thing('Bed', 'bed', [1600, 2000, 550], [x, -1010])
  const small = (x: number): Stood => thing('Bed lamp', 'light', [250, 250, 450], [x, -250])
  it('a double bed wants a lamp on both sides, a bed in a room without standing lamps is not asked', () => {
    expect(found([bed(3000), small(2000), { ...small(4000), name: 'Second lamp' }])).toEqual([])
    expect(found([bed(3000), small(2000)])).toEqual(['pillow right note'])
    expect(found([bed(3000), small(1000)])).toEqual(['pillow look'])
    expect(found([bed(3000)])).toEqual([])
  })
  it('a child is changed within an arm’s length of its things', () => {
    const table = thing('Changing table', 'table', [800, 600, 900], [1000, -400])
    const chest = (x: number): Stood => thing('Chest', 'storage', [800, 450, 900], [x, -300])
    expect(found([table, chest(2200)])).toEqual([])
    expect(found([table, chest(4500)])).toEqual(['changing Chest look'])
    expect(found([thing('Changing chest', 'storage', [800, 600, 900], [1000, -400])])).toEqual([])
  })
})

describe('the sun', () => {
  // whoever faces the first wall looks south, so its window has the sun; the third wall looks north
  const sunny = (wall: number): Measured => ({
    ...room,
    survey: { heightMm: 2500, facesDeg: 180 },
    openings: [{ wall, what: 'window', fromMm: 2000, widthMm: 2000, sillMm: 300, headMm: 2100 }],
  })
  const leather: Partial<Stood> = { madeOf: 'leather' }
  it('falls on leather before a window to the south, not before one to the north, nor deep in the room', () => {
    expect(found([seat('Sofa', [3000, -1200], leather)], sunny(0))).toEqual(['sun Window note'])
    expect(found([seat('Sofa', [3000, -3800], leather)], sunny(2))).toEqual([])
    expect(found([seat('Sofa', [3000, -3000], leather)], sunny(0))).toEqual([])
    expect(found([seat('Sofa', [3000, -1200], { madeOf: 'solid wood' })], sunny(0))).toEqual([])
  })
})

describe('proportions', () => {
  const low = (wide: number, height: number): Stood => thing('Low table', 'table', [wide, 600, height], [3000, -1650])
  const sofa = seat('Sofa', [3000, -500], { topMm: 430 })
  it('a low table is half to two thirds of its sofa, and level with its seat', () => {
    expect(found([sofa, low(1200, 430)])).toEqual([])
    expect(found([sofa, low(700, 430)])).toEqual(['proportion short note'])
    expect(found([sofa, low(1700, 430)])).toEqual(['proportion long note'])
    expect(found([sofa, low(1200, 520)])).toEqual(['proportion above seat note'])
    // nobody measured its seat
    expect(found([seat('Sofa', [3000, -500]), low(1200, 520)])).toEqual([])
  })
  it('two small tables before one sofa serve as one', () => {
    const pair = [2600, 3400].map((x) => thing(`Cup table ${x}`, 'table', [550, 550, 430], [x, -1650]))
    expect(found([sofa, ...pair])).toEqual([])
  })
  it('a bedside table is level with the mattress', () => {
    const bed = thing('Bed', 'bed', [1600, 2000, 900], [3000, -1010], { topMm: 550 })
    const stand = (height: number): Stood => thing('Bedside table', 'table', [450, 400, height], [1960, -210])
    expect(found([bed, stand(600)])).toEqual([])
    expect(found([bed, stand(400)])).toEqual(['proportion below mattress note'])
  })
  it('a lamp over a table hangs 760 to 860 mm above it; where nobody said how high, nothing is said', () => {
    const table = thing('Table', 'table', [1800, 900, 740], [3000, -2500])
    const over = (aboveMm: number, wide = 500): Stood =>
      thing('Pendant', 'light', [wide, wide, 300], [3000, -2500], { piece: { aboveMm } })
    expect(found([table, over(1540)])).toEqual([])
    expect(found([table, over(1300)])).toEqual(['proportion hangs low note'])
    expect(found([table, over(1800)])).toEqual(['proportion hangs high note'])
    expect(found([table, over(1540, 800)])).toEqual(['proportion wide lamp note'])
    expect(found([table, over(0)])).toEqual([])
  })
  it('three chests as high as each other in a row are noted, two or a run built flush are not', () => {
    const chest = (at: number, gap: number, height = 900): Stood =>
      thing(`Chest ${at}`, 'storage', [800, 450, height], [600 + at * (800 + gap), -300])
    expect(found([chest(0, 100), chest(1, 100), chest(2, 100)])).toEqual(['alike Chest 0 note'])
    expect(found([chest(0, 100), chest(1, 100)])).toEqual([])
    expect(found([chest(0, 0), chest(1, 0), chest(2, 0)])).toEqual([])
    expect(found([chest(0, 100), chest(1, 100, 1400), chest(2, 100)])).toEqual([])
  })
})

describe('asked for in the brief', () => {
  const remarksOf = (
    things: readonly Stood[],
    measured: Measured,
    asks: { need?: string; school?: [string, string] },
  ) => {
    const { documents, roomId, newId } = furnished(measured, things)
    const after = change(documents, [
      ...(asks.need
        ? [add('need', newId(), { ...blank.need, roomId, zoneId: null, importance: 'must', who: '', name: asks.need })]
        : []),
      ...(asks.school
        ? [
            add('school', newId(), {
              question: asks.school[0] as keyof ReturnType<typeof chosenSchools>,
              school: asks.school[1],
            }),
          ]
        : []),
    ])
    return reckon(after, testToday)
      .remarks.map(({ code, title }) => ({ code, title }))
      .filter(({ code }) => /placement\.(turning|scale|rug-small|rug-reach|island)/.test(code))
  }
  const narrow: Measured = { walls: rectangle(2600, 3000), survey: { heightMm: 2500 } }
  const chest = thing('Chest', 'storage', [1400, 500, 900], [1300, -260])
  it('a wheelchair turns in the largest free circle, and only where somebody needs it', () => {
    const wide = thing('Cupboard', 'storage', [2000, 1000, 900], [1000, -1500])
    // beside it 600 mm stay to the wall, before and behind it 1000: a circle fits into a corner of an L
    const [turning] = remarksOf([wide], narrow, { need: 'Turn a wheelchair' })
    const corner = 600 + 1000 // the widest circle touches both far walls and the corner of the cupboard between them
    const radius = corner - Math.sqrt(2 * 600 * 1000)
    expect(turning?.code).toBe('placement.turning')
    expect(Number(/\d+/.exec(turning?.title ?? '')?.[0])).toBeCloseTo(2 * radius, -1)
    expect(remarksOf([chest], narrow, { need: 'Turn a wheelchair' })).toEqual([])
    expect(remarksOf([wide], narrow, { need: 'Hang coats' })).toEqual([])
  })
  it('in a small room a long sofa, a rug, or many small things are raised by the school that minds them', () => {
    const sofa = seat('Sofa', [1200, -500], { size: [2200, 900, 800] })
    expect(remarksOf([sofa], narrow, { school: ['scale', 'small'] })).toMatchObject([{ code: 'placement.scale' }])
    expect(remarksOf([sofa], narrow, {})).toEqual([])
    expect(remarksOf([sofa], room, { school: ['scale', 'small'] })).toEqual([])
    const stools = [0, 1, 2, 3].map((at) =>
      thing(`Small table ${at}`, 'table', [350, 350, 450], [300 + at * 600, -2000]),
    )
    expect(remarksOf(stools, narrow, { school: ['scale', 'large'] })).toMatchObject([{ code: 'placement.scale' }])
    const rug = thing('Rug', 'rug', [1200, 1700, 10], [1300, -1500])
    expect(remarksOf([rug], narrow, { school: ['small-rug', 'none'] })).toMatchObject([{ code: 'placement.rug-small' }])
    expect(remarksOf([rug], narrow, {})).toEqual([])
  })
  it('a rug under the front legs of one seat of two is noted, under both not; two joined ones count as one', () => {
    const group = [
      seat('Sofa', [3000, -500]),
      seat('Armchair', [3000, -3200, 180], { size: [800, 800, 850] }),
      thing('Low table', 'table', [1200, 600, 430], [3000, -1650]),
    ]
    const rug = (deep: number, y: number, name = 'Rug'): Stood => thing(name, 'rug', [2400, deep, 10], [3000, y])
    expect(remarksOf([...group, rug(2600, -1900)], room, {})).toEqual([])
    expect(remarksOf([...group, rug(1600, -1500)], room, {})).toMatchObject([{ code: 'placement.rug-reach' }])
    const two = [rug(1300, -1250), rug(1300, -2550, 'Second rug')]
    expect(remarksOf([...group, ...two], room, { school: ['small-rug', 'joined'] })).toEqual([])
  })
})

describe('ceilings and fires', () => {
  // the ceiling comes down to 1000 at the first wall, over 1500
  const attic: Measured = { walls: rectangle(5000, 4000), survey: { heightMm: 2500 }, slopes: [[0, 1000, 1500]] }
  const cupboard = (y: number): Stood => thing('Cupboard', 'storage', [800, 500, 1800], [2500, y])
  it('a cupboard is too high under a slope, and not where the ceiling is up', () => {
    // its back is at -10: 1000 + 1500 · 10 ÷ 1500 = 1010 high there
    expect(found([cupboard(-260)], attic)).toEqual(['too-tall slope stop'])
    expect(found([cupboard(-1900)], attic)).toEqual([])
  })
  it('outdoors, where there is no ceiling, nothing is too high', () => {
    expect(
      found([thing('Pergola', 'other', [3000, 3000, 2700], [2500, -2000])], { walls: rectangle(5000, 4000) }),
    ).toEqual([])
    expect(
      found([thing('Pergola', 'other', [3000, 3000, 2700], [2500, -2000])], {
        walls: rectangle(5000, 4000),
        survey: { heightMm: 2500 },
      }),
    ).toEqual(['too-tall stop'])
  })
  it('a fire bowl near a parasol is told, far from it not', () => {
    const parasol = thing('Parasol', 'other', [600, 600, 2400], [1000, -1000])
    const bowl = (x: number): Stood => thing('Fire bowl', 'other', [700, 700, 400], [x, -1000])
    expect(found([parasol, bowl(2500)], { walls: rectangle(6000, 4000) })).toEqual(['fire look'])
    expect(found([parasol, bowl(4500)], { walls: rectangle(6000, 4000) })).toEqual([])
  })
})

describe('rugs beside a group', () => {
  it('a runner in a corridor leaves 100 mm on each side and goes most of its length', () => {
    const { setting, rules } = furnished({ walls: rectangle(1200, 5000), survey: { heightMm: 2500 } }, [])
    const corridor = corridorOf(setting)
    if (!corridor) throw new Error('it is a corridor')
    const verdict = (widthMm: number, lengthMm: number) =>
      tryRug(setting, corridor, { widthMm, lengthMm, priceMinor: null, own: false }, true, rules).verdict
    // 1200 less 800 leaves 200 on each side, 1050 leaves 75
    expect([verdict(800, 3500), verdict(1050, 3500), verdict(800, 2000)]).toEqual([
      'good',
      'too large',
      'short for the corridor',
    ])
    expect(corridorOf(furnished(room, []).setting)).toBeNull()
  })
  const shaped = (shape: Footprint['shape'], points = ''): Footprint => ({
    shape,
    notchWidthMm: null,
    notchDepthMm: null,
    points,
  })
  it('a round rug reaches fewer legs than a square one of its size; two joined are as wide as two', () => {
    const { setting, bodies, rules } = furnished(room, [
      seat('Sofa', [3000, -1500]),
      thing('Low table', 'table', [1100, 600, 400], [3000, -2650]),
    ])
    const [group] = groupsOf(bodies)
    if (!group) throw new Error('they stand together')
    const size = { widthMm: 2300, lengthMm: 2300, priceMinor: null, own: false }
    // the group is 1900 deep and 2000 wide: 150 beyond it on each side are 2200
    expect(tryRug(setting, group, size, false, rules).reach).toBe('all legs')
    expect(tryRug(setting, group, { ...size, shape: shaped('round') }, false, rules).reach).toBe('front legs')
    expect(joinedOf({ ...size, priceMinor: minor(10_000) })).toMatchObject({ widthMm: 4600, priceMinor: 20_000 })
  })
  it('a rug of its own shape is laid whichever way round reaches most', () => {
    const { setting, bodies, rules } = furnished(room, [
      seat('Sofa', [3000, -1500]),
      thing('Low table', 'table', [1100, 600, 400], [3000, -2650]),
    ])
    const [group] = groupsOf(bodies)
    if (!group) throw new Error('they stand together')
    // a square of 2300 with a corner of 1100 cut off: as drawn it misses a back leg of the sofa, turned it has all of them
    const size = { widthMm: 2300, lengthMm: 2300, priceMinor: null, own: true }
    const drawn = shaped('drawn', '0 0, 2300 0, 2300 1200, 1200 2300, 0 2300')
    const tried = tryRug(setting, group, { ...size, shape: drawn }, false, rules)
    expect(tried.reach).toBe('all legs')
    expect(tried.at.turnDeg).not.toBe(group.at.turnDeg)
    // its five corners lie where a turn about the middle of its box takes them
    expect(tried.outline).toHaveLength(5)
  })
  it('under a sofa at a wall it is drawn forward until the floor along the wall stays bare', () => {
    const { setting, bodies, rules } = furnished(room, [
      seat('Sofa', [3000, -450]),
      thing('Low table', 'table', [1100, 600, 400], [3000, -1650]),
    ])
    const [group] = groupsOf(bodies)
    if (!group) throw new Error('they stand together')
    const size = { widthMm: 2300, lengthMm: 1700, priceMinor: null, own: false }
    // 300 mm stay bare to the wall behind, and the front legs at -800 are reached
    expect(tryRug(setting, group, size, false, rules)).toMatchObject({ verdict: 'good', reach: 'front legs' })
  })
})
