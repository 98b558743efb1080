import { Router } from 'express'
import { number, object, string } from 'yup'
import { isUuid, label, line } from '#core/makeover/fields.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { calendarDays } from '#core/calendar/index.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { eq } from 'drizzle-orm'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { makeovers, studios } from '../database/tables.ts'
import { icsOf } from '../documents/calendar-routes.ts'
import { idIn, notFound } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { linksOf, makeLink, openLink, revoke, shown } from './links.ts'

const askedLink = object({
  opens: string().oneOf(['calendar', 'client']).required(),
  forWhom: label(80).nullable().defined(),
  days: number().integer().min(1).max(1000).nullable().defined(),
  word: line(80),
})

/** What the studio does with its links. */
export function linkRoutes({ database, clock }: Setting): Router {
  const routes = Router()
  routes.get('/makeovers/:id/links', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const found = await inTransaction(database, { studio: studioId }, async (tx) => {
      const [known] = await tx.select({ id: makeovers.id }).from(makeovers).where(eq(makeovers.id, id))
      return known ? linksOf(tx, id) : null
    })
    if (found === null) throw notFound()
    response.json(found.map(shown))
  })
  routes.post('/makeovers/:id/links', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const makeoverId = idIn(request)
    const made = await inTransaction(database, { studio: studioId }, async (tx) => {
      const { makeover } = await loadDocuments(tx, database.memory, studioId, makeoverId)
      if (!makeover.rows.makeover[makeoverId]) throw notFound()
      const { opens, forWhom, days, word } = read(askedLink, request.body)
      if (opens === 'client' && !rowsOf(makeover, 'client').some(({ id }) => id === forWhom)) throw notFound()
      return makeLink(tx, { studioId, makeoverId, madeBy: personId, opens, forWhom, days, word }, clock())
    })
    response.status(201).json({ link: shown(made.link), token: made.token })
  })
  routes.delete('/makeovers/:id/links/:link', async (request, response) => {
    const { studioId } = personBehind(request)
    const { link } = request.params
    const id = idIn(request)
    if (!isUuid(link)) throw notFound()
    if (!(await inTransaction(database, { studio: studioId }, (tx) => revoke(tx, id, link, clock())))) throw notFound()
    response.status(204).end()
  })
  return routes
}

/** A calendar that other programs fetch again and again, by its link alone. */
export function feedRoutes({ database, clock }: Setting): Router {
  const routes = Router()
  routes.get('/feeds/:token.ics', async (request, response) => {
    const link = await openLink(database, request.params.token, 'calendar', clock())
    const { documents, timeZone } = await inTransaction(
      database,
      { studio: link.studioId },
      async (tx) => ({
        documents: await loadDocuments(tx, database.memory, link.studioId, link.makeoverId),
        timeZone:
          (await tx.select({ zone: studios.timeZone }).from(studios).where(eq(studios.id, link.studioId)))[0]?.zone ??
          'UTC',
      }),
      { still: true },
    )
    const { schedule, dates } = reckon(documents, dateIn(timeZone, clock()))
    const { makeover } = documents
    const hand =
      link.forWhom === null
        ? null
        : (schedule.tasks.find(({ handId, trade }) => handId === link.forWhom || trade === link.forWhom)?.hand ??
          link.forWhom)
    const orderBy = new Map(dates.map(({ id, orderBy: by }) => [id, by]))
    const name = makeover.rows.makeover[makeover.id]?.name ?? 'makeover'
    const text = icsOf(
      makeover,
      hand === null ? name : `${name}, ${hand}`,
      calendarDays(schedule, hand === null ? orderBy : new Map(), hand),
    )
    response.set({ 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, max-age=900' }).send(text)
  })
  return routes
}
