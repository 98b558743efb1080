/** Textures, patterns and metals of a room, counted as a practitioner counts them. */
import { deltaE } from '../colour/difference.ts'
import type { Scale } from '../makeover/choices.ts'
import { groupBy, type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { labOf } from './colour-of.ts'

export type Variety = {
  readonly roomId: string
  /** Kinds of surface, as the hand tells them apart: "wood", "polished metal". */
  readonly textures: readonly string[]
  readonly patterns: readonly {
    readonly finishId: string
    readonly scale: Scale
    /** How far it goes until it repeats, in mm: measured, or usual for its scale. */
    readonly repeat: number
    readonly colours: readonly string[]
  }[]
  /** Pairs of patterns that have one size, or no colour in common. */
  readonly sameScale: readonly (readonly [string, string])[]
  readonly sharesNone: readonly (readonly [string, string])[]
  /** Three patterns or more of one scale, no two of which hold a colour in common: they compete. */
  readonly competing: readonly string[]
  /** Metals that are seen as different, the one seen most first, with their areas in m². */
  readonly metals: readonly { readonly finishId: string; readonly m2: number }[]
  /** The first of them is seen so much more than the next that it leads. */
  readonly leads: boolean
}

/** The scale of a pattern: by its repeat where it was measured, as it was said where not. */
export function scaleOf(row: Pick<Row<'finish'>, 'repeatMm' | 'patternScale'>, rules: Rules): Scale {
  if (row.repeatMm === null) return row.patternScale ?? 'medium'
  return row.repeatMm <= rules['pattern.small-to']
    ? 'small'
    : row.repeatMm <= rules['pattern.medium-to']
      ? 'medium'
      : 'large'
}
/** How far a pattern goes until it repeats, in mm: measured, or usual for its scale. */
export const repeatOf = (row: Pick<Row<'finish'>, 'repeatMm' | 'patternScale'>, rules: Rules): number =>
  row.repeatMm ?? rules[`pattern.${row.patternScale ?? 'medium'}`]

export function varietyOf(
  makeover: Makeover,
  areas: ReadonlyMap<string, { readonly m2: number }>,
  rules: Rules,
): Variety[] {
  const parts = groupBy(rowsOf(makeover, 'patternPart'), (row) => row.finishId)
  return [...groupBy(paletteFinishes(makeover), (row) => row.roomId)].map(([roomId, rows]) => {
    const patterns = rows
      .filter((row) => row.pattern !== 'plain')
      .map((row) => ({
        finishId: row.id,
        scale: scaleOf(row, rules),
        repeat: repeatOf(row, rules),
        colours: [row.id, ...(parts.get(row.id) ?? []).map((part) => part.partId)],
      }))
    const pairs = patterns.flatMap((pattern, at) =>
      patterns.slice(at + 1).map((otherPattern) => [pattern, otherPattern] as const),
    )
    const kinds = rows
      .filter((row) => row.family === 'metal')
      .reduce<Row<'finish'>[][]>((groups, row) => {
        const home = groups.find((group) =>
          group.some(
            (finish) =>
              deltaE(labOf(finish), labOf(row)) <= rules['tie.same'] &&
              finish.sheen === row.sheen &&
              finish.texture === row.texture,
          ),
        )
        if (home) home.push(row)
        else groups.push([row])
        return groups
      }, [])
    const metals = kinds
      .map((group) => ({
        finishId: group[0]?.id ?? '',
        m2: group.reduce((sum, row) => sum + (areas.get(row.id)?.m2 ?? 0), 0),
      }))
      .sort((left, right) => right.m2 - left.m2)
    const [first, second] = metals
    return {
      roomId,
      textures: [
        ...new Set(
          rows.map((row) =>
            row.texture === 'usual'
              ? row.family
              : row.texture === 'plaster'
                ? 'plaster'
                : `${row.texture} ${row.family}`,
          ),
        ),
      ],
      patterns,
      sameScale: pairs
        .filter(([left, right]) => {
          const repeats = [left, right].map(({ repeat }) => repeat)
          return Math.max(...repeats) < rules['palette.same-scale'] * Math.min(...repeats)
        })
        .map(([left, right]) => [left.finishId, right.finishId] as const),
      sharesNone: pairs
        .filter(([left, right]) => !left.colours.some((id) => right.colours.includes(id)))
        .map(([left, right]) => [left.finishId, right.finishId] as const),
      competing: competingOf(patterns, rules),
      metals,
      leads: !first || !second || first.m2 >= rules['metals.lead'] * second.m2,
    }
  })
}

/** The largest run of patterns within one scale that share nothing among them, where they are three or more. */
function competingOf(patterns: Variety['patterns'], rules: Rules): string[] {
  const sorted = patterns.toSorted((left, right) => left.repeat - right.repeat)
  const runs = sorted.map((first, at) =>
    sorted
      .slice(at)
      .filter(({ repeat }) => repeat < rules['palette.same-scale'] * first.repeat)
      .reduce<Variety['patterns'][number][]>(
        (kept, pattern) =>
          kept.some(({ colours }) => colours.some((id) => pattern.colours.includes(id))) ? kept : [...kept, pattern],
        [],
      ),
  )
  const longest = runs.toSorted((left, right) => right.length - left.length)[0] ?? []
  return longest.length >= 3 ? longest.map(({ finishId }) => finishId) : []
}
