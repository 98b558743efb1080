/** Serves Bonitas. Settings come from the environment; `scripts/start.mjs` sets them. */
import { randomBytes } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { createServer } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import { pino } from 'pino'
import { hasStudio, makeStudio } from './accounts/accounts.ts'
import { forgetTries } from './accounts/tries.ts'
import { createApplication } from './application.ts'
import { openHealth } from './running/health.ts'
import { readSecrets } from './running/secrets.ts'
import { openNews } from './changes/news.ts'
import { connect } from './database/connection.ts'
import { shortestKey } from './database/seal.ts'
import { migrateDatabase, MissingRight } from './database/migrate.ts'
import { openHeavy } from './heavy/heavy.ts'
import { clearUp } from './erasure/put-away.ts'
import { layOutEarly } from './makeovers/early.ts'
import { pages } from './places.ts'
import { withoutValues } from './problem.ts'
import { addressesOf, readReach, type Reach } from './reach.ts'
import { registrations, type Registration } from './setting.ts'

readSecretsOrFail()
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' })
const url = process.env.DATABASE_URL

function fail(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(1)
}

function readSecretsOrFail(): void {
  try {
    readSecrets(process.env)
  } catch (error) {
    fail(error instanceof Error ? error.message : String(error))
  }
}
const reach = reachOrFail()
const { port, host } = reach
if (!url) fail('DATABASE_URL is not set: expected the address of a PostgreSQL database')
function reachOrFail(): Reach {
  try {
    return readReach(process.env)
  } catch (error) {
    return fail(error instanceof Error ? error.message : String(error))
  }
}
/** Strangers make studios only where nobody else can come in, unless REGISTRATION says otherwise. */
function registrationOrFail(): Registration {
  const wanted = process.env.REGISTRATION ?? (reach.open ? 'first' : 'open')
  const found = registrations.find((registration) => registration === wanted)
  return found ?? fail(`REGISTRATION is “${wanted}”: expected ${registrations.join(', ')}`)
}
let fresh = false
try {
  // tables are made by their owner; everything else is done by a role that can only become the application's
  fresh = (await migrateDatabase(process.env.DATABASE_OWNER_URL ?? url)).fresh
} catch (error) {
  fail(
    error instanceof MissingRight
      ? `Bonitas: ${error.message}`
      : `Bonitas cannot use the database: ${error instanceof Error ? error.message : String(error)}`,
  )
}
const sealKey = process.env.SEAL_KEY ?? null
if (sealKey !== null && sealKey.length < shortestKey)
  fail(`SEAL_KEY is too short: expected at least ${shortestKey} characters`)
const database = connect(url, { sealKey })
// what is listened on is one connection that stays: a pooler that hands connections on by transaction cannot hold it
const news = openNews(process.env.DATABASE_LISTEN_URL ?? url, database, log)
const heavy = openHeavy()
const wanted = process.env.BONITAS_DEMO
const ownPassword = process.env.DEMO_PASSWORD
if (ownPassword !== undefined && [...ownPassword].length < 12)
  fail('DEMO_PASSWORD is too short: expected at least 12 characters')
const demo =
  wanted === 'yes' || (wanted === 'if new' && fresh)
    ? await (await import('./demo.ts')).loadDemo(database, Date.now(), ownPassword)
    : null
if (process.env.NODE_ENV === 'production' && reach.open && (await (await import('./demo.ts')).demoIsOpen(database)))
  fail(
    `HOST is ${host}, which others can reach, and anybody knows the demo's password. Begin without it (npm start -- --empty), or give it a password of your own (DEMO_PASSWORD).`,
  )

const wantedFirst = process.env.FIRST_PERSON
const person = wantedFirst && !(await hasStudio(database)) ? await makeFirst(wantedFirst) : null

/** The first person of an installation, with a studio to name later and a password that is told once. */
async function makeFirst(email: string): Promise<{ email: string; password: string } | null> {
  const password = randomBytes(15).toString('base64url')
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  const made = await makeStudio(database, {
    studioName: 'My studio',
    timeZone,
    name: email.split('@')[0] ?? email,
    email,
    password,
  })
  return made && { email, password }
}

/** Where browsers reach it from outside, for links in letters. */
const address =
  process.env.PUBLIC_URL ??
  `${reach.tls ? 'https' : 'http'}://${reach.open ? (addressesOf(reach)[0]?.replace(/^https?:\/\//, '') ?? host) : `${host}:${port}`}`
const outbox = process.env.OUTBOX_DIR ?? null
if (outbox !== null) mkdirSync(outbox, { recursive: true, mode: 0o700 })
const health = openHealth({ database, metricsToken: process.env.METRICS_TOKEN ?? null, alone: !reach.open })

const application = createApplication({
  database,
  news,
  heavy,
  log,
  pages,
  clock: Date.now,
  address,
  outbox,
  health,
  failedSignIns: Number(process.env.FAILED_SIGN_INS ?? 20),
  registration: registrationOrFail(),
  ...reach,
})
const server = (
  reach.tls ? createSecureServer({ ...reach.tls, minVersion: 'TLSv1.2' }, application) : createServer(application)
).listen(port, host)
server.keepAliveTimeout = 65_000 // longer than proxies and browsers keep a connection idle, so that none is closed under a request
server.on('error', (error: NodeJS.ErrnoException) =>
  fail(error.code === 'EADDRINUSE' ? `Port ${port} is taken: set another with PORT=8090 npm start` : String(error)),
)
server.on('listening', () =>
  process.send?.({
    ready: true,
    demo,
    person,
    here: `${reach.tls ? 'https' : 'http'}://${reach.open ? '127.0.0.1' : host}:${port}`,
    others: addressesOf(reach),
  }),
)

/** What was put away long enough goes, soon after the start and every hour. */
const sweep = (): void =>
  void Promise.all([clearUp(database, Date.now()), forgetTries(database, Date.now())]).catch((error: unknown) =>
    log.warn({ err: withoutValues(error) }, 'not cleared up'),
  )
const sweeps = [setTimeout(sweep, 30_000), setInterval(sweep, 3_600_000)]
const stopLayingOut = layOutEarly({ database, news, heavy, clock: Date.now }, (error) =>
  log.warn({ err: withoutValues(error) }, 'no day page laid out'),
)

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  // whoever hands requests on sees it first, and hands none on any more
  health.stop()
  await new Promise((resolve) => setTimeout(resolve, Number(process.env.STOP_AFTER_MS ?? 0)))
  for (const timer of sweeps) clearTimeout(timer)
  stopLayingOut()
  server.close()
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 500).unref()
  await new Promise((resolve) => server.once('close', resolve))
  await news.close()
  await heavy.close()
  await database.close()
  process.exit(0)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())
process.on('disconnect', () => void stop()) // whoever started it is gone
