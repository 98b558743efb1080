import { rowsOf, type Makeover } from '../makeover/document.ts'
import { remark, type Remark } from '../remarks/remark.ts'
import { agreedNow, agreements } from './agreement.ts'
import type { NeedReckoning } from './needs.ts'

/** What the brief gives cause to say: an unsigned budget, a need that nothing serves. */
export function briefRemarks(makeover: Makeover, needs: readonly NeedReckoning[]): Remark[] {
  const remarks: Remark[] = []
  const versions = agreements(makeover)
  const pieces = rowsOf(makeover, 'piece').length
  if (agreedNow(versions) === null && pieces > 0)
    remarks.push(
      remark({
        code: 'brief.unsigned',
        weight: 'look',
        step: 'brief',
        subjects: [{ kind: 'makeover', id: makeover.id }],
        title: 'No budget is signed yet',
        sentence: 'Pieces are planned, and nothing has been agreed that they can be held against. Nothing can be ordered until the client has signed.',
        rule: null,
        numbers: ['unsigned'],
      }),
    )
  for (const need of needs) {
    const row = makeover.rows.need[need.id]
    if (!row || need.pieceIds.length > 0 || pieces === 0) continue
    remarks.push(
      remark({
        code: 'brief.need-unserved',
        weight: row.importance === 'must' ? 'look' : 'note',
        step: 'brief',
        subjects: [{ kind: 'need', id: need.id }],
        title: `Nothing serves “${row.name}”`,
        sentence: `The client ${row.importance === 'must' ? 'must have' : row.importance === 'should' ? 'should have' : 'would like'} it, and no piece is planned for it. Plan one, or ask whether it is still wanted.`,
        rule: null,
        numbers: [row.importance],
      }),
    )
  }
  return remarks
}
