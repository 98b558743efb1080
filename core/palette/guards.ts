import { belongingTo } from '../makeover/by-id.ts'
import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'

/** A pattern is made of other finishes, and of no more than all of it. */
export function paletteGuards(makeover: Makeover): Fault[] {
  const faults: Fault[] = []
  for (const finish of rowsOf(makeover, 'finish'))
    if (
      belongingTo(rowsOf(makeover, 'patternPart'), 'finishId', finish.id).reduce(
        (total, row) => total + row.sharePpm,
        0,
      ) > 1_000_000
    )
      faults.push(
        fault('pattern', 'finish', finish.id, null, `the parts of ${finish.name} come to more than all of it`),
      )
  for (const row of rowsOf(makeover, 'patternPart'))
    if (row.finishId === row.partId)
      faults.push(fault('pattern', 'patternPart', row.id, 'partId', 'a pattern is no part of itself'))
  return faults
}
