import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'
import { demoDecorator, demoMakeovers, type Told } from '#demo/index.ts'
import { pictureOf, receiptOf } from '#demo/pictures.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { emptyStudio } from '#core/makeover/document.ts'
import { dateIn, type PlainDate } from '#core/measure/plain-date.ts'
import { makeStudio } from './accounts/accounts.ts'
import { keepBlob } from './attachments/routes.ts'
import { take } from './changes/door.ts'
import type { Database, Transaction } from './database/connection.ts'

/**
 * Loads the demo through the door, as its decorator would have typed it: once a database, and all or nothing, so that
 * a start that is killed half way leaves none of it. Returns how to sign in.
 */
export async function loadDemo(database: Database, nowMs: number): Promise<{ email: string; password: string }> {
  const { email, password } = demoDecorator
  const today = dateIn(demoDecorator.timeZone, nowMs)
  await makeStudio(database, demoDecorator, async (tx, maker) => {
    for (const told of demoMakeovers(today, uuidv7, emptyStudio(maker.studioId))) {
      const files = await filesOf(tx, maker.studioId, told, today)
      for (const changeSet of [...told.changeSets, ...(files.length > 0 ? [{ id: uuidv7(), schemaVersion, sentence: 'Put pictures and receipts with their things', operations: files }] : [])]) {
        const outcome = await take(tx, database, maker, told.makeoverId, changeSet, nowMs)
        if (outcome.is !== 'taken') throw new Error(`The demo does not fit the product: “${changeSet.sentence}”: ${JSON.stringify(outcome)}`)
      }
    }
  })
  return { email, password }
}

/** The drawn pictures of its clippings, and a receipt with its first order. */
async function filesOf(tx: Transaction, studioId: string, { changeSets }: Told, today: PlainDate): Promise<Operation[]> {
  const puts = changeSets.flatMap((changeSet) => changeSet.operations).flatMap((operation) => (operation.op === 'put' && operation.base === null ? [operation] : []))
  const keep = async (svg: string, name: string, of: Partial<Record<'inspirationId' | 'orderId', string>>): Promise<Operation> => {
    const bytes = await sharp(Buffer.from(svg)).png().toBuffer()
    const sha256 = await keepBlob(tx, studioId, bytes, 'image/png')
    return add('attachment', uuidv7(), { ...blank.attachment, ...of, sha256, mediaType: 'image/png', bytes: bytes.length, name, addedOn: today })
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
