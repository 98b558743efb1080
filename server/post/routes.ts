/** The post, simulated: nothing leaves the machine. What would be sent lies in the outbox, where it can be lost or held up on purpose. */
import { and, desc, eq, lt } from 'drizzle-orm'
import { Router } from 'express'
import { number, object, string } from 'yup'
import { v7 as uuidv7 } from 'uuid'
import { isUuid, line } from '#core/makeover/fields.ts'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { letters } from '../database/tables.ts'
import { makeLink, revoke } from '../links/links.ts'
import { idIn, notFound } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'

export type Letter = {
  readonly id: string
  readonly makeoverId: string | null
  readonly forWhom: string
  readonly subject: string
  readonly opens: string | null
  readonly state: 'sent' | 'held up' | 'lost'
  readonly writtenAt: string
  readonly arrivesAt: string | null
}
const dayMs = 86_400_000
/** A letter keeps the link that it opens for so long; then it says only that it was sent. */
const keptDays = 14
const heldUpMs = 2 * dayMs

const asked = object({
  clientId: string().test('id', 'expected an id', isUuid).required(),
  days: number().integer().min(1).max(365).required(),
  word: line(80),
})
const fate = object({ state: string().oneOf(['sent', 'held up', 'lost']).required() })

export function letterRoutes({ database, clock }: Setting): Router {
  const routes = Router()
  routes.get('/letters', async (request, response) => {
    const { studioId } = personBehind(request)
    const all = await inTransaction(database, { studio: studioId }, async (tx) => {
      await forgetOld(tx, clock())
      return tx.select().from(letters).orderBy(desc(letters.writtenAt)).limit(200)
    })
    response.json(all.map((letter) => shownLetter(letter, clock())))
  })
  routes.post('/makeovers/:id/letters', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const makeoverId = idIn(request)
    const made = await inTransaction(database, { studio: studioId }, async (tx) => {
      const { makeover } = await loadDocuments(tx, database.memory, studioId, makeoverId)
      if (!makeover.rows.makeover[makeoverId]) throw notFound()
      const { clientId, days, word } = read(asked, request.body)
      if (!makeover.rows.client[clientId]) throw notFound()
      const about = { studioId, makeoverId, madeBy: personId }
      const { link, token } = await makeLink(tx, { ...about, opens: 'client', forWhom: clientId, days, word }, clock())
      const [letter] = await tx
        .insert(letters)
        .values({
          studioId,
          id: uuidv7(),
          makeoverId,
          forWhom: clientId,
          subject: makeover.rows.makeover[makeoverId].name,
          opens: `/for#${token}`,
          state: 'sent',
          writtenAt: new Date(clock()),
          arrivesAt: new Date(clock()),
          linkId: link.id,
        })
        .returning()
      return letter
    })
    if (!made) throw notFound()
    response.status(201).json(shownLetter(made, clock()))
  })
  routes.post('/letters/:letter', async (request, response) => {
    const { studioId } = personBehind(request)
    const { letter: id } = request.params
    if (!isUuid(id)) throw notFound()
    const { state } = read(fate, request.body)
    const [changed] = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .update(letters)
        .set({
          state,
          arrivesAt: state === 'lost' ? null : new Date(clock() + (state === 'held up' ? heldUpMs : 0)),
        })
        .where(eq(letters.id, id))
        .returning(),
    )
    if (!changed) throw notFound()
    response.json(shownLetter(changed, clock()))
  })
  routes.delete('/letters/:letter/link', async (request, response) => {
    const { studioId } = personBehind(request)
    const { letter: id } = request.params
    if (!isUuid(id)) throw notFound()
    await inTransaction(database, { studio: studioId }, async (tx) => {
      const [letter] = await tx.update(letters).set({ opens: null }).where(eq(letters.id, id)).returning()
      if (!letter?.makeoverId || !letter.linkId) throw notFound()
      await revoke(tx, letter.makeoverId, letter.linkId, clock())
    })
    response.status(204).end()
  })
  return routes
}

const forgetOld = (tx: Transaction, nowMs: number) =>
  tx
    .update(letters)
    .set({ opens: null })
    .where(and(lt(letters.writtenAt, new Date(nowMs - keptDays * dayMs))))

/** What is lost, or not there yet, opens nothing for whoever waits for it. */
const shownLetter = (letter: typeof letters.$inferSelect, nowMs: number): Letter => ({
  id: letter.id,
  makeoverId: letter.makeoverId,
  forWhom: letter.forWhom,
  subject: letter.subject,
  opens: letter.state === 'lost' || (letter.arrivesAt?.getTime() ?? 0) > nowMs ? null : letter.opens,
  state: letter.state,
  writtenAt: letter.writtenAt.toISOString(),
  arrivesAt: letter.arrivesAt?.toISOString() ?? null,
})
