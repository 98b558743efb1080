import { addLaid, type LaidFields } from '../testing/laid.ts'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday, tryChange } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from '../testing/surveyed.ts'
import { areasOf } from './areas.ts'
import { finishAreas } from '../surfaces/finish-areas.ts'
import { cross } from './geometry.ts'
import { roomsOf } from './room.ts'
import { surveyWorking } from './working.ts'

const plain = { walls: rectangle(5000, 3600), survey: { heightMm: 2500 } }
const finish = (roomId: string, fields: LaidFields) => ({
  ...blank.finish,
  roomId,
  name: 'Lime',
  role: 'dominant' as const,
  family: 'paint' as const,
  sheen: 'matt' as const,
  labL: 80,
  labA: 0,
  labB: 4,
  colourSource: 'lab' as const,
  usedFor: '',
  visibleM2: null,
  surface: 'walls' as const,
  ...fields,
})

describe('finishes that share a surface and say no more', () => {
  const areasBy = (...judged: readonly (number | null)[]): (number | undefined)[] => {
    const { documents, roomId, newId, rules } = measuredRoom(plain)
    const ids = judged.map(() => newId())
    const after = change(
      documents,
      judged.flatMap((visibleM2, at) => addLaid(ids[at] ?? '', finish(roomId, { visibleM2, surface: 'floor' }))),
    )
    const [room] = roomsOf(after.makeover, rules)
    const areas = room ? areasOf(after.makeover, room, rules) : null
    const found = finishAreas(after.makeover, areas && room ? [{ room, areas }] : [])
    return ids.map((id) => found.get(id)?.m2)
  }
  it('the one that nobody judged has what the others leave of the 18 m²', () => {
    expect(areasBy(5, null, 3)).toEqual([5, expect.closeTo(10, 6), 3])
  })
  it('of two that nobody judged neither is guessed, and where all are judged the eye stands', () => {
    expect(areasBy(5, null, null)).toEqual([5, undefined, undefined])
    expect(areasBy(5, 6)).toEqual([5, 6])
  })
})

describe('the working of a survey', () => {
  const working = (measured: Measured, figure: 'walls' | 'trim' | 'closing', wall: number | null = null) => {
    const { room, documents, rules, wallIds } = measuredRoom(measured)
    const areas = areasOf(documents.makeover, room, rules)
    if (!areas) throw new Error('the room closes')
    return surveyWorking(figure, room, areas, rules, 'metric', wall === null ? null : (wallIds[wall] ?? null))
  }
  const door = { wall: 0, what: 'door' as const, fromMm: 400, widthMm: 800, headMm: 2000 }
  it('takes a door off its wall by its width and height, and says so', () => {
    const { lines, result } = working({ ...plain, openings: [door] }, 'walls', 0)
    const taken = lines.find(({ how }) => how.replaceAll(/\s/g, ' ') === '800 mm × 2000 mm')
    expect(taken?.amount).toMatch(/^− 1\.60/)
    expect(String(result.amount)).toMatch(/^10\.90/) // 5 × 2.5 less 0.8 × 2
  })
  it('leaves a niche in the wall, and adds its sides', () => {
    const { lines, result } = working(
      { ...plain, openings: [{ ...door, what: 'niche', revealMm: 200, sillMm: 500, headMm: 1500 }] },
      'walls',
      0,
    )
    expect(lines.some(({ how }) => how.includes('a niche'))).toBe(true)
    expect(lines.find(({ label }) => label === 'Sides of niches')?.amount).toMatch(/^\+ 0\.72/) // 0.2 × (2 × 0.8 + 2 × 1.0)
    expect(String(result.amount)).toMatch(/^13\.22/)
  })
  it('multiplies trim out of its lengths and widths', () => {
    const { title, lines } = working({ ...plain, openings: [door] }, 'trim')
    expect(title).toContain('Trim')
    expect(lines.map(({ label }) => label)).toEqual(['Skirting', 'Casings'])
    expect(lines[0]?.how.replaceAll(/\s/g, ' ')).toMatch(/^16400 mm × /) // 2 × (5000 + 3600) − 800
  })
})

describe('what a survey gives cause to say of old materials and of heights', () => {
  const said = (measured: Measured, fields: Partial<Fields<'finish'>> | null = null) => {
    const { documents, roomId, newId } = measuredRoom(measured)
    const after = fields ? change(documents, addLaid(newId(), finish(roomId, fields))) : documents
    return reckon(after, testToday).remarks.filter(({ step }) => step === 'survey')
  }
  it('names the year of the material itself, and a stop to sanding until it was tested', () => {
    const [remark] = said(plain, { fate: 'change', condition: 'worn', material: 'paint', laidYear: 1950 })
    expect(remark).toMatchObject({ code: 'survey.lead', weight: 'stop' })
    expect(remark?.sentence).toMatch(/^It is from 1950, before 1978/)
    expect(remark?.sentence).toContain('Have it tested')
  })
  it('a thing above the ceiling names the thing and its wall, and rests on both heights', () => {
    const [remark] = said({
      ...plain,
      openings: [{ wall: 0, what: 'window', fromMm: 400, widthMm: 800, sillMm: 900, headMm: 2900 }],
    })
    expect(remark).toMatchObject({ code: 'survey.above-ceiling', fingerprint: '2900 | 2500' })
    expect(remark?.subjects.map(({ kind }) => kind)).toEqual(['opening', 'wall'])
  })
  it('a clear width over the width of the opening is said of that opening', () => {
    const [remark] = said({
      ...plain,
      openings: [{ wall: 0, what: 'door', fromMm: 400, widthMm: 800, clearMm: 850, headMm: 2000 }],
    })
    expect(remark).toMatchObject({ code: 'survey.clear-width', fingerprint: '850' })
    expect(remark?.subjects).toMatchObject([{ kind: 'opening' }])
  })
})

it('a finish lies on a wall of its own room, or the change is refused where it says another', () => {
  const { documents, newId, wallIds } = measuredRoom(plain)
  const nextRoom = newId()
  const { faults } = tryChange(documents, [
    add('room', nextRoom, { uses: '', name: 'The next room' }),
    ...addLaid(newId(), finish(nextRoom, { wallId: wallIds[0] ?? null })),
  ])
  expect(faults).toMatchObject([{ code: 'wall', kind: 'treatedPart', field: 'wallId' }])
})

it('segments on one line touch where they overlap, and only there', () => {
  const at = (x: number, y = 0) => ({ x, y })
  expect(cross([at(0), at(10)], [at(5), at(20)])).toBe(true)
  expect(cross([at(0), at(10)], [at(10), at(20)])).toBe(true)
  expect(cross([at(0), at(10)], [at(11), at(20)])).toBe(false)
  expect(cross([at(0, 0), at(0, 10)], [at(0, 11), at(0, 20)])).toBe(false)
  expect(cross([at(0), at(10)], [at(-9), at(-1)])).toBe(false)
  expect(cross([at(0), at(10)], [at(5, -5), at(5, 0)])).toBe(true)
})
