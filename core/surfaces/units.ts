/** A need in the unit that its line to buy is counted in. */
import type { Unit } from './take-off/told.ts'

const litresIn: readonly (readonly [RegExp, number])[] = [
  [/^(l|lit(?:re|er)s?)$/i, 1],
  [/^(us )?gal(lons?)?$/i, 3.785_411_784],
  [/^(us )?(qt|quarts?)$/i, 0.946_352_946],
  [/^ml$/i, 0.001],
]
const m2In: readonly (readonly [RegExp, number])[] = [
  [/^(m²|m2|square met(?:re|er)s?)$/i, 1],
  [/^(sq\.? ?ft|square feet|ft²)$/i, 0.092_903_04],
]
const mIn: readonly (readonly [RegExp, number])[] = [
  [/^(m|met(?:re|er)s?)$/i, 1],
  [/^(ft|feet|foot)$/i, 0.3048],
]
const continuous: Readonly<Partial<Record<Unit, typeof litresIn>>> = { l: litresIn, 'm²': m2In, m: mIn }

/** Null where the unit is of another kind: litres are not counted in rolls. What is counted may be called pieces. */
export function inUnit(need: number, unit: Unit, counted: string): number | null {
  const word = counted.trim()
  const scale = continuous[unit]?.find(([pattern]) => pattern.test(word))?.[1]
  if (scale !== undefined) return need / scale
  if (continuous[unit]) return null
  return new RegExp(`^(${unit}|${unit.replace(/s$/, '')}|pieces?)$`, 'i').test(word) ? need : null
}

/** The unit a new line is counted in. */
export const unitFor = (unit: Unit, isFeet: boolean): string =>
  !isFeet ? unit : unit === 'l' ? 'gal' : unit === 'm²' ? 'sq ft' : unit === 'm' ? 'ft' : unit
