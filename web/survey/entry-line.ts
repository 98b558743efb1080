import { readNumber, type Reading } from '#core/measure/decimal.ts'
import { readLength, writeIn, writeLength, type LengthUnit } from '#core/measure/length.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { Entry } from '../stores/entry.ts'

export type WallEntry = { readonly lengthMm: number; readonly corner?: Pick<Fields<'wall'>, 'corner' | 'cornerDeg'> }

/** One wall as it is called out: a length, and behind it the corner at its end: "380 out", "890 128°", "1902 in", "2400 ?". Inside where nothing is said. */
export function readWallEntry(text: string, unit: LengthUnit): Reading<WallEntry> {
  const said = /^(.*?\d.*?)(?:\s*[,;]\s*|\s+)(inside|outside|out|in corner|unknown|\?|[\d.,]+\s*(?:°|deg))$/i.exec(
    text.trim(),
  )
  const read = readLength(said?.[1] ?? text, unit)
  if (!read.ok || !said) return read.ok ? { ok: true, value: { lengthMm: read.value } } : read
  const word = (said[2] ?? '').toLowerCase()
  if (word === 'out' || word === 'outside')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'outside', cornerDeg: null } } }
  if (word === 'inside' || word === 'in corner')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'inside', cornerDeg: null } } }
  if (word === '?' || word === 'unknown')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'unknown', cornerDeg: null } } }
  const deg = readNumber(word.replace(/°|deg/, ''), { decimals: 2, least: 1, most: 359 })
  return deg.ok ? { ok: true, value: { lengthMm: read.value, corner: { corner: 'angle', cornerDeg: deg.value } } } : deg
}

/** A length as a field of the makeover's entry unit shows it: a bare number, or feet and inches. */
export const asTyped = (mm: number | null, { units, unit }: Entry): string =>
  mm === null
    ? ''
    : units === 'metric' || unit !== 'in'
      ? writeIn(Math.round(mm * 10) / 10, unit)
      : writeLength(mm, units).replaceAll('\u00a0', ' ')
