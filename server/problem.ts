import type { Request } from 'express'
import type { Fault } from '#core/makeover/change.ts'
import { isUuid } from '#core/makeover/fields.ts'

/** A refusal as a problem detail (RFC 9457): what, where, and what was expected. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail: string,
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail)
  }

  body(): Record<string, unknown> {
    return {
      type: `urn:bonitas:problem:${this.code}`,
      title: this.title,
      status: this.status,
      detail: this.detail,
      ...this.more,
    }
  }
}

export const notFound = (): Problem =>
  new Problem(404, 'not-found', 'Not found', 'There is no such thing here, or it belongs to another studio.')
export const signedOut = (): Problem =>
  new Problem(401, 'signed-out', 'Signed out', 'Sign in first: there is no session, or it has run out.')

/** Faults of a change as one problem; its code is the first fault's, since that is what a page answers to. */
export function refused(faults: readonly Fault[]): Problem {
  const [first] = faults
  const detail = faults.map((fault) => (fault.field ? `${fault.field}: ${fault.message}` : fault.message)).join('; ')
  return new Problem(
    first?.code === 'malformed' ? 400 : 422,
    first?.code ?? 'refused',
    'The change was not made',
    detail,
    { faults },
  )
}

/** A path as a log may keep it: what opens a link is left out. */
export const withoutTokens = (path: string): string => path.replace(/(feeds\/)[\w-]{20,}/, '$1(token)')

/** The id that a path names; what is none is not found. */
export function idIn(request: Request): string {
  const { id } = request.params
  if (!isUuid(id)) throw notFound()
  return id
}

/**
 * An error as a log may keep it: what broke and where in the code, without the values of anybody's rows, which statements and
 * messages of the database carry.
 */
export function withoutValues(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error }
  const { code, constraint, table, routine } = error as {
    code?: string
    constraint?: string
    table?: string
    routine?: string
  }
  const frames = (error.stack ?? '').split('\n').filter((line) => line.startsWith('    at '))
  return {
    type: error.constructor.name,
    message: 'query' in error || 'severity' in error ? undefined : error.message,
    code,
    constraint,
    table,
    routine,
    stack: frames.join('\n'),
    ...(error.cause === undefined ? {} : { cause: withoutValues(error.cause) }),
  }
}
