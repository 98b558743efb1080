/** A picture or a PDF sent to be kept. A large one goes in parts: where the line breaks it goes on where it broke, also after a reload. */
import { NoAnswer, Refused, request, sendFile, type KeptFile } from '../api.ts'

const partBytes = 256 * 1024
const waitMs = 500
const later = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * `told` hears what share of it is sent, 0 to 1; `tries`: how often a part is sent before the line counts as broken. Throws as `request`
 * does: NoAnswer when the line stayed broken, with what came kept for a day.
 */
export async function upload(
  file: File,
  { told = () => undefined, tries = 6 }: { told?: (share: number) => void; tries?: number } = {},
): Promise<KeptFile> {
  // browsers reckon digests only where the page came over a line that nobody can listen to
  if (file.size <= partBytes || !('subtle' in crypto)) return sendFile<KeptFile>('/files', file)
  const path = `/uploads/${await digestOf(file)}`
  const patient = patientFor(tries)
  const inParts = async (): Promise<KeptFile> => {
    let { came } = await patient(() => request<{ came: number }>('GET', path))
    while (came < file.size) {
      told(came / file.size)
      const part = file.slice(came, came + partBytes)
      const at = came
      came = (await patient(() => sendFile<{ came: number }>(`${path}/${at}`, part, 'PUT'))).came
    }
    told(1)
    return patient(() => request<KeptFile>('POST', path))
  }
  try {
    return await inParts()
  } catch (error) {
    // it was taken, and the answer got lost: what came is gone from the parts
    if (error instanceof Refused && error.status === 409) return inParts()
    throw error
  }
}

/** Asks again while nothing answers, each time after a longer while. */
const patientFor =
  (tries: number) =>
  async <T>(ask: () => Promise<T>): Promise<T> => {
    for (let tried = 1; ; tried++)
      try {
        return await ask()
      } catch (error) {
        if (!(error instanceof NoAnswer) || tried >= tries) throw error
        await later(waitMs * 2 ** tried)
      }
  }

async function digestOf(file: File): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', await file.arrayBuffer())
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}
