/** How one finish differs from another, as a decorator would say it: from ΔH*, ΔL*, ΔC* and the undertones. */
import { chroma, hue, hueDifference, type Lab } from '../colour/lab.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Swatch } from './compare.ts'
import { hueName, neutralNoun, type HueName, type Undertone } from './undertone.ts'

/** The first against the second: "A pinker and slightly darker white: pink beside yellow." */
export function differenceWords(
  swatch: Swatch,
  right: Swatch,
  [first, second]: readonly [Undertone, Undertone],
  difference: number,
  rules: Rules,
): string {
  if (difference < rules['colour.unseen']) return `${capital(first.words)} beside its match.`
  const adjectives = [
    hueWord(swatch, right, [first, second], rules),
    lighterWord(swatch.lab.L - right.lab.L, rules),
    strongerWord(swatch, right, [first, second], rules),
  ].filter((word) => word !== null)
  const [noun, otherNoun] = [nounOf(swatch, first, rules), nounOf(right, second, rules)]
  if (noun !== otherNoun)
    return `${capital(first.words)} beside ${second.words}${adjectives.length > 0 ? `: ${list(adjectives)}` : ''}.`
  if (adjectives.length === 0) return `${capital(first.words)} beside another.`
  const casts =
    first.cast !== second.cast && first.group === 'neutrals' ? `: ${castWord(first)} beside ${castWord(second)}` : ''
  const phrase = `${list(adjectives)} ${noun}`
  return `${/^[aeiou]/.test(phrase) ? 'An' : 'A'} ${phrase}${casts}.`
}

const castWord = ({ cast }: Undertone): string => cast ?? 'no cast'
const list = (words: readonly string[]): string =>
  words.length < 3 ? words.join(' and ') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** What both may be: "white", "wood", "green". */
function nounOf({ lab }: Swatch, { group, hue: name }: Undertone, rules: Rules): string {
  if (group === 'woods') return 'wood'
  if (group === 'metals') return chroma(lab) < rules['colour.near-neutral'] ? 'grey metal' : 'yellow metal'
  if (group === 'greenery') return 'green'
  return group === 'neutrals' ? neutralNoun(lab, rules) : (name ?? 'grey')
}

/** The hues in the order of their angle, with what one is that leans to each. */
const round: readonly { readonly name: HueName; readonly leans: string; readonly cast: string }[] = [
  { name: 'red', leans: 'redder', cast: 'pinker' },
  { name: 'orange', leans: 'more orange', cast: 'peachier' },
  { name: 'yellow', leans: 'yellower', cast: 'yellower' },
  { name: 'green', leans: 'greener', cast: 'greener' },
  { name: 'blue', leans: 'bluer', cast: 'bluer' },
  { name: 'violet', leans: 'more violet', cast: 'more violet' },
]
const sides = { woods: ['redder', 'yellower'], metals: ['pinker', 'greener'], greenery: ['yellower', 'bluer'] } as const

/** Signed, in degrees from −180 to 180: positive where the first lies further round, from red towards yellow. */
const turnTo = (lab: Lab, right: Lab): number => ((hue(lab) - hue(right) + 540) % 360) - 180

function hueWord(
  swatch: Swatch,
  right: Swatch,
  [first, second]: readonly [Undertone, Undertone],
  rules: Rules,
): string | null {
  const { group } = first
  const near = Math.max(chroma(swatch.lab), chroma(right.lab)) < rules['colour.near-neutral']
  // against what has no hue, a cast is all there is to say
  if (second.hue === null && first.hue !== null)
    return round.find(({ name }) => name === first.hue)?.[near ? 'cast' : 'leans'] ?? null
  if (first.hue === null && second.hue !== null) return `less ${second.cast ?? second.hue}`
  if (first.hue === null || hueDifference(swatch.lab, right.lab) < rules['words.hue-least']) return null
  const further = turnTo(swatch.lab, right.lab) > 0
  if (group !== null && group !== 'neutrals' && group === second.group) return sides[group][further ? 1 : 0]
  if (first.hue !== second.hue && group === 'neutrals' && second.group === 'neutrals')
    return round.find(({ name }) => name === first.hue)?.cast ?? null
  // of one hue, or strong colours: towards the next hue round, on the side where it lies
  const middle = hue(right.lab) + turnTo(swatch.lab, right.lab)
  const at = round.findIndex(({ name }) => name === hueName(((middle % 360) + 360) % 360, rules))
  const next = first.hue === second.hue ? round[(at + (further ? 1 : round.length - 1)) % round.length] : round[at]
  return next?.[near ? 'cast' : 'leans'] ?? null
}

const lighterWord = (by: number, rules: Rules): string | null =>
  stepWord(
    by,
    ['lighter', 'darker'],
    [rules['words.as-light'], rules['words.little-lighter'], rules['words.much-lighter']],
  )

function strongerWord(
  swatch: Swatch,
  right: Swatch,
  [first, second]: readonly [Undertone, Undertone],
  rules: Rules,
): string | null {
  // where one has no hue at all, its cast is said already
  if (first.hue === null || second.hue === null) return null
  return stepWord(
    chroma(swatch.lab) - chroma(right.lab),
    ['stronger', 'greyer'],
    [rules['words.as-strong'], rules['words.little-stronger'], rules['words.much-stronger']],
  )
}

/** "slightly lighter", "darker", "much darker"; null where the two are as good as equal. */
function stepWord(
  by: number,
  [more, less]: readonly [string, string],
  [equal, little, much]: readonly [number, number, number],
): string | null {
  const size = Math.abs(by)
  if (size < equal) return null
  return `${size < little ? 'slightly ' : size < much ? '' : 'much '}${by > 0 ? more : less}`
}
