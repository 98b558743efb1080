import type { Reading } from './decimal.ts'
import type { Habits } from './habits.ts'
import { readDecimal } from './decimal.ts'

export const millimetresIn = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 } as const
export type LengthUnit = keyof typeof millimetresIn
export type UnitSystem = 'metric' | 'feet and inches'

const decimal = (text: string, sign: Habits['decimal']): number | null => {
  const read = readDecimal(text, 6, sign)
  return read.ok ? Number(`${read.value.digits}e-${read.value.scale}`) : null
}

/** "6", "6.5", "1/2", "6 1/2", "6-1/2": a number of inches; null where it is none. */
function inches(text: string, sign: Habits['decimal']): number | null {
  const mixed = /^(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)$/.exec(text.trim())
  if (!mixed) return decimal(text, sign)
  const [, whole = '0', over, under] = mixed
  const bottom = Number(under)
  return bottom === 0 || Number(over) >= bottom ? null : Number(whole) + Number(over) / bottom
}

/**
 * A length as people type it, in millimetres (1 in = 25.4 mm exactly): `12' 6 1/2"`, `3.81 m`, `381`, `150 1/2in`,
 * `6 ft 2`. A bare number is in the entry unit. At most 100 m, and more than nothing.
 */
export function readLength(text: string, bare: LengthUnit, sign: Habits['decimal'] = null): Reading<number> {
  const typed = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/[′’]/g, "'")
    .replace(/[″”“]|''/g, '"')
    .replace(/feet|foot/gi, 'ft')
    .replace(/inch(es)?/gi, 'in')
  const wrong: Reading<number> = {
    ok: false,
    error: `“${[...text.trim()].slice(0, 24).join('')}” is not a length: expected one such as 12' 6 1/2", 3.81 m, 381 mm or a number of ${bare}`,
  }
  const feet = /'|ft/i.exec(typed)
  const unit = /(?:mm|cm|m|in|")$/i.exec(typed)
  let mm: number | null
  if (feet) {
    const behind = typed.slice(feet.index + feet[0].length).trim()
    const [whole, rest] = [
      decimal(typed.slice(0, feet.index), sign),
      behind === '' ? 0 : inches(behind.replace(/(?:"|in)$/i, ''), sign),
    ]
    mm = whole === null || rest === null || rest < 0 ? null : whole * millimetresIn.ft + rest * millimetresIn.in
  } else if (unit) {
    const name = unit[0] === '"' ? 'in' : (unit[0].toLowerCase() as LengthUnit)
    const number = typed.slice(0, unit.index)
    const value = name === 'in' ? inches(number, sign) : decimal(number, sign)
    mm = value === null ? null : value * millimetresIn[name]
  } else {
    const value = bare === 'in' || bare === 'ft' ? inches(typed, sign) : decimal(typed, sign)
    mm = value === null ? null : value * millimetresIn[bare]
  }
  if (mm === null) return wrong
  const exact = Math.round(mm * 10_000) / 10_000
  if (exact <= 0) return { ok: false, error: 'is nothing or less: expected a length above zero' }
  return exact > 100_000 ? { ok: false, error: 'is longer than 100 m: expected less' } : { ok: true, value: exact }
}

/** A length in one unit, as a field of that unit shows it: "381", "38.1", "0.381", "15". */
export function writeIn(mm: number, unit: LengthUnit): string {
  return String(Number((Math.round(mm * 10_000) / 10_000 / millimetresIn[unit]).toFixed(6)))
}

/** A length as a drawing shows it: whole millimetres without their unit, or feet and inches to the nearest 1/8 in. */
export const writeDimension = (mm: number, system: UnitSystem): string =>
  system === 'metric' ? String(Math.round(mm)) : writeLength(mm, system).replaceAll('\u00a0', ' ')

/** A length in words: "1895 mm", or feet and inches to the nearest 1/8 in, `6' 2 5/8"`. */
export function writeLength(mm: number, system: UnitSystem): string {
  if (system === 'metric') return `${Math.round(mm * 10) / 10}\u00a0mm`
  const eighths = Math.round((mm / millimetresIn.in) * 8)
  const [feet, rest] = [Math.floor(eighths / 96), eighths % 96]
  const [whole, part] = [Math.floor(rest / 8), rest % 8]
  const shared = part === 0 ? 1 : part % 4 === 0 ? 4 : part % 2 === 0 ? 2 : 1
  const shown = whole > 0 || part === 0 || feet > 0 // a foot without inches says so: 15' 0 3/4"
  const inch = `${shown ? whole : ''}${part > 0 ? `${shown ? '\u00a0' : ''}${part / shared}/${8 / shared}` : ''}"`
  return feet > 0 ? `${feet}'\u00a0${inch}` : inch
}
