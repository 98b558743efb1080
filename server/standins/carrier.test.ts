/** The stand-in for a carrier and a seller, and the public holidays that come in. */
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { addDays, plainDate } from '#core/measure/plain-date.ts'
import type { Holiday } from '../documents/holidays.ts'
import { person, serve, type Served, type Speaker } from '../testing/studio.ts'
import { carrierSays, type CarrierAnswer } from './carrier.ts'

let served: Served
let who: Speaker
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

const comesOn = plainDate('2027-03-12')
const ask = async (body: object) =>
  who.post('/standins/carrier', { comesOn, packs: 6, behaves: 'confirms', seed: 1, ...body })

it('says that it is simulated, and confirms, delays, sends short or says nothing as it is asked to', async () => {
  const said = async (behaves: string) =>
    (await ask({ behaves })).body as { simulated: boolean; answer: CarrierAnswer | null }
  expect(await said('confirms')).toMatchObject({ simulated: true, answer: { state: 'confirmed', comesOn, packs: 6 } })
  const late = await said('delays')
  expect(late.answer?.state).toBe('late')
  expect((late.answer?.comesOn ?? '') >= addDays(comesOn, 3)).toBe(true)
  const short = await said('sends short')
  expect(short.answer?.state).toBe('part')
  expect(short.answer?.packs).toBeLessThan(6)
  expect(await said('says nothing')).toEqual({ simulated: true, answer: null })
  expect(await said('delays')).toEqual(late)
})
it('never sends nothing at all, and never more than was ordered; its window has an end', () => {
  for (let seed = 0; seed < 200; seed++)
    for (const packs of [1, 2, 3, 40]) {
      const said = carrierSays({ comesOn, packs, behaves: 'sends short', seed })
      expect(said?.packs).toBeGreaterThanOrEqual(1)
      expect(said?.packs).toBeLessThanOrEqual(packs)
      expect(said?.latestMinute).toBeGreaterThan(said?.earliestMinute ?? Infinity)
    }
})
it.each([
  [{ comesOn: 'soon' }, /comesOn/],
  [{ packs: 0 }, /packs/],
  [{ behaves: 'sings' }, /behaves/],
  [{ seed: 0.5 }, /seed/],
])('%j is refused with what was expected', async (body, says) => {
  const answer = await ask(body)
  expect(answer.status).toBe(422)
  expect((answer.body as { detail: string }).detail).toMatch(says)
})

it('the fixed public holidays of two countries, as their laws name them (from memory), and one that moves with Easter', async () => {
  const days = async (country: string, year: number) =>
    ((await who.get(`/holidays/${country}/${year}`)).body as Holiday[]).map(({ on }) => on)
  // Germany: New Year, Labour Day, Unity Day, both days of Christmas; Easter Monday 2027 is 29 March
  expect(await days('DE', 2027)).toEqual(
    expect.arrayContaining(['2027-01-01', '2027-03-29', '2027-05-01', '2027-10-03', '2027-12-25', '2027-12-26']),
  )
  // the United States: Independence Day, Thanksgiving on the fourth Thursday of November, Christmas
  expect(await days('US', 2026)).toEqual(expect.arrayContaining(['2026-07-04', '2026-11-26', '2026-12-25']))
  expect(await days('US', 2026)).not.toContain('2026-05-01')
})
it.each(['/holidays/XX/2027', '/holidays/DE/soon', '/holidays/DE/1200'])('%s is refused', async (path) => {
  expect((await who.get(path)).status).toBe(422)
})
