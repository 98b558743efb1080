/**
 * A colour meter that is not there: it reads the colour it is told it lies on, as a small handheld one would, with a
 * little noise, and badly on request. Seeded: the same reading of the same surface is the same each time.
 */
import type { Lab } from '#core/colour/lab.ts'
import type { MeterReading } from '#core/palette/index.ts'

/** How it behaves: well; tilted, so that gloss spills in; on a stain now and then; long not calibrated; not lying on the surface. */
export const meterBehaviours = ['well', 'tilted', 'stained', 'drifting', 'lifted'] as const
export type MeterBehaviour = (typeof meterBehaviours)[number]

/** What a good handheld meter repeats to, as one standard deviation in L*, a* and b* (our own guess for the stand-in). */
const noise = { L: 0.18, a: 0.1, b: 0.12 }

export function readMeter(surface: Lab, behaves: MeterBehaviour, seed: number, reading: number): MeterReading {
  const random = generator(Math.imul(seed + 1, 2654435761) ^ Math.imul(reading + 1, 40503))
  const around = (middle: number, spread: number): number =>
    middle + spread * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  if (behaves === 'lifted')
    return { ok: false, fails: 'It does not lie flat on the surface: press it down and read again.' }
  const lab = { L: around(surface.L, noise.L), a: around(surface.a, noise.a), b: around(surface.b, noise.b) }
  if (behaves === 'tilted') lab.L += 9 * random()
  if (behaves === 'stained' && reading % 3 === 1) {
    lab.L -= 9
    lab.b += 6
  }
  if (behaves === 'drifting') {
    lab.L -= 0.9 * reading
    lab.b += 0.7 * reading
  }
  return { ok: true, lab: { L: Math.min(100, Math.max(0, lab.L)), a: lab.a, b: lab.b } }
}

/** Numbers from 0 up to 1 that follow from a seed (mulberry32). */
function generator(seed: number): () => number {
  let state = seed | 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
