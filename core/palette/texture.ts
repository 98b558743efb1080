import { bytesFromLab, type Lab } from '../colour/lab.ts'
import type { Family, Pattern, Sheen } from '../makeover/choices.ts'

/** Pixels of a seamless tile, RGBA, as ImageData takes them. */
export type Texture = { readonly width: number; readonly height: number; readonly pixels: Uint8ClampedArray<ArrayBuffer> }

/** Whole-number hash of a lattice point to 0..1: the same picture for the same seed, everywhere. */
function lattice(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(seed, 2147483647 ^ 0x9e3779b1)
  h = Math.imul(h ^ (h >>> 13), 1274126177)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

/** A value at each point (u, v) of the unit square, which repeats beyond it. */
type Field = (u: number, v: number) => number

/** Value noise of so many cells across and down, −1 to 1, without a seam. */
function noise(cellsX: number, cellsY: number, seed: number): Field {
  const points = Float32Array.from({ length: cellsX * cellsY }, (_, at) => 2 * lattice(at % cellsX, Math.floor(at / cellsX), seed) - 1)
  return (u, v) => {
    const x = (u - Math.floor(u)) * cellsX
    const y = (v - Math.floor(v)) * cellsY
    const x0 = Math.floor(x) % cellsX
    const y0 = Math.floor(y) % cellsY
    const x1 = (x0 + 1) % cellsX
    const y1 = (y0 + 1) % cellsY
    let tx = x - Math.floor(x)
    let ty = y - Math.floor(y)
    tx = tx * tx * (3 - 2 * tx)
    ty = ty * ty * (3 - 2 * ty)
    const a = points[y0 * cellsX + x0] ?? 0
    const b = points[y0 * cellsX + x1] ?? 0
    const c = points[y1 * cellsX + x0] ?? 0
    const d = points[y1 * cellsX + x1] ?? 0
    const top = a + (b - a) * tx
    return top + (c + (d - c) * tx - top) * ty
  }
}

/** Noise in octaves, each twice as fine and half as strong as the one before. */
function layered(cellsX: number, cellsY: number, octaves: number, seed: number): Field {
  const fields = Array.from({ length: octaves }, (_, octave) => noise(cellsX << octave, cellsY << octave, seed + octave))
  return (u, v) => {
    let total = 0
    let strength = 0.5
    for (const field of fields) {
      total += strength * field(u, v)
      strength /= 2
    }
    return total
  }
}

const turn = 2 * Math.PI

/** Relief of a material for a seed: how much lighter or darker than its colour it is at each point, in L*. */
type Relief = (seed: number) => Field

const grain: Relief = (seed) => {
  const [bending, bands, waves] = [layered(2, 2, 2, seed + 40), layered(1, 11, 3, seed), layered(1, 2, 2, seed + 9)]
  const [fibres, pores] = [noise(4, 120, seed + 33), noise(26, 200, seed + 21)]
  return (u, v) => {
    const bend = 0.014 * bending(u, v)
    const pore = pores(u, v)
    return 6.5 * bands(u, v + bend) + 1.3 * Math.sin(turn * (13 * (v + bend) + 1.3 * waves(u, v))) + 1.2 * fibres(u, v) + 2.2 * pore * Math.abs(pore)
  }
}

const weave: Relief = (seed) => {
  const threads = 64
  const [along, across] = [noise(5, threads, seed), noise(threads, 5, seed + 3)]
  return (u, v) => {
    const over = (Math.floor(u * threads) + Math.floor(v * threads)) % 2 === 0
    const bump = Math.abs(Math.sin(Math.PI * (over ? u : v) * threads))
    return 9 * bump + 1.9 * (along(u, v) + across(u, v))
  }
}

const brushed: Relief = (seed) => {
  const [fine, broad] = [noise(3, 150, seed), noise(6, 75, seed + 5)]
  return (u, v) => 4.2 * fine(u, v) + 3 * broad(u, v) + 1.4 * Math.sin(turn * (v + 0.2))
}

const veined: Relief = (seed) => {
  const [flow, cloud] = [layered(3, 3, 4, seed), layered(4, 4, 4, seed + 30)]
  return (u, v) => 3.4 * cloud(u, v) - 11 * Math.max(0, 0.16 - Math.abs(Math.sin(turn * (u + v + 1.6 * flow(u, v)))))
}

const hide: Relief = (seed) => {
  const [pebble, wear] = [layered(26, 26, 2, seed), layered(5, 5, 2, seed + 8)]
  return (u, v) => 5 * pebble(u, v) + 2.6 * wear(u, v)
}

const leaves: Relief = (seed) => {
  const [leaf, bough] = [layered(9, 9, 3, seed), layered(3, 3, 2, seed + 12)]
  return (u, v) => 16 * leaf(u, v) + 5 * bough(u, v)
}

const fibre: Relief = (seed) => {
  const [across, along] = [noise(70, 22, seed), noise(22, 70, seed + 2)]
  return (u, v) => 2 * across(u, v) + 1.5 * along(u, v)
}

/** Pile laid over in strokes: plush takes and throws light by the way it was brushed. */
const pile: Relief = (seed) => {
  const [strokes, tufts] = [layered(3, 4, 3, seed), layered(80, 80, 2, seed + 14)]
  return (u, v) => 10 * strokes(u, v) + 2.6 * tufts(u, v)
}

/** Strands over and under in a basket, with shadow between them. */
const basket: Relief = (seed) => {
  const strands = 18
  const fibres = noise(9, 160, seed)
  return (u, v) => {
    const [x, y] = [u * strands, v * strands]
    const over = (Math.floor(x) + Math.floor(y)) % 2 === 0
    const [across, along] = over ? [y, x] : [x, y]
    const round = Math.sin(Math.PI * (across - Math.floor(across)))
    const ends = Math.sin(Math.PI * (along - Math.floor(along)))
    return 15 * Math.sqrt(Math.max(0, round)) + 4 * ends + 2 * fibres(over ? v : u, over ? u : v)
  }
}

/** Glaze that lies thicker here and there, with a faint craze. */
const glazed: Relief = (seed) => {
  const [pool, craze] = [layered(3, 3, 2, seed), layered(14, 14, 3, seed + 5)]
  return (u, v) => 3.4 * pool(u, v) - 2.4 * Math.max(0, 0.05 - Math.abs(craze(u, v))) * 20
}

/** Long soft streaks, as light lies in drawn glass. */
const drawn: Relief = (seed) => {
  const streaks = layered(3, 1, 2, seed)
  return (u, v) => 3.6 * streaks(u + 0.18 * v, v)
}

/** Roller stipple: plain on matt paint, flattened out as the sheen rises. */
const stipple =
  (strength: number): Relief =>
  (seed) => {
    const [fine, broad] = [layered(60, 60, 2, seed), layered(4, 4, 2, seed + 17)]
    return (u, v) => strength * (1.3 * fine(u, v) + 0.7 * broad(u, v))
  }

function reliefOf(family: Family, sheen: Sheen): Relief {
  if (family === 'paint') return stipple({ matt: 1.5, eggshell: 1, satin: 0.6, gloss: 0.15 }[sheen])
  return { wood: grain, metal: brushed, textile: weave, plush: pile, leather: hide, stone: veined, ceramic: glazed, glass: drawn, paper: fibre, cane: basket, greenery: leaves }[family]
}

/**
 * A finish as a material: a seamless tile of its relief, tinted with its own colour. The mean of the tile is the
 * colour itself, so that a material never reads as another colour than its swatch.
 */
export function drawTexture(family: Family, sheen: Sheen, lab: Lab, seed: number, width = 256, height = 256, print?: Print): Texture {
  if (print && print.pattern !== 'plain' && print.parts.length > 0) return drawPrint(family, sheen, lab, seed, width, height, print)
  const relief = reliefOf(family, sheen)(seed)
  const steps = new Float32Array(width * height)
  let mean = 0
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const step = relief(x / width, y / height)
      steps[y * width + x] = step
      mean += step / (width * height)
    }
  const shades = Array.from({ length: 401 }, (_, at) => bytesFromLab({ ...lab, L: Math.min(100, Math.max(0, lab.L + (at - 200) / 5)) }))
  const pixels = new Uint8ClampedArray(width * height * 4)
  for (let at = 0; at < steps.length; at++) {
    const step = steps[at] ?? 0
    const shade = shades[Math.min(400, Math.max(0, Math.round((step - mean) * 5) + 200))] ?? [0, 0, 0]
    pixels[at * 4] = shade[0]
    pixels[at * 4 + 1] = shade[1]
    pixels[at * 4 + 2] = shade[2]
    pixels[at * 4 + 3] = 255
  }
  return { width, height, pixels }
}

