/** A colour read several times: with a meter on a surface, or over an aperture in a photograph. */
import { converter } from 'culori'
import { deltaE } from '../colour/difference.ts'
import type { Lab } from '../colour/lab.ts'
import type { Rules } from '../rulebook/rulebook.ts'

/** A device that reads the colour of what it is put on. `fails` says why it gave nothing: not flat on, no light, not calibrated. */
export type MeterReading = { readonly ok: true; readonly lab: Lab } | { readonly ok: false; readonly fails: string }

export type Averaged = {
  readonly mean: Lab
  /** The mean ΔE00 of the readings that count from their mean. */
  readonly spread: number
  /** Readings left out, by their place, with how far they lie from the middle of the others. */
  readonly strays: readonly { readonly at: number; readonly deltaE: number }[]
  /** As many readings as a surface wants. */
  readonly enough: boolean
  /** They agree. */
  readonly steady: boolean
}

/** The mean of several readings; one that strays from the middle of three or more is left out and named. Null where there is none. */
export function averageReadings(readings: readonly Lab[], rules: Rules): Averaged | null {
  const middle = readings
    .map((reading) => ({ reading, far: readings.reduce((sum, lab) => sum + deltaE(reading, lab), 0) }))
    .sort((left, right) => left.far - right.far)[0]?.reading
  if (!middle) return null
  const far = readings
    .map((reading, at) => ({ at, deltaE: deltaE(reading, middle) }))
    .filter((entry) => entry.deltaE > rules['meter.stray'])
  // where most lie apart none is the stray: then the readings do not agree
  const strays = far.length * 3 <= readings.length ? far : []
  const kept = readings.filter((_, at) => !strays.some((stray) => stray.at === at))
  const mean = meanOf(kept)
  const spread = kept.reduce((sum, lab) => sum + deltaE(lab, mean), 0) / kept.length
  return {
    mean,
    spread,
    strays,
    enough: kept.length >= rules['meter.readings'],
    steady: spread <= rules['meter.spread'],
  }
}

const meanOf = (labs: readonly Lab[]): Lab => {
  const sum = labs.reduce((total, { L, a, b }) => ({ L: total.L + L, a: total.a + a, b: total.b + b }), {
    L: 0,
    a: 0,
    b: 0,
  })
  return { L: sum.L / labs.length, a: sum.a / labs.length, b: sum.b / labs.length }
}

const toLab = converter('lab65')
const linear = Float64Array.from({ length: 256 }, (_, byte) =>
  byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4,
)

export type Aperture = {
  readonly lab: Lab
  /** Pixels that were averaged. */ readonly pixels: number
  /** How uneven they are: the standard deviation of their lightness, in L*. */ readonly uneven: number
}

/**
 * The mean colour within a round aperture of a picture, sRGB bytes RGBA: of the light, not of the bytes, as a meter's
 * opening takes it. The middle and the radius are in pixels; null where the aperture lies off the picture.
 */
export function readAperture(
  picture: { readonly data: ArrayLike<number>; readonly width: number; readonly height: number },
  middleX: number,
  middleY: number,
  radius: number,
): Aperture | null {
  const sum = [0, 0, 0]
  let [pixels, lightness, squared] = [0, 0, 0]
  for (
    let y = Math.max(0, Math.ceil(middleY - radius));
    y <= Math.min(picture.height - 1, Math.floor(middleY + radius));
    y++
  )
    for (
      let x = Math.max(0, Math.ceil(middleX - radius));
      x <= Math.min(picture.width - 1, Math.floor(middleX + radius));
      x++
    ) {
      if ((x - middleX) ** 2 + (y - middleY) ** 2 > radius * radius + 1e-9) continue
      const value = (y * picture.width + x) * 4
      const light = [0, 1, 2].map((channel) => linear[picture.data[value + channel] ?? 0] ?? 0)
      for (let channel = 0; channel < 3; channel++) sum[channel] = (sum[channel] ?? 0) + (light[channel] ?? 0)
      const bright =
        116 * Math.cbrt(0.2126 * (light[0] ?? 0) + 0.7152 * (light[1] ?? 0) + 0.0722 * (light[2] ?? 0)) - 16
      lightness += bright
      squared += bright * bright
      pixels++
    }
  if (pixels === 0) return null
  const { l, a, b } = toLab({
    mode: 'lrgb',
    r: (sum[0] ?? 0) / pixels,
    g: (sum[1] ?? 0) / pixels,
    b: (sum[2] ?? 0) / pixels,
  })
  return {
    lab: { L: Math.min(100, Math.max(0, l)), a, b },
    pixels,
    uneven: Math.sqrt(Math.max(0, squared / pixels - (lightness / pixels) ** 2)),
  }
}
