import type { Tone } from '../colour/lab.ts'
import { groupBy } from '../makeover/document.ts'
import type { Rules } from '../rulebook/rulebook.ts'

/**
 * Colours sorted by hue and by depth, so that a colour is held only against those that may tie to it. What it gives is in
 * no order, and leaves out nothing that ties: one colour to the eye is never further apart in L* than
 * ΔE00 × S_L, with S_L at most 1.75; one hue at another depth is never in a sector beyond the next.
 */
export function nearTones<T extends { readonly tone: Tone }>(list: readonly T[], rules: Rules): (tone: Tone) => T[] {
  const deep = Math.max(0.1, rules['tie.same'] * 1.75)
  const sectors = Math.max(1, Math.floor(360 / Math.max(0.5, rules['tie.hue'])))
  const depthOf = ({ L }: Tone): number => Math.floor(L / deep)
  const sectorOf = ({ h }: Tone): number => Math.floor((h / 360) * sectors) % sectors
  const strong = ({ C }: Tone): boolean => C >= rules['tie.chroma']
  const depths = groupBy(list, ({ tone }) => depthOf(tone))
  const hues = groupBy(
    list.filter(({ tone }) => strong(tone)),
    ({ tone }) => sectorOf(tone),
  )
  return (tone) => {
    const [depth, sector] = [depthOf(tone), sectorOf(tone)]
    const found: T[] = []
    for (const near of [depth - 1, depth, depth + 1]) found.push(...(depths.get(near) ?? []))
    if (strong(tone))
      for (const near of new Set([sector - 1, sector, sector + 1].map((next) => (next + sectors) % sectors)))
        for (const entry of hues.get(near) ?? []) if (Math.abs(depthOf(entry.tone) - depth) > 1) found.push(entry)
    return found
  }
}
