/** What is laid piece by piece, cut from lengths, and put on a line to buy, by pencil. */
import { describe, expect, it } from 'vitest'
import { add, edit, type Documents } from '../../makeover/change.ts'
import { minor } from '../../money/minor.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { remediesFor } from '../../reckoning/remedies.ts'
import { change, pieceOf, testToday } from '../../testing/small-makeover.ts'
import { rectangle } from '../../testing/surveyed.ts'
import { plain, door, spaced, room, taken, reckonedOf } from '../../testing/treated.ts'

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
    // 5010 as 4200 and 825 with their scarf: 4200, 3510 + 510, 3010 + 825 and 3010 lie on four of 4200, which no length of 3000 can spare;
    // joined from two alike of 2512.5 it would take five
    expect(taken(after, skirting.id).buying).toMatchObject({ cost: 4 * 15_00 })
    expect(found.need).toBe(4)
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
    const said = (told: Documents) =>
      reckon(told, testToday)
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
