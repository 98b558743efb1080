/**
 * Colours are CIELAB for D65 and the CIE 1931 2° observer (white xy .3127 .3290). culori converts between spaces;
 * its name for this one is "lab65".
 */
import { tradeColour } from './trade-names.ts'
import { clampChroma, colorsNamed, converter, formatHex, inGamut } from 'culori'
import type { Reading } from '../measure/decimal.ts'
import { readDecimal, withoutTrailing } from '../measure/decimal.ts'

export type Lab = { readonly L: number; readonly a: number; readonly b: number }

const toLab65 = converter('lab65')
const toRgb = converter('rgb')
const inSrgb = inGamut('rgb')
const asCulori = ({ L, a, b }: Lab) => ({ mode: 'lab65' as const, l: L, a, b })

/** Chroma C* = √(a*² + b*²). */
export const chroma = ({ a, b }: Lab): number => Math.hypot(a, b)

/** Hue angle h_ab in degrees from 0 up to 360. */
export const hue = ({ a, b }: Lab): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360

/** A colour with its chroma and hue angle, for where many are held against each other. */
export type Tone = Lab & { readonly C: number; readonly h: number }
export const toneOf = (lab: Lab): Tone => ({ L: lab.L, a: lab.a, b: lab.b, C: chroma(lab), h: hue(lab) })

/** The smaller angle between two hues, in degrees from 0 to 180. */
export function hueApart(lab: Lab, right: Lab): number {
  const apart = Math.abs(hue(lab) - hue(right))
  return apart > 180 ? 360 - apart : apart
}

/** Metric hue difference ΔH* = 2·√(C1·C2)·sin(Δh/2), CIE 15; without sign. */
export const hueDifference = (lab: Lab, right: Lab): number =>
  2 * Math.sqrt(chroma(lab) * chroma(right)) * Math.sin((hueApart(lab, right) * Math.PI) / 360)

/** Light reflectance value, 0 to 100: 100·Y under D65 for the 2° observer, by CIE 15 from L* alone. An estimate, since it comes from three numbers. */
export const lrv = ({ L }: Lab): number =>
  Math.min(100, Math.max(0, 100 * (L > 8 ? ((L + 16) / 116) ** 3 : (27 * L) / 24389)))

/** "#rrggbb" as Lab; null where it is not such a text. */
export function labFromHex(hex: string): Lab | null {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) return null
  const { l, a, b } = toLab65(hex) ?? { l: 0, a: 0, b: 0 }
  return { L: l, a, b }
}

/** Can sRGB show it? A thousandth of a channel of grace, for numbers that came from a hex. */
export function showable(lab: Lab): boolean {
  const { r, g, b } = toRgb(asCulori(lab))
  return inSrgb({ mode: 'rgb', r: settle(r), g: settle(g), b: settle(b) })
}
const settle = (channel: number): number =>
  Math.min(1, Math.max(0, channel)) + (channel < -0.001 || channel > 1.001 ? channel : 0)

/** The nearest showable colour of the same lightness and hue as "#rrggbb", the chroma reduced where sRGB ends, and only there: at its edge a rounding error must not cost a colour its strength. */
export const hexFromLab = (lab: Lab): string =>
  formatHex(showable(lab) ? asCulori(lab) : clampChroma(asCulori(lab), 'lch65', 'rgb'))

/** The showable colour as three sRGB bytes. */
export function bytesFromLab(lab: Lab): [number, number, number] {
  const hex = hexFromLab(lab)
  return [
    Number.parseInt(hex.slice(1, 3), 16),
    Number.parseInt(hex.slice(3, 5), 16),
    Number.parseInt(hex.slice(5, 7), 16),
  ]
}

/** Whether the numbers can be a surface colour: L* 0 to 100, a* and b* within ±128. */
export const isLab = ({ L, a, b }: Lab): boolean =>
  [L, a, b].every(Number.isFinite) && L >= 0 && L <= 100 && Math.abs(a) <= 128 && Math.abs(b) <= 128

/** Lab from lightness, chroma and hue angle in degrees (CIE 15: a* = C* cos h, b* = C* sin h). */
export function labFromLch(L: number, C: number, h: number): Lab {
  const turn = (h * Math.PI) / 180
  return { L, a: C * Math.cos(turn), b: C * Math.sin(turn) }
}

const names: Readonly<Record<string, number>> = colorsNamed
/** A common colour name ("slate grey", "olive drab") by the CSS Color Module's list of named colours; null where it has none. */
export function labFromName(name: string): Lab | null {
  const key = name.toLowerCase().replace(/[\s-]/g, '').replace('grey', 'gray')
  const value = names[key] ?? names[key.replace('gray', 'grey')]
  return value === undefined ? null : labFromHex(`#${value.toString(16).padStart(6, '0')}`)
}

export type TypedSource = 'hex' | 'lab' | 'lch' | 'name'

/** A colour as typed: "#8fa3a8", "8fa3a8", "Lab 65 -4 -6", "65, -4, -6", "LCh 65 7 236", "slate grey". */
export function readColour(text: string): Reading<{ lab: Lab; source: TypedSource }> {
  const typed = text.trim()
  const short = /^#?([0-9a-f])([0-9a-f])([0-9a-f])$/i.exec(typed)
  const hex = short
    ? `#${short
        .slice(1)
        .map((d) => d + d)
        .join('')}`
    : /^[0-9a-f]{6}$/i.test(typed)
      ? `#${typed}`
      : typed
  const fromHex = labFromHex(hex)
  if (fromHex) return { ok: true, value: { lab: fromHex, source: 'hex' } }
  const named = tradeColour(typed)?.lab ?? labFromName(typed)
  if (named) return { ok: true, value: { lab: named, source: 'name' } }
  const lch = /^(cie)?\s*lch\b/i.test(typed)
  const bare = typed.replace(/^(cie)?\s*(lab|lch)\s*[:(]?/i, '').replace(/\)$/, '')
  const words = /[\s;]/.test(bare) ? bare.split(/[\s;]+/).map((word) => withoutTrailing(word, ',°')) : bare.split(',')
  const numbers = words.map((word) => readDecimal(word, 6))
  const [value, two, three] = numbers.map((number) =>
    number.ok ? Number(`${number.value.digits}e-${number.value.scale}`) : Number.NaN,
  )
  if (
    numbers.length === 3 &&
    value !== undefined &&
    two !== undefined &&
    three !== undefined &&
    [value, two, three].every(Number.isFinite)
  ) {
    if (lch && (two < 0 || three < 0 || three > 360))
      return { ok: false, error: `LCh ${value} ${two} ${three} is no colour: expected C* from 0 and h from 0 to 360` }
    const lab = lch ? labFromLch(value, two, three) : { L: value, a: two, b: three }
    if (isLab(lab)) return { ok: true, value: { lab, source: lch ? 'lch' : 'lab' } }
    return {
      ok: false,
      error: `${lch ? 'LCh' : 'Lab'} ${value} ${two} ${three} is no surface colour: expected L* from 0 to 100, a* and b* from −128 to 128`,
    }
  }
  return {
    ok: false,
    error: `“${[...typed].slice(0, 24).join('')}” is not a colour: expected a hex such as #8fa3a8, Lab as three numbers, 65 -4 -6, LCh 65 7 236, or a common name`,
  }
}
