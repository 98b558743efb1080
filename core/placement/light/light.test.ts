/** What is said of the light of a room, and what is proposed for it. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import type { Fields } from '../../makeover/kinds.ts'
import { effectiveRules } from '../../rulebook/rulebook.ts'
import { armchair, desk, floorLamp, lighted, litRoomMeasured as room, pendant } from '../../testing/lighted.ts'
import { furnished, type Stood } from '../../testing/placed.ts'
import { tryChange } from '../../testing/small-makeover.ts'
import type { Measured } from '../../testing/surveyed.ts'
import { addFor } from './adding.ts'
import { lampsIn } from './lamps.ts'
import { litRoom, luxOn } from './map.ts'
import { zoneAt } from './water.ts'

const rules = effectiveRules()
describe('what is said of the light', () => {
  it('nothing while nobody read what the lamps give', () => {
    expect(lighted([pendant(), desk], {}).codes).toEqual([])
  })
  it('a desk with a dim lamp across the room is too dark, and the lamp that is told cures it', () => {
    const { codes, lighting } = lighted([pendant(), desk], { Pendant: { lumens: 400 } })
    expect(codes).toContain('low look')
    const [spot] = lighting.spots
    const [added] = lighting.added
    if (!spot || !added) throw new Error('the desk is told, and what it takes')
    expect(spot.wanted).toBe(500)
    const { setting, reflecting } = lighting.lit
    const brighter = litRoom(setting, [], [...lighting.lit.lamps, ...added.lamps], reflecting, rules)
    expect(luxOn(brighter, spot.facet)).toBeGreaterThanOrEqual(500)
    expect(added.bulb).toBeGreaterThanOrEqual(added.lumens)
  })
  it('a desk under a lamp of its own is not', () => {
    const arm: Stood = {
      name: 'Arm lamp',
      size: [200, 200, 500],
      at: [2500, -3600],
      piece: { thing: 'light', aboveMm: 740 },
    }
    expect(
      lighted([arm, desk], { 'Arm lamp': { lumens: 806, spread: 'beam', beamDeg: 90, sourceMm: 450 } }).codes,
    ).toEqual([])
  })
  it('lamps 20 mired apart or less agree, more do not', () => {
    const two = (kelvin: number) =>
      lighted([pendant([1500, -2000], 'Lamp A'), pendant([3500, -2000], 'Lamp B')], {
        'Lamp A': { lumens: 2000, kelvin: 2700 },
        'Lamp B': { lumens: 1000, kelvin },
      }).codes
    // 1e6 / 2700 = 370.4 and 1e6 / 2850 = 350.9: 19.5 apart
    expect(two(2850)).toEqual([])
    // 1e6 / 4000 = 250
    expect(two(4000)).toEqual(['colour look'])
  })
  it('a lamp with nothing about it lights nothing; beside a chair it does', () => {
    const at = (place: readonly [number, number]) =>
      lighted([floorLamp(place), armchair], { 'Floor lamp': { lumens: 800 } }).codes
    expect(at([4500, -3500])).toContain('nothing note')
    expect(at([1400, -500])).not.toContain('nothing note')
  })
  it('a lamp nobody read is asked for once another is known', () => {
    expect(lighted([pendant(), floorLamp([1400, -500]), armchair], { Pendant: { lumens: 3000 } }).codes).toContain(
      'unknown note',
    )
  })
  it('low light by choice counts no lamp over heads, many even sources are held to evenness, a hero is missed', () => {
    const things = [pendant(), armchair]
    const strong = { Pendant: { lumens: 30_000 } }
    expect(lighted(things, strong).codes).toEqual([])
    expect(lighted(things, strong, { school: 'ignored' }).lighting.lumens).toBe(0)
    const corner = lighted(
      [pendant([400, -400])],
      { Pendant: { lumens: 500, spread: 'beam', beamDeg: 30 } },
      { school: 'many' },
    )
    expect(corner.codes).toContain('even note')
    expect(
      lighted([floorLamp([1400, -500]), armchair], { 'Floor lamp': { lumens: 8000 } }, { school: 'hero' }).codes,
    ).toContain('hero note')
    expect(lighted(things, strong, { school: 'hero' }).codes).toEqual([])
  })
  it('a lead under a rug is said, one along the wall is not', () => {
    const socketed: Measured = { ...room, fixtures: [{ wall: 0, what: 'socket', fromMm: 2500, aboveMm: 300 }] }
    const rug: Stood = { name: 'Rug', size: [2400, 1700, 10], at: [2500, -1300], piece: { thing: 'rug' } }
    const at = (place: readonly [number, number]) =>
      lighted([floorLamp(place), rug, armchair], { 'Floor lamp': { lumens: 800 } }, { measured: socketed }).codes
    expect(at([2500, -2400])).toContain('rug look')
    expect(at([1400, -300])).not.toContain('rug look')
  })
  it('near a bath a lamp bears water, and nothing is plugged in (IEC 60364-7-701)', () => {
    const bath: Stood = { name: 'Bath', size: [1700, 750, 560], at: [900, -400], piece: { thing: 'fixture' } }
    const over = (water: number | null, at: readonly [number, number] = [900, -400]) =>
      lighted([bath, pendant(at)], { Pendant: { lumens: 2000, water } }).codes.filter((code) =>
        code.startsWith('water'),
      )
    expect(over(null)).toEqual(['water look'])
    expect(over(3)).toEqual(['water stop'])
    expect(over(4)).toEqual([])
    expect(over(0, [3500, -3000])).toEqual([])
    const plugged = lighted([bath, floorLamp([2000, -400])], { 'Floor lamp': { lumens: 800, water: 5 } }).codes
    expect(plugged).toContain('water stop')
    const { bodies } = furnished(room, [bath])
    const zone = (x: number, y: number, z: number) => zoneAt({ x, y, z }, bodies, rules)?.zone ?? null
    // in it, over it, within 600 mm beside it, and above 2.25 m
    expect([zone(900, -400, 300), zone(900, -400, 2000), zone(2300, -400, 2000), zone(900, -400, 2300)]).toEqual([
      0,
      1,
      2,
      null,
    ])
    expect(zone(2400, -400, 1000)).toBeNull()
  })
  it('0 lm, 40 000 K and no number are said where they are typed', () => {
    const { documents, newId } = furnished(room, [pendant()])
    const candidateId = Object.keys(documents.makeover.rows.candidate)[0] ?? ''
    const tried = (more: Partial<Fields<'lamp'>>) =>
      tryChange(documents, [add('lamp', newId(), { ...blank.lamp, candidateId, lumens: 800, ...more })]).faults.map(
        ({ field, message }) => `${field}: ${message}`,
      )
    expect(tried({})).toEqual([])
    expect(tried({ lumens: 0 })[0]).toMatch(/^lumens: .*1/)
    expect(tried({ kelvin: 40_000 })[0]).toMatch(/^kelvin: .*20/)
  })
})

it('what is proposed for a dark place makes it light enough, whatever it is', () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 2000 }), fc.constantFrom(desk, armchair), (lumens, thing) => {
      const { lighting } = lighted([pendant(), thing], { Pendant: { lumens } })
      const { setting, reflecting, lamps } = lighting.lit
      for (const spot of lighting.spots) {
        const added = addFor(lighting.lit, spot)
        if (added === null) continue
        const lit = litRoom(setting, [], [...lamps, ...added.lamps], reflecting, rules)
        expect(luxOn(lit, spot.facet)).toBeGreaterThanOrEqual(spot.wanted - 1e-6)
      }
    }),
    { numRuns: 20 },
  )
}, 60_000)

it('a lamp gives what its chosen candidate gives, and hangs or stands where its light is', () => {
  const { scene } = lighted([pendant(), floorLamp([1000, -1000])], {
    Pendant: { lumens: 900, sourceMm: 50 },
    'Floor lamp': { lumens: 700 },
  })
  const { lamps } = lampsIn(scene.makeover, scene.bodies, [])
  expect(lamps.map(({ name, z, isFixed }) => [name, z, isFixed])).toEqual([
    ['Pendant', 1950, true],
    ['Floor lamp', 1275, false],
  ])
})
