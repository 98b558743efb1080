import { converter } from 'culori'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaE } from '../colour/difference.ts'
import { hexFromLab, labFromHex, type Lab } from '../colour/lab.ts'
import { families, patterns, sheens, type Family } from '../makeover/choices.ts'
import { labOfHex } from '../testing/palette.ts'
import { drawTile, lean, sheenOver, shineOf, texturesOf, type Stop, type Tile } from './index.ts'

const toLab = converter('lab65')
const toLinear = (byte: number): number =>
  byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4
/** The colour of all the light that the pixels give back, after IEC 61966-2-1 (sRGB): what an eye far off sees. */
function meanOf({ pixels }: Tile): Lab {
  const sum = [0, 0, 0]
  for (let at = 0; at < pixels.length; at += 4)
    for (let channel = 0; channel < 3; channel++)
      sum[channel] = (sum[channel] ?? 0) + toLinear(pixels[at + channel] ?? 0) / (pixels.length / 4)
  const { l, a, b } = toLab({ mode: 'lrgb', r: sum[0] ?? 0, g: sum[1] ?? 0, b: sum[2] ?? 0 })
  return { L: l, a, b }
}
const shown = (lab: Lab): Lab => labFromHex(hexFromLab(lab)) ?? lab
const colours = [
  '#f6f2e8',
  '#e8dcc8',
  '#83a7ad',
  '#8f5741',
  '#303030',
  '#5d3d55',
  '#d18a2b',
  '#3f857c',
  '#ffffff',
  '#b02020',
]
const made = families.flatMap((family) => texturesOf(family).map((texture) => [family, texture] as const))

describe('a finish as material', () => {
  it.each(made)(
    '%s, %s: the light of the whole is the colour’s own, ΔE00 under 1, at once and twice the fineness',
    (family, texture) => {
      for (const hex of colours)
        for (const sheen of family === 'paint' ? sheens : (['matt'] as const)) {
          const lab = labOfHex(hex)
          expect([
            hex,
            sheen,
            deltaE(meanOf(drawTile({ family, texture, sheen, lab }, 7, 96, 96)), shown(lab)) < 1,
          ]).toEqual([hex, sheen, true])
        }
      const lab = labOfHex('#8f5741')
      expect(deltaE(meanOf(drawTile({ family, texture, sheen: 'matt', lab }, 7, 192, 192)), shown(lab))).toBeLessThan(1)
    },
  )
  it.each(made)('%s, %s shows a relief of its own, and the same one for the same seed', (family, texture) => {
    const draw = (seed: number): Tile =>
      drawTile({ family, texture, sheen: 'matt', lab: labOfHex('#8a7a6a') }, seed, 48, 48)
    expect(new Set(draw(3).pixels).size).toBeGreaterThan(4)
    expect(draw(3).pixels).toEqual(draw(3).pixels)
    expect(draw(3).pixels.join()).not.toBe(draw(4).pixels.join())
  })
  it('has no seam: neither its left and right nor its upper and lower edge differ more than neighbours within', () => {
    const size = 128
    for (const [family, texture] of made) {
      if (texture === 'tile' || texture === 'leaf' || family === 'cane' || family === 'textile') continue // laid out in squares: an edge is an edge
      const { pixels } = drawTile({ family, texture, sheen: 'matt', lab: labOfHex('#8a7a6a') }, 5, size, size)
      const at = (x: number, y: number): number => pixels[((y % size) * size + (x % size)) * 4 + 1] ?? 0
      const step = (dx: number, dy: number, fix: number | null): number => {
        let sum = 0
        for (let i = 0; i < size; i++)
          for (const j of fix === null ? Array.from({ length: size - 1 }, (_, k) => k) : [fix])
            sum +=
              Math.abs((dx ? at(j, i) : at(i, j)) - (dx ? at(j + 1, i) : at(i, j + 1))) /
              (size * (fix === null ? size - 1 : 1))
        return sum
      }
      expect([family, texture, step(1, 0, size - 1) < 3 * step(1, 0, null) + 3]).toEqual([family, texture, true])
      expect([family, texture, step(0, 1, size - 1) < 3 * step(0, 1, null) + 3]).toEqual([family, texture, true])
    }
  })
})

