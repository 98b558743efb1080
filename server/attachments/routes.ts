import express, { Router, type Request, type Response } from 'express'
import { and, eq, isNull } from 'drizzle-orm'
import { showsCosts } from '#core/people/index.ts'
import { personBehind } from '../accounts/routes.ts'
import { gate } from '../heavy/gate.ts'
import type { Setting } from '../setting.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { attachments, blobs } from '../database/tables.ts'
import { notFound, Problem } from '../problem.ts'
import { keepBlob, largestFile, prepare } from './files.ts'
import { partRoutes } from './parts.ts'

/** Whatever it is, it is not run: no script, no frame, no guess at another type. */
const still = {
  'content-security-policy': "default-src 'none'; sandbox",
  'x-content-type-options': 'nosniff',
  'cross-origin-resource-policy': 'same-origin',
  'cache-control': 'private, max-age=31536000, immutable',
}

/** A kept file as it goes out. */
function sendKept(response: Response, { sha256, mediaType, bytes }: typeof blobs.$inferSelect): void {
  response.set({
    ...still,
    'content-type': mediaType,
    'content-disposition': mediaType === 'application/pdf' ? 'attachment; filename="file.pdf"' : 'inline',
    etag: `"${sha256}"`,
  })
  response.send(bytes)
}
/** Sends a file of a studio by its digest. */
export async function sendFile(
  database: Database,
  studioId: string,
  sha256: string,
  response: Response,
): Promise<void> {
  const [file] = await inTransaction(database, { studio: studioId }, (tx) =>
    tx
      .select()
      .from(blobs)
      .where(and(eq(blobs.studioId, studioId), eq(blobs.sha256, sha256))),
  )
  if (!file) throw notFound()
  sendKept(response, file)
}

/** Does it hang on nothing but orders and deliveries? Such a file is a bill, a slip, or on its way to be one. */
async function isBill(tx: Transaction, sha256: string): Promise<boolean> {
  const shown = await tx
    .select({ id: attachments.id })
    .from(attachments)
    .where(and(eq(attachments.sha256, sha256), isNull(attachments.orderId), isNull(attachments.deliveryId)))
    .limit(1)
  return shown.length === 0
}

/** Files come in and go out so that none can run as a page. What they hang on is a row of the makeover. */
export function attachmentRoutes(setting: Setting): Router {
  const { database, heavy } = setting
  const routes = Router()
  partRoutes(routes, setting)
  routes.post(
    '/files',
    gate(24, 8),
    express.raw({ type: () => true, limit: largestFile }),
    async (request, response) => {
      const { studioId } = personBehind(request)
      const bytes: unknown = request.body
      if (!Buffer.isBuffer(bytes) || bytes.length === 0)
        throw new Problem(400, 'malformed', 'No file', 'Expected the bytes of a picture or a PDF.')
      const file = await prepare(bytes, (picture) => heavy.run(studioId, 'picture', { bytes: picture }))
      await inTransaction(database, { studio: studioId }, (tx) => keepBlob(tx, studioId, file))
      response.status(201).json({ sha256: file.sha256, mediaType: file.mediaType, bytes: file.bytes.length })
    },
  )

  const found = async (request: Request) => {
    const who = personBehind(request)
    const { studioId } = who
    const { sha256 } = request.params
    if (typeof sha256 !== 'string' || !/^[0-9a-f]{64}$/.test(sha256)) throw notFound()
    const file = await inTransaction(database, { studio: studioId }, async (tx) => {
      if (!showsCosts(who) && (await isBill(tx, sha256))) throw notFound()
      const found = await tx
        .select()
        .from(blobs)
        .where(and(eq(blobs.studioId, studioId), eq(blobs.sha256, sha256)))
      return found[0]
    })
    if (!file) throw notFound()
    return file
  }
  routes.get('/files/:sha256', async (request, response) => {
    sendKept(response, await found(request))
  })
  routes.get('/files/:sha256/thumbnail', async (request, response) => {
    const { studioId, sha256, mediaType, bytes, thumbnail } = await found(request)
    if (mediaType === 'application/pdf') throw notFound()
    response.set({ ...still, 'content-type': 'image/webp', etag: `"${sha256}-small"` })
    response.send(thumbnail ?? Buffer.from(await heavy.run(studioId, 'thumbnail', { bytes })))
  })
  return routes
}
