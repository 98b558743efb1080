import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { labFromHex, labFromLch, toneOf, type Lab } from '../colour/lab.ts'
import { deltaE } from '../colour/difference.ts'
import { families } from '../makeover/choices.ts'
import type { Documents, Operation } from '../makeover/change.ts'
import { plainPractice } from '../makeover/practice.ts'
import { reckon } from '../reckoning/reckon.ts'
import { codesOf, paletteWorld } from '../testing/palette.ts'
import { change, testToday } from '../testing/small-makeover.ts'
import { nearTones } from './near.ts'
import { placesOf, unmeasured } from './places.ts'
import { tieOf, tieOfTones, tieTable } from './ties.ts'

const { rules } = plainPractice
const lab = (hex: string): Lab => labFromHex(hex) ?? { L: 0, a: 0, b: 0 }

describe('a tie', () => {
  it('is one colour up to ΔE00 5, or one hue at another depth where both have a hue (common practice, our thresholds)', () => {
    expect(tieOf(lab('#8fa3a8'), lab('#8fa3a8'), rules)).toBe('same')
    expect(tieOf(labFromLch(70, 40, 60), labFromLch(35, 35, 66), rules)).toBe('hue')
    expect(tieOf(labFromLch(70, 40, 60), labFromLch(35, 35, 80), rules)).toBeNull()
    expect(tieOf(labFromLch(70, 10, 60), labFromLch(35, 35, 60), rules)).toBeNull() // too grey to have a hue to tie by
  })
  it('sees every pair of near colours that ΔE00 puts within 5, however the quick look at them goes', () => {
    const [colour, near] = [
      fc.double({ min: -90, max: 90, noNaN: true }),
      fc.double({ min: -14, max: 14, noNaN: true }),
    ]
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        colour,
        colour,
        fc.double({ min: -9, max: 9, noNaN: true }),
        near,
        near,
        (L, a, b, dL, da, db) => {
          const [left, right] = [
            { L, a, b },
            { L: L + dL, a: a + da, b: b + db },
          ]
          expect(tieOf(left, right, rules) === 'same').toBe(deltaE(left, right) <= 5)
        },
      ),
      { numRuns: 4000 },
    )
  })
  it('holds both ways, whatever the colours', () => {
    const any = fc.record({
      L: fc.double({ min: 0, max: 100, noNaN: true }),
      a: fc.double({ min: -80, max: 80, noNaN: true }),
      b: fc.double({ min: -80, max: 80, noNaN: true }),
    })
    fc.assert(
      fc.property(any, any, (left, right) => {
        expect(tieOf(left, right, rules)).toBe(tieOf(right, left, rules))
        if (deltaE(left, right) <= 5) expect(tieOf(left, right, rules)).toBe('same')
      }),
    )
  })
})

const world = paletteWorld()
const { begun, carries, finish, piece, school } = world
const codes = codesOf

