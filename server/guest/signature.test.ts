/** A signature on exactly the words and figures that were shown; and the simulated post that carries the link. */
import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { add, edit } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { testToday } from '#core/testing/small-makeover.ts'
import type { Signed } from '../changes/signings.ts'
import type { Letter } from '../post/routes.ts'
import { clientWorld, type ClientWorld } from '../testing/client.ts'
import { password, signedIn, testTime } from '../testing/studio.ts'

let served: ClientWorld['served']
let who: ClientWorld['who']
let stranger: ClientWorld['stranger']
let id: ClientWorld['id']
let clientId: ClientWorld['clientId']
let letter: ClientWorld['letter']
let asGuest: ClientWorld['asGuest']
let look: ClientWorld['look']
beforeAll(async () => {
  ;({ served, who, stranger, id, clientId, letter, asGuest, look } = await clientWorld(inject('postgres')))
})
afterAll(() => served.close())

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

describe('the closing statement, signed by the client on their own page', () => {
  const sign = (token: string, body: object) => asGuest(token, 'post', '/closings').send(body)
  it('is put before them once all is settled, and closes under the figures of the moment they sign', async () => {
    expect((await who.post(`/makeovers/${id}/closings`, { signedById: null })).status).toBe(201)
    expect((await who.post(`/makeovers/${id}/closings`, { signedById: null })).status).toBe(422)
    const { token } = await letter()
    const { toClose } = await look(token)
    if (!toClose) throw new Error('there is something to sign')
    // reckoned here on its own, of the words as they came over the line
    expect(toClose.digest).toBe(createHash('sha256').update(JSON.stringify(toClose.statement)).digest('hex'))
    expect(toClose.statement).toMatchObject({ for: 'client', margin: null })
    const named = { closingId: toClose.id, name: 'Ada Client', digest: toClose.digest }
    expect((await sign(token, { ...named, name: '  ' })).status).toBe(422)
    // a thing more on the list a second ago: refused, and the new figures come with the refusal
    const { makeover } = await who.open(id)
    const bench = Object.values(makeover.rows.piece)[0]
    if (!bench) throw new Error('there is a bench')
    expect(
      (await who.change(id, [edit('piece', bench, { allowanceMinor: minor(42_00), chosenId: null })])).status,
    ).toBe(200)
    const refused = await sign(token, named)
    expect(refused.status).toBe(409)
    const anew = (refused.body as { toClose: { digest: string } }).toClose
    expect(anew.digest).not.toBe(toClose.digest)
    // twice at once: signed once
    const twice = await Promise.all([1, 2].map(() => sign(token, { ...named, digest: anew.digest })))
    expect(twice.map(({ status }) => status).sort()).toEqual([201, 409])
    const kept = (await who.open(id)).makeover.rows.closing[toClose.id]
    expect(kept).toMatchObject({ signedById: clientId, digest: anew.digest, closedOn: testToday })
    expect(
      createHash('sha256')
        .update(kept?.statement ?? '')
        .digest('hex'),
    ).toBe(anew.digest)
    const typed = ((await who.get(`/makeovers/${id}/signings`)).body as Signed[]).find(
      (met) => met.agreementId === toClose.id,
    )
    expect(typed?.here).toMatchObject({ typedBy: 'Ada Client', holds: true, digest: anew.digest })
    const after = await look(token)
    expect([after.toClose, after.closed]).toEqual([null, [{ closedOn: testToday, digest: anew.digest }]])
  })
  it('of another makeover, or taken back, opens nothing', async () => {
    const { token } = await letter()
    const answer = await sign(token, { closingId: uuidv7(), name: 'Ada', digest: 'c'.repeat(64) })
    expect(answer.status).toBe(409)
    expect((await sign('x'.repeat(43), { closingId: uuidv7(), name: 'Ada', digest: 'c'.repeat(64) })).status).toBe(404)
  })
})

describe('the post, simulated', () => {
  it('is nobody’s of another studio', async () => {
    const sent = await letter()
    expect(((await stranger.get('/letters')).body as Letter[]).some((met) => met.id === sent.id)).toBe(false)
    expect((await stranger.post(`/letters/${sent.id}`, { state: 'lost' })).status).toBe(404)
  })
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
    const later = await signedIn(served, { email: who.email, password })
    expect(((await later.get('/letters')).body as Letter[]).find((met) => met.id === sent.id)).toMatchObject({
      opens: null,
    })
    served.clock.time = testTime
  })
})
