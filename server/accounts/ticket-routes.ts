/** Ways in by a letter: an invitation taken up, another password asked for and set. Tokens are in bodies, never in addresses. */
import { Router, type Request } from 'express'
import { ipKeyGenerator } from 'express-rate-limit'
import { object } from 'yup'
import { label, line } from '#core/makeover/fields.ts'
import { roleWords } from '#core/people/index.ts'
import { layDown } from '../post/drop.ts'
import { Problem, withoutValues } from '../problem.ts'
import { read } from '../read.ts'
import { noteDown } from '../record/note.ts'
import type { Setting } from '../setting.ts'
import { normalEmail } from './accounts.ts'
import { fieldProblem, strong } from './routes.ts'
import { limited } from './tries.ts'
import { askForReset, openTicket, setAnother, studioOf, takeUp, type Opens } from './tickets.ts'

const held = object({ token: line(100) })
const joining = object({ token: line(100), name: label(), password: line(1000) })
const another = object({ token: line(100), password: line(1000) })
const asking = object({ email: label(254) })

export function ticketRoutes(setting: Setting): Router {
  const { database, clock, log, news } = setting
  const routes = Router()
  const few = (as: string, limit: number, keyOf: (request: Request) => string) =>
    limited(setting, { as, limit, keyOf, tooMany: 'Too many tries: wait a quarter of an hour.' })
  const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? '')
  const emailOf = ({ body }: Request): string => {
    const sent: unknown = body
    return typeof sent === 'object' && sent !== null && 'email' in sent && typeof sent.email === 'string'
      ? normalEmail(sent.email).slice(0, 254)
      : ''
  }
  const byAddress = few('tickets', 3 * setting.failedSignIns, addressOf)
  const asks = [
    few('asked-from', setting.failedSignIns, addressOf),
    few('asked-for', Math.ceil(setting.failedSignIns / 4), emailOf),
  ]

  /** What a letter opens, before anything is done with it. */
  const look = (opens: Opens) => async (request: Request) => {
    const { token } = read(held, request.body)
    const ticket = await openTicket(database, token, opens, clock())
    return { studioName: await studioOf(database, ticket), email: ticket.email, role: roleWords[ticket.role].title }
  }
  routes.post('/join/look', byAddress, async (request, response) => {
    response.json(await look('invitation')(request))
  })
  routes.post('/join', byAddress, async (request, response) => {
    const { token, name, password } = read(joining, request.body)
    const ticket = await openTicket(database, token, 'invitation', clock())
    await strong(password, [ticket.email, name, await studioOf(database, ticket)])
    const made = await takeUp(database, ticket, { name, password }, clock())
    if (made === 'here') throw new Problem(409, 'here', 'Here already', 'You work in this studio already: sign in.')
    if (made === 'password')
      throw fieldProblem(409, 'twice', 'password', 'cannot be taken for this email: expected another')
    await noteDown(database, { ...made, studioId: ticket.studioId, what: 'came in by an invitation' }, clock())
    response.status(201).json({ email: ticket.email })
  })

  routes.post('/resets', ...asks, (request, response) => {
    const { email } = read(asking, request.body)
    // the answer does not wait: it is the same, and takes as long, for an address that is nobody's
    response.status(202).json({ asked: true })
    askForReset(database, email, clock())
      .then(async (all) => {
        for (const written of all) {
          await layDown(setting, written, clock())
          await noteDown(database, { ...written, what: 'asked for another password' }, clock())
        }
      })
      .catch((error: unknown) => log.error({ err: withoutValues(error) }, 'a way to another password was not written'))
  })
  routes.post('/resets/look', byAddress, async (request, response) => {
    response.json(await look('reset')(request))
  })
  routes.post('/resets/use', byAddress, async (request, response) => {
    const { token, password } = read(another, request.body)
    const ticket = await openTicket(database, token, 'reset', clock())
    await strong(password, [ticket.email, await studioOf(database, ticket)])
    if ((await setAnother(database, ticket, password, clock())) === 'password')
      throw fieldProblem(409, 'twice', 'password', 'cannot be taken for this email: expected another')
    const personId = ticket.personId ?? ''
    await noteDown(database, { studioId: ticket.studioId, personId, what: 'set another password by a letter' }, clock())
    news.tell({ is: 'ended', studio: ticket.studioId, personId })
    response.json({ email: ticket.email })
  })
  return routes
}
