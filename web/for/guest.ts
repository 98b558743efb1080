/** What the client's page asks of the server, by the token of its link alone: it is kept for this tab, and in no address. */
import type { Presented } from '#core/client/presented.ts'
import type { Reply } from '#core/makeover/client-choices.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Minor } from '#core/money/minor.ts'

export type ShownReply = {
  readonly id: string
  readonly pieceId: string | null
  readonly questionId: string | null
  readonly presentationId: string | null
  readonly says: Reply
  readonly words: string
  readonly saidOn: PlainDate
  readonly about: string
  readonly atX: number | null
  readonly atY: number | null
  readonly mine: boolean
  readonly by: string
  readonly pictures: readonly string[]
}
export type ToSign = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sums: readonly { readonly category: string; readonly amount: Minor }[]
  readonly contingency: Minor
  readonly whole: Minor
  readonly digest: string
}
export type Shown = {
  readonly client: string
  readonly version: {
    readonly id: string
    readonly number: number
    readonly sentOn: PlainDate
    readonly isLive: boolean
  } | null
  readonly presented: Presented | null
  readonly replies: readonly ShownReply[]
  readonly asked: readonly {
    readonly id: string
    readonly pieceId: string | null
    readonly ask: string
    readonly neededBy: PlainDate | null
  }[]
  readonly toSign: ToSign | null
  readonly signed: readonly { readonly number: number; readonly signedOn: PlainDate; readonly whole: Minor }[]
}
export type Answer = Pick<
  ShownReply,
  'id' | 'pieceId' | 'questionId' | 'presentationId' | 'says' | 'words' | 'about' | 'atX' | 'atY'
>

/** What went wrong, in words; `more` has what the server sends with it. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(message)
  }
}

const kept = 'bonitas.for'
/** The token comes in the part of the address that is never sent, and goes from there at once. */
function takeToken(): string {
  const told = window.location.hash.slice(1)
  if (told !== '') {
    sessionStorage.setItem(kept, told)
    window.history.replaceState(null, '', window.location.pathname)
  }
  return sessionStorage.getItem(kept) ?? ''
}
const token = takeToken()
let word = ''
export const sayWord = (said: string): void => void (word = said)

async function ask(
  method: 'GET' | 'POST',
  path: string,
  body?: BodyInit,
  type = 'application/json',
): Promise<Response> {
  let response: Response
  try {
    response = await fetch(`/api/guest${path}`, {
      method,
      headers: {
        'x-bonitas-link': token,
        ...(word === '' ? {} : { 'x-bonitas-word': encodeURIComponent(word) }),
        ...(body === undefined ? {} : { 'content-type': type }),
      },
      ...(body === undefined ? {} : { body }),
    })
  } catch {
    throw new Refusal(0, 'No answer just now: what you wrote is still here. Try again in a moment.')
  }
  if (response.ok) return response
  const told = (await response.json().catch(() => ({}))) as { detail?: string } & Record<string, unknown>
  throw new Refusal(response.status, told.detail ?? 'That did not work. Try again in a moment.', told)
}
const shown = async (response: Promise<Response>): Promise<Shown> => (await (await response).json()) as Shown

export const look = (): Promise<Shown> => shown(ask('GET', ''))
export const say = (answer: Answer): Promise<Shown> => shown(ask('POST', '/replies', JSON.stringify(answer)))
export const sign = (agreementId: string, name: string, digest: string): Promise<Shown> =>
  shown(ask('POST', '/signatures', JSON.stringify({ agreementId, name, digest })))
export const sendPicture = (replyId: string, file: File): Promise<Shown> =>
  shown(ask('POST', `/pictures/${replyId}`, file, 'application/octet-stream'))
/** A picture, or the paper, as an address of this page alone: an address of the server would need the token in it. */
export const fetched = async (path: string): Promise<string> =>
  URL.createObjectURL(await (await ask('GET', path)).blob())
