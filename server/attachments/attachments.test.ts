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

const send = (bytes: Buffer, cookie = who.cookie) =>
  request(served.application)
    .post('/api/files')
    .set('cookie', cookie)
    .set('content-type', 'application/octet-stream')
    .send(bytes)
const picture = (format: 'png' | 'jpeg' | 'webp') =>
  sharp({ create: { width: 8, height: 6, channels: 3, background: '#a84f33' } })
    [format]()
    .toBuffer()
const digest = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex')

describe('a file', () => {
  it.each(['png', 'jpeg', 'webp'] as const)(
    'that is a %s is kept by its content, once, and given back byte by byte',
    async (format) => {
      const bytes = await picture(format)
      const kept = await send(bytes)
      expect(kept.status).toBe(201)
      expect(kept.body).toEqual({ sha256: digest(bytes), mediaType: `image/${format}`, bytes: bytes.length })
      expect((await send(bytes)).body).toEqual(kept.body)
      const back = await request(served.application)
        .get(`/api/files/${digest(bytes)}`)
        .set('cookie', who.cookie)
        .buffer(true)
      expect(Buffer.compare(back.body as Buffer, bytes)).toBe(0)
      expect(back.headers['content-security-policy']).toBe("default-src 'none'; sandbox")
      expect(back.headers['x-content-type-options']).toBe('nosniff')
    },
  )
  /** A red half over a blue half, as a camera held on its side writes it: with its turn, its place and its maker in the EXIF. */
  const onItsSide = async (): Promise<Buffer> => {
    const half = (background: string) =>
      sharp({ create: { width: 60, height: 40, channels: 3, background } })
        .png()
        .toBuffer()
    const upright = sharp({ create: { width: 60, height: 80, channels: 3, background: '#000' } }).composite([
      { input: await half('#d01010'), top: 0, left: 0 },
      { input: await half('#1010d0'), top: 40, left: 0 },
    ])
    const turned = await sharp(await upright.png().toBuffer())
      .rotate(270)
      .jpeg({ quality: 95 })
      .toBuffer()
    return sharp(turned)
      .withMetadata({ orientation: 6 })
      .withExifMerge({
        IFD0: { Make: 'A camera', Orientation: '6' },
        IFD3: { GPSLatitude: '38/1 42/1 0/1', GPSLatitudeRef: 'N' },
      })
      .toBuffer()
  }
  it('taken on its side is turned upright, and forgets where and with what it was taken', async () => {
    const bytes = await onItsSide()
    const before = await sharp(bytes).metadata()
    expect([before.orientation, before.width, before.height]).toEqual([6, 80, 60])
    expect(bytes.includes('A camera')).toBe(true)
    const { sha256 } = (await send(bytes)).body as { sha256: string }
    for (const path of ['', '/thumbnail']) {
      const back = (
        await request(served.application).get(`/api/files/${sha256}${path}`).set('cookie', who.cookie).buffer(true)
      ).body as Buffer
      const { orientation, width, height, exif } = await sharp(back).metadata()
      expect([orientation ?? 1, width, height, exif]).toEqual([1, 60, 80, undefined])
      for (const word of ['A camera', 'GPS', 'Exif']) expect(back.includes(word)).toBe(false)
      const { data } = await sharp(back)
        .extract({ left: 30, top: 10, width: 1, height: 1 })
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      expect([...data].map((channel) => channel > 150)).toEqual([true, false, false]) // red is on top
    }
  })
  it('that is large has a small picture beside it, and a PDF has none', async () => {
    const bytes = await sharp({ create: { width: 3000, height: 1500, channels: 3, background: '#a84f33' } })
      .jpeg()
      .toBuffer()
    const { sha256 } = (await send(bytes)).body as { sha256: string }
    const small = await request(served.application)
      .get(`/api/files/${sha256}/thumbnail`)
      .set('cookie', who.cookie)
      .buffer(true)
    expect(small.headers['content-type']).toBe('image/webp')
    expect(small.headers['content-security-policy']).toBe("default-src 'none'; sandbox")
    expect(await sharp(small.body as Buffer).metadata()).toMatchObject({ width: 480, height: 240 })
    const pdf = Buffer.from('%PDF-1.4\n2 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n')
    const kept = (await send(pdf)).body as { sha256: string }
    expect((await who.get(`/files/${kept.sha256}/thumbnail`)).status).toBe(404)
  })
  it.each(['jpeg', 'png', 'webp'] as const)(
    'that is a %s cut short, or spoilt within, is refused with what to do',
    async (format) => {
      const whole = await sharp({
        create: {
          width: 400,
          height: 300,
          channels: 3,
          background: '#a84f33',
          noise: { type: 'gaussian', mean: 128, sigma: 40 },
        },
      })
        [format]()
        .toBuffer()
      const cut = await send(whole.subarray(0, Math.floor(whole.length / 2)))
      expect(cut.status).toBe(415)
      expect((cut.body as { detail: string }).detail).toMatch(/damaged or cut short/)
    },
  )
  it('that is a PDF is given as a download', async () => {
    const pdf = Buffer.from('%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n')
    expect((await send(pdf)).body).toMatchObject({ mediaType: 'application/pdf' })
    expect(
      (
        await request(served.application)
          .get(`/api/files/${digest(pdf)}`)
          .set('cookie', who.cookie)
      ).headers['content-disposition'],
    ).toMatch(/^attachment/)
  })
  it.each([
    [
      'a page that calls itself a picture',
      Buffer.from('<!doctype html><script>alert(1)</script>'),
      /no picture and no PDF/,
    ],
    [
      'an SVG with a script',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      /expected a JPEG, a PNG, a WebP, a PDF/,
    ],
    [
      'a program',
      Buffer.concat([Buffer.from([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1, 0]), Buffer.alloc(200)]),
      /By its content this is application\/x-elf/,
    ],
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
    const hung = (digestOf: string) => [
      add('attachment', uuidv7(), {
        ...blank.attachment,
        inspirationId: clipping,
        sha256: digestOf,
        mediaType: 'image/png',
        bytes: bytes.length,
        name: 'x.png',
        addedOn: plainDate('2027-03-01'),
      }),
    ]
    expect(
      (
        await stranger.change(world.ids.makeover, [
          add('inspiration', clipping, { name: 'A picture', liked: '', materials: '', hues: '', words: '' }),
        ])
      ).status,
    ).toBe(200)
    expect((await stranger.change(world.ids.makeover, hung(sha256))).status).toBe(422)
    await send(bytes, stranger.cookie)
    expect((await stranger.change(world.ids.makeover, hung(sha256))).status).toBe(200)
  })
  it('that comes in parts goes on where the line broke, and is kept as if it had come at once', async () => {
    const whole = await sharp({
      create: {
        width: 900,
        height: 700,
        channels: 3,
        background: '#a84f33',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .png()
      .toBuffer()
    const path = `/api/uploads/${digest(whole)}`
    const asked = (method: 'get' | 'post' | 'put', to: string, cookie = who.cookie) =>
      request(served.application)[method](to).set('cookie', cookie).set('content-type', 'application/octet-stream')
    const size = 400_000
    expect(whole.length).toBeGreaterThan(2 * size)
    const put = (at: number, bytes = whole.subarray(at, at + size)) => asked('put', `${path}/${at}`).send(bytes)
    expect((await asked('get', path)).body).toEqual({ came: 0 })
    expect((await put(0)).body).toEqual({ came: size })
    // sent twice, and sent too far ahead: told how far it has come, and nothing is mixed up
    expect((await put(0)).body).toEqual({ came: size })
    expect((await put(2 * size)).body).toEqual({ came: size })
    const early = await asked('post', path)
    expect([early.status, (early.body as { came: number }).came]).toEqual([409, size])
    for (let { came } = (await asked('get', path)).body as { came: number }; came < whole.length;)
      came = ((await put(came)).body as { came: number }).came
    const stranger = await person(served)
    expect((await asked('get', path, stranger.cookie)).body).toEqual({ came: 0 })
    const kept = await asked('post', path)
    expect(kept.status, kept.text).toBe(201)
    expect(kept.body).toEqual((await send(whole)).body)
    expect((await asked('get', path)).body).toEqual({ came: 0 })
  })
  it('in parts is held to the same: what is no picture goes, what is too large, what has no name', async () => {
    const page = Buffer.from('<!doctype html><script>alert(1)</script>')
    const path = `/api/uploads/${digest(page)}`
    const asked = (method: 'post' | 'put', to: string) =>
      request(served.application)[method](to).set('cookie', who.cookie).set('content-type', 'application/octet-stream')
    expect((await asked('put', `${path}/0`).send(page)).status).toBe(200)
    expect((await asked('post', path)).status).toBe(415)
    expect((await asked('put', `${path}/${10 * 1024 * 1024}`).send(page)).status).toBe(413)
    expect((await asked('put', '/api/uploads/none/0').send(page)).status).toBe(415)
    expect((await asked('put', `${path}/0`).send(Buffer.alloc(1024 * 1024 + 1))).status).toBe(413)
  })
  it('without a sign-in is neither taken nor given', async () => {
    expect((await send(await picture('png'), 'bonitas=nothing')).status).toBe(401)
  })
})
