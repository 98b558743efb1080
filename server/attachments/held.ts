import { and, eq, inArray, sql } from 'drizzle-orm'
import { fault, type Fault, type Operation } from '#core/makeover/change.ts'
import type { Makeover } from '#core/makeover/document.ts'
import type { Transaction } from '../database/connection.ts'
import { blobs } from '../database/tables.ts'

/** Rows of files that say another type or size than the file they name, or name one that is not here. */
export async function fileFaults(
  tx: Transaction,
  studioId: string,
  { rows }: Makeover,
  operations: readonly Operation[],
): Promise<Fault[]> {
  const put = operations.flatMap(({ op, kind, id }) => {
    const row = op === 'put' && kind === 'attachment' ? rows.attachment[id] : undefined
    return row ? [row] : []
  })
  if (put.length === 0) return []
  const kept = await tx
    .select({ sha256: blobs.sha256, mediaType: blobs.mediaType, bytes: sql<number>`length(${blobs.bytes})` })
    .from(blobs)
    .where(
      and(
        eq(blobs.studioId, studioId),
        inArray(
          blobs.sha256,
          put.map((row) => row.sha256),
        ),
      ),
    )
  return put.flatMap((row): Fault[] => {
    const file = kept.find(({ sha256 }) => sha256 === row.sha256)
    if (!file)
      return [fault('reference', 'attachment', row.id, 'sha256', 'names a file that is not here: bring it in first')]
    if (file.mediaType !== row.mediaType)
      return [
        fault(
          'file',
          'attachment',
          row.id,
          'mediaType',
          `expected ${file.mediaType}, which the file is by its content`,
        ),
      ]
    if (file.bytes !== row.bytes)
      return [fault('file', 'attachment', row.id, 'bytes', `expected ${file.bytes}, the size of the file`)]
    return []
  })
}
