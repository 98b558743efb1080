import { splitSeveral } from '../makeover/choices.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { minus, portion, zero, type Minor } from '../money/minor.ts'
import type { Practice } from '../rulebook/practice.ts'
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
    const least = here.map((one) => one.costMinor).sort((one, other) => one - other)[0] ?? zero
    const cost = (way: Row<'scopeOption'>['way']): Minor | undefined =>
      here
        .filter((one) => one.way === way)
        .map((one) => one.costMinor)
        .sort((one, other) => one - other)[0]
    const [repaint, replace] = [cost('repaint'), cost('replace')]
    return {
      row,
      ways: here
        .map((one) => ({
          row: one,
          aboveLeast: minus(one.costMinor, least),
          perYear:
            one.lifeYears === null ? null : portion(one.costMinor, 10, Math.max(1, Math.round(one.lifeYears * 10))),
          ruledOut: ruledOut(forbidden, splitSeveral(one.methods)),
        }))
        .sort(
          (one, other) =>
            Number(other.row.way === first) - Number(one.row.way === first) || one.row.costMinor - other.row.costMinor,
        ),
      repaintShare: repaint !== undefined && replace !== undefined && replace > 0 ? (100 * repaint) / replace : null,
    }
  })
}
