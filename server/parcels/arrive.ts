/** Makeovers that leave as files and come in from them; the change itself goes through the door like any other. */
import { and, eq, inArray, ne } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import { apply, isStudioOperation, schemaVersion, type Documents, type Fault } from '#core/makeover/change.ts'
import { isSigned } from '#core/brief/index.ts'
import { emptyMakeover, headOf, rowsOf } from '#core/makeover/document.ts'
import { makeoverKinds, spoken, type Kind } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import {
  arrivalOf,
  underNewIds,
  type Arrival,
  type Parcel,
  type ParcelFile,
  type writeParcel,
} from '#core/parcel/index.ts'
import { guard } from '#core/reckoning/guards.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { keepBlob, prepare, type Prepared } from '../attachments/files.ts'
import { committed, refusalOf, take, type Outcome, type Person } from '../changes/door.ts'
import { told } from '../changes/diary.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { blobs, documents } from '../database/tables.ts'
import { Problem } from '../problem.ts'
import { tellHistory } from './telling.ts'
import type { Setting } from '../setting.ts'

/** What the file of a makeover is written of, with its files, and its history where it is wanted. */
export async function parcelOf(
  tx: Transaction,
  database: Database,
  studioId: string,
  id: string,
  withHistory: boolean,
): Promise<{ told: Parameters<typeof writeParcel>; name: string } | null> {
  const found = await loadDocuments(tx, database.memory, studioId, id)
  const head = headOf(found.makeover)
  if (!head) return null
  const wanted = [...new Set(rowsOf(found.makeover, 'attachment').map((row) => row.sha256))]
  const files: ParcelFile[] =
    wanted.length === 0
      ? []
      : await tx
          .select({ sha256: blobs.sha256, mediaType: blobs.mediaType, bytes: blobs.bytes })
          .from(blobs)
          .where(and(eq(blobs.studioId, studioId), inArray(blobs.sha256, wanted)))
  const history = withHistory ? await told(tx, id) : null
  return { told: [found, files, history], name: head.name }
}

/** As what it comes in: a makeover this studio does not have, over the one it has, or as a copy beside it. */
export const arrivals = ['new', 'itself', 'copy'] as const
export type As = (typeof arrivals)[number]

export type DryRun = {
  readonly id: string
  readonly name: string
  readonly exists: boolean
  readonly rows: readonly { readonly what: string; readonly count: number }[]
  readonly files: { readonly count: number; readonly bytes: number }
  readonly history: number | null
  readonly currency: string
  readonly money: { readonly agreed: number; readonly forecast: number; readonly paid: number; readonly over: number }
  /** Versions of the budget that the file says are signed; nothing here vouches for them. */
  readonly signed: number
  readonly remarks: { readonly stop: number; readonly look: number; readonly note: number }
  readonly newSellers: readonly string[]
  readonly knownSellers: readonly string[]
  readonly ownPractice: readonly string[]
  /** What each way of bringing it in would do, or why it cannot. */
  readonly ways: Readonly<
    Record<As, { readonly puts: number; readonly removes: number; readonly faults: readonly Fault[] } | null>
  >
}

/** A studio that has begun nothing takes a file's practice for its own. */
async function isFresh(tx: Transaction, studioId: string): Promise<boolean> {
  return (await tx.select({ id: documents.id }).from(documents).where(ne(documents.id, studioId)).limit(1)).length === 0
}

/** What bringing a file in would do; nothing is changed. */
export async function dryRun(
  tx: Transaction,
  database: Database,
  studioId: string,
  parcel: Parcel,
  today: PlainDate,
): Promise<DryRun> {
  const here = await loadDocuments(tx, database.memory, studioId, parcel.id)
  const exists = headOf(here.makeover) !== undefined
  const fresh = await isFresh(tx, studioId)
  const empty: Documents = { makeover: emptyMakeover(parcel.id), studio: here.studio }
  const anew = arrivalOf(parcel, empty, fresh, uuidv7)
  const over = exists ? arrivalOf(parcel, here, false, uuidv7) : null
  const { money, remarks } = reckon(apply(empty, anew.operations, parcel.id).documents, today)
  const open = remarks.filter((remark) => remark.accepted === null)
  const count = (weight: string): number => open.filter((remark) => remark.weight === weight).length
  const way = (arrival: Arrival, before: Documents, whole: boolean) => {
    const applied = apply(before, arrival.operations, parcel.id)
    const faults =
      applied.faults.length > 0 ? applied.faults : guard(whole ? applied.documents : before, applied.documents, today)
    return {
      puts: arrival.operations.filter((operation) => operation.op === 'put').length,
      removes: arrival.operations.filter((operation) => operation.op === 'remove').length,
      faults,
    }
  }
  const standing = way(anew, empty, true)
  return {
    id: parcel.id,
    name: headOf(parcel.documents.makeover)?.name ?? '',
    exists,
    rows: makeoverKinds.flatMap((kind: Kind & keyof typeof parcel.documents.makeover.rows) => {
      const value = Object.keys(parcel.documents.makeover.rows[kind]).length
      return value === 0 || kind === 'makeover' ? [] : [{ what: spoken[kind], count: value }]
    }),
    files: { count: parcel.files.length, bytes: parcel.files.reduce((sum, file) => sum + file.bytes.length, 0) },
    history: parcel.history?.length ?? null,
    currency: headOf(parcel.documents.makeover)?.currency ?? 'EUR',
    money: {
      agreed: money.total.agreed,
      forecast: money.total.forecast,
      paid: money.total.paid,
      over: money.total.over,
    },
    signed: rowsOf(parcel.documents.makeover, 'agreement').filter(isSigned).length,
    remarks: { stop: count('stop'), look: count('look'), note: count('note') },
    newSellers: anew.newSellers,
    knownSellers: anew.knownSellers,
    ownPractice: (over ?? anew).ownPractice,
    ways: { new: exists ? null : standing, itself: over ? way(over, here, false) : null, copy: standing },
  }
}

