import { parseCookie, stringifySetCookie } from 'cookie'
import { Router, type Request, type RequestHandler, type Response } from 'express'
import { ipKeyGenerator } from 'express-rate-limit'
import { object } from 'yup'
import { isEmail, label, line, timeZone } from '#core/makeover/fields.ts'
import type { Setting } from '../setting.ts'
import { Problem, signedOut, withoutValues } from '../problem.ts'
import { read } from '../read.ts'
import { addressesOf } from '../reach.ts'
import {
  deviceDays,
  enter,
  hasStudio,
  isKnownDevice,
  makeStudio,
  normalEmail,
  personOf,
  sessionDays,
  signIn,
  signOut,
  type Entered,
  type Person,
  type SignedIn,
} from './accounts.ts'
import { noteDown } from '../record/note.ts'
import { weakness } from './passwords.ts'
import { passkeyDoor } from './passkey-routes.ts'
import { codeWords } from './code-words.ts'
import type { CodeTold } from './second-factor.ts'
import { browserFrom } from './sessions.ts'
import { limited } from './tries.ts'

const cookieName = 'bonitas_session'
/** Says that this browser signed in to an account before; it opens nothing. */
const deviceCookie = 'bonitas_device'

const email = () => label(254, [isEmail, 'expected an email address'])
const password = () => line(1000)

const credentials = object({ email: label(254), password: line(1000), code: line(40).optional() })
const newStudio = object({
  studioName: label(),
  timeZone: timeZone(),
  name: label(),
  email: email(),
  password: password(),
})

const tooMany =
  'Too many failed sign-ins: wait a quarter of an hour. Where you signed in to this account before, you still can.'

