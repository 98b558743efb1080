/** The client's page by its link: what it opens and shuts, what an answer moves, a signature on exactly what was shown, and nothing of the studio. */
import { createHash } from 'node:crypto'
import sharp from 'sharp'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { presentNow } from '#core/client/now.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { presentedParts } from '#core/makeover/client-choices.ts'
import { minor } from '#core/money/minor.ts'
import { candidateOf, pieceOf, testToday } from '#core/testing/small-makeover.ts'
import type { Signed } from '../changes/signings.ts'
import type { Letter } from '../post/routes.ts'
import { makeover, password, person, serve, signedIn, testTime, type Served, type Speaker } from '../testing/studio.ts'
import type { Shown } from './shown.ts'

let served: Served
let who: Speaker
let stranger: Speaker
let id: string
let clientId: string
const [second, piece, chosen, instead, question, version] = [uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7()]
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  stranger = await person(served)
  const world = await makeover(who)
  id = world.ids.makeover
  clientId = world.ids.client
  const category = Object.values(world.categories)[0] ?? ''
  const offer = (name: string) =>
    candidateOf(piece, world.ids.seller, { name, priceMinor: minor(77_777), leadDays: 10, tradePpm: 123_456 })
  const answer = await who.change(id, [
    add('client', second, { name: 'The second client' }),
    add(
      'piece',
      piece,
      pieceOf(world.ids.room, category, { name: 'Bench', chosenId: chosen, chosenReason: 'One wood with the floor' }),
    ),
    add('candidate', chosen, offer('Larch bench')),
    add('candidate', instead, offer('Ash settle')),
    add('question', question, {
      pieceId: piece,
      candidateId: null,
      ask: 'Is the bench right?',
      askedOn: testToday,
      neededBy: null,
      answer: 'waiting',
      answerNote: '',
      answeredById: null,
      answeredOn: null,
    } as never),
  ])
  expect(answer.status, answer.text).toBe(200)
  await send(1)
})
afterAll(() => served.close())

