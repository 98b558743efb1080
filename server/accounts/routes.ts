import { parseCookie, stringifySetCookie } from 'cookie'
import { Router, type Request, type RequestHandler, type Response } from 'express'
import { rateLimit } from 'express-rate-limit'
import { object, ValidationError, type InferType, type ObjectSchema } from 'yup'
import { given, label, line, timeZone } from '#core/makeover/fields.ts'
import type { Setting } from '../application.ts'
import { Problem, signedOut } from '../problem.ts'
import { makeStudio, normalEmail, personOf, sessionDays, signIn, signOut, type SignedIn } from './accounts.ts'

const cookieName = 'bonitas_session'

const email = () => label(254).test('email', 'expected an email address', given((value) => /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(value.trim())))

const credentials = object({ email: label(254), password: line(1000) })
const newStudio = object({
  studioName: label(),
  timeZone: timeZone(),
  name: label(),
  email: email(),
  password: line(1000).test('length', 'is too short: expected at least 12 characters', given((value) => [...value].length >= 12)),
})

/** Sign in and out, and make a studio with its first person. */
export function accountRoutes(setting: Setting): Router {
  const { database, now } = setting
  const routes = Router()
  const limit = rateLimit({
    windowMs: 15 * 60_000,
    limit: setting.failedSignIns,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new Problem(429, 'too-many', 'Too many tries', 'Too many failed sign-ins from here: wait a quarter of an hour.')
    },
  })

  const open = async (response: Response, address: string, password: string, request: Request): Promise<void> => {
    const session = await signIn(database, address, password, now())
    if (!session) throw new Problem(401, 'wrong', 'Not signed in', 'The email or the password is not right.')
    setCookie(request, response, session.token, sessionDays * 86_400)
    response.json(shown(session.person))
  }

  routes.post('/session', limit, async (request, response) => {
    const body = read(credentials, request.body)
    await open(response, body.email, body.password, request)
  })

  routes.post('/studios', limit, async (request, response) => {
    const body = read(newStudio, request.body)
    const made = await makeStudio(database, body)
    if (!made) throw new Problem(409, 'twice', 'Already known', `email: ${normalEmail(body.email)} already has a studio here: sign in instead`, { faults: [{ field: 'email', message: 'already has a studio here: sign in instead' }] })
    response.status(201)
    await open(response, body.email, body.password, request)
  })

  routes.get('/session', async (request, response) => {
    const person = await presented(setting, request)
    response.json(person ? shown(person) : null)
  })

  routes.delete('/session', async (request, response) => {
    const token = tokenIn(request)
    if (token) await signOut(database, token)
    setCookie(request, response, '', 0)
    response.status(204).end()
  })
  return routes
}

const shown = ({ personId, studioId, name, email: address, studioName, timeZone }: SignedIn) => ({ personId, studioId, name, email: address, studioName, timeZone })

const people = new WeakMap<Request, SignedIn>()

/** Lets only people who are signed in pass; `personBehind` then says who it is. */
export function withPerson(setting: Setting): RequestHandler {
  return async (request, _response, next) => {
    const person = await presented(setting, request)
    if (!person) throw signedOut()
    people.set(request, person)
    next()
  }
}

export function personBehind(request: Request): SignedIn {
  const person = people.get(request)
  if (!person) throw signedOut()
  return person
}

/** Does the session that a long request came with still stand? */
export const sessionStands = async (setting: Setting, request: Request): Promise<boolean> => (await presented(setting, request)) !== null

const tokenIn = (request: Request): string | undefined => parseCookie(request.get('cookie') ?? '')[cookieName]

async function presented({ database, now }: Setting, request: Request): Promise<SignedIn | null> {
  const token = tokenIn(request)
  return token ? personOf(database, token, now()) : null
}

function setCookie(request: Request, response: Response, value: string, maxAge: number): void {
  response.append('set-cookie', stringifySetCookie({ name: cookieName, value, httpOnly: true, sameSite: 'strict', secure: request.secure, path: '/', maxAge }))
}

/** A body held against its schema; every fault names its field. */
function read<T extends ObjectSchema<object>>(schema: T, body: unknown): InferType<T> {
  try {
    return schema.validateSync(body ?? {}, { abortEarly: false, strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const faults = (error.inner.length > 0 ? error.inner : [error]).map((one) => ({ field: one.path ?? null, message: one.message }))
    throw new Problem(422, 'invalid', 'Not complete', faults.map((one) => `${one.field ?? 'body'}: ${one.message}`).join('; '), { faults })
  }
}