/** The light of a flat colour under its sheen, over the whole chip, as SVG lays one over the other (in sRGB). */
function under(stops: readonly Stop[], lab: Lab): Lab {
  const base = hexFromLab(lab)
  const bytes = [1, 3, 5].map((at) => Number.parseInt(base.slice(at, at + 2), 16))
  const sum = [0, 0, 0]
  const side = 90
  const samples = side * side
  for (let sample = 0; sample < samples; sample++) {
    const place = (((sample % side) + 0.5) / side + (lean * (Math.floor(sample / side) + 0.5)) / side) / (1 + lean)
    const next = Math.max(
      1,
      stops.findIndex(({ at }) => at >= place),
    )
    const [start, to] = [stops[next - 1], stops[next]]
    if (!start || !to) throw new Error('a band from 0 to 1')
    const share = (place - start.at) / (to.at - start.at)
    const over = start.over + (to.over - start.over) * share
    for (let channel = 0; channel < 3; channel++) {
      const colour = (start.rgb[channel] ?? 0) * (1 - share) + (to.rgb[channel] ?? 0) * share
      sum[channel] = (sum[channel] ?? 0) + toLinear(colour * over + (bytes[channel] ?? 0) * (1 - over)) / samples
    }
  }
  const { l, a, b } = toLab({ mode: 'lrgb', r: sum[0] ?? 0, g: sum[1] ?? 0, b: sum[2] ?? 0 })
  return { L: l, a, b }
}

describe('a sheen', () => {
  it('gives back in one place what it takes in another: the mean under it is the colour’s own, whatever the colour', () => {
    const channel = fc.integer({ min: 0, max: 255 })
    fc.assert(
      fc.property(channel, channel, channel, fc.constantFrom('eggshell', 'satin', 'gloss'), (r, g, b, sheen) => {
        const lab = labOfHex(`#${[r, g, b].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`)
        expect(deltaE(under(sheenOver(lab, sheen), lab), lab)).toBeLessThan(0.5)
      }),
      { numRuns: 60 },
    )
  })
  it('shines more from matt to gloss, and none where paint is matt', () => {
    const lab = labOfHex('#8f5741')
    const brightest = (sheen: 'eggshell' | 'satin' | 'gloss'): number =>
      Math.max(
        ...sheenOver(lab, sheen)
          .filter(({ rgb }) => rgb[0] === 255)
          .map(({ over }) => over),
      )
    expect(sheenOver(lab, 'matt')).toEqual([])
    expect(brightest('eggshell')).toBeLessThan(brightest('satin'))
    expect(brightest('satin')).toBeLessThan(brightest('gloss'))
    expect([
      shineOf('glass', 'usual', 'matt'),
      shineOf('metal', 'polished', 'matt'),
      shineOf('paint', 'usual', 'matt'),
    ]).toEqual(['gloss', 'gloss', 'matt'])
  })
})

describe('a pattern', () => {
  const ground = labOfHex('#f3ecdb')
  const [dark, middle] = [labOfHex('#20252a'), labOfHex('#a84f33')]
  it.each(patterns.filter((pattern) => pattern !== 'plain'))(
    'a %s covers the shares it was given, in its own colours',
    (pattern) => {
      for (const family of ['paint', 'paper'] satisfies Family[]) {
        const { pixels } = drawTile({ family, texture: 'usual', sheen: 'gloss', lab: ground }, 7, 240, 240, {
          pattern,
          repeats: 4,
          parts: [
            { lab: dark, share: 0.25 },
            { lab: middle, share: 0.15 },
          ],
        })
        let [darks, reds] = [0, 0]
        for (let at = 0; at < pixels.length; at += 4) {
          if ((pixels[at] ?? 0) < 80) darks++
          else if ((pixels[at + 1] ?? 0) < 140) reds++
        }
        expect(Math.abs(darks / (240 * 240) - 0.25)).toBeLessThan(0.04)
        expect(Math.abs(reds / (240 * 240) - 0.15)).toBeLessThan(0.04)
      }
    },
  )
  it('on the whole reads as its colours mixed by their shares', () => {
    const tile = drawTile({ family: 'textile', texture: 'usual', sheen: 'matt', lab: ground }, 7, 320, 320, {
      pattern: 'stripe',
      repeats: 5,
      parts: [{ lab: dark, share: 0.3 }],
    })
    const mixed = [0, 1, 2].map((channel) => {
      const light = (lab: Lab): number =>
        toLinear(Number.parseInt(hexFromLab(lab).slice(1 + 2 * channel, 3 + 2 * channel), 16))
      return 0.7 * light(ground) + 0.3 * light(dark)
    })
    const { l, a, b } = toLab({ mode: 'lrgb', r: mixed[0] ?? 0, g: mixed[1] ?? 0, b: mixed[2] ?? 0 })
    expect(deltaE(meanOf(tile), { L: l, a, b })).toBeLessThan(1.5)
  })
})
