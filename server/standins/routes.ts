import { Router } from 'express'
import { isLab } from '#core/colour/lab.ts'
import { Problem } from '../problem.ts'
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
    const whole = (value: unknown): value is number =>
      typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 1_000_000
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
    if (!whole(seed) || !whole(reading))
      throw new Problem(422, 'malformed', 'Not a reading', 'Expected seed and reading as whole numbers from 0.')
    response.json({ simulated: true, reading: readMeter(lab, behaviour, seed, reading) })
  })
  return routes
}