/** Brings a file in, all or nothing. */
export async function arrive(
  { database, news, heavy }: Pick<Setting, 'database' | 'news' | 'heavy'>,
  person: Person,
  sent: Parcel,
  as: As,
  nowMs: number,
): Promise<{ outcome: Outcome; id: string; changed: boolean }> {
  const { parcel, files } = await withPreparedFiles(as === 'copy' ? underNewIds(sent, uuidv7) : sent, (bytes) =>
    heavy.run(person.studioId, 'picture', { bytes }),
  )
  try {
    const brought = await inTransaction(database, { studio: person.studioId }, async (tx) => {
      const fresh = await isFresh(tx, person.studioId)
      if (parcel.id === person.studioId)
        throw new Problem(
          409,
          'exists',
          'It cannot be brought in',
          'Its id is that of this studio: bring it in as a copy.',
        )
      const [put] = await tx.select({ at: documents.deletedAt }).from(documents).where(eq(documents.id, parcel.id))
      if (put?.at)
        throw new Problem(
          409,
          'exists',
          'It was put away',
          'This makeover was put away here: bring it back, or bring the file in as a copy.',
        )
      const here = await loadDocuments(tx, database.memory, person.studioId, parcel.id)
      const exists = headOf(here.makeover) !== undefined
      if (exists !== (as === 'itself'))
        throw new Problem(
          409,
          'exists',
          exists ? 'It is here already' : 'It is not here',
          exists
            ? 'This studio has that makeover: bring it in over itself, or as a copy.'
            : 'This studio has no such makeover any more: bring it in as a new one.',
        )
      for (const file of files) await keepBlob(tx, person.studioId, file)
      const { operations } = arrivalOf(parcel, here, fresh, uuidv7)
      if (operations.length === 0)
        return {
          outcome: { is: 'taken' as const, rev: here.makeover.rev, repeated: false, after: null },
          changed: false,
          withStudio: false,
        }
      if (!exists && parcel.history) await tellHistory(tx, person, parcel)
      const name = headOf(parcel.documents.makeover)?.name ?? ''
      const sentence = as === 'itself' ? `Brought ${name} back to what a file says` : `Brought in ${name} from a file`
      return {
        outcome: await take(
          tx,
          database,
          person,
          parcel.id,
          { id: uuidv7(), schemaVersion, sentence, operations },
          nowMs,
          { bringsIn: !exists, told: true },
        ),
        changed: true,
        withStudio: operations.some(isStudioOperation),
      }
    })
    if (brought.outcome.is === 'taken' && brought.outcome.after)
      committed(news, person.studioId, brought.outcome.after, brought.withStudio)
    return { ...brought, id: parcel.id }
  } catch (error) {
    if (error instanceof Problem) throw error
    return { outcome: refusalOf(error), id: parcel.id, changed: false }
  }
}

/** Pictures as this product keeps them: one that came with its place and its turn in it loses them, and its rows follow. */
async function withPreparedFiles(
  parcel: Parcel,
  picture: Parameters<typeof prepare>[1],
): Promise<{ parcel: Parcel; files: Prepared[] }> {
  const files: Prepared[] = []
  const renamed = new Map<string, Prepared>()
  for (const file of parcel.files) {
    const kept = await prepare(Buffer.from(file.bytes), picture).catch((error: unknown) => {
      throw error instanceof Problem
        ? new Problem(error.status, error.code, error.title, `files/${file.sha256}: ${error.message}`)
        : error
    })
    if (kept.mediaType !== file.mediaType)
      throw new Problem(
        415,
        'media-type',
        'Not what it says',
        `files/${file.sha256}: by its content this is ${kept.mediaType}: its row says ${file.mediaType}`,
      )
    files.push(kept)
    if (kept.sha256 !== file.sha256) renamed.set(file.sha256, kept)
  }
  if (renamed.size === 0) return { parcel, files }
  const { makeover } = parcel.documents
  const attachment = Object.fromEntries(
    rowsOf(makeover, 'attachment').map((row) => {
      const kept = renamed.get(row.sha256)
      return [row.id, kept ? { ...row, sha256: kept.sha256, bytes: kept.bytes.length } : row]
    }),
  )
  return {
    parcel: {
      ...parcel,
      documents: { ...parcel.documents, makeover: { ...makeover, rows: { ...makeover.rows, attachment } } },
    },
    files,
  }
}
