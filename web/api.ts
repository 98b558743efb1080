import { copyOf } from './away/away.ts'
import type { Fault } from '#core/makeover/change.ts'
import type { Kind } from '#core/makeover/kinds.ts'

/** A row that somebody else changed after it was last seen here; null where they took it away. */
export type Conflict = {
  readonly kind: Kind
  readonly id: string
  readonly fields: readonly string[]
  readonly current: Readonly<Record<string, unknown>> | null
}

/** A problem detail (RFC 9457) as the server answers it. */
export type ProblemDetail = {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  readonly faults?: readonly Fault[]
  readonly conflicts?: readonly Conflict[]
}

/** The server said no, and why. */
export class Refused extends Error {
  constructor(readonly problem: ProblemDetail) {
    super(problem.detail)
  }
  get status(): number {
    return this.problem.status
  }
}
/** No answer came: the network or the server is away. */
export class NoAnswer extends Error {}

/** A request to the routes; throws Refused on a problem detail and NoAnswer when nothing came back. */
export const request = <T>(method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown): Promise<T> =>
  send<T>(path, {
    method,
    signal: AbortSignal.timeout(15_000),
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  })

export type KeptFile = {
  readonly sha256: string
  readonly mediaType: 'image/jpeg' | 'image/png' | 'image/webp' | 'application/pdf'
  readonly bytes: number
}
/** Sends bytes as they are; throws as `request` does. */
export const sendFile = <T>(path: string, file: Blob, method: 'POST' | 'PUT' = 'POST'): Promise<T> =>
  send<T>(path, {
    method,
    signal: AbortSignal.timeout(120_000),
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
  })
async function send<T>(path: string, how: RequestInit): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, how)
  } catch {
    throw new NoAnswer('no answer from the server')
  }
  const copy = response.headers.get('x-bonitas-copy')
  copyOf.value = copy === null ? null : new Date(copy)
  if (response.status >= 502 && response.status <= 504) throw new NoAnswer('no answer from the server')
  const text = await response.text()
  if (!response.ok) throw new Refused(problemIn(text, response.status))
  return (text === '' ? undefined : JSON.parse(text)) as T // parsed here: the server is ours and speaks the core's types
}

function problemIn(text: string, status: number): ProblemDetail {
  try {
    const problem: unknown = JSON.parse(text)
    if (typeof problem === 'object' && problem !== null && 'detail' in problem) return problem as ProblemDetail
  } catch {
    // not JSON: answered below
  }
  return { type: 'about:blank', title: 'Refused', status, detail: `The server answered with ${status}.` }
}
