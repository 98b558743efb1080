import type { Request, Response, Router } from 'express'
import { headOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { svgOf } from '#core/formats/svg.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import {
  areasOf,
  elevationOf,
  fit,
  letterOf,
  planOf,
  roomsOf,
  surveyCsv,
  type Drawing,
  type PaperSize,
} from '#core/survey/index.ts'
import { notFound } from '../problem.ts'
import { dxfOf } from './survey-dxf.ts'
import { surveyPdf } from './survey-pdf.ts'

type Open = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly studioName: string
  readonly today: string
}
type Send = (response: Response, type: string, name: string, bytes: Buffer | string) => void

/** A room’s survey as files: `plan` or `wall-A` as SVG and DXF, `survey` as PDF on A4 or Letter, `lengths` as CSV. */
export function surveyRoutes(routes: Router, open: (request: Request) => Promise<Open>, send: Send): void {
  routes.get('/makeovers/:id/rooms/:room/:what.:ending', async (request, response) => {
    const opened = await open(request)
    const { room: roomId, what, ending } = request.params
    const { rules } = practiceOf(opened)
    const rooms = roomsOf(opened.makeover, rules)
    const room = rooms.find((room) => room.id === roomId)
    if (!room) throw notFound()
    const head = headOf(opened.makeover)
    const units = head?.units ?? 'metric'
    const paper: PaperSize = request.query.paper === 'letter' ? 'letter' : 'a4'
    const again = room.closing.again?.set ?? []
    const plan = (text: number): Drawing => planOf(room, { text, units, rules, beside: rooms, again })
    const walls = room.walls.map((wall) => ({
      letter: letterOf(wall.at),
      name: `${room.name}, ${wall.name}`,
      draw: (text: number): Drawing => elevationOf(room, wall, { text, units, again }),
    }))
    const wall = walls.find((wall) => what === `wall-${wall.letter}`)
    const draw = what === 'plan' ? plan : wall?.draw
    const file = `${head?.name ?? 'makeover'} ${room.name} ${what}.${ending}`
    if (what === 'lengths' && ending === 'csv') send(response, 'text/csv; charset=utf-8', file, surveyCsv(room))
    else if (what === 'survey' && ending === 'pdf') {
      const sheets = [{ name: `${room.name}, plan`, draw: plan }, ...(room.closing.state === 'closed' ? walls : [])]
      send(
        response,
        'application/pdf',
        file,
        await surveyPdf({
          room,
          areas: areasOf(opened.makeover, room, rules),
          units,
          paper,
          title: head?.name ?? '',
          foot: `${opened.studioName} · ${opened.today}`,
          sheets,
        }),
      )
    } else if (draw && (ending === 'svg' || ending === 'dxf')) {
      const { drawing, scale } = fit(draw, paper, units, 2.5, { side: 12, top: 12, bottom: 12 })
      if (ending === 'svg')
        send(response, 'image/svg+xml; charset=utf-8', file, svgOf(drawing, scale, `${head?.name ?? ''}, ${room.name}`))
      else send(response, 'application/dxf', file, dxfOf(drawing))
    } else throw notFound()
  })
}
