import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Rules } from '../rulebook/rulebook.ts'

export type Size = {
  readonly widthMm: number | null
  readonly depthMm: number | null
  readonly heightMm: number | null
}
export type Fit = { readonly is: 'fits' | 'too large' | 'not known'; readonly overMm: number; readonly words: string }

/**
 * Whether a thing fits the room that a piece may take: height against height, width and depth either way round, within
 * the grace of the rulebook. A side that nobody measured is left out; with none known nothing is said. Sizes in mm;
 * the words in the makeover's own units.
 */
export function fitOf(room: Size, thing: Size, rules: Rules, system: UnitSystem = 'metric'): Fit {
  const over = (has: number | null, may: number | null): number | null =>
    has === null || may === null ? null : has - may
  const height = over(thing.heightMm, room.heightMm)
  const flat = (width: number | null, depth: number | null): (number | null)[] => [
    over(width, room.widthMm),
    over(depth, room.depthMm),
  ]
  const worst = (sides: readonly (number | null)[]): number => Math.max(...sides.map((side) => side ?? -Infinity))
  const [straight, turned] = [flat(thing.widthMm, thing.depthMm), flat(thing.depthMm, thing.widthMm)]
  const canTurn = thing.widthMm !== null && thing.depthMm !== null
  const best = canTurn && worst(turned) < worst(straight) ? turned : straight
  const known = [height, ...best].filter((side) => side !== null)
  if (known.length === 0) return { is: 'not known', overMm: 0, words: 'not measured' }
  const most = worst([height, ...best])
  if (most > rules['fit.grace'])
    return {
      is: 'too large',
      overMm: most,
      words: `${writeLength(Math.round(most), system)} too ${height === most ? 'high' : 'large'}`,
    }
  return {
    is: 'fits',
    overMm: 0,
    words: `fits${best === turned && worst(straight) > rules['fit.grace'] ? ', turned round' : ''}`,
  }
}
