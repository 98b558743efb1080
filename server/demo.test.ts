import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { sources } from '#core/makeover/choices.ts'
import { headOf, rowsOf } from '#core/makeover/document.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { addDays, plainDate } from '#core/measure/plain-date.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { demoDecorator, demoMakeovers } from '#demo/index.ts'
import { countingIds } from '#core/testing/small-makeover.ts'
import { inTransaction } from './database/connection.ts'
import { loadMakeover, loadStudio } from './database/documents.ts'
import { documents, people } from './database/tables.ts'
import { loadDemo } from './demo.ts'
import { signIn } from './accounts/accounts.ts'
import { testTime, serve, type Served } from './testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

describe('the demo', () => {
  it('loads once, from two starts at once too, and lets its decorator in', async () => {
    const { email, password } = (
      await Promise.all([loadDemo(served.database, testTime), loadDemo(served.database, testTime)])
    )[0]
    await loadDemo(served.database, testTime)
    const signed = await signIn(served.database, { email, password }, testTime)
    const studio = signed.is === 'in' ? signed.person.studioId : ''
    expect(await inTransaction(served.database, { studio }, (tx) => tx.select().from(people))).toHaveLength(4) // its decorator, her helper, a bookkeeper, and somebody who only looks on
    expect(await inTransaction(served.database, { studio }, (tx) => tx.select().from(documents))).toHaveLength(4) // the studio and three makeovers
  })
  it('shows every state, source, tender and kind of money, and nothing in it stops but a bench longer than the lift', async () => {
    const signed = await signIn(served.database, demoDecorator, testTime)
    const studioId = signed.is === 'in' ? signed.person.studioId : ''
    const opened = await inTransaction(served.database, { studio: studioId }, async (tx) => {
      const studio = await loadStudio(tx, studioId)
      const found = []
      for (const { id } of await tx.select({ id: documents.id }).from(documents)) {
        const makeover = id === studioId ? null : await loadMakeover(tx, id)
        if (makeover) found.push({ makeover, studio })
      }
      return found
    })
    expect(opened).toHaveLength(3)
    const reckoned = opened.map((makeover) => reckon(makeover, plainDate('2027-03-01')))
    const all = <T>(read: (thisOpened: (typeof opened)[number]) => readonly T[]): T[] => opened.flatMap(read)
    const states = new Set(reckoned.flatMap(({ money }) => money.purchases.map((purchase) => purchase.state)))
    for (const state of ['ordered', 'part here', 'here', 'placed', 'kept', 'going back', 'refunded'] as const)
      expect([...states]).toContain(state)
    expect(new Set(all(({ makeover }) => rowsOf(makeover, 'candidate').map((row) => row.source)))).toEqual(
      new Set(sources),
    )
    expect(new Set(all(({ makeover }) => rowsOf(makeover, 'payment').map((row) => row.tender)))).toEqual(
      new Set(['card', 'transfer', 'cash', 'gift card', 'held credit']),
    )
    for (const kind of [
      'constraint',
      'permission',
      'scopeOption',
      'inspiration',
      'sample',
      'patternPart',
      'coupon',
      'credit',
      'cancellation',
      'return',
      'claim',
      'substitution',
      'question',
      'price',
      'attachment',
      'school',
    ] as const)
      expect([kind, all(({ makeover }) => rowsOf(makeover, kind)).length > 0]).toEqual([kind, true])
    expect(new Set(opened.map(({ makeover }) => headOf(makeover)?.scope))).toEqual(new Set(['decorate', 'refresh']))
    expect(
      reckoned.flatMap(({ remarks }) => remarks.filter(({ weight }) => weight === 'stop').map(({ title }) => title)),
    ).toEqual(['Bay benches: the way in is too tight'])
    expect(reckoned.reduce((total, reckoning) => total + reckoning.palette.clashes.length, 0)).toBeGreaterThan(1)
    expect(new Set(reckoned.map((reckoning) => reckoning.practice.schools.colours)).size).toBe(3)
  })
  it('can be loaded on any day of the year', () => {
    for (let day = 0; day < 400; day += 33)
      expect(
        demoMakeovers(
          addDays(plainDate('2027-01-01'), day),
          countingIds(),
          emptyStudio('01900000-0000-7000-8000-00000000ffff'),
        ).every((told) => told.changeSets.length > 20),
      ).toBe(true)
  }, 120_000)
})
