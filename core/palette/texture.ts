import { bytesFromLab, type Lab } from '../colour/lab.ts'
import type { Family, Sheen } from '../makeover/kinds.ts'

/** Pixels of a seamless tile, RGBA, as ImageData takes them. */
export type Texture = { readonly width: number; readonly height: number; readonly pixels: Uint8ClampedArray<ArrayBuffer> }

/** Whole-number hash of a lattice point to 0..1: the same picture for the same seed, everywhere. */
function lattice(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(seed, 2147483647 ^ 0x9e3779b1)
  h = Math.imul(h ^ (h >>> 13), 1274126177)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

const ease = (t: number): number => t * t * (3 - 2 * t)

/** Value noise that repeats after `periodX` by `periodY` cells; −1 to 1. */
function noise(x: number, y: number, periodX: number, periodY: number, seed: number): number {
  const x0 = Math.floor(x)
  const y0 = Math.floor(y)
  const wrap = (value: number, period: number): number => ((value % period) + period) % period
  const at = (dx: number, dy: number): number => lattice(wrap(x0 + dx, periodX), wrap(y0 + dy, periodY), seed)
  const tx = ease(x - x0)
  const ty = ease(y - y0)
  const top = at(0, 0) + (at(1, 0) - at(0, 0)) * tx
  const bottom = at(0, 1) + (at(1, 1) - at(0, 1)) * tx
  return 2 * (top + (bottom - top) * ty) - 1
}

/** Noise in octaves over the unit square, each twice as fine and half as strong, seamless; cells at the coarsest octave. */
function layered(u: number, v: number, cellsX: number, cellsY: number, octaves: number, seed: number): number {
  let total = 0
  let strength = 0.5
  for (let octave = 0; octave < octaves; octave++) {
    const px = cellsX << octave
    const py = cellsY << octave
    total += strength * noise(u * px, v * py, px, py, seed + octave)
    strength /= 2
  }
  return total
}

const turn = 2 * Math.PI

/** Relief of a material at (u, v) in the unit square: how much lighter or darker than its colour, in L*, about zero on the whole. */
type Relief = (u: number, v: number, seed: number) => number

const grain: Relief = (u, v, seed) => {
  const bend = 0.014 * layered(u, v, 2, 2, 2, seed + 40)
  const bands = layered(u, v + bend, 1, 11, 3, seed)
  const rings = Math.sin(turn * (13 * (v + bend) + 1.3 * layered(u, v, 1, 2, 2, seed + 9)))
  const fibres = noise(u * 4, v * 120, 4, 120, seed + 33)
  const pores = noise(u * 26, v * 200, 26, 200, seed + 21)
  return 6.5 * bands + 1.3 * rings + 1.2 * fibres + 2.2 * pores * Math.abs(pores)
}

const weave: Relief = (u, v, seed) => {
  const threads = 64
  const over = (Math.floor(u * threads) + Math.floor(v * threads)) % 2 === 0
  const bump = over ? Math.abs(Math.sin(Math.PI * u * threads)) : Math.abs(Math.sin(Math.PI * v * threads))
  const slub = noise(u * 5, v * threads, 5, threads, seed) + noise(u * threads, v * 5, threads, 5, seed + 3)
  return 9 * (bump - 0.64) + 1.9 * slub
}

const brushed: Relief = (u, v, seed) => 4.2 * noise(u * 3, v * 150, 3, 150, seed) + 3 * noise(u * 6, v * 75, 6, 75, seed + 5) + 1.4 * Math.sin(turn * (v + 0.2))

const veined: Relief = (u, v, seed) => {
  const flow = layered(u, v, 3, 3, 4, seed)
  const vein = Math.abs(Math.sin(turn * (u + v + 1.6 * flow)))
  return 3.4 * layered(u, v, 4, 4, 4, seed + 30) - 11 * Math.max(0, 0.16 - vein) + 0.28
}

const hide: Relief = (u, v, seed) => 5 * layered(u, v, 26, 26, 2, seed) + 2.6 * layered(u, v, 5, 5, 2, seed + 8)

const leaves: Relief = (u, v, seed) => 16 * layered(u, v, 9, 9, 3, seed) + 5 * layered(u, v, 3, 3, 2, seed + 12)

const fibre: Relief = (u, v, seed) => 2 * noise(u * 70, v * 22, 70, 22, seed) + 1.5 * noise(u * 22, v * 70, 22, 70, seed + 2)

/** Roller stipple: plain on matt paint, flattened out as the sheen rises. */
const stipple =
  (strength: number): Relief =>
  (u, v, seed) =>
    strength * (1.3 * layered(u, v, 60, 60, 2, seed) + 0.7 * layered(u, v, 4, 4, 2, seed + 17))

const still: Relief = () => 0

function reliefOf(family: Family, sheen: Sheen): Relief {
  if (family === 'paint') return stipple({ matt: 1.5, eggshell: 1, satin: 0.6, gloss: 0.15 }[sheen])
  return { wood: grain, metal: brushed, textile: weave, leather: hide, stone: veined, ceramic: stipple(0.5), glass: still, paper: fibre, greenery: leaves }[family]
}

/**
 * A finish as a material: a seamless tile of its relief, tinted with its own colour. The mean of the tile is the
 * colour itself, so that a material never reads as another colour than its swatch.
 */
export function drawTexture(family: Family, sheen: Sheen, lab: Lab, seed: number, width = 256, height = 256): Texture {
  const relief = reliefOf(family, sheen)
  const steps = new Float32Array(width * height)
  let mean = 0
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const step = relief(x / width, y / height, seed)
      steps[y * width + x] = step
      mean += step / (width * height)
    }
  const shades = Array.from({ length: 401 }, (_, at) => bytesFromLab({ ...lab, L: Math.min(100, Math.max(0, lab.L + (at - 200) / 5)) }))
  const pixels = new Uint8ClampedArray(width * height * 4)
  for (const [at, step] of steps.entries()) {
    const shade = shades[Math.min(400, Math.max(0, Math.round((step - mean) * 5) + 200))] ?? [0, 0, 0]
    pixels[at * 4] = shade[0]
    pixels[at * 4 + 1] = shade[1]
    pixels[at * 4 + 2] = shade[2]
    pixels[at * 4 + 3] = 255
  }
  return { width, height, pixels }
}
