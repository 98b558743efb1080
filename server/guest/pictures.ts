/** Pictures that a client sends with an answer, and has back. */
import express, { type Request, type RequestHandler, type Router } from 'express'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { keepBlob, largestFile, prepare } from '../attachments/files.ts'
import { sendFile } from '../attachments/routes.ts'
import { inTransaction } from '../database/connection.ts'
import { gate } from '../heavy/gate.ts'
import { notFound, Problem } from '../problem.ts'
import type { Setting } from '../setting.ts'
import { shownTo } from './shown.ts'
import type { GuestDoor } from './who.ts'

/** Whose link a request came by: looked at before any of its bytes are read. */
const studios = new WeakMap<Request, string>()

export function pictureRoutes(
  routes: Router,
  { database, heavy }: Setting,
  { guest, change, looks, acts }: GuestDoor,
): void {
  const known: RequestHandler = async (request, _response, next) => {
    studios.set(request, (await guest(request)).link.studioId)
    next()
  }
  routes.post(
    '/guest/pictures/:reply',
    acts,
    known,
    gate(8, 4, (request) => `${studios.get(request) ?? ''} guests`),
    express.raw({ type: () => true, limit: largestFile }),
    async (request, response) => {
      const who = await guest(request)
      const { link, documents, clientId, today } = who
      const { reply } = request.params
      if (typeof reply !== 'string' || documents.makeover.rows.reply[reply]?.clientId !== clientId) throw notFound()
      const hung = rowsOf(documents.makeover, 'attachment').filter(({ replyId }) => replyId === reply).length
      if (hung >= 8)
        throw new Problem(
          422,
          'too-many',
          'Enough pictures',
          'Eight pictures hang on this answer already: write another for more.',
        )
      const bytes: unknown = request.body
      if (!Buffer.isBuffer(bytes) || bytes.length === 0)
        throw new Problem(400, 'malformed', 'No file', 'Expected the bytes of a picture.')
      const file = await prepare(bytes, (picture) => heavy.run(link.studioId, 'picture', { bytes: picture }))
      if (file.mediaType === 'application/pdf')
        throw new Problem(415, 'media-type', 'Not a picture', 'Expected a JPEG, a PNG or a WebP.')
      await inTransaction(database, { studio: link.studioId }, (tx) => keepBlob(tx, link.studioId, file))
      const kept = { sha256: file.sha256, mediaType: file.mediaType as 'image/jpeg', bytes: file.bytes.length }
      const client = documents.makeover.rows.client[clientId]?.name ?? ''
      await change(who, request, uuidv7(), `${client} sent a picture`, [
        add('attachment', uuidv7(), {
          ...blank.attachment,
          ...kept,
          replyId: reply,
          name: 'from the client',
          addedOn: today,
        }),
      ])
      response.status(201).json(shownTo((await guest(request)).documents, clientId, today))
    },
  )

  // only what the client themself sent is served back
  routes.get('/guest/pictures/:sha256', looks, async (request, response) => {
    const { link, documents } = await guest(request)
    const { sha256 } = request.params
    const isTheirs = rowsOf(documents.makeover, 'attachment').some(
      (row) => row.replyId !== null && row.sha256 === sha256,
    )
    if (typeof sha256 !== 'string' || !isTheirs) throw notFound()
    await sendFile(database, link.studioId, sha256, response)
  })
}
