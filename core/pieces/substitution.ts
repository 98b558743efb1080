import { deltaE } from '../colour/difference.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeMoney } from '../money/written.ts'
import { compare, coloursOf } from '../palette/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { CandidateReckoning } from './compare.ts'

export type Difference = { readonly what: string; readonly from: string; readonly to: string }

const days = (count: number | null, none: string): string => (count === null ? none : `${count} days`)
const size = (row: Row<'candidate'>): string =>
  [row.widthMm, row.depthMm, row.heightMm].map((side) => (side === null ? '–' : String(side))).join(' × ')

/** Every difference between what was planned and what would be taken instead; what is alike is left out. */
export function differences(
  makeover: Makeover,
  from: CandidateReckoning,
  to: CandidateReckoning,
  currency: string,
  rules: Rules,
): Difference[] {
  const [one, other] = [coloursOf(makeover, from.row)[0], coloursOf(makeover, to.row)[0]]
  const apart = one && other ? deltaE(one, other) : null
  const family = 'textile' as const
  const lines: Difference[] = [
    { what: 'Thing', from: from.row.name, to: to.row.name },
    { what: 'From', from: `${from.seller}, ${from.row.source}`, to: `${to.seller}, ${to.row.source}` },
    {
      what: 'Price of a pack',
      from: writeMoney(from.row.priceMinor, currency),
      to: writeMoney(to.row.priceMinor, currency),
    },
    {
      what: 'Landed, for all',
      from: writeMoney(from.landed.landed, currency),
      to: writeMoney(to.landed.landed, currency),
    },
    {
      what: 'Colour',
      from: one ? '' : 'not known',
      to:
        apart !== null && one && other
          ? apart < rules['colour.unseen']
            ? ''
            : `ΔE ${apart.toFixed(1)}: ${compare({ family, lab: other }, { family, lab: one }, rules).sentence}`
          : other
            ? ''
            : 'not known',
    },
    { what: 'Ties', from: `${from.tied} of the palette`, to: `${to.tied} of the palette` },
    { what: 'Clashes', from: String(from.clashes), to: String(to.clashes) },
    { what: 'Size, mm', from: size(from.row), to: size(to.row) },
    { what: 'Fit', from: from.fit.words, to: to.fit.words },
    { what: 'Lead time', from: days(from.row.leadDays, ''), to: days(to.row.leadDays, '') },
    { what: 'To return', from: days(from.row.returnDays, 'final sale'), to: days(to.row.returnDays, 'final sale') },
    {
      what: 'Life',
      from: from.row.lifeYears === null ? 'not known' : `${from.row.lifeYears} years`,
      to: to.row.lifeYears === null ? 'not known' : `${to.row.lifeYears} years`,
    },
    {
      what: 'Ruled out by',
      from: from.ruledOut.map((each) => each.word).join(', ') || 'nothing',
      to: to.ruledOut.map((each) => each.word).join(', ') || 'nothing',
    },
  ]
  return lines.filter((line) => line.from !== line.to)
}
