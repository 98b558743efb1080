import { Router, type Request, type Response } from 'express'
import { keepBrief, readKept } from '#core/brief/index.ts'
import { journal } from '#core/formats/journal.ts'
import { statementTables } from '#core/formats/tables.ts'
import { habitsOf, type Habits } from '#core/measure/habits.ts'
import { headOf, rowsOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { dateIn, type PlainDate } from '#core/measure/plain-date.ts'
import { reckonMoney, statement } from '#core/purchases/index.ts'
import { personBehind } from '../accounts/routes.ts'
import { signedOf } from '../changes/signings.ts'
import type { Setting } from '../setting.ts'
import { inTransaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { idIn, notFound } from '../problem.ts'
import { asCsv } from './sheets.ts'
import { calendarRoutes } from './calendar-routes.ts'
import { placementRoutes } from './placement-routes.ts'
import { revealRoutes } from './reveal-routes.ts'
import { surfaceRoutes } from './surface-routes.ts'
import { surveyRoutes } from './survey-routes.ts'

type Open = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly today: PlainDate
  readonly clients: readonly string[]
  readonly studioName: string
}

/** What leaves the product on paper or as a file: the brief, the statements, the journal. */
export function documentRoutes(setting: Setting): Router {
  const { database, clock, heavy } = setting
  const routes = Router()
  async function open(request: Request): Promise<Open> {
    const { studioId, timeZone, studioName } = personBehind(request)
    const id = idIn(request)
    const found = await inTransaction(
      database,
      { studio: studioId },
      (tx) => loadDocuments(tx, database.memory, studioId, id),
      { still: true },
    )
    if (!found.makeover.rows.makeover[id]) throw notFound()
    return {
      makeover: found.makeover,
      studio: found.studio,
      today: dateIn(timeZone, clock()),
      clients: rowsOf(found.makeover, 'client').map((row) => row.name),
      studioName,
    }
  }
  const send = (response: Response, type: string, name: string, bytes: Uint8Array | string): void =>
    void response
      .set({
        'content-type': type,
        'content-disposition': `attachment; filename="${name.replace(/[^\w .-]+/g, '').trim() || 'makeover'}"`,
      })
      .send(typeof bytes === 'string' ? bytes : Buffer.from(bytes))
  const paperOf = ({ makeover }: Open): Habits['paper'] => {
    const head = headOf(makeover)
    return head ? habitsOf(head.country, head.currency, head.units).paper : 'A4'
  }
  const nameOf = ({ makeover }: Open): string => makeover.rows.makeover[makeover.id]?.name ?? 'makeover'

  routes.get('/makeovers/:id/brief.pdf', async (request, response) => {
    const opened = await open(request)
    const { makeover, studio, clients, studioName } = opened
    const versions = rowsOf(makeover, 'agreement').toSorted((left, right) => left.number - right.number)
    const version = versions.find((row) => String(row.number) === request.query.version) ?? versions.at(-1)
    const kept = version ? readKept(version.kept) : null
    const signed = await inTransaction(database, { studio: studio.id }, (tx) => signedOf(tx, makeover))
    const brief = kept ?? keepBrief({ makeover, studio }, version?.id ?? '')
    const signing = {
      clients,
      studio: studioName,
      signedBy: version?.signedById ? (makeover.rows.client[version.signedById]?.name ?? null) : null,
      signedOn: version?.signedOn ?? null,
      version: version?.number ?? 1,
      reason: version?.reason ?? '',
      kept: kept !== null,
      here: signed.find((signed) => signed.agreementId === version?.id)?.here ?? null,
      timeZone: personBehind(request).timeZone,
      paper: paperOf(opened),
    }
    const bytes = await heavy.run(studio.id, 'brief', { told: [brief ?? bare(opened), signing] })
    send(response, 'application/pdf', `${nameOf(opened)} brief.pdf`, bytes)
  })

  routes.get('/makeovers/:id/:reader-statement.:ending', async (request, response) => {
    const opened = await open(request)
    const { reader, ending } = request.params
    if (reader !== 'client' && reader !== 'studio') throw notFound()
    const account = statement(opened, reckonMoney(opened.makeover), reader, opened.today)
    const file = `${nameOf(opened)} ${reader} statement ${opened.today}.${ending}`
    if (ending === 'pdf')
      send(
        response,
        'application/pdf',
        file,
        await heavy.run(opened.studio.id, 'statement', {
          told: [account, opened.clients, opened.studioName, paperOf(opened)],
        }),
      )
    else if (ending === 'csv')
      send(response, 'text/csv; charset=utf-8', file, asCsv(statementTables(account), account.currency))
    else if (ending === 'xlsx')
      send(
        response,
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        file,
        await heavy.run(opened.studio.id, 'workbook', { told: [statementTables(account), account.currency] }),
      )
    else throw notFound()
  })

  routes.get('/makeovers/:id/journal.txt', async (request, response) => {
    const opened = await open(request)
    send(
      response,
      'text/plain; charset=utf-8',
      `${nameOf(opened)} journal.txt`,
      journal(opened.makeover, reckonMoney(opened.makeover)),
    )
  })
  placementRoutes(routes, heavy, open, send)
  calendarRoutes(routes, heavy, open, send)
  revealRoutes(routes, setting, open, send)
  surveyRoutes(routes, heavy, open, send)
  surfaceRoutes(routes, heavy, open, send)
  return routes
}

/** A brief without any budget yet: reckoned as if a draft of nothing stood there. */
function bare({ makeover, studio }: Open): NonNullable<ReturnType<typeof keepBrief>> {
  const id = '00000000-0000-7000-8000-000000000000'
  const draft = {
    id,
    version: id,
    number: 1,
    contingencyMinor: 0 as never,
    signedById: null,
    signedOn: null,
    reason: '',
    kept: '',
  }
  const brief = keepBrief(
    { makeover: { ...makeover, rows: { ...makeover.rows, agreement: { [id]: draft } } }, studio },
    id,
  )
  if (!brief) throw notFound()
  return brief
}
