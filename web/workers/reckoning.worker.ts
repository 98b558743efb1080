/** Keeps its own copy of the open documents and reckons them away from the main thread. */
import { expose } from 'comlink'
import { apply, type Documents, type Operation } from '#core/makeover/change.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
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
  /** Applies what the server has taken and reckons anew. */
  take(operations: readonly Operation[], changeId: string): Reckoning {
    const { documents, today } = opened()
    open = { documents: apply(documents, operations, changeId).documents, today }
    return reckon(open.documents, today)
  },
  preview(operations: readonly Operation[]): Preview {
    const { documents, today } = opened()
    return preview(documents, operations, today)
  },
}

export type ReckoningWorker = typeof worker
expose(worker)
