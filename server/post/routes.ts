/** The post, simulated: nothing leaves the machine. What would be sent lies in the outbox, where it can be lost or held up on purpose. */
import { and, desc, eq, isNull, lt } from 'drizzle-orm'
import { Router, type Request } from 'express'
import { number, object, string } from 'yup'
import { v7 as uuidv7 } from 'uuid'
import { isUuid, line } from '#core/makeover/fields.ts'
import type { Role } from '#core/people/index.ts'
import { personBehind } from '../accounts/routes.ts'
import { takeBack } from '../accounts/tickets.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { letters, people, tickets } from '../database/tables.ts'
import { makeLink, revoke } from '../links/links.ts'
import { idIn, notFound } from '../problem.ts'
import { takeAway } from './drop.ts'
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

export function letterRoutes(setting: Setting): Router {
  const { database, clock } = setting
  const routes = Router()
  routes.get('/letters', async (request, response) => {
    const { studioId, role } = personBehind(request)
    const all = await inTransaction(database, { studio: studioId }, async (tx) => {
      await forgetOld(tx, clock())
      return tx
        .select({ letter: letters, ticket: tickets, whose: people.role })
        .from(letters)
        .leftJoin(tickets, eq(tickets.id, letters.ticketId))
        .leftJoin(people, eq(people.id, tickets.personId))
        .where(role === 'owner' ? undefined : isNull(letters.ticketId))
        .orderBy(desc(letters.writtenAt), desc(letters.id))
        .limit(200)
    })
    response.json(all.map((entry) => shownLetter(entry, clock())))
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
    response.status(201).json(shownLetter({ letter: made, ticket: null, whose: null }, clock()))
  })
  /** A letter that whoever asks may do something to: those of the studio itself are the owner's. */
  const heldLetter = async (tx: Transaction, request: Request): Promise<typeof letters.$inferSelect> => {
    const { letter: id } = request.params
    const [letter] = isUuid(id) ? await tx.select().from(letters).where(eq(letters.id, id)) : []
    if (!letter || (letter.ticketId !== null && personBehind(request).role !== 'owner')) throw notFound()
    return letter
  }
  routes.post('/letters/:letter', async (request, response) => {
    const { studioId } = personBehind(request)
    const { state } = read(fate, request.body)
    const changed = await inTransaction(database, { studio: studioId }, async (tx) => {
      const { id } = await heldLetter(tx, request)
      const arrivesAt = state === 'lost' ? null : new Date(clock() + (state === 'held up' ? heldUpMs : 0))
      return tx.update(letters).set({ state, arrivesAt }).where(eq(letters.id, id)).returning()
    })
    const [letter] = changed
    if (!letter) throw notFound()
    if (state !== 'sent') await takeAway(setting, letter.id)
    response.json(shownLetter({ letter, ticket: null, whose: null }, clock()))
  })
  routes.delete('/letters/:letter/link', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = await inTransaction(database, { studio: studioId }, async (tx) => {
      const letter = await heldLetter(tx, request)
      await tx.update(letters).set({ opens: null }).where(eq(letters.id, letter.id))
      if (letter.ticketId !== null) await takeBack(tx, letter.ticketId, clock())
      else if (letter.makeoverId && letter.linkId) await revoke(tx, letter.makeoverId, letter.linkId, clock())
      else throw notFound()
      return letter.id
    })
    await takeAway(setting, id)
    response.status(204).end()
  })
  return routes
}

const forgetOld = (tx: Transaction, nowMs: number) =>
  tx
    .update(letters)
    .set({ opens: null })
    .where(and(lt(letters.writtenAt, new Date(nowMs - keptDays * dayMs))))

type Entry = {
  readonly letter: typeof letters.$inferSelect
  readonly ticket: typeof tickets.$inferSelect | null
  /** The role of whose password it sets. */
  readonly whose: Role | null
}
/**
 * What is lost, or not there yet, opens nothing for whoever waits for it. A way to another password of an owner is for that owner alone: it
 * is never shown in the outbox, where another could take it up.
 */
const shownLetter = ({ letter, ticket, whose }: Entry, nowMs: number): Letter => ({
  id: letter.id,
  makeoverId: letter.makeoverId,
  forWhom: ticket?.email ?? letter.forWhom,
  subject: letter.subject,
  opens:
    letter.state === 'lost' || (letter.arrivesAt?.getTime() ?? 0) > nowMs || whose === 'owner' ? null : letter.opens,
  state: letter.state,
  writtenAt: letter.writtenAt.toISOString(),
  arrivesAt: letter.arrivesAt?.toISOString() ?? null,
})
