import type { Request, Response, Router } from 'express'
import ical, { ICalEventTransparency } from 'ical-generator'
import { calendarDays, calendarTable, dayAfter, type CalendarDay } from '#core/calendar/index.ts'
import { habitsOf } from '#core/measure/habits.ts'
import { headOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { notFound } from '../problem.ts'
import { asCsv } from './sheets.ts'

type Open = {
  readonly studioName: string
  readonly makeover: Makeover
  readonly studio: Studio
  readonly today: PlainDate
}
type Send = (response: Response, type: string, name: string, bytes: Uint8Array | string) => void

/**
 * Days as an iCalendar file (RFC 5545): all-day entries without a time zone, each with an id that stays while it is about the same task,
 * and numbered by the revision of the makeover, so that a program that took an earlier file in moves what it has.
 */
export function icsOf(makeover: Makeover, name: string, days: readonly CalendarDay[]): string {
  const calendar = ical({ name, prodId: { company: 'Bonitas', product: 'Calendar', language: 'EN' } })
  for (const day of days)
    calendar.createEvent({
      id: `${day.key}@${makeover.id}`,
      sequence: makeover.rev,
      start: day.first,
      end: dayAfter(day),
      allDay: true,
      summary: day.says,
      description: day.hand === '' ? null : day.hand,
      transparency: ICalEventTransparency.TRANSPARENT,
    })
  return calendar.toString()
}

/** The calendar of a makeover on paper, as ICS and as CSV; of one hand alone where one is named. */
export function calendarRoutes(
  routes: Router,
  heavy: Heavy,
  open: (request: Request) => Promise<Open>,
  send: Send,
): void {
  for (const [path, job, named] of [
    ['calendar.pdf', 'plan', 'calendar'],
    ['install-day.pdf', 'install', 'install day'],
  ] as const)
    routes.get(`/makeovers/:id/${path}`, async (request, response) => {
      const { makeover, studio, today, studioName } = await open(request)
      const head = headOf(makeover)
      const size = head ? habitsOf(head.country, head.currency, head.units).paper : 'A4'
      const bytes = await heavy.run(studio.id, job, { told: [{ makeover, studio, today, studioName, size }] })
      send(response, 'application/pdf', `${head?.name ?? 'makeover'} ${named}.pdf`, bytes)
    })
  routes.get('/makeovers/:id/calendar.:ending', async (request, response) => {
    const { makeover, studio, today } = await open(request)
    const { schedule, dates } = reckon({ makeover, studio }, today)
    const hand = typeof request.query.hand === 'string' ? request.query.hand : null
    if (hand !== null && !schedule.tasks.some((task) => task.hand === hand)) throw notFound()
    const days = calendarDays(schedule, new Map(dates.map(({ id, orderBy }) => [id, orderBy])), hand)
    const name = makeover.rows.makeover[makeover.id]?.name ?? 'makeover'
    const file = `${name} calendar${hand === null ? '' : ` ${hand}`}.${request.params.ending}`
    if (request.params.ending === 'ics')
      send(response, 'text/calendar; charset=utf-8', file, icsOf(makeover, name, days))
    else if (request.params.ending === 'csv')
      send(response, 'text/csv; charset=utf-8', file, asCsv([calendarTable(days)], 'EUR'))
    else throw notFound()
  })
}
