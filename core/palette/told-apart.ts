/** How far apart two surfaces are to eyes that see little, by the standard that is held to. LRV from 0 to 100. */
import type { contrastStandards } from '../makeover/choices.ts'

export type ContrastStandard = (typeof contrastStandards)[number]

/** What each standard counts, as a remark says it. */
export const countedIn: Readonly<Record<ContrastStandard, string>> = {
  'BS 8300-2': 'points of LRV',
  'AS 1428.1': '% luminance contrast',
  'ISO 21542': '% Michelson contrast',
}

/**
 * BS 8300-2: the difference of the two. AS 1428.1: 125 · (Y2 − Y1) ÷ (Y1 + Y2 + 25). ISO 21542: 100 · (Y2 − Y1) ÷ (Y1 + Y2),
 * as Michelson has it. 30 or more is wanted by each.
 */
export function contrastBetween(standard: ContrastStandard, left: number, right: number): number {
  const [dark, light] = left < right ? [left, right] : [right, left]
  if (standard === 'BS 8300-2') return light - dark
  if (standard === 'AS 1428.1') return (125 * (light - dark)) / (dark + light + 25)
  return dark + light === 0 ? 0 : (100 * (light - dark)) / (dark + light)
}
