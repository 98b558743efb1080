/** Keeps its own copy of the open documents and reckons them away from the main thread. */
import { expose } from 'comlink'
import { apply, type Documents, type Fault, type Operation } from '#core/makeover/change.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { guard } from '#core/reckoning/guards.ts'
import { preview, type Preview } from '#core/reckoning/preview.ts'
import { reckon, type Reckoning } from '#core/reckoning/reckon.ts'

let open: { documents: Documents; today: PlainDate } | null = null

function opened(): { documents: Documents; today: PlainDate } {
  if (!open) throw new Error('no makeover is open in the worker')
  return open
}

const worker = {
  load(documents: Documents, today: PlainDate): Reckoning {
    open = { documents, today }
    return reckon(documents, today)
  },
  /** What would be refused, without reckoning the rest. */
  faults(operations: readonly Operation[]): readonly Fault[] {
    const { documents, today } = opened()
    const { documents: after, faults } = apply(documents, operations, documents.makeover.id)
    return faults.length > 0 ? faults : guard(documents, after, today)
  },
  preview(operations: readonly Operation[]): Preview {
    const { documents, today } = opened()
    return preview(documents, operations, today)
  },
}

export type ReckoningWorker = typeof worker
expose(worker)
