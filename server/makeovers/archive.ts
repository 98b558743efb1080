/** Makeovers that are done with: kept, shown and let alone until they are taken up again. */
import { and, eq, isNotNull, isNull, ne } from 'drizzle-orm'
import { Router, type Request } from 'express'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { documents, makeovers } from '../database/tables.ts'
import { idIn, notFound } from '../problem.ts'
import type { Setting } from '../setting.ts'

/** Since when a makeover is in the archive; null where it is under way. */
export async function archivedSince(tx: Transaction, id: string): Promise<string | null> {
  const [found] = await tx.select({ at: documents.archivedAt }).from(documents).where(eq(documents.id, id))
  return found?.at?.toISOString() ?? null
}

export function archiveRoutes({ database, clock, news }: Setting): Router {
  const routes = Router()
  routes.get('/archive', async (request, response) => {
    const { studioId } = personBehind(request)
    const all = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .select({ id: documents.id, name: makeovers.name, archivedAt: documents.archivedAt })
        .from(documents)
        .innerJoin(makeovers, eq(makeovers.id, documents.id))
        .where(and(isNotNull(documents.archivedAt), isNull(documents.deletedAt)))
        .orderBy(documents.archivedAt),
    )
    response.json(all.map(({ archivedAt, ...line }) => ({ ...line, archivedAt: archivedAt?.toISOString() })))
  })
  const lay = async (request: Request, at: Date | null): Promise<void> => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const changed = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .update(documents)
        .set({ archivedAt: at })
        .where(
          and(
            eq(documents.id, id),
            ne(documents.id, studioId),
            isNull(documents.deletedAt),
            at ? isNull(documents.archivedAt) : isNotNull(documents.archivedAt),
          ),
        )
        .returning({ id: documents.id }),
    )
    if (changed.length === 0) throw notFound()
    news.tell({ is: 'laid', studio: studioId, document: id })
  }
  routes.post('/makeovers/:id/archive', async (request, response) => {
    await lay(request, new Date(clock()))
    response.status(204).end()
  })
  routes.post('/makeovers/:id/take-up', async (request, response) => {
    await lay(request, null)
    response.status(204).end()
  })
  return routes
}
