import { fault, type Fault, type Operation } from '#core/makeover/change.ts'
import { aSpoken } from '#core/makeover/kinds.ts'
import { mayChange, roleWords, type Standing } from '#core/people/roles.ts'
import { say } from '../said.ts'
import type { Opened } from './view.ts'

/** Why a change is not made here: the makeover is in the archive, or it is not in one's role; empty where nothing stands in the way. */
export function shutTo(
  who: Standing | null,
  opened: Opened | null,
  operations: readonly Pick<Operation, 'kind'>[],
): string {
  if (opened?.archivedAt) return 'this makeover is in the archive: take it up again to change something'
  const beyond = who && operations.find(({ kind }) => !mayChange(who, kind))
  return beyond
    ? `you are here as ${roleWords[who.role].title.toLowerCase()}, which does not change ${aSpoken(beyond.kind)}`
    : ''
}

/** As a sentence, for whoever reads it alone. */
export const asSentence = (text: string): string =>
  text === '' ? '' : `${text.charAt(0).toUpperCase()}${text.slice(1)}.`

/** Said at once: many things are done by one press, where no form could say it. */
export function refusal(text: string): readonly Fault[] {
  say(asSentence(text))
  return [fault('shut', null, null, null, text)]
}
