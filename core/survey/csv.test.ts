import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { change } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, withBreast, type Measured } from '../testing/surveyed.ts'
import { sheetOperations, surveyCsv } from './csv.ts'
import { readSurveyCsv } from './read-csv.ts'
import { roomsOf } from './room.ts'

const rich: Measured = {
  walls: withBreast(5200, 4100, 1300, 1500, 350).map((wall, at) =>
    at === 0
      ? { ...wall, curve: 'rise' as const, curveMm: 300, bows: 'out' as const, name: '=street, “front”' }
      : at === 6
        ? { ...wall, heightMm: 2300 }
        : wall,
  ),
  survey: { heightMm: 2600, dadoMm: 950, railMm: null },
  checks: [
    [1, 4, 5400],
    [2, 7, 6600],
  ],
  slopes: [[7, 1800, 900]],
  openings: [
    {
      wall: 1,
      what: 'door',
      name: 'Hall door',
      fromMm: 120,
      fromEnd: true,
      widthMm: 830,
      headMm: 2030,
      hinge: 'right',
      swing: 'in',
      clearMm: 790,
    },
    { wall: 7, what: 'window', fromMm: 700, widthMm: 1400, sillMm: 800, headMm: 2200, revealMm: 180 },
  ],
  fixtures: [
    { wall: 3, what: 'socket', fromMm: 300, aboveMm: 300 },
    { wall: 7, what: 'light point', fromMm: 2000, aboveMm: 2600, outMm: 2000, note: 'hook' },
    { wall: 3, what: 'fireplace', fromMm: 250, widthMm: 1000, heightMm: 1100, depthMm: 80 },
  ],
}
/** What a survey says, without ids and versions. */
function said(makeover: Makeover): unknown {
  const walls = rowsOf(makeover, 'wall').toSorted((left, right) => left.place - right.place)
  const letter = (id: string): number => walls.findIndex((wall) => wall.id === id)
  const plain = (row: object): object =>
    Object.fromEntries(
      Object.entries(row)
        .filter(([name]) => !['id', 'version', 'roomId', 'place'].includes(name))
        .map(([name, value]): [string, unknown] => [
          name,
          typeof value === 'string' && letter(value) >= 0 ? letter(value) : value,
        ]),
    )
  const text = (kind: 'diagonal' | 'opening' | 'fixture' | 'slope') =>
    rowsOf(makeover, kind)
      .map((row) => JSON.stringify(Object.entries(plain(row)).toSorted()))
      .toSorted()
  return {
    walls: walls.map(plain),
    survey: rowsOf(makeover, 'survey').map(plain),
    diagonal: text('diagonal'),
    opening: text('opening'),
    fixture: text('fixture'),
    slope: text('slope'),
  }
}
const roomIn = (makeover: Makeover, rules: Parameters<typeof roomsOf>[1]) => {
  const [room] = roomsOf(makeover, rules)
  if (!room) throw new Error('no room')
  return room
}

