/** What happens to a picture as it comes in: turned as it was held, freed of where and by what it was taken, and made small. */
import sharp from 'sharp'
import { Problem } from '../problem.ts'

/** About twice the largest picture a phone takes; more is a fault, or made to fill the memory. */
const mostPixels = 120_000_000
const thumbnailEdge = 480

export type KeptPicture = { readonly bytes: Buffer; readonly thumbnail: Buffer }

/**
 * The bytes to keep of a JPEG, PNG or WebP, and a WebP of at most 480 pixels beside them. A picture that carries no word
 * about itself and stands upright is kept byte for byte. Throws a problem where it cannot be read to its end.
 */
export async function preparePicture(bytes: Buffer): Promise<KeptPicture> {
  try {
    const open = () => sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' })
    const { exif, iptc, xmp, comments, orientation, format } = await open().metadata()
    const speaks =
      exif !== undefined ||
      iptc !== undefined ||
      xmp !== undefined ||
      (comments?.length ?? 0) > 0 ||
      (orientation ?? 1) > 1
    const upright = open().rotate().keepIccProfile()
    const kept = !speaks
      ? bytes
      : await (
          format === 'jpeg'
            ? upright.jpeg({ quality: 92, mozjpeg: false })
            : format === 'png'
              ? upright.png()
              : upright.webp({ quality: 92 })
        ).toBuffer()
    return { bytes: kept, thumbnail: await thumbnailOf(kept) }
  } catch (error) {
    const why = error instanceof Error ? error.message.split('\n')[0] : ''
    if (/pixel limit/i.test(why ?? ''))
      throw new Problem(
        413,
        'too-large',
        'Too large',
        `Expected a picture of at most ${mostPixels / 1_000_000} million pixels: make it smaller, or photograph it again.`,
      )
    throw new Problem(
      415,
      'media-type',
      'This picture cannot be read',
      'It is damaged or cut short: share it again, or photograph it anew.',
    )
  }
}

/** A small upright WebP of a picture. */
export const thumbnailOf = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' })
    .rotate()
    .resize(thumbnailEdge, thumbnailEdge, { fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 80 })
    .toBuffer()
