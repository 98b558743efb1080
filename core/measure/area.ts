import { readNumber, type Reading } from './decimal.ts'
import type { Habits } from './habits.ts'
import { millimetresIn, type UnitSystem } from './length.ts'

const squareFoot = millimetresIn.ft ** 2 / 1e6
/** 231 cubic inches, in litres. */
const usGallon = (231 * millimetresIn.in ** 3) / 1e6
const cubicFoot = millimetresIn.ft ** 3 / 1e9

/** An area given in m², as the makeover shows it: "12.34 m²", or "132.8 sq ft". */
export const writeArea = (m2: number, system: UnitSystem): string =>
  system === 'metric' ? `${m2.toFixed(2)}\u00a0m²` : `${(m2 / squareFoot).toFixed(1)}\u00a0sq\u00a0ft`
/** A volume given in m³: "31.2 m³", or "1102 cu ft". */
export const writeVolume = (m3: number, system: UnitSystem): string =>
  system === 'metric' ? `${m3.toFixed(1)}\u00a0m³` : `${Math.round(m3 / cubicFoot)}\u00a0cu\u00a0ft`

/** Litres of paint: "7.6 litres", or "2.01 US gal". */
export const writeLitres = (litres: number, system: UnitSystem): string =>
  system === 'metric' ? `${litres.toFixed(1)}\u00a0litres` : `${(litres / usGallon).toFixed(2)}\u00a0US\u00a0gal`

/** One unit of a spreading rate, as the makeover speaks of it, in m² a litre. */
export const spreadOne = (system: UnitSystem): number => (system === 'metric' ? 1 : squareFoot / usGallon)
export const spreadUnit = (system: UnitSystem): string => (system === 'metric' ? 'm² a litre' : 'sq ft a gallon')
/** A spreading rate given in m² a litre: "12 m² a litre", or "489 sq ft a gallon". */
export const writeSpread = (rate: number, system: UnitSystem): string =>
  system === 'metric'
    ? `${rate} ${spreadUnit(system)}`
    : `${Math.round(rate / spreadOne(system))} ${spreadUnit(system)}`
/** A round area as it is spoken of: "40 m²", "430 sq ft". */
export const aboutArea = (m2: number, system: UnitSystem): string =>
  system === 'metric' ? `${m2} m²` : `${10 * Math.round(m2 / squareFoot / 10)} sq ft`

/** The unit of a bare area. */
export const areaUnit = (system: UnitSystem): string => (system === 'metric' ? 'm²' : 'sq ft')

/** "12.5", "12.5 m²", "130 sq ft" in m²; a bare number is in the unit of the system. */
export function readArea(text: string, system: UnitSystem, sign: Habits['decimal'] = null): Reading<number> {
  const typed = text.trim()
  const unit = /(?:m2|m²|sq\.? ?m|sq\.? ?ft|ft2|ft²)$/i.exec(typed)?.[0]
  const bare = unit === undefined ? typed : typed.slice(0, -unit.length).trim()
  const read = readNumber(bare, { decimals: 4, least: 0, most: 1e6 }, sign)
  if (!read.ok) return { ok: false, error: `${read.error.replace(/\.$/, '')}, in ${areaUnit(system)}` }
  const inFeet = unit === undefined ? system !== 'metric' : /f/i.test(unit)
  return { ok: true, value: inFeet ? Math.round(read.value * squareFoot * 1e6) / 1e6 : read.value }
}
