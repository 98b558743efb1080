/** What treatments take on measured surfaces, by pencil. */
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '../../makeover/change.ts'
import type { Fields } from '../../makeover/kinds.ts'
import { minor } from '../../money/minor.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { remediesFor } from '../../reckoning/remedies.ts'
import { addLaid, type LaidFields } from '../../testing/laid.ts'
import { candidateOf, change, pieceOf, testToday } from '../../testing/small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from '../../testing/surveyed.ts'
import { roomsOf } from '../../survey/index.ts'
import { measuredRooms } from '../step.ts'
import { takeOffs } from './index.ts'
import type { TakeOff } from './told.ts'

const plain: Measured = { walls: rectangle(5000, 3000), survey: { heightMm: 2500 } }
const door = { wall: 0, what: 'door' as const, fromMm: 500, widthMm: 1000, headMm: 2000 }
const spaced = (text: string | undefined): string => (text ?? '').replaceAll(/\s/g, ' ')

function room(measured: Measured) {
  const { documents, roomId, wallIds, newId } = measuredRoom(measured)
  const finish = (
    fields: LaidFields,
    treated: Partial<Fields<'treatment'>> = {},
  ): { id: string; operations: Operation[] } => {
    const id = newId()
    const laid = addLaid(id, {
      ...blank.finish,
      roomId,
      name: 'Finish',
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      labL: 80,
      labA: 0,
      labB: 8,
      colourSource: 'lab',
      usedFor: '',
      visibleM2: null,
      surface: 'walls',
      ...fields,
    })
    return {
      id,
      operations: laid.map((operation) =>
        operation.op === 'put' && operation.kind === 'treatment'
          ? { ...operation, fields: { ...operation.fields, ...treated } }
          : operation,
      ),
    }
  }
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  /** A line to buy with a chosen candidate, what it is made up of, and the sizes it is sold in. */
  const line = (
    piece: Partial<Fields<'piece'>>,
    candidate: Partial<Fields<'candidate'>>,
    makeUp: Partial<Fields<'makeUp'>> = {},
    sizes: readonly Partial<Fields<'saleSize'>>[] = [],
  ): { id: string; candidateId: string; operations: Operation[] } => {
    const [id, candidateId] = [newId(), newId()]
    return {
      id,
      candidateId,
      operations: [
        add(
          'piece',
          id,
          pieceOf(roomId, category, { name: 'Line', chosenId: candidateId, chosenReason: 'Good', ...piece }),
        ),
        add('candidate', candidateId, candidateOf(id, seller, { name: 'Sold', taxPpm: 0, ...candidate })),
        add('makeUp', newId(), { ...blank.makeUp, candidateId, ...makeUp }),
        ...sizes.map((size) =>
          add('saleSize', newId(), {
            ...blank.saleSize,
            candidateId,
            name: 'Size',
            holds: 1,
            priceMinor: minor(1),
            ...size,
          }),
        ),
      ],
    }
  }
  return { documents, roomId, wallIds, newId, finish, line }
}
const taken = (documents: Documents, id: string): TakeOff => {
  const { practice, survey } = reckon(documents, testToday)
  const rooms = measuredRooms(roomsOf(documents.makeover, practice.rules), survey)
  const found = takeOffs(documents.makeover, rooms, practice.rules).find(({ finish }) => finish.id === id)
  if (!found) throw new Error('nothing is taken off')
  return found
}
const reckonedOf = (documents: Documents, id: string) => {
  const { reckoned } = taken(documents, id)
  if (!reckoned?.ok) throw new Error(reckoned?.error ?? 'nothing')
  return reckoned
}
const labels = (documents: Documents, id: string): string[] => reckonedOf(documents, id).lines.map(({ label }) => label)

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

describe('tiles', () => {
  const tile = { widthMm: 200, lengthMm: 200, jointMm: 0 }
  it('on a wall to half its height: a line to buy, boxes, and the shift that avoids slivers', () => {
    const { documents, finish, line, wallIds } = room({ walls: rectangle(3010, 2000), survey: { heightMm: 2400 } })
    const boxes = line({ unit: 'tiles', quantity: 100 }, { priceMinor: minor(24_00), packSize: 20 }, tile)
    const tiled = finish(
      { family: 'ceramic', wallId: wallIds[0] ?? null, bandToMm: 1200 },
      { pieceId: boxes.id, reuse: false },
    )
    const after = change(documents, [boxes.operations, tiled.operations])
    // 3010 from its middle: seven whole tiles and 105 to each side; 1200 are six rows
    const found = reckonedOf(after, tiled.id)
    expect(found.lines[0]?.amount).toBe('84 + 12')
    expect(found.need).toBe(Math.ceil(96 * 1.03)) // 99
    expect(taken(after, tiled.id).buying).toMatchObject({ cost: 5 * 24_00, holds: 100, over: 1 })
    const moved = taken(after, tiled.id).treatment
    const thin = change(after, [edit('treatment', moved, { startMm: 100 })])
    const remark = reckon(thin, testToday).remarks.find(({ code }) => code === 'surfaces.sliver')
    expect(remark?.weight).toBe('look')
    const [cure] = remark ? remediesFor(remark, thin.makeover, reckon(thin, testToday), () => '') : []
    const cured = change(thin, cure?.operations ?? [])
    expect(reckon(cured, testToday).remarks.map(({ code }) => code)).not.toContain('surfaces.sliver')
  })
  it('by the area alone while nobody chose a tile', () => {
    const { documents, finish } = room(plain)
    const floor = finish({ family: 'ceramic', surface: 'floor' })
    // 15 m² and 10 %
    expect(reckonedOf(change(documents, floor.operations), floor.id)).toMatchObject({
      unit: 'm²',
      need: expect.closeTo(16.5, 6),
    })
  })
})

