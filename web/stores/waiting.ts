/**
 * Changes that wait to be sent, one key of local storage each, so that windows of one browser never write over each
 * other; they outlive the page and the browser. Kept apart by person: nobody sends what another one typed.
 */
import { fault, readChangeSet, schemaVersion, type ChangeSet, type Fault } from '#core/makeover/change.ts'
import { restingOn } from '#core/makeover/waiting.ts'
import type { Conflict } from '../api.ts'

/** Why a change waits for a decision: it was refused, or somebody changed the same meanwhile. */
export type Held =
  | { readonly is: 'refused'; readonly faults: readonly Fault[] }
  | { readonly is: 'conflict'; readonly conflicts: readonly Conflict[] }
export type Waiting = {
  readonly changeSet: ChangeSet
  readonly addedAt: string
  /** The rows it changes as they were seen, so that one that was taken away meanwhile can be put back whole. */
  readonly was: Readonly<Record<string, Readonly<Record<string, unknown>>>>
  readonly held: Held | null
  /** It was written by an older page, and told in today's words. */
  readonly old: boolean
  /** What is in storage, where nothing else could be made of it. */
  readonly raw?: string
}

const prefix = (personId: string, makeoverId: string): string => `bonitas.waiting.${personId}.${makeoverId}.`
const formerly = (makeoverId: string): string => `bonitas.unsent.${makeoverId}`
/** What could not be stored (the browser is full, or keeps nothing) waits in this window alone. */
const unstored = new Map<string, string>()

export function keep(personId: string, makeoverId: string, waiting: Waiting): void {
  const key = prefix(personId, makeoverId) + waiting.changeSet.id
  const text = JSON.stringify(waiting)
  try {
    localStorage.setItem(key, text)
    unstored.delete(key)
  } catch {
    unstored.set(key, text)
  }
}
export function drop(personId: string, makeoverId: string, id: string): void {
  localStorage.removeItem(prefix(personId, makeoverId) + id)
  unstored.delete(prefix(personId, makeoverId) + id)
}

/** All that waits for a makeover, oldest first. What an older page left is told anew, and what cannot be read is kept. */
export function readAll(personId: string, makeoverId: string): Waiting[] {
  const former = localStorage.getItem(formerly(makeoverId))
  if (former !== null) {
    const told = readOne(
      JSON.stringify({ changeSet: parsed(former), addedAt: new Date(0).toISOString(), was: {}, held: null, old: true }),
      'former',
    )
    keep(personId, makeoverId, told)
    localStorage.removeItem(formerly(makeoverId))
  }
  const start = prefix(personId, makeoverId)
  const keys = Array.from({ length: localStorage.length }, (_, at) => localStorage.key(at)).filter(
    (key): key is string => key?.startsWith(start) ?? false,
  )
  const texts = new Map([
    ...keys.map((key): [string, string | null] => [key, localStorage.getItem(key)]),
    ...[...unstored].filter(([key]) => key.startsWith(start)),
  ])
  return [...texts]
    .flatMap(([key, text]) => (text === null ? [] : [readOne(text, key.slice(start.length))]))
    .toSorted((left, right) => (left.changeSet.id < right.changeSet.id ? -1 : 1))
}

/** Every makeover that something waits for, of a person. */
export const makeoversWaiting = (personId: string): string[] => [
  ...new Set(
    Array.from({ length: localStorage.length }, (_, at) => localStorage.key(at) ?? '')
      .filter((key) => key.startsWith(`bonitas.waiting.${personId}.`))
      .map((key) => key.split('.')[3] ?? ''),
  ),
]

export const isWaitingKey = (key: string | null, personId: string, makeoverId: string): boolean =>
  key?.startsWith(prefix(personId, makeoverId)) ?? false

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return text
  }
}

function readOne(text: string, id: string): Waiting {
  const found = parsed(text) as Partial<Waiting> | null
  const body: unknown = typeof found === 'object' ? found?.changeSet : undefined
  const version: unknown =
    typeof body === 'object' && body !== null && 'schemaVersion' in body ? body.schemaVersion : null
  const read = readChangeSet(body)
  if (read.ok && typeof found === 'object' && found !== null)
    return {
      changeSet: read.value,
      addedAt: found.addedAt ?? '',
      was: found.was ?? {},
      held: found.held ?? null,
      old: found.old === true || version !== schemaVersion,
    }
  const why = read.ok ? '' : read.faults.map((fault) => fault.message).join('; ')
  const sentence =
    typeof body === 'object' && body !== null && 'sentence' in body
      ? String(body.sentence)
      : 'Something typed in an earlier page'
  return {
    changeSet: { id, schemaVersion, sentence, operations: [] },
    addedAt: '',
    was: {},
    held: { is: 'refused', faults: [fault('malformed', null, null, null, `it cannot be read any more (${why})`)] },
    old: true,
    raw: text,
  }
}

/** What is shown as if it were saved, and what waits for a decision with all that rests on it. */
export function parted(all: readonly Waiting[]): {
  going: Waiting[]
  held: Waiting[]
  resting: Map<string, Waiting[]>
} {
  const held = all.filter((waiting) => waiting.held !== null)
  const down = new Set(
    restingOn(
      held.map((waiting) => waiting.changeSet),
      all.map((waiting) => waiting.changeSet),
    ).map((changeSet) => changeSet.id),
  )
  const resting = new Map(
    held.map((waiting) => {
      const on = new Set(
        restingOn(
          [waiting.changeSet],
          all.map((waiting) => waiting.changeSet),
        ).map((changeSet) => changeSet.id),
      )
      return [waiting.changeSet.id, all.filter((waiting) => on.has(waiting.changeSet.id) && waiting.held === null)]
    }),
  )
  return { going: all.filter((waiting) => waiting.held === null && !down.has(waiting.changeSet.id)), held, resting }
}