/** Sign in and out, make a studio with its first person, and let others of the studio in. */
export function accountRoutes(setting: Setting): Router {
  const { database, clock } = setting
  const routes = Router()
  /** What was refused for lack of a code that was not asked for yet is no failed try. */
  const failed = (response: Response): boolean => response.statusCode >= 400 && response.locals.asked !== true
  /** The mark of a browser that signed in to the account that is tried; it has counts of its own. */
  const deviceOf = async (request: Request): Promise<string | null> => {
    const device = parseCookie(request.get('cookie') ?? '')[deviceCookie] ?? ''
    return (await isKnownDevice(database, emailIn(request), device, clock())) ? `device ${device}` : null
  }
  const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? '')
  /** From one address, whatever account is tried. */
  const perAddress = limited(setting, {
    as: 'address',
    limit: setting.failedSignIns,
    keyOf: async (request) => (await deviceOf(request)) ?? addressOf(request),
    failed,
    tooMany,
  })
  /** Studios made from one address, whether it comes to anything or not. */
  const perMaker = limited(setting, {
    as: 'maker',
    limit: setting.failedSignIns,
    keyOf: addressOf,
    tooMany: 'Too many studios from this address: wait a quarter of an hour.',
  })
  /**
   * On one account, from wherever it is tried: so that guessing from many addresses is held back too. A browser that signed
   * in to it before has a count of its own, so nobody can lock an owner out by failing on purpose.
   */
  const perAccount = limited(setting, {
    as: 'account',
    limit: Math.ceil(setting.failedSignIns / 2),
    keyOf: async (request) => (await deviceOf(request)) ?? `account ${emailIn(request)}`,
    failed,
    tooMany,
  })

  const letInto = async (
    request: Request,
    response: Response,
    tried: { readonly email: string; readonly password: string; readonly code?: string | undefined },
  ): Promise<void> => {
    const browser = browserFrom(request.get('user-agent') ?? '')
    const session = await signIn(database, { ...tried, code: tried.code ?? '' }, clock(), browser)
    if (session.is !== 'in') {
      // a password that fits and lacks its code is no failed try; what is refused stands in the record of the studio it was tried on
      response.locals.asked = session.is === 'code' && session.told.is === 'asked'
      if (response.locals.asked !== true) refusedAt(session.known)
      throw session.is === 'wrong'
        ? new Problem(401, 'wrong', 'Not signed in', 'The email or the password is not right.')
        : codeProblem(session.told)
    }
    await letIn(request, response, session, 'signed in')
  }
  /** A session in the cookie of whoever comes, in place of the one they came with. */
  const letIn = async (request: Request, response: Response, session: Entered, what: string): Promise<void> => {
    const former = tokenIn(request)
    if (former) await signOut(database, former)
    setCookie(request, response, cookieName, session.token, sessionDays * 86_400)
    setCookie(request, response, deviceCookie, session.device, deviceDays * 86_400)
    await noteDown(database, { ...session.person, what }, clock())
    response.json(session.person)
  }
  /** The answer does not wait for it: it would tell whose email it is. */
  const refusedAt = (known: readonly Person[]): void => {
    for (const { studioId, id: personId } of known)
      noteDown(database, { studioId, personId, what: 'was refused at the sign-in' }, clock()).catch((error: unknown) =>
        setting.log.error({ err: withoutValues(error) }, 'the record was not written'),
      )
  }

  routes.post('/session', perAddress, perAccount, async (request, response) => {
    await letInto(request, response, read(credentials, request.body))
  })

  passkeyDoor(routes, setting, perAddress, async (request, response, found) => {
    const browser = browserFrom(request.get('user-agent') ?? '')
    const session = found && (await enter(database, found, clock(), browser))
    if (!session)
      throw new Problem(401, 'wrong', 'Not signed in', 'That passkey opens nothing here: sign in with your password.')
    await letIn(request, response, session, 'signed in with a passkey')
  })

  const mayRegister = async (): Promise<boolean> =>
    setting.registration === 'open' || (setting.registration === 'first' && !(await hasStudio(database)))

  routes.get('/registration', async (_request, response) => {
    response.json({ open: await mayRegister() })
  })

  routes.post('/studios', perMaker, async (request, response) => {
    if (!(await mayRegister()))
      throw new Problem(
        403,
        'closed',
        'Not open to all',
        'Studios are not made here by whoever comes. Ask whoever runs this installation, or to be let in to a studio.',
      )
    const body = read(newStudio, request.body)
    await strong(body.password, [body.email, body.name, body.studioName])
    const made = await makeStudio(database, body)
    if (!made)
      throw new Problem(
        409,
        'twice',
        'Already known',
        'email: with this password it already opens a studio here: sign in instead',
        { faults: [{ field: 'email', message: 'with this password already opens a studio here: sign in instead' }] },
      )
    response.status(201)
    await letInto(request, response, body)
  })

  routes.get('/reach', withPerson(setting), (_request, response) => {
    const { host = '127.0.0.1', port = 8080, tls = null, open = false, secure = false } = setting
    response.json({ open, secure, addresses: addressesOf({ host, port, tls, open }) })
  })

  routes.get('/session', async (request, response) => {
    const person = await presented(setting, request)
    response.json(person)
  })

  routes.delete('/session', async (request, response) => {
    const token = tokenIn(request)
    if (token) await signOut(database, token)
    setCookie(request, response, cookieName, '', 0)
    response.status(204).end()
  })
  return routes
}

const codeProblem = (told: CodeTold): Problem =>
  told.is === 'asked'
    ? new Problem(
        401,
        'code',
        'A code is asked',
        'Type the six figures that your app shows now, or one of your recovery codes.',
      )
    : new Problem(401, 'code', 'Not signed in', `The code ${codeWords(told)}.`)

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
export const sessionStands = async (setting: Setting, request: Request): Promise<boolean> =>
  (await presented(setting, request)) !== null

const emailIn = (request: Request): string => {
  const body: unknown = request.body
  return typeof body === 'object' && body !== null && 'email' in body && typeof body.email === 'string'
    ? normalEmail(body.email).slice(0, 254)
    : ''
}

export const tokenIn = (request: Request): string | undefined => parseCookie(request.get('cookie') ?? '')[cookieName]

async function presented({ database, clock }: Setting, request: Request): Promise<SignedIn | null> {
  const token = tokenIn(request)
  return token ? personOf(database, token, clock()) : null
}

function setCookie(request: Request, response: Response, name: string, value: string, maxAge: number): void {
  response.append(
    'set-cookie',
    stringifySetCookie({ name, value, httpOnly: true, sameSite: 'strict', secure: request.secure, path: '/', maxAge }),
  )
}

export const fieldProblem = (status: number, code: string, field: string, message: string): Problem =>
  new Problem(status, code, 'Not complete', `${field}: ${message}`, { faults: [{ field, message }] })

export async function strong(password: string, about: readonly string[], field = 'password'): Promise<void> {
  const weak = await weakness(password, about)
  if (weak) throw fieldProblem(422, 'invalid', field, weak)
}
