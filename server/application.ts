import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type ErrorRequestHandler, type Express, type Request } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { withinRole } from './accounts/may.ts'
import { peopleRoutes } from './accounts/people-routes.ts'
import { passkeyRoutes } from './accounts/passkey-routes.ts'
import { accountRoutes, withPerson } from './accounts/routes.ts'
import { secondFactorRoutes } from './accounts/second-factor-routes.ts'
import { sessionRoutes } from './accounts/session-routes.ts'
import { ticketRoutes } from './accounts/ticket-routes.ts'
import { isDatabaseAway } from './database/connection.ts'
import { recording, recordRoutes } from './record/record.ts'
import { streamRoutes } from './changes/stream.ts'
import { attachmentRoutes } from './attachments/routes.ts'
import { largestFile } from './attachments/files.ts'
import { holidayRoutes } from './documents/holidays.ts'
import { documentRoutes } from './documents/routes.ts'
import { keptOfRoutes } from './erasure/kept-of.ts'
import { erasureRoutes } from './erasure/routes.ts'
import { archiveRoutes } from './makeovers/archive.ts'
import { makeoverRoutes } from './makeovers/routes.ts'
import { largestParcel, parcelRoutes } from './parcels/routes.ts'
import { notFound, Problem, withoutTokens, withoutValues } from './problem.ts'
import { notAllowed, otherMethods } from './routes.ts'
import { guestRoutes } from './guest/routes.ts'
import { letterRoutes } from './post/routes.ts'
import { feedRoutes, linkRoutes } from './links/routes.ts'
import { studioRoutes } from './studio/routes.ts'
import { healthRoutes } from './running/health-routes.ts'
import { idOf, requestLog } from './running/request-log.ts'
import { standinRoutes } from './standins/routes.ts'
import { type Setting } from './setting.ts'

