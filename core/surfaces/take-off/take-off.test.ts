/** What paint and paper take on measured surfaces, by pencil. */
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import { minor } from '../../money/minor.ts'
import { reckon } from '../../reckoning/reckon.ts'
import type { LaidFields } from '../../testing/laid.ts'
import { change, testToday } from '../../testing/small-makeover.ts'
import { plain, door, spaced, room, taken, reckonedOf, labels } from '../../testing/treated.ts'

describe('paint', () => {
  // 2 × (5 + 3) × 2.5 = 40 m², twice at 10 m² a litre: 8 litres
  it('by the measured area and two coats, with the reserve', () => {
    const { documents, finish } = room(plain)
    const wall = finish({})
    const after = change(documents, wall.operations)
    const reckoned = reckonedOf(after, wall.id)
    expect(spaced(reckoned.words)).toBe('8.0 litres in two coats')
    expect(reckoned.need).toBeCloseTo(8.25, 9)
    expect(labels(after, wall.id)).toEqual([
      'Wall A',
      'Wall B',
      'Wall C',
      'Wall D',
      'Together',
      'Coats',
      'In two coats',
      'For touching up',
    ])
  })
  it('less its openings, and with a third coat in question where it goes far towards light', () => {
    const { documents, finish } = room({ ...plain, openings: [door] })
    const [wall, old] = [finish({}), finish({ fate: 'change', labL: 30, name: 'Old' })]
    const reckoned = reckonedOf(change(documents, [wall.operations, old.operations]), wall.id)
    expect(spaced(reckoned.words)).toBe('7.6 litres in two coats, or 11.4 litres in three coats') // 38 m²
    expect(reckoned.beside.map(({ label }) => label)).toEqual(['Primer'])
  })
  it('by the school that deducts only openings over 1 m², each band losing what lies in it', () => {
    const hatch = { wall: 0, what: 'window' as const, fromMm: 500, widthMm: 800, sillMm: 900, headMm: 1900 } // 0.8 m²
    const { documents, finish, newId } = room({ ...plain, openings: [hatch] })
    const low = finish({ bandToMm: 1000 })
    const laid = change(documents, low.operations)
    expect(taken(laid, low.id).m2).toBeCloseTo(16 - 0.08, 6) // 16 m of 1 m, less 800 × 100
    const school = change(laid, [add('ruling', newId(), { rule: 'paint.deduct-over', value: 1 })])
    expect(taken(school, low.id).m2).toBeCloseTo(16, 6)
  })
  it('trim by its girth, doors by face and edge, one colour on all of them and on the ceiling', () => {
    const { documents, finish, newId } = room({ ...plain, openings: [door] })
    const all = finish({ surface: 'trim' })
    const parts = (['door', 'ceiling'] as const).map((surface) =>
      add('treatedPart', newId(), { ...blank.treatedPart, treatmentId: all.id, surface }),
    )
    const after = change(documents, [all.operations, parts])
    expect(labels(after, all.id).slice(0, 4)).toEqual(['Skirting', 'Casings', 'Door', 'Ceiling'])
    // skirting 15 m of 100 mm, casing 5 m of 100 mm (our own widths); door 2 m² and 6 m of edge of 40 mm; ceiling 15 m²
    const { 'survey.skirting-height': tall, 'survey.casing-width': wide } = reckon(after, testToday).practice.rules
    expect(taken(after, all.id).m2).toBeCloseTo((15 * tall + 5 * wide) / 1000 + 2 + 6 * 0.04 + 15, 6)
  })
  it('what is left from another room goes in first', () => {
    const { documents, finish } = room(plain)
    const wall = finish({}, { leftOver: 3, leftFrom: 'the hall' })
    expect(reckonedOf(change(documents, wall.operations), wall.id).need).toBeCloseTo(5.25, 9)
  })
  it('the cheapest set of tins that is enough, at the rate of the tin', () => {
    const { documents, finish, line } = room(plain)
    // 40 m² twice at 16 m² a litre are 5 litres, and 0.25 to keep: 5 + 0.75 for 62.00, against 2 × 5 for 80.00 and 10 for 75.00
    const tins = line({ unit: 'l', quantity: 5.25 }, { priceMinor: minor(40_00), packSize: 5 }, { rateM2: 16 }, [
      { name: 'small', holds: 0.75, priceMinor: minor(22_00) },
      { name: 'large', holds: 10, priceMinor: minor(75_00) },
    ])
    const wall = finish({}, { pieceId: tins.id })
    const after = change(documents, [tins.operations, wall.operations])
    expect(taken(after, wall.id).buying).toMatchObject({ cost: 62_00, holds: 5.75, over: expect.closeTo(0.5, 9) })
  })
  it('nothing of what is there already, nor of cloth', () => {
    const { documents, finish } = room(plain)
    const [kept, cloth] = [finish({ fate: 'keep' }), finish({ family: 'textile', surface: 'window' })]
    const after = change(documents, [kept.operations, cloth.operations])
    expect(reckon(after, testToday).takeOffs.map(({ finish: { id }, reckoned }) => [id, reckoned])).toEqual([
      [cloth.id, null],
    ])
  })
})

