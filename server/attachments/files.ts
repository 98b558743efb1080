/** Files as they are kept: told by their first bytes, turned and without their metadata, by their digest. */
import { fileTypeFromBuffer } from 'file-type'
import { mediaTypes } from '#core/makeover/choices.ts'
import { type Transaction } from '../database/connection.ts'
import { blobs } from '../database/tables.ts'
import { Problem } from '../problem.ts'
import { sha256Of } from '../digest.ts'

export const largestFile = 10 * 1024 * 1024

const known: readonly string[] = mediaTypes

const words: Readonly<Record<string, string>> = {
  'image/jpeg': 'a JPEG',
  'image/png': 'a PNG',
  'image/webp': 'a WebP',
  'application/pdf': 'a PDF',
}

/** What a file is by its first bytes, whatever its name says. Throws a problem that says what to do where it is none of ours. */
export async function mediaTypeOf(bytes: Uint8Array): Promise<string> {
  const found = (await fileTypeFromBuffer(bytes))?.mime
  if (found !== undefined && known.includes(found)) return found
  if (found === 'image/heic' || found === 'image/heif')
    throw new Problem(
      415,
      'media-type',
      'Not a kind of file that can be kept',
      'This picture is a HEIC. Let the phone save pictures as JPEG (camera settings, “most compatible”), or share it as a JPEG, and drop it here again.',
    )
  throw new Problem(
    415,
    'media-type',
    'Not a kind of file that can be kept',
    `By its content this is ${found ?? 'no picture and no PDF'}: expected ${Object.values(words).join(', ')}.`,
  )
}

/** A file as it is to be kept. */
export type Prepared = {
  readonly sha256: string
  readonly mediaType: string
  readonly bytes: Buffer
  readonly thumbnail: Buffer | null
}

/** In this process, for whoever has no others: the demo. */
const preparedHere = async (bytes: Buffer) => (await import('./pictures.ts')).preparePicture(bytes)

/** A file as it is kept: a picture turned and without its metadata, a PDF as it is. Throws a problem for anything else. */
export async function prepare(
  bytes: Buffer,
  picture: (bytes: Buffer) => Promise<{ readonly bytes: Uint8Array; readonly thumbnail: Uint8Array }> = preparedHere,
): Promise<Prepared> {
  const mediaType = await mediaTypeOf(bytes)
  if (mediaType === 'application/pdf') return { sha256: sha256Of(bytes), mediaType, bytes, thumbnail: null }
  const small = await picture(bytes)
  const kept = { bytes: Buffer.from(small.bytes), thumbnail: Buffer.from(small.thumbnail) }
  if (kept.bytes.length > largestFile)
    throw new Problem(
      413,
      'too-large',
      'Too large',
      'Turned upright, the picture is more than 10 MB: make it smaller, or photograph it again.',
    )
  return { sha256: sha256Of(kept.bytes), mediaType, ...kept }
}

/** Keeps bytes by their digest; the same file twice is kept once. */
export async function keepBlob(tx: Transaction, studioId: string, file: Prepared): Promise<void> {
  await tx
    .insert(blobs)
    .values({ studioId, ...file })
    .onConflictDoNothing()
}
