import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, musicRoom } from '#demo/music-room.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { makeStudio } from './accounts/accounts.ts'
import { takeChange } from './changes/door.ts'
import type { Database } from './database/connection.ts'

/** Loads the demo through the door, as its decorator would have typed it; once a database. Returns how to sign in. */
export async function loadDemo(database: Database, nowMs: number): Promise<{ email: string; password: string }> {
  const { email, password } = demoDecorator
  const person = await makeStudio(database, demoDecorator)
  if (!person) return { email, password }
  const { makeoverId, changeSets } = musicRoom(dateIn(demoDecorator.timeZone, nowMs), uuidv7)
  for (const changeSet of changeSets) {
    const outcome = await takeChange(database, person, makeoverId, changeSet, nowMs)
    if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: “${changeSet.sentence}”: ${JSON.stringify(outcome)}`)
  }
  return { email, password }
}
