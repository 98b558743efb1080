import { deltaE } from '../colour/difference.ts'
import { chroma, hueApart, hueDifference, lrv, type Lab } from '../colour/lab.ts'
import type { Family } from '../makeover/choices.ts'
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import { undertone, type Undertone } from './undertone.ts'

export type Swatch = { readonly family: Family; readonly lab: Lab }

/** Two finishes of one family whose undertones part: by how much, how much passes, and which rule says so. */
export type Clash = { readonly measured: number; readonly passes: number; readonly rule: RuleId; readonly measure: string; readonly hueApart: number }

/**
 * Woods, metals and greenery clash by metric hue difference ΔH*; whites, greys and beiges by distance in (a*, b*),
 * where also their hues part or one is a true neutral. Depth alone never clashes. Null: they agree, or are of no
 * common family.
 */
export function clash(one: Swatch, other: Swatch, rules: Rules): Clash | null {
  const group = undertone(one.family, one.lab, rules).group
  if (group === null || group !== undertone(other.family, other.lab, rules).group) return null
  const apart = hueApart(one.lab, other.lab)
  if (group === 'neutrals') {
    const measured = Math.hypot(one.lab.a - other.lab.a, one.lab.b - other.lab.b)
    const trueNeutral = Math.min(chroma(one.lab), chroma(other.lab)) < rules['colour.true-neutral']
    const parts = measured >= rules['clash.neutral-distance'] && (apart >= rules['clash.neutral-hue'] || trueNeutral)
    return parts ? { measured, passes: rules['clash.neutral-distance'], rule: 'clash.neutral-distance', measure: 'in hue and chroma', hueApart: apart } : null
  }
  const rule = ({ woods: 'clash.wood', metals: 'clash.metal', greenery: 'clash.greenery' } as const)[group]
  const measured = hueDifference(one.lab, other.lab)
  return measured >= rules[rule] ? { measured, passes: rules[rule], rule, measure: 'in hue', hueApart: apart } : null
}

export type Comparison = {
  readonly deltaE: number
  readonly seen: string
  /** "A yellow white beside a pink white, and a little lighter." */
  readonly sentence: string
  readonly undertones: readonly [Undertone, Undertone]
  readonly lrv: readonly [number, number]
  readonly clash: Clash | null
}

/** Two finishes laid edge to edge: the difference as a number and in words, the first seen against the second. */
export function compare(one: Swatch, other: Swatch, rules: Rules): Comparison {
  const undertones = [undertone(one.family, one.lab, rules), undertone(other.family, other.lab, rules)] as const
  const difference = deltaE(one.lab, other.lab)
  return {
    deltaE: difference,
    seen: seenWords(difference, rules),
    sentence: sentenceFor(one.lab, other.lab, undertones, difference, rules),
    undertones,
    lrv: [lrv(one.lab), lrv(other.lab)],
    clash: clash(one, other, rules),
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

function sentenceFor(one: Lab, other: Lab, [first, second]: readonly [Undertone, Undertone], difference: number, rules: Rules): string {
  const start = capital(first.words)
  if (difference < rules['colour.unseen']) return `${start} beside its match.`
  const lighter = stepWords(one.L - other.L, ['lighter', 'darker'], [rules['words.as-light'], rules['words.little-lighter'], rules['words.much-lighter']])
  const stronger = stepWords(chroma(one) - chroma(other), ['stronger', 'greyer'], [rules['words.as-strong'], rules['words.little-stronger'], rules['words.much-stronger']])
  const steps = [lighter, stronger].filter((words) => words !== null)
  return `${start} beside ${first.words === second.words ? 'another' : second.words}${steps.length > 0 ? `, ${steps.join(' and ')}` : ''}.`
}

/** "a little lighter", "darker", "much darker"; null where the two are as good as equal. */
function stepWords(by: number, [more, less]: readonly [string, string], [equal, little, much]: readonly [number, number, number]): string | null {
  const size = Math.abs(by)
  if (size < equal) return null
  return `${size < little ? 'a little ' : size < much ? '' : 'much '}${by > 0 ? more : less}`
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
