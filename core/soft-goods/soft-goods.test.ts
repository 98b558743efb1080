/** What is sewn, frames, and made or bought: by pencil, by the rules of the trade, and what may never be. */
import { describe, expect, it } from 'vitest'
import { minor } from '../money/minor.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { framedAs, readyMade, type FrameAsked } from './framing.ts'
import { madeOrBought } from './make-or-buy.ts'
import { biasStrips, sewnFrom, type SewnAsked } from './sewn.ts'

const rules = effectiveRules()
const cushion: SewnAsked = {
  thing: 'square cushion',
  count: 1,
  widthMm: 450,
  depthMm: 450,
  heightMm: 0,
  edge: 'plain',
  flangeMm: 0,
  isBackToo: true,
  isCentred: false,
  hasWay: true,
  cloth: { widthMm: 1370, repeatMm: 0, acrossMm: 0 },
}
const sewn = (more: Partial<SewnAsked> = {}) => {
  const result = sewnFrom({ ...cushion, ...more }, rules)
  if (!result.ok) throw new Error(`${result.field} ${result.error}`)
  return result.sewn
}
describe('what is sewn', () => {
  it('a cushion of 450 with seams of 15 is two panels of 480, side by side: half a metre, as yardage tables have it', () => {
    // trade (memory): one 18 inch cushion, front and back, from half a yard of 54 inch cloth
    const { panels, packing, zips, pads } = sewn()
    expect(panels.map(({ widthMm, lengthMm }) => [widthMm, lengthMm])).toEqual([
      [480, 480],
      [480, 480],
    ])
    expect(packing).toMatchObject({ lengthMm: 480, proven: true })
    expect(packing.lengthMm).toBeLessThanOrEqual(0.5 * 914.4 + 30)
    expect([zips, pads]).toEqual([{ count: 1, lengthMm: 390 }, 'pad, 50 × 50 cm'])
  })
  it('six of them in two cloths, the front with its motif in the middle: each begins with the pattern', () => {
    const { packing } = sewn({
      count: 6,
      isBackToo: false,
      isCentred: true,
      cloth: { widthMm: 1370, repeatMm: 320, acrossMm: 685 },
    })
    expect(packing.panels).toHaveLength(6)
    // two across, three rows; each row takes two repeats, the last no more than the panel; the backs lie as they like
    expect(sewn({ count: 6, isBackToo: false }).back).toMatchObject({ lengthMm: 3 * 480, proven: true })
    expect(sewn({ count: 6 }).back).toBeNull()
    expect(packing).toMatchObject({ lengthMm: 2 * 640 + 480, proven: true })
  })
  it('a box has a border of three sides and a zip between two halves; a bolster a body as long as its round', () => {
    const box = sewn({ thing: 'bench cover', widthMm: 1200, depthMm: 400, heightMm: 80 })
    expect(box.panels).toHaveLength(7)
    expect(box.panels.filter(({ name }) => name.includes('zip')).map(({ lengthMm }) => lengthMm)).toEqual([85, 85])
    const body = sewn({ thing: 'bolster', widthMm: 600, depthMm: 200 }).panels[0]
    expect(body?.widthMm).toBeCloseTo(Math.PI * 200 + 30, 6)
  })
  it('piping goes round, and its strips are cut on the bias: (W − 2s)·√2 each, from W + n·w·√2', () => {
    const { cordMm, bias, lengthMm, packing } = sewn({ edge: 'piped', count: 2 })
    expect(cordMm).toBe(2 * 1800)
    expect(bias).toEqual(biasStrips(3600, 1370, rules))
    expect(bias?.strips).toBe(2)
    expect(bias?.clothMm).toBeCloseTo(1370 + 2 * 40 * Math.SQRT2, 6)
    expect(lengthMm).toBeCloseTo(packing.lengthMm + (bias?.clothMm ?? 0), 6)
  })
  it('a panel wider than its cloth that may not be turned is said; so is a box without a thickness, and none at all', () => {
    const said = (more: Partial<SewnAsked>) => sewnFrom({ ...cushion, ...more }, rules)
    expect(said({ widthMm: 1400 })).toMatchObject({ ok: false, field: 'width' })
    expect(said({ thing: 'box cushion' })).toMatchObject({ ok: false, field: 'height' })
    expect(said({ count: 0 })).toMatchObject({ ok: false, field: 'count' })
    expect(said({ edge: 'flange' })).toMatchObject({ ok: false, field: 'flange' })
  })
})

