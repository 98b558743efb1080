/** From what is fixed and the school: whites, neutrals, a second, an accent, a third for two mains, each with its reason. */
import { deltaE } from '../colour/difference.ts'
import { chroma, hue, labFromLch, showable, type Lab } from '../colour/lab.ts'
import type { Family, Sheen, Texture } from '../makeover/choices.ts'
import { type Makeover } from '../makeover/document.ts'
import { paletteFinishes, type LaidFinish } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../makeover/practice.ts'
import { schoolOf } from '../rulebook/schools.ts'
import { asSwatch, labOf } from './colour-of.ts'
import { clash } from './compare.ts'
import type { Palette } from './finishes.ts'
import { library } from './library.ts'
import { undertone } from './undertone.ts'
import { judge } from './judge.ts'

export const wants = ['white', 'neutral', 'second', 'accent', 'third'] as const

export type Want = (typeof wants)[number]

export type Suggestion = {
  /** The same suggestion has the same key, so that none is made twice. */
  readonly key: string
  readonly name: string
  readonly family: Family
  readonly texture: Texture
  readonly sheen: Sheen
  readonly lab: Lab
  readonly suits: string
  readonly from: 'library' | 'free'
  readonly role: 'dominant' | 'secondary' | 'accent'
  readonly reason: string
  readonly score: number
}

export type Suggestions = {
  readonly list: readonly Suggestion[]
  /** Why there is none, or none further. */ readonly why: string | null
}

export type Ask = {
  readonly roomId: string
  readonly want: Want
  readonly from: 'library' | 'free'
  /** Keys that were shown before. */ readonly seen?: ReadonlySet<string>
}

/**
 * Ranked and diverse: the best first, and none nearer to one before it than the rule; none that clashes with anything in
 * the room, that repeats what is there, that the school forbids, or that was shown before.
 */
export function suggest(
  makeover: Makeover,
  palette: Palette,
  practice: Practice,
  { roomId, want, from: name, seen = new Set() }: Ask,
): Suggestions {
  const { rules } = practice
  const rows = paletteFinishes(makeover).filter((row) => row.roomId === roomId)
  const share = new Map(palette.finishes.map((finish) => [finish.id, finish.share]))
  const mains = mainsOf(rows, share)
  const refusal = refused(want, rows, palette, practice, mains)
  if (refusal) return { list: [], why: refusal }
  const near = want === 'white' || want === 'neutral' || onlyNeutral(want, palette, practice)
  const apart = near ? rules['suggest.apart-neutral'] : rules['suggest.apart']
  const scored = candidatesFor(want, name, near, practice)
    .filter(
      ({ key, lab, family }) =>
        !seen.has(key) &&
        showable(lab) &&
        rows.every(
          (row) =>
            deltaE(lab, labOf(row)) >= (near ? apart : rules['colour.side-by-side']) &&
            clash({ family, lab }, asSwatch(row), rules) === null,
        ),
    )
    .flatMap((candidate) => {
      const judged = judge(candidate.lab, want, rows, share, mains, practice)
      return judged ? [{ ...candidate, score: judged.score, reason: judged.reason }] : []
    })
    .sort((left, right) => right.score - left.score || (left.key < right.key ? -1 : 1))
  const list: Suggestion[] = []
  // the best that is left, less what it repeats of those picked already
  let left = scored.map((suggestion) => ({ suggestion, worth: suggestion.score }))
  while (list.length < rules['suggest.count']) {
    const next = left.reduce<(typeof left)[number] | null>(
      (most, candidate) => (most === null || candidate.worth > most.worth ? candidate : most),
      null,
    )
    if (next === null) break
    list.push(next.suggestion)
    left = left.flatMap(({ suggestion, worth }) => {
      const far = deltaE(suggestion.lab, next.suggestion.lab)
      return far < apart ? [] : [{ suggestion, worth: worth - repeats * Math.exp(-far / (3 * apart)) }]
    })
  }
  return {
    list,
    why:
      list.length > 0
        ? null
        : seen.size > 0
          ? 'Everything that obeys the rules was shown. Look at earlier ones again, ask for another kind, or let it be free of the library.'
          : 'Nothing obeys all the rules here: cure the clashes first, or loosen a rule.',
  }
}

/** How much a suggestion loses that is the very same as one before it. */
const repeats = 0.6

