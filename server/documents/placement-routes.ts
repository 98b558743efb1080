import type { Request, Response, Router } from 'express'
import { svgOf } from '#core/formats/svg.ts'
import { fit, type PaperSize } from '#core/survey/index.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { notFound } from '../problem.ts'
import { placedRoom, type AskedLayout } from './placement-paper.ts'
import { dxfOf } from './survey-dxf.ts'

type Open = Omit<AskedLayout, 'roomId' | 'layoutId'> & { readonly studioName: string; readonly today: string }
type Send = (response: Response, type: string, name: string, bytes: Uint8Array | string) => void

/** The plan of a room with what stands there, as SVG, as DXF in mm, and as PDF with where each thing stands and the carriers’ list. */
export function placementRoutes(
  routes: Router,
  heavy: Heavy,
  open: (request: Request) => Promise<Open>,
  send: Send,
): void {
  routes.get('/makeovers/:id/rooms/:room/hooks.pdf', async (request, response) => {
    const { makeover, studio, studioName, today } = await open(request)
    const { room: roomId } = request.params
    if (typeof roomId !== 'string' || !makeover.rows.room[roomId]) throw notFound()
    const paper: PaperSize = request.query.paper === 'letter' ? 'letter' : 'a4'
    const asked = { makeover, studio, roomId, paper, foot: `${studioName} · ${today}` }
    const bytes = await heavy.run(studio.id, 'hanging', { told: [asked] })
    send(response, 'application/pdf', `${makeover.rows.room[roomId].name} hooks.pdf`, bytes)
  })
  routes.get('/makeovers/:id/rooms/:room/placement.:ending', async (request, response) => {
    const { makeover, studio, studioName, today } = await open(request)
    const { room: roomId, ending } = request.params
    if (typeof roomId !== 'string') throw notFound()
    const layoutId = typeof request.query.layout === 'string' ? request.query.layout : ''
    const asked = { makeover, studio, roomId, layoutId }
    const { room, title, units, plan } = placedRoom(asked)
    const paper: PaperSize = request.query.paper === 'letter' ? 'letter' : 'a4'
    const file = `${title || 'makeover'} ${room.name} placement.${ending}`
    if (ending === 'pdf') {
      const foot = `${studioName} · ${today}`
      send(
        response,
        'application/pdf',
        file,
        await heavy.run(studio.id, 'placement', { told: [{ ...asked, paper, foot }] }),
      )
    } else if (ending === 'svg' || ending === 'dxf') {
      const { drawing, scale } = fit(plan, paper, units, 2.5, { side: 12, top: 12, bottom: 12 })
      if (ending === 'svg')
        send(response, 'image/svg+xml; charset=utf-8', file, svgOf(drawing, scale, `${title}, ${room.name}`))
      else send(response, 'application/dxf', file, dxfOf(drawing))
    } else throw notFound()
  })
}
