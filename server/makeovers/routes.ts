import { asc } from 'drizzle-orm'
import { Router } from 'express'
import type { Documents } from '#core/makeover/change.ts'
import { isUuid } from '#core/makeover/fields.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { showsCosts, withoutCosts } from '#core/people/index.ts'
import { personBehind } from '../accounts/routes.ts'
import type { Setting } from '../setting.ts'
import { answerChange } from '../changes/answer.ts'
import { changesAfter, diaryBefore, documentsAt, momentOf } from '../changes/diary.ts'
import { takeChange } from '../changes/door.ts'
import { signedOf } from '../changes/signings.ts'
import { inTransaction } from '../database/connection.ts'
import { recall, stands } from '../database/documents.ts'
import { templates } from '../database/tables.ts'
import { idIn, notFound, Problem } from '../problem.ts'
import { archivedSince } from './archive.ts'
import { dayLines } from './summary.ts'

/** Reads of the documents, and the one door for changes. Another studio's makeover is not found. */
export function makeoverRoutes({ database, news, clock }: Setting): Router {
  const routes = Router()
  const today = (timeZone: string) => dateIn(timeZone, clock())

  routes.get('/day', async (request, response) => {
    const who = personBehind(request)
    const { studioId, timeZone } = who
    const day = today(timeZone)
    response.json({ today: day, makeovers: await dayLines(database, studioId, day, showsCosts(who)) })
  })

  /** What the studio keeps for a makeover to begin with. */
  routes.get('/templates', async (request, response) => {
    const { studioId } = personBehind(request)
    response.json(
      await inTransaction(database, { studio: studioId }, (tx) =>
        tx
          .select({ id: templates.id, name: templates.name, holds: templates.holds })
          .from(templates)
          .orderBy(asc(templates.name)),
      ),
    )
  })

  routes.get('/makeovers/:id', async (request, response) => {
    const who = personBehind(request)
    const id = idIn(request)
    const found = await open(who.studioId, id)
    const archivedAt = await inTransaction(database, { studio: who.studioId }, (tx) => archivedSince(tx, id))
    response.json({ ...(showsCosts(who) ? found : withoutCosts(found)), today: today(who.timeZone), archivedAt })
  })

  async function open(studioId: string, id: string): Promise<Documents> {
    const found = await inTransaction(
      database,
      { studio: studioId },
      (tx) => recall(tx, database.memory, studioId, id),
      { still: true },
    )
    if (!found.makeover.rows.makeover[id]) throw notFound()
    return found
  }

  /** How what is signed came to be signed. */
  routes.get('/makeovers/:id/signings', async (request, response) => {
    const { studioId } = personBehind(request)
    const { makeover } = await open(studioId, idIn(request))
    response.json(await inTransaction(database, { studio: studioId }, (tx) => signedOf(tx, makeover)))
  })

  /** The makeover as it was at an earlier moment, reckoned as of the day of that moment. */
  routes.get('/makeovers/:id/at/:rev', async (request, response) => {
    const { studioId, timeZone } = personBehind(request)
    const id = idIn(request)
    const rev = revIn(request.params.rev, 'rev')
    const documents = await open(studioId, id)
    const found = await inTransaction(
      database,
      { studio: studioId },
      async (tx) => {
        const moment = await momentOf(tx, id, rev)
        return moment && { moment, documents: await documentsAt(tx, documents, moment) }
      },
      { still: true },
    )
    if (!found) throw notFound()
    if (!found.documents)
      throw new Problem(
        422,
        'too-old',
        'Too far back',
        'That moment was kept before the rows said what they say today. Its changes can be read in the history, but the pages cannot show it.',
      )
    response.json({ ...found.documents, today: dateIn(timeZone, found.moment.madeAt.getTime()), moment: found.moment })
  })

  routes.get('/makeovers/:id/changes', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const after = revIn(request.query.after ?? '0', 'after')
    const page = await inTransaction(database, { studio: studioId }, async (tx) =>
      (await stands(tx, id)) ? changesAfter(tx, id, after) : [],
    )
    if (page.length === 0 && after === 0) throw notFound()
    response.json(page)
  })

  routes.get('/makeovers/:id/diary', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const id = idIn(request)
    const before = revIn(request.query.before ?? '2000000000', 'before')
    const { of: fields } = request.query
    if (fields !== undefined && !isUuid(fields))
      throw new Problem(400, 'malformed', 'Not readable', 'of: expected the id of a row')
    response.json(
      await inTransaction(database, { studio: studioId }, async (tx) =>
        (await stands(tx, id))
          ? diaryBefore(tx, id, before, {
              rowId: isUuid(fields) ? fields : null,
              personId: request.query.mine === 'yes' ? personId : null,
            })
          : [],
      ),
    )
  })

  routes.post('/makeovers/:id/changes', (request, response) =>
    answerChange(request, response, (person, changeSet) =>
      takeChange(database, news, person, idIn(request), changeSet, clock()),
    ),
  )
  return routes
}

/** A rev out of a path or a query. */
function revIn(text: unknown, name: string): number {
  const rev = typeof text === 'string' && /^\d{1,10}$/.test(text) ? Number(text) : -1
  if (rev < 0 || rev > 2_000_000_000)
    throw new Problem(400, 'malformed', 'Not readable', `${name}: expected a rev, a whole number from 0`)
  return rev
}
