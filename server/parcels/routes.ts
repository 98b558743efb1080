import express, { Router, type Request } from 'express'
import { and, asc, isNull, ne } from 'drizzle-orm'
import { studioRows } from '#core/makeover/document.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { checkZip, Damaged, type Parcel } from '#core/parcel/index.ts'
import { peopleOf } from '../accounts/people.ts'
import { personBehind } from '../accounts/routes.ts'
import { gate } from '../heavy/gate.ts'
import type { Heavy } from '../heavy/heavy.ts'
import type { Setting } from '../setting.ts'
import { inTransaction } from '../database/connection.ts'
import { loadStudio } from '../database/documents.ts'
import { documents } from '../database/tables.ts'
import { idIn, notFound, Problem, refused } from '../problem.ts'
import { arrivals, arrive, dryRun, parcelOf } from './arrive.ts'

export const largestParcel = 120 * 1024 * 1024

/** Makeovers as files, out and in, and all that a studio has. */
export function parcelRoutes(setting: Setting): Router {
  const { database, heavy, clock } = setting
  const routes = Router()
  const named = (name: string): string =>
    `attachment; filename="${name.replace(/[^\w .-]+/g, '').trim() || 'makeover'}.zip"`

  const told = (studioId: string, id: string, withHistory: boolean) =>
    inTransaction(database, { studio: studioId }, (tx) => parcelOf(tx, database, studioId, id, withHistory), {
      still: true,
    })

  routes.get('/makeovers/:id/export', async (request, response) => {
    const { studioId } = personBehind(request)
    const id = idIn(request)
    const found = await told(studioId, id, request.query.history === 'yes')
    if (!found) throw notFound()
    response
      .set({
        'content-type': 'application/zip',
        'content-disposition': named(`${found.name}${request.query.history === 'yes' ? ' with its history' : ''}`),
      })
      .send(Buffer.from(await heavy.run(studioId, 'parcel', { told: found.told })))
  })

  routes.get('/studio/export', gate(4, 1), async (request, response) => {
    const { studioId, studioName, timeZone } = personBehind(request)
    const people = await peopleOf(database, studioId)
    const { own, ids } = await inTransaction(
      database,
      { studio: studioId },
      async (tx) => {
        const studio = await loadStudio(tx, studioId)
        const rows = Object.fromEntries(
          (['seller', 'sellerEntry', 'stock', 'studioRuling', 'studioSchool', 'template'] as const).map((kind) => [
            kind,
            studioRows(studio, kind).map(({ version: _version, ...row }) => row),
          ]),
        )
        const all = await tx
          .select({ id: documents.id })
          .from(documents)
          .where(and(ne(documents.id, studioId), isNull(documents.deletedAt)))
          .orderBy(asc(documents.id))
        const own = {
          format: 'bonitas.studio',
          version: 1,
          name: studioName,
          timeZone,
          people: people.map(({ name, email, role, removedAt }) => ({ name, email, role, leftOn: removedAt })),
          rows,
        }
        return { own, ids: all.map(({ id }) => id) }
      },
      { still: true },
    )
    const entries: { name: string; bytes: Uint8Array }[] = [
      { name: 'studio.json', bytes: Buffer.from(`${JSON.stringify(own, null, 1)}\n`) },
    ]
    // each makeover as of a moment of its own: no connection is held while its file waits to be written
    for (const id of ids) {
      const found = await told(studioId, id, true)
      if (found)
        entries.push({ name: `makeovers/${id}.zip`, bytes: await heavy.run(studioId, 'parcel', { told: found.told }) })
    }
    response
      .set({ 'content-type': 'application/zip', 'content-disposition': named(studioName) })
      .send(Buffer.from(await heavy.run(studioId, 'zip', { told: [entries] })))
  })

  const few = gate(3, 1)
  const body = express.raw({ type: () => true, limit: largestParcel })
  /** What a file would do here; nothing is changed. */
  routes.post('/imports/dry', few, body, async (request, response) => {
    const { studioId, timeZone } = personBehind(request)
    const parcel = await parcelIn(request, heavy)
    response.json(
      await inTransaction(
        database,
        { studio: studioId },
        (tx) => dryRun(tx, database, studioId, parcel, dateIn(timeZone, clock())),
        { still: true },
      ),
    )
  })

  routes.post('/imports', few, body, async (request, response) => {
    const person = personBehind(request)
    const as = arrivals.find((arrival) => arrival === request.query.as)
    if (!as) throw new Problem(400, 'malformed', 'Not readable', `as: expected one of ${arrivals.join(', ')}`)
    const { outcome, id, changed } = await arrive(setting, person, await parcelIn(request, heavy), as, clock())
    if (outcome.is === 'refused') throw refused(outcome.faults)
    if (outcome.is !== 'taken')
      throw new Problem(
        409,
        'conflict',
        'Changed meanwhile',
        'Something changed here while the file came in. Nothing was changed: look at what it would do once more.',
      )
    response.status(201).json({ id, rev: outcome.rev, changed })
  })
  return routes
}

async function parcelIn(request: Request, heavy: Heavy): Promise<Parcel> {
  const bytes: unknown = request.body
  if (!Buffer.isBuffer(bytes) || bytes.length === 0)
    throw new Problem(400, 'malformed', 'No file', 'Expected the bytes of a makeover that was written by Bonitas.')
  try {
    checkZip(bytes) // rubbish waits for no process
    return await heavy.run(personBehind(request).studioId, 'read', { bytes })
  } catch (error) {
    if (error instanceof Damaged)
      throw new Problem(422, 'damaged', 'This file cannot be brought in', `${error.message}. Nothing was changed.`, {
        place: error.place,
      })
    throw error
  }
}
