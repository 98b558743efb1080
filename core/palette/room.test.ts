import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { labFromLch } from '../colour/lab.ts'
import { type Documents, type Operation } from '../makeover/change.ts'
import { roles } from '../makeover/choices.ts'
import { layOn } from '../makeover/lay.ts'
import { plainPractice } from '../makeover/practice.ts'
import { codesOf, reckoned } from '../testing/palette.ts'
import { change } from '../testing/small-makeover.ts'
import { rectangle, surveyRows } from '../testing/surveyed.ts'
import { placesOf, unmeasured } from './places.ts'
import { areaOf, carries, finish, idOf, newId, piece, school, share, titles, world } from '../testing/coloured-room.ts'

describe('the balance', () => {
  it('adds up to 100, whatever is laid, measured or not', () => {
    const shares = fc.record({
      role: fc.constantFrom(...roles),
      m2: fc.option(fc.double({ min: 0.01, max: 90, noNaN: true })),
      surface: fc.constantFrom('walls', 'floor', 'trim', 'window', 'piece', 'other'),
    })
    fc.assert(
      fc.property(fc.array(shares, { minLength: 1, maxLength: 14 }), (list) => {
        const documents = world.with(
          list.map(({ role, m2, surface }, at) =>
            finish(`F${at}`, labFromLch(50 + at, 5 * at, 30 * at), { role, visibleM2: m2, surface }),
          ),
        )
        expect(roles.reduce((sum, role) => sum + share(documents, role), 0)).toBeCloseTo(100, 6)
        const { rests } = reckoned(documents).palette.balance
        expect(Object.values(rests).reduce((sum, part) => sum + part, 0)).toBeCloseTo(1, 9)
      }),
      { numRuns: 60 },
    )
  })
  it('works before anybody measured, from what is typical, and says so', () => {
    const documents = world.with(
      finish('Wall', '#e9e2d3', { surface: 'walls', visibleM2: null }),
      finish('Floor', '#8f5741', { surface: 'floor', family: 'wood', role: 'secondary', visibleM2: null }),
      finish('Lamp', '#a84f33', { surface: 'other', role: 'accent', visibleM2: null }),
      school('colours', 'sixty-thirty-ten'),
    )
    // 32 of walls, 15 of floor, 0.6 of something small (our own typical room)
    expect(share(documents, 'dominant')).toBeCloseTo((100 * 32) / 47.6, 6)
    expect(areaOf(documents, 'Wall')).toMatchObject({
      basis: 'typical',
      how: expect.stringContaining('ordinary room') as string,
    })
    expect(reckoned(documents).remarks.find((remark) => remark.code === 'palette.balance')).toMatchObject({
      weight: 'note',
      sentence: expect.stringContaining('100 % of the area is typical') as string,
    })
  })
  it('two walls that nobody measured share the typical wall; what one was judged to be is left to the other', () => {
    const wall = (name: string, visibleM2: number | null) => finish(name, '#e9e2d3', { surface: 'walls', visibleM2 })
    const two = world.with(wall('One', null), wall('Two', null))
    expect([areaOf(two, 'One')?.m2, areaOf(two, 'Two')?.m2]).toEqual([16, 16])
    expect(areaOf(world.with(wall('One', 20), wall('Two', null)), 'Two')?.m2).toBeCloseTo(12, 9)
  })
  it('a finish on a piece is as large as the piece from the front, as many as are wanted', () => {
    const documents = world.with(piece('Chairs', '#a84f33', { quantity: 2 }, { widthMm: 600, heightMm: 900 }))
    expect(
      areaOf(
        change(documents, [finish('Seat', '#a84f33', { surface: 'piece', pieceId: idOf('Chairs'), visibleM2: null })]),
        'Seat',
      ),
    ).toMatchObject({ m2: 0.6 * 0.9 * 2, basis: 'size' })
  })
})

