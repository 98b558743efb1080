/**
 * The way in: each thing as it is carried, through every stage from the street to its room, by the pose that fits best. Lengths in mm.
 * A tilted rectangle through a rectangle: L. Carver, Mathematics Magazine, 1957 (from memory). Round a turn: the thing of a length and a
 * thickness that just goes, the least over the angle of (a·cos θ + b·sin θ − w) ÷ (sin θ·cos θ); for a line that is the ladder's
 * (a^⅔ + b^⅔)^{3/2}.
 */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Room } from '../survey/index.ts'
import type { Thing } from './bodies.ts'

export type Box = { readonly widthMm: number; readonly depthMm: number; readonly heightMm: number }
export type Pose = 'as it stands' | 'on its side' | 'on its back' | 'on end' | 'tilted' | 'turned through'
export type Stage = {
  readonly id: string
  readonly name: string
  readonly what: Row<'passage'>['what']
  readonly widthMm: number
  readonly heightMm: number | null
  readonly depthMm: number | null
  /** Its width with the leaf of its door off; null where none comes off. */
  readonly leafOffMm: number | null
}
export type Passed = {
  readonly stage: Stage
  /** How it goes; null where it does not. */
  readonly pose: Pose | null
  /** By how much it misses at best; 0 where it goes. */
  readonly missesMm: number
  /** What comes off so that it goes. */
  readonly off: 'legs' | 'door leaf' | null
}
export type CarriedIn = {
  readonly thing: Thing
  readonly box: Box
  readonly passed: readonly Passed[]
  readonly goes: boolean
}

/** By how much a rectangle misses a rectangular opening at best: 0 where it goes, straight or tilted. */
export function missesOpening(
  first: number,
  second: number,
  wide: number,
  high: number,
): { mm: number; tilted: boolean } {
  const [p, q] = [Math.max(first, second), Math.min(first, second)]
  const [a, b] = [Math.max(wide, high), Math.min(wide, high)]
  if (p <= a && q <= b) return { mm: 0, tilted: false }
  const diagonal = p * p + q * q
  if (p > a && q <= b && diagonal >= a * a) {
    const needed = (2 * p * q * a + (p * p - q * q) * Math.sqrt(diagonal - a * a)) / diagonal
    if (b >= needed) return { mm: 0, tilted: true }
    // what the lesser side of the opening lacks, tilted or straight, whichever is less
    return { mm: Math.min(needed - b, Math.max(p - a, q - b)), tilted: true }
  }
  return { mm: Math.max(p - a, q - b), tilted: false }
}

/** The longest thing of a thickness that goes round a square turn from one width into another; 0 where it is too thick. */
export function longestRound(first: number, second: number, thick: number): number {
  if (thick > Math.min(first, second)) return 0
  const length = (angle: number): number =>
    (first * Math.cos(angle) + second * Math.sin(angle) - thick) / (Math.sin(angle) * Math.cos(angle))
  // the least lies between: three parts are looked at, and the worst third left out
  let [low, high] = [1e-4, Math.PI / 2 - 1e-4]
  for (let step = 0; step < 80; step++) {
    const [left, right] = [low + (high - low) / 3, high - (high - low) / 3]
    if (length(left) < length(right)) high = right
    else low = left
  }
  return length((low + high) / 2)
}

/** How a box may be held: which of its sides stands upright, and the other two in plan. */
const holds = ({ widthMm, depthMm, heightMm }: Box): { pose: Pose; up: number; plan: readonly [number, number] }[] => [
  { pose: 'as it stands', up: heightMm, plan: [widthMm, depthMm] },
  { pose: 'on its back', up: depthMm, plan: [widthMm, heightMm] },
  { pose: widthMm > heightMm ? 'on end' : 'on its side', up: widthMm, plan: [depthMm, heightMm] },
]

