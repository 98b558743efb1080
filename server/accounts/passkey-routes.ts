/** One’s own passkeys: made, listed, forgotten; and the door that takes them. */
import { Router, type Request, type RequestHandler, type Response } from 'express'
import { object } from 'yup'
import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server'
import { label, line } from '#core/makeover/fields.ts'
import { notFound, Problem } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { askKey, forgetKey, keepKey, offerKey, passkeysOf, whoseKey, type At } from './passkeys.ts'
import { fieldProblem, personBehind } from './routes.ts'
import { isTheirs } from './second-factor.ts'
import type { Person } from './accounts.ts'

const asking = object({ password: line(1000) })
const naming = object({ name: label(60) })

/** A passkey is for a name: an address in figures has none (Web Authentication, 5.1.2). */
function atOf(request: Request): At {
  const { hostname, protocol } = request
  if (!hostname || /^[\d.]+$|:/.test(hostname))
    throw new Problem(
      422,
      'no-name',
      'Not at this address',
      `Passkeys want a name, and this address is ${hostname || 'none'}: open Bonitas by its name, on this machine as localhost.`,
    )
  return { name: hostname, origin: `${protocol}://${request.get('host') ?? hostname}` }
}
/** What a device answered; what is in it is held to what was asked by the library. */
const answerIn = (request: Request): { readonly id: string } => {
  const body = request.body as { response?: unknown } | undefined
  const response = body?.response
  if (typeof response !== 'object' || response === null || typeof (response as { id?: unknown }).id !== 'string')
    throw new Problem(422, 'invalid', 'Not complete', 'response: expected what the device answered')
  return response as { readonly id: string }
}

export function passkeyRoutes({ database, clock }: Setting): Router {
  const routes = Router()
  routes.get('/passkeys', async (request, response) => {
    response.json(await passkeysOf(database, personBehind(request)))
  })
  routes.post('/passkeys/options', async (request, response) => {
    const at = atOf(request)
    const who = personBehind(request)
    if (!(await isTheirs(database, who, read(asking, request.body).password)))
      throw fieldProblem(403, 'wrong', 'password', 'is not right: expected the one you have now')
    response.json(await offerKey(database, who, at, clock()))
  })
  routes.post('/passkeys', async (request, response) => {
    const at = atOf(request)
    const answer = answerIn(request) as RegistrationResponseJSON
    const { name } = read(naming, { name: (request.body as { name?: unknown }).name })
    if (!(await keepKey(database, personBehind(request), at, { response: answer, name }, clock())))
      throw new Problem(422, 'passkey', 'Not kept', 'The device answered to something else, or too late: try again.')
    response.status(201).json(await passkeysOf(database, personBehind(request)))
  })
  routes.delete('/passkeys/:passkey', async (request, response) => {
    if (!(await forgetKey(database, personBehind(request), request.params.passkey))) throw notFound()
    response.status(204).end()
  })
  return routes
}

/** At the door: `enter` lets in whom the key knows, or nobody. */
export function passkeyDoor(
  routes: Router,
  { database, clock }: Setting,
  limited: RequestHandler,
  enter: (request: Request, response: Response, person: Person | null) => Promise<void>,
): void {
  routes.post('/session/passkey/options', limited, async (request, response) => {
    response.json(await askKey(database, atOf(request), clock()))
  })
  routes.post('/session/passkey', limited, async (request, response) => {
    const answer = answerIn(request) as AuthenticationResponseJSON
    await enter(request, response, await whoseKey(database, atOf(request), answer, clock()))
  })
}
