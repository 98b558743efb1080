/** Every route that the application has, read out of it, so that a new one needs to be told nowhere. */
import type { Express, RequestHandler } from 'express'
import { notFound, Problem } from './problem.ts'

export type Route = { readonly method: string; readonly path: string }
type Layer = { route?: { path: string; methods: Record<string, boolean> }; handle?: { stack?: Layer[] } }

export function routesOf(application: Express): Route[] {
  const walk = (stack: readonly Layer[]): Route[] =>
    stack.flatMap((layer) => [
      ...Object.keys(layer.route?.methods ?? {}).map((method) => ({
        method: method.toUpperCase(),
        path: layer.route?.path ?? '',
      })),
      ...walk(layer.handle?.stack ?? []),
    ])
  return walk((application.router as unknown as { stack: Layer[] }).stack)
}

export const notAllowed = (methods: readonly string[]): Problem =>
  new Problem(405, 'method', 'Not in this way', `Expected ${methods.join(' or ')} at this address.`, {
    allow: methods.join(', '),
  })

/** Behind all routes: what is at an address in other ways is told (RFC 9110, 15.5.6); what is nowhere is not found. */
export function otherMethods(application: Express): RequestHandler {
  let known: { readonly shape: RegExp; readonly method: string }[] | undefined
  return (request) => {
    known ??= routesOf(application).map(({ method, path }) => ({
      method,
      shape: new RegExp(`^${path.replaceAll('.', '\\.').replace(/:\w+/g, '[^/]+')}$`),
    }))
    const methods = known.filter(({ shape }) => shape.test(request.path)).map(({ method }) => method)
    throw methods.length > 0 && !methods.includes(request.method) ? notAllowed([...new Set(methods)]) : notFound()
  }
}
