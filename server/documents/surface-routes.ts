import type { Request, Response, Router } from 'express'
import { svgOf } from '#core/formats/svg.ts'
import { currencyOf } from '#core/makeover/document.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { takeOffTables } from '#core/surfaces/index.ts'
import { fit, type PaperSize } from '#core/survey/index.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { notFound } from '../problem.ts'
import { asCsv } from './sheets.ts'
import { drawnTreatment, type AskedTreatment } from './surfaces-paper.ts'

type Open = Omit<AskedTreatment, 'treatmentId'> & { readonly studioName: string; readonly today: PlainDate }
type Send = (response: Response, type: string, name: string, bytes: Uint8Array | string) => void

/** The take-off as CSV and XLSX; of a treatment `layout` as PDF, and `layout-A`, `layout-floor` or `layout-cuts` as SVG. */
export function surfaceRoutes(
  routes: Router,
  heavy: Heavy,
  open: (request: Request) => Promise<Open>,
  send: Send,
): void {
  routes.get('/makeovers/:id/take-off.:ending', async (request, response) => {
    const { makeover, studio, today } = await open(request)
    const { takeOffs, dressings } = reckon({ makeover, studio }, today)
    const tables = takeOffTables(makeover, takeOffs, dressings)
    const file = `${makeover.rows.makeover[makeover.id]?.name ?? 'makeover'} take-off ${today}.${request.params.ending}`
    const currency = currencyOf(makeover)
    if (request.params.ending === 'csv') send(response, 'text/csv; charset=utf-8', file, asCsv(tables, currency))
    else if (request.params.ending === 'xlsx')
      send(
        response,
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        file,
        await heavy.run(studio.id, 'workbook', { told: [tables, currency] }),
      )
    else throw notFound()
  })

  routes.get('/makeovers/:id/treatments/:treatment/:what.:ending', async (request, response) => {
    const { makeover, studio, studioName, today } = await open(request)
    const { treatment, what, ending } = request.params
    if (typeof treatment !== 'string' || typeof what !== 'string') throw notFound()
    const asked = { makeover, studio, treatmentId: treatment }
    const { title, name, units, sheets } = drawnTreatment(asked)
    const paper: PaperSize = request.query.paper === 'letter' ? 'letter' : 'a4'
    const file = `${title || 'makeover'} ${name} ${what}.${ending}`
    const sheet = sheets.find(({ letter }) => what === `layout-${letter}`)
    if (what === 'layout' && ending === 'pdf' && sheets.length > 0) {
      const foot = `${studioName} · ${today}`
      send(
        response,
        'application/pdf',
        file,
        await heavy.run(studio.id, 'surfaces', { told: [{ ...asked, paper, foot }] }),
      )
    } else if (sheet && ending === 'svg') {
      const { drawing, scale } = fit(sheet.draw, paper, units, 2.5, { side: 12, top: 12, bottom: 12 })
      send(response, 'image/svg+xml; charset=utf-8', file, svgOf(drawing, scale, `${title}, ${sheet.name}`))
    } else throw notFound()
  })
}
