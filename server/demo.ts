import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, demoMakeovers } from '#demo/index.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { makeStudio } from './accounts/accounts.ts'
import { take } from './changes/door.ts'
import type { Database } from './database/connection.ts'

/**
 * Loads the demo through the door, as its decorator would have typed it: once a database, and all or nothing, so that
 * a start that is killed half way leaves none of it. Returns how to sign in.
 */
export async function loadDemo(database: Database, nowMs: number): Promise<{ email: string; password: string }> {
  const { email, password } = demoDecorator
  const told = demoMakeovers(dateIn(demoDecorator.timeZone, nowMs), uuidv7, emptyStudio(uuidv7()))
  await makeStudio(database, demoDecorator, async (tx, maker) => {
    for (const { makeoverId, changeSets } of told)
      for (const changeSet of changeSets) {
        const outcome = await take(tx, maker, makeoverId, changeSet, nowMs)
        if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: “${changeSet.sentence}”: ${JSON.stringify(outcome)}`)
      }
  })
  return { email, password }
}
