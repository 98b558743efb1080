/** What the client's page asks of the server, by the token of its link alone: it is kept for this tab, and in no address. */
import type { Answer, Shown } from '#core/client/shown.ts'

export type { Shown, ShownReply, ToClose, ToSign } from '#core/client/shown.ts'

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

/** Asked for as soon as this is read, while the page itself is on its way. */
let early: Promise<Shown> | null = shown(ask('GET', ''))
early.catch(() => undefined) // whoever looks hears of it
export function look(): Promise<Shown> {
  const asked = early ?? shown(ask('GET', ''))
  early = null
  return asked
}
export const say = (answer: Answer): Promise<Shown> => shown(ask('POST', '/replies', JSON.stringify(answer)))
export const sign = (agreementId: string, name: string, digest: string): Promise<Shown> =>
  shown(ask('POST', '/signatures', JSON.stringify({ agreementId, name, digest })))
export const close = (closingId: string, name: string, digest: string): Promise<Shown> =>
  shown(ask('POST', '/closings', JSON.stringify({ closingId, name, digest })))
export const sendPicture = (replyId: string, file: File): Promise<Shown> =>
  shown(ask('POST', `/pictures/${replyId}`, file, 'application/octet-stream'))
/** A picture, or the paper, as an address of this page alone: an address of the server would need the token in it. */
export const fetched = async (path: string): Promise<string> =>
  URL.createObjectURL(await (await ask('GET', path)).blob())
