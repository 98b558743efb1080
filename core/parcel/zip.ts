/**
 * Zip files, read with suspicion: every size is held to before anything is unpacked, and every checksum after. The format
 * is PKWARE's APPNOTE 6.3; stored and deflated entries, no encryption, no Zip64.
 */
import { Inflate, zipSync, type Zippable } from 'fflate'
import { decodeUtf8 } from './utf8.ts'

export type ZipEntry = { readonly name: string; readonly bytes: Uint8Array }
/** What is wrong with a file, and where in it. */
export class Damaged extends Error {
  constructor(
    readonly place: string,
    readonly wrong: string,
  ) {
    super(`${place}: ${wrong}`)
  }
}

export type ZipLimits = {
  readonly entries: number
  readonly total: number
  readonly limitOf: (name: string) => number | null
}

const [localMark, centralMark, endMark] = [0x04034b50, 0x02014b50, 0x06054b50]

const crcTable = Uint32Array.from({ length: 256 }, (_, at) => {
  let value = at
  for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1
  return value
})
/** CRC-32 as in ISO 3309; "123456789" gives cbf43926. */
export function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff
  for (const byte of bytes) crc = (crcTable[(crc ^ byte) & 0xff] ?? 0) ^ (crc >>> 8)
  return (crc ^ 0xffffffff) >>> 0
}

/**
 * The entries of a zip, in the order of its directory. `limits.limitOf` gives the most bytes that an entry of a name may have,
 * null for a name that is not expected. Throws `Damaged` with the place of the first fault.
 */
export function readZip(bytes: Uint8Array, limits: ZipLimits): ZipEntry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const end = endOf(view)
  const [count, directory] = [view.getUint16(end + 10, true), view.getUint32(end + 16, true)]
  if (view.getUint16(end + 4, true) !== 0 || count === 0xffff || directory === 0xffffffff)
    throw new Damaged('zip', 'it is split or of the large kind (Zip64): expected one plain zip')
  if (count > limits.entries) throw new Damaged('zip', `it has ${count} entries: expected at most ${limits.entries}`)
  const heads: { name: string; method: number; crc: number; packed: number; size: number; at: number }[] = []
  let at = directory
  let total = 0
  const seen = new Set<string>()
  for (let entry = 0; entry < count; entry++) {
    if (at + 46 > end || view.getUint32(at, true) !== centralMark)
      throw new Damaged('zip', `its directory is damaged at entry ${entry + 1} of ${count}`)
    const [flags, method, crc, packed, size, nameLength, extra, comment, offset] = [
      view.getUint16(at + 8, true),
      view.getUint16(at + 10, true),
      view.getUint32(at + 16, true),
      view.getUint32(at + 20, true),
      view.getUint32(at + 24, true),
      view.getUint16(at + 28, true),
      view.getUint16(at + 30, true),
      view.getUint16(at + 32, true),
      view.getUint32(at + 42, true),
    ]
    const name = decodeUtf8(bytes.subarray(at + 46, at + 46 + nameLength)) ?? '?'
    const shown = [...name].slice(0, 80).join('')
    const most = limits.limitOf(name)
    if (most === null)
      throw new Damaged(shown, 'is not expected here: no folders, paths or files but those of the format')
    if (seen.has(name)) throw new Damaged(shown, 'is there twice')
    if (flags & 1) throw new Damaged(shown, 'is encrypted: expected it open')
    if (method !== 0 && method !== 8)
      throw new Damaged(shown, `is packed by method ${method}: expected stored or deflated`)
    if (size > most) throw new Damaged(shown, `is ${size} bytes unpacked: expected at most ${most}`)
    total += size
    if (total > limits.total) throw new Damaged(shown, `with it the zip is more than ${limits.total} bytes unpacked`)
    seen.add(name)
    heads.push({ name, method, crc, packed, size, at: offset })
    at += 46 + nameLength + extra + comment
  }
  // entries that share their bytes are how a small file becomes a huge one
  const spans = heads
    .map((head) => ({ name: head.name, ...spanOf(view, head, directory) }))
    .toSorted((left, right) => left.from - right.from)
  for (const [place, span] of spans.entries())
    if (span.from < (spans[place - 1]?.to ?? 0)) throw new Damaged(span.name, 'lies over another entry')
  const spanBy = new Map(spans.map((span) => [span.name, span]))
  return heads.map((head) => {
    const span = spanBy.get(head.name)
    const packed = bytes.subarray(span?.data ?? 0, span?.to ?? 0)
    const unpacked = head.method === 0 ? packed : inflate(packed, head.size, head.name)
    if (unpacked.length !== head.size)
      throw new Damaged(head.name, `is ${unpacked.length} bytes: its directory says ${head.size}`)
    if (crc32(unpacked) !== head.crc) throw new Damaged(head.name, 'is damaged: its checksum does not fit')
    return { name: head.name, bytes: unpacked }
  })
}

/** Is this a zip at all? So much can be said before anything is unpacked. Throws `Damaged`. */
export const checkZip = (bytes: Uint8Array): void =>
  void endOf(new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength))

function endOf(view: DataView): number {
  for (let at = view.byteLength - 22; at >= 0 && at > view.byteLength - 22 - 65_536; at--)
    if (view.getUint32(at, true) === endMark) return at
  throw new Damaged('zip', 'this is no zip, or it is cut short')
}

function spanOf(
  view: DataView,
  { name, packed, at }: { name: string; packed: number; at: number },
  before: number,
): { from: number; data: number; to: number } {
  if (at + 30 > before || view.getUint32(at, true) !== localMark)
    throw new Damaged(name, 'is not where the directory says')
  const data = at + 30 + view.getUint16(at + 26, true) + view.getUint16(at + 28, true)
  if (data + packed > before) throw new Damaged(name, 'is cut short')
  return { from: at, data, to: data + packed }
}

/** Unpacks piece by piece, and stops where more comes out than was said. */
function inflate(packed: Uint8Array, size: number, name: string): Uint8Array {
  const unpacked = new Uint8Array(size)
  let written = 0
  const inflater = new Inflate((piece) => {
    if (written + piece.length > size)
      throw new Damaged(name, `unpacks to more than the ${size} bytes its directory says`)
    unpacked.set(piece, written)
    written += piece.length
  })
  try {
    for (let at = 0; at < packed.length; at += 16_384)
      inflater.push(packed.subarray(at, at + 16_384), at + 16_384 >= packed.length)
  } catch (error) {
    if (error instanceof Damaged) throw error
    throw new Damaged(name, 'cannot be unpacked: it is damaged')
  }
  return unpacked.subarray(0, written)
}

/** A zip whose bytes depend on nothing but its entries: pictures stored, texts deflated, one date for all. */
export function writeZip(entries: readonly ZipEntry[]): Uint8Array {
  const files: Zippable = {}
  for (const { name, bytes } of entries) files[name] = [bytes, { level: name.endsWith('.json') ? 9 : 0 }]
  return zipSync(files, { mtime: new Date(1980, 0, 1) })
}
