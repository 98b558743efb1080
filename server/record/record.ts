/**
 * The record of what an owner may be asked about: who signed in, took files out, brought them in, erased, let in. It is only added to:
 * the application's role may neither change nor delete it, but for
 * forgetting a makeover that is gone for good. It holds no names and no contents, only who, when, what and on which makeover.
 */
import { desc, eq } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { Router, type Request, type RequestHandler } from 'express'
import { object, string } from 'yup'
import { given, isUuid } from '#core/makeover/fields.ts'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction } from '../database/connection.ts'
import { deeds, makeovers, people } from '../database/tables.ts'
import { withoutValues } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { noteDown } from './note.ts'

/** What is recorded of those who are signed in, by the way they ask for it. */
const recorded: readonly (readonly [method: string, path: RegExp, what: string])[] = [
  ['GET', /^\/studio\/export$/, 'took all of the studio out as a file'],
  ['GET', /^\/makeovers\/[^/]+\/export$/, 'took a makeover out as a file'],
  ['GET', /^\/makeovers\/.+\.(?:pdf|csv|xlsx|svg|dxf|ics|txt)$/, 'had a paper or a table written'],
  ['POST', /^\/imports$/, 'brought a makeover in'],
  ['POST', /^\/makeovers\/[^/]+\/erasures$/, 'erased names'],
  ['POST', /^\/makeovers\/[^/]+\/put-away$/, 'put a makeover away'],
  ['POST', /^\/makeovers\/[^/]+\/bring-back$/, 'brought a makeover back'],
  ['POST', /^\/makeovers\/[^/]+\/archive$/, 'archived a makeover'],
  ['POST', /^\/makeovers\/[^/]+\/take-up$/, 'took a makeover out of the archive'],
  ['POST', /^\/makeovers\/[^/]+\/(?:links|letters)$/, 'made a link that opens it'],
  ['POST', /^\/password$/, 'changed their password'],
  ['POST', /^\/second-factor\/confirm$/, 'turned their second factor on'],
  ['POST', /^\/second-factor\/off$/, 'turned their second factor off'],
  ['POST', /^\/second-factor\/codes$/, 'had other recovery codes made'],
  ['GET', /^\/(?:me|people\/[^/]+)\/data$/, 'took what is kept of a person out as a file'],
  ['GET', /^\/makeovers\/[^/]+\/clients\/[^/]+\/data$/, 'took what is kept of a client out as a file'],
  ['POST', /^\/passkeys$/, 'made a passkey'],
  ['DELETE', /^\/passkeys\/[^/]+$/, 'forgot a passkey'],
  ['DELETE', /^\/sessions(?:\/[^/]+)?$/, 'signed browsers out'],
]

/** Notes down what was done, once it was done; what was refused is not. */
export function recording({ database, clock, log }: Setting): RequestHandler {
  return (request, response, next) => {
    const { path, method } = request
    const found = recorded.find(([asked, pattern]) => asked === method && pattern.test(path))
    if (!found) {
      next()
      return
    }
    const { studioId, personId } = personBehind(request)
    const makeoverId = /^\/makeovers\/([0-9a-f-]{36})\b/.exec(path)?.[1] ?? null
    response.on('finish', () => {
      if (response.statusCode >= 400) return
      noteDown(database, { studioId, personId, what: found[2], makeoverId }, clock()).catch((error: unknown) =>
        log.error({ err: withoutValues(error) }, 'the record was not written'),
      )
    })
    next()
  }
}

const most = 300
const printed = object({
  makeoverId: string().nullable().defined().test('id', 'expected an id or null', given(isUuid)),
})
const whom = alias(people, 'whom')
export function recordRoutes({ database, clock }: Setting): Router {
  const routes = Router()
  routes.get('/record', async (request: Request, response) => {
    const { studioId } = personBehind(request)
    const all = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .select({
          id: deeds.id,
          at: deeds.at,
          who: people.name,
          what: deeds.what,
          whom: whom.name,
          makeover: makeovers.name,
        })
        .from(deeds)
        .leftJoin(people, eq(people.id, deeds.personId))
        .leftJoin(whom, eq(whom.id, deeds.toPersonId))
        .leftJoin(makeovers, eq(makeovers.id, deeds.makeoverId))
        .orderBy(desc(deeds.at), desc(deeds.id))
        .limit(most),
    )
    response.json(all.map(({ at, ...deed }) => ({ ...deed, at: at.toISOString() })))
  })
  // a browser prints by itself: its page says so, and of which makeover
  routes.post('/record/prints', async (request, response) => {
    const { makeoverId } = read(printed, request.body)
    await noteDown(database, { ...personBehind(request), what: 'printed a page', makeoverId }, clock())
    response.status(204).end()
  })
  return routes
}
