import sharp from 'sharp'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

describe('what a row says of its file', () => {
  it('is what the file is, or it is refused with where', async () => {
    const { ids } = await makeover(who)
    const bytes = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#a84f33' } })
      .png()
      .toBuffer()
    const kept = (
      await request(served.application)
        .post('/api/files')
        .set('cookie', who.cookie)
        .set('content-type', 'application/octet-stream')
        .send(bytes)
    ).body as { sha256: string; bytes: number }
    const hang = (fields: Partial<{ sha256: string; bytes: number; mediaType: 'image/png' | 'application/pdf' }>) =>
      who.change(ids.makeover, [
        add('attachment', uuidv7(), {
          ...blank.attachment,
          ...kept,
          mediaType: 'image/png',
          name: 'x.png',
          addedOn: plainDate('2027-03-01'),
          roomId: ids.room,
          ...fields,
        }),
      ])
    for (const [fields, field, message] of [
      [{ bytes: 1 }, 'bytes', `expected ${bytes.length}, the size of the file`],
      [{ mediaType: 'application/pdf' }, 'mediaType', 'expected image/png, which the file is by its content'],
      [{ sha256: 'a'.repeat(64) }, 'sha256', 'names a file that is not here: bring it in first'],
    ] as const)
      expect((await hang(fields)).body).toMatchObject({ status: 422, faults: [{ kind: 'attachment', field, message }] })
    expect((await hang({})).status).toBe(200)
  })
})
