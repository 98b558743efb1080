/** The light that a sheen throws back, as a band across the chip: what it gives in one place it takes in the others. */
import { bytesFromLab, type Lab } from '../colour/lab.ts'
import type { Family, Sheen, Texture } from '../makeover/choices.ts'

/**
 * A stop of the band: where along it, 0 to 1, which sRGB colour, and how much of it lies over the material. Where light
 * turns to shade there are two, so that the colours never mix while nothing of them is seen.
 */
export type Stop = { readonly at: number; readonly rgb: readonly [number, number, number]; readonly over: number }

/** Where light falls (over > 0) and where it is taken (over < 0), by sheen; how strongly, of what there is room for. */
const profiles: Readonly<Record<Exclude<Sheen, 'matt'>, readonly (readonly [at: number, over: number])[]>> = {
  eggshell: [
    [0, 0.07],
    [0.45, 0],
    [0.55, 0],
    [1, -0.07],
  ],
  satin: [
    [0, -0.06],
    [0.13, -0.06],
    [0.19, 0],
    [0.35, 0.19],
    [0.54, 0],
    [0.61, -0.06],
    [1, -0.07],
  ],
  gloss: [
    [0, -0.065],
    [0.19, -0.06],
    [0.235, 0],
    [0.26, 0.52],
    [0.39, 0.28],
    [0.42, 0],
    [0.46, -0.06],
    [1, -0.075],
  ],
}

/** How a finish shines: metal that is not dull shines as satin, glass and glaze as gloss. */
export function shineOf(family: Family, texture: Texture, sheen: Sheen): Sheen {
  if (family === 'glass' || texture === 'polished') return 'gloss'
  // a grain under its varnish breaks the light up
  if (family === 'wood' || family === 'cane')
    return sheen === 'gloss' ? 'satin' : sheen === 'satin' ? 'eggshell' : sheen
  return family === 'metal' && sheen === 'matt' && texture !== 'aged' ? 'eggshell' : sheen
}

/**
 * The band leans: a point (x, y) of the chip, both 0 to 1, lies at (x + lean · y) ÷ (1 + lean) along it. So its places are
 * seen equally often whatever the shape of the chip.
 */
export const lean = 0.22
const across = 60
const down = 6
const toLinear = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4)

/**
 * The stops of a sheen over a colour. Light is white; shade is a darker tone of the colour, as dark as makes the mean of
 * the light over the band that of the colour itself, channel by channel. Where there is not enough to take, less is given.
 */
export function sheenOver(lab: Lab, shine: Sheen): readonly Stop[] {
  if (shine === 'matt') return []
  const profile = profiles[shine]
  const base = bytesFromLab(lab).map((byte) => byte / 255) as [number, number, number]
  const overAt = (place: number): number => {
    const next = Math.max(
      1,
      profile.findIndex(([at]) => at >= place),
    )
    const [start, to] = [profile[next - 1] ?? [0, 0], profile[next] ?? [1, 0]]
    return start[1] + ((to[1] - start[1]) * (place - start[0])) / Math.max(1e-9, to[0] - start[0])
  }
  const samples = across * down
  const overs = Array.from({ length: samples }, (_, at) =>
    overAt((((at % across) + 0.5) / across + (lean * (Math.floor(at / across) + 0.5)) / down) / (1 + lean)),
  )
  /** The mean light of a channel where shade, so thick, goes down to `shade`, and the light is so much of the profile's. */
  const meanOf = (own: number, shade: number, strength: number, thick: number): number => {
    let sum = 0
    for (const over of overs)
      sum += toLinear(over >= 0 ? own + (1 - own) * over * strength : own + (shade - own) * -over * thick)
    return sum / samples
  }
  const paid = (strength: number, thick: number): boolean =>
    base.every((own) => meanOf(own, 0, strength, thick) <= toLinear(own))
  // a dark colour has little to take: its shade is laid thicker, and where that is not enough it shines less
  const thick = thicknesses.find((thickness) => paid(1, thickness)) ?? thicknesses.at(-1) ?? 1
  const strength = bisect(0, 1, (value) => paid(value, thick))
  const shade = base.map((own) =>
    Math.round(255 * bisect(0, own, (value) => meanOf(own, value, strength, thick) <= toLinear(own))),
  ) as [number, number, number]
  const light = [255, 255, 255] as const
  return profile.flatMap(([at, over], index): Stop[] => {
    if (over > 0) return [{ at, rgb: light, over: over * strength }]
    if (over < 0) return [{ at, rgb: shade, over: -over * thick }]
    const [before, after] = [profile[index - 1]?.[1] ?? 0, profile[index + 1]?.[1] ?? 0]
    return [before, after].map((beside) => ({
      at,
      rgb: beside > 0 || (beside === 0 && before + after > 0) ? light : shade,
      over: 0,
    }))
  })
}

/** How much thicker shade lies than a profile says. */
const thicknesses = [3, 4.5, 6.5]

/** The largest value for which it still holds, where it holds for the least. */
function bisect(least: number, most: number, holds: (value: number) => boolean): number {
  if (holds(most)) return most
  for (let halving = 0; halving < 24; halving++) {
    const half = (least + most) / 2
    if (holds(half)) least = half
    else most = half
  }
  return least
}
