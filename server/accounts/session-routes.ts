/** What somebody sees and does of their own way in: their browsers, and their password. */
import { Router } from 'express'
import { object } from 'yup'
import { isUuid, line } from '#core/makeover/fields.ts'
import { notFound } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { fieldProblem, personBehind, strong, tokenIn } from './routes.ts'
import type { SignedIn } from './accounts.ts'
import { limited } from './tries.ts'
import { changePassword, endOtherSessions, endSession, sessionsOf } from './sessions.ts'

const passwords = object({ former: line(1000), next: line(1000) })

export function sessionRoutes(setting: Setting): Router {
  const { database, clock, news } = setting
  /** Whoever sits down at a browser that is signed in does not guess the password there. */
  const perPerson = limited(setting, {
    as: 'person',
    limit: Math.ceil(setting.failedSignIns / 2),
    keyOf: (request) => personBehind(request).personId,
    failed: true,
    tooMany: 'Too many wrong passwords: wait a quarter of an hour.',
  })
  const routes = Router()
  /** In every process, what such a browser listens to ends at once. */
  const ended = ({ studioId, personId }: SignedIn): void => news.tell({ is: 'ended', studio: studioId, personId })
  routes.get('/sessions', async (request, response) => {
    response.json(await sessionsOf(database, personBehind(request), tokenIn(request) ?? '', clock()))
  })
  routes.delete('/sessions/:session', async (request, response) => {
    const { session } = request.params
    if (!isUuid(session) || !(await endSession(database, personBehind(request), session))) throw notFound()
    ended(personBehind(request))
    response.status(204).end()
  })
  routes.delete('/sessions', async (request, response) => {
    const count = await endOtherSessions(database, personBehind(request), tokenIn(request) ?? '')
    ended(personBehind(request))
    response.json({ ended: count })
  })
  routes.post('/password', perPerson, async (request, response) => {
    const { former, next } = read(passwords, request.body)
    const who = personBehind(request)
    await strong(next, [who.email, who.name, who.studioName], 'next')
    const done = await changePassword(database, who, { former, next, token: tokenIn(request) ?? '' })
    if (done === 'password') throw fieldProblem(403, 'wrong', 'former', 'is not right: expected the one you have now')
    if (done === 'taken') throw fieldProblem(409, 'twice', 'next', 'cannot be taken for this email: expected another')
    ended(who)
    response.status(204).end()
  })
  return routes
}
