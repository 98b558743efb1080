/** A served application over a fresh database, and people who speak to it over HTTP. */
import { pino } from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { schemaVersion, type Operation } from '#core/makeover/change.ts'
import type { Makeover, Studio } from '#core/makeover/document.ts'
import type { Standing } from '#core/people/index.ts'
import { begin } from '#core/testing/small-makeover.ts'
import { createApplication } from '../application.ts'
import { openNews } from '../changes/news.ts'
import { connect } from '../database/connection.ts'
import type { Registration } from '../setting.ts'
import { openHeavy, type Heavy } from '../heavy/heavy.ts'
import { freshDatabase } from './postgres.ts'

let shared: Heavy | undefined
/** The processes for heavy work, once for all tests of this process; they end with it. */
export const sharedHeavy = (): Heavy => (shared ??= openHeavy())

/** Noon of 1 March 2027, the day the small makeover is reckoned on. */
export const testTime = Date.parse('2027-03-01T12:00:00Z')

type Serving = {
  readonly sealKey?: string | null
  readonly outbox?: string | null
  readonly guestActs?: number
  readonly failedSignIns?: number
  readonly registration?: Registration
  readonly at?: number
  readonly trustProxy?: number
}

/** Served over a database that is there. */
export function serveAt(
  url: string,
  {
    failedSignIns = 1000,
    registration = 'open',
    at = testTime,
    trustProxy,
    guestActs = 1000,
    outbox = null,
    sealKey = null,
  }: Serving = {},
) {
  const database = connect(url, { sealKey })
  const clock = { time: at }
  const log = pino({ level: 'silent' })
  const news = openNews(url, database, log)
  const application = createApplication({
    database,
    news,
    heavy: sharedHeavy(),
    log,
    pages: null,
    clock: () => clock.time,
    failedSignIns,
    registration,
    trustProxy,
    guestActs,
    outbox,
  })
  const close = async (): Promise<void> => {
    await news.close()
    await database.close()
  }
  return { application, database, url, clock, close }
}

/** Served over a database of its own, which goes with it. */
export async function serve(address: string, serving: Serving = {}) {
  const { url, drop } = await freshDatabase(address)
  const served = serveAt(url, serving)
  const close = async (): Promise<void> => {
    await served.close()
    await drop()
  }
  return { ...served, close }
}
export type Served = Awaited<ReturnType<typeof serve>>

export type Opened = { makeover: Makeover; studio: Studio; today: string }

/** What somebody does over HTTP, by the answer that let them in. */
function speaker(application: Served['application'], email: string, answer: request.Response) {
  if (answer.status >= 400) throw new Error(answer.text)
  const cookie = (answer.headers['set-cookie'] as unknown as string[]).map((text) => text.split(';')[0]).join('; ')
  const get = (path: string) => request(application).get(`/api${path}`).set('cookie', cookie)
  /** A file as its bytes. */
  const fetch = (path: string) =>
    get(path)
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = []
        response.on('data', (chunk: Buffer) => chunks.push(chunk))
        response.on('end', () => done(null, Buffer.concat(chunks)))
      })
  const post = (path: string, body: object) => request(application).post(`/api${path}`).set('cookie', cookie).send(body)
  const change = (
    makeoverId: string,
    operations: readonly Operation[],
    { id = uuidv7(), sentence = 'A change', undoes }: { id?: string; sentence?: string; undoes?: string } = {},
  ) =>
    post(`/makeovers/${makeoverId}/changes`, {
      id,
      schemaVersion,
      sentence,
      operations,
      ...(undoes === undefined ? {} : { undoes }),
    })
  const open = async (makeoverId: string): Promise<Opened> => (await get(`/makeovers/${makeoverId}`)).body as Opened
  return { email, cookie, get, fetch, post, change, open, ...(answer.body as { studioId: string; personId: string }) }
}
export type Speaker = ReturnType<typeof speaker>

/** Somebody who is known, signed in. */
export const signedIn = async (
  { application }: Pick<Served, 'application'>,
  { email, password }: { email: string; password: string },
): Promise<Speaker> =>
  speaker(application, email, await request(application).post('/api/session').send({ email, password }))

export const password = 'a long enough password'
/** A person of a new studio, signed in. */
export const person = async (
  { application }: Pick<Served, 'application'>,
  email = `${uuidv7()}@test.example`,
): Promise<Speaker> =>
  speaker(
    application,
    email,
    await request(application)
      .post('/api/studios')
      .send({ studioName: 'A studio', timeZone: 'UTC', name: 'A person', email, password }),
  )

/** Another person of somebody's studio, who took up an invitation and signed in. */
export async function helper(
  served: Pick<Served, 'application'>,
  owner: Speaker,
  name = 'A helper',
  { role, seesCosts }: Standing = { role: 'member', seesCosts: true },
) {
  const email = `${uuidv7()}@test.example`
  const invited = await owner.post('/invitations', { email, role, seesCosts })
  if (invited.status !== 201) throw new Error(invited.text)
  const joined = await request(served.application)
    .post('/api/join')
    .send({ token: await tokenOf(owner, email), name, password })
  if (joined.status !== 201) throw new Error(joined.text)
  return signedIn(served, { email, password })
}

/** The token of the newest letter in the outbox of an owner, to an address where one is said. */
export async function tokenOf(owner: Speaker, email?: string): Promise<string> {
  const all = (await owner.get('/letters')).body as { forWhom: string; opens: string | null }[]
  return all.find(({ forWhom }) => email === undefined || forWhom === email)?.opens?.split('#')[1] ?? ''
}

/** A makeover begun by a person: a client, a room, a signed budget of 5 400 with 600 of contingency. */
export async function makeover(who: Speaker, options?: Parameters<typeof begin>[1]) {
  const world = begin(uuidv7, options)
  const answer = await who.change(world.ids.makeover, world.operations)
  if (answer.status !== 200) throw new Error(answer.text)
  return world
}
