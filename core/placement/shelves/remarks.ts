/** What gives cause to say something of shelves. */
import { headOf, type Makeover } from '../../makeover/document.ts'
import type { Remark } from '../../remarks/remark.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import type { ShelfCheck } from './checks.ts'
import { saidOfShelf } from './words.ts'

export function shelfRemarks(makeover: Makeover, checks: readonly ShelfCheck[], rules: Rules): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  return checks.map((check) =>
    remark({
      code: check.code,
      weight: check.weight,
      subjects: [{ kind: 'piece', id: check.pieceId }, ...check.ids.map((id) => ({ kind: 'showpiece' as const, id }))],
      ...saidOfShelf(check, rules, units),
      rule: check.rule,
      numbers: [Math.round(check.value ?? 0)],
    }),
  )
}
