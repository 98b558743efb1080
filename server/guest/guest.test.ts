/** The client's page by its link: what it opens and shuts, and what an answer moves; and nothing of the studio. */
import sharp from 'sharp'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { edit } from '#core/makeover/change.ts'
import { testToday } from '#core/testing/small-makeover.ts'
import type { Letter } from '../post/routes.ts'
import { clientWorld, type ClientWorld } from '../testing/client.ts'
import { makeover, serve, testTime } from '../testing/studio.ts'
import type { Shown } from '#core/client/shown.ts'

let served: ClientWorld['served']
let who: ClientWorld['who']
let stranger: ClientWorld['stranger']
let id: ClientWorld['id']
let clientId: ClientWorld['clientId']
let second: ClientWorld['second']
let piece: ClientWorld['piece']
let chosen: ClientWorld['chosen']
let instead: ClientWorld['instead']
let question: ClientWorld['question']
let version: ClientWorld['version']
let send: ClientWorld['send']
let letter: ClientWorld['letter']
let asGuest: ClientWorld['asGuest']
let look: ClientWorld['look']
let reply: ClientWorld['reply']
beforeAll(async () => {
  ;({
    served,
    who,
    stranger,
    id,
    clientId,
    second,
    piece,
    chosen,
    instead,
    question,
    version,
    send,
    letter,
    asGuest,
    look,
    reply,
  } = await clientWorld(inject('postgres')))
})
afterAll(() => served.close())

