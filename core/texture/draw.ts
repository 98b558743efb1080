/**
 * A finish as a material: a seamless tile of its relief, tinted with its own colour. The mean of the light it gives back
 * is that of the colour itself, so that a material never reads as another colour than its swatch.
 */
import { bytesFromLab, type Lab } from '../colour/lab.ts'
import type { Family, Sheen, Texture } from '../makeover/choices.ts'
import { printAt, type Print } from './prints.ts'
import { materialOf } from './reliefs.ts'

/** Pixels of a seamless tile, RGBA, as ImageData takes them. */
export type Tile = { readonly width: number; readonly height: number; readonly pixels: Uint8ClampedArray<ArrayBuffer> }
export type Look = { readonly family: Family; readonly texture: Texture; readonly sheen: Sheen; readonly lab: Lab }

const perL = 5
const reach = 40
const steps = 2 * reach * perL + 1
const casts = 9

const linear = Float32Array.from({ length: 256 }, (_, byte) =>
  byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4,
)

export function drawTile(
  { family, texture, sheen, lab }: Look,
  seed: number,
  width = 256,
  height = 256,
  print?: Print,
): Tile {
  if (print && print.pattern !== 'plain' && print.parts.length > 0)
    return drawPrint({ family, texture, sheen, lab }, seed, width, height, print)
  const { relief, cast, towards = [0, 0] } = materialOf(family, texture, sheen, seed, lab)
  const light = new Float32Array(width * height)
  const leaning = cast ? new Float32Array(width * height) : null
  let [mean, lean] = [0, 0]
  let [low, high] = [Infinity, -Infinity]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = y * width + x
      const step = relief(x / width, y / height)
      light[at] = step
      mean += step / light.length
      if (step < low) low = step
      if (step > high) high = step
      if (cast && leaning) lean += (leaning[at] = cast(x / width, y / height)) / light.length
    }
  // where its colour is nearly white or black there is less room for its relief
  const room = Math.min(1, (100 - lab.L) / Math.max(1e-6, high - mean), lab.L / Math.max(1e-6, mean - low))
  // which shade each point has, and how often each occurs
  const shadeAt = new Uint16Array(light.length)
  const often = new Uint32Array(steps * casts)
  for (let at = 0; at < light.length; at++) {
    const rise = Math.min(steps - 1, Math.max(0, Math.round(((light[at] ?? 0) - mean) * room * perL) + reach * perL))
    const tilt = leaning
      ? Math.min(casts - 1, Math.max(0, Math.round((((leaning[at] ?? 0) - lean + 1) * (casts - 1)) / 2)))
      : (casts - 1) / 2
    const shade = rise * casts + tilt
    shadeAt[at] = shade
    often[shade] = (often[shade] ?? 0) + 1
  }
  const shades = shadesOf(lab, often, light.length, towards)
  const pixels = new Uint8ClampedArray(light.length * 4)
  for (let at = 0; at < light.length; at++) {
    const value = (shadeAt[at] ?? 0) * 3
    pixels[at * 4] = shades[value] ?? 0
    pixels[at * 4 + 1] = shades[value + 1] ?? 0
    pixels[at * 4 + 2] = shades[value + 2] ?? 0
    pixels[at * 4 + 3] = 255
  }
  return { width, height, pixels }
}

/** The sRGB bytes of every shade in use, moved together until the light of the whole is that of the colour. */
function shadesOf(lab: Lab, often: Uint32Array, count: number, [a, b]: readonly [number, number]): Uint8ClampedArray {
  const bytes = new Uint8ClampedArray(often.length * 3)
  const used = [...often.keys()].filter((shade) => (often[shade] ?? 0) > 0)
  const target = bytesFromLab(lab)
  const aim = target.map((byte) => linear[byte] ?? 0)
  // in sRGB channels, since that is where bytes are: each pass shifts what is missing on the whole
  const shift = [0, 0, 0]
  for (let pass = 0; pass < 5; pass++) {
    const sums = [0, 0, 0]
    for (const shade of used) {
      const rise = Math.floor(shade / casts) / perL - reach
      const tilt = ((shade % casts) * 2) / (casts - 1) - 1
      if (pass === 0) {
        const own = bytesFromLab({
          L: Math.min(100, Math.max(0, lab.L + rise)),
          a: lab.a + tilt * a,
          b: lab.b + tilt * b,
        })
        for (let channel = 0; channel < 3; channel++) bytes[shade * 3 + channel] = own[channel] ?? 0
      } else
        for (let channel = 0; channel < 3; channel++)
          bytes[shade * 3 + channel] = (bytes[shade * 3 + channel] ?? 0) + Math.round(shift[channel] ?? 0)
      for (let channel = 0; channel < 3; channel++)
        sums[channel] =
          (sums[channel] ?? 0) + ((often[shade] ?? 0) * (linear[bytes[shade * 3 + channel] ?? 0] ?? 0)) / count
    }
    for (let channel = 0; channel < 3; channel++) {
      const missing = (aim[channel] ?? 0) - (sums[channel] ?? 0)
      const byte = target[channel] ?? 0
      const slope = Math.max(
        1e-4,
        ((linear[Math.min(255, byte + 2)] ?? 1) - (linear[Math.max(0, byte - 2)] ?? 0)) /
          (Math.min(255, byte + 2) - Math.max(0, byte - 2)),
      )
      shift[channel] = missing / slope
    }
    if (shift.every((by) => Math.abs(by) < 0.5)) break
  }
  return bytes
}

/** A printed or woven pattern: each of its colours drawn in the finish's own material. */
function drawPrint(look: Look, seed: number, width: number, height: number, print: Print): Tile {
  const inks = [look.lab, ...print.parts.map((part) => part.lab)].map((lab) =>
    drawTile({ ...look, lab }, seed, width, height),
  )
  const which = printAt(print, seed)
  const pixels = new Uint8ClampedArray(width * height * 4)
  const thread = Math.max(1, Math.round(width / 200))
  for (let at = 0; at < width * height; at++) {
    const [x, y] = [at % width, Math.floor(at / width)]
    const ink =
      inks[which(x / width, y / height, (Math.floor(x / thread) + Math.floor(y / thread)) % 2 === 0)] ?? inks[0]
    if (ink)
      for (let channel = 0; channel < 4; channel++) pixels[at * 4 + channel] = ink.pixels[at * 4 + channel] ?? 255
  }
  return { width, height, pixels }
}