describe('mouldings and frames', () => {
  it('skirting between doors and corners, cut from stock of two lengths at least cost', () => {
    const { documents, finish, line } = room({ ...plain, openings: [door] })
    const lengths = line(
      { unit: 'lengths', quantity: 6 },
      { priceMinor: minor(12_00) },
      { lengthMm: 3000, thickMm: 15, kerfMm: 0 },
      [{ lengthMm: 4200, priceMinor: minor(15_00) }],
    )
    const skirting = finish({ surface: 'trim' }, { how: 'moulding', profile: 'skirting', pieceId: lengths.id })
    const after = change(documents, [lengths.operations, skirting.operations])
    const found = reckonedOf(after, skirting.id)
    // A 500 and 3500 beside the door, B 3000, C 5000 in two, D 3000, each 10 longer
    expect(found.lines.slice(0, 5).map(({ label, amount }) => [label, spaced(amount)])).toEqual([
      ['Wall A', '500 mm'],
      ['Wall A', '3500 mm'],
      ['Wall B', '3000 mm'],
      ['Wall C', '5000 mm'],
      ['Wall D', '3000 mm'],
    ])
    // no bar holds two of the long pieces, so five of them lie on five bars: 3510, 3010 and 3010 need 4.2 m; the halves of C, 2517.5 each,
    // need 3 m, and the 510 goes beside one of the long ones
    expect(taken(after, skirting.id).buying).toMatchObject({ cost: 3 * 15_00 + 2 * 12_00 })
    expect(found.need).toBe(5)
  })
  it('frames are parted by what cuts their band, and cut to the long point of their mitres', () => {
    const { documents, finish } = room({ ...plain, openings: [door] })
    const panelled = finish({ bandToMm: 900 }, { how: 'panels' })
    const { lines, shapes } = reckonedOf(change(documents, panelled.operations), panelled.id)
    // A has a stretch of 500 and one of 3500 beside its door
    expect(lines.filter(({ label }) => label === 'Wall A')).toHaveLength(2)
    expect(shapes.every(({ kind }) => kind === 'frame')).toBe(true)
  })
})

describe('the line to buy', () => {
  it('is made by one change, held against what is needed, and never silently outdated', () => {
    const { documents, finish, newId } = room(plain)
    const wall = finish({})
    const laid = change(documents, wall.operations)
    const said = (from: Documents) =>
      reckon(from, testToday)
        .remarks.filter(({ code }) => code.startsWith('surfaces.'))
        .map(({ code }) => code)
    expect(said(laid)).toEqual([])
    const treatment = laid.makeover.rows.treatment[wall.id]
    if (!treatment) throw new Error('no treatment')
    const found = taken(laid, wall.id)
    const lined = change(laid, [
      ...(() => {
        const remark = { need: found.reckoned?.ok ? found.reckoned.need : 0 }
        const id = newId()
        return [
          add(
            'piece',
            id,
            pieceOf(found.finish.roomId, Object.keys(laid.makeover.rows.category)[0] ?? '', {
              name: 'Paint',
              unit: 'l',
              quantity: remark.need,
            }),
          ),
          edit('treatment', treatment, { pieceId: id }),
        ]
      })(),
    ])
    expect(said(lined)).toEqual([])
    const again = lined.makeover.rows.treatment[wall.id]
    const third = change(lined, again ? [edit('treatment', again, { coats: 3 })] : [])
    expect(said(third)).toEqual(['surfaces.outdated'])
    const remark = reckon(third, testToday).remarks.find(({ code }) => code === 'surfaces.outdated')
    const [cure] = remark ? remediesFor(remark, third.makeover, reckon(third, testToday), newId) : []
    const cured = change(third, cure?.operations ?? [])
    expect(said(cured)).toEqual([])
    expect(Object.values(cured.makeover.rows.piece).map(({ quantity }) => quantity)).toContain(12.25)
  })
})