describe('the page', () => {
  it('shows what was sent, and not a word, price or rate of the studio’s own', async () => {
    const { token } = await letter()
    const answer = await asGuest(token, 'get', '')
    expect(answer.status).toBe(200)
    const shown = answer.body as Shown
    expect(shown.presented?.choices).toMatchObject([
      { name: 'Bench', chosen: 'Larch bench', reason: 'One wood with the floor' },
    ])
    for (const secret of [
      '77777',
      '123456',
      'Ash settle',
      'A seller',
      who.email,
      who.studioId,
      'tradePpm',
      'priceMinor',
      'sellerId',
    ])
      expect(answer.text, secret).not.toContain(secret)
  })
  it('stays as it was when it was sent, while the makeover goes on; a live one goes along', async () => {
    const { token } = await letter()
    const row = (await who.open(id)).makeover.rows.piece[piece]
    if (!row) throw new Error('it is there')
    await who.change(id, [edit('piece', row, { chosenReason: 'Another reason' })])
    expect((await look(token)).presented?.choices?.[0]?.reason).toBe('One wood with the floor')
    await send(2, uuidv7(), true)
    expect((await look(token)).presented?.choices?.[0]?.reason).toBe('Another reason')
    await send(3, uuidv7())
  })
  it('as PDF', async () => {
    const { token } = await letter()
    const answer = await asGuest(token, 'get', '/presentation.pdf')
    expect(answer.status).toBe(200)
    expect((answer.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
  })
  it('asks for its word where it has one', async () => {
    const { token } = await letter({ word: 'Sœurs & Tern' })
    expect((await asGuest(token, 'get', '')).status).toBe(401)
    expect((await asGuest(token, 'get', '', 'no')).status).toBe(401)
    expect((await asGuest(token, 'get', '', 'Sœurs & Tern')).status).toBe(200)
  })
})

describe('every way in', () => {
  const ways = [
    ['get', ''],
    ['post', '/replies'],
    ['post', '/signatures'],
    ['post', `/pictures/${uuidv7()}`],
    ['get', `/pictures/${'a'.repeat(64)}`],
    ['get', '/presentation.pdf'],
  ] as const
  it.each(ways)(
    '%s %s is shut to a wrong, cut, old, revoked and another kind of link, all with one answer',
    async (method, path) => {
      const old = await letter({ days: 1 })
      const gone = await letter()
      expect(
        (await request(served.application).delete(`/api/letters/${gone.id}/link`).set('cookie', who.cookie)).status,
      ).toBe(204)
      const calendar = (
        await who.post(`/makeovers/${id}/links`, { opens: 'calendar', forWhom: null, days: null, word: '' })
      ).body as { token: string }
      served.clock.time = testTime + 2 * 86_400_000
      const tokens = ['', 'A'.repeat(43), gone.token, old.token, calendar.token, gone.token.slice(1)]
      const answers = []
      for (const token of tokens) answers.push(await asGuest(token, method, path))
      served.clock.time = testTime
      expect(answers.map(({ status }) => status)).toEqual(tokens.map(() => 404))
      expect(new Set(answers.map(({ text }) => text)).size).toBe(1)
    },
  )
  it('a link kept open shuts at its next step once it is taken back', async () => {
    const kept = await letter()
    expect((await look(kept.token)).client).not.toBe('')
    await request(served.application).delete(`/api/letters/${kept.id}/link`).set('cookie', who.cookie)
    expect((await asGuest(kept.token, 'post', '/replies').send(reply({ pieceId: piece, says: 'yes' }))).status).toBe(
      404,
    )
  })
  it('a link of another makeover says nothing of this one, and nothing here can be named from there', async () => {
    const theirs = await makeover(stranger)
    const made = await stranger.post(`/makeovers/${theirs.ids.makeover}/letters`, {
      clientId: theirs.ids.client,
      days: 3,
      word: '',
    })
    const token = ((made.body as Letter).opens ?? '').split('#')[1] ?? ''
    expect((await asGuest(token, 'get', '')).text).not.toContain('Bench')
    for (const fields of [
      { pieceId: piece, says: 'yes' },
      { questionId: question, says: 'yes' },
      { presentationId: version, says: 'yes' },
    ])
      expect((await asGuest(token, 'post', '/replies').send(reply(fields))).status).toBe(404)
    expect((await stranger.post(`/makeovers/${id}/letters`, { clientId, days: 3, word: '' })).status).toBe(404)
    expect(
      (await who.post(`/makeovers/${id}/letters`, { clientId: theirs.ids.client, days: 3, word: '' })).status,
    ).toBe(404)
  })
})

describe('an answer', () => {
  it('comes in as the client’s own, answers what was asked, and is not taken twice', async () => {
    const { token } = await letter()
    const yes = reply({ pieceId: piece, says: 'yes', about: chosen, words: 'Lovely' })
    const [first, again] = await Promise.all([
      asGuest(token, 'post', '/replies').send(yes),
      asGuest(token, 'post', '/replies').send(yes),
    ])
    expect([first.status, again.status].sort()[0]).toBe(201)
    const { makeover: after } = await who.open(id)
    expect(Object.values(after.rows.reply).filter((row) => row.id === yes.id)).toMatchObject([
      { clientId, says: 'yes', words: 'Lovely', seenOn: null },
    ])
    expect(after.rows.question[question]).toMatchObject({ answer: 'yes', answeredById: clientId, answerNote: 'Lovely' })
    const history = (await who.get(`/makeovers/${id}/changes`)).text
    expect(history).toContain('says yes to Bench')
    expect(history).toContain('the client’s page')
  })
  it('of two clients that differ is shown to differ, until one of them comes round', async () => {
    const partner = await letter({ clientId: second })
    expect(
      (await asGuest(partner.token, 'post', '/replies').send(reply({ pieceId: piece, says: 'another', about: chosen })))
        .status,
    ).toBe(201)
    const codes = async () => {
      const { reckon } = await import('#core/reckoning/reckon.ts')
      const { makeover: opened, studio } = await who.open(id)
      return reckon({ makeover: opened, studio }, testToday).remarks.map(({ code }) => code)
    }
    expect(await codes()).toContain('reveal.disagree')
    await asGuest(partner.token, 'post', '/replies').send(reply({ pieceId: piece, says: 'yes', about: chosen }))
    expect(await codes()).not.toContain('reveal.disagree')
    // what is chosen changes: the yes was to something else
    const row = (await who.open(id)).makeover.rows.piece[piece]
    if (!row) throw new Error('it is there')
    await who.change(id, [edit('piece', row, { chosenId: instead })])
    expect(await codes()).toContain('reveal.asks-again')
  })
  it.each([
    [{ says: 'comment', words: '   ' }, 422, /write what you want/],
    [{ says: 'comment', words: 'x'.repeat(100_000) }, 422, /at most 4000/],
    [{ says: 'shouts' }, 422, /says/],
    [{ says: 'yes', atX: 3 }, 422, /atX/],
    [{ says: 'yes', pieceId: uuidv7() }, 404, /./],
  ])('%o is refused', async (fields, status, says) => {
    const { token } = await letter()
    const answer = await asGuest(token, 'post', '/replies').send(reply({ presentationId: version, ...fields }))
    expect(answer.status).toBe(status)
    expect((answer.body as { detail: string }).detail).toMatch(says)
  })
  it('brings a picture, turned and without its place, and has only its own back', async () => {
    const { token } = await letter()
    const said = reply({ presentationId: version, says: 'comment', words: 'Like this' })
    await asGuest(token, 'post', '/replies').send(said)
    const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a86' } })
      .jpeg()
      .toBuffer()
    const sent = await asGuest(token, 'post', `/pictures/${said.id}`)
      .set('content-type', 'application/octet-stream')
      .send(picture)
    expect(sent.status, sent.text).toBe(201)
    const [sha256] = (sent.body as Shown).replies.find((met) => met.id === said.id)?.pictures ?? []
    expect((await asGuest(token, 'get', `/pictures/${sha256}`)).status).toBe(200)
    expect((await asGuest(token, 'get', `/pictures/${'b'.repeat(64)}`)).status).toBe(404)
    const text = await asGuest(token, 'post', `/pictures/${said.id}`)
      .set('content-type', 'application/octet-stream')
      .send(Buffer.from('no picture'))
    expect(text.status).toBe(415)
    const huge = await sharp({ create: { width: 10_000, height: 6_200, channels: 3, background: '#fff' } })
      .png()
      .toBuffer()
    const large = await asGuest(token, 'post', `/pictures/${said.id}`)
      .set('content-type', 'application/octet-stream')
      .send(huge)
    // of 62 megapixels: it is taken, and made as small as it is kept
    expect(large.status, large.text).toBe(201)
    const notTheirs = await letter({ clientId: second })
    expect(
      (
        await asGuest(notTheirs.token, 'post', `/pictures/${said.id}`)
          .set('content-type', 'application/octet-stream')
          .send(picture)
      ).status,
    ).toBe(404)
  }, 60_000)
})

it('from one address so many a minute, and then it says so', async () => {
  const small = await serve(inject('postgres'), { guestActs: 3 })
  const token = 'A'.repeat(43)
  const ask = () => request(small.application).post('/api/guest/replies').set('x-bonitas-link', token).send({})
  const statuses = []
  for (let tries = 0; tries < 5; tries++) statuses.push((await ask()).status)
  await small.close()
  expect(statuses).toEqual([404, 404, 404, 429, 429])
})
