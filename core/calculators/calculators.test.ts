/** Every calculator by pencil, in metres and in feet; what is wrong is said where it was typed. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { spaced } from '../testing/treated.ts'
import { calculators, type Answer, type Values } from './index.ts'

const rules = effectiveRules()
const ask = (id: string, values: Values, units: 'metric' | 'feet and inches' = 'metric') => {
  const calculator = calculators.find((known) => known.id === id)
  if (!calculator) throw new Error(`there is no ${id}`)
  const starts = Object.fromEntries(
    calculator.asks.map((asked) => [asked.key, asked.as === 'lengths' ? [] : asked.start]),
  )
  return calculator.reckon({ ...starts, ...values }, rules, units)
}
const answered = (...asked: Parameters<typeof ask>): Answer => {
  const found = ask(...asked)
  if (!found.ok) throw new Error(`${found.field} ${found.error}`)
  return found
}
const lineOf = ({ lines }: Answer, label: string): string =>
  spaced(String(lines.find((line) => line.label === label)?.amount))

describe('without a room', () => {
  it('paint: 2 × (4 + 3) × 2.5 is 35 m², less a door and a window 31.90; two coats at 10 and a quarter litre are 6.63, in 5 and 2.5', () => {
    const found = answered('paint', { length: 4000, width: 3000, height: 2500 })
    expect(lineOf(found, 'Walls')).toBe('35.00 m²')
    expect(lineOf(found, 'Paint')).toBe('6.38 l')
    expect(found.headline).toBe('6.6 l')
    expect(lineOf(found, 'In tins')).toBe('1 × 2.5 l, 1 × 5 l')
    expect(answered('paint', { length: 4000, width: 3000, height: 2500, ceiling: 'yes' }).headline).toBe('9.0 l')
  })
  it('paper: EN 233 rolls of 10.05 × 0.53, 14 m of wall 2.4 m high, straight match of 530: 27 strips, three to a roll', () => {
    // a strip of 2.5 m up to the repeat is 2.65: three from 10.05
    const found = answered('paper', { run: 14_000, height: 2400 })
    expect(lineOf(found, 'Strips')).toBe('27')
    expect(lineOf(found, 'Rolls')).toBe('9')
    expect(found.headline).toBe('10 rolls')
    // without a match four strips come out of a roll
    expect(lineOf(answered('paper', { run: 14_000, height: 2400, match: 'free' }), 'Rolls')).toBe('7')
  })
  it('tiles: whole and cut ones are counted, three in a hundred break, and boxes are whole', () => {
    // 1500 by 750 in tiles of 150 without a joint, from the middle of the area: eleven across and six up at most
    const found = answered('tiles', { width: 1500, height: 750, joint: 0, box: 12 })
    expect(found.keeps.unit).toBe('boxes')
    expect(found.keeps.quantity * 12).toBeGreaterThanOrEqual(50 * 1.03)
    expect(lineOf(found, 'Area')).toBe('1.13 m²')
  })
  it('boards: no fewer than the area takes, whole packs', () => {
    const found = answered('boards', { length: 4000, width: 3000 })
    const taken = Number(lineOf(found, 'Boards'))
    expect(taken).toBeGreaterThanOrEqual(Math.ceil((3980 * 2980) / (1820 * 145)))
    expect(found.headline).toBe(`${Math.ceil(taken / 8)} packs, ${Math.ceil(taken / 8) * 8} boards`)
  })
  it('lengths: 1.2, 1.2 and 0.8 with a saw cut of 3 take two lengths of 2.4', () => {
    expect(spaced(answered('lengths', { pieces: [1200, 1200, 800] }).headline)).toBe('2 of 2400 mm')
    expect(spaced(answered('lengths', { pieces: [1190, 1190, 800], further: 3200 }).headline)).toBe('1 of 3200 mm')
  })
  it('curtains: by the window the pole is 230 wider on each side; the cloth is that of the same curtains on a track', () => {
    const found = answered('curtains', {
      opening: 1540,
      drop: 2300,
      heading: 'gathered',
      match: 'straight',
      repeat: 640,
    })
    // (2000 + 100) × 2 + 160 in four widths, five repeats of 640 a drop
    expect(lineOf(found, 'Pole or track')).toBe('2000 mm')
    expect(found.headline).toBe('12.8 m of cloth')
    expect(found.says.join()).toContain('Each drop leaves')
    expect(answered('curtains', { opening: 1540, drop: 2300, heading: 'gathered' }, 'feet and inches').headline).toBe(
      '11.625 yd of cloth',
    )
  })
  it('cushions: two panels of 480 side by side; a dozen takes six rows, and no less can do', () => {
    expect(answered('cushions', {}).headline).toBe('0.5 m of cloth')
    const dozen = answered('cushions', { count: 6 })
    expect(dozen.packing?.packing).toMatchObject({ lengthMm: 2880, proven: true })
  })
  it('a rug: front legs on a group of 2.2 by 1.6 wants 1.9 by 2.2, the next usual is 200 × 290; a table 600 more on each side', () => {
    expect(spaced(answered('rug', { wide: 2200, deep: 1600 }).headline)).toBe('2000 mm × 2900 mm')
    // a table of 0.9 by 1.2: 2.1 by 2.4, so 240 × 340
    expect(spaced(answered('rug', { under: 'a dining table', wide: 900, deep: 1200 }).headline)).toBe(
      '2400 mm × 3400 mm',
    )
    const none = answered('rug', { under: 'all legs', wide: 3400, deep: 3000 })
    expect(none.says.join()).toContain('No usual size')
  })
  it('light by the lumen method: 150 lx × 12 m² ÷ (0.45 × 0.8) is 5000 lm, seven lamps of 806', () => {
    expect(answered('light', { length: 4000, width: 3000 }).headline).toBe('5000 lm, 7 lamps')
  })
  it('a frame and made or bought answer as their parts do', () => {
    expect(spaced(answered('frame', { size: 300, high: 400 }).headline)).toBe('438 mm × 548 mm outside')
    expect(answered('make-or-buy', { supplies: 3000, hours: 3, rate: 2000, bought: 11_000 }).headline).toBe(
      'Made saves 20.00',
    )
    expect(answered('make-or-buy', { supplies: 12_000, bought: 11_000 }).says.join()).toContain(
      'before an hour is counted',
    )
  })
  it('an area of a square millimetre takes no tile, and that is said rather than reckoned', () => {
    const tiles = calculators.find(({ id }) => id === 'tiles')
    const values = { width: 1, height: 1, tileWidth: 3810, tileHeight: 1, joint: 0, layout: 'grid', box: 99 }
    expect(tiles?.reckon(values, rules, 'metric')).toMatchObject({ ok: false, field: 'width' })
  })
  it('what is missing or wrong names a field that was asked for, whatever is typed', () => {
    const odd = fc.constantFrom(null, 0, -5, 1, 99, 381, 1200, 3810, 25_000)
    for (const { id, asks, reckon } of calculators)
      fc.assert(
        fc.property(
          fc.record(
            Object.fromEntries(
              asks.map((asked) => [
                asked.key,
                asked.as === 'choice'
                  ? fc.constantFrom(...asked.options)
                  : asked.as === 'lengths'
                    ? fc.array(fc.constantFrom(0, 300, 1200, 2400), { maxLength: 6 })
                    : odd,
              ]),
            ),
          ),
          (values) => {
            const found = reckon(values, rules, 'metric')
            if (found.ok) {
              expect(found.headline).not.toMatch(/NaN|Infinity|undefined/)
              expect(found.keeps.quantity).toBeGreaterThan(0)
              for (const { amount } of found.lines) expect(String(amount)).not.toMatch(/NaN|Infinity|undefined/)
            } else
              expect([id, asks.some(({ key }) => key === found.field), found.field]).toEqual([id, true, found.field])
          },
        ),
        { numRuns: 60 },
      )
  }, 60_000)
})

describe('made of board', () => {
  it('a shelf of 900 in an alcove: a board of 897, a batten behind of 894, two at the sides of 250 − 25 − 20', () => {
    const found = answered('shelf', { width: 900, depth: 250 })
    expect(lineOf(found, 'Board')).toBe('897 mm × 250 mm')
    expect(lineOf(found, 'Batten along the back')).toBe('894 mm')
    expect(lineOf(found, 'Battens at the sides')).toBe('2 × 205 mm')
    // a screw at least every 300: four along the back, two and two
    expect(lineOf(found, 'Screws and plugs')).toBe('8')
    expect(found.cuts).toHaveLength(3)
    expect(ask('shelf', { width: 900, depth: 60 })).toMatchObject({ ok: false, field: 'depth' })
  })
  it('a pinboard: its cloth is drawn 80 round every edge; a ribbon on the diagonal of a square is √2 of its side', () => {
    expect(lineOf(answered('pinboard', { width: 600, height: 400 }), 'Cloth')).toBe('760 mm × 560 mm')
    // one ribbon each way through the middle: 600 × √2 and twice 80
    expect(lineOf(answered('pinboard', { width: 600, height: 600, every: 600 }), 'Ribbon')).toBe(
      `${Math.round(2 * (600 * Math.SQRT2 + 160) * 10) / 10} mm`,
    )
    expect(ask('pinboard', { width: 600, height: 400, every: 20 })).toMatchObject({ ok: false, field: 'every' })
  })
  it('a drum wider than half a metre has uprights, round it every 400 at most', () => {
    expect(answered('shade', { across: 300, height: 200 }).cuts?.map(({ part }) => part)).not.toContain('Upright')
    const [upright] =
      answered('shade', { across: 600, height: 300 }).cuts?.filter(({ part }) => part === 'Upright') ?? []
    expect(Math.PI * 600).toBeLessThanOrEqual((upright?.count ?? 0) * 400)
  })
})

describe('upholstered', () => {
  const cover = (values: Values) => {
    const { packing } = answered('cushions', { clothWidth: 1400, ...values })
    return packing?.packing.panels.map(({ widthMm, lengthMm }) => [widthMm, lengthMm])
  }
  it('a drop-in seat is its board, its foam up both sides and 80 under each edge', () => {
    expect(cover({ thing: 'drop-in seat', size: 450, depth: 420, height: 50 })).toEqual([[450 + 260, 420 + 260]])
  })
  it('a headboard likewise; an ottoman has a top, and a border in two that goes round it', () => {
    expect(cover({ thing: 'headboard', size: 1000, depth: 600, height: 40 })).toEqual([[1240, 840]])
    expect(cover({ thing: 'ottoman', size: 600, depth: 500, height: 350 })).toHaveLength(3)
    expect(ask('cushions', { thing: 'ottoman', size: 600, depth: 500, height: 0 })).toMatchObject({ field: 'height' })
  })
  it('a stripe along a bench lies along the cloth: its cover may be longer than the cloth is wide', () => {
    const bench = { thing: 'bench cover', size: 1600, depth: 420, height: 60 }
    expect(ask('cushions', bench)).toMatchObject({ ok: false })
    for (const [, lengthMm] of cover({ ...bench, way: 'along its width' })?.slice(0, 2) ?? [])
      expect(lengthMm).toBe(1630)
  })
})
