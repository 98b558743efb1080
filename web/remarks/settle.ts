import { v7 as uuidv7 } from 'uuid'
import { add, remove, type Fault } from '#core/makeover/change.ts'
import type { Remark } from '#core/remarks/remark.ts'
import type { useMakeover } from '../stores/makeover.ts'

type Store = ReturnType<typeof useMakeover>

/** Accepts a remark as it stands. An older acceptance of the same remark, whose numbers have passed, goes with it. */
export async function accept(makeover: Store, remark: Remark, reason: string): Promise<readonly Fault[]> {
  if (!makeover.opened) return []
  const { today, makeover: document } = makeover.opened
  const past = Object.values(document.rows.acceptance).filter((acceptance) => acceptance.remarkKey === remark.key)
  return makeover.change(`Accepted: ${remark.title}`.slice(0, 490), [
    ...past.map((acceptance) => remove('acceptance', acceptance)),
    add('acceptance', uuidv7(), { remarkKey: remark.key, fingerprint: remark.fingerprint, reason, acceptedOn: today }),
  ])
}

export async function withdraw(makeover: Store, remark: Remark): Promise<readonly Fault[]> {
  const row = remark.accepted ? makeover.opened?.makeover.rows.acceptance[remark.accepted.id] : undefined
  return row
    ? makeover.change(`Took back an acceptance: ${remark.title}`.slice(0, 490), [remove('acceptance', row)])
    : []
}
