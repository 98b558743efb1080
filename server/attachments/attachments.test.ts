import { createHash } from 'node:crypto'
import sharp from 'sharp'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { makeover, person, serve, type Served } from '../testing/studio.ts'

let served: Served
let who: Awaited<ReturnType<typeof person>>
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

const send = (bytes: Buffer, cookie = who.cookie) => request(served.application).post('/api/files').set('cookie', cookie).set('content-type', 'application/octet-stream').send(bytes)
const picture = (format: 'png' | 'jpeg' | 'webp') => sharp({ create: { width: 8, height: 6, channels: 3, background: '#a84f33' } })[format]().toBuffer()
const digest = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex')

describe('a file', () => {
  it.each(['png', 'jpeg', 'webp'] as const)('that is a %s is kept by its content, once, and given back byte by byte', async (format) => {
    const bytes = await picture(format)
    const kept = await send(bytes)
    expect(kept.status).toBe(201)
    expect(kept.body).toEqual({ sha256: digest(bytes), mediaType: `image/${format}`, bytes: bytes.length })
    expect((await send(bytes)).body).toEqual(kept.body)
    const back = await request(served.application).get(`/api/files/${digest(bytes)}`).set('cookie', who.cookie).buffer(true)
    expect(Buffer.compare(back.body as Buffer, bytes)).toBe(0)
    expect(back.headers['content-security-policy']).toBe("default-src 'none'; sandbox")
    expect(back.headers['x-content-type-options']).toBe('nosniff')
  })
  it('that is a PDF is given as a download', async () => {
    const pdf = Buffer.from('%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n')
    expect((await send(pdf)).body).toMatchObject({ mediaType: 'application/pdf' })
    expect((await request(served.application).get(`/api/files/${digest(pdf)}`).set('cookie', who.cookie)).headers['content-disposition']).toMatch(/^attachment/)
  })
  it.each([
    ['a page that calls itself a picture', Buffer.from('<!doctype html><script>alert(1)</script>'), /no picture and no PDF/],
    ['an SVG with a script', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'), /expected a JPEG, a PNG, a WebP, a PDF/],
    ['a program', Buffer.concat([Buffer.from([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1, 0]), Buffer.alloc(200)]), /By its content this is application\/x-elf/],
    ['a HEIC', Buffer.concat([Buffer.from([0, 0, 0, 0x18]), Buffer.from('ftypheic'), Buffer.alloc(100)]), /JPEG/],
  ])('that is %s is refused with what to do', async (_name, bytes, words) => {
    const answer = await send(bytes)
    expect(answer.status).toBe(415)
    expect((answer.body as { detail: string }).detail).toMatch(words)
  })
  it('of more than 10 MB is refused, and an empty one', async () => {
    const large = await send(Buffer.alloc(10 * 1024 * 1024 + 1))
    expect(large.status).toBe(413)
    expect((large.body as { detail: string }).detail).toMatch(/at most 10 MB/)
    expect((await send(Buffer.alloc(0))).status).toBe(400)
  })
  it('of another studio is not found, and cannot be hung on anything there', async () => {
    const bytes = await picture('png')
    const { sha256 } = (await send(bytes)).body as { sha256: string }
    const stranger = await person(served)
    expect((await stranger.get(`/files/${sha256}`)).status).toBe(404)
    expect((await stranger.get('/files/..%2F..%2Fetc%2Fpasswd')).status).toBe(404)
    const world = await makeover(stranger)
    const clipping = uuidv7()
    const hung = (digestOf: string) => [add('attachment', uuidv7(), { ...blank.attachment, inspirationId: clipping, sha256: digestOf, mediaType: 'image/png', bytes: bytes.length, name: 'x.png', addedOn: plainDate('2027-03-01') })]
    expect((await stranger.change(world.ids.makeover, [add('inspiration', clipping, { name: 'A picture', liked: '', materials: '', hues: '', words: '' })])).status).toBe(200)
    expect((await stranger.change(world.ids.makeover, hung(sha256))).status).toBe(422)
    await send(bytes, stranger.cookie)
    expect((await stranger.change(world.ids.makeover, hung(sha256))).status).toBe(200)
  })
  it('without a sign-in is neither taken nor given', async () => {
    expect((await send(await picture('png'), 'bonitas=nothing')).status).toBe(401)
  })
})
