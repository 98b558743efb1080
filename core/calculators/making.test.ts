/** Ways of making that are kept: what was answered comes back as it was; what is bought in whole packs; what the room knows. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { minor } from '../money/minor.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { roomsOf } from '../survey/index.ts'
import { candidateOf, change, pieceOf } from '../testing/small-makeover.ts'
import { rectangle, type Measured } from '../testing/surveyed.ts'
import { room } from '../testing/treated.ts'
import type { Values } from './calculator.ts'
import { fromTheRoom } from './from-room.ts'
import { answersOf, calculators, keepAnswers, madeAgainst, suppliesOf } from './index.ts'

const rules = effectiveRules()
const plain: Measured = {
  walls: rectangle(5000, 4000),
  survey: { heightMm: 2500, facesDeg: 0 },
  openings: [
    { wall: 2, what: 'window', fromMm: 1000, widthMm: 1200, sillMm: 900, headMm: 2100 },
    { wall: 1, what: 'niche', fromMm: 500, widthMm: 900, sillMm: 0, headMm: 2200, revealMm: 300 },
  ],
}
function making(
  fields: Partial<Fields<'making'>> = {},
  more: (told: {
    pieceId: string
    makingId: string
    newId: () => string
    wallIds: string[]
    seller: string
  }) => Operation[] = () => [],
  thing: Fields<'piece'>['thing'] = 'work',
) {
  const world = room(plain)
  const [pieceId, makingId] = [world.newId(), world.newId()]
  const category = Object.keys(world.documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(world.documents.studio.rows.seller)[0] ?? ''
  const { makeover } = change(world.documents, [
    add('piece', pieceId, pieceOf(world.roomId, category, { name: 'Thing', thing, unit: 'pieces' })),
    add('making', makingId, { ...blank.making, pieceId, name: 'Try', calculator: 'frame', ...fields }),
    ...more({ pieceId, makingId, newId: world.newId, wallIds: world.wallIds, seller }),
  ])
  const row = makeover.rows.making[makingId]
  const piece = makeover.rows.piece[pieceId]
  if (!row || !piece) throw new Error('nothing is made')
  return { ...world, makeover, row, piece }
}

it('what is answered of any calculator is kept, and comes back as it was; kept twice it changes nothing', () => {
  fc.assert(
    fc.property(fc.constantFrom(...calculators), fc.integer({ min: 1, max: 5000 }), fc.nat(), (calculator, mm, at) => {
      const { makeover, row, documents } = making({ calculator: calculator.id })
      const told: Values = Object.fromEntries(
        calculator.asks.map((ask): [string, Values[string]] => {
          if (ask.as === 'choice') return [ask.key, ask.options[at % ask.options.length] ?? ask.start]
          if (ask.as === 'lengths') return [ask.key, [mm, mm + 0.5, 12]]
          return [ask.key, at % 7 === 0 ? null : mm / 8]
        }),
      )
      let next = 0
      const ids = (): string => `00000000-0000-4000-8000-${String(next++).padStart(12, '0')}`
      const after = change({ ...documents, makeover }, keepAnswers(makeover, row.id, told, ids)).makeover
      expect(answersOf(after, calculator, row.id)).toEqual(told)
      expect(keepAnswers(after, row.id, told, ids)).toEqual([])
    }),
    { numRuns: 40 },
  )
}, 60_000)

describe('made against bought', () => {
  const supply = (makingId: string, fields: Partial<Fields<'supply'>>): Fields<'supply'> => ({
    ...blank.supply,
    makingId,
    name: 'Cloth',
    needed: 2.4,
    unit: 'm',
    packSize: 1,
    packMinor: minor(18_00),
    ...fields,
  })
  it('by pencil: 2.4 m with half a metre at home are two whole metres; 36.00, four hours at 20.00, against 100.00', () => {
    const { makeover, row } = making(
      { hours: 4, rateMinor: minor(20_00), boughtMinor: minor(100_00) },
      ({ makingId, newId }) => [add('supply', newId(), supply(makingId, { atHome: 0.5 }))],
    )
    const [cloth] = suppliesOf(makeover, row.id)
    expect(cloth).toMatchObject({ packs: 2, cost: 36_00, left: 0.1 })
    // 36 + 80 = 116: bought is 16 cheaper; equal at (100 − 36) / 20 = 3.2 h, or at 64 / 4 = 16.00 an hour
    expect(madeAgainst(makeover, row)).toMatchObject({
      ok: true,
      found: { madeMinor: 116_00, savedMinor: -16_00, equalHours: 3.2, equalRateMinor: 16_00 },
    })
  })
  it('what is all at home costs nothing; nothing is compared while no price was asked', () => {
    const { makeover, row } = making({ hours: 1 }, ({ makingId, newId }) => [
      add('supply', newId(), supply(makingId, { atHome: 3 })),
    ])
    expect(suppliesOf(makeover, row.id)[0]).toMatchObject({ packs: 0, cost: 0 })
    expect(madeAgainst(makeover, row)).toBeNull()
  })
})

describe('from the room', () => {
  const told = (calculator: string, found: ReturnType<typeof making>) =>
    fromTheRoom(calculator, {
      makeover: found.makeover,
      room: roomsOf(found.makeover, rules)[0] ?? null,
      piece: found.piece,
      rules,
    })
  const hung = (wall: number) =>
    making({}, ({ pieceId, newId, wallIds, seller }) => [
      add('candidate', newId(), candidateOf(pieceId, seller, { name: 'Print', widthMm: 300, heightMm: 400 })),
      add('hanging', newId(), {
        ...blank.hanging,
        pieceId,
        wallId: wallIds[wall] ?? '',
        alongMm: 1000,
        centreMm: 1500,
      }),
    ])
  it('a picture opposite a window that looks south has sun, and glass that reflects; beside the window neither is opposite', () => {
    // facing the first wall one looks north: the third, with the window, looks south
    expect(told('frame', hung(0))).toMatchObject([
      { values: { size: 300, high: 400 } },
      { values: { sun: 'yes', window: 'yes' } },
    ])
    expect(told('frame', hung(1))[1]?.values).toEqual({ sun: 'yes', window: 'no' })
    expect(told('frame', hung(2))[1]?.values).toEqual({ sun: 'no', window: 'no' })
  })
  it('a shelf takes the width and depth of the alcove, a blind the size of the window', () => {
    expect(told('shelf', hung(0))).toMatchObject([{ values: { width: 900, depth: 300, ends: 'between two walls' } }])
    expect(told('blind', hung(0))).toMatchObject([{ values: { width: 1200, height: 1200 } }])
  })
  it('a bench gives its cover its size, a table half of its width and a little more to the shade over it', () => {
    const seat = (thing: 'seat' | 'table') =>
      making(
        {},
        ({ pieceId, newId, seller }) => [
          add(
            'candidate',
            newId(),
            candidateOf(pieceId, seller, { name: 'It', widthMm: 1600, depthMm: 800, heightMm: 450 }),
          ),
        ],
        thing,
      )
    expect(told('cushions', seat('seat'))).toMatchObject([{ values: { thing: 'bench cover', size: 1600, depth: 800 } }])
    const [shade] = told('shade', seat('table'))
    const across = Number(shade?.values.across)
    expect(across).toBeGreaterThanOrEqual(400)
    expect(across).toBeLessThanOrEqual((800 * 2) / 3)
  })
  it('says nothing of what it knows nothing of', () => {
    expect(told('paint', hung(0))).toEqual([])
    expect(told('cushions', hung(0))).toEqual([])
  })
})