describe('paper', () => {
  // 16 m ÷ 0.53 m are 31 strips of 2.6 m, three to a roll of 10.05 m: 11 rolls, and one laid by (EN 233)
  it('strips round the walls, rolls of EN 233, and one laid by', () => {
    const { documents, finish } = room(plain)
    const paper = finish({ family: 'paper' })
    const reckoned = reckonedOf(change(documents, paper.operations), paper.id)
    expect(spaced(reckoned.words)).toBe('12 rolls of 10050 mm × 530 mm')
    expect(reckoned.lines.find(({ label }) => label === 'Strips')?.amount).toBe('31')
    expect(reckoned.lines.find(({ label }) => label === 'Fewest')?.amount).toBe('11 rolls')
    expect(new Set(reckoned.shapes.map(({ on }) => on)).size).toBe(4)
    expect(reckoned.bars).toHaveLength(11)
  })
  it('of one wall, a band or a stretch only what lies there', () => {
    const { documents, finish, wallIds } = room(plain)
    const rolls = (fields: LaidFields): number => {
      const paper = finish({ family: 'paper', ...fields })
      return reckonedOf(change(documents, paper.operations), paper.id).need
    }
    const wallId = wallIds[0] ?? null
    expect(rolls({ bandFromMm: 1000 })).toBe(6) // 1.6 m: six to a roll, 31 strips
    expect(rolls({ wallId })).toBe(4) // 5 m are ten strips
    expect(rolls({ wallId, alongFromMm: 1000, alongToMm: 2500 })).toBe(1) // 1.5 m are three strips
  })
  it('walls that do not follow one another each begin with a strip of their own', () => {
    const { documents, finish, wallIds, newId } = room(plain)
    const paper = finish({ family: 'paper', wallId: wallIds[1] ?? null })
    const opposite = add('treatedPart', newId(), {
      ...blank.treatedPart,
      treatmentId: paper.id,
      surface: 'walls',
      wallId: wallIds[3] ?? null,
    })
    const { lines } = reckonedOf(change(documents, [paper.operations, [opposite]]), paper.id)
    // 3 m take six strips each: twelve, where 6 m in one go would take twelve too; the last of each is cut at its corner
    expect(lines.find(({ label }) => label === 'Strips')?.amount).toBe('12')
  })
  it('the dearer paper that is wider may cost less here', () => {
    const { documents, finish, line } = room(plain)
    const cost = (widthMm: number, price: number): number => {
      const rolls = line({ unit: 'rolls', quantity: 11 }, { priceMinor: minor(price) }, { widthMm, lengthMm: 10_050 })
      const paper = finish({ family: 'paper' }, { pieceId: rolls.id })
      return taken(change(documents, [rolls.operations, paper.operations]), paper.id).buying?.cost ?? 0
    }
    // 31 strips are 11 and 1 laid by; 16 strips of 1.06 m, three to a roll, are 6
    expect([cost(530, 30_00), cost(1060, 50_00)]).toEqual([360_00, 300_00])
  })
  it('a repeat longer than the roll is said, with no figure', () => {
    const { documents, finish } = room(plain)
    const paper = finish({ family: 'paper', pattern: 'floral', repeatMm: 20_000 })
    const after = change(documents, paper.operations)
    expect(taken(after, paper.id)).toMatchObject({ reckoned: { ok: false }, buying: null })
    expect(reckon(after, testToday).remarks.map(({ code }) => code)).toContain('surfaces.refused')
  })
})
