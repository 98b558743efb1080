import { Router, type Request } from 'express'
import { eq } from 'drizzle-orm'
import { isUuid } from '#core/makeover/fields.ts'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction } from '../database/connection.ts'
import { stands } from '../database/documents.ts'
import { clients, makeovers } from '../database/tables.ts'
import { idIn, notFound, Problem } from '../problem.ts'
import type { Setting } from '../setting.ts'
import { erase, lookFor, type Asked } from './erase.ts'
import { putAwayOf, setAside } from './put-away.ts'

/** What leaves for good: somebody’s name, and whole makeovers after a time in which they can be brought back. */
export function erasureRoutes(setting: Setting): Router {
  const { database, clock } = setting
  const routes = Router()

  routes.get('/put-away', async (request, response) => {
    const { studioId } = personBehind(request)
    response.json(await inTransaction(database, { studio: studioId }, putAwayOf))
  })

  routes.post('/makeovers/:id/put-away', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const id = idIn(request)
    const { name } = (request.body ?? {}) as { name?: unknown }
    await inTransaction(database, { studio: studioId }, async (tx) => {
      const [head] = await tx.select({ name: makeovers.name }).from(makeovers).where(eq(makeovers.id, id))
      if (!head) throw notFound()
      if (typeof name !== 'string' || name.trim() !== head.name.trim())
        throw wrong('name', `expected the name of the makeover as it stands, ${head.name}`)
      if (!(await setAside(tx, studioId, id, personId, new Date(clock())))) throw notFound()
    })
    database.memory.forget(studioId, id)
    response.status(204).end()
  })

  routes.post('/makeovers/:id/bring-back', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const id = idIn(request)
    const back = await inTransaction(database, { studio: studioId }, (tx) => setAside(tx, studioId, id, personId, null))
    if (!back) throw notFound()
    response.status(204).end()
  })

  routes.post('/makeovers/:id/erasures/dry', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const asked = await askedIn(request, studioId, id)
    response.json(
      await inTransaction(database, { studio: studioId }, (tx) => lookFor(tx, setting, studioId, id, asked)),
    )
  })

  routes.post('/makeovers/:id/erasures', async (request, response) => {
    const person = personBehind(request)
    const id = idIn(request)
    response.json(await erase(setting, person, id, await askedIn(request, person.studioId, id), clock()))
  })

  /** Whom to erase: a client, by their name and what else they are called. */
  async function askedIn(request: Request, studioId: string, id: string): Promise<Asked> {
    if (!(await inTransaction(database, { studio: studioId }, (tx) => stands(tx, id)))) throw notFound()
    const { clientId = null, names = [], notes = false } = (request.body ?? {}) as Readonly<Record<string, unknown>>
    if (clientId !== null && !isUuid(clientId)) throw wrong('clientId', 'expected the id of a client, or null')
    if (!Array.isArray(names) || names.length > 20) throw wrong('names', 'expected at most 20 names')
    const told = names.map((name: unknown) => {
      if (typeof name !== 'string' || name.length > 120 || [...name.trim()].length < 2 || !name.isWellFormed())
        throw wrong('names', 'expected names of 2 to 120 characters')
      return name.trim()
    })
    if (typeof notes !== 'boolean') throw wrong('notes', 'expected yes or no')
    const [client] =
      clientId === null
        ? []
        : await inTransaction(database, { studio: studioId }, (tx) =>
            tx
              .select({ name: clients.name, makeoverId: clients.makeoverId })
              .from(clients)
              .where(eq(clients.id, clientId)),
          )
    if (clientId !== null && client?.makeoverId !== id) throw notFound()
    const all = [...new Set([...(client ? [client.name] : []), ...told])]
    if (all.length === 0) throw wrong('names', 'expected a client, or a name')
    return { clientId, names: all, notes }
  }
  return routes
}

const wrong = (field: string, message: string): Problem =>
  new Problem(422, 'invalid', 'Not complete', `${field}: ${message}`, { faults: [{ field, message }] })
