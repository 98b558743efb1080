/** What hangs: heights by the rules of the trade, hooks by pencil, and what is said of them. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../makeover/blank.ts'
import { add } from '../../makeover/change.ts'
import type { Fields } from '../../makeover/kinds.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { remediesFor } from '../../reckoning/remedies.ts'
import { bed, bench, hung, sofa, type Work } from '../../testing/hung.ts'
import { type Stood } from '../../testing/placed.ts'
import { change, testToday, tryChange } from '../../testing/small-makeover.ts'
import { marksOf } from './drill-list.ts'
import { belongsAt } from './line.ts'
import { drawnTo, firstOnWall } from './places.ts'
import { templateOf } from './template.ts'

describe('where a work belongs', () => {
  const belongs = (works: readonly Work[], things: readonly Stood[] = []) => {
    const { scene, works: all, rules } = hung(works, things)
    const [work] = all
    if (!work) throw new Error('it hangs')
    return belongsAt(scene.room, work, scene.before, scene.lineMm, rules)
  }
  it('its middle on the line: 1450 to 1520 where nobody measured whose eyes (common practice)', () => {
    const { centre, by } = belongs([{ at: [3000, 1600] }])
    expect(by).toBe('line')
    expect(centre).toBeGreaterThanOrEqual(1450)
    expect(centre).toBeLessThanOrEqual(1520)
  })
  it('over a sofa by the gap of 150 to 200, over a low bench without a back by the line', () => {
    // 850 and 150 to 200 and half of 500
    const over = belongs([{ at: [3000, 1600], size: [1300, 500] }], [sofa])
    expect(over.by).toBe('over')
    expect(over.centre).toBeGreaterThanOrEqual(850 + 150 + 250)
    expect(over.centre).toBeLessThanOrEqual(850 + 200 + 250)
    expect(belongs([{ at: [3000, 1600] }], [bench]).by).toBe('line')
  })
  it('a very tall work sits lower: 150 below the ceiling', () => {
    expect(belongs([{ at: [3000, 1500], size: [900, 2100] }])).toMatchObject({
      by: 'ceiling',
      centre: 2500 - 150 - 1050,
    })
  })
})

describe('hooks', () => {
  it('hook height is the centre and half the height less the wire; the list puts every hook back where it is drawn', () => {
    const { works } = hung([
      { at: [3000, 1540], size: [800, 600], fixing: { method: 'screw', hooks: 2, dropMm: 80, spreadMm: 500 } },
    ])
    const [work] = works
    const marks = work ? marksOf(work) : []
    expect(marks.map(({ height }) => height)).toEqual([1760, 1760])
    expect(marks.map(({ along }) => along)).toEqual([2750, 3250])
    fc.assert(
      fc.property(
        fc.integer({ min: 1300, max: 4600 }),
        fc.integer({ min: 1000, max: 2000 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 300 }),
        (along, centre, hooks, dropMm) => {
          const { works: all, wall } = hung([{ at: [along, centre], fixing: { method: 'nail', hooks, dropMm } }])
          const edges: Readonly<Record<string, number>> = {
            'the left corner': 0,
            'the right corner': wall.lengthMm,
            'the left edge of Door': 200,
            'the right edge of Door': 1000,
          }
          for (const mark of all.flatMap(marksOf)) {
            const edge = edges[mark.from.name] ?? Number.NaN
            expect([edge - mark.from.mm, edge + mark.from.mm].some((at) => Math.abs(at - mark.along) < 1e-6)).toBe(true)
            expect(mark.height).toBe(centre + 400 - dropMm)
          }
        },
      ),
      { numRuns: 25 },
    )
  }, 60_000)
  it('at full size every hook lies on a page, pages share 10 mm, and none is larger than its paper', () => {
    const paper = { width: 190, height: 262 }
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 700 }),
        fc.integer({ min: 50, max: 1500 }),
        (hooks, dropMm, spreadMm) => {
          const { works } = hung([
            { at: [2800, 1485], size: [1600, 800], fixing: { method: 'screw', hooks, dropMm, spreadMm } },
          ])
          const [work] = works
          if (!work) throw new Error('it hangs')
          const pages = templateOf(work, paper)
          for (const mark of marksOf(work))
            expect(pages.some((page) => page.hooks.some((hook) => hook.along === mark.along))).toBe(true)
          for (const [at, page] of pages.entries()) {
            expect(page.right - page.left).toBeCloseTo(paper.width, 9)
            const next = pages[at + 1]
            if (page.goesOn.right) expect(page.right - (next?.left ?? 0)).toBeCloseTo(10, 9)
          }
          // the top edge of the work is on the first
          expect(pages[0]?.top).toBeGreaterThan(work.top)
        },
      ),
      { numRuns: 30 },
    )
  }, 60_000)
  it('a wire longer than its work is high is refused where it is said', () => {
    const world = hung([{ at: [3000, 1500] }])
    const [work] = world.works
    const { faults } = tryChange(world.after, [
      add('fixing', world.newId(), { ...blank.fixing, pieceId: work?.thing.piece.id ?? '', dropMm: 801 }),
    ])
    expect(faults.map(({ message }) => message).join()).toMatch(/longer than the work is high: expected at most 800/)
  })
})

describe('what is said of what hangs', () => {
  it('is silent where all is as it should be', () => {
    expect(hung([{ at: [3000, 1485] }]).codes).toEqual([])
    // 1400 over a sofa of 2000 are 70 per cent
    expect(hung([{ at: [3000, 850 + 175 + 300], size: [1400, 600], kg: 3 }], [sofa]).codes).toEqual([])
  })
  it('off the line it is noted, unless somebody said why', () => {
    const { codes, after, reckoning } = hung([{ at: [3000, 1700] }])
    expect(codes).toEqual(['line note'])
    const [remark] = reckoning.remarks.filter(({ code }) => code === 'placement.hang-line')
    const [cure] = remark ? remediesFor(remark, after.makeover, reckoning, () => '') : []
    const cured = reckon(change(after, [...(cure?.operations ?? [])]), testToday)
    expect(cured.remarks.some(({ code }) => code === 'placement.hang-line')).toBe(false)
    expect(hung([{ at: [3000, 1700], why: 'over the door of the stove' }]).codes).toEqual([])
    // by the school of free scatter nothing is held to a line
    expect(hung([{ at: [3000, 1700] }], [], false, 'scatter').codes).toEqual([])
  })
  it('over a bed nothing heavy and no strips, over a seat what is heavy goes into the structure', () => {
    const over: Work = { at: [3000, 900 + 175 + 300], size: [1200, 600] }
    expect(hung([{ ...over, kg: 6 }], [bed]).codes).toEqual(['bed stop'])
    expect(hung([{ ...over, kg: 1 }], [bed]).codes).toEqual([])
    expect(hung([{ ...over, kg: 1, fixing: { method: 'strips', hooks: 2, stripKg: 2 } }], [bed]).codes).toEqual([
      'bed stop',
    ])
    const seated: Work = { at: [3000, 850 + 175 + 300], size: [1400, 600], kg: 8 }
    expect(hung([seated], [sofa]).codes).toEqual(['seat look'])
    expect(hung([{ ...seated, fixing: { method: 'anchor' } }], [sofa]).codes).toEqual([])
  })
  it('a sofa that is made up as a bed counts as one', () => {
    const made = { ...sofa, opens: [{ name: 'made up as a bed', frontMm: 1100 }] }
    expect(hung([{ at: [3000, 850 + 175 + 300], size: [1400, 600], kg: 8 }], [made]).codes).toEqual(['bed stop'])
  })
  it('strips without a rating are asked for, never guessed; pairs by weight', () => {
    const strips = (more: Partial<Fields<'fixing'>>, kg: number | null) =>
      hung([{ at: [3000, 1485], kg, fixing: { method: 'strips', ...more } }]).codes
    expect(strips({}, 2)).toEqual(['rating look'])
    expect(strips({ stripKg: 1.8 }, null)).toEqual(['rating look'])
    // 5 kg at 1.8 a pair are three pairs
    expect(strips({ stripKg: 1.8, hooks: 2 }, 5)).toEqual(['strips look'])
    expect(strips({ stripKg: 1.8, hooks: 3 }, 5)).toEqual([])
  })
  it('a hook over the switch may meet its cable; where drilling is forbidden it is a stop', () => {
    // the switch is 1200 along
    const nailed: Work = { at: [1300, 1485], size: [300, 300], fixing: { method: 'nail' } }
    expect(hung([nailed]).codes).toEqual(['cable look'])
    expect(hung([{ ...nailed, at: [3000, 1485] }]).codes).toEqual([])
    expect(hung([{ ...nailed, at: [3000, 1485] }], [], true).codes).toEqual(['leave stop'])
  })
  it('covers no door and no switch, meets no other work, stays on its wall', () => {
    expect(hung([{ at: [700, 1485] }]).codes).toContain('opening stop')
    expect(hung([{ at: [1500, 1485] }]).codes).toContain('covers look')
    expect(hung([{ at: [3000, 1485] }, { name: 'Second', at: [3300, 1485] }]).codes).toEqual(['meets stop'])
    expect(hung([{ at: [4900, 1485] }]).codes).toContain('off stop')
  })
})

it('what stands before a work hides it, a slim lamp does not', () => {
  const tall = (kind: 'storage' | 'light', wide: number): Stood => ({
    name: 'Tall',
    size: [wide, 350, 1500],
    at: [3000, -300],
    piece: { thing: kind },
  })
  expect(hung([{ at: [3000, 1485] }], [tall('storage', 600)]).codes).toContain('behind look')
  expect(hung([{ at: [3000, 1485] }], [tall('light', 300)]).codes).toEqual([])
})

describe('a hand on the wall', () => {
  it('a new work finds the place over the sofa, and nothing is wrong with it there', () => {
    const { scene, rules, wall, works } = hung([{ at: [4400, 1485], size: [1400, 600] }], [sofa])
    const [work] = works
    if (!work) throw new Error('it hangs')
    const at = firstOnWall({ ...scene, works: [] }, work.thing, wall, rules)
    expect(at.along).toBeCloseTo(3000, 6)
    expect(at.centre).toBeCloseTo(850 + 175 + 300, 6)
  })
  it('is drawn to middles and to its line from near, and not from far', () => {
    const { scene, rules, works } = hung([{ at: [2480, 1500] }])
    const [work] = works
    if (!work) throw new Error('it hangs')
    expect(drawnTo(scene, work, { along: 2480, centre: 1500 }, rules)).toEqual({ along: 2500, centre: 1485 })
    expect(drawnTo(scene, work, { along: 2300, centre: 1700 }, rules)).toEqual({ along: 2300, centre: 1700 })
  })
})
