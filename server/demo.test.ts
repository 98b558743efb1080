import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { rowsOf } from '#core/makeover/document.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { addDays, plainDate } from '#core/measure/plain-date.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { demoDecorator, demoMakeovers } from '#demo/index.ts'
import { countingIds } from '#core/testing/small-makeover.ts'
import { inTransaction } from './database/connection.ts'
import { loadMakeover } from './database/documents.ts'
import { documents, people } from './database/tables.ts'
import { loadDemo } from './demo.ts'
import { signIn } from './accounts/accounts.ts'
import { now, serve, type Served } from './testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

describe('the demo', () => {
  it('loads once, from two starts at once too, and lets its decorator in', async () => {
    const { email, password } = (await Promise.all([loadDemo(served.database, now), loadDemo(served.database, now)]))[0]
    await loadDemo(served.database, now)
    const signed = await signIn(served.database, email, password, now)
    const studio = signed?.person.studioId ?? ''
    expect(await inTransaction(served.database, { studio }, (tx) => tx.select().from(people))).toHaveLength(1)
    expect(await inTransaction(served.database, { studio }, (tx) => tx.select().from(documents))).toHaveLength(2)
  })
  it('has one clash, one return under way and one signed change, and nothing that stops', async () => {
    const signed = await signIn(served.database, demoDecorator.email, demoDecorator.password, now)
    const makeover = await inTransaction(served.database, { studio: signed?.person.studioId ?? '' }, async (tx) => {
      for (const { id } of await tx.select({ id: documents.id }).from(documents)) {
        const found = await loadMakeover(tx, id)
        if (found && rowsOf(found, 'room').length > 0) return found
      }
      return null
    })
    if (!makeover) throw new Error('the demo was loaded above')
    const reckoning = reckon({ makeover, studio: emptyStudio(makeover.id) }, plainDate('2027-03-01'))
    expect(reckoning.palette.clashes).toHaveLength(1)
    expect(reckoning.money.purchases.filter((purchase) => purchase.goingBack > 0)).toHaveLength(1)
    expect(reckoning.money.versions).toHaveLength(2)
    expect(reckoning.remarks.filter((remark) => remark.weight === 'stop')).toEqual([])
  })
  it('can be loaded on any day of the year', () => {
    for (let day = 0; day < 400; day += 7) expect(demoMakeovers(addDays(plainDate('2027-01-01'), day), countingIds(), emptyStudio('01900000-0000-7000-8000-00000000ffff')).every((told) => told.changeSets.length > 20)).toBe(true)
  })
})
