/** What happens to a picture as it comes in: turned as it was held, freed of where and by what it was taken, and made small. */
import sharp from 'sharp'
import { Problem } from '../problem.ts'

/** More than phones take as a rule, a little above their 64 million; more is a fault, or made to fill the memory. */
const mostPixels = 66_000_000
/** What it may unpack to, in bytes: four channels of eight bits at the most pixels. */
const mostUnpacked = 4 * mostPixels
const thumbnailEdge = 480

export type KeptPicture = { readonly bytes: Buffer; readonly thumbnail: Buffer }

/**
 * The bytes to keep of a JPEG, PNG or WebP, and a WebP of at most 480 pixels beside them. A picture that carries no word
 * about itself and stands upright is kept byte for byte. Throws a problem where it cannot be read to its end.
 */
export async function preparePicture(bytes: Buffer): Promise<KeptPicture> {
  try {
    const open = () => sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error', sequentialRead: true })
    // read out of the header, before anything is unpacked
    const { exif, iptc, xmp, comments, orientation, format, width, height, channels, depth, pages } =
      await open().metadata()
    const unpacked = width * height * channels * (depth === 'ushort' ? 2 : depth === 'float' ? 4 : 1) * (pages ?? 1)
    if (width * height > mostPixels || unpacked > mostUnpacked) throw tooLarge()
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
    if (error instanceof Problem) throw error
    if (error instanceof Error && /pixel limit/i.test(error.message)) throw tooLarge()
    throw new Problem(
      415,
      'media-type',
      'This picture cannot be read',
      'It is damaged or cut short: share it again, or photograph it anew.',
    )
  }
}

const tooLarge = (): Problem =>
  new Problem(
    413,
    'too-large',
    'Too large',
    `Expected a picture of at most ${mostPixels / 1_000_000} million pixels: make it smaller, or photograph it again.`,
  )

/** A small upright WebP of a picture. */
export const thumbnailOf = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' })
    .rotate()
    .resize(thumbnailEdge, thumbnailEdge, { fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 80 })
    .toBuffer()
