/** The studio itself: its rows, changes of them alone, and what its makeovers bought of whom. */
import { and, asc, eq, isNull, ne } from 'drizzle-orm'
import { Router } from 'express'
import { readChangeSet } from '#core/makeover/change.ts'
import { emptyMakeover } from '#core/makeover/document.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { boughtOf } from '#core/purchases/index.ts'
import { showsCosts, withoutCosts } from '#core/people/index.ts'
import { withinKinds } from '../accounts/may.ts'
import { personBehind } from '../accounts/routes.ts'
import { takeStudioChange } from '../changes/studio-door.ts'
import { inTransaction } from '../database/connection.ts'
import { loadDocuments, loadStudio } from '../database/documents.ts'
import { documents } from '../database/tables.ts'
import { notFound, Problem, refused } from '../problem.ts'
import type { Setting } from '../setting.ts'

export function studioRoutes({ database, clock, news }: Setting): Router {
  const routes = Router()
  routes.get('/studio', async (request, response) => {
    const who = personBehind(request)
    const studio = await inTransaction(database, { studio: who.studioId }, (tx) => loadStudio(tx, who.studioId), {
      still: true,
    })
    const shown = showsCosts(who) ? studio : withoutCosts({ makeover: emptyMakeover(who.studioId), studio }).studio
    response.json({ studio: shown, today: dateIn(who.timeZone, clock()) })
  })

  routes.post('/studio/changes', async (request, response) => {
    const person = personBehind(request)
    const read = readChangeSet(request.body)
    if (!read.ok) throw refused(read.faults)
    withinKinds(person, read.value.operations)
    const outcome = await takeStudioChange(database, news, person, read.value)
    if (outcome.is === 'not found') throw notFound()
    if (outcome.is === 'refused') throw refused(outcome.faults)
    if (outcome.is === 'conflict')
      throw new Problem(
        409,
        'conflict',
        'Changed meanwhile',
        'Someone changed the same thing after you last saw it. Nothing was overwritten: look at it again.',
        { conflicts: outcome.conflicts },
      )
    response.json({ rev: outcome.rev, repeated: outcome.repeated })
  })

  /** What was bought of whom, over all makeovers that are there. */
  routes.get('/studio/bought', async (request, response) => {
    const { studioId } = personBehind(request)
    const bought = await inTransaction(
      database,
      { studio: studioId },
      async (tx) => {
        const all = await tx
          .select({ id: documents.id })
          .from(documents)
          .where(and(eq(documents.studioId, studioId), ne(documents.id, studioId), isNull(documents.deletedAt)))
          .orderBy(asc(documents.id))
        const lines = []
        for (const { id } of all)
          lines.push(...boughtOf((await loadDocuments(tx, database.memory, studioId, id)).makeover))
        return lines
      },
      { still: true },
    )
    response.json(bought)
  })
  return routes
}
