import type { Request, RequestHandler } from 'express'
import { personBehind } from '../accounts/routes.ts'
import { Problem } from '../problem.ts'

/**
 * Lets in so many large bodies at once, in all and of one studio: they lie in memory from the first byte on, before there is
 * any work that could wait its turn.
 */
export function gate(
  most: number,
  mostOfStudio: number,
  studioOf: (request: Request) => string = (request) => personBehind(request).studioId,
): RequestHandler {
  const inside = new Map<string, number>()
  return (request, response, next) => {
    const studioId = studioOf(request)
    const mine = inside.get(studioId) ?? 0
    const all = [...inside.values()].reduce((sum, count) => sum + count, 0)
    if (mine >= mostOfStudio || all >= most)
      throw new Problem(
        mine >= mostOfStudio ? 429 : 503,
        'busy',
        'Too much at once',
        'Files are coming in already: let them come first, and send this one again.',
      )
    inside.set(studioId, mine + 1)
    response.once('close', () => {
      const left = (inside.get(studioId) ?? 1) - 1
      if (left > 0) inside.set(studioId, left)
      else inside.delete(studioId)
    })
    next()
  }
}
