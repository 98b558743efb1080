import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { password, person, serve, type Served, type Speaker } from '../testing/studio.ts'
import { openQueue } from './queue.ts'

/** Work that ends when it is told to. */
function held() {
  let end = (): void => undefined
  const done = new Promise<void>((resolve) => (end = resolve))
  return { work: () => done, end: () => end() }
}

describe('work that waits its turn', () => {
  it('is taken studio after studio, however much the first one brought', async () => {
    const queue = openQueue({ lanes: 1, most: 20, mostOfStudio: 10 })
    const order: string[] = []
    const run = (studio: string, name: string): Promise<void> =>
      queue.run(studio, () => {
        order.push(name)
        return Promise.resolve()
      })
    const first = held()
    const under = queue.run('greedy', first.work)
    const all = [...['g1', 'g2', 'g3'].map((name) => run('greedy', name)), run('small', 's1'), run('late', 'l1')]
    first.end()
    await Promise.all([under, ...all])
    expect(order).toEqual(['g1', 's1', 'l1', 'g2', 'g3'])
  })
  it('is refused where too much waits, of one studio or in all, and goes on after a failure', async () => {
    const queue = openQueue({ lanes: 1, most: 3, mostOfStudio: 2 })
    const first = held()
    const under = queue.run('a', first.work)
    const waiting = [queue.run('a', first.work), queue.run('a', first.work)]
    await expect(queue.run('a', first.work)).rejects.toMatchObject({ status: 429 })
    const failing = queue.run('b', () => Promise.reject(new Error('it broke')))
    await expect(queue.run('c', first.work)).rejects.toMatchObject({ status: 503 })
    first.end()
    await expect(failing).rejects.toThrow('it broke')
    await Promise.all([under, ...waiting])
    expect(await queue.run('c', () => Promise.resolve('done'))).toBe('done')
  })
})

describe('pictures made to fill the memory', () => {
  let served: Served
  let server: Server
  let who: Speaker
  let base: string
  beforeAll(async () => {
    served = await serve(inject('postgres'))
    server = createServer(served.application)
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()))
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
    who = await person(served)
  })
  afterAll(async () => {
    server.closeAllConnections()
    server.close()
    await served.close()
  })
  const plain = (width: number, height: number): Promise<Buffer> =>
    sharp({ create: { width, height, channels: 3, background: '#8a9' }, limitInputPixels: false })
      .png({ compressionLevel: 6 })
      .toBuffer()
  const send = (bytes: Buffer): Promise<Response> =>
    fetch(`${base}/files`, { method: 'POST', headers: { cookie: who.cookie }, body: new Uint8Array(bytes) })

  it('are refused by what their header says, before anything is unpacked', async () => {
    const bytes = await plain(20_000, 20_000) // 1.2 GB of pixels
    await send(await plain(10, 10)) // the process that works them out is there
    const before = process.memoryUsage().rss
    const answer = await send(bytes)
    expect([answer.status, await answer.json()]).toMatchObject([
      413,
      { detail: expect.stringMatching(/66 million pixels/) },
    ])
    expect(process.memoryUsage().rss - before).toBeLessThan(200_000_000)
  })
  it('four large ones at once leave a sign-in under a second, and are all kept', async () => {
    const bytes = await plain(8000, 6000)
    const signIn = async (): Promise<number> => {
      const start = performance.now()
      const answer = await fetch(`${base}/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email: who.email, password }),
      })
      expect(answer.status).toBe(200)
      return performance.now() - start
    }
    const alone = await signIn()
    const sent = Promise.all([1, 2, 3, 4].map(() => send(bytes)))
    const times = [await signIn(), await signIn(), await signIn(), await signIn()]
    // a second on an ordinary machine; on one that is slower all by itself, what it takes there and as much again
    expect(Math.max(...times)).toBeLessThan(Math.max(1000, 4 * alone))
    expect((await sent).map((answer) => answer.status)).toEqual([201, 201, 201, 201])
  })
})
