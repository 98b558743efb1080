/** Works that hang as one, what holds in which wall, and what each school of hanging asks. */
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import { remediesFor } from '../../reckoning/remedies.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { hung, sofa, type Work } from '../../testing/hung.ts'
import { change, testToday } from '../../testing/small-makeover.ts'

/** Two works of 400 × 400 and the gap between them, as one group with its middle so high. */
const pair = (gap: number, centre = 1485, rise = 0): Work[] => [
  { name: 'Left', size: [400, 400], at: [3000 - 200 - gap / 2, centre], group: 'The pair' },
  { name: 'Right', size: [400, 400], at: [3000 + 200 + gap / 2, centre + rise], group: 'The pair' },
]

describe('a group counts as one', () => {
  it('gaps of 50 to 75 hold it together, by common practice', () => {
    expect(hung(pair(60)).codes).toEqual([])
    expect(hung(pair(20)).codes).toEqual(['apart note'])
    expect(hung(pair(150)).codes).toEqual(['apart note'])
  })
  it('its middle is held to the line, not that of each: one high and one low are well', () => {
    const stack = (centre: number): Work[] => [
      { name: 'Upper', size: [400, 400], at: [3000, centre + 230], group: 'Two' },
      { name: 'Lower', size: [400, 400], at: [3000, centre - 230], group: 'Two' },
    ]
    expect(hung(stack(1485)).codes).toEqual([])
    expect(hung(stack(1700)).codes).toEqual(['line note'])
  })
  it('over a sofa the gap is from its lowest, and the cure moves all of it', () => {
    const { after, reckoning, codes } = hung(pair(60, 1500), [sofa])
    // 850 to 1300 are 450, far over 200; 860 of 2000 are narrow
    expect(codes).toEqual(['gap look', 'wide note'])
    const remark = reckoning.remarks.find(({ code }) => code === 'placement.hang-gap')
    if (!remark) throw new Error('the gap is told')
    expect(remark.title).toMatch(/^The pair hangs/)
    const [remedy] = remediesFor(remark, after.makeover, reckoning, () => '')
    const cured = change(after, [...(remedy?.operations ?? [])])
    const left = reckon(cured, testToday).remarks.map(({ code }) => code)
    expect(left).not.toContain('placement.hang-gap')
    const heights = Object.values(cured.makeover.rows.hanging).map(({ centreMm }) => centreMm)
    expect(new Set(heights).size).toBe(1)
  })
})

describe('what the school asks', () => {
  it('mirrored: a set is its own image, or it is told', () => {
    expect(hung(pair(60), [], false, 'mirrored').codes).toEqual([])
    expect(hung(pair(60, 1485, 90), [], false, 'mirrored').codes).toEqual(['mirror note'])
  })
  it('straight lines: edges that nearly meet are told, those far apart are meant', () => {
    const two = (rise: number): string[] => hung(pair(60, 1485, rise), [], false, 'lines').codes
    expect(two(0)).toEqual([])
    expect(two(60)).toEqual(['edges note'])
    expect(two(300)).toEqual([])
  })
  it('scattered works are held to no line', () => {
    expect(hung([{ at: [3000, 1800] }], [], false, 'scatter').codes).toEqual([])
    expect(hung([{ at: [3000, 1800] }], [], false, 'eye-level').codes).toEqual(['line note'])
  })
})

describe('what holds in which wall', () => {
  const nailed = (kg: number, madeOf: Parameters<typeof hung>[4]): string[] =>
    hung([{ at: [3000, 1485], kg, fixing: { method: 'nail' } }], [], false, '', madeOf).codes
  it('a nail in plasterboard bears little, in brick more, in tile nothing; nobody is told of a wall nobody knocked on', () => {
    expect(nailed(8, 'plasterboard')).toEqual(['hollow look'])
    expect(nailed(2, 'plasterboard')).toEqual([])
    expect(nailed(8, 'brick or block')).toEqual([])
    expect(nailed(1, 'tile')).toEqual(['hollow look'])
    expect(nailed(8, 'not said')).toEqual([])
  })
})

it('holes that were granted by number are held against the hooks that are drilled, not against strips', () => {
  const said = (method: 'nail' | 'strips'): string[] => {
    const { after, newId } = hung([{ at: [3000, 1485], kg: 1, fixing: { method, hooks: 3, stripKg: 2 } }])
    const granted = change(after, [
      add('permission', newId(), {
        ...blank.permission,
        method: 'drill',
        ask: 'Two holes?',
        askedOf: 'the owner',
        restore: '',
        restorePieceId: null,
        askedOn: testToday,
        answer: 'yes',
        answeredOn: testToday,
        holes: 2,
      }),
    ])
    return reckon(granted, testToday).remarks.flatMap(({ code, title }) => (code === 'brief.holes-over' ? [title] : []))
  }
  expect(said('nail')).toEqual(['3 holes, where 2 are allowed'])
  expect(said('strips')).toEqual([])
})
