import { Router, type Request } from 'express'
import { readChangeSet } from '#core/makeover/change.ts'
import { isUuid } from '#core/makeover/fields.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { personBehind } from '../accounts/routes.ts'
import type { Setting } from '../application.ts'
import { changesAfter, diaryBefore, takeChange } from '../changes/door.ts'
import { inTransaction } from '../database/connection.ts'
import { loadMakeover, loadStudio } from '../database/documents.ts'
import { notFound, Problem, refused } from '../problem.ts'
import { dayLines } from './summary.ts'

/** Reads of the documents, and the one door for changes. Another studio's makeover is not found. */
export function makeoverRoutes({ database, now }: Setting): Router {
  const routes = Router()
  const today = (timeZone: string) => dateIn(timeZone, now())

  routes.get('/day', async (request, response) => {
    const { studioId, timeZone } = personBehind(request)
    const day = today(timeZone)
    const makeovers = await inTransaction(database, { studio: studioId }, (tx) => dayLines(tx, studioId, day))
    response.json({ today: day, makeovers })
  })

  routes.get('/makeovers/:id', async (request, response) => {
    const { studioId, timeZone } = personBehind(request)
    const id = idIn(request)
    const found = await inTransaction(database, { studio: studioId }, async (tx) => ({ makeover: await loadMakeover(tx, id), studio: await loadStudio(tx, studioId) }))
    if (!found.makeover?.rows.makeover[id]) throw notFound()
    response.json({ ...found, today: today(timeZone) })
  })

  routes.get('/makeovers/:id/changes', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const after = Number(request.query.after ?? 0)
    if (!Number.isSafeInteger(after) || after < 0 || after > 2_000_000_000) throw new Problem(400, 'malformed', 'Not readable', 'after: expected a rev, a whole number from 0')
    const page = await inTransaction(database, { studio: studioId }, (tx) => changesAfter(tx, id, after))
    if (page.length === 0 && after === 0) throw notFound()
    response.json(page)
  })

  routes.get('/makeovers/:id/diary', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const before = Number(request.query.before ?? 2_000_000_000)
    const { of } = request.query
    if (!Number.isSafeInteger(before) || before < 0 || before > 2_000_000_000) throw new Problem(400, 'malformed', 'Not readable', 'before: expected a rev, a whole number from 0')
    if (of !== undefined && !isUuid(of)) throw new Problem(400, 'malformed', 'Not readable', 'of: expected the id of a row')
    response.json(await inTransaction(database, { studio: studioId }, (tx) => diaryBefore(tx, id, before, isUuid(of) ? of : null)))
  })

  routes.post('/makeovers/:id/changes', async (request, response) => {
    const person = personBehind(request)
    const read = readChangeSet(request.body)
    if (!read.ok) throw refused(read.faults)
    const outcome = await takeChange(database, person, idIn(request), read.value, now())
    if (outcome.is === 'not found') throw notFound()
    if (outcome.is === 'refused') throw refused(outcome.faults)
    if (outcome.is === 'conflict')
      throw new Problem(409, 'conflict', 'Changed meanwhile', 'Someone changed the same thing after you last saw it. Nothing was overwritten: look at both, and keep one.', { conflicts: outcome.conflicts })
    response.json({ rev: outcome.rev, repeated: outcome.repeated })
  })
  return routes
}

function idIn(request: Request): string {
  const { id } = request.params
  if (!isUuid(id)) throw notFound()
  return id
}
