import { apply, type Documents, type Fault, type Operation } from '../makeover/change.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { guard } from './guards.ts'
import { Memory } from './memory.ts'
import { reckon, type Reckoning } from './reckon.ts'
import type { Remark } from '../remarks/remark.ts'

/** What a change would do, before it is made: the reckoning after it, what would be refused, and the remarks that come and go. */
export type Preview = {
  readonly after: Reckoning
  readonly faults: readonly Fault[]
  readonly newRemarks: readonly Remark[]
  readonly curedRemarks: readonly Remark[]
}

/** Stands in for the id of a change set that is not made yet. */
const unmade = '00000000-0000-7000-8000-000000000000'

export function preview(
  documents: Documents,
  operations: readonly Operation[],
  today: PlainDate,
  memory = new Memory(),
): Preview {
  const before = reckon(documents, today, memory)
  const applied = apply(documents, operations, unmade)
  const faults = applied.faults.length > 0 ? applied.faults : guard(documents, applied.documents, today)
  const after = applied.faults.length > 0 ? before : reckon(applied.documents, today, new Memory(memory))
  const keys = (reckoning: Reckoning) => new Set(reckoning.remarks.map((remark) => remark.key))
  const [had, has] = [keys(before), keys(after)]
  const newRemarks = after.remarks.filter((remark) => !had.has(remark.key))
  // one that comes again about the same thing, with other figures or one thing more, is not cured
  const again = (gone: Remark): boolean =>
    newRemarks.some(
      ({ code, subjects }) =>
        code === gone.code && subjects.some(({ id }) => gone.subjects.some((was) => was.id === id)),
    )
  return {
    after,
    faults,
    newRemarks,
    curedRemarks: before.remarks.filter((remark) => !has.has(remark.key) && !again(remark)),
  }
}
