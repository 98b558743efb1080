/** Carpet and sheet from the roll. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea } from '../../measure/area.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { layCarpet } from '../carpet.ts'
import { rectangle, turned } from '../outlines.ts'
import { m2Of } from '../tiles.ts'
import { lengthIn, line, type At, type Product, type Reckoned, type Refused, type Saying, type Shape } from './told.ts'
import { fieldsOf, thresholds, areaOnly } from './fields.ts'

/** Carpet and sheet: the widths and directions of the roll, the cheapest that goes the way that was chosen. */
export function carpetReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  { candidate, makeUp, sizes }: Product,
): Reckoned | Refused | null {
  const { rules, units } = at
  const fields = fieldsOf(at, finish, treatment.id)
  const m2 = fields.reduce((sum, { parts }) => sum + m2Of(parts), 0)
  if (!(m2 > 0)) return null
  const length = lengthIn(at)
  const price = candidate?.priceMinor
  const rolls = [
    ...(makeUp?.widthMm == null || price === undefined ? [] : [{ widthMm: makeUp.widthMm, priceMinor: price }]),
    ...sizes.flatMap((row) => (row.widthMm === null ? [] : [{ widthMm: row.widthMm, priceMinor: row.priceMinor }])),
  ]
  if (rolls.length === 0)
    return areaOnly(fields, m2, treatment, at, 'nobody chose a roll with its width: by the area alone')
  const plans = []
  for (const field of fields) {
    const found = layCarpet(field.parts, rolls, rules)
    if (!found.ok) return { ok: false, error: `${field.name}: ${found.error}` }
    const [best] = found.plans
    const chosen = found.plans.find(({ across }) => across === treatment.turned) ?? best
    if (chosen && best) plans.push({ field, chosen, best })
  }
  const bought = plans.reduce((sum, { chosen }) => sum + chosen.m2, 0)
  return {
    ok: true,
    need: bought,
    unit: 'm²',
    words: `${writeArea(bought, units)} from the roll`,
    lines: plans.flatMap(({ field, chosen, best }) => [
      line(field.name, writeArea(m2Of(field.parts), units), 'as measured'),
      ...chosen.widths.map((width, index) =>
        line(
          `Width ${index + 1}`,
          length(width.lengthMm),
          `of a roll of ${length(chosen.roll.widthMm)}, with ${citeRule('carpet.trim', rules, units)} to trim at each wall`,
        ),
      ),
      ...(chosen.seams > 0
        ? [
            line(
              'Seams',
              length(chosen.seamMm),
              `${citeRule('carpet.seam', rules, units)} off each edge; the pile goes one way`,
            ),
          ]
        : []),
      ...(best !== chosen
        ? [
            line(
              'The other way',
              writeArea(best.m2, units),
              `${best.seams === 0 ? 'no seam' : best.seams === 1 ? 'a seam' : `${best.seams} seams`}, from a roll of ${length(best.roll.widthMm)}: it costs less`,
            ),
          ]
        : []),
    ]),
    shapes: plans.flatMap(({ field, chosen }) =>
      chosen.widths.map((width, index): Shape => {
        const outline = rectangle(width.from, width.low, width.to - width.from, width.high - width.low)
        return {
          on: field.on,
          kind: 'width',
          outline: chosen.across ? (turned([outline])[0] ?? outline) : outline,
          whole: true,
          text: String(index + 1),
          along: chosen.across ? 'y' : 'x',
        }
      }),
    ),
    bars: [],
    lengths: null,
    beside: [line('Underlay', writeArea(m2, units), 'under it'), ...thresholds(at)],
    says: plans.flatMap(({ field, chosen }): Saying[] =>
      chosen.seams > 0
        ? [
            {
              code: 'seam',
              text: `${field.name}: ${chosen.seams === 1 ? 'a seam' : `${chosen.seams} seams`} of ${length(chosen.seamMm)}. Keep it out of the way in and out of the light, or take a wider roll.`,
            },
          ]
        : [],
    ),
  }
}
