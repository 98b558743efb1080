/** What whoever watches the server asks: outside of what people use, with no session. */
import { Router } from 'express'
import { notFound } from '../problem.ts'
import type { Health } from './health.ts'

export function healthRoutes(health: Health): Router {
  const routes = Router()
  routes.use((request, response, next) => {
    const began = performance.now()
    response.on('finish', () => {
      const pattern: unknown = (request as { route?: { path?: unknown } }).route?.path
      const route = typeof pattern === 'string' ? pattern : 'none'
      health.answered(request.method, route, response.statusCode, (performance.now() - began) / 1000)
    })
    next()
  })
  routes.get('/health/live', (_request, response) => {
    response.set('cache-control', 'no-store').json({ live: true })
  })
  routes.get('/health/ready', async (_request, response) => {
    const why = await health.notReady()
    response
      .set('cache-control', 'no-store')
      .status(why === null ? 200 : 503)
      .json(why === null ? { ready: true } : { ready: false, why })
  })
  routes.get('/metrics', async (request, response) => {
    if (!health.mayRead(request.get('authorization') ?? '')) throw notFound()
    response.set({ 'content-type': health.contentType, 'cache-control': 'no-store' }).send(await health.figures())
  })
  return routes
}
