import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, musicRoom } from '#demo/music-room.ts'
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
  const { makeoverId, changeSets } = musicRoom(dateIn(demoDecorator.timeZone, nowMs), uuidv7)
  await makeStudio(database, demoDecorator, async (tx, maker) => {
    for (const changeSet of changeSets) {
      const outcome = await take(tx, maker, makeoverId, changeSet, nowMs)
      if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: “${changeSet.sentence}”`)
    }
  })
  return { email, password }
}
