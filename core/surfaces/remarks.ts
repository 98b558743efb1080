/** What gives cause to say something of the surfaces. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { treatmentsOf } from '../makeover/laid.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'

export function surfaceRemarks(makeover: Makeover): Remark[] {
  const parts = groupBy(rowsOf(makeover, 'treatedPart'), (row) => row.treatmentId)
  return treatmentsOf(makeover).flatMap((treatment) => {
    const finish = makeover.rows.finish[treatment.finishId]
    if (parts.has(treatment.id) || !finish) return []
    return [
      remark({
        code: 'nowhere',
        subjects: [{ kind: 'treatment', id: treatment.id }],
        title: `${finish.name}: on no surface`,
        sentence: 'The surface it was on is gone. Say where it lies now, or take the treatment out.',
        numbers: [0],
      }),
    ]
  })
}
