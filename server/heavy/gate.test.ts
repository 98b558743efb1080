/** The gate before large bodies, in the application as it is served. */
import { createServer, request as open, type ClientRequest, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, expect, inject, it, vi } from 'vitest'
import { person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let server: Server
let port: number
beforeAll(async () => {
  served = await serve(inject('postgres'))
  server = createServer(served.application)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()))
  port = (server.address() as AddressInfo).port
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  await served.close()
})

const pause = (ms: number): Promise<false> => new Promise((resolve) => setTimeout(() => resolve(false), ms))
/** A file on its way that does not come to its end: it was let in when nothing is said of it for a while. */
async function begin(who: Speaker): Promise<ClientRequest> {
  for (;;) {
    const sent = open({
      host: '127.0.0.1',
      port,
      method: 'POST',
      path: '/api/imports/dry',
      headers: { cookie: who.cookie, 'content-type': 'application/zip', 'content-length': 1000 },
    })
    const refused = new Promise<boolean>((resolve) => sent.once('response', () => resolve(true)))
    sent.on('error', () => undefined) // it is cut off below
    sent.write('PK')
    if (!(await Promise.race([refused, pause(700)]))) return sent
    sent.destroy()
  }
}
const whole = (who: Speaker): Promise<number> =>
  fetch(`http://127.0.0.1:${port}/api/imports/dry`, {
    method: 'POST',
    headers: { cookie: who.cookie, 'content-type': 'application/zip' },
    body: 'no zip',
  }).then((answer) => answer.status)

it('lets one file of a studio in at a time and three in all, and the next when one is through or gone', async () => {
  const people = await Promise.all([person(served), person(served), person(served), person(served)])
  const [first, second, third, late] = people
  const onTheWay = [await begin(first)]
  expect(await whole(first)).toBe(429)
  expect(await whole(second)).toBe(422) // read, and found to be none
  onTheWay.push(await begin(second), await begin(third))
  expect(await whole(late)).toBe(503)
  onTheWay[0]?.destroy()
  await vi.waitFor(async () => expect(await whole(late)).toBe(422), 10_000)
  for (const sent of onTheWay) sent.destroy()
})
