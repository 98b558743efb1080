import { Router, type Response } from 'express'
import { and, eq, isNull } from 'drizzle-orm'
import { steps } from '#core/steps/index.ts'
import { isUuid } from '#core/makeover/fields.ts'
import { personBehind, sessionStands } from '../accounts/routes.ts'
import type { Setting } from '../setting.ts'
import { inTransaction } from '../database/connection.ts'
import { documents } from '../database/tables.ts'
import { idIn, notFound, Problem } from '../problem.ts'

const most = 100
const aliveEveryMs = 25_000
/** What a window may say it looks at: a page of a step, or of the whole. */
const further = [
  'piece',
  'walls',
  'light',
  'shelves',
  'account',
  'shop',
  'deliveries',
  'windows',
  'made-things',
  'install-day',
  'client',
  'history',
  'remarks',
]
const pages: readonly string[] = [...steps.map((step) => step.name), ...further]

/** One stream of server-sent events a browser: which documents of the studio changed, and who has them open. */
export function streamRoutes(setting: Setting): Router {
  const { database, news } = setting
  const routes = Router()
  const open = new Map<string, Set<Response>>()

  routes.get('/stream', (request, response) => {
    const { studioId, personId } = personBehind(request)
    const set = open.get(studioId) ?? new Set<Response>()
    if (set.size >= most)
      throw new Problem(
        429,
        'too-many',
        'Too many windows',
        `This studio has ${most} browsers listening already: close some.`,
      )
    open.set(studioId, set.add(response))
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    })
    response.write('retry: 1000\nevent: again\ndata: {}\n\n')
    const stillStands = (text = ': alive\n\n'): void => {
      sessionStands(setting, request)
        .then((stands) => (stands ? response.write(text) : response.end()))
        .catch(() => response.end())
    }
    const stop = news.hear(studioId, (heard) => {
      if (heard.is === 'ended') {
        if (heard.personId === personId) stillStands('event: who\ndata: {}\n\n')
      } else if (heard.is === 'again' || heard.is === 'laid') response.write('event: again\ndata: {}\n\n')
      else if (heard.is === 'rev')
        response.write(
          `id: ${heard.rev}\nevent: rev\ndata: ${JSON.stringify({ document: heard.document, rev: heard.rev })}\n\n`,
        )
      else response.write(`event: here\ndata: ${JSON.stringify({ document: heard.document })}\n\n`)
    })
    const alive = setInterval(() => stillStands(), aliveEveryMs)
    response.on('close', () => {
      clearInterval(alive)
      stop()
      set.delete(response)
      if (set.size === 0) open.delete(studioId)
    })
  })

  routes.get('/makeovers/:id/here', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    await known(studioId, id)
    response.json(news.here(studioId, id))
  })

  routes.post('/makeovers/:id/here', async (request, response) => {
    const { studioId, personId, name } = personBehind(request)
    const id = idIn(request)
    const { window, page } = (request.body ?? {}) as { window?: unknown; page?: unknown }
    if (!isUuid(window)) throw new Problem(422, 'invalid', 'Not complete', 'window: expected an id')
    if (page !== null && (typeof page !== 'string' || !pages.includes(page)))
      throw new Problem(422, 'invalid', 'Not complete', `page: expected null or one of ${pages.join(', ')}`)
    await known(studioId, id)
    news.tell({ is: 'here', studio: studioId, document: id, window, personId, name, page })
    response.status(204).end()
  })

  async function known(studioId: string, id: string): Promise<void> {
    const found = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .select({ rev: documents.rev })
        .from(documents)
        .where(and(eq(documents.studioId, studioId), eq(documents.id, id), isNull(documents.deletedAt))),
    )
    if (found.length === 0) throw notFound()
  }
  return routes
}
