/** The colour of a row, and the finish as it is compared. */
import { lrv, type Lab } from '../colour/lab.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Swatch } from './compare.ts'

export const labOf = (row: { readonly labL: number; readonly labA: number; readonly labB: number }): Lab => ({
  L: row.labL,
  a: row.labA,
  b: row.labB,
})
/** Its light reflectance value: the maker's own, else reckoned from its colour, an estimate. */
export const lrvOf = (row: Pick<Row<'finish'>, 'labL' | 'labA' | 'labB' | 'lrv'>): number => row.lrv ?? lrv(labOf(row))
export const asSwatch = (
  row: Pick<Row<'finish'>, 'family' | 'labL' | 'labA' | 'labB'>,
  lab: Lab = labOf(row),
): Swatch => ({ family: row.family, lab })
