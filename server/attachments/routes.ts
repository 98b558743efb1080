import { createHash } from 'node:crypto'
import express, { Router, type Request } from 'express'
import { and, eq } from 'drizzle-orm'
import { fileTypeFromBuffer } from 'file-type'
import { mediaTypes } from '#core/makeover/choices.ts'
import { personBehind } from '../accounts/routes.ts'
import type { Setting } from '../application.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { blobs } from '../database/tables.ts'
import { notFound, Problem } from '../problem.ts'
import { preparePicture, thumbnailOf } from './pictures.ts'

export const largestFile = 10 * 1024 * 1024
const known: readonly string[] = mediaTypes
const words: Readonly<Record<string, string>> = {
  'image/jpeg': 'a JPEG',
  'image/png': 'a PNG',
  'image/webp': 'a WebP',
  'application/pdf': 'a PDF',
}

/** What a file is by its first bytes, whatever its name says. Throws a problem that says what to do where it is none of ours. */
export async function mediaTypeOf(bytes: Uint8Array): Promise<string> {
  const found = (await fileTypeFromBuffer(bytes))?.mime
  if (found !== undefined && known.includes(found)) return found
  if (found === 'image/heic' || found === 'image/heif')
    throw new Problem(
      415,
      'media-type',
      'Not a kind of file that can be kept',
      'This picture is a HEIC. Let the phone save pictures as JPEG (camera settings, “most compatible”), or share it as a JPEG, and drop it here again.',
    )
  throw new Problem(
    415,
    'media-type',
    'Not a kind of file that can be kept',
    `By its content this is ${found ?? 'no picture and no PDF'}: expected ${Object.values(words).join(', ')}.`,
  )
}

/** A file as it is to be kept. */
export type Prepared = {
  readonly sha256: string
  readonly mediaType: string
  readonly bytes: Buffer
  readonly thumbnail: Buffer | null
}
const sha256Of = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** A file as it is kept: a picture turned and without its metadata, a PDF as it is. Throws a problem for anything else. */
export async function prepare(bytes: Buffer): Promise<Prepared> {
  const mediaType = await mediaTypeOf(bytes)
  if (mediaType === 'application/pdf') return { sha256: sha256Of(bytes), mediaType, bytes, thumbnail: null }
  const kept = await preparePicture(bytes)
  if (kept.bytes.length > largestFile)
    throw new Problem(
      413,
      'too-large',
      'Too large',
      'Turned upright, the picture is more than 10 MB: make it smaller, or photograph it again.',
    )
  return { sha256: sha256Of(kept.bytes), mediaType, ...kept }
}

/** Keeps bytes by their digest; the same file twice is kept once. */
export async function keepBlob(tx: Transaction, studioId: string, file: Prepared): Promise<void> {
  await tx
    .insert(blobs)
    .values({ studioId, ...file })
    .onConflictDoNothing()
}

/** Whatever it is, it is not run: no script, no frame, no guess at another type. */
const still = {
  'content-security-policy': "default-src 'none'; sandbox",
  'x-content-type-options': 'nosniff',
  'cross-origin-resource-policy': 'same-origin',
  'cache-control': 'private, max-age=31536000, immutable',
}

/** Files come in and go out so that none can run as a page. What they hang on is a row of the makeover. */
export function attachmentRoutes({ database }: Setting): Router {
  const routes = Router()
  routes.post('/files', express.raw({ type: () => true, limit: largestFile }), async (request, response) => {
    const { studioId } = personBehind(request)
    const bytes: unknown = request.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0)
      throw new Problem(400, 'malformed', 'No file', 'Expected the bytes of a picture or a PDF.')
    const file = await prepare(bytes)
    await inTransaction(database, { studio: studioId }, (tx) => keepBlob(tx, studioId, file))
    response.status(201).json({ sha256: file.sha256, mediaType: file.mediaType, bytes: file.bytes.length })
  })

  const found = async (request: Request) => {
    const { studioId } = personBehind(request)
    const { sha256 } = request.params
    if (typeof sha256 !== 'string' || !/^[0-9a-f]{64}$/.test(sha256)) throw notFound()
    const [file] = await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .select()
        .from(blobs)
        .where(and(eq(blobs.studioId, studioId), eq(blobs.sha256, sha256))),
    )
    if (!file) throw notFound()
    return file
  }
  routes.get('/files/:sha256', async (request, response) => {
    const { sha256, mediaType, bytes } = await found(request)
    response.set({
      ...still,
      'content-type': mediaType,
      'content-disposition': mediaType === 'application/pdf' ? 'attachment; filename="file.pdf"' : 'inline',
      etag: `"${sha256}"`,
    })
    response.send(bytes)
  })
  routes.get('/files/:sha256/thumbnail', async (request, response) => {
    const { sha256, mediaType, bytes, thumbnail } = await found(request)
    if (mediaType === 'application/pdf') throw notFound()
    response.set({ ...still, 'content-type': 'image/webp', etag: `"${sha256}-small"` })
    response.send(thumbnail ?? (await thumbnailOf(bytes)))
  })
  return routes
}
