import { readNumber, withoutTrailing, type Reading } from '#core/measure/decimal.ts'
import { readLength, writeIn, writeLength, type LengthUnit } from '#core/measure/length.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { Entry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'

/** Shorter than any wall, and any nib of one: a bare number like that was meant in another unit. */
const noWallMm = 30

/** The length of a wall or a diagonal: a bare number that would be no wall is asked back rather than drawn. */
export function readWallLength(text: string, unit: LengthUnit): Reading<number> {
  const read = readLength(text, unit, habits.value.decimal)
  if (!read.ok || read.value >= noWallMm || /[a-z"'′″]/i.test(text)) return read
  const typed = text.trim()
  return {
    ok: false,
    error: `“${typed}” would be a wall of ${writeLength(read.value, 'metric')}: write ${typed} m, or ${typed} ${unit} if it is meant`,
  }
}

export type WallEntry = { readonly lengthMm: number; readonly corner?: Pick<Fields<'wall'>, 'corner' | 'cornerDeg'> }

/** One wall as it is called out: a length, and behind it the corner at its end: "380 out", "890 128°", "1902 in", "2400 ?". Inside where nothing is said. */
export function readWallEntry(text: string, unit: LengthUnit): Reading<WallEntry> {
  const { length, corner } = parted(text)
  const read = readWallLength(length, unit)
  if (!read.ok || corner === '') return read.ok ? { ok: true, value: { lengthMm: read.value } } : read
  if (corner === 'out' || corner === 'outside')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'outside', cornerDeg: null } } }
  if (corner === 'inside' || corner === 'in corner')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'inside', cornerDeg: null } } }
  if (corner === '?' || corner === 'unknown')
    return { ok: true, value: { lengthMm: read.value, corner: { corner: 'unknown', cornerDeg: null } } }
  const deg = readNumber(corner.replace(/°|deg/, ''), { decimals: 2, least: 1, most: 359 }, habits.value.decimal)
  return deg.ok ? { ok: true, value: { lengthMm: read.value, corner: { corner: 'angle', cornerDeg: deg.value } } } : deg
}

const corners = ['inside', 'outside', 'out', 'unknown', '?']

/** What stands before the corner of a wall called out, and the word or the angle for it; empty where none is named. */
function parted(text: string): { length: string; corner: string } {
  const said = text.trim().replace(/\s+/g, ' ').replace(/ ?; ?/g, ' ')
  const words = said.replace(/,(?=[a-z?])/gi, ' ').split(' ')
  const last = (words.at(-1) ?? '').toLowerCase()
  const pair = `${(words.at(-2) ?? '').toLowerCase()} ${last}`
  const behind =
    pair === 'in corner' || /^[\d.,]+ (?:°|deg)$/.test(pair)
      ? 2
      : corners.includes(last) || /^[\d.,]+(?:°|deg)$/.test(last)
        ? 1
        : 0
  if (behind === 0 || behind === words.length) {
    const comma = last.lastIndexOf(',') // “890,128°”, with nothing between
    return behind === 0 || comma < 0
      ? { length: text, corner: '' }
      : { length: last.slice(0, comma), corner: last.slice(comma + 1) }
  }
  return { length: withoutTrailing(words.slice(0, -behind).join(' '), ', '), corner: behind === 2 ? pair : last }
}

/** A length as a field of the makeover's entry unit shows it: a bare number, or feet and inches. */
export const asTyped = (mm: number | null, { units, unit }: Entry): string =>
  mm === null
    ? ''
    : units === 'metric' || unit !== 'in'
      ? writeIn(Math.round(mm * 10) / 10, unit)
      : writeLength(mm, units).replaceAll('\u00a0', ' ')
