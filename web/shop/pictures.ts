/** Pictures taken where there is no net: kept by the browser with what they belong to, and sent when the server is there. */
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { NoAnswer } from '../api.ts'
import { upload } from '../files/upload.ts'

const store = 'bonitas pictures'
const places = (makeoverId: string): string => `/waiting-pictures/${makeoverId}/`
/** Where the browser keeps none (a page that is not secure), a picture is sent at once or not at all. */
const cache = (): Promise<Cache> | null => ('caches' in globalThis ? caches.open(store) : null)

export async function keepPicture(makeoverId: string, candidateId: string, name: string, picture: Blob): Promise<void> {
  const kept = await cache()
  const headers = { 'content-type': picture.type, 'x-name': encodeURIComponent(name) }
  await kept?.put(`${places(makeoverId)}${candidateId}`, new Response(picture, { headers }))
}

/** Sends every picture that waits for a makeover; what nobody answers for goes on waiting. Tells how many wait still. */
export async function sendPictures(
  makeoverId: string,
  today: PlainDate,
  change: (sentence: string, operations: readonly Operation[]) => Promise<readonly { readonly message: string }[]>,
): Promise<number> {
  const kept = await cache()
  const waiting = ((await kept?.keys()) ?? []).filter(({ url }) => new URL(url).pathname.startsWith(places(makeoverId)))
  for (const [at, request] of waiting.entries()) {
    const response = await kept?.match(request)
    if (!response) continue
    const name = decodeURIComponent(response.headers.get('x-name') ?? 'photograph')
    try {
      await sendPicture(
        new URL(request.url).pathname.split('/').at(-1) ?? '',
        name,
        await response.blob(),
        today,
        change,
      )
    } catch (error) {
      if (error instanceof NoAnswer) return waiting.length - at
      throw error
    }
    await kept?.delete(request)
  }
  return 0
}

async function sendPicture(
  candidateId: Fields<'attachment'>['candidateId'],
  name: string,
  picture: Blob,
  today: PlainDate,
  change: Parameters<typeof sendPictures>[2],
): Promise<void> {
  const file = await upload(new File([picture], `${name}.jpg`, { type: picture.type }), { tries: 1 })
  await change(`Kept a picture with ${name}`, [
    add('attachment', uuidv7(), {
      ...blank.attachment,
      ...file,
      candidateId,
      name: name.slice(0, 200),
      addedOn: today,
    }),
  ])
}
