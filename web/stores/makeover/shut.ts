import type { Operation } from '#core/makeover/change.ts'
import { aSpoken } from '#core/makeover/kinds.ts'
import { mayChange, roleWords, type Standing } from '#core/people/roles.ts'
import type { Opened } from './view.ts'

/** Why a change is not made here: the makeover is in the archive, or it is not in one's role; empty where nothing stands in the way. */
export function shutTo(who: Standing | null, opened: Opened | null, operations: readonly Operation[]): string {
  if (opened?.archivedAt) return 'this makeover is in the archive: take it up again to change something'
  const beyond = who && operations.find(({ kind }) => !mayChange(who, kind))
  return beyond
    ? `you are here as ${roleWords[who.role].title.toLowerCase()}, which does not change ${aSpoken(beyond.kind)}`
    : ''
}
