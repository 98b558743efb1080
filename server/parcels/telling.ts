import { mentionedIn, partWords } from '#core/diary/index.ts'
import type { Parcel } from '#core/parcel/index.ts'
import type { Person } from '../changes/door.ts'
import { statement } from '../changes/writing.ts'
import type { Transaction } from '../database/connection.ts'
import { documents } from '../database/tables.ts'
import { Problem } from '../problem.ts'

/** The history of a file, told as it was by whom it names; the document begins after it. */
export async function tellHistory(
  tx: Transaction,
  { studioId, personId }: Person,
  { id, history }: Parcel,
): Promise<void> {
  if (!history || history.length === 0) return
  const ids = history.map((entry) => entry.id)
  const { rows: known } = await statement(
    tx,
    'told known',
    'select id from changes where id = any($1::uuid[]) limit 1',
    [ids],
  )
  if (known.length > 0)
    throw new Problem(
      409,
      'exists',
      'Its history is here already',
      'Changes of this history belong to another makeover here: bring it in as a copy.',
    )
  await tx
    .insert(documents)
    .values({ studioId, id, rev: history.length })
    .onConflictDoUpdate({ target: [documents.studioId, documents.id], set: { rev: history.length } })
  const parted = history.map((entry) => ({ ...entry, ...partWords(entry.rows) }))
  const rows = parted.flatMap((entry) => entry.rows.map((row, place) => ({ changeId: entry.id, place, ...row })))
  const mentioned = history.flatMap((entry) => mentionedIn(entry.rows).map((rowId) => [rowId, entry.id] as const))
  // a statement a table, however long the history is
  await statement(tx, 'told changes', changesText, [
    studioId,
    personId,
    JSON.stringify(parted.map(({ id, undoes, who, madeAt }) => ({ id, undoes, who, madeAt }))),
  ])
  await statement(tx, 'told words', wordsText, [
    studioId,
    JSON.stringify(parted.map(({ id, sentence, words }) => ({ id, sentence, words }))),
  ])
  await statement(tx, 'told rows', rowsText, [studioId, JSON.stringify(rows)])
  await statement(tx, 'told mentions', mentionsText, [
    studioId,
    mentioned.map(([rowId]) => rowId),
    mentioned.map(([, changeId]) => changeId),
  ])
  await statement(tx, 'told documents', documentsText, [studioId, id, ids])
}

const changesText = `
  insert into changes (studio_id, id, person_id, digest, undoes, told_by, made_at)
  select $1, told.id, $2, '', told.undoes, told.who, told."madeAt"
  from jsonb_to_recordset($3::jsonb) as told(id uuid, undoes uuid, who text, "madeAt" timestamptz)`
const wordsText = `
  insert into change_words (studio_id, change_id, sentence, words)
  select $1, told.id, told.sentence, told.words from jsonb_to_recordset($2::jsonb) as told(id uuid, sentence text, words jsonb)`
const rowsText = `
  insert into changed_rows (studio_id, change_id, place, kind, row_id, operation, before, after)
  select $1, row."changeId", row.place, row.kind, row."rowId", row.operation, row.before, row.after
  from jsonb_to_recordset($2::jsonb)
    as row("changeId" uuid, place int, kind text, "rowId" uuid, operation text, before jsonb, after jsonb)`
const mentionsText = `
  insert into mentions (studio_id, row_id, change_id)
  select $1, told.row_id, told.change_id from unnest($2::uuid[], $3::uuid[]) as told(row_id, change_id)`
const documentsText = `
  insert into changed_documents (studio_id, document_id, rev, change_id)
  select $1, $2, told.rev, told.id from unnest($3::uuid[]) with ordinality as told(id, rev)`
