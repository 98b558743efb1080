import { chroma, hue, type Lab } from '../colour/lab.ts'
import type { Family } from '../makeover/choices.ts'
import type { Rules } from '../rulebook/rulebook.ts'

export type HueName = 'red' | 'orange' | 'yellow' | 'green' | 'blue' | 'violet'

/** The name of a hue angle h_ab, by the limits of the rulebook. */
export function hueName(degrees: number, rules: Rules): HueName {
  if (degrees < rules['hue.orange-from'] || degrees >= rules['hue.red-from']) return 'red'
  if (degrees < rules['hue.yellow-from']) return 'orange'
  if (degrees < rules['hue.green-from']) return 'yellow'
  if (degrees < rules['hue.blue-from']) return 'green'
  return degrees < rules['hue.violet-from'] ? 'blue' : 'violet'
}

/** How much light a finish gives back, in words. */
export function lrvWords(value: number, rules: Rules): string {
  if (value < rules['lrv.dark-from']) return 'very dark'
  if (value < rules['lrv.middle-from']) return 'dark'
  if (value < rules['lrv.light-from']) return 'of middle depth'
  return value < rules['lrv.pale-from'] ? 'light' : 'pale'
}

/** The groups within which undertones are compared; null is a colour that stands for itself. */
export type UndertoneGroup = 'woods' | 'metals' | 'greenery' | 'neutrals' | null

/** Yellow metals have an axis; a grey metal is a neutral among metals. */
export const groupOf = (family: Family, lab: Lab, rules: Rules): UndertoneGroup => {
  if (family === 'wood') return 'woods'
  if (family === 'metal') return 'metals'
  if (family === 'greenery') return 'greenery'
  return chroma(lab) < rules['colour.near-neutral'] ? 'neutrals' : null
}

export type Undertone = {
  readonly group: UndertoneGroup
  /** null: so near to grey that no undertone can be named */
  readonly hue: HueName | null
  /** "pink", "yellow": the cast as one says it of a white or grey */
  readonly cast: string | null
  /** "redder", "yellower", "pinker", "greener", "bluer": which side of its family's axis; null on the axis or where the family has none */
  readonly lean: string | null
  /** "warm" or "cool", said only of near-neutrals */
  readonly warmth: 'warm' | 'cool' | null
  /** "a yellow white", "a redder wood", "blue" */
  readonly words: string
}

/** What a finish leans towards, in words. */
export function undertone(family: Family, lab: Lab, rules: Rules): Undertone {
  const group = groupOf(family, lab, rules)
  const c = chroma(lab)
  const name = c < rules['colour.true-neutral'] ? null : hueName(hue(lab), rules)
  const cast = name === null ? null : name === 'red' && c < rules['colour.near-neutral'] ? 'pink' : name
  const axisLean = leanOf(group, lab, rules)
  const near = c < rules['colour.near-neutral']
  const warmth = !near || name === null ? null : lab.b > 0 ? 'warm' : 'cool'
  return { group, hue: name, cast, lean: axisLean, warmth, words: wordsFor(group, lab, cast, axisLean, near, rules) }
}

function leanOf(group: UndertoneGroup, lab: Lab, rules: Rules): string | null {
  const sides = {
    woods: { axis: rules['colour.axis-wood'], below: 'redder', above: 'yellower' },
    metals: { axis: rules['colour.axis-metal'], below: 'pinker', above: 'greener' },
    greenery: { axis: rules['colour.axis-greenery'], below: 'yellower', above: 'bluer' },
  }
  if (group === null || group === 'neutrals' || chroma(lab) < rules['colour.near-neutral']) return null
  const { axis, below, above } = sides[group]
  const off = ((hue(lab) - axis + 540) % 360) - 180
  if (Math.abs(off) < rules['colour.axis-grace']) return null
  return off < 0 ? below : above
}

/** "white", "black", "grey" or "beige": what a near-neutral is called. */
export function neutralNoun(lab: Lab, rules: Rules): string {
  if (lab.L >= rules['colour.white-from']) return 'white'
  if (lab.L <= rules['colour.black-to']) return 'black'
  const beige =
    chroma(lab) >= rules['colour.true-neutral'] &&
    hue(lab) >= rules['hue.orange-from'] &&
    hue(lab) < rules['hue.green-from']
  return beige ? 'beige' : 'grey'
}

const article = (phrase: string): string => `${/^[aeiou]/.test(phrase) ? 'an' : 'a'} ${phrase}`

function wordsFor(
  group: UndertoneGroup,
  lab: Lab,
  cast: string | null,
  lean: string | null,
  near: boolean,
  rules: Rules,
): string {
  if (group === 'woods')
    return near ? article(`${cast ?? 'neutral'} grey wood`) : article(lean ? `${lean} wood` : 'wood true to its kind')
  if (group === 'metals')
    return near ? article(`${cast ?? 'neutral'} grey metal`) : article(lean ? `yellow metal, ${lean}` : 'yellow metal')
  if (group === 'greenery') return lean ? `${lean} green` : 'a middle green'
  if (group === 'neutrals') return article(`${cast ?? 'true'} ${neutralNoun(lab, rules)}`)
  const depth = lab.L < rules['words.deep-to'] ? 'deep ' : lab.L > rules['words.pale-from'] ? 'pale ' : ''
  return article(`${depth}${cast ?? 'grey'}`)
}