const picture: FrameAsked = {
  count: 1,
  betweenMm: 0,
  widthMm: 300,
  heightMm: 400,
  borderMm: 60,
  filletMm: 0,
  faceMm: 20,
  depthMm: 25,
  glazing: 'glass',
  isValued: false,
  inSun: false,
  facesWindow: false,
  school: 'shop frames',
  old: null,
  slipMm: 0,
  frames: 1,
}
const framed = (more: Partial<FrameAsked> = {}) => {
  const result = framedAs({ ...picture, ...more }, rules)
  if (!result.ok) throw new Error(`${result.field} ${result.error}`)
  return result.framed
}
describe('an old frame used again', () => {
  const old = { widthMm: 420, heightMm: 540 }
  it('its mat fills what is left: 420 − 290 is 65 a side, 540 − 390 − 10 is 70 above and 80 below; no moulding is bought', () => {
    expect(framed({ old })).toMatchObject({
      border: { sidesMm: 65, topMm: 70, footMm: 80 },
      glass: old,
      mouldingMm: 0,
      outer: { widthMm: 448, heightMm: 568 },
    })
  })
  it('a slip takes its width from the glass on every side', () => {
    expect(framed({ old, slipMm: 10 }).glass).toEqual({ widthMm: 400, heightMm: 520 })
    expect(framed({ old, slipMm: 10 }).outer.widthMm).toBe(448)
  })
  it('too small for the picture it is said where it was typed', () => {
    expect(framedAs({ ...picture, old: { widthMm: 300, heightMm: 540 } }, rules)).toMatchObject({ field: 'oldWidth' })
    expect(framedAs({ ...picture, old: { widthMm: 420, heightMm: 400 } }, rules)).toMatchObject({ field: 'oldHeight' })
    expect(framedAs({ ...picture, borderMm: null, old }, rules)).toMatchObject({ field: 'oldWidth' })
  })
})
it('a set framed alike takes as many mouldings, each as heavy as one', () => {
  expect(framed({ frames: 6 }).mouldingMm).toBe(6 * framed().mouldingMm)
  expect(framed({ frames: 6 }).weightKg).toBe(framed().weightKg)
})
describe('frames', () => {
  it('by pencil: 300 × 400, 5 covered, a border of 60 and 70 at the foot is a glass of 410 × 520, and 2020 of moulding', () => {
    expect(framed()).toMatchObject({
      seen: { widthMm: 290, heightMm: 390 },
      glass: { widthMm: 410, heightMm: 520 },
      mouldingMm: 2 * (410 + 520) + 8 * 20,
      outer: { widthMm: 438, heightMm: 548 },
      says: [],
    })
  })
  it('glass of 2 mm weighs 5 kg a square metre, by its density; acrylic about half', () => {
    // 2500 and 1190 kg a cubic metre: tables of materials
    expect(rules['frame.glass-kg']).toBeCloseTo(2500 * 0.002, 6)
    expect(rules['frame.acrylic-kg']).toBeCloseTo(1190 * 0.002, 1)
    const [glass, acrylic] = [framed().weightKg, framed({ glazing: 'acrylic' }).weightKg]
    expect(glass - acrylic).toBeCloseTo(0.41 * 0.52 * (5 - 2.4), 6)
  })
  it('a fillet makes the opening larger by twice what is seen of it, and the border lies outside it', () => {
    const { opening, glass } = framed({ filletMm: 8 })
    expect(opening).toEqual({ widthMm: 306, heightMm: 406 })
    expect(glass).toEqual({ widthMm: 426, heightMm: 536 })
  })
  it('says what a framer would, and is silent where there is nothing to say', () => {
    const says = (more: Partial<FrameAsked>): string => framed(more).says.join(' ')
    expect(says({ borderMm: 20 })).toContain('no wider than the moulding')
    expect(says({ borderMm: 40 })).toContain('skimped')
    expect(says({ widthMm: 120, heightMm: 150 })).toContain('very wide mat')
    expect(says({ widthMm: 120, heightMm: 150, borderMm: 140 })).toBe('')
    expect(says({ inSun: true })).toContain('filters UV')
    expect(says({ facesWindow: true })).toContain('non-reflecting')
    // shop frames pass, but for what is valued: its mat is free of acid by either school
    expect(says({ isValued: true })).toContain('free of acid')
    expect(says({ isValued: true })).not.toContain('UV')
    expect(says({ isValued: true, school: 'archival' })).toContain('UV')
    expect(says({ isValued: true, school: 'archival' })).toContain('free of acid')
    expect(says({ isValued: true, school: 'archival', borderMm: null })).toContain('Spacers')
    expect(says({ glazing: 'none', inSun: true, facesWindow: true })).toBe('')
  })
  it('three in one mat lie side by side: 3 × 290, twice 40 between, and the borders are 1070 of glass', () => {
    expect(framed({ count: 3, betweenMm: 40 }).glass).toEqual({ widthMm: 3 * 290 + 2 * 40 + 2 * 60, heightMm: 520 })
    expect(framedAs({ ...picture, count: 3 }, rules)).toMatchObject({ ok: false, field: 'between' })
    expect(framedAs({ ...picture, count: 3, betweenMm: 40, borderMm: null }, rules)).toMatchObject({ field: 'border' })
  })
  it('a ready-made one is the smallest sold in which the mat is wide enough, upright or across', () => {
    // 300 × 400 is seen as 290 × 390: in 40 × 50 borders of 55, and of 50 and 60
    expect(readyMade({ widthMm: 290, heightMm: 390 }, false, rules)).toEqual({
      widthMm: 400,
      heightMm: 500,
      sidesMm: 55,
      topMm: 50,
      footMm: 60,
    })
    expect(readyMade({ widthMm: 390, heightMm: 290 }, false, rules)).toMatchObject({
      widthMm: 500,
      heightMm: 400,
      topMm: 50,
    })
    expect(readyMade({ widthMm: 200, heightMm: 250 }, true, rules)).toMatchObject({
      heightMm: expect.closeTo(16 * 25.4, 6) as number,
    })
    expect(readyMade({ widthMm: 900, heightMm: 900 }, false, rules)).toBeNull()
  })
  it('a mat wider than a metre, a moulding of nothing: said where it was typed', () => {
    expect(framedAs({ ...picture, borderMm: 1200 }, rules)).toMatchObject({ ok: false, field: 'border' })
    expect(framedAs({ ...picture, faceMm: 0 }, rules)).toMatchObject({ ok: false, field: 'face' })
    expect(framedAs({ ...picture, widthMm: 0 }, rules)).toMatchObject({ ok: false, field: 'size' })
  })
})

describe('made or bought', () => {
  const supplies = [
    { packs: 2, priceMinor: minor(12_50) },
    { packs: 1, priceMinor: minor(5_00) },
  ]
  const ask = (more: object = {}) => {
    const result = madeOrBought({
      supplies,
      hireMinor: minor(0),
      hours: 3,
      rateMinor: minor(20_00),
      boughtMinor: minor(110_00),
      ...more,
    })
    if (!result.ok) throw new Error(result.error)
    return result.found
  }
  it('by pencil: 30.00 of supplies and 3 hours at 20.00 is 90.00 against 110.00; equal at 4 hours, or at 26.66 an hour', () => {
    expect(ask()).toEqual({
      suppliesMinor: 30_00,
      workMinor: 60_00,
      madeMinor: 90_00,
      savedMinor: 20_00,
      equalHours: 4,
      equalRateMinor: 26_66,
    })
  })
  it('where bought is cheaper before an hour is counted there is no rate', () => {
    expect(ask({ boughtMinor: minor(25_00) })).toMatchObject({
      savedMinor: -65_00,
      equalHours: null,
      equalRateMinor: null,
    })
  })
})
