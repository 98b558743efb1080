/** How a change is written down: itself, its words, what it did to each row, and the next rev of what it touched. */
import type pg from 'pg'
import { mentionedIn, partWords, type DiaryRow } from '#core/diary/index.ts'
import type { ChangeSet } from '#core/makeover/change.ts'
import type { Transaction } from '../database/connection.ts'
import type { Person } from './door.ts'

/** A statement under a name, planned once a connection. */
export const statement = <R extends pg.QueryResultRow>(
  tx: Transaction,
  name: string,
  text: string,
  values: readonly unknown[],
): Promise<pg.QueryResult<R>> =>
  (tx as Transaction & { $client: pg.PoolClient }).$client.query<R>({ name, text, values: [...values] })

const writeText = `
  with change as (
    insert into changes (studio_id, id, person_id, digest, undoes, brings_in, told_by) values ($1, $2, $3, $5, $6, $7, $12)
  ), said as (
    insert into change_words (studio_id, change_id, sentence, words) values ($1, $2, $4, $11::jsonb)
  ), told as (
    insert into changed_rows (studio_id, change_id, place, kind, row_id, operation, before, after)
    select $1, $2, row.place, row.kind, row."rowId", row.operation, row.before, row.after
    from jsonb_to_recordset($8::jsonb) as row(place int, kind text, "rowId" uuid, operation text, before jsonb, after jsonb)
  ), mentioned as (
    insert into mentions (studio_id, row_id, change_id) select $1, unnest($10::uuid[]), $2
  ), raised as (
    update documents set rev = rev + 1, change_id = $2 where studio_id = $1 and id = any($9::uuid[]) returning id, rev
  )
  insert into changed_documents (studio_id, document_id, rev, change_id) select $1, raised.id, raised.rev, $2 from raised`

/** The change, what it did to each row, and the next rev of each document that it touched. */
export async function write(
  tx: Transaction,
  { studioId, personId }: Person,
  { id, sentence, undoes }: ChangeSet,
  digest: string,
  bringsIn: boolean,
  documentIds: readonly string[],
  entries: readonly DiaryRow[],
  /** Who says it, where it is nobody of the studio. */
  toldBy: string | null = null,
): Promise<void> {
  const { rows, words } = partWords(entries)
  await statement(tx, 'write', writeText, [
    studioId,
    id,
    personId,
    sentence,
    digest,
    undoes ?? null,
    bringsIn,
    JSON.stringify(rows.map((row, place) => ({ place, ...row }))),
    documentIds,
    mentionedIn(entries),
    words && JSON.stringify(words),
    toldBy,
  ])
}
