/** A makeover with two clients, a choice they are asked about, and a version that was sent; and a client who comes by a letter. For tests. */
import request from 'supertest'
import { expect } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { presentNow } from '#core/client/now.ts'
import { add } from '#core/makeover/change.ts'
import { presentedParts } from '#core/makeover/client-choices.ts'
import { minor } from '#core/money/minor.ts'
import { candidateOf, pieceOf, testToday } from '#core/testing/small-makeover.ts'
import type { Shown } from '#core/client/shown.ts'
import type { Letter } from '../post/routes.ts'
import { makeover, person, serve } from './studio.ts'

export async function clientWorld(address: string) {
  const served = await serve(address)
  const who = await person(served)
  const stranger = await person(served)
  const [second, piece, chosen, instead, question, version] = [
    uuidv7(),
    uuidv7(),
    uuidv7(),
    uuidv7(),
    uuidv7(),
    uuidv7(),
  ] as const
  const world = await makeover(who)
  const id = world.ids.makeover
  const clientId = world.ids.client
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
  await send(1)
  return {
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
  }
}
export type ClientWorld = Awaited<ReturnType<typeof clientWorld>>
