/** The sheet of everything as files, and the closing of the account, whose statement is kept with its digest. */
import type { Request, Response, Router } from 'express'
import { object, string } from 'yup'
import { v7 as uuidv7 } from 'uuid'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { headOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { isUuid } from '#core/makeover/fields.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { everythingTables, finishLines, thingLines } from '#core/reveal/index.ts'
import { personBehind } from '../accounts/routes.ts'
import { takeChange } from '../changes/door.ts'
import { closingText } from '../guest/shown.ts'
import { notFound, Problem, refused } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { asCsv } from './sheets.ts'
import { sha256Of } from '../digest.ts'

type Open = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly today: PlainDate
  readonly studioName: string
}
type Send = (response: Response, type: string, name: string, bytes: Uint8Array | string) => void

/** Nobody: it is put before the client, who signs it on their own page. */
const asked = object({
  signedById: string()
    .test('id', 'expected an id', (id) => id == null || isUuid(id))
    .nullable()
    .defined(),
})

export function revealRoutes(
  routes: Router,
  { database, news, clock, heavy }: Setting,
  open: (request: Request) => Promise<Open>,
  send: Send,
): void {
  routes.get('/makeovers/:id/everything-:reader.:ending', async (request, response) => {
    const { makeover, studio, today, studioName } = await open(request)
    const { reader, ending } = request.params
    if (reader !== 'client' && reader !== 'studio') throw notFound()
    const head = headOf(makeover)
    const tables = everythingTables(
      thingLines(makeover, studio, reckonMoney(makeover), head?.units ?? 'metric'),
      finishLines(makeover),
      reader,
    )
    const [file, currency] = [`${head?.name ?? 'makeover'} everything ${reader}.${ending}`, head?.currency ?? 'EUR']
    if (ending === 'csv') send(response, 'text/csv; charset=utf-8', file, asCsv(tables, currency))
    else if (ending === 'xlsx')
      send(
        response,
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        file,
        await heavy.run(studio.id, 'workbook', { told: [tables, currency] }),
      )
    else if (ending === 'pdf')
      send(
        response,
        'application/pdf',
        file,
        await heavy.run(studio.id, 'everything', {
          told: [tables, head?.name ?? '', currency, `${studioName} · ${today}`],
        }),
      )
    else throw notFound()
  })

  /** Closes the account, or puts its closing before the client: the statement as it stands is kept word for word, under its digest. */
  routes.post('/makeovers/:id/closings', async (request, response) => {
    const { makeover, studio, today } = await open(request)
    const { studioId, personId } = personBehind(request)
    const { signedById } = read(asked, request.body)
    const client = signedById === null ? null : makeover.rows.client[signedById]
    if (client === undefined) throw notFound()
    const kept = closingText({ makeover, studio }, today)
    const closing = {
      closedOn: today,
      signedById,
      statement: kept,
      digest: sha256Of(kept),
      reopenedOn: null,
      reason: '',
    }
    const outcome = await takeChange(
      database,
      news,
      { studioId, personId },
      makeover.id,
      {
        id: uuidv7(),
        schemaVersion,
        sentence: client
          ? `Closed the account, signed by ${client.name}`
          : 'Put the closing statement before the client',
        operations: [add('closing', uuidv7(), closing)],
      },
      clock(),
    )
    if (outcome.is === 'refused') throw refused(outcome.faults)
    if (outcome.is === 'conflict')
      throw new Problem(409, 'changed', 'It changed just now', 'Look again, then close it.')
    if (outcome.is === 'not found') throw notFound()
    response.status(201).json({ digest: closing.digest })
  })
}