describe('lengths as a table', () => {
  it('goes out and comes into another room as it was', () => {
    const room = measuredRoom(rich)
    const csv = surveyCsv(room.room)
    expect(csv).toContain(`'=street`) // no formula for a spreadsheet
    const { sheet, faults } = readSurveyCsv(csv)
    expect(faults).toEqual([])
    const to = measuredRoom({
      walls: rectangle(3000, 2000),
      openings: [{ wall: 0, what: 'arch', fromMm: 0, widthMm: 900, headMm: 2000 }],
    })
    if (!sheet) throw new Error('no sheet')
    const after = change(to.documents, sheetOperations(to.documents.makeover, to.roomId, sheet, to.newId))
    expect(said(after.makeover)).toEqual(said(room.documents.makeover))
    // told again it changes nothing
    expect(sheetOperations(after.makeover, to.roomId, sheet, to.newId)).toEqual([])
    expect(roomIn(after.makeover, to.rules).closing.state).toBe(room.room.closing.state)
  })
  it('any rectangle goes round, in whatever order the columns stand', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12_000, max: 90_000 }), fc.integer({ min: 12_000, max: 90_000 }), (w, d) => {
        const csv = `length,what\r\n${[w, d, w, d].map((tenths) => `${tenths / 10},wall`).join('\r\n')}`
        expect(readSurveyCsv(csv).sheet?.walls.map((wall) => wall.lengthMm)).toEqual(
          [w, d, w, d].map((tenths) => tenths / 10),
        )
      }),
    )
  })
  it('takes lengths as people write them, and fewer walls than there were', () => {
    const { sheet } = readSurveyCsv(
      `what;length;corner;on;from;width;top;detail\nwall;12' 6 1/2";inside;;;;;\nwall;3.81 m;100°\nwall;381cm;unknown\ncheck;5000;;1-3\ndoor;;;A;300 from end;32 in;2030;hinge left, swing out, clear 30 in`,
    )
    expect(sheet?.walls.map((wall) => [wall.lengthMm, wall.corner, wall.cornerDeg])).toEqual([
      [3822.7, 'inside', null],
      [3810, 'angle', 100],
      [3810, 'unknown', null],
    ])
    expect(sheet?.openings[0]?.fields).toMatchObject({
      fromMm: 300,
      fromEnd: true,
      widthMm: 812.8,
      hinge: 'left',
      swing: 'out',
      clearMm: 762,
    })
    const to = measuredRoom({
      walls: rectangle(3000, 2000),
      checks: [[2, 4, 3605]],
      fixtures: [{ wall: 3, what: 'socket', fromMm: 10, aboveMm: 300 }],
    })
    if (!sheet) throw new Error('no sheet')
    const after = change(to.documents, sheetOperations(to.documents.makeover, to.roomId, sheet, to.newId))
    expect(rowsOf(after.makeover, 'wall')).toHaveLength(3)
    expect(rowsOf(after.makeover, 'fixture')).toHaveLength(0)
  })
  it.each([
    ['', 1, 'what', /columns/],
    ['what,lenght\nwall,300', 1, 'lenght', /expected what, name/],
    ['what,length\nwall,three', 2, 'length', /not a length/],
    ['what,length\nroof,300', 2, 'what', /expected ceiling/],
    ['what,length,corner\nwall,300,round', 2, 'corner', /angle in degrees/],
    ['what,length,on\nwall,300,\ndoor,,Q', 3, 'on', /no wall Q/],
    ['what,length\ncheck,300', 2, 'on', /1-3/],
    ['what,top\nceiling,2500', 0, 'what', /no wall/],
    ['what,length\nwall,-300', 2, 'length', /above zero|not a length/],
    ['what,length,on,from,width,bottom,top\nwall,300\ndoor,,A,0,800,2000,1000', 3, 'top', /above the bottom/],
    [`what,length\n${'wall,1\n'.repeat(2001)}`, 2002, '', /at most 2000/],
    ['what,length,detail\nwall,300,bent', 2, 'detail', /radius 1200 out/],
  ] as const)('%j says where it is wrong', (csv, line, column, message) => {
    const { sheet, faults } = readSurveyCsv(csv)
    expect(sheet).toBeNull()
    expect(faults).toContainEqual({ line, column, message: expect.stringMatching(message) })
  })
  it('no text makes it throw', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 200 }),
          fc
            .array(
              fc
                .array(
                  fc.oneof(
                    fc.constantFrom('what', 'wall', 'door', 'A', '1-2', '300', 'length', 'on', 'check'),
                    fc.string({ maxLength: 6 }),
                  ),
                  { maxLength: 6 },
                )
                .map((cells) => cells.join(',')),
            )
            .map((lines) => lines.join('\n')),
        ),
        (text) => void readSurveyCsv(text),
      ),
    )
  })
})
