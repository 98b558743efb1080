/** The eyes of the household: what hangs and what is seen first is held to them. */
import type { Rules } from '../rulebook/rulebook.ts'
import { rowsOf, type Makeover } from './document.ts'

/** The mean height of their eyes, standing, in mm; null while the brief says none. */
export function eyesOf(makeover: Makeover): number | null {
  const known = rowsOf(makeover, 'resident').flatMap(({ eyeMm }) => (eyeMm === null ? [] : [eyeMm]))
  return known.length > 0 ? known.reduce((sum, mm) => sum + mm, 0) / known.length : null
}
/** The same; that of the rulebook while the brief says none. */
export const eyeHeight = (makeover: Makeover, rules: Rules): number => eyesOf(makeover) ?? rules['sight.eye']