/** The application: routes under /api, the pages for every other path. */
export function createApplication(setting: Setting): Express {
  const application = express()
  application.disable('x-powered-by')
  if (setting.trustProxy !== undefined) application.set('trust proxy', setting.trustProxy)
  application.use(requestLog(setting.log))
  if (setting.health) application.use(healthRoutes(setting.health))
  application.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          scriptSrcAttr: ["'none'"],
          workerSrc: ["'self'"],
          connectSrc: ["'self'"],
          fontSrc: ["'self'"],
          manifestSrc: ["'self'"],
          imgSrc: ["'self'", 'blob:', 'data:'],
          styleSrc: ["'self'", "'unsafe-inline'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
        },
      },
      strictTransportSecurity: setting.secure ? { maxAge: 86_400, includeSubDomains: false } : false,
      referrerPolicy: { policy: 'same-origin' },
    }),
  )
  application.use(compression())
  application.use('/api', (request, _response, next) => {
    const reads = request.method === 'GET' || request.method === 'HEAD'
    if (!reads && isFromElsewhere(request))
      throw new Problem(403, 'other-site', 'Refused', 'This came from another site.')
    if (
      !reads &&
      !takesBytes.test(request.path) &&
      Number(request.get('content-length') ?? 0) > 0 &&
      !request.is('application/json')
    )
      throw new Problem(415, 'media-type', 'Not JSON', 'Expected a body of type application/json.')
    next()
  })
  application.use(
    '/api',
    express.json({
      limit: '1mb',
      strict: true,
      type: (request) =>
        !takesBytes.test((request.url ?? '').split('?')[0] ?? '') &&
        /^application\/json\b/.test(request.headers['content-type'] ?? ''),
    }),
    (_request, response, next) => {
      response.set('cache-control', 'no-store')
      next()
    },
  )
  application.use('/api', accountRoutes(setting), ticketRoutes(setting), feedRoutes(setting), guestRoutes(setting))
  application.use(
    '/api',
    withPerson(setting),
    withinRole,
    recording(setting),
    recordRoutes(setting),
    sessionRoutes(setting),
    secondFactorRoutes(setting),
    passkeyRoutes(setting),
    peopleRoutes(setting),
    attachmentRoutes(setting),
    makeoverRoutes(setting),
    studioRoutes(setting),
    archiveRoutes(setting),
    erasureRoutes(setting),
    keptOfRoutes(setting),
    streamRoutes(setting),
    parcelRoutes(setting),
    documentRoutes(setting),
    linkRoutes(setting),
    letterRoutes(setting),
    holidayRoutes(),
    standinRoutes(),
  )
  application.use('/api', otherMethods(application))
  if (setting.pages !== null && existsSync(join(setting.pages, 'index.html'))) {
    const { pages } = setting
    application.use(
      '/assets',
      express.static(join(pages, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
    )
    application.use(express.static(pages, { index: false, maxAge: 0 }))
    // the client's page has a way in of its own, and leaves no trace of where it was
    application.get('/for', (_request, response) =>
      response.sendFile(join(pages, 'for.html'), {
        headers: { 'cache-control': 'no-cache', 'referrer-policy': 'no-referrer' },
      }),
    )
    application.get('/{*path}', (_request, response) =>
      response.sendFile(join(pages, 'index.html'), { headers: { 'cache-control': 'no-cache' } }),
    )
  }
  application.use((request) => {
    if (request.method === 'GET' || request.method === 'HEAD') throw notFound()
    throw notAllowed(['GET', 'HEAD'])
  })
  application.use(problems(setting.log))
  return application
}

/** Routes that take a file as it is. */
const takesBytes = /^\/(files|uploads\/[0-9a-f]{64}\/\d+|imports(\/dry)?|guest\/pictures\/[0-9a-f-]{36})$/

/** A browser says where a request comes from: by its fetch metadata, or where it is too old for that by its origin. */
function isFromElsewhere(request: Request): boolean {
  const [site, origin] = [request.get('sec-fetch-site'), request.get('origin')]
  if (site !== undefined) return site !== 'same-origin' && site !== 'none'
  if (origin === undefined) return false
  return !URL.canParse(origin) || new URL(origin).host !== request.host
}

/** Every error leaves as a problem detail; only what nobody expected is a 500, and says nothing of its inside. */
function problems(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error)
      return
    }
    const problem = error instanceof Problem ? error : fromHttpError(error, request.path)
    if (problem.status >= 500)
      log.error(
        { req: idOf(request), err: withoutValues(error), method: request.method, path: withoutTokens(request.path) },
        'unexpected',
      )
    if (problem.status === 405) response.set('allow', String(problem.more.allow))
    if (problem.status === 503) response.set('retry-after', '1')
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          ...problem.body(),
          // by it the line of the log is found
          ...(problem.status >= 500 ? { instance: `urn:uuid:${idOf(request)}` } : {}),
        }),
      )
  }
}

function fromHttpError(error: unknown, path: string): Problem {
  if (isDatabaseAway(error))
    return new Problem(
      503,
      'away',
      'Not reachable',
      'The database does not answer just now, and whether this was done is not known. It is safe to send it again in a moment: it is done once.',
    )
  const status = error instanceof Error && 'status' in error && typeof error.status === 'number' ? error.status : 500
  if (status === 413)
    return new Problem(
      413,
      'too-large',
      'Too large',
      `Expected at most ${path.endsWith('/files') ? `${largestFile / 1024 / 1024} MB: make the picture smaller, or photograph it again` : takesBytes.test(path.replace(/^\/api/, '')) ? `${largestParcel / 1024 / 1024} MB` : '1 MB'}.`,
    )
  if (status === 400)
    return new Problem(
      400,
      'malformed',
      'Not readable',
      'Expected a body of well-formed JSON and a path that can be decoded.',
    )
  if (status === 404) return notFound()
  if (status >= 400 && status < 500) return new Problem(status, 'refused', 'Refused', 'The request was not understood.')
  return new Problem(
    500,
    'unexpected',
    'Something went wrong here',
    'It was not foreseen. Try again: what was done is not done twice. If it stays so, the log of the server says what it was.',
  )
}
