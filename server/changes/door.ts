/**
 * The one door for changes. In one transaction: lock the documents in the order of their ids, compare versions, apply,
 * check what needs the whole, write rows and diary, and raise the documents' revs. All or nothing.
 */
import { createHash } from 'node:crypto'
import { and, eq, isNull } from 'drizzle-orm'
import { entriesOf, withoutPersonal } from '#core/diary/index.ts'
import {
  anyRows,
  apply,
  fault,
  isStudioOperation,
  type ChangeSet,
  type Documents,
  type Fault,
} from '#core/makeover/change.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { guard } from '#core/reckoning/guards.ts'
import { fileFaults } from '../attachments/held.ts'
import { inTransaction, sqlState, type Database, type Transaction } from '../database/connection.ts'
import { loadAt, loadStudio, writeRows, type Stand } from '../database/documents.ts'
import { changedDocuments, changes, documents } from '../database/tables.ts'
import type { News } from './news.ts'
import { type Conflict, conflictsOf } from './conflicts.ts'
import { databaseFault } from './faults.ts'
import { clientsPage, sign, type ByLink } from './signings.ts'
import { statement, write } from './writing.ts'

export type Person = { readonly studioId: string; readonly personId: string }

export type Outcome =
  | { readonly is: 'taken'; readonly rev: number; readonly repeated: boolean; readonly after: Documents | null }
  | { readonly is: 'not found' }
  | { readonly is: 'refused'; readonly faults: readonly Fault[] }
  | { readonly is: 'conflict'; readonly conflicts: readonly Conflict[] }

/** Carries an outcome out of the transaction, so that nothing of it stays. */
class Refusal extends Error {
  constructor(readonly outcome: Outcome) {
    super(outcome.is)
  }
}

const refuse = (...faults: readonly Fault[]): never => {
  throw new Refusal({ is: 'refused', faults })
}

/** Takes a change set on a makeover (and its studio), made by a person now. `rev` is the makeover's after it. */
export async function takeChange(
  database: Database,
  news: News | null,
  person: Person,
  makeoverId: string,
  changeSet: ChangeSet,
  nowMs: number,
  taking: Taking = {},
): Promise<Outcome> {
  const { studioId } = person
  for (let tries = 0; ; tries++) {
    try {
      const outcome = await inTurn(`${studioId} ${makeoverId}`, () =>
        inTransaction(database, { studio: studioId }, (tx) =>
          take(tx, database, person, makeoverId, changeSet, nowMs, taking),
        ),
      )
      if (outcome.is === 'taken' && outcome.after)
        committed(news, studioId, outcome.after, changeSet.operations.some(isStudioOperation))
      return outcome
    } catch (error) {
      // the same change came twice at once: the second look finds the first
      if (tries === 0 && sqlState(error)?.constraint === 'changes_studio_id_id_pk') continue
      return refusalOf(error)
    }
  }
}

/** Changes of one makeover wait for each other here, where they hold no connection; other processes are met at the lock. */
const turns = new Map<string, Promise<unknown>>()

async function inTurn<T>(text: string, work: () => Promise<T>): Promise<T> {
  const before = turns.get(text) ?? Promise.resolve()
  const mine = before.catch(() => undefined).then(work)
  turns.set(text, mine)
  try {
    return await mine
  } finally {
    if (turns.get(text) === mine) turns.delete(text)
  }
}

/** What a commit made true is told to the other windows. */
export function committed(
  news: News | null,
  studio: string,
  { makeover, studio: shared }: Documents,
  withStudio: boolean,
): void {
  for (const { id, rev } of withStudio ? [makeover, shared] : [makeover])
    news?.tell({ is: 'rev', studio, document: id, rev })
}

/** The outcome that an error out of `take` stands for; throws what is none. */
export function refusalOf(error: unknown): Outcome {
  if (error instanceof Refusal) return error.outcome
  const state = sqlState(error)
  if (state?.code.startsWith('23')) return { is: 'refused', faults: [databaseFault(state)] }
  throw error
}

export type Taking = {
  /** It brings in a whole makeover from a file: its rows have to stand, how they came about is not judged again. */
  readonly bringsIn?: boolean
  /** It comes from a file: what it says is signed was not signed here. */
  readonly told?: boolean
  /** It comes from a client, by their own link. */
  readonly byLink?: ByLink
  /** It erases a name: what is fixed loses it too. */
  readonly erases?: boolean
}

