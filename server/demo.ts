import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, demoHelpers, demoMakeovers, demoStudio } from '#demo/index.ts'
import { hung } from '#demo/pictures.ts'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { fits, makeStudio, newcomer, setPassword, type Maker } from './accounts/accounts.ts'
import { hashPassword } from './accounts/passwords.ts'
import { keepBlob, prepare } from './attachments/files.ts'
import { take } from './changes/door.ts'
import { loadDocuments, loadStudio } from './database/documents.ts'
import { takeStudio } from './changes/studio-door.ts'
import { closingText } from './guest/shown.ts'
import type { Database, Transaction } from './database/connection.ts'
import { people } from './database/tables.ts'
import { sha256Of } from './digest.ts'

/**
 * Loads the demo through the door, as its decorator would have typed it: once a database, and all or nothing, so that
 * a start that is killed half way leaves none of it. Returns how to sign in.
 */
export async function loadDemo(
  database: Database,
  nowMs: number,
  ownPassword?: string,
): Promise<{ email: string; password: string }> {
  const { email } = demoDecorator
  const password = ownPassword ?? demoDecorator.password
  const today = dateIn(demoDecorator.timeZone, nowMs)
  const work = async (tx: Transaction, maker: Maker): Promise<void> => {
    for (const told of demoMakeovers(today, uuidv7, emptyStudio(maker.studioId))) {
      const files = await hung(told.changeSets, today, uuidv7, async (svg) => {
        const file = await prepare(await sharp(Buffer.from(svg)).png().toBuffer())
        await keepBlob(tx, maker.studioId, file)
        return { sha256: file.sha256, bytes: file.bytes.length }
      })
      for (const changeSet of [
        ...told.changeSets,
        ...(files.length > 0
          ? [
              {
                id: uuidv7(),
                schemaVersion,
                sentence: 'Put pictures and receipts with their things',
                operations: files,
              },
            ]
          : []),
      ]) {
        const outcome = await take(tx, database, maker, told.makeoverId, changeSet, nowMs)
        if (outcome.is !== 'taken')
          throw new Error(`The demo does not fit the product: “${changeSet.sentence}”: ${JSON.stringify(outcome)}`)
      }
      if (told.closesBy !== undefined) await closeAccount(tx, database, maker, told.makeoverId, told.closesBy, nowMs)
    }
    const changeSet = demoStudio(await loadStudio(tx, maker.studioId), today, uuidv7)
    const kept = await takeStudio(tx, database, maker, changeSet)
    if (kept.is !== 'taken') throw new Error(`The demo does not fit the product: ${JSON.stringify(kept)}`)
    for (const helper of demoHelpers)
      await tx.insert(people).values({
        ...newcomer(maker.studioId, uuidv7(), helper.role, helper.seesCosts),
        name: helper.name,
        email: helper.email,
        passwordHash: await hashPassword(password),
      })
  }
  const made = await makeStudio(database, { ...demoDecorator, password }, { work, once: true })
  if (!made && ownPassword !== undefined)
    for (const demoHelper of [demoDecorator, ...demoHelpers]) await setPassword(database, demoHelper.email, ownPassword)
  return { email, password }
}

/** The account of a makeover that is done: its statement kept under its digest. */
async function closeAccount(
  tx: Transaction,
  database: Database,
  maker: Maker,
  makeoverId: string,
  signedById: string,
  nowMs: number,
): Promise<void> {
  const { makeover, studio } = await loadDocuments(tx, database.memory, maker.studioId, makeoverId)
  const today = dateIn(demoDecorator.timeZone, nowMs)
  const kept = closingText({ makeover, studio }, today)
  const closing = { closedOn: today, signedById, statement: kept, digest: sha256Of(kept), reopenedOn: null, reason: '' }
  const sentence = 'Closed the account with the society'
  const changeSet = { id: uuidv7(), schemaVersion, sentence, operations: [add('closing', uuidv7(), closing)] }
  const outcome = await take(tx, database, maker, makeoverId, changeSet, nowMs)
  if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: ${JSON.stringify(outcome)}`)
}

/** Does the demo's password, which anybody can read in the sources, open anything here? */
export async function demoIsOpen(database: Database): Promise<boolean> {
  for (const { email } of [demoDecorator, ...demoHelpers])
    if (await fits(database, email, demoDecorator.password)) return true
  return false
}
