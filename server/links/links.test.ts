/** Links for who has no account: what they open, and that they open nothing else, nor any longer than they should. */
import { spawnSync } from 'node:child_process'
import request from 'supertest'
import ICAL from 'ical.js'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { makeover, person, serve, testTime, type Served, type Speaker } from '../testing/studio.ts'
import { withoutTokens } from '../problem.ts'
import type { ShownLink } from './links.ts'

let served: Served
let who: Speaker
let stranger: Speaker
let id: string
const hand = uuidv7()
const own = uuidv7()
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  stranger = await person(served)
  id = (await makeover(who)).ids.makeover
  const answer = await who.change(id, [
    add('hand', hand, { ...blank.hand, name: 'The tilers, “quick & dry”', does: 'tiler', dayMinor: 12_345 as never }),
    add('task', own, {
      ...blank.task,
      name: 'Tile behind the stove',
      trade: 'tiler',
      pinnedOn: plainDate('2027-03-25'),
      likelyDays: 4,
    }),
    add('task', uuidv7(), {
      ...blank.task,
      name: 'Say yes to the tile',
      trade: 'owner',
      pinnedOn: plainDate('2027-03-10'),
    }),
  ])
  expect(answer.status, JSON.stringify(answer.body)).toBe(200)
})
afterAll(() => served.close())

const make = async (body: object): Promise<{ link: ShownLink; token: string }> => {
  const answer = await who.post(`/makeovers/${id}/links`, {
    opens: 'calendar',
    forWhom: null,
    days: null,
    word: '',
    ...body,
  })
  expect(answer.status, answer.text).toBe(201)
  return answer.body as { link: ShownLink; token: string }
}
/** As a calendar program asks: without any session. */
const feed = (token: string) => request(served.application).get(`/api/feeds/${token}.ics`)
const summaries = (text: string): string[] =>
  new ICAL.Component(ICAL.parse(text) as never[])
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event).summary)

describe('a calendar by its link', () => {
  it('is all of it, or what one hand does, for whoever has the link; names no price and no other hand', async () => {
    const all = await make({})
    const mine = await make({ forWhom: hand })
    expect(summaries((await feed(all.token)).text)).toEqual(
      expect.arrayContaining(['Tile behind the stove', 'Say yes to the tile', 'Install day']),
    )
    const text = (await feed(mine.token)).text
    expect(summaries(text)).toEqual(expect.arrayContaining(['Tile behind the stove']))
    expect(summaries(text)).not.toContain('Say yes to the tile')
    for (const { text: told } of [await feed(all.token), await feed(mine.token)]) expect(told).not.toContain('12345')
  })
  it('changes as the plan does: the entry keeps its id, its number grows', async () => {
    const { token } = await make({})
    const entry = async () => {
      const { text } = await feed(token)
      const events = new ICAL.Component(ICAL.parse(text) as never[])
        .getAllSubcomponents('vevent')
        .map((event) => new ICAL.Event(event))
      const found = events.find(({ uid }) => uid === `${own}@${id}`)
      if (!found) throw new Error('it is there')
      return { start: found.startDate.toString(), sequence: found.sequence }
    }
    const before = await entry()
    expect(before.start).toBe('2027-03-25')
    const row = (await who.open(id)).makeover.rows.task[own]
    if (!row) throw new Error('it is there')
    await who.change(id, [{ op: 'put', kind: 'task', id: own, base: row.version, fields: { pinnedOn: '2027-03-29' } }])
    const after = await entry()
    expect(after.start).toBe('2027-03-29')
    expect(after.sequence).toBeGreaterThan(before.sequence)
  })
  it('is read by another program’s library too, whole over the change of clocks', async () => {
    const { token } = await make({})
    const { text } = await feed(token)
    const script = [
      'import sys, icalendar',
      'calendar = icalendar.Calendar.from_ical(sys.stdin.buffer.read())',
      'for event in calendar.walk("VEVENT"):',
      '    print(event["SUMMARY"], event["DTSTART"].dt.isoformat(), event["DTEND"].dt.isoformat(), sep="|")',
    ].join('\n')
    const { stdout, stderr } = spawnSync('/usr/bin/python3', ['-c', script], { input: text, encoding: 'utf8' })
    expect(stderr).toBe('')
    // Monday 29 March to Thursday 1 April 2027; all-day entries end on the day after
    expect(stdout.split('\n')).toContain('Tile behind the stove|2027-03-29|2027-04-02')
    expect(stdout.trim().split('\n')).toHaveLength(summaries(text).length)
  })
})

