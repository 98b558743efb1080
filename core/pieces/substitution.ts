import { headOf } from '../makeover/document.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { deltaE } from '../colour/difference.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeMoney } from '../money/written.ts'
import { compare, coloursOf } from '../palette/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { CandidateReckoning } from './compare.ts'
import { returnOf } from './returns.ts'

export type Difference = { readonly what: string; readonly from: string; readonly to: string }

const days = (count: number | null, none: string): string => (count === null ? none : `${count} days`)
const size = (row: Row<'candidate'>, units: UnitSystem): string =>
  [row.widthMm, row.depthMm, row.heightMm].map((side) => (side === null ? '–' : writeLength(side, units))).join(' × ')

/** Every difference between what was planned and what would be taken instead; what is alike is left out. */
export function differences(
  makeover: Makeover,
  start: CandidateReckoning,
  to: CandidateReckoning,
  currency: string,
  rules: Rules,
): Difference[] {
  const units = headOf(makeover)?.units ?? 'metric'
  const [left, right] = [coloursOf(makeover, start.row)[0], coloursOf(makeover, to.row)[0]]
  const apart = left && right ? deltaE(left, right) : null
  const family = 'textile' as const
  const lines: Difference[] = [
    { what: 'Thing', from: start.row.name, to: to.row.name },
    { what: 'From', from: `${start.seller}, ${start.row.source}`, to: `${to.seller}, ${to.row.source}` },
    {
      what: 'Price of a pack',
      from: writeMoney(start.row.priceMinor, currency),
      to: writeMoney(to.row.priceMinor, currency),
    },
    {
      what: 'Landed, for all',
      from: writeMoney(start.landed.landed, currency),
      to: writeMoney(to.landed.landed, currency),
    },
    {
      what: 'Colour',
      from: left ? '' : 'not known',
      to:
        apart !== null && left && right
          ? apart < rules['colour.unseen']
            ? ''
            : `ΔE ${apart.toFixed(1)}: ${compare({ family, lab: right }, { family, lab: left }, rules).sentence}`
          : right
            ? ''
            : 'not known',
    },
    { what: 'Ties', from: `${start.tied} of the palette`, to: `${to.tied} of the palette` },
    { what: 'Clashes', from: String(start.clashes), to: String(to.clashes) },
    { what: 'Size', from: size(start.row, units), to: size(to.row, units) },
    { what: 'Fit', from: start.fit.words, to: to.fit.words },
    { what: 'Lead time', from: days(start.row.leadDays, 'not asked yet'), to: days(to.row.leadDays, 'not asked yet') },
    { what: 'To return', from: returnOf(start.row).words, to: returnOf(to.row).words },
    {
      what: 'Life',
      from: start.row.lifeYears === null ? 'not known' : `${start.row.lifeYears} years`,
      to: to.row.lifeYears === null ? 'not known' : `${to.row.lifeYears} years`,
    },
    {
      what: 'Ruled out by',
      from: start.ruledOut.map((forbidden) => forbidden.word).join(', ') || 'nothing',
      to: to.ruledOut.map((forbidden) => forbidden.word).join(', ') || 'nothing',
    },
  ]
  return lines.filter((line) => line.from !== line.to)
}