/** A pattern on a finish: the palette colours it carries, each by its share of the whole, 0 to 1. */
export type Print = { readonly pattern: Pattern; readonly scale: 'small' | 'medium' | 'large'; readonly parts: readonly { readonly lab: Lab; readonly share: number }[] }

const repeats = { small: 14, medium: 7, large: 3 } as const

/** Which colour of a print lies at each point: 0 is the ground, then its parts; each covers its share of the tile. */
function printAt({ pattern, scale, parts }: Print, seed: number): (u: number, v: number) => number {
  const limits = parts.map((_, at) => parts.slice(0, at + 1).reduce((total, part) => total + part.share, 0))
  const pick = (value: number): number => limits.findIndex((limit) => value < limit) + 1
  const count = repeats[scale]
  const step = (value: number): number => value * count - Math.floor(value * count)
  if (pattern === 'stripe') return (u) => pick(step(u))
  if (pattern === 'check') {
    // a band each way: where they cover a share s between them, each is 1 − √(1 − s) of the repeat
    const whole = limits.at(-1) ?? 0
    const band = 1 - Math.sqrt(Math.max(0, 1 - whole))
    const within = (value: number): number => (whole > 0 ? (value / Math.max(band, 1e-6)) * whole : 1)
    return (u, v) => (step(u) < band ? pick(within(step(u))) : step(v) < band ? pick(within(step(v))) : 0)
  }
  if (pattern === 'motif') {
    const radius = Math.sqrt(Math.min(0.75, limits.at(-1) ?? 0) / Math.PI)
    return (u, v) => {
      const row = Math.floor(v * count)
      const [x, y] = [step(u + (row % 2 === 0 ? 0 : 0.5 / count)) - 0.5, step(v) - 0.5]
      const inside = (x * x + y * y) / Math.max(radius * radius, 1e-6)
      return inside < 1 ? pick(inside * (limits.at(-1) ?? 0)) : 0
    }
  }
  const spread = layered(count, count, 3, seed + 77)
  const sorted = Float32Array.from({ length: 4096 }, (_, at) => spread((at % 64) / 64, Math.floor(at / 64) / 64)).sort()
  const height = (share: number): number => sorted[Math.min(4095, Math.max(0, Math.round(share * 4095)))] ?? 0
  const heights = limits.map(height)
  return (u, v) => heights.findIndex((limit) => spread(u, v) < limit) + 1
}

/** A printed or woven pattern: each of its colours drawn in the finish's own material. */
function drawPrint(family: Family, sheen: Sheen, lab: Lab, seed: number, width: number, height: number, print: Print): Texture {
  const inks = [lab, ...print.parts.map((part) => part.lab)].map((ink) => drawTexture(family, sheen, ink, seed, width, height))
  const which = printAt(print, seed)
  const pixels = new Uint8ClampedArray(width * height * 4)
  for (let at = 0; at < width * height; at++) {
    const ink = inks[which((at % width) / width, Math.floor(at / width) / height)] ?? inks[0]
    if (ink) for (let channel = 0; channel < 4; channel++) pixels[at * 4 + channel] = ink.pixels[at * 4 + channel] ?? 255
  }
  return { width, height, pixels }
}