/** The leading colours of the room: the largest finishes that are no small accents, of two colours at most. */
function mainsOf(rows: readonly LaidFinish[], share: ReadonlyMap<string, number>): Row<'finish'>[] {
  const large = rows
    .filter((row) => row.role !== 'accent' && row.surface !== 'ceiling' && row.pattern === 'plain')
    .toSorted((left, right) => (share.get(right.id) ?? 0) - (share.get(left.id) ?? 0))
  const [first] = large
  const second = first && large.find((row) => deltaE(labOf(row), labOf(first)) > 10)
  return first ? (second ? [first, second] : [first]) : []
}

/** In some schools all but one colour, or all, are near-neutral. */
function onlyNeutral(want: Want, palette: Palette, { schools }: Practice): boolean {
  if (schools.colours === 'quiet') return true
  return schools.colours === 'neutrals-and-one' && (want === 'second' || palette.strong.length > 0)
}

function refused(
  want: Want,
  rows: readonly Row<'finish'>[],
  palette: Palette,
  { schools, rules }: Practice,
  mains: readonly Row<'finish'>[],
): string | null {
  const by = `By the school “${schoolOf('colours', schools.colours).name}”`
  if (rows.length === 0) return 'Lay down what is fixed first: a floor that stays, a cloth, a wall.'
  if (want === 'third' && mains.length < 2) return 'A third needs two mains: lay down a second colour first.'
  if (
    want === 'accent' &&
    schools.colours === 'two-and-one' &&
    palette.colours.filter((group) => group.every((id) => rows.some((row) => row.id === id && row.role === 'accent')))
      .length > 0
  )
    return `${by} there is one accent, and it is there: ask for it in another place, or change it.`
  if (
    want === 'accent' &&
    schools.colours === 'neutrals-and-one' &&
    palette.strong.length >= rules['palette.most-strong']
  )
    return `${by} one colour stands among neutrals, and it is there.`
  if (want === 'accent' && schools.colours === 'quiet')
    return `${by} there is no accent: colour comes from greenery, art and the window.`
  return null
}

type Offer = Omit<Suggestion, 'reason' | 'score'>

const roleOf = {
  white: 'secondary',
  neutral: 'secondary',
  second: 'secondary',
  accent: 'accent',
  third: 'accent',
} as const

function candidatesFor(want: Want, name: Ask['from'], near: boolean, { rules }: Practice): Offer[] {
  const fits = (lab: Lab): boolean => {
    const c = chroma(lab)
    if (want === 'white') return lab.L >= rules['colour.white-from'] && c < rules['colour.near-neutral']
    if (want === 'neutral' || near)
      return (
        c < rules['colour.near-neutral'] &&
        (want === 'neutral' ? lab.L < rules['colour.white-from'] && lab.L > rules['colour.black-to'] : true)
      )
    return c >= rules['tie.chroma']
  }
  if (name === 'library')
    return library
      .filter((libraryFinish) => kinds[want].includes(libraryFinish.family) && fits(libraryFinish.lab))
      .map((libraryFinish) => ({
        key: `library ${libraryFinish.name}`,
        name: libraryFinish.name,
        family: libraryFinish.family,
        texture: libraryFinish.texture,
        sheen: libraryFinish.sheen,
        lab: libraryFinish.lab,
        suits: libraryFinish.suits,
        from: name,
        role: roleOf[want],
      }))
  const found: Offer[] = []
  for (const L of want === 'white' ? [88, 90, 92, 94] : [26, 34, 42, 50, 58, 66, 74, 82])
    for (const C of want === 'white'
      ? [2, 4, 6, 9]
      : near
        ? [3, 6, 9, 11]
        : want === 'second'
          ? [16, 22, 30, 40]
          : [24, 36, 48, 60])
      for (let h = 0; h < 360; h += 12) {
        const lab = labFromLch(L, C, h)
        if (fits(lab))
          found.push({
            key: `free ${L} ${C} ${h}`,
            name: nameFor(lab, rules),
            family: 'paint',
            texture: 'usual',
            sheen: 'matt',
            lab,
            suits: '',
            from: name,
            role: roleOf[want],
          })
      }
  return found
}

const kinds: Readonly<Record<Want, readonly Family[]>> = {
  white: ['paint'],
  neutral: ['paint', 'textile', 'stone', 'plush'],
  second: ['paint', 'textile', 'plush', 'leather'],
  accent: ['paint', 'textile', 'plush', 'leather', 'ceramic', 'glass'],
  third: ['paint', 'textile', 'plush', 'leather', 'ceramic'],
}

function nameFor(lab: Lab, rules: Practice['rules']): string {
  const words = undertone('paint', lab, rules).words.replace(/^an? /, '')
  return `${words.charAt(0).toUpperCase()}${words.slice(1)} ${Math.round(lab.L)} ${Math.round(chroma(lab))} ${Math.round(hue(lab))}`
}
