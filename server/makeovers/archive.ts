/** Makeovers that are done with: kept, shown and let alone until they are taken up again. */
import { and, eq, isNotNull, isNull, ne } from 'drizzle-orm'
import { Router, type Request } from 'express'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction } from '../database/connection.ts'
import { documents, makeovers } from '../database/tables.ts'
import { idIn, notFound } from '../problem.ts'
import type { Setting } from '../setting.ts'

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
        .returning({ rev: documents.rev }),
    )
    const [laid] = changed
    if (!laid) throw notFound()
    news.tell({ is: 'rev', studio: studioId, document: id, rev: laid.rev })
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
