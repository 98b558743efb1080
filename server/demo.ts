import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, demoHelpers, demoMakeovers, type Told } from '#demo/index.ts'
import { pictureOf, receiptOf } from '#demo/pictures.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { dateIn, type PlainDate } from '#core/measure/plain-date.ts'
import { fits, hashPassword, makeStudio, setPassword } from './accounts/accounts.ts'
import { keepBlob, prepare } from './attachments/routes.ts'
import { take } from './changes/door.ts'
import type { Database, Transaction } from './database/connection.ts'
import { people } from './database/tables.ts'

/**
 * Loads the demo through the door, as its decorator would have typed it: once a database, and all or nothing, so that
 * a start that is killed half way leaves none of it. Returns how to sign in.
 */
export async function loadDemo(database: Database, nowMs: number, ownPassword?: string): Promise<{ email: string; password: string }> {
  const { email } = demoDecorator
  const password = ownPassword ?? demoDecorator.password
  const today = dateIn(demoDecorator.timeZone, nowMs)
  const made = await makeStudio(database, { ...demoDecorator, password }, async (tx, maker) => {
    for (const told of demoMakeovers(today, uuidv7, emptyStudio(maker.studioId))) {
      const files = await filesOf(tx, maker.studioId, told, today)
      for (const changeSet of [...told.changeSets, ...(files.length > 0 ? [{ id: uuidv7(), schemaVersion, sentence: 'Put pictures and receipts with their things', operations: files }] : [])]) {
        const outcome = await take(tx, database, maker, told.makeoverId, changeSet, nowMs)
        if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: “${changeSet.sentence}”: ${JSON.stringify(outcome)}`)
      }
    }
    for (const helper of demoHelpers) await tx.insert(people).values({ studioId: maker.studioId, id: uuidv7(), name: helper.name, email: helper.email, passwordHash: await hashPassword(password) })
  })
  if (!made && ownPassword !== undefined) for (const one of [demoDecorator, ...demoHelpers]) await setPassword(database, one.email, ownPassword)
  return { email, password }
}

/** Does the demo's password, which anybody can read in the sources, open anything here? */
export async function demoIsOpen(database: Database): Promise<boolean> {
  for (const { email } of [demoDecorator, ...demoHelpers]) if (await fits(database, email, demoDecorator.password)) return true
  return false
}

/** The drawn pictures of its clippings, and a receipt with its first order. */
async function filesOf(tx: Transaction, studioId: string, { changeSets }: Told, today: PlainDate): Promise<Operation[]> {
  const puts = changeSets.flatMap((changeSet) => changeSet.operations).flatMap((operation) => (operation.op === 'put' && operation.base === null ? [operation] : []))
  const keep = async (svg: string, name: string, of: Partial<Record<'inspirationId' | 'orderId', string>>): Promise<Operation> => {
    const file = await prepare(await sharp(Buffer.from(svg)).png().toBuffer())
    await keepBlob(tx, studioId, file)
    return add('attachment', uuidv7(), { ...blank.attachment, ...of, sha256: file.sha256, mediaType: 'image/png', bytes: file.bytes.length, name, addedOn: today })
  }
  const kept: Operation[] = []
  for (const { kind, id, fields } of puts) {
    const svg = kind === 'inspiration' && typeof fields.name === 'string' ? pictureOf(fields.name) : null
    if (svg) kept.push(await keep(svg, `${String(fields.name)}.png`, { inspirationId: id }))
  }
  const order = puts.find((operation) => operation.kind === 'order')
  if (order) kept.push(await keep(receiptOf('Receipt', ['as ordered'], 'paid'), 'receipt.png', { orderId: order.id }))
  return kept
}
