/**
 * What each role may ask for. An owner asks for everything; of the others, what they may not is said here by route, and a looker-on who is
 * shown no costs gets only what is named for them: a new route is shut to them until somebody opens it.
 */
import type { RequestHandler } from 'express'
import { aSpoken } from '#core/makeover/kinds.ts'
import type { Operation } from '#core/makeover/change.ts'
import { mayChange, roleWords, showsCosts, type Standing } from '#core/people/index.ts'
import { Problem } from '../problem.ts'
import { personBehind } from './routes.ts'

type Routes = readonly (readonly [methods: string, path: RegExp])[]
const has = (routes: Routes, method: string, path: string): boolean =>
  routes.some(([methods, pattern]) => methods.split(' ').includes(method) && pattern.test(path))

/** Who works here, what left and who looked: the owner's. */
const owners: Routes = [
  ['GET POST DELETE', /^\/invitations(?:\/|$)/],
  ['POST DELETE', /^\/people\//],
  ['GET', /^\/people\/[^/]+\/data$/],
  ['GET', /^\/makeovers\/[^/]+\/clients\/[^/]+\/data$/],
  ['GET', /^\/record$/],
  ['GET', /^\/studio\/export$/],
  ['POST', /^\/makeovers\/[^/]+\/erasures$/],
]

/** What anybody does for themselves. */
const own: Routes = [
  ['GET DELETE', /^\/sessions(?:\/|$)/],
  ['POST', /^\/password$/],
  ['GET POST', /^\/second-factor(?:\/|$)/],
  ['GET POST DELETE', /^\/passkeys(?:\/|$)/],
  ['GET', /^\/me\/data$/],
  ['GET', /^\/people$/],
  ['GET', /^\/stream$/],
  ['GET POST', /^\/makeovers\/[^/]+\/here$/],
  ['POST', /^\/record\/prints$/],
]

/** Changes of rows are looked at one by one, at the door. */
const changes: Routes = [['POST', /^\/(?:makeovers\/[^/]+|studio)\/changes$/]]

/** What a bookkeeper writes besides: receipts as files. */
const booked: Routes = [...changes, ['POST PUT', /^\/(?:files$|uploads\/)/]]

/** What is asked for by whoever is shown no costs: what is answered there is without them. */
const costless: Routes = [
  ...own,
  ['GET', /^\/day$/],
  ['GET', /^\/reach$/],
  ['GET', /^\/holidays\//],
  ['GET', /^\/makeovers\/[^/]+$/],
  ['GET', /^\/makeovers\/[^/]+\/rooms\/[^/]+\/[^/]+$/],
  ['GET', /^\/files\/[^/]+(?:\/thumbnail)?$/],
]

/** May they ask for this? `path` is without what all routes begin with. */
export function mayAsk(who: Standing, method: string, path: string): boolean {
  if (who.role === 'owner') return true
  if (has(owners, method, path)) return false
  if (!showsCosts(who)) return has(costless, method, path)
  if (who.role === 'member' || method === 'GET' || has(own, method, path)) return true
  return who.role === 'bookkeeper' && has(booked, method, path)
}

const shut = (who: Standing, what: string): Problem =>
  new Problem(
    403,
    'role',
    'Not yours to do',
    `You are here as ${roleWords[who.role].title.toLowerCase()}: ${what} An owner of the studio can say what you do here. Nothing was changed.`,
  )

/** Refuses what the role of whoever asks does not hold, before anything of it is done. */
export const withinRole: RequestHandler = (request, _response, next) => {
  const who = personBehind(request)
  const { method, path } = request
  if (!mayAsk(who, method === 'HEAD' ? 'GET' : method, path))
    throw shut(
      who,
      method === 'GET' && !showsCosts(who) ? 'what costs stand in is not shown to you.' : 'this is not in it.',
    )
  next()
}

/** Refuses a change of what the role of whoever makes it does not change. */
export function withinKinds(who: Standing, operations: readonly Operation[]): void {
  const beyond = operations.find(({ kind }) => !mayChange(who, kind))
  if (beyond) throw shut(who, `it does not change ${aSpoken(beyond.kind)}.`)
}
