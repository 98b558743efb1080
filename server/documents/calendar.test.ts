/** The calendar as files, read back by ical.js, which is not ours. */
import { spawnSync } from 'node:child_process'
import ICAL from 'ical.js'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
let base: string
let id: string
const own = uuidv7()
const said = 'Sweep the chimney; then wait, and look again whether the damper shuts: “quite” tight, or not quite'
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  const world = await makeover(who)
  id = world.ids.makeover
  base = `/makeovers/${id}/calendar`
  const answer = await who.change(id, [
    add('task', own, {
      ...blank.task,
      name: said,
      trade: 'owner',
      likelyDays: 2,
      pinnedOn: plainDate('2031-03-28'),
    }),
  ])
  expect(answer.status, JSON.stringify(answer.body)).toBe(200)
})
afterAll(() => served.close())

const textOf = async (path: string): Promise<string> => ((await who.fetch(path)).body as Buffer).toString('utf8')
const entries = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as never[]).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))

it('an entry a task, over a weekend and the change of clocks whole days, its words escaped and folded, its id the same', async () => {
  const text = await textOf(`${base}.ics`)
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
  const mine = entries(text).find(({ uid }) => uid === `${own}@${id}`)
  expect(mine?.summary).toBe(said)
  // Friday 28 and Monday 31 March 2031; an all-day entry ends on the day after
  expect([mine?.startDate.toString(), mine?.endDate.toString()]).toEqual(['2031-03-28', '2031-04-01'])
  expect(mine?.startDate.isDate).toBe(true)
  const sequence = mine?.sequence ?? 0
  const moved = await who.change(id, [
    add('absence', uuidv7(), {
      handId: null,
      name: '',
      fromOn: plainDate('2031-03-31'),
      untilOn: plainDate('2031-03-31'),
    }),
  ])
  expect(moved.status).toBe(200)
  const again = entries(await textOf(`${base}.ics`)).find(({ uid }) => uid === `${own}@${id}`)
  expect(again?.endDate.toString()).toBe('2031-04-02')
  expect(again?.sequence).toBeGreaterThan(sequence)
})

it('as a table, of one hand alone, and nothing for a hand that is not there', async () => {
  const table = await textOf(`${base}.csv?hand=owner`)
  expect(table).toContain('2031-03-28')
  expect(table.split('\n').filter((line) => line.includes('2031')).length).toBe(1)
  expect((await who.fetch(`${base}.ics?hand=nobody`)).status).toBe(404)
  expect((await who.fetch(`${base}.doc`)).status).toBe(404)
})

it('the plan and the sheet of the install day on paper: whole text, shipped typefaces, every hand', async () => {
  const paper = async (path: string) => {
    const bytes = (await who.fetch(`/makeovers/${id}/${path}`)).body as Buffer
    const texts = spawnSync('pdftotext', ['-layout', '-', '-'], { input: bytes, encoding: 'utf8' }).stdout
    const fonts = spawnSync('pdffonts', ['-'], { input: bytes, encoding: 'utf8' }).stdout
    return { texts: texts.replace(/\s+/g, ' '), fonts }
  }
  const plan = await paper('calendar.pdf')
  expect(plan.texts).toContain('Sweep the chimney')
  expect(plan.texts).toContain('owner')
  expect(plan.texts).toContain('Fri 28 Mar 2031')
  expect(plan.fonts).not.toMatch(/ no +no /)
  const sheet = await paper('install-day.pdf')
  expect(sheet.texts).toContain('Install day')
})
