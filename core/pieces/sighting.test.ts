import { describe, expect, it } from 'vitest'
import { labFromHex } from '../colour/lab.ts'
import { add } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { paletteWorld } from '../testing/palette.ts'
import { change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { judgeSighting, keepSighting, type Sighting } from './sighting.ts'

const newId = countingIds(0x8000)
const { finish, with: laid, ids } = paletteWorld()
const piece = newId()
const painted = laid(finish('Sage wall', '#8a9a80', { surface: 'walls' }))
const furniture = rowsOf(painted.makeover, 'category').find(({ name }) => name === 'Furniture')?.id ?? ''
const documents = change(painted, [
  add(
    'piece',
    piece,
    pieceOf(ids.room, furniture, {
      name: 'Bedside table',
      widthMm: 500,
      depthMm: 400,
      allowanceMinor: minor(120_00),
    }),
  ),
])
const seen = (fields: Partial<Sighting> = {}): Sighting => ({
  candidateId: newId(),
  name: 'Round table',
  priceMinor: null,
  size: null,
  seller: null,
  tax: null,
  colours: [],
  piece: { id: piece },
  ...fields,
})
const said = (fields: Partial<Sighting>): string[] =>
  judgeSighting(documents, reckon(documents, testToday).money, effectiveRules(), seen(fields), testToday, newId).map(
    ({ about, is, words }) => `${about} ${is}: ${words}`,
  )

describe('a thing seen in a shop', () => {
  it('says nothing of what was not typed', () => expect(said({})).toEqual([]))
  it('fits or does not, by how much', () => {
    expect(said({ size: { widthMm: 450, depthMm: 400, heightMm: 600 } })).toEqual(['fit good: fits'])
    expect(said({ size: { widthMm: 560, depthMm: 400, heightMm: null } })).toEqual(['fit bad: 60\u00a0mm too large'])
  })
  it('is held against what it may cost and what is left', () => {
    // 4 000.00 agreed for furniture, 120.00 of it planned: 3 880.00 left
    expect(said({ priceMinor: minor(100_00) })).toEqual([
      'money good: 100.00 EUR, 20.00 EUR under what it may cost; then 3\u00a0880.00 EUR left in Furniture',
    ])
    expect(said({ priceMinor: minor(150_00) })).toEqual([
      'money good: 150.00 EUR, 30.00 EUR over what it may cost; then 3\u00a0850.00 EUR left in Furniture',
    ])
    expect(said({ priceMinor: minor(4_100_00) })[0]).toMatch(/^money bad: .*Furniture would be 100\.00 EUR over$/)
  })
  it('ties to the palette, or would be one more colour', () => {
    const colour = (hex: string) => [labFromHex(hex)].flatMap((lab) => lab ?? [])
    expect(said({ colours: colour('#8b9b80') })).toEqual(['colour good: ties with Sage wall'])
    expect(said({ colours: colour('#c03060') })).toEqual([
      'colour open: is not in the palette: it would be one more colour',
    ])
  })
  it('is kept as a candidate with what is still to be asked, for a piece that is there or a new one', () => {
    const kept = change(documents, keepSighting(seen({ priceMinor: minor(80_00) }), testToday, newId))
    expect(rowsOf(kept.makeover, 'candidate').at(-1)).toMatchObject({
      pieceId: piece,
      leadDays: null,
      toAsk: 'returns, delivery, tax',
      priceKind: 'seen',
    })
    const fresh = newId()
    const planned = change(
      documents,
      keepSighting(
        seen({
          priceMinor: minor(80_00),
          seller: { id: newId(), name: 'Corner shop', known: false },
          piece: { newId: fresh, roomId: ids.room, categoryId: furniture },
        }),
        testToday,
        newId,
      ),
    )
    expect(planned.makeover.rows.piece[fresh]).toMatchObject({ name: 'Round table', allowanceMinor: 80_00 })
    expect(reckon(planned, testToday).remarks.some(({ code }) => code === 'pieces.to-ask')).toBe(false) // nothing is chosen yet
  })
})
