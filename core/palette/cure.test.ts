import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaE } from '../colour/difference.ts'
import { labFromLch } from '../colour/lab.ts'
import type { Documents, Operation } from '../makeover/change.ts'
import { roles } from '../makeover/choices.ts'
import { paletteWorld, practised, reckoned, type Told } from '../testing/palette.ts'
import { change } from '../testing/small-makeover.ts'
import { balanceCures, clashCures, labOf, suggest, wants, type Cure } from './index.ts'

const world = paletteWorld()
const { finish, idOf, piece, school } = world
const cures = (documents: Documents): Cure[] =>
  reckoned(documents).palette.clashes.flatMap((pair) => clashCures(documents.makeover, pair, practised(documents)))
const clashes = (documents: Documents): number => reckoned(documents).palette.clashes.length

describe('the least change that cures a clash', () => {
  it('cures it, keeps the depth, brings no other, and is no larger than it has to be', () => {
    const hue = fc.double({ min: 0, max: 360, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom('wood', 'metal', 'greenery', 'paint'),
        fc.double({ min: 30, max: 85, noNaN: true }),
        fc.double({ min: 30, max: 85, noNaN: true }),
        hue,
        fc.double({ min: 20, max: 170, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (family, L1, L2, h, apart, strong) => {
          const C = family === 'paint' ? 4 + 7 * strong : 18 + 20 * strong
          const documents = world.with(
            finish('One', labFromLch(L1, C, h), { family }),
            finish('Other', labFromLch(L2, C, h + apart), { family }),
          )
          if (clashes(documents) === 0) return
          const found = cures(documents).filter((cure) => cure.title.includes('towards'))
          expect(found.length).toBeGreaterThan(0)
          for (const cure of found) {
            const after = change(documents, cure.operations)
            expect(clashes(after)).toBe(0)
            const id = cure.finishIds[0] ?? ''
            const [was, is] = [documents.makeover.rows.finish[id], after.makeover.rows.finish[id]]
            if (!was || !is) throw new Error('the finish is there before and after')
            expect(is.labL).toBeCloseTo(was.labL, 1)
            expect(cure.moves).toBeCloseTo(deltaE(labOf(was), labOf(is)), 6)
            // half of the way is not enough, or hardly any way was needed
            const half = change(documents, [
              {
                ...cure.operations[0],
                fields: { labL: was.labL, labA: (was.labA + is.labA) / 2, labB: (was.labB + is.labB) / 2 },
              } as Operation,
            ])
            if (cure.moves > 1.5) expect(clashes(half)).toBe(1)
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  it('the library offers its nearest of the same make that agrees with all', () => {
    const documents = world.with(
      finish('Cream', labFromLch(92, 8, 92), { sheen: 'satin' }),
      finish('Cool', labFromLch(92, 4, 250), { fate: 'keep' }),
    )
    const shelf = cures(documents).find((cure) => cure.title.includes('library'))
    expect(shelf?.operations).toMatchObject([{ id: idOf('Cream'), fields: { colourSource: 'library' } }])
    expect(clashes(change(documents, shelf?.operations ?? []))).toBe(0)
  })
  it('leaves alone what is kept, sentimental or in hand, and says nothing where all is', () => {
    const pine = finish('Pine', labFromLch(70, 36, 80), { family: 'wood', fate: 'keep' })
    const free = world.with(pine, finish('Mahogany', labFromLch(34, 27, 45), { family: 'wood' }))
    expect(new Set(cures(free).flatMap((cure) => cure.finishIds))).toEqual(new Set([idOf('Mahogany')]))
    const chest = world.with(piece('Chest', '#5b3a26', {}, { source: 'owned', keepReason: 'sentimental' }))
    const kept = change(chest, [
      pine,
      finish('Mahogany', labFromLch(34, 27, 45), { family: 'wood', pieceId: idOf('Chest') }),
    ])
    expect(clashes(kept)).toBe(1)
    expect(cures(kept)).toEqual([])
  })
})

describe('the least change that brings the shares right', () => {
  const palette = (...areas: readonly [dominant: number, secondary: number, accent: number, loose: number]) =>
    world.with(
      finish('Oat', '#d9d0bd', { visibleM2: areas[0], surface: 'walls' }),
      finish('Moss', '#6b7a58', { visibleM2: areas[1], role: 'secondary', family: 'textile' }),
      finish('Rust', '#a84f33', { visibleM2: areas[2], role: 'accent', family: 'textile' }),
      finish('Loose', '#566b4a', { visibleM2: areas[3], role: 'secondary', family: 'textile' }),
      school('colours', 'sixty-thirty-ten'),
    )
  const found = (documents: Documents): Cure[] =>
    balanceCures(documents.makeover, reckoned(documents).palette, practised(documents))
  it('takes the smallest finish that cures it, and the shares are then in balance', () => {
    const documents = palette(60, 25, 2, 9) // an accent of 2 %, and 9 m² that could carry it
    const [first] = found(documents)
    expect(first?.title).toBe('Loose in the colour of Rust')
    const after = change(documents, first?.operations ?? [])
    expect(reckoned(after).palette.balance.roles.every((role) => role.off === 0)).toBe(true)
  })
  it('always brings them nearer, whatever the areas, and is silent where they are in balance', () => {
    const area = fc.integer({ min: 1, max: 80 })
    const off = (documents: Documents): number =>
      reckoned(documents).palette.balance.roles.reduce((sum, role) => sum + role.off, 0)
    fc.assert(
      fc.property(area, area, area, area, (...areas) => {
        const documents = palette(...areas)
        const list = found(documents)
        if (off(documents) === 0) expect(list).toEqual([])
        for (const cure of list) expect(off(change(documents, cure.operations))).toBeLessThan(off(documents))
      }),
      { numRuns: 40 },
    )
  })
})

describe('suggestions', () => {
  const room = (...more: Told[]): Documents =>
    world.with(
      finish('Wall', '#83a7ad', { surface: 'walls', visibleM2: 36 }),
      finish('Boards', '#c59c5f', { surface: 'floor', family: 'wood', visibleM2: 17, role: 'secondary', fate: 'keep' }),
      finish('Trim', '#f1e9da', { surface: 'trim', role: 'secondary', visibleM2: 4 }),
      ...more,
    )
  const ask = (
    documents: Documents,
    want: (typeof wants)[number],
    name: 'library' | 'free',
    seen?: ReadonlySet<string>,
  ) =>
    suggest(documents.makeover, reckoned(documents).palette, practised(documents), {
      roomId: world.ids.room,
      want,
      from: name,
      ...(seen ? { seen } : {}),
    })
  it.each(wants.flatMap((want) => (['library', 'free'] as const).map((name) => [want, name] as const)))(
    '%s from %s: each obeys the rules when it is laid in, is like none before it, and has a reason',
    (want, name) => {
      const documents = room()
      const { list } = ask(documents, want, name)
      expect(list.length).toBeGreaterThanOrEqual(3)
      const before = clashes(documents)
      for (const [at, suggestion] of list.entries()) {
        expect(suggestion.reason).toMatch(/^[A-Z\d].{10,}\.$/)
        expect(
          clashes(
            change(documents, [
              finish('New', suggestion.lab, { family: suggestion.family, role: suggestion.role, visibleM2: 2 }),
            ]),
          ),
        ).toBe(before)
        for (const otherSuggestion of list.slice(0, at))
          expect(deltaE(suggestion.lab, otherSuggestion.lab)).toBeGreaterThanOrEqual(
            want === 'white' || want === 'neutral' ? 2.5 : 10,
          )
      }
    },
  )
  it('never the same twice: asked again it goes on, and in the end says that there is no more', () => {
    const documents = room()
    const seen = new Set<string>()
    for (let turn = 0; turn < 60; turn++) {
      const { list, why } = ask(documents, 'accent', 'library', seen)
      if (list.length === 0) {
        expect(why).toMatch(/was shown/)
        expect(seen.size).toBeGreaterThan(12)
        return
      }
      for (const suggestion of list) {
        expect(seen.has(suggestion.key)).toBe(false)
        seen.add(suggestion.key)
      }
    }
    throw new Error('there was no end to it')
  })
  it('keeps to the school: no accent in quiet layers, none beyond the one, neutrals where all but one are', () => {
    expect(ask(room(school('colours', 'quiet')), 'accent', 'library').why).toMatch(/no accent/)
    expect(
      ask(room(finish('Rust', '#a84f33', { role: 'accent' }), school('colours', 'two-and-one')), 'accent', 'free').why,
    ).toMatch(/one accent/)
    for (const suggestion of ask(room(school('colours', 'neutrals-and-one')), 'second', 'free').list)
      expect(Math.hypot(suggestion.lab.a, suggestion.lab.b)).toBeLessThan(12)
  })
  it('an empty room and a third without two mains are told what is wanted first', () => {
    expect(ask(world.begun, 'white', 'library').why).toMatch(/Lay down what is fixed/)
    expect(ask(world.with(finish('Wall', '#83a7ad', { surface: 'walls' })), 'third', 'library').why).toMatch(
      /two mains/,
    )
  })
  it('has a role for each that the makeover knows', () => {
    for (const want of wants)
      for (const suggestion of ask(room(), want, 'library').list) expect(roles).toContain(suggestion.role)
  })
})
