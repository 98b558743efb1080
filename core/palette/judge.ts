/** How well a colour would go with a room, in numbers and in words. */
import { deltaE } from '../colour/difference.ts'
import { chroma, hue, hueApart, lrv, type Lab } from '../colour/lab.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../makeover/practice.ts'
import { labOf } from './colour-of.ts'
import { tieOf } from './ties.ts'
import { hueName, undertone } from './undertone.ts'
import { type Want } from './suggest.ts'

/** A neutral shows best against what it lies beside at about this much lighter or darker, in L*. */
const edgeDepth = 26

const aHue = (lab: Lab, rules: Practice['rules']): string =>
  hueName(hue(lab), rules) === 'orange' ? 'an orange' : `a ${hueName(hue(lab), rules)}`

/** How good a colour is for what is wanted, 0 to 1, with the strongest of its reasons; null where it will not do. */
export function judge(
  lab: Lab,
  want: Want,
  rows: readonly Row<'finish'>[],
  share: ReadonlyMap<string, number>,
  mains: readonly Row<'finish'>[],
  { rules }: Practice,
): { score: number; reason: string } | null {
  const [first, second] = mains
  const name = (row: Row<'finish'>): string => row.name
  const reasons: { weight: number; said: string }[] = []
  const give = (weight: number, said: string): void => {
    if (weight > 0.02) reasons.push({ weight, said })
  }
  const ties = rows.filter((row) => tieOf(lab, labOf(row), rules) !== null)
  if (want === 'white' || want === 'neutral') {
    // with the undertone of what is seen most; a white that has none is safe and no more
    const lean = rows
      .filter((row) => chroma(labOf(row)) >= rules['colour.true-neutral'])
      .map((row) => ({
        row,
        pull: (share.get(row.id) ?? 0) * Math.min(1, chroma(labOf(row)) / 12),
        angle: hueApart(lab, labOf(row)),
      }))
    const whole = lean.reduce((sum, { pull }) => sum + pull, 0)
    const agree =
      whole === 0
        ? 0.5
        : lean.reduce((sum, { pull, angle }) => sum + pull * (0.5 + 0.5 * Math.cos((angle * Math.PI) / 180)), 0) / whole
    const friend = lean
      .filter(({ angle }) => angle <= rules['clash.neutral-hue'])
      .sort((left, right) => right.pull - left.pull)[0]
    const cast = undertone('paint', lab, rules)
    give(
      0.6 * agree,
      friend
        ? `leans ${cast.cast ?? 'nowhere'}, as ${name(friend.row)} does`
        : `${cast.words}, which parts from nothing here`,
    )
    const dark = first ? Math.abs(lab.L - first.labL) : 0
    if (first)
      give(
        0.25 * Math.max(0, 1 - Math.abs(dark - edgeDepth) / edgeDepth),
        `${dark < rules['words.as-light'] ? 'as light as' : lab.L > first.labL ? `${Math.round(dark)} lighter than` : `${Math.round(dark)} darker than`} ${name(first)}, so that edges show`,
      )
    give(0.15 * Math.min(1, chroma(lab) / 4), `an LRV of about ${Math.round(lrv(lab))}`)
  } else {
    const glance = rules['colour.at-a-glance']
    for (const main of mains) if (deltaE(lab, labOf(main)) <= glance) return null
    give(
      0.3 * Math.min(1, ties.length / 2),
      ties.length > 0 ? `takes up ${ties.slice(0, 2).map(name).join(' and ')}` : '',
    )
    if (first) {
      const [depth, turn] = [
        Math.abs(lab.L - first.labL),
        chroma(labOf(first)) < rules['colour.near-neutral'] ? 90 : hueApart(lab, labOf(first)),
      ]
      const away = want === 'second' ? 1 - Math.min(1, Math.abs(turn - 40) / 90) : Math.min(1, turn / 120)
      give(
        0.25 * Math.min(1, depth / 30),
        `${Math.round(depth)} ${lab.L > first.labL ? 'lighter' : 'darker'} than ${name(first)}`,
      )
      give(
        0.3 * away,
        want === 'second'
          ? `${aHue(lab, rules)} that keeps company with ${name(first)}`
          : `${aHue(lab, rules)} that ${name(first)} sets off`,
      )
    }
    if (want === 'third' && first && second) {
      const [left, right] = [deltaE(lab, labOf(first)), deltaE(lab, labOf(second))]
      give(
        0.3 * Math.min(1, Math.min(left, right) / 30),
        `${Math.abs(left - right) < 0.25 * Math.max(left, right) ? 'as far from' : 'apart from'} ${name(first)} ${Math.abs(left - right) < 0.25 * Math.max(left, right) ? 'as from' : 'and'} ${name(second)}, ΔE ${Math.round(left)} and ${Math.round(right)}`,
      )
    }
    if (want !== 'second') give(0.15 * Math.min(1, chroma(lab) / 45), 'strong enough to be seen small')
  }
  if (reasons.length === 0) return null
  const strongest = reasons.toSorted((left, right) => right.weight - left.weight).filter(({ said }) => said !== '')
  const said = strongest
    .slice(0, 2)
    .map((judged) => judged.said)
    .join('; ')
  return {
    score: reasons.reduce((sum, reason) => sum + reason.weight, 0),
    reason: `${said.charAt(0).toUpperCase()}${said.slice(1)}.`,
  }
}
