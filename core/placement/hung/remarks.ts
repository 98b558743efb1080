/** What gives cause to say something of what hangs. */
import { headOf, type Makeover } from '../../makeover/document.ts'
import type { Remark, Subject } from '../../remarks/remark.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import type { RoomHung } from './reckoned.ts'
import { saidOfHung } from './words.ts'

export function hungRemarks(makeover: Makeover, hung: readonly RoomHung[], rules: Rules): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  return hung.flatMap(({ works, checks }) =>
    checks.map((check) => {
      const work = works.find(({ id }) => id === check.ids[0])
      const subjects: Subject[] = [
        ...(work
          ? [
              { kind: 'hanging' as const, id: work.id },
              { kind: 'piece' as const, id: work.pieceId },
            ]
          : []),
        ...check.ids.slice(work ? 1 : 0).flatMap((id) => subjectOf(makeover, id)),
      ]
      return remark({
        code: check.code,
        weight: check.weight,
        subjects,
        ...saidOfHung(check, rules, units),
        rule: check.rule,
        numbers: [check.value ?? 0],
      })
    }),
  )
}

function subjectOf({ rows }: Makeover, id: string): Subject[] {
  if (rows.standing[id]) return [{ kind: 'standing', id }]
  if (rows.hanging[id]) return [{ kind: 'hanging', id }]
  if (rows.opening[id]) return [{ kind: 'opening', id }]
  return rows.fixture[id] ? [{ kind: 'fixture', id }] : []
}
