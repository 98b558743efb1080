/** A large file comes in parts, so that a line that breaks goes on where it broke: what came is kept for a day, in any process of the server. */
import express, { type Request, type Router } from 'express'
import { and, eq, lt } from 'drizzle-orm'
import { personBehind } from '../accounts/routes.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { uploadParts } from '../database/tables.ts'
import { gate } from '../heavy/gate.ts'
import { notFound, Problem } from '../problem.ts'
import type { Setting } from '../setting.ts'
import { keepBlob, largestFile, prepare } from './files.ts'
import { sha256Of } from '../digest.ts'

export const largestPart = 1024 * 1024
const [mostUploads, keptMs] = [24, 24 * 3_600_000]

export function partRoutes(routes: Router, { database, heavy, clock }: Setting): void {
  const idOf = (request: Request): string => {
    const { sha256 } = request.params
    if (typeof sha256 !== 'string' || !/^[0-9a-f]{64}$/.test(sha256)) throw notFound()
    return sha256
  }
  const partsOf = (tx: Transaction, studioId: string, uploadId: string) =>
    tx
      .select()
      .from(uploadParts)
      .where(and(eq(uploadParts.studioId, studioId), eq(uploadParts.uploadId, uploadId)))
      .orderBy(uploadParts.at)
  const lengthOf = (parts: readonly { readonly bytes: Buffer }[]): number =>
    parts.reduce((sum, { bytes }) => sum + bytes.length, 0)

  /** How far it has come. */
  routes.get('/uploads/:sha256', async (request, response) => {
    const { studioId } = personBehind(request)
    const uploadId = idOf(request)
    const parts = await inTransaction(database, { studio: studioId }, (tx) => partsOf(tx, studioId, uploadId))
    response.json({ came: lengthOf(parts) })
  })

  /** The next part; refused, with how far it has come, where it is not the next. */
  routes.put(
    '/uploads/:sha256/:at',
    gate(24, 8),
    express.raw({ type: () => true, limit: largestPart }),
    async (request, response) => {
      const { studioId } = personBehind(request)
      const uploadId = idOf(request)
      const at = Number(request.params.at)
      const bytes: unknown = request.body
      if (!Buffer.isBuffer(bytes) || bytes.length === 0 || !Number.isSafeInteger(at) || at < 0)
        throw new Problem(400, 'malformed', 'No part', 'Expected the bytes of a file from a given byte on.')
      if (at + bytes.length > largestFile)
        throw new Problem(413, 'too-large', 'Too large', 'A file may have at most 10 MB.')
      const came = await inTransaction(database, { studio: studioId }, async (tx) => {
        await tx
          .delete(uploadParts)
          .where(and(eq(uploadParts.studioId, studioId), lt(uploadParts.cameAt, new Date(clock() - keptMs))))
        const has = lengthOf(await partsOf(tx, studioId, uploadId))
        if (at !== has) return has
        const open = await tx
          .selectDistinct({ uploadId: uploadParts.uploadId })
          .from(uploadParts)
          .where(eq(uploadParts.studioId, studioId))
        if (open.length >= mostUploads && !open.some((known) => known.uploadId === uploadId))
          throw new Problem(429, 'busy', 'Too much at once', 'Many files are half here: let those come first.')
        await tx
          .insert(uploadParts)
          .values({ studioId, uploadId, at, bytes, cameAt: new Date(clock()) })
          .onConflictDoNothing()
        return at + bytes.length
      })
      response.json({ came })
    },
  )

  /** It is all here: kept as a file that came at once is, if it is what its name says. */
  routes.post('/uploads/:sha256', gate(24, 8), async (request, response) => {
    const { studioId } = personBehind(request)
    const uploadId = idOf(request)
    const drop = (tx: Transaction) =>
      tx.delete(uploadParts).where(and(eq(uploadParts.studioId, studioId), eq(uploadParts.uploadId, uploadId)))
    const parts = await inTransaction(database, { studio: studioId }, (tx) => partsOf(tx, studioId, uploadId))
    const whole = Buffer.concat(parts.map(({ bytes }) => bytes))
    if (sha256Of(whole) !== uploadId)
      throw new Problem(
        409,
        'incomplete',
        'Not all of it is here',
        `${whole.length} bytes came, and they are not the file yet: send the rest.`,
        { came: whole.length },
      )
    try {
      const file = await prepare(whole, (picture) => heavy.run(studioId, 'picture', { bytes: picture }))
      await inTransaction(database, { studio: studioId }, (tx) => keepBlob(tx, studioId, file))
      response.status(201).json({ sha256: file.sha256, mediaType: file.mediaType, bytes: file.bytes.length })
    } finally {
      // taken or refused for what it is: sending it again changes nothing
      await inTransaction(database, { studio: studioId }, drop)
    }
  })
}
