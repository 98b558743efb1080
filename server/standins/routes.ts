import { Router } from 'express'
import { isLab } from '#core/colour/lab.ts'
import { Problem } from '../problem.ts'
import { isPlainDate } from '#core/measure/plain-date.ts'
import { carrierBehaviours, carrierSays } from './carrier.ts'
import { meterBehaviours, readMeter } from './colour-meter.ts'

/** Outside devices as simulated stand-ins: each says in its answer that it is one. */
export function standinRoutes(): Router {
  const routes = Router()
  routes.post('/standins/colour-meter', (request, response) => {
    const body: unknown = request.body
    const { surface, behaves, seed, reading } = (typeof body === 'object' && body !== null ? body : {}) as Record<
      string,
      unknown
    >
    const { L, a, b } = (typeof surface === 'object' && surface !== null ? surface : {}) as Record<string, unknown>
    const lab = { L: Number(L), a: Number(a), b: Number(b) }
    const behaviour = meterBehaviours.find((meterBehaviour) => meterBehaviour === behaves)
    if (typeof L !== 'number' || typeof a !== 'number' || typeof b !== 'number' || !isLab(lab))
      throw new Problem(
        422,
        'malformed',
        'Not a surface',
        'Expected surface as L from 0 to 100, a and b from −128 to 128.',
      )
    if (!behaviour)
      throw new Problem(
        422,
        'malformed',
        'Not a behaviour',
        `Expected behaves as one of ${meterBehaviours.join(', ')}.`,
      )
    if (!isWhole(seed) || !isWhole(reading))
      throw new Problem(422, 'malformed', 'Not a reading', 'Expected seed and reading as whole numbers from 0.')
    response.json({ simulated: true, reading: readMeter(lab, behaviour, seed, reading) })
  })
  routes.post('/standins/carrier', (request, response) => {
    const body: unknown = request.body
    const { comesOn, packs, behaves, seed } = (typeof body === 'object' && body !== null ? body : {}) as Record<
      string,
      unknown
    >
    const behaviour = carrierBehaviours.find((carrierBehaviour) => carrierBehaviour === behaves)
    if (typeof comesOn !== 'string' || !isPlainDate(comesOn))
      throw new Problem(422, 'malformed', 'Not a day', 'Expected comesOn as a calendar date such as 2027-03-14.')
    if (!behaviour)
      throw new Problem(
        422,
        'malformed',
        'Not a behaviour',
        `Expected behaves as one of ${carrierBehaviours.join(', ')}.`,
      )
    if (!isWhole(packs) || packs < 1 || !isWhole(seed))
      throw new Problem(422, 'malformed', 'Not a delivery', 'Expected packs from 1 and seed from 0 as whole numbers.')
    response.json({ simulated: true, answer: carrierSays({ comesOn, packs, behaves: behaviour, seed }) })
  })
  return routes
}
const isWhole = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 1_000_000
