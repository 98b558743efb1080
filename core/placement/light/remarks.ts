/** What gives cause to say something of the light. */
import { headOf, type Makeover } from '../../makeover/document.ts'
import type { Remark, Subject } from '../../remarks/remark.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import type { LightCheck } from './checks.ts'
import type { RoomLight } from './reckoned.ts'
import { saidOfLight } from './words.ts'

export function lightRemarks(makeover: Makeover, rooms: readonly RoomLight[], rules: Rules): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  return rooms.flatMap(({ roomId, checks }) =>
    checks.map((check) =>
      remark({
        code: check.code,
        weight: check.weight,
        subjects:
          check.ids.length > 0 ? check.ids.flatMap((id) => subjectsOf(makeover, id)) : [{ kind: 'room', id: roomId }],
        ...saidOfLight(check, rules, units),
        rule: check.rule,
        numbers: [numberOf(check)],
      }),
    ),
  )
}
/** What a remark counts is told as it is said: light to two figures. */
const numberOf = ({ code, value, ids }: LightCheck): number =>
  code === 'light-unknown' ? ids.length : Math.round(value ?? 0)

function subjectsOf({ rows }: Makeover, id: string): Subject[] {
  const piece = (pieceId: string): Subject => ({ kind: 'piece', id: pieceId })
  const [standing, hanging] = [rows.standing[id], rows.hanging[id]]
  if (standing) return [{ kind: 'standing', id }, piece(standing.pieceId)]
  if (hanging) return [{ kind: 'hanging', id }, piece(hanging.pieceId)]
  if (rows.zone[id]) return [{ kind: 'zone', id }]
  return rows.fixture[id] ? [{ kind: 'fixture', id }] : []
}
