import { v7 as uuidv7 } from 'uuid'
import { inTransaction, type Database } from '../database/connection.ts'
import { deeds } from '../database/tables.ts'

type Done = {
  readonly studioId: string
  readonly personId: string
  readonly what: string
  readonly makeoverId?: string | null
  readonly toPersonId?: string | null
}

/** Adds to the record of a studio. */
export async function noteDown(
  database: Database,
  { studioId, personId, what, makeoverId = null, toPersonId = null }: Done,
  nowMs: number,
): Promise<void> {
  await inTransaction(database, { studio: studioId }, (tx) =>
    tx.insert(deeds).values({ studioId, id: uuidv7(), at: new Date(nowMs), personId, what, makeoverId, toPersonId }),
  )
}
