/** What a finish takes on measured walls, by pencil. */
import { addLaid, type LaidFields } from '../testing/laid.ts'
import { laidFinish, type LaidFinish } from '../makeover/laid.ts'
import { finishAreas } from './finish-areas.ts'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Operation } from '../makeover/change.ts'
import type { Fields, Row } from '../makeover/kinds.ts'
import { areasOf, roomsOf, surveyOf } from '../survey/index.ts'
import { change } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from '../testing/surveyed.ts'
import { paintTakeOff, paperTakeOff } from './take-off.ts'

const plain: Measured = { walls: rectangle(5000, 3000), survey: { heightMm: 2500 } }
function room(measured: Measured, ...finishes: LaidFields[]) {
  const { documents, roomId, rules, newId } = measuredRoom(measured)
  const ids = finishes.map(() => newId())
  const rows = finishes.flatMap((fields, at): Operation[] =>
    addLaid(ids[at] ?? '', {
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
    }),
  )
  const { makeover } = change(documents, rows)
  const [measuredAs] = roomsOf(makeover, rules)
  const areas = measuredAs ? areasOf(makeover, measuredAs, rules) : null
  if (!measuredAs || !areas) throw new Error('the room closes')
  const on = { room: measuredAs, areas, rules, units: 'metric' as const }
  return {
    makeover,
    on,
    m2: finishAreas(makeover, [{ room: measuredAs, areas }]).get(ids[0] ?? '')?.m2 ?? 0,
    finish: laidFinish(makeover, ids[0] ?? '') as LaidFinish,
  }
}
const spaced = (text: string | undefined): string => (text ?? '').replaceAll(/\s/g, ' ')

describe('paint', () => {
  // 2 × (5 + 3) × 2.5 = 40 m², twice at 10 m² a litre: 8 litres
  it('by the measured area and two coats', () => {
    const { makeover, finish, m2, on } = room(plain, {})
    const found = paintTakeOff(makeover, finish, m2, on)
    expect(spaced(found?.words)).toBe('8.0 litres in two coats')
    expect(found?.working.lines.map(({ label }) => label)).toEqual(['Area', 'Coats', 'With two coats'])
    expect(spaced(paintTakeOff(makeover, finish, m2, { ...on, units: 'feet and inches' })?.words)).toBe(
      '2.11 US gal in two coats', // 8 ÷ 3.785
    )
  })
  it('less its openings, and with a third coat in question where it goes far towards light', () => {
    const door = { wall: 0, what: 'door' as const, fromMm: 500, widthMm: 1000, headMm: 2000 }
    const dark = { fate: 'change' as const, labL: 30, name: 'Old' }
    const { makeover, finish, m2, on } = room({ ...plain, openings: [door] }, {}, dark)
    const found = paintTakeOff(makeover, finish, m2, on)
    expect(spaced(found?.words)).toBe('7.6 litres in two coats, or 11.4 litres in three coats') // 38 m²
    expect(found?.working.lines.find(({ label }) => label === 'Under it')?.amount).toBe('primer')
  })
  it('not for what is there already, nor for cloth', () => {
    const kept = room(plain, { fate: 'keep' })
    expect(paintTakeOff(kept.makeover, kept.finish, 40, kept.on)).toBeNull()
    const cloth = room(plain, { family: 'textile' })
    expect(paintTakeOff(cloth.makeover, cloth.finish, 40, cloth.on)).toBeNull()
  })
})

describe('paper', () => {
  // 16 m ÷ 0.53 m are 31 strips of 2.6 m, three to a roll of 10.05 m: 11 rolls, and one laid by
  it('strips round the walls, rolls of EN 233, and one laid by', () => {
    const { finish, on } = room(plain, { family: 'paper' })
    const found = paperTakeOff(finish, on)
    expect(spaced(found?.words)).toBe('12 rolls of 10050 mm × 530 mm')
    expect(found?.working.lines.find(({ label }) => label === 'Strips')?.amount).toBe('31')
    expect(found?.working.lines.find(({ label }) => label === 'Fewest')?.amount).toBe('11 rolls')
  })
  it('of one wall and a band only what lies there', () => {
    const { finish, on } = room(plain, { family: 'paper', bandFromMm: 1000 })
    // 1.5 m and its trim are 1.6 m: six to a roll, 31 strips on 6 rolls
    expect(spaced(paperTakeOff(finish, on)?.words)).toMatch(/^6 rolls/)
    const single = room(plain, { family: 'paper' })
    const wallId = single.on.room.walls[0]?.row.id ?? ''
    // 5 m are ten strips of three to a roll: four rolls
    expect(spaced(paperTakeOff({ ...single.finish, wallId }, single.on)?.words)).toMatch(/^4 rolls/)
  })
  it('a repeat longer than the roll is said, with no figure', () => {
    const { finish, on } = room(plain, { family: 'paper', pattern: 'floral', repeatMm: 20_000 })
    expect(paperTakeOff(finish, on)?.working.result.amount).toBe('–')
  })
})
