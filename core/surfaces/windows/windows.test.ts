/** Windows dressed: by pencil with the trade's hems and overhangs; what a decorator says of it, and where nothing is to be said. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import { darkness } from '../../makeover/dressing-choices.ts'
import { dress, windowed, window, withBay } from '../../testing/dressed.ts'
import { pieceOf } from '../../testing/small-makeover.ts'
import type { room } from '../../testing/treated.ts'
import { spaced } from '../../testing/treated.ts'

type World = ReturnType<typeof room>
const bed =
  (name = 'Bed') =>
  ({ documents, roomId, newId }: World) => [
    add(
      'piece',
      newId(),
      pieceOf(roomId, Object.keys(documents.makeover.rows.category)[0] ?? '', { name, thing: 'bed', unit: 'pieces' }),
    ),
  ]
const forbid =
  (forbids: 'drill' | 'corded', reason: 'tenancy' | 'children') =>
  ({ roomId, newId }: World) => [add('constraint', newId(), { roomId, reason, forbids, note: '' })]

describe('curtains on a pole', () => {
  const found = dress(windowed, [{}]).first()
  it('the pole is 230 wider on each side, two thirds of the way from head to ceiling', () => {
    expect(found.place.lengthMm).toBe(1500 + 2 * 230)
    expect(found.place.atMm).toBeCloseTo(2100 + (400 * 2) / 3, 6)
  })
  it('takes (1960 + 2 × 90 + 100) × 2.25 + 4 × 40 = 5200 flat, four widths of 1370, each drop and 350: 10.7 m', () => {
    // from 30 under the pole to 12 above the floor: 2366.7 − 30 − 12 = 2324.7, and 350 for heading and hem
    expect(found.widths).toBe(4)
    expect(found.need).toBe(10.7)
    expect(spaced(found.lines.find(({ label }) => label === 'Flat')?.amount)).toBe('5200 mm')
  })
  it('shut they meet in the middle and cover the glass, open they stand at both ends', () => {
    expect(found.shut).toHaveLength(2)
    expect(found.shut[0]?.u1).toBe(found.shut[1]?.u0)
    const [left, right] = found.open
    expect((left?.u1 ?? 0) - (left?.u0 ?? 0)).toBeCloseTo((4 * 170) / 2, 6)
    expect(right?.u1).toBe(found.place.u1)
  })
  it('beside a corner the pole is as long as the wall lets it', () => {
    const near = dress({ ...windowed, openings: [{ ...window, fromMm: 100 }] }, [{}]).first()
    expect(near.place.u0).toBe(20)
    expect(near.place.u1).toBe(1600 + 230)
  })
  it('ends at the sill, below it, on the floor, or lies on it', () => {
    const foot = (falls: 'sill' | 'below the sill' | 'floor' | 'puddle') =>
      dress(windowed, [{ falls }]).first().place.footMm
    expect([foot('sill'), foot('below the sill'), foot('floor'), foot('puddle')]).toEqual([910, 750, 12, -100])
  })
})

describe('a bay', () => {
  it('the track follows its walls, shorter at each corner by twice its stand-off over the tangent of half the angle', () => {
    const { place } = dress(withBay, [{ roundBay: true, hung: 'track' }], () => [], 1).first()
    expect(place.lengthMm).toBeCloseTo(2800 - 2 * 2 * 90 * Math.tan(Math.PI / 8), 0)
  })
  it('is found from whichever of its windows', () => {
    const lengths = [0, 1, 2].map((at) => dress(withBay, [{ roundBay: true }], () => [], at).first().place.lengthMm)
    expect(new Set(lengths.map(Math.round)).size).toBe(1)
  })
  it('a wall between others is none', () => {
    expect(dress(windowed, [{ roundBay: true }]).codes).toContain('dressing-refused')
  })
})

describe('blinds', () => {
  it('a Roman blind in the recess is 10 narrower; a roller’s cloth 34 narrower than that', () => {
    const roman = dress(windowed, [{ what: 'Roman blind', inside: true }]).first()
    expect((roman.shut[0]?.u1 ?? 0) - (roman.shut[0]?.u0 ?? 0)).toBe(1490)
    const roller = dress(windowed, [{ what: 'roller blind', inside: true }]).first()
    expect(roller.gapMm).toBe((1500 - (1490 - 34)) / 2)
    expect(roller.unit).toBe('pieces')
  })
  it('rolled up, its cloth fills the ring round its tube: π (D² − d²) / 4 = length × thickness', () => {
    const { open } = dress(windowed, [{ what: 'roller blind', inside: true }]).first()
    const high = (open[0]?.z1 ?? 0) - (open[0]?.z0 ?? 0)
    expect((Math.PI * (high ** 2 - 38 ** 2)) / 4).toBeCloseTo((1200 + 250) * 0.4, 6)
  })
  it('the longer the drop, the deeper it hangs while it is up; never deeper than it hangs down', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Roman blind' as const, 'roller blind' as const, 'pleated blind' as const),
        fc.integer({ min: 400, max: 1800 }),
        fc.boolean(),
        (what, high, inside) => {
          const openings = [{ ...window, sillMm: 2100 - high }]
          const { open, shut } = dress({ ...windowed, openings }, [{ what, inside }]).first()
          expect(open[0]?.z0).toBeGreaterThan(shut[0]?.z0 ?? 0)
          expect(open[0]?.z1).toBe(shut[0]?.z1)
        },
      ),
      { numRuns: 25 },
    )
  })
})

describe('what hangs before something', () => {
  it('a pole clears the blind that stays: its head-rail and 35; brackets that are shorter are said', () => {
    expect(dress(windowed, [{ staysMm: 80 }]).first().place.standOffMm).toBe(115)
    expect(dress(windowed, [{ staysMm: 80, standOffMm: 90 }]).codes).toContain('stand-off')
    expect(dress(windowed, [{ staysMm: 80, standOffMm: 120 }]).codes).not.toContain('stand-off')
    expect(dress(windowed, [{ standOffMm: 60 }]).codes).not.toContain('stand-off')
  })
  it('drapes hang before sheers, on longer brackets', () => {
    const { all } = dress(windowed, [{ what: 'sheers', lining: 'none' }, {}])
    const [sheers, drapes] = all.map(({ dressed }) => (dressed.ok ? dressed.place.standOffMm : 0))
    expect(sheers).toBe(90)
    expect(drapes).toBe(90 + 35 + 35)
  })
  it('a pelmet is a sixth of the drop that hangs under it', () => {
    const { all } = dress(windowed, [{}, { what: 'pelmet' }])
    const [hangs, pelmet] = all.map(({ dressed }) => dressed)
    if (!hangs?.ok || !pelmet?.ok) throw new Error('not reckoned')
    const deep = (pelmet.open[0]?.z1 ?? 0) - (pelmet.open[0]?.z0 ?? 0)
    expect(deep / (hangs.place.topMm - hangs.place.footMm)).toBeCloseTo(0.17, 6)
  })
})

it('a fullness under what its heading takes is said to look skimped; within it nothing is (handbook: 2 to 2.5 pleated, 1.5 to 2 eyelet)', () => {
  const says = (heading: 'pleated' | 'eyelet', fullness: number): string =>
    dress(windowed, [{ heading, fullness }]).first().says.join(' ')
  expect(says('pleated', 1.6)).toContain('skimped')
  expect(says('eyelet', 1.6)).not.toContain('skimped')
  expect(says('eyelet', 2.4)).toContain('bulky')
  expect(says('pleated', 2.25)).not.toMatch(/skimped|bulky/)
})

describe('what is said', () => {
  it('nothing of plain curtains at a plain window', () => {
    expect(dress(windowed, [{}]).codes).toEqual([])
    expect(dress(windowed, [{ what: 'Roman blind', inside: true, centred: true }]).codes).toEqual([])
  })
  it('of a pole where the wall over the window is too low, not of a track there that reaches the ceiling', () => {
    const low = { ...windowed, survey: { heightMm: 2180 } }
    expect(dress(low, [{}]).codes).toContain('pole-place')
    expect(dress(windowed, [{ atMm: 2480 }]).codes).toContain('pole-place')
    expect(dress(windowed, [{ atMm: 2480, hung: 'track' }]).codes).not.toContain('pole-place')
  })
  it('of a radiator under curtains to the floor; not of a blind or of curtains to the sill', () => {
    const heated = {
      ...windowed,
      fixtures: [{ wall: 0, what: 'radiator' as const, fromMm: 1700, widthMm: 1000, aboveMm: 100, heightMm: 600 }],
    }
    expect(dress(heated, [{}]).codes).toContain('over-radiator')
    expect(dress(heated, [{ falls: 'sill' }]).codes).not.toContain('over-radiator')
    expect(dress(heated, [{ what: 'Roman blind' }]).codes).not.toContain('over-radiator')
  })
  it('of holes where drilling is forbidden, not of a rod wedged in the recess', () => {
    expect(dress(windowed, [{}], forbid('drill', 'tenancy')).codes).toContain('pole-drill')
    expect(dress(windowed, [{ inside: true }], forbid('drill', 'tenancy')).codes).not.toContain('pole-drill')
    expect(dress(windowed, [{ what: 'roller blind', inside: true }], forbid('drill', 'tenancy')).codes).not.toContain(
      'pole-drill',
    )
  })
  it('of a recess that is shallow, or that a casement opens into', () => {
    const shallow = { ...windowed, openings: [{ ...window, revealMm: 40 }] }
    expect(dress(shallow, [{ what: 'Roman blind', inside: true }]).codes).toContain('recess')
    const opening = { ...windowed, openings: [{ ...window, swing: 'in' as const }] }
    expect(dress(opening, [{ what: 'roller blind', inside: true }]).codes).toContain('recess')
    expect(dress(opening, [{ what: 'roller blind' }]).codes).not.toContain('recess')
  })
  it('of cords where a child is, not of curtains drawn by hand', () => {
    expect(dress(windowed, [{ what: 'Roman blind' }], forbid('corded', 'children')).codes).toContain('cords')
    expect(dress(windowed, [{ what: 'Roman blind' }], bed('Cot')).codes).toContain('cords')
    expect(dress(windowed, [{}], forbid('corded', 'children')).codes).not.toContain('cords')
    expect(dress(windowed, [{ what: 'Roman blind' }]).codes).not.toContain('cords')
  })
  it('of too much light where grown people sleep; where a small child sleeps dimmed is enough', () => {
    expect(dress(windowed, [{}], bed()).codes).toContain('too-light')
    expect(dress(windowed, [{ lining: 'interlined' }], bed()).codes).not.toContain('too-light')
    expect(dress(windowed, [{}], bed('Cot')).codes).not.toContain('too-light')
    expect(dress(windowed, [{ what: 'sheers', lining: 'none' }]).codes).not.toContain('too-light')
  })
  it('a blackout blind in the recess only darkens: light comes in at its sides, unless curtains hang over it', () => {
    const blind = {
      what: 'roller blind' as const,
      inside: true,
      lining: 'blackout' as const,
      dark: 'blacked out' as const,
    }
    expect(dress(windowed, [blind]).codes).toContain('too-light')
    expect(dress(windowed, [blind, {}]).codes).not.toContain('too-light')
    expect(darkness.at(-1)).toBe('blacked out')
  })
  it('of glass that open curtains cover, where the wall is short on both sides', () => {
    const narrow = { ...windowed, openings: [{ ...window, fromMm: 60, widthMm: 1200 }] }
    expect(dress(narrow, [{}]).codes).toContain('covers-glass')
    expect(dress(narrow, [{ what: 'sheers', lining: 'none' }]).codes).not.toContain('covers-glass')
  })
  it('of cloth near a fire on the same wall', () => {
    const hearth = (fromMm: number) => ({
      ...windowed,
      fixtures: [{ wall: 0, what: 'fireplace' as const, fromMm, widthMm: 600, aboveMm: 0, heightMm: 800 }],
    })
    expect(dress(hearth(3600), [{}]).codes).toContain('near-fire')
    expect(dress(hearth(4300), [{}]).codes).not.toContain('near-fire')
  })
})

it('a line that says less than is needed is said', () => {
  const linked = dress(windowed, [], (world) => {
    const cloth = world.line({ unit: 'm', quantity: 5 }, { packSize: 1 }, { widthMm: 1370 })
    const openingId = Object.keys(world.documents.makeover.rows.opening)[0] ?? ''
    return [...cloth.operations, add('dressing', world.newId(), { ...blank.dressing, openingId, pieceId: cloth.id })]
  })
  expect(linked.codes).toEqual(['outdated'])
  expect(linked.first().need).toBe(10.7)
})

it('in feet and inches nothing is told in metres: a blind too small to be, a cord, a line counted in metres', () => {
  const feet = { ...windowed, units: 'feet and inches' as const }
  const small = { ...feet, openings: [{ ...window, widthMm: 150 }] }
  const told = [
    dress(small, [{ what: 'Roman blind', inside: true }]),
    dress(feet, [{ what: 'Roman blind' }], forbid('corded', 'children')),
    dress(feet, [], (world) => {
      const cloth = world.line({ unit: 'm', quantity: 5 }, { packSize: 1 }, { widthMm: 1370 })
      const openingId = Object.keys(world.documents.makeover.rows.opening)[0] ?? ''
      return [...cloth.operations, add('dressing', world.newId(), { ...blank.dressing, openingId, pieceId: cloth.id })]
    }),
  ].flatMap(({ remarks }) => remarks.filter(({ code }) => code.startsWith('surfaces.')))
  expect(told).toHaveLength(3)
  for (const { title, sentence } of told) expect(`${title} ${sentence}`).not.toMatch(/\d(\s|\u00a0|\u202f)(mm|cm|m)\b/)
})