describe('a link opens no more', () => {
  it('once it is taken back, at once and for good', async () => {
    const { link, token } = await make({})
    expect((await feed(token)).status).toBe(200)
    const taken = () => request(served.application).delete(`/api/makeovers/${id}/links/${link.id}`)
    expect((await taken()).status).toBe(401)
    expect((await taken().set('cookie', stranger.cookie)).status).toBe(404)
    expect((await feed(token)).status).toBe(200)
    expect((await taken().set('cookie', who.cookie)).status).toBe(204)
    expect((await feed(token)).status).toBe(404)
    const [shown] = ((await who.get(`/makeovers/${id}/links`)).body as ShownLink[]).filter(
      (known) => known.id === link.id,
    )
    expect(shown?.revokedAt).not.toBeNull()
  })
  it('once its days are over', async () => {
    const { token } = await make({ days: 2 })
    expect((await feed(token)).status).toBe(200)
    served.clock.time = testTime + 2 * 86_400_000
    expect((await feed(token)).status).toBe(404)
    served.clock.time = testTime
  })
  it('by a token that is another, cut, or none; and says the same of all of them', async () => {
    const { token } = await make({})
    const wrong = [token.slice(0, -1), `${token}A`, token.toLowerCase(), 'A'.repeat(43), '..', '%00', "' or 1=1 --"]
    const answers = await Promise.all(wrong.map((text) => feed(encodeURIComponent(text))))
    expect(answers.map(({ status }) => status)).toEqual(wrong.map(() => 404))
    expect(new Set(answers.map(({ text }) => text)).size).toBe(1)
  })
  it('and never anything else: not the makeover, nor its links, nor a client’s page', async () => {
    const { token } = await make({})
    for (const path of [`/makeovers/${id}`, `/makeovers/${id}/links`, `/makeovers/${id}/calendar.ics`])
      expect(
        (await request(served.application).get(`/api${path}`).set('authorization', `Bearer ${token}`)).status,
      ).toBe(401)
  })
})

describe('what is kept and told of a link', () => {
  it('is never its token: 256 bits, told once, kept as a hash, left out of logs', async () => {
    const { token, link } = await make({})
    expect(Buffer.from(token, 'base64url')).toHaveLength(32)
    const listed = await who.get(`/makeovers/${id}/links`)
    expect(listed.text).not.toContain(token)
    expect(listed.text).toContain(link.id)
    expect(withoutTokens(`/api/feeds/${token}.ics`)).toBe('/api/feeds/(token).ics')
    const tokens = await Promise.all(Array.from({ length: 20 }, async () => (await make({})).token))
    expect(new Set(tokens).size).toBe(20)
  })
  it('nobody of another studio makes, sees or takes back one here', async () => {
    expect((await stranger.get(`/makeovers/${id}/links`)).status).toBe(404)
    const asked = { opens: 'calendar', forWhom: null, days: null, word: '' }
    expect((await stranger.post(`/makeovers/${id}/links`, asked)).status).toBe(404)
  })
  it.each([
    [{ opens: 'all' }, /opens/],
    [{ days: 0 }, /days/],
    [{ days: 2000 }, /days/],
    [{ forWhom: '' }, /forWhom/],
    [{ word: 7 }, /word/],
  ])('%j is refused with its field', async (body, says) => {
    const asked = { opens: 'calendar', forWhom: null, days: null, word: '', ...body }
    const answer = await who.post(`/makeovers/${id}/links`, asked)
    expect(answer.status).toBe(422)
    expect((answer.body as { detail: string }).detail).toMatch(says)
  })
})