async function send(number: number, row = version, isLive = false): Promise<void> {
  const { makeover: opened, studio } = await who.open(id)
  const parts = presentedParts.join(', ')
  const kept = isLive ? '' : JSON.stringify(presentNow({ makeover: opened, studio }, parts, 'Dear both', testToday))
  const answer = await who.change(id, [
    add('presentation', row, { number, greeting: 'Dear both', sentOn: testToday, isLive, parts, kept }),
  ])
  expect(answer.status, answer.text).toBe(200)
}
async function letter(body: object = {}): Promise<Letter & { token: string }> {
  const answer = await who.post(`/makeovers/${id}/letters`, { clientId, days: 30, word: '', ...body })
  expect(answer.status, answer.text).toBe(201)
  const told = answer.body as Letter
  return { ...told, token: (told.opens ?? '').split('#')[1] ?? '' }
}
const asGuest = (token: string, method: 'get' | 'post', path: string, word?: string) => {
  const asked = request(served.application)[method](`/api/guest${path}`).set('x-bonitas-link', token)
  return word === undefined ? asked : asked.set('x-bonitas-word', encodeURIComponent(word))
}
const look = async (token: string): Promise<Shown> => (await asGuest(token, 'get', '')).body as Shown
const reply = (fields: object) => ({
  id: uuidv7(),
  pieceId: null,
  questionId: null,
  presentationId: null,
  says: 'comment',
  words: '',
  about: '',
  atX: null,
  atY: null,
  ...fields,
})

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
    const other = await makeover(stranger)
    const made = await stranger.post(`/makeovers/${other.ids.makeover}/letters`, {
      clientId: other.ids.client,
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
    expect((await who.post(`/makeovers/${id}/letters`, { clientId: other.ids.client, days: 3, word: '' })).status).toBe(
      404,
    )
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
    const other = await letter({ clientId: second })
    expect(
      (await asGuest(other.token, 'post', '/replies').send(reply({ pieceId: piece, says: 'another', about: chosen })))
        .status,
    ).toBe(201)
    const codes = async () => {
      const { reckon } = await import('#core/reckoning/reckon.ts')
      const { makeover: opened, studio } = await who.open(id)
      return reckon({ makeover: opened, studio }, testToday).remarks.map(({ code }) => code)
    }
    expect(await codes()).toContain('reveal.disagree')
    await asGuest(other.token, 'post', '/replies').send(reply({ pieceId: piece, says: 'yes', about: chosen }))
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

describe('a signature', () => {
  const draft = uuidv7()
  const begin = async (): Promise<void> => {
    const { rows } = (await who.open(id)).makeover
    const lines = Object.values(rows.category).map((category, at) =>
      add('agreementLine', uuidv7(), { agreementId: draft, categoryId: category.id, amountMinor: minor(100_000 + at) }),
    )
    const answer = await who.change(id, [
      add('agreement', draft, {
        number: 2,
        contingencyMinor: minor(5_000),
        signedById: null,
        signedOn: null,
        reason: 'The bench too',
        kept: '',
      }),
      ...lines,
    ])
    expect(answer.status, answer.text).toBe(200)
  }
  it('is to exactly the words and figures shown: refused where they changed a second ago, with the new ones', async () => {
    await begin()
    const { token } = await letter()
    const { toSign } = await look(token)
    if (!toSign) throw new Error('there is something to sign')
    // the digest is that of the shown words and figures, reckoned here on its own
    const text = [
      toSign.number,
      toSign.reason,
      ...toSign.sums.map(({ category, amount }) => `${category}=${amount}`),
      toSign.contingency,
    ].join('\n')
    expect(toSign.digest).toBe(createHash('sha256').update(text).digest('hex'))
    const row = (await who.open(id)).makeover.rows.agreement[draft]
    if (!row) throw new Error('it is there')
    await who.change(id, [edit('agreement', row, { contingencyMinor: minor(9_000) })])
    const refused = await asGuest(token, 'post', '/signatures').send({
      agreementId: draft,
      name: 'A Client',
      digest: toSign.digest,
    })
    expect(refused.status).toBe(409)
    expect((refused.body as { toSign: { contingency: number } }).toSign.contingency).toBe(9_000)
    expect((await who.open(id)).makeover.rows.agreement[draft]?.signedOn).toBeNull()
  })
  it('of only spaces is refused', async () => {
    const { token } = await letter()
    const { toSign } = await look(token)
    const answer = await asGuest(token, 'post', '/signatures').send({
      agreementId: draft,
      name: '   ',
      digest: toSign?.digest,
    })
    expect(answer.status).toBe(422)
    expect((answer.body as { detail: string }).detail).toContain('type your name')
  })
  it('keeps who, when, from where and what, bound by its digest; twice at once it is signed once', async () => {
    const { token } = await letter()
    const { toSign } = await look(token)
    const sign = () =>
      asGuest(token, 'post', '/signatures').send({ agreementId: draft, name: 'Ada  Client', digest: toSign?.digest })
    const answers = await Promise.all([sign(), sign()])
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409])
    const signed = ((await who.get(`/makeovers/${id}/signings`)).body as Signed[]).find(
      (met) => met.agreementId === draft,
    )
    expect(signed?.here).toMatchObject({
      typedBy: 'Ada  Client',
      holds: true,
      typedAt: new Date(testTime).toISOString(),
    })
    expect(signed?.here?.byClient?.from).not.toBe('')
    expect((await who.open(id)).makeover.rows.agreement[draft]).toMatchObject({
      signedById: clientId,
      signedOn: testToday,
    })
    expect((await look(token)).toSign).toBeNull()
  })
})

describe('the post, simulated', () => {
  it('lists what would be sent, loses and holds up on request, and forgets the link of an old letter', async () => {
    const sent = await letter()
    const fate = async (state: string) => (await who.post(`/letters/${sent.id}`, { state })).body as Letter
    expect(await fate('lost')).toMatchObject({ state: 'lost', opens: null })
    expect(await fate('held up')).toMatchObject({ state: 'held up', opens: null })
    served.clock.time = testTime + 3 * 86_400_000
    const list = async () => ((await who.get('/letters')).body as Letter[]).find((met) => met.id === sent.id)
    expect((await list())?.opens).toBe(sent.opens)
    served.clock.time = testTime + 13.9 * 86_400_000
    expect((await list())?.opens).toBe(sent.opens)
    served.clock.time = testTime + 14.1 * 86_400_000
    who = await signedIn(served, { email: who.email, password })
    expect(await list()).toMatchObject({ opens: null })
    served.clock.time = testTime
  })
  it('is nobody’s of another studio', async () => {
    const sent = await letter()
    expect(((await stranger.get('/letters')).body as Letter[]).some((met) => met.id === sent.id)).toBe(false)
    expect((await stranger.post(`/letters/${sent.id}`, { state: 'lost' })).status).toBe(404)
  })
})
