import { createHash } from 'node:crypto'
import express, { Router } from 'express'
import { and, eq } from 'drizzle-orm'
import { fileTypeFromBuffer } from 'file-type'
import { mediaTypes } from '#core/makeover/choices.ts'
import { personBehind } from '../accounts/routes.ts'
import type { Setting } from '../application.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { blobs } from '../database/tables.ts'
import { notFound, Problem } from '../problem.ts'

export const largestFile = 10 * 1024 * 1024
const known: readonly string[] = mediaTypes
const words: Readonly<Record<string, string>> = { 'image/jpeg': 'a JPEG', 'image/png': 'a PNG', 'image/webp': 'a WebP', 'application/pdf': 'a PDF' }

/** What a file is by its first bytes, whatever its name says. Throws a problem that says what to do where it is none of ours. */
export async function mediaTypeOf(bytes: Uint8Array): Promise<string> {
  const found = (await fileTypeFromBuffer(bytes))?.mime
  if (found !== undefined && known.includes(found)) return found
  if (found === 'image/heic' || found === 'image/heif')
    throw new Problem(415, 'media-type', 'Not a kind of file that can be kept', 'This picture is a HEIC. Let the phone save pictures as JPEG (camera settings, “most compatible”), or share it as a JPEG, and drop it here again.')
  throw new Problem(415, 'media-type', 'Not a kind of file that can be kept', `By its content this is ${found ?? 'no picture and no PDF'}: expected ${Object.values(words).join(', ')}.`)
}

/** Keeps bytes by their digest; the same file twice is kept once. */
export async function keepBlob(tx: Transaction, studioId: string, bytes: Buffer, mediaType: string): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  await tx.insert(blobs).values({ studioId, sha256, mediaType, bytes }).onConflictDoNothing()
  return sha256
}

/** Files come in as they are, and go out so that none can run as a page. What they hang on is a row of the makeover. */
export function attachmentRoutes({ database }: Setting): Router {
  const routes = Router()
  routes.post('/files', express.raw({ type: () => true, limit: largestFile }), async (request, response) => {
    const { studioId } = personBehind(request)
    const bytes: unknown = request.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw new Problem(400, 'malformed', 'No file', 'Expected the bytes of a picture or a PDF.')
    const mediaType = await mediaTypeOf(bytes)
    const sha256 = await inTransaction(database, { studio: studioId }, (tx) => keepBlob(tx, studioId, bytes, mediaType))
    response.status(201).json({ sha256, mediaType, bytes: bytes.length })
  })
  routes.get('/files/:sha256', async (request, response) => {
    const { studioId } = personBehind(request)
    const { sha256 } = request.params
    const [found] = await inTransaction(database, { studio: studioId }, (tx) => tx.select().from(blobs).where(and(eq(blobs.studioId, studioId), eq(blobs.sha256, sha256))))
    if (!found) throw notFound()
    response.set({
      'content-type': found.mediaType,
      'content-security-policy': "default-src 'none'; sandbox",
      'content-disposition': found.mediaType === 'application/pdf' ? 'attachment; filename="file.pdf"' : 'inline',
      'x-content-type-options': 'nosniff',
      'cache-control': 'private, max-age=31536000, immutable',
      etag: `"${sha256}"`,
    })
    response.send(found.bytes)
  })
  return routes
}
