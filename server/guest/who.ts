/** Who comes by a client's link, how often, and what they change: by the door, as the client's own. */
import type { Request, RequestHandler } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'
import { eq } from 'drizzle-orm'
import { schemaVersion, type Documents, type Operation } from '#core/makeover/change.ts'
import { dateIn, type PlainDate } from '#core/measure/plain-date.ts'
import { takeChange } from '../changes/door.ts'
import { inTransaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { studios } from '../database/tables.ts'
import { openLink, type Link } from '../links/links.ts'
import { notFound, Problem, refused } from '../problem.ts'
import type { Setting } from '../setting.ts'

export type Guest = {
  readonly link: Link
  readonly clientId: string
  readonly documents: Documents
  readonly today: PlainDate
}

export function doorFor({ database, news, clock, guestActs = 30 }: Setting) {
  const tooMany = (): never => {
    throw new Problem(429, 'too-many', 'Too many at once', 'Wait a minute, then go on: nothing that you sent is lost.')
  }
  const limited = (limit: number, identifier: string): RequestHandler =>
    rateLimit({
      windowMs: 60_000,
      limit,
      identifier,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      keyGenerator: (request) => ipKeyGenerator(request.ip ?? ''),
      handler: tooMany,
    })
  const looks = limited(8 * guestActs, 'guest-looks')
  const acts = limited(guestActs, 'guest-acts')

  /** Who comes by the link, and what it opens. The token is in a header, so that no address, log or referrer has it. */
  async function guest(request: Request): Promise<Guest> {
    const link = await openLink(database, request.get('x-bonitas-link'), 'client', clock(), wordIn(request))
    const told = await inTransaction(
      database,
      { studio: link.studioId },
      async (tx) => ({
        documents: await loadDocuments(tx, database.memory, link.studioId, link.makeoverId),
        zone:
          (await tx.select({ zone: studios.timeZone }).from(studios).where(eq(studios.id, link.studioId)))[0]?.zone ??
          'UTC',
      }),
      { still: true },
    )
    const clientId = link.forWhom ?? ''
    if (!told.documents.makeover.rows.client[clientId]) throw notFound()
    return { link, clientId, documents: told.documents, today: dateIn(told.zone, clock()) }
  }
  async function change(
    { link }: Guest,
    request: Request,
    id: string,
    sentence: string,
    operations: Operation[],
    typedName = '',
  ): Promise<void> {
    const outcome = await takeChange(
      database,
      news,
      { studioId: link.studioId, personId: link.madeBy },
      link.makeoverId,
      { id, schemaVersion, sentence, operations },
      clock(),
      { byLink: { linkId: link.id, typedName, address: request.ip ?? '' } },
    )
    if (outcome.is === 'refused') throw refused(outcome.faults)
    if (outcome.is === 'conflict')
      throw new Problem(
        409,
        'changed',
        'It changed just now',
        'The studio changed it a moment ago: look again, then answer.',
      )
    if (outcome.is === 'not found') throw notFound()
  }
  return { guest, change, looks, acts }
}
export type GuestDoor = ReturnType<typeof doorFor>

/** A word may be any letters: it comes as its URI component, since headers are plain. */
function wordIn(request: Request): string | null {
  const text = request.get('x-bonitas-word')
  if (text === undefined) return null
  try {
    return decodeURIComponent(text)
  } catch {
    return ''
  }
}