describe('where a colour appears', () => {
  const bare = world.with(
    finish('Wall', '#e9e2d3', { surface: 'walls' }),
    finish('Rust', '#a84f33', { role: 'accent', surface: 'other', visibleM2: 1 }),
  )
  const { operations, wallIds } = surveyRows(
    world.ids.room,
    { walls: rectangle(6000, 4000), survey: { heightMm: 2500 } },
    newId,
  )
  const room = change(bare, operations)
  const at = (wall: number, aboveMm: number, name: string, heightMm = 300): Operation[] =>
    piece(name, '#a84f33', { wallId: wallIds[wall] ?? null, aboveMm }, { heightMm, widthMm: 300 })
  const spread = (documents: Documents) =>
    reckoned(documents).palette.spreads.find((spread) => spread.finishId === idOf('Rust'))
  const placed = (documents: Documents): Documents => change(documents, railed(0))
  const railed = (wall: number): Operation[] => {
    const id = idOf('Rust')
    const where = { surface: 'rail', wallId: wallIds[wall] ?? null, bandFromMm: 0, bandToMm: 500 } as const
    return layOn(newId(), { id, family: 'paint', texture: 'usual' }, where)
  }
  it('in three parts of the room at different heights it looks meant, and nothing is said', () => {
    const documents = placed(change(room, [...at(2, 0, 'Chair'), ...at(1, 1500, 'Picture')]))
    expect(spread(documents)).toMatchObject({ apart: 3, fault: null })
    expect(codesOf(documents)).not.toContain('palette.appears-seldom')
  })
  it('two things within a metre and 600 mm in height are one place', () => {
    const documents = placed(change(room, [...at(2, 0, 'Chair'), ...at(2, 100, 'Stool')]))
    const rust = idOf('Rust')
    expect(placesOf(documents.makeover, [rust], unmeasured, plainPractice.rules).get(rust)).toHaveLength(3)
    expect(spread(documents)?.apart).toBe(2)
    expect(titles(documents, 'palette.appears-seldom')).toEqual(['Rust appears twice'])
  })
  it('all in one half of the room is raised; so is all at one height', () => {
    // three things along the right-hand end: two corners' walls and the end wall, high and low
    const documents = change(room, [
      ...at(1, 0, 'Chair'),
      ...at(1, 1400, 'Picture'),
      ...at(1, 2100, 'Shelf'),
      ...railed(1),
    ])
    expect(spread(documents)?.fault).toBe('one side')
    expect(titles(documents, 'palette.one-side')).toEqual(['Rust is all on one side of the room'])
    const level = placed(
      change(room, [...at(1, 0, 'Chair', 400), ...at(2, 0, 'Stool', 500), ...at(3, 0, 'Basket', 450)]),
    )
    expect(spread(level)?.fault).toBe('one height')
  })
  it('without a survey each thing counts, since nobody knows where it is', () => {
    expect(spread(change(bare, [...piece('Chair', '#a84f33'), ...piece('Stool', '#a84f33')]))).toMatchObject({
      apart: 3,
      fault: null,
    })
  })
})

describe('variety', () => {
  const metal = (name: string, hex: string, visibleM2: number) =>
    finish(name, hex, { family: 'metal', sheen: 'satin', visibleM2, surface: 'piece' })
  it('one metal leads where it is seen half as much again as the next', () => {
    expect(codesOf(world.with(metal('Brass', '#b79a5c', 3), metal('Steel', '#b4b6b8', 1)))).not.toContain(
      'palette.no-metal-leads',
    )
    expect(
      titles(world.with(metal('Brass', '#b79a5c', 1.2), metal('Iron', '#2a2a2a', 1)), 'palette.no-metal-leads'),
    ).toEqual(['No metal leads: Brass, Iron'])
  })
  it('four metals are too many, two tones of one are one', () => {
    const four = [
      metal('A', '#b79a5c', 9),
      metal('B', '#b4b6b8', 1),
      metal('C', '#2a2a2a', 1),
      metal('D', '#b06a48', 1),
    ]
    expect(titles(world.with(...four), 'palette.many-metals')).toEqual(['4 metals, where 3 are enough'])
    expect(codesOf(world.with(...four.slice(0, 3), metal('E', '#b79b5d', 1)))).not.toContain('palette.many-metals')
  })
  it('patterns of one scale compete, by their repeat where it was measured; a colour in common holds them together', () => {
    const cloth = (name: string, repeatMm: number | null, hex: string) =>
      finish(name, hex, { family: 'textile', pattern: 'stripe', patternScale: 'medium', repeatMm })
    const rust = finish('Rust', '#a84f33', { role: 'accent' })
    const apart = world.with(rust, cloth('Stripe', 40, '#f3ecdb'), cloth('Check', 400, '#dfe4e0'))
    expect(codesOf(apart)).not.toContain('palette.pattern-scale')
    expect(codesOf(apart)).toContain('palette.pattern-apart')
    expect(codesOf(change(apart, [carries('Stripe', 'Rust', 0.2), carries('Check', 'Rust', 0.1)]))).not.toContain(
      'palette.pattern-apart',
    )
    expect(
      titles(
        world.with(rust, cloth('Stripe', 300, '#f3ecdb'), cloth('Check', 400, '#dfe4e0')),
        'palette.pattern-scale',
      ),
    ).toEqual(['Stripe and Check: two large patterns'])
  })
})