describe('a tie is never a clash', () => {
  const any = fc.record({
    family: fc.constantFrom(...families),
    L: fc.double({ min: 5, max: 95, noNaN: true }),
    C: fc.double({ min: 0, max: 40, noNaN: true }),
    h: fc.double({ min: 0, max: 360, noNaN: true }),
  })
  it('whatever two finishes are: where they clash neither takes the other up, by itself or by the piece that carries it', () => {
    fc.assert(
      fc.property(any, fc.constantFrom('near', 'any'), any, (left, how, right) => {
        // near ones too, since two whites may be all but one colour and still part in undertone
        const second =
          how === 'near' ? { ...left, L: left.L + 1, C: Math.min(40, left.C + 1), h: (left.h + 60) % 360 } : right
        const bench = world.with(piece('Bench', null))
        const documents = change(bench, [
          finish('One', labFromLch(left.L, left.C, left.h), {
            family: left.family,
            pieceId: world.idOf('Bench'),
            surface: 'piece',
          }),
          finish('Other', labFromLch(second.L, second.C, second.h), { family: second.family }),
        ])
        const { clashes } = reckon(documents, testToday).palette
        const table = tieTable(documents.makeover, rules)
        const appears = (name: string): readonly string[] =>
          placesOf(documents.makeover, [world.idOf(name)], unmeasured, rules)
            .get(world.idOf(name))
            ?.map((place) => place.id) ?? []
        const cell = table[0]?.cells.find((cell) => cell.finishId === world.idOf('Other'))?.tie ?? null
        if (clashes.length > 0) {
          expect(cell).toBe('clash')
          expect(appears('Other')).toEqual([world.idOf('Other')])
        } else expect(cell).not.toBe('clash')
      }),
      { numRuns: 150 },
    )
  })
  it('and a finish never clashes with its like', () => {
    fc.assert(
      fc.property(any, ({ family, L, C, h }) => {
        const same = labFromLch(L, C, h)
        expect(
          reckon(world.with(finish('One', same, { family }), finish('Other', same, { family })), testToday).palette
            .clashes,
        ).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
})

describe('colours sorted by hue and depth', () => {
  it('leave out nothing that ties, whatever the rules of a tie, and give nothing twice', () => {
    const colour = fc
      .record({
        L: fc.double({ min: 0, max: 100, noNaN: true }),
        C: fc.double({ min: 0, max: 90, noNaN: true }),
        h: fc.double({ min: 0, max: 360, noNaN: true }),
      })
      .map(({ L, C, h }) => ({ tone: toneOf(labFromLch(L, C, h)) }))
    fc.assert(
      fc.property(
        fc.array(colour, { minLength: 2, maxLength: 40 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 170 }),
        (list, same, hue) => {
          const asked = { ...rules, 'tie.same': same, 'tie.hue': hue }
          const near = nearTones(list, asked)
          for (const { tone } of list) {
            const found = near(tone)
            expect(new Set(found).size).toBe(found.length)
            expect(
              list.filter((entry) => tieOfTones(tone, entry.tone, asked) !== null && !found.includes(entry)),
            ).toEqual([])
          }
        },
      ),
      { numRuns: 120 },
    )
  })
})

describe('an accent', () => {
  const lone = change(begun, [
    finish('Wall', '#9fb7c4', { surface: 'walls' }),
    finish('Rust', '#a84f33', { role: 'accent', visibleM2: 1 }),
  ])
  const seldom = (documents: Documents) =>
    reckon(documents, testToday).remarks.filter((remark) => remark.code === 'palette.appears-seldom')
  it('that appears once looks like a mistake, twice is a note, three times is silence', () => {
    expect(seldom(lone)[0]).toMatchObject({ weight: 'look', title: 'Rust appears once' })
    const twice = change(lone, piece('Cushion', '#a84f33'))
    expect(seldom(twice)[0]).toMatchObject({ weight: 'note', title: 'Rust appears twice' })
    expect(seldom(change(twice, piece('Lamp', '#8c4a35')))).toEqual([])
  })
  it('is counted in a pattern that carries it, and once in a thing that carries it twice', () => {
    const striped = change(lone, [
      finish('Stripe', '#f3ecdb', { family: 'textile', pattern: 'stripe', patternScale: 'medium', role: 'secondary' }),
    ])
    const carried = change(striped, [carries('Stripe', 'Rust', 0.3)])
    const appears = reckon(carried, testToday).palette.finishes.find((finish) => finish.name === 'Rust')?.appears
    expect(appears).toBe(2)
    expect(reckon(carried, testToday).palette.balance.roles.find(({ role }) => role === 'accent')?.share).toBeCloseTo(
      (100 * (1 + 3)) / 21,
      9,
    ) // 1 m² and 30 % of 10 m², of 21 m²
  })
})

describe('the schools of colour', () => {
  const wall = () => finish('Wall', '#e9e2d3', { surface: 'walls', visibleM2: 60 })
  it('sixty, thirty, ten is held within its grace, and only where it was chosen', () => {
    const sharesOf = (dominant: number, secondary: number, accent: number) => [
      finish('One', '#e9e2d3', { visibleM2: dominant }),
      finish('Two', '#7d8a80', { role: 'secondary', visibleM2: secondary }),
      finish('Three', '#a84f33', { role: 'accent', visibleM2: accent }),
    ]
    const balance = (operations: (Operation | Operation[])[]) =>
      codes(change(begun, operations)).filter((code) => code === 'palette.balance').length
    expect(balance([...sharesOf(60, 30, 10), school('colours', 'sixty-thirty-ten')])).toBe(0)
    expect(balance([...sharesOf(69, 23, 8), school('colours', 'sixty-thirty-ten')])).toBe(0) // within 10, 8 and 4 points
    expect(balance([...sharesOf(90, 9, 1), school('colours', 'sixty-thirty-ten')])).toBe(3)
    expect(balance(sharesOf(90, 9, 1))).toBe(0)
  })
  it('neutrals and one raises a second strong colour; woods are not counted', () => {
    const strong = (operations: (Operation | Operation[])[]) =>
      codes(change(begun, [wall(), ...operations, school('colours', 'neutrals-and-one')])).includes(
        'palette.many-strong',
      )
    expect(strong([finish('Rust', '#a84f33'), finish('Oak', '#b98d55', { family: 'wood' })])).toBe(false)
    expect(strong([finish('Rust', '#a84f33'), finish('Teal', '#2f6f73')])).toBe(true)
  })
  it('never cushions raises an accent on cloth', () => {
    const cloth = [wall(), finish('Rust', '#a84f33', { role: 'accent', family: 'textile' })]
    expect(codes(change(begun, [...cloth, school('accent', 'never-cushions')]))).toContain('palette.accent-on-cloth')
    expect(codes(change(begun, [...cloth, school('accent', 'cushions')]))).not.toContain('palette.accent-on-cloth')
  })
  it('woods mixed freely are not held against each other', () => {
    const woods = [finish('Red', '#7a3b2a', { family: 'wood' }), finish('Yellow', '#c9a050', { family: 'wood' })]
    expect(codes(change(begun, woods))).toContain('palette.clash')
    expect(codes(change(begun, [...woods, school('woods', 'mixed')]))).not.toContain('palette.clash')
  })
})

describe('before the wall', () => {
  const room = change(begun, [finish('Wall', '#9fb7c4', { surface: 'walls' })])
  const seen = (documents: Documents) => codes(documents).filter((code) => code === 'palette.before-wall').length
  it('a piece of its colour disappears, unless it is meant to; one that stands out is said only where it should hide', () => {
    expect(seen(change(room, piece('Sofa', '#a2b9c3')))).toBe(1)
    expect(seen(change(room, piece('Sofa', '#a2b9c3', { hides: true })))).toBe(0)
    expect(seen(change(room, piece('Sofa', '#3a2a22')))).toBe(0)
    expect(seen(change(room, piece('Pipe', '#20252a', { hides: true })))).toBe(1)
    expect(seen(change(room, piece('Sofa', null)))).toBe(0)
  })
})
