/** What is kept of a person who works here, or of a client, as one file for whoever asks (docs/formats.md says what is in it). */
import { asc, eq, inArray } from 'drizzle-orm'
import { Router, type Response } from 'express'
import { isUuid } from '#core/makeover/fields.ts'
import { rowsAbout } from '#core/makeover/about.ts'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { loadDocuments, stands } from '../database/documents.ts'
import {
  changedDocuments,
  changes,
  changeWords,
  deeds,
  letters,
  links,
  people,
  sessions,
  signings,
  tickets,
} from '../database/tables.ts'
import { idIn, notFound } from '../problem.ts'
import type { Setting } from '../setting.ts'

/** Of somebody who works here: who they are, where they are signed in, what they did and when. No secret is in it. */
async function keptOfPerson(tx: Transaction, personId: string): Promise<object> {
  const [person] = await tx.select().from(people).where(eq(people.id, personId))
  if (!person) throw notFound()
  const { id, name, email, role, seesCosts, totpOn, removedAt } = person
  const own = await tx
    .select({ id: sessions.id, browser: sessions.browser, openedAt: sessions.openedAt, expiresAt: sessions.expiresAt })
    .from(sessions)
    .where(eq(sessions.personId, personId))
  const done = await tx
    .select({ at: deeds.at, what: deeds.what, makeoverId: deeds.makeoverId })
    .from(deeds)
    .where(eq(deeds.personId, personId))
    .orderBy(asc(deeds.at))
  const made = await tx
    .select({
      id: changes.id,
      at: changes.madeAt,
      makeoverId: changedDocuments.documentId,
      sentence: changeWords.sentence,
    })
    .from(changes)
    .innerJoin(changedDocuments, eq(changedDocuments.changeId, changes.id))
    .leftJoin(changeWords, eq(changeWords.changeId, changes.id))
    .where(eq(changes.personId, personId))
    .orderBy(asc(changes.madeAt))
  const signed = await tx
    .select({ makeoverId: signings.makeoverId, agreementId: signings.agreementId, typedAt: signings.typedAt })
    .from(signings)
    .where(eq(signings.personId, personId))
  const asked = await tx
    .select({ opens: tickets.opens, madeAt: tickets.madeAt, usedAt: tickets.usedAt })
    .from(tickets)
    .where(eq(tickets.email, email))
  return {
    format: 'bonitas.person',
    version: 1,
    person: { id, name, email, role, seesCosts, hasSecondFactor: totpOn, leftAt: removedAt },
    sessions: own,
    deeds: done,
    changes: made,
    signings: signed,
    letters: asked,
  }
}

/** Of a client of a makeover: the rows that name them or point at them, what they signed, and how they were written to. */
async function keptOfClient(
  tx: Transaction,
  setting: Setting,
  studioId: string,
  id: string,
  client: string,
): Promise<object> {
  if (!(await stands(tx, id))) throw notFound()
  const documents = await loadDocuments(tx, setting.database.memory, studioId, id)
  const row = documents.makeover.rows.client[client]
  if (!row) throw notFound()
  const opened = await tx
    .select({
      id: links.id,
      madeAt: links.madeAt,
      expiresAt: links.expiresAt,
      revokedAt: links.revokedAt,
      lastUsedAt: links.lastUsedAt,
    })
    .from(links)
    .where(eq(links.forWhom, client))
  const written = await tx
    .select({ writtenAt: letters.writtenAt, state: letters.state })
    .from(letters)
    .where(eq(letters.forWhom, client))
  const about = rowsAbout(documents, client)
  const agreements = about.flatMap(({ kind, row: { id: rowId } }) => (kind === 'agreement' ? [String(rowId)] : []))
  const signed =
    agreements.length === 0
      ? []
      : await tx
          .select({
            agreementId: signings.agreementId,
            typedAt: signings.typedAt,
            typedName: signings.typedName,
            address: signings.address,
          })
          .from(signings)
          .where(inArray(signings.agreementId, agreements))
  return {
    format: 'bonitas.client',
    version: 1,
    client: { id: client, name: row.name },
    makeover: { id, name: documents.makeover.rows.makeover[id]?.name ?? '' },
    rows: about,
    signings: signed,
    links: opened,
    letters: written,
  }
}

const send = (response: Response, name: string, kept: object): void => {
  response
    .set({
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.json"`,
    })
    .send(`${JSON.stringify(kept, null, 1)}\n`)
}

export function keptOfRoutes(setting: Setting): Router {
  const { database } = setting
  const routes = Router()
  const still = { still: true }
  routes.get('/me/data', async (request, response) => {
    const { studioId, personId } = personBehind(request)
    const kept = await inTransaction(database, { studio: studioId }, (tx) => keptOfPerson(tx, personId), still)
    send(response, 'what is kept of me', kept)
  })
  routes.get('/people/:person/data', async (request, response) => {
    const { person } = request.params
    if (!isUuid(person)) throw notFound()
    const { studioId } = personBehind(request)
    const kept = await inTransaction(database, { studio: studioId }, (tx) => keptOfPerson(tx, person), still)
    send(response, 'what is kept of a person', kept)
  })
  routes.get('/makeovers/:id/clients/:client/data', async (request, response) => {
    const { studioId } = personBehind(request)
    const { client } = request.params
    const id = idIn(request)
    if (!isUuid(client)) throw notFound()
    const kept = await inTransaction(
      database,
      { studio: studioId },
      (tx) => keptOfClient(tx, setting, studioId, id, client),
      still,
    )
    send(response, 'what is kept of a client', kept)
  })
  return routes
}