function through(box: Box, stage: Stage, widthMm: number): { pose: Pose | null; mm: number } {
  const high = stage.heightMm ?? 2000
  let best: { pose: Pose | null; mm: number } = { pose: null, mm: Infinity }
  const hold = (pose: Pose, mm: number): void => {
    if (best.pose === null || best.mm > 0) if (mm < best.mm) best = { pose, mm: Math.max(0, mm) }
  }
  for (const { pose, up, plan } of holds(box)) {
    const [long, thick] = [Math.max(...plan), Math.min(...plan)]
    if (stage.what === 'turn' || (stage.what === 'stair' && stage.depthMm !== null)) {
      const second = stage.depthMm ?? widthMm
      const round = longestRound(widthMm, second, thick)
      const upMiss = up - high
      const onFoot = Math.min(
        Math.max(plan[0] - widthMm, plan[1] - second),
        Math.max(plan[1] - widthMm, plan[0] - second),
      )
      const about = round === 0 ? Math.max(thick - Math.min(widthMm, second), onFoot) : Math.min(long - round, onFoot)
      hold(about <= 0 && onFoot > 0 ? 'turned through' : pose, Math.max(0, upMiss, about))
    } else if (stage.what === 'lift') {
      const plain = missesOpening(plan[0], plan[1], widthMm, stage.depthMm ?? widthMm)
      hold(plain.tilted && plain.mm === 0 ? 'tilted' : pose, Math.max(0, up - high, plain.mm))
    } else {
      // it goes lengthways: what must pass the opening is its height and the lesser side of its plan
      const face = missesOpening(up, thick, widthMm, high)
      hold(face.tilted && face.mm === 0 ? 'tilted' : pose, face.mm)
    }
  }
  return { pose: best.mm <= 0 ? best.pose : null, mm: best.mm }
}

/** The stages from the street, and the widest door of the room. */
export function stagesTo(makeover: Makeover, room: Room): Stage[] {
  const passages = rowsOf(makeover, 'passage')
    .toSorted((left, right) => left.place - right.place)
    .map(({ id, name, what, widthMm, heightMm, depthMm }): Stage => ({
      id,
      name,
      what,
      widthMm,
      heightMm,
      depthMm,
      leafOffMm: null,
    }))
  const doors = room.walls.flatMap(({ openings }) =>
    openings
      .filter(({ row, z0 }) => (row.what === 'door' || row.what === 'arch') && z0 < 100)
      .map(({ row, name, z1 }): Stage => ({
        id: row.id,
        name,
        what: 'door',
        // a leaf that stands open takes some of the opening
        widthMm: row.clearMm ?? (row.what === 'door' && row.swing !== 'none' ? row.widthMm - 40 : row.widthMm),
        heightMm: z1,
        depthMm: null,
        leafOffMm: row.what === 'door' ? row.widthMm : null,
      })),
  )
  const widest = doors.toSorted((left, right) => right.widthMm - left.widthMm)[0]
  return [...passages, ...(widest ? [widest] : [])]
}

/** How thick a rolled rug is about. */
const rolledMm = 250

/** A thing through every stage; what comes off is tried only where it does not go without. */
export function carriedIn(thing: Thing, stages: readonly Stage[]): CarriedIn {
  const { footprint } = thing
  // a rug is rolled over its shorter side
  const as = thing.flat
    ? { widthMm: Math.min(thing.widthMm, thing.depthMm), depthMm: rolledMm, heightMm: rolledMm }
    : thing
  const box: Box = {
    widthMm: footprint?.packedWidthMm ?? as.widthMm,
    depthMm: footprint?.packedDepthMm ?? as.depthMm,
    heightMm: footprint?.packedHeightMm ?? as.heightMm,
  }
  const legs = footprint?.legsOffMm ?? null
  const passed = stages.map((stage): Passed => {
    const plain = through(box, stage, stage.widthMm)
    if (plain.pose) return { stage, pose: plain.pose, missesMm: 0, off: null }
    const tries: { off: 'legs' | 'door leaf'; box: Box; widthMm: number }[] = [
      ...(legs === null
        ? []
        : [{ off: 'legs' as const, box: { ...box, heightMm: box.heightMm - legs }, widthMm: stage.widthMm }]),
      ...(stage.leafOffMm === null ? [] : [{ off: 'door leaf' as const, box, widthMm: stage.leafOffMm }]),
    ]
    for (const attempt of tries) {
      const found = through(attempt.box, stage, attempt.widthMm)
      if (found.pose) return { stage, pose: found.pose, missesMm: 0, off: attempt.off }
    }
    return { stage, pose: null, missesMm: plain.mm, off: null }
  })
  return { thing, box, passed, goes: passed.every(({ pose }) => pose !== null) }
}
