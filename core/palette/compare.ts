import { deltaE } from '../colour/difference.ts'
import { chroma, hueApart, hueDifference, lrv, type Lab } from '../colour/lab.ts'
import type { Family } from '../makeover/choices.ts'
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import { groupOf, undertone, type Undertone } from './undertone.ts'
import { differenceWords } from './words.ts'

export type Swatch = { readonly family: Family; readonly lab: Lab }

/** Two finishes of one family whose undertones part: by how much, how much passes, and which rule says so. */
export type Clash = {
  readonly measured: number
  readonly passes: number
  readonly rule: RuleId
  readonly measure: string
  readonly hueApart: number
}

/**
 * Woods, metals and greenery clash by metric hue difference ΔH*; whites, greys and beiges by distance in (a*, b*),
 * where also their hues part or one is a true neutral, and they are of like depth. Black metal matches with any. Depth
 * alone never clashes. Null: they agree, or are of no
 * common family.
 */
export function clash(swatch: Swatch, right: Swatch, rules: Rules): Clash | null {
  const group = groupOf(swatch.family, swatch.lab, rules)
  if (group === null || group !== groupOf(right.family, right.lab, rules)) return null
  const apart = hueApart(swatch.lab, right.lab)
  if (group === 'neutrals') {
    const measured = Math.hypot(swatch.lab.a - right.lab.a, swatch.lab.b - right.lab.b)
    const trueNeutral = Math.min(chroma(swatch.lab), chroma(right.lab)) < rules['colour.true-neutral']
    const depth = rules[trueNeutral ? 'clash.true-neutral-depth' : 'clash.neutral-depth']
    const parts =
      Math.abs(swatch.lab.L - right.lab.L) < depth &&
      measured >= rules['clash.neutral-distance'] &&
      (apart >= rules['clash.neutral-hue'] || trueNeutral)
    return parts
      ? {
          measured,
          passes: rules['clash.neutral-distance'],
          rule: 'clash.neutral-distance',
          measure: 'in hue and chroma',
          hueApart: apart,
        }
      : null
  }
  if (group === 'metals' && (matches(swatch.lab, rules) || matches(right.lab, rules))) return null
  const rule = ({ woods: 'clash.wood', metals: 'clash.metal', greenery: 'clash.greenery' } as const)[group]
  const measured = hueDifference(swatch.lab, right.lab)
  return measured >= rules[rule] ? { measured, passes: rules[rule], rule, measure: 'in hue', hueApart: apart } : null
}

/** Black metal, and metal of no undertone at all, goes with every other. */
const matches = (lab: Lab, rules: Rules): boolean =>
  chroma(lab) < rules['colour.true-neutral'] ||
  (lab.L <= rules['colour.black-to'] && chroma(lab) < rules['colour.near-neutral'])

export type Comparison = {
  readonly deltaE: number
  /** How the first stands to the second in lightness, chroma and hue (ΔL*, ΔC*, ΔH* without sign). */
  readonly parts: { readonly lighter: number; readonly stronger: number; readonly hue: number }
  readonly seen: string
  /** "A pinker and slightly darker white: pink beside yellow." */
  readonly sentence: string
  readonly undertones: readonly [Undertone, Undertone]
  readonly lrv: readonly [number, number]
  readonly clash: Clash | null
}

/** Two finishes laid edge to edge: the difference as numbers and in words, the first seen against the second. */
export function compare(swatch: Swatch, right: Swatch, rules: Rules): Comparison {
  const undertones = [undertone(swatch.family, swatch.lab, rules), undertone(right.family, right.lab, rules)] as const
  const difference = deltaE(swatch.lab, right.lab)
  return {
    deltaE: difference,
    parts: {
      lighter: swatch.lab.L - right.lab.L,
      stronger: chroma(swatch.lab) - chroma(right.lab),
      hue: hueDifference(swatch.lab, right.lab),
    },
    seen: seenWords(difference, rules),
    sentence: differenceWords(swatch, right, undertones, difference, rules),
    undertones,
    lrv: [lrv(swatch.lab), lrv(right.lab)],
    clash: clash(swatch, right, rules),
  }
}

/** Who sees a difference, by the thresholds of the rulebook. */
export function seenWords(difference: number, rules: Rules): string {
  if (difference < rules['colour.unseen']) return 'No one will see a difference.'
  if (difference <= rules['colour.trained-eye']) return 'A trained eye sees it, side by side.'
  if (difference <= rules['colour.side-by-side']) return 'Anyone sees it, side by side.'
  if (difference <= rules['colour.at-a-glance']) return 'Anyone sees it, even apart.'
  return 'Anyone sees it at a glance.'
}
