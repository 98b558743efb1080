import { Router } from 'express'
import { countryCodes } from '#core/measure/habits.ts'
import { Problem } from '../problem.ts'

export type Holiday = { readonly on: string; readonly name: string }

/** The public holidays of a country in a year, by the package date-holidays (its data is under CC BY-SA 3.0). Those of a part of it are not in it. */
export async function holidaysOf(country: string, year: number): Promise<Holiday[]> {
  const { default: Holidays } = await import('date-holidays')
  return new Holidays(country, { types: ['public'] })
    .getHolidays(year, 'en')
    .map(({ date, name }) => ({ on: date.slice(0, 10), name }))
}

export function holidayRoutes(): Router {
  const routes = Router()
  routes.get('/holidays/:country/:year', async (request, response) => {
    const { country } = request.params
    const year = Number(request.params.year)
    if (!countryCodes.includes(country))
      throw new Problem(422, 'malformed', 'Not a country', 'Expected a country as its two letters of ISO 3166.')
    if (!Number.isInteger(year) || year < 1950 || year > 2150)
      throw new Problem(422, 'malformed', 'Not a year', 'Expected a year from 1950 to 2150.')
    response.json(await holidaysOf(country, year))
  })
  return routes
}