/** The same within a transaction that has its sight set already: refusals and conflicts are thrown, and undo all of it. */
export async function take(
  tx: Transaction,
  database: Database,
  person: Person,
  makeoverId: string,
  changeSet: ChangeSet,
  nowMs: number,
  { bringsIn = false, told = false, erases = false, byLink }: Taking = {},
): Promise<Outcome> {
  const { operations } = changeSet
  const { studioId } = person
  if (makeoverId === studioId) return { is: 'not found' } // the studio is a document too, and no makeover
  const begins = operations.some(
    (operation) =>
      operation.op === 'put' && operation.kind === 'makeover' && operation.id === makeoverId && operation.base === null,
  )
  if (begins) await tx.insert(documents).values({ studioId, id: makeoverId, rev: 0 }).onConflictDoNothing()
  const touched = [makeoverId, ...(operations.some(isStudioOperation) ? [studioId] : [])]
  const { locked, studio, archived, earlier } = await lock(tx, studioId, makeoverId, touched, changeSet.id)
  if (locked.length !== touched.length) return { is: 'not found' }

  const digest = createHash('sha256')
    .update(JSON.stringify([makeoverId, changeSet]))
    .digest('hex')
  if (earlier && earlier.digest !== digest)
    refuse(fault('id', null, null, 'id', 'this id was used for another change: expected a new one'))
  if (earlier) return { is: 'taken', rev: earlier.rev, repeated: true, after: null }
  if (archived && !erases)
    refuse(
      fault(
        'archived',
        null,
        null,
        null,
        'this makeover is in the archive: take it up again, then nothing stands in the way',
      ),
    )
  if (changeSet.undoes !== undefined && !(await isOwn(tx, person, makeoverId, changeSet.undoes)))
    refuse(
      fault(
        'undoes',
        null,
        null,
        'undoes',
        'expected a change of your own on this makeover: what others did is theirs to undo',
      ),
    )

  const before = await loadAt(tx, database.memory, studioId, makeoverId, [...locked, studio])
  const conflicts = await conflictsOf(tx, before, operations)
  if (conflicts.length > 0) throw new Refusal({ is: 'conflict', conflicts })

  const { documents: after, faults } = apply(before, operations, changeSet.id)
  if (faults.length > 0) refuse(...faults)
  const today = dateIn(Object.values(after.studio.rows.studio)[0]?.timeZone ?? 'UTC', nowMs)
  const guarded = guard(bringsIn || erases ? after : before, after, today)
  if (guarded.length > 0) refuse(...guarded)
  const held = await fileFaults(tx, studioId, after.makeover, operations)
  if (held.length > 0) refuse(...held)

  await writeRows(tx, studioId, makeoverId, operations, (kind, id) => anyRows(after)[kind][id])
  await write(
    tx,
    person,
    changeSet,
    digest,
    bringsIn,
    locked.map(({ id }) => id),
    entriesOf(before, after, operations).map(withoutPersonal),
    byLink ? clientsPage : null,
  )
  if (!told) await sign(tx, person, changeSet.id, before.makeover, after.makeover, nowMs, byLink)
  const revOf = (id: string, otherwise: number): number =>
    locked.filter((stand) => stand.id === id).map(({ rev }) => rev + 1)[0] ?? otherwise
  const rev = revOf(makeoverId, 0)
  const thisDocuments: Documents = {
    makeover: { ...after.makeover, rev },
    studio: { ...after.studio, rev: revOf(studioId, after.studio.rev) },
  }
  for (const document of [thisDocuments.makeover, thisDocuments.studio])
    if (touched.includes(document.id)) database.memory.keep(studioId, document, changeSet.id)
  // read without its lock, and so kept only if nothing changed it while it was read
  if (!touched.includes(studioId) && !database.memory.at(studioId, studioId, studio.changeId))
    await keepStudio(tx, database, studioId, studio.changeId)
  return { is: 'taken', rev, repeated: false, after: thisDocuments }
}

async function isOwn(tx: Transaction, { personId }: Person, makeoverId: string, id: string): Promise<boolean> {
  const found = await tx
    .select({ id: changes.id })
    .from(changes)
    .innerJoin(changedDocuments, eq(changedDocuments.changeId, changes.id))
    .where(
      and(
        eq(changes.id, id),
        eq(changes.personId, personId),
        isNull(changes.toldBy),
        eq(changedDocuments.documentId, makeoverId),
      ),
    )
  return found.length > 0
}

type Locked = {
  readonly locked: readonly Stand[]
  readonly studio: Stand
  readonly archived: boolean
  readonly earlier: { readonly digest: string; readonly rev: number } | null
}

const lockText = `
  select d.id, d.rev, d.change_id, d.archived_at, s.rev as studio_rev, s.change_id as studio_change_id, c.digest, cd.rev as taken_rev
  from (select id, rev, change_id, archived_at from documents where studio_id = $2 and id = any($1::uuid[]) and deleted_at is null order by id for update) d
  left join documents s on s.studio_id = $2 and s.id = $2
  left join changes c on c.studio_id = $2 and c.id = $4
  left join changed_documents cd on cd.studio_id = $2 and cd.change_id = c.id and cd.document_id = $3`

/** Locks documents in the order of their ids; tells how they and the studio stand, and whether the change was taken before. */
async function lock(
  tx: Transaction,
  studioId: string,
  makeoverId: string,
  touched: readonly string[],
  changeId: string,
): Promise<Locked> {
  type Row = {
    id: string
    rev: number
    change_id: string | null
    studio_rev: number
    studio_change_id: string | null
    digest: string | null
    taken_rev: number | null
    archived_at: Date | null
  }
  const { rows } = await statement<Row>(tx, 'lock', lockText, [touched, studioId, makeoverId, changeId])
  const locked = rows.map(({ id, rev, change_id: last }) => ({ id, rev, changeId: last }))
  const [first] = rows
  return {
    locked,
    studio: locked.find((entry) => entry.id === studioId) ?? {
      id: studioId,
      rev: first?.studio_rev ?? 0,
      changeId: first?.studio_change_id ?? null,
    },
    archived: rows.some((row) => row.archived_at !== null),
    earlier: first?.digest == null ? null : { digest: first.digest, rev: first.taken_rev ?? 0 },
  }
}

async function keepStudio(
  tx: Transaction,
  { memory }: Database,
  studioId: string,
  changeId: string | null,
): Promise<void> {
  const studio = await loadStudio(tx, studioId)
  const [latest] = await tx.select({ changeId: documents.changeId }).from(documents).where(eq(documents.id, studioId))
  if (latest?.changeId === changeId) memory.keep(studioId, studio, changeId)
}
