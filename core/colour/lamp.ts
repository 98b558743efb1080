/** How a reflectance looks by a lamp, once the eye has settled in its light. */
import type { Lab } from './lab.ts'
import { bands, d65, firstNm, matching, stepNm } from './observer.ts'
import { converter } from 'culori'

/** Planck's law at a colour temperature in kelvin, relative power at each band; c₂ = 1.4388 · 10⁻² m·K (CODATA). */
export const blackBody = (kelvin: number): number[] =>
  Array.from({ length: bands }, (_, band) => {
    const metres = (firstNm + band * stepNm) * 1e-9
    return 1e-40 / (metres ** 5 * (Math.exp(1.4388e-2 / (metres * kelvin)) - 1))
  })

type Xyz = readonly [number, number, number]
/** X, Y, Z of light thrown back, for Y = 1 of the perfect white; of the light itself where nothing is given. */
export function xyzUnder(light: readonly number[], reflectance?: readonly number[]): Xyz {
  const sum = [0, 0, 0]
  let white = 0
  for (let band = 0; band < bands; band++) {
    const power = light[band] ?? 0
    white += power * (matching[1][band] ?? 0)
    for (let channel = 0; channel < 3; channel++)
      sum[channel] = (sum[channel] ?? 0) + power * (reflectance?.[band] ?? 1) * (matching[channel]?.[band] ?? 0)
  }
  return [(sum[0] ?? 0) / white, (sum[1] ?? 0) / white, (sum[2] ?? 0) / white]
}

/** CAT16 (Li and others, 2017): sharpened cone responses, each scaled from one white to the other. */
const cat16 = [
  [0.401288, 0.650173, -0.051461],
  [-0.250268, 1.204414, 0.045854],
  [-0.002079, 0.048952, 0.953127],
] as const
const inverse = [
  [1.86206786, -1.01125463, 0.14918677],
  [0.38752654, 0.62144744, -0.00897398],
  [-0.0158415, -0.03412294, 1.04996444],
] as const
const times = (matrix: readonly (readonly [number, number, number])[], [x, y, z]: Xyz): Xyz =>
  matrix.map((row) => row[0] * x + row[1] * y + row[2] * z) as unknown as Xyz

/** X, Y, Z as they look in the other white's light, to a degree of adaptation from 0 to 1. */
export function adapt(xyz: Xyz, start: Xyz, to: Xyz, degree = 1): Xyz {
  const [cones, white, aim] = [times(cat16, xyz), times(cat16, start), times(cat16, to)]
  return times(
    inverse,
    cones.map((cone, at) => cone * (degree * ((aim[at] ?? 1) / (white[at] ?? 1)) + 1 - degree)) as unknown as Xyz,
  )
}

const toLab = converter('lab65')
const day = xyzUnder(d65)
/** What a lamp of evening light is taken for, in kelvin. */
export const lampKelvin = 2700
const lamp = blackBody(lampKelvin)
const lampWhite = xyzUnder(lamp)

/** A reflectance by an incandescent lamp of 2700 K, the eye wholly adapted (CAT16, degree 1), as Lab for D65: a prediction. */
export function underLamp(reflectance: readonly number[]): Lab {
  const [x, y, z] = adapt(xyzUnder(lamp, reflectance), lampWhite, day)
  const { l, a, b } = toLab({ mode: 'xyz65', x, y, z })
  return { L: l, a, b }
}
