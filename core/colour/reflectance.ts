/**
 * Three numbers do not fix a spectrum. A finish that is known by its colour alone takes the shape that is typical of
 * what it is made of, bent until it gives its colour under D65: one of the many it may have, always between 0 and 1.
 */
import { converter } from 'culori'
import type { Lab } from './lab.ts'
import { bands, d65, firstNm, matching, stepNm } from './observer.ts'

/** What gives a surface its colour. */
export const colourants = ['white', 'mineral', 'dye', 'wood', 'leaf', 'metal'] as const
export type Colourant = (typeof colourants)[number]

const rise = (nm: number, at: number, over: number): number => 1 / (1 + Math.exp(-(nm - at) / over))
const bump = (nm: number, at: number, over: number): number => Math.exp(-(((nm - at) / over) ** 2))
/** The typical shape of each, as the logit of its reflectance, to which the fit adds. */
const shapes: Readonly<Record<Colourant, (nm: number) => number>> = {
  white: (nm) => -3 * (1 - rise(nm, 408, 6)), // titanium white swallows what is below 410 nm
  mineral: (nm) => 0.8 * Math.tanh((nm - 560) / 70), // iron oxides rise slowly through the yellow
  dye: (nm) => 1.6 * rise(nm, 670, 18) - 0.5 * bump(nm, 590, 30), // a steep edge, and red again beyond what is seen
  wood: (nm) => (1.1 * (nm - 550)) / 150, // lignin: steadily up
  leaf: (nm) => 0.6 * bump(nm, 550, 34) - 0.7 * bump(nm, 675, 18) + 2.6 * rise(nm, 705, 9), // chlorophyll and its red edge
  metal: (nm) => 0.9 * Math.tanh((nm - 520) / 42), // the edge of copper and its alloys
}

const nmAt = (band: number): number => firstNm + band * stepNm
const white = [0, 1, 2].map((channel) =>
  d65.reduce((sum, power, band) => sum + power * (matching[channel]?.[band] ?? 0), 0),
)
const perY = 1 / (white[1] ?? 1)

/** X, Y, Z of a reflectance under D65, for Y = 1 of the perfect white. */
export function xyzOf(reflectance: readonly number[]): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0]
  for (let band = 0; band < bands; band++) {
    const light = (reflectance[band] ?? 0) * (d65[band] ?? 0) * perY
    for (let channel = 0; channel < 3; channel++)
      sum[channel] = (sum[channel] ?? 0) + light * (matching[channel]?.[band] ?? 0)
  }
  return sum
}

// three soft parts of the spectrum that add up to one: short, middle and long
const short = (nm: number): number => 1 - rise(nm, 492, 14)
const long = (nm: number): number => rise(nm, 588, 14)
const parts: readonly (readonly number[])[] = [short, (nm: number) => 1 - short(nm) - long(nm), long].map((part) =>
  Array.from({ length: bands }, (_, band) => part(nmAt(band))),
)

const toXyz = converter('xyz65')

export type Reflectance = {
  readonly values: readonly number[]
  /** Whether it gives its colour to 0.001 in X, Y and Z. */ readonly exact: boolean
}

/**
 * A believable reflectance, 0 to 1 at each 5 nm from 380 to 780 nm, for a colour and what gives it. Newton's method on
 * the logit; a colour that no surface can have gets the nearest that was found, and `exact` says no.
 */
export function reflectanceOf(lab: Lab, colourant: Colourant): Reflectance {
  const { x, y, z } = toXyz({ mode: 'lab65', l: lab.L, a: lab.a, b: lab.b })
  const aim = [x, y, z]
  const shape = Array.from({ length: bands }, (_, band) => shapes[colourant](nmAt(band)))
  const level = Math.log(Math.min(0.98, Math.max(0.005, y)) / (1 - Math.min(0.98, Math.max(0.005, y))))
  let bend = [level, level, level]
  const valuesOf = (by: readonly number[]): number[] =>
    shape.map(
      (own, band) =>
        1 /
        (1 +
          Math.exp(
            -(
              own +
              (by[0] ?? 0) * (parts[0]?.[band] ?? 0) +
              (by[1] ?? 0) * (parts[1]?.[band] ?? 0) +
              (by[2] ?? 0) * (parts[2]?.[band] ?? 0)
            ),
          )),
    )
  const missing = (values: readonly number[]): number[] =>
    xyzOf(values).map((found, channel) => (aim[channel] ?? 0) - found)
  const size = (values: readonly number[]): number => Math.max(...values.map(Math.abs))
  let values = valuesOf(bend)
  let off = missing(values)
  for (let step = 0; step < 60 && size(off) > 1e-7; step++) {
    const slopes = [0, 1, 2].map((channel) =>
      [0, 1, 2].map((part) =>
        values.reduce(
          (sum, value, band) =>
            sum +
            value *
              (1 - value) *
              (parts[part]?.[band] ?? 0) *
              (d65[band] ?? 0) *
              perY *
              (matching[channel]?.[band] ?? 0),
          0,
        ),
      ),
    )
    const turn = solve3(slopes, off)
    if (!turn) break
    let stride = 1
    while (stride > 1e-3) {
      const next = bend.map((by, part) =>
        Math.min(40, Math.max(-40, by + stride * Math.min(3, Math.max(-3, turn[part] ?? 0)))),
      )
      const nextValues = valuesOf(next)
      const nextOff = missing(nextValues)
      if (size(nextOff) < size(off)) {
        ;[bend, values, off] = [next, nextValues, nextOff]
        break
      }
      stride /= 2
    }
    if (stride <= 1e-3) break
  }
  return { values, exact: size(off) < 1e-3 }
}

/** Three equations by Cramer's rule; null where they are one. */
function solve3(rows: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const det = (m: readonly (readonly number[])[]): number => {
    const [[a = 0, b = 0, c = 0] = [], [d = 0, e = 0, f = 0] = [], [g = 0, h = 0, i = 0] = []] = m
    return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)
  }
  const whole = det(rows)
  if (Math.abs(whole) < 1e-18) return null
  return [0, 1, 2].map(
    (column) =>
      det(rows.map((row, at) => row.map((value, otherValue) => (otherValue === column ? (right[at] ?? 0) : value)))) /
      whole,
  )
}
