/** What a dark place takes: a lamp, where it goes and how many lumens it gives. Lengths in mm. */
import type { LampSpread } from '../../makeover/room-choices.ts'
import type { RuleId } from '../../rulebook/rulebook.ts'
import type { Point } from '../../survey/index.ts'
import { isInside } from '../clearance.ts'
import type { Lamp } from './lamps.ts'
import { luxOn, type LitRoom } from './map.ts'
import { roundLux } from './reflected.ts'
import { directOn } from './level.ts'
import type { Spot } from './spots.ts'

export type Added = {
  readonly spotId: string
  readonly name: string
  /** Of all its lamps together, and the bulb of each that is on sale and gives at least that. */
  readonly lumens: number
  readonly bulb: number
  readonly lamps: readonly Lamp[]
  readonly how: string
  /** How far the nearest socket is from what stands there; null where it is wired, or no socket was measured. */
  readonly socketMm: number | null
}

/**
 * The lumens of bulbs as they are sold, those of 25, 40, 60, 75, 100 and 150 W filaments [mem: the table of equal brightness of the European
 * Union's rules for bulbs].
 */
const bulbs = [249, 470, 806, 1055, 1521, 2452] as const

type Way = {
  readonly spread: LampSpread
  readonly beamDeg: number | null
  readonly overMm: number
  /** To the side of the place; two lamps stand on both sides. */
  readonly besideMm: number
  readonly isPair?: boolean
  readonly how: string
}
const ways: Readonly<Partial<Record<RuleId, Way>>> = {
  'light.work': { spread: 'beam', beamDeg: 80, overMm: 500, besideMm: 0, how: 'A lamp on an arm, its shade downwards' },
  'light.read': { spread: 'beam', beamDeg: 80, overMm: 600, besideMm: 0, how: 'A lamp on an arm, its shade downwards' },
  'light.eat': { spread: 'down', beamDeg: null, overMm: 700, besideMm: 0, how: 'A shade that hangs over its middle' },
  'light.live': { spread: 'all round', beamDeg: null, overMm: 450, besideMm: 600, how: 'A lamp that stands beside it' },
  'light.groom': {
    spread: 'all round',
    beamDeg: null,
    overMm: 0,
    besideMm: 400,
    isPair: true,
    how: 'Two lamps, one at each side of the mirror',
  },
}

const blank = {
  id: '',
  pieceId: '',
  name: '',
  kelvin: null,
  dims: false,
  water: null,
  wideMm: 0,
  deepMm: 0,
  turnDeg: 0,
}

/** Null where it is light enough, or nothing but more general light would help. */
export function addFor(lit: LitRoom, spot: Spot): Added | null {
  const way = ways[spot.rule]
  const missing = spot.wanted - luxOn(lit, spot.facet)
  if (!way || missing <= 0) return null
  const places = placesFor(lit, spot, way)
  if (places.length === 0) return null
  const lampsOf = (lumens: number): Lamp[] =>
    places.map(({ x, y, z }) => ({
      ...blank,
      x,
      y,
      z,
      lumens: lumens / places.length,
      spread: way.spread,
      beamDeg: way.beamDeg,
      isFixed: false,
    }))
  // all of it is in proportion to the lumens: what one lumen adds tells how many it takes
  const round = lit.setting.room.ceiling === null ? 0 : roundLux(1, lit.reflecting)
  const gain = (directOn(lampsOf(1), spot.facet, lit.shade) + round) * lit.upkeep
  if (gain <= 0) return null
  const lumens = missing / gain
  const share = lumens / places.length
  const bulb = bulbs.find((known) => known >= share) ?? Math.ceil(share / 100) * 100
  return {
    spotId: spot.id,
    name: spot.name,
    lumens,
    bulb,
    lamps: lampsOf(bulb * places.length),
    how: way.how,
    socketMm: socketFrom(lit, places),
  }
}

type Place = { readonly x: number; readonly y: number; readonly z: number }
function placesFor({ setting, bodies }: LitRoom, { facet }: Spot, way: Way): Place[] {
  const z = facet.z + way.overMm
  if (way.besideMm === 0) return [{ x: facet.x, y: facet.y, z }]
  if (way.isPair) {
    // beside the mirror, one step before the wall that it hangs on
    const [wx, wy] = [facet.x + facet.nx * pairMm, facet.y + facet.ny * pairMm]
    return [-1, 1].map((side) => ({
      x: wx - facet.ny * side * way.besideMm,
      y: wy + facet.nx * side * way.besideMm,
      z,
    }))
  }
  const free = Array.from({ length: 16 }, (_, at) => {
    const angle = (at * Math.PI) / 8
    return { x: facet.x + Math.cos(angle) * way.besideMm, y: facet.y + Math.sin(angle) * way.besideMm, z }
  }).filter(
    ({ x, y }) =>
      isInside(setting.outline, x, y) &&
      !bodies.some(({ thing, outline }) => thing?.kind !== 'table' && thing?.kind !== 'rug' && isInside(outline, x, y)),
  )
  const [best] = free.toSorted((left, right) => toSocket(setting.sockets, left) - toSocket(setting.sockets, right))
  return best ? [best] : []
}
/** One’s face is half a metre off the mirror, the lamps beside it a hand before the wall. */
const pairMm = 400

const toSocket = (sockets: readonly Point[], { x, y }: Point): number =>
  Math.min(Infinity, ...sockets.map((socket) => Math.hypot(socket.x - x, socket.y - y)))
function socketFrom({ setting }: LitRoom, places: readonly Place[]): number | null {
  const mm = Math.max(...places.map((place) => toSocket(setting.sockets, place)))
  return Number.isFinite(mm) ? mm : null
}
