/** Words that several take-offs use. */
import { writeLength, type UnitSystem } from '../../measure/length.ts'

/** A share, 0 to 1, in whole per cents. */
export const percentOf = (share: number): string => `${Math.round(100 * share)} %`

/** A weight given in kg, in pounds where the makeover is in feet. */
export const weightOf = (kg: number, units: UnitSystem): string => {
  const [amount, unit] = units === 'metric' ? [kg, 'kg'] : [kg / 0.453_592_37, 'lb']
  return `${amount.toFixed(amount < 10 ? 1 : 0)} ${unit}`
}

/** The calculators speak in mm: whoever measures in feet and inches is told in those. “600 × 400 mm” is two lengths. */
export const inUnits = (error: string, units: UnitSystem): string =>
  units === 'metric'
    ? error
    : error.replaceAll(/\b(\d{1,9})(?: × (\d{1,9}))? mm\b/g, (_, first: string, second?: string) =>
        [first, second].flatMap((mm) => (mm === undefined ? [] : writeLength(Number(mm), units))).join(' × '),
      )
