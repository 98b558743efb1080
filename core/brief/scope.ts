import { splitSeveral } from '../makeover/choices.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { minus, portion, zero, type Minor } from '../money/minor.ts'
import type { Practice } from '../makeover/practice.ts'
import { forbiddenIn, ruledOut, type Forbidden } from './constraints.ts'

export type WayReckoning = {
  readonly row: Row<'scopeOption'>
  readonly aboveLeast: Minor
  readonly perYear: Minor | null
  readonly ruledOut: readonly Forbidden[]
}
export type ScopeReckoning = {
  readonly row: Row<'scopeChoice'>
  readonly ways: readonly WayReckoning[]
  /** Repainting as a share of replacing, in percent; null where one of them is not priced. */
  readonly repaintShare: number | null
}

/** The ways of meeting one wish, priced side by side: cheapest first, or as the chosen school would have it. */
export function scopeChoices(makeover: Makeover, { schools }: Practice): ScopeReckoning[] {
  const options = groupBy(rowsOf(makeover, 'scopeOption'), (row) => row.choiceId)
  const first = schools['ugly-finish'] === 'remove' ? 'replace' : 'cover'
  return rowsOf(makeover, 'scopeChoice').map((row) => {
    const here = options.get(row.id) ?? []
    const forbidden = forbiddenIn(makeover, row.roomId)
    const least = here.map((scopeOption) => scopeOption.costMinor).sort((left, right) => left - right)[0] ?? zero
    const cost = (way: Row<'scopeOption'>['way']): Minor | undefined =>
      here
        .filter((scopeOption) => scopeOption.way === way)
        .map((scopeOption) => scopeOption.costMinor)
        .sort((left, right) => left - right)[0]
    const [repaint, replace] = [cost('repaint'), cost('replace')]
    return {
      row,
      ways: here
        .map((scopeOption) => ({
          row: scopeOption,
          aboveLeast: minus(scopeOption.costMinor, least),
          perYear:
            scopeOption.lifeYears === null
              ? null
              : portion(scopeOption.costMinor, 10, Math.max(1, Math.round(scopeOption.lifeYears * 10))),
          ruledOut: ruledOut(forbidden, splitSeveral(scopeOption.methods)),
        }))
        .sort(
          (left, right) =>
            Number(right.row.way === first) - Number(left.row.way === first) ||
            left.row.costMinor - right.row.costMinor,
        ),
      repaintShare: repaint !== undefined && replace !== undefined && replace > 0 ? (100 * repaint) / replace : null,
    }
  })
}
