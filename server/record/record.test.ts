/** The record: it tells who did what and when, of one studio alone, and nobody takes anything out of it. */
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { helper, makeover, password, person, serve, type Served } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

type Deed = { readonly at: string; readonly who: string; readonly what: string; readonly makeover: string | null }
const recordOf = async (who: Awaited<ReturnType<typeof person>>): Promise<Deed[]> =>
  (await who.get('/record')).body as Deed[]
/** It is written as the answer goes out. */
async function told(who: Awaited<ReturnType<typeof person>>, what: RegExp): Promise<Deed> {
  for (let at = 0; at < 50; at++) {
    const found = (await recordOf(who)).find((deed) => what.test(deed.what))
    if (found) return found
    await new Promise((done) => setTimeout(done, 20))
  }
  throw new Error(`${what.source} is not in the record`)
}

describe('the record', () => {
  it('holds sign-ins, files that go out, and who was let in, with the makeover by its name', async () => {
    const who = await person(served)
    const world = await makeover(who)
    expect(await told(who, /^signed in$/)).toMatchObject({ makeover: null })
    await who.get(`/makeovers/${world.ids.makeover}/export`)
    expect((await told(who, /a makeover out/)).makeover).not.toBeNull()
    await who.get(`/makeovers/${world.ids.makeover}/take-off.csv`)
    await told(who, /paper or a table/)
    await helper(served, who)
    await told(who, /invited somebody as member/)
    expect((await told(who, /came in by an invitation/)).who).toBe('A helper')
    await who.get('/studio/export')
    await told(who, /all of the studio/)
    // newest first, and each at its moment
    const moments = (await recordOf(who)).map(({ at }) => Date.parse(at))
    expect(moments).toEqual(moments.toSorted((left, right) => right - left))
  })
  it('says nothing of what was refused, nor of another studio', async () => {
    const [who, stranger] = [await person(served), await person(served)]
    const world = await makeover(who)
    await stranger.get(`/makeovers/${world.ids.makeover}/export`)
    await who.post('/invitations', { email: 'no email', role: 'member', seesCosts: true })
    await who.get('/studio/export')
    await told(who, /all of the studio/)
    expect((await recordOf(who)).some(({ what }) => /invited|a makeover out/.test(what))).toBe(false)
    expect((await recordOf(stranger)).some(({ what }) => /out as a file/.test(what))).toBe(false)
  })
  it('is told to nobody who is not signed in, and holds no word of a password', async () => {
    expect((await request(served.application).get('/api/record')).status).toBe(401)
    const who = await person(served)
    expect(JSON.stringify(await recordOf(who))).not.toContain(password)
  })
})
