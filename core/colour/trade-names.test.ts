import { describe, expect, it } from 'vitest'
import { deltaE } from './difference.ts'
import { chroma, hue, labFromName, readColour, showable } from './lab.ts'
import { tradeColour } from './trade-names.ts'

const lab = (name: string) => {
  const found = tradeColour(name)
  if (!found) throw new Error(`${name} is a name of the trade`)
  return found.lab
}

describe('a colour by a decorator’s name', () => {
  // Common practice: beige is a mid-light warm neutral and no near-white, navy a nearly black blue and not violet.
  it('is what the trade means by it, and not what a browser does', () => {
    expect(lab('beige').L).toBeLessThan(85)
    expect(deltaE(lab('beige'), labFromName('beige') ?? lab('navy'))).toBeGreaterThan(8)
    expect(lab('navy').L).toBeLessThan(30)
    expect(hue(lab('navy'))).toBeGreaterThan(260)
    expect(hue(lab('navy'))).toBeLessThan(285)
    expect(readColour('Beige')).toEqual({ ok: true, value: { lab: lab('beige'), source: 'name' } })
  })
  it('keeps the order every decorator knows, from light to dark', () => {
    const lightness = ['off-white', 'linen', 'oatmeal', 'stone', 'taupe', 'chocolate'].map((name) => lab(name).L)
    expect(lightness).toEqual(lightness.toSorted((left, right) => right - left))
    for (const neutral of ['linen', 'oatmeal', 'greige', 'taupe']) expect(chroma(lab(neutral))).toBeLessThan(12) // near-neutral: C* under 12
  })
  it('is lighter or darker by a word before it, and is always one that can be shown', () => {
    expect(lab('pale sage').L).toBeGreaterThan(lab('sage').L)
    expect(lab('Deep  Teal').L).toBeLessThan(lab('teal').L)
    for (const name of ['duck egg', 'off white', 'off-white', 'dark navy', 'light mustard'])
      expect(showable(lab(name))).toBe(true)
  })
  it('that nobody says is none, and the web’s other names stay', () => {
    expect([tradeColour('wallaby'), tradeColour('dark'), tradeColour('')]).toEqual([null, null, null])
    expect(readColour('slate grey')).toMatchObject({ ok: true, value: { source: 'name' } })
  })
})
