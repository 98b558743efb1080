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
/** Sends a file as it is; throws as `request` does. */
export const sendFile = <T>(path: string, file: File): Promise<T> =>
  send<T>(path, {
    method: 'POST',
    signal: AbortSignal.timeout(120_000),
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
  })
/**
 * Sends a picture or a PDF to be kept by its content; `told` hears what share of it is sent, 0 to 1. Throws as `request`
 * does. It is the browser's older way of asking, since only that one says how far it is.
 */
export const upload = (file: File, told: (share: number) => void = () => undefined): Promise<KeptFile> =>
  new Promise((resolve, reject) => {
    const asked = new XMLHttpRequest()
    asked.open('POST', '/api/files')
    asked.setRequestHeader('content-type', 'application/octet-stream')
    asked.timeout = 120_000
    asked.upload.onprogress = ({ loaded, total }) => told(total > 0 ? loaded / total : 0)
    asked.onerror = asked.ontimeout = () => reject(new NoAnswer('no answer from the server'))
    asked.onload = () => {
      if (asked.status >= 502 && asked.status <= 504) reject(new NoAnswer('no answer from the server'))
      else if (asked.status >= 400) reject(new Refused(problemIn(asked.responseText, asked.status)))
      else resolve(JSON.parse(asked.responseText) as KeptFile)
    }
    asked.send(file)
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
