import type { Request, Response, Router } from 'express'
import { svgOf } from '#core/formats/svg.ts'
import { fit, surveyCsv, type PaperSize } from '#core/survey/index.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { notFound } from '../problem.ts'
import { dxfOf } from './survey-dxf.ts'
import { drawn, type AskedRoom } from './survey-paper.ts'

type Open = Omit<AskedRoom, 'roomId'> & { readonly studioName: string; readonly today: string }
type Send = (response: Response, type: string, name: string, bytes: Uint8Array | string) => void

/** A room’s survey as files: `plan` or `wall-A` as SVG and DXF, `survey` as PDF on A4 or Letter, `lengths` as CSV. */
export function surveyRoutes(
  routes: Router,
  heavy: Heavy,
  open: (request: Request) => Promise<Open>,
  send: Send,
): void {
  routes.get('/makeovers/:id/rooms/:room/:what.:ending', async (request, response) => {
    const { makeover, studio, studioName, today } = await open(request)
    const { room: roomId, what, ending } = request.params
    if (typeof roomId !== 'string') throw notFound()
    const asked = { makeover, studio, roomId }
    const { room, title, units, plan, walls } = drawn(asked)
    const paper: PaperSize = request.query.paper === 'letter' ? 'letter' : 'a4'
    const draw = what === 'plan' ? plan : walls.find(({ letter }) => what === `wall-${letter}`)?.draw
    const file = `${title || 'makeover'} ${room.name} ${what}.${ending}`
    if (what === 'lengths' && ending === 'csv') send(response, 'text/csv; charset=utf-8', file, surveyCsv(room))
    else if (what === 'survey' && ending === 'pdf') {
      const foot = `${studioName} · ${today}`
      send(
        response,
        'application/pdf',
        file,
        await heavy.run(studio.id, 'survey', { told: [{ ...asked, paper, foot }] }),
      )
    } else if (draw && (ending === 'svg' || ending === 'dxf')) {
      const { drawing, scale } = fit(draw, paper, units, 2.5, { side: 12, top: 12, bottom: 12 })
      if (ending === 'svg')
        send(response, 'image/svg+xml; charset=utf-8', file, svgOf(drawing, scale, `${title}, ${room.name}`))
      else send(response, 'application/dxf', file, dxfOf(drawing))
    } else throw notFound()
  })
}
