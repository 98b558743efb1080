/** Places painted again from a new tin: seen in the middle of a wall. Common practice of the trade. */
import { laidFinishes, liesOn } from '../../makeover/laid.ts'
import { deltaE } from '../../colour/difference.ts'
import { besideLimit } from '../../measure/quantity.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import { labOf } from '../colour-of.ts'
import { subjectOf, type Checks } from './said.ts'

export const touchUpRemarks: Checks = (makeover, _palette, { rules }) => {
  const finishes = laidFinishes(makeover)
  return finishes.flatMap((row) => {
    if (!row.touchUp || row.family !== 'paint' || !liesOn(row, 'walls', 'ceiling')) return []
    const old = finishes.find(
      (finish) =>
        finish.id !== row.id &&
        finish.roomId === row.roomId &&
        liesOn(finish, row.surface) &&
        finish.fate === 'keep' &&
        (finish.wallId === null || row.wallId === null || finish.wallId === row.wallId),
    )
    const apart = old ? deltaE(labOf(old), labOf(row)) : null
    const limit = rules['touch-up.seen']
    if (apart !== null && apart < limit) return []
    return [
      remark({
        code: 'touch-up',
        weight: apart === null ? 'note' : 'look',
        subjects: [subjectOf(row), ...(old ? [subjectOf(old)] : [])],
        title: `${row.name}: a touch-up ${apart === null ? 'may' : 'will'} show`,
        sentence: `${apart === null ? 'Nobody measured what is on the wall' : `The new tin parts from ${old?.name ?? ''} by ${besideLimit(apart, limit)} ΔE00`}; in the middle of a wall it is seen from ${citeRule('touch-up.seen', rules)}. Paint the wall from corner to corner.`,
        numbers: [apart ?? -1],
      }),
    ]
  })
}
