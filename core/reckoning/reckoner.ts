/**
 * One makeover, held where it is reckoned: it takes changes and answers with the parts of the reckoning that are others
 * than before. What it answers and takes is plain data, so that it may live in a worker.
 */
import { anyRows, apply, type Documents, type Fault, type Operation } from '../makeover/change.ts'
import type { Kind } from '../makeover/kinds.ts'
import { isStudioKind } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Remedy } from '../remarks/remedy.ts'
import { guard } from './guards.ts'
import { Memory } from './memory.ts'
import { preview, type Preview } from './preview.ts'
import { reckon, type Reckoning } from './reckon.ts'
import { remediesFor } from './remedies.ts'

/** The parts of a reckoning that changed. */
export type Changed = Partial<Reckoning>
/** Whole tables of rows that are to stand in place of those held. */
export type Tables = { readonly [K in Kind]?: Readonly<Record<string, object>> }

export class Reckoner {
  private held: { documents: Documents; today: PlainDate; reckoning: Reckoning } | null = null
  private memory = new Memory()
  private readonly newId: () => string

  /** `newId` makes the ids of rows that a cure adds. */
  constructor(newId: () => string) {
    this.newId = newId
  }

  /** Takes documents in place of what it held; answers with all of their reckoning. */
  open(documents: Documents, today: PlainDate): Reckoning {
    this.memory = new Memory()
    const reckoning = reckon(documents, today, this.memory)
    this.held = { documents, today, reckoning }
    return reckoning
  }

  /** Lays tables over those it holds: what others changed, or an earlier moment. */
  lay(tables: Tables, today: PlainDate): Changed {
    const { documents } = this.opened()
    return this.hold(withTables(documents, tables), today)
  }

  /** Takes a change, unless it would be refused. */
  take(operations: readonly Operation[], changeId: string): { faults: readonly Fault[]; changed: Changed } {
    const { documents, today } = this.opened()
    const { documents: after, faults } = apply(documents, operations, changeId)
    const refused = faults.length > 0 ? faults : guard(documents, after, today)
    return refused.length > 0 ? { faults: refused, changed: {} } : { faults: [], changed: this.hold(after, today) }
  }

  /** What a change would do; what it holds stays as it is. */
  preview(operations: readonly Operation[]): Preview {
    const { documents, today } = this.opened()
    return preview(documents, operations, today, this.memory)
  }

  /** What would cure a remark, the least change first. */
  remedies(remark: Remark): readonly Remedy[] {
    const { documents, reckoning } = this.opened()
    return remediesFor(remark, documents.makeover, reckoning, this.newId)
  }

  private opened() {
    if (!this.held) throw new Error('no makeover is open to be reckoned')
    return this.held
  }

  private hold(documents: Documents, today: PlainDate): Changed {
    const before = this.opened().reckoning
    const reckoning = reckon(documents, today, this.memory)
    this.held = { documents, today, reckoning }
    return Object.fromEntries(
      Object.entries(reckoning).filter(([name, value]) => value !== before[name as keyof Reckoning]),
    )
  }
}

function withTables({ makeover, studio }: Documents, tables: Tables): Documents {
  const [own, shared] = [{ ...makeover.rows }, { ...studio.rows }]
  for (const [kind, rows] of Object.entries(tables))
    Object.assign(isStudioKind(kind as Kind) ? shared : own, { [kind]: rows })
  return { makeover: { ...makeover, rows: own }, studio: { ...studio, rows: shared } }
}

/** The tables of `after` that are not the same objects as those of `before`. */
export function tablesApart(before: Documents, after: Documents): Tables {
  const was = anyRows(before)
  return Object.fromEntries(Object.entries(anyRows(after)).filter(([kind, rows]) => rows !== was[kind as Kind]))
}
