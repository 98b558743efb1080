import { addLaid } from '../testing/laid.ts'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit } from '../makeover/change.ts'
import { headOf } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday, tryChange } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, surveyRows, type Measured } from '../testing/surveyed.ts'
import { laid, lieOf } from './joined.ts'
import { roomsOf } from './room.ts'

const remarksOf = (measured: Measured) =>
  reckon(measuredRoom(measured).documents, testToday).remarks.filter((remark) => remark.step === 'survey')
const codes = (measured: Measured) => remarksOf(measured).map((remark) => remark.code)
const plain = { walls: rectangle(5000, 3600), survey: { heightMm: 2500 } }
const door = { wall: 0, what: 'door' as const, fromMm: 400, widthMm: 800, headMm: 2000 }

describe('what a survey gives cause to say', () => {
  it('nothing of a room that closes and holds what is in it, nor of one nobody measured', () => {
    expect(
      codes({
        ...plain,
        openings: [door, { ...door, fromMm: 2000, what: 'window', sillMm: 900 }],
        fixtures: [
          { wall: 0, what: 'radiator', fromMm: 2000, widthMm: 800, aboveMm: 150, heightMm: 600 },
          { wall: 0, what: 'socket', fromMm: 1500, aboveMm: 300 },
        ],
      }),
    ).toEqual([])
    expect(codes({ walls: [] })).toEqual([])
  })
  it('names the wall to measure again, by how much it looks wrong, and the rule', () => {
    const [remark] = remarksOf({
      walls: rectangle(5000, 3600).map((wall, at) => (at === 2 ? { lengthMm: 5300 } : wall)),
      checks: [
        [1, 3, Math.hypot(5000, 3600)],
        [2, 4, Math.hypot(5000, 3600)],
      ],
    })
    expect(remark).toMatchObject({
      code: 'survey.measure-again',
      weight: 'look',
      title: 'Measure Wall C again',
      rule: 'survey.suspicious',
    })
    expect(remark?.sentence).toMatch(
      /misses its start by 300.mm, 1 in 58.*looks 300.mm too long.*the others make it 5000.mm/,
    )
  })
  it('names what cannot be told apart, and the measurement that would', () => {
    const [remark] = remarksOf({
      walls: rectangle(5000, 3600).map((wall, at) => (at === 0 ? { lengthMm: 5100 } : wall)),
    })
    expect(remark?.title).toBe('Wall A or Wall C: one of them is wrong')
    expect(remark?.sentence).toMatch(
      /Measure from corner [12] to corner [34]: near 6161.mm means Wall A is wrong, near 6243.mm means Wall C is wrong/,
    )
  })
  it('says where something reaches past its wall, above the ceiling, or over another thing', () => {
    expect(codes({ ...plain, openings: [{ ...door, fromMm: 4500 }] })).toEqual(['survey.past-wall'])
    expect(codes({ ...plain, openings: [{ ...door, headMm: 2600 }] })).toEqual(['survey.above-ceiling'])
    expect(codes({ ...plain, slopes: [[1, 1200, 2000]], openings: [{ ...door, fromMm: 4000 }] })).toEqual([
      'survey.above-ceiling',
    ])
    expect(codes({ ...plain, openings: [door, { ...door, fromMm: 1000, what: 'arch' }] })).toEqual(['survey.overlap'])
    expect(
      codes({ ...plain, openings: [door], fixtures: [{ wall: 0, what: 'socket', fromMm: 600, aboveMm: 300 }] }),
    ).toEqual(['survey.overlap'])
    expect(codes({ ...plain, openings: [{ ...door, clearMm: 850 }] })).toEqual(['survey.clear-width'])
  })
  it('is not strict beyond the tape: what reaches over by a few millimetres is let be', () => {
    expect(
      codes({
        ...plain,
        openings: [
          { ...door, fromMm: 4206 },
          { ...door, fromMm: 3412, what: 'arch' },
        ],
      }),
    ).toEqual([])
  })
  it('says that nothing checks a room without a length too many', () => {
    expect(
      codes({
        walls: [
          { lengthMm: 4000, corner: 'unknown' },
          { lengthMm: 3000, corner: 'unknown' },
          { lengthMm: 5000, corner: 'unknown' },
        ],
      }),
    ).toEqual(['survey.unchecked'])
  })
  it('asks for a test before old paint is sanded or an old floor lifted; the year is the country’s to set', () => {
    const { documents, roomId, newId } = measuredRoom(plain)
    const finish = (fields: Partial<Fields<'finish'>>) =>
      addLaid(newId(), {
        ...blank.finish,
        roomId,
        name: 'Old door paint',
        role: 'secondary',
        family: 'paint',
        sheen: 'gloss',
        labL: 60,
        labA: 0,
        labB: 10,
        colourSource: 'lab',
        usedFor: '',
        visibleM2: null,
        surface: 'door',
        fate: 'change',
        ...fields,
      })
    const told = (fields: Partial<Fields<'finish'>>, builtYear: number | null = null) => {
      const head = headOf(documents.makeover)
      const after = change(documents, [
        ...finish(fields),
        ...(head && builtYear ? [edit('makeover', head, { builtYear })] : []),
      ])
      return reckon(after, testToday)
        .remarks.filter((remark) => /^survey\.(lead|asbestos)/.test(remark.code))
        .map((remark) => [remark.code, remark.weight])
    }
    expect(told({ material: 'paint', laidYear: 1960 })).toEqual([['survey.lead', 'stop']])
    expect(told({ material: 'paint', laidYear: 1960, fate: 'keep' })).toEqual([['survey.lead', 'note']])
    expect(told({ material: 'sheet floor' }, 1985)).toEqual([['survey.asbestos', 'stop']])
    expect(told({ material: 'paint', laidYear: 1960, tested: 'clear' })).toEqual([])
    expect(told({ material: 'paint', laidYear: 1990, tested: 'found' })).toEqual([['survey.lead', 'stop']])
    expect(told({ material: 'paint', laidYear: 1960, fate: 'camouflage' })).toEqual([])
    expect(told({ material: 'paint', laidYear: 1990 }, 1900)).toEqual([])
    expect(told({ material: 'paper', laidYear: 1950 })).toEqual([])
    expect(told({ material: 'paint', laidYear: 1960, fate: null })).toEqual([])
  })
})

