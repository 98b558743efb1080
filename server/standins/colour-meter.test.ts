import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { deltaE } from '#core/colour/difference.ts'
import type { Lab } from '#core/colour/lab.ts'
import { averageReadings, type MeterReading } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

const surface: Lab = { L: 62, a: -6, b: 9 }
const ask = (body: unknown) =>
  request(served.application)
    .post('/api/standins/colour-meter')
    .set('cookie', who.cookie)
    .send(body as object)
async function readings(behaves: string, count = 6): Promise<MeterReading[]> {
  const found: MeterReading[] = []
  for (let reading = 0; reading < count; reading++) {
    const { body } = await ask({ surface, behaves, seed: 7, reading })
    const { simulated, reading: meterReading } = body as { simulated: boolean; reading: MeterReading }
    expect(simulated).toBe(true) // it never passes for a real one
    found.push(meterReading)
  }
  return found
}
const labs = (found: readonly MeterReading[]): Lab[] =>
  found.flatMap((meterReading) => (meterReading.ok ? [meterReading.lab] : []))

describe('the colour meter that stands in', () => {
  const rules = effectiveRules()
  it('reads what it lies on to within what nobody sees, a little differently each time, and the same again when asked again', async () => {
    const found = labs(await readings('well'))
    expect(found).toHaveLength(6)
    for (const lab of found) expect(deltaE(lab, surface)).toBeLessThan(1)
    expect(new Set(found.map((lab) => lab.L)).size).toBe(6)
    expect(labs(await readings('well'))).toEqual(found)
    const averaged = averageReadings(found, rules)
    expect(averaged).toMatchObject({ steady: true, enough: true, strays: [] })
    expect(averaged && deltaE(averaged.mean, surface)).toBeLessThan(0.5)
  })
  it('behaves badly on request, and averaging sees through it or says that the readings do not agree', async () => {
    const stained = averageReadings(labs(await readings('stained')), rules)
    expect(stained?.strays.map((stray) => stray.at)).toEqual([1, 4])
    expect(stained && deltaE(stained.mean, surface)).toBeLessThan(0.5)
    expect(averageReadings(labs(await readings('tilted')), rules)?.steady).toBe(false)
    expect(averageReadings(labs(await readings('drifting')), rules)?.steady).toBe(false)
    expect((await readings('lifted')).every((reading) => !reading.ok && /lie flat/.test(reading.fails))).toBe(true)
  })
  it.each([
    [{}, /surface as L from 0 to 100/],
    [{ surface: { L: 400, a: 0, b: 0 }, behaves: 'well', seed: 1, reading: 0 }, /surface as L from 0 to 100/],
    [{ surface, behaves: 'sings', seed: 1, reading: 0 }, /one of well, tilted/],
    [{ surface, behaves: 'well', seed: 1.5, reading: 0 }, /whole numbers/],
    [{ surface, behaves: 'well', seed: 1, reading: -1 }, /whole numbers/],
  ])('%o is refused with what was expected', async (body, says) => {
    const answer = await ask(body)
    expect(answer.status).toBe(422)
    expect((answer.body as { detail: string }).detail).toMatch(says)
  })
})
