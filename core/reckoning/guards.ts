import { briefGuards } from '../brief/index.ts'
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { headOf, rowsOf } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { purchaseGuards } from '../purchases/index.ts'

/**
 * The rules that need the whole document: what a change may not do however well formed it is. The door holds them
 * inside its transaction; the browser asks them first, so that what would be refused is said before it is sent.
 */
export function guard(before: Documents, after: Documents, today: PlainDate): Fault[] {
  return [...headGuards(before, after), ...briefGuards(before.makeover, after.makeover, today), ...purchaseGuards(before.makeover, after.makeover, today)]
}

function headGuards(before: Documents, after: Documents): Fault[] {
  const faults: Fault[] = []
  const heads = rowsOf(after.makeover, 'makeover')
  const head = headOf(after.makeover)
  if (!head || heads.length !== 1) return [fault('head', 'makeover', after.makeover.id, null, 'a makeover has exactly one row that says what it is')]
  const was = headOf(before.makeover)
  const hasMoney = (['agreementLine', 'piece', 'candidate', 'purchase'] as const).some((kind) => rowsOf(before.makeover, kind).length > 0)
  if (was && was.currency !== head.currency && hasMoney) faults.push(fault('currency', 'makeover', head.id, 'currency', `sums are already kept in ${was.currency}: the currency is fixed`))
  if (rowsOf(after.makeover, 'room').length === 0) faults.push(fault('room', 'room', null, 'name', 'a makeover has at least one room'))
  if (rowsOf(after.makeover, 'client').length === 0) faults.push(fault('client', 'client', null, 'name', 'a makeover has at least one client'))
  const studios = Object.keys(after.studio.rows.studio)
  if (studios.length !== 1 || studios[0] !== after.studio.id) faults.push(fault('head', 'studio', after.studio.id, null, 'a studio has exactly one row that says what it is'))
  return faults
}