describe('rooms joined by a shared opening', () => {
  function two(otherWidth: number) {
    const first = measuredRoom({ ...plain, openings: [{ ...door, wall: 1, revealMm: 150 }] })
    const hall = first.newId()
    const rows = surveyRows(
      hall,
      { walls: rectangle(2000, 3000), openings: [{ ...door, wall: 3, fromMm: 1000, widthMm: otherWidth }] },
      first.newId,
    )
    const documents = change(first.documents, [add('room', hall, { uses: '', name: 'Hall' }), ...rows.operations])
    const [left, right] = Object.values(documents.makeover.rows.opening)
    if (!left || !right) throw new Error('no openings')
    return {
      ...first,
      left,
      right,
      documents: change(documents, [edit('opening', right, { sharesId: left.id })]),
    }
  }
  it('lie beside each other: the faces of the opening are a wall’s thickness apart, and the rooms do not overlap', () => {
    const { documents, rules } = two(800)
    const [room, hall] = roomsOf(documents.makeover, rules)
    if (!room || !hall) throw new Error('no rooms')
    const lie = lieOf(room, [room, hall], rules).get(hall.id)
    if (!lie) throw new Error('not joined')
    const xs = hall.outline.map((point) => laid(lie, point))
    // the first room is 5 m wide; the hall begins 150 mm east of it, and is 2 m wide
    expect(Math.min(...xs.map((point) => point.x))).toBeCloseTo(5150, 6)
    expect(Math.max(...xs.map((point) => point.x))).toBeCloseTo(7150, 6)
    // wall B runs south: the door’s middle is 800 mm down it; the hall’s fourth wall runs north, its door’s middle 1400 mm up from its south corner
    expect(Math.max(...xs.map((point) => point.y))).toBeCloseTo(-800 + (3000 - 1400), 6)
    expect(reckon(documents, testToday).remarks.map((remark) => remark.code)).not.toContain('survey.shared-differs')
  })
  it('one opening with two sizes is raised', () =>
    expect(reckon(two(860).documents, testToday).remarks.map((remark) => remark.code)).toContain(
      'survey.shared-differs',
    ))
  it('an opening is shared with another room, not with its own', () => {
    const world = measuredRoom({ ...plain, openings: [door, { ...door, wall: 2 }] })
    const [left, right] = Object.values(world.documents.makeover.rows.opening)
    if (!left || !right) throw new Error('no openings')
    expect(tryChange(world.documents, [edit('opening', left, { sharesId: right.id })]).faults).toMatchObject([
      { field: 'sharesId' },
    ])
  })
})

describe('what no survey may say', () => {
  it.each([
    ['an angle that is not given', { corner: 'angle' }, 'cornerDeg'],
    ['a curve without its size', { curve: 'radius' }, 'curveMm'],
  ] as const)('%s', (_, fields, field) => {
    const { documents, wallIds } = measuredRoom(plain)
    const wall = documents.makeover.rows.wall[wallIds[0] ?? '']
    expect(wall && tryChange(documents, [edit('wall', wall, fields)]).faults).toMatchObject([{ kind: 'wall', field }])
  })
  it('two surveys of one room, a check from a corner to itself, a window whose head is below its sill', () => {
    const { documents, wallIds, roomId, newId } = measuredRoom(plain)
    const id = wallIds[0] ?? ''
    expect(tryChange(documents, [add('survey', newId(), { ...blank.survey, roomId })]).faults).toMatchObject([
      { code: 'twice' },
    ])
    expect(
      tryChange(documents, [add('diagonal', newId(), { fromId: id, toId: id, lengthMm: 10 })]).faults,
    ).toMatchObject([{ kind: 'diagonal' }])
    expect(
      tryChange(documents, [
        add('opening', newId(), {
          ...blank.opening,
          what: 'window',
          wallId: id,
          fromMm: 0,
          widthMm: 900,
          sillMm: 1000,
          headMm: 900,
        }),
      ]).faults,
    ).toMatchObject([{ field: 'headMm' }])
  })
})
