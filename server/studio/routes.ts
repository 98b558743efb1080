/** The studio itself: its rows, changes of them alone, and what its makeovers bought of whom. */
import { and, asc, eq, isNull, ne } from 'drizzle-orm'
import { Router } from 'express'
import { emptyMakeover } from '#core/makeover/document.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { boughtOf } from '#core/purchases/index.ts'
import { showsCosts, withoutCosts } from '#core/people/index.ts'
import { personBehind } from '../accounts/routes.ts'
import { answerChange } from '../changes/answer.ts'
import { takeStudioChange } from '../changes/studio-door.ts'
import { inTransaction } from '../database/connection.ts'
import { chunksOf, loadStudio, recallAll, together } from '../database/documents.ts'
import { documents } from '../database/tables.ts'
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

  routes.post('/studio/changes', (request, response) =>
    answerChange(request, response, (person, changeSet) => takeStudioChange(database, news, person, changeSet)),
  )

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
        for (const some of chunksOf(all, together)) {
          const ids = some.map(({ id }) => id)
          for (const { makeover } of (await recallAll(tx, database.memory, studioId, ids)).makeovers)
            lines.push(...boughtOf(makeover))
        }
        return lines
      },
      { still: true },
    )
    response.json(bought)
  })
  return routes
}
