/** What a room throws back of its own light: the reflectance of its surfaces as finished, and the light that goes round. */
import { lrv } from '../../colour/lab.ts'
import type { Makeover } from '../../makeover/document.ts'
import { paletteFinishes, type LaidFinish } from '../../makeover/laid.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { wallRegions } from '../../surfaces/index.ts'
import { areaOf, faceOf, type Room } from '../../survey/index.ts'

export type Reflecting = {
  /** Area-weighted over all surfaces, 0 to 1. */
  readonly rho: number
  readonly m2: number
  /** What each surface throws back, 0 to 1, for the working. */
  readonly walls: number
  readonly floor: number
  readonly ceiling: number
}

const lrvOf = ({ labL, labA, labB, lrv: stated }: LaidFinish): number => stated ?? lrv({ L: labL, a: labA, b: labB })

/** Surfaces of which no finish is chosen count as usual; openings throw back a tenth, whatever is behind them. */
export function reflecting(makeover: Makeover, room: Room, rules: Rules): Reflecting {
  const openings = rules['light.opening'] / 100
  let [wallM2, wallLight] = [0, 0]
  const regions = wallRegions(makeover, room)
  for (const wall of room.walls) {
    const holes = wall.openings
      .filter(({ row }) => row.what !== 'niche')
      .reduce((sum, { u0, u1, z0, z1 }) => sum + ((u1 - u0) * (z1 - z0)) / 1e6, 0)
    const face = areaOf(faceOf(room, wall)) / 1e6
    const solid = Math.max(0, face - holes)
    const finished = regions.filter((region) => region.wall.row.id === wall.row.id)
    const done = finished.reduce((sum, { m2 }) => sum + m2, 0)
    const share = done > solid && done > 0 ? solid / done : 1
    wallM2 += face
    wallLight += Math.min(face, holes) * openings + Math.max(0, solid - done) * (rules['light.walls'] / 100)
    wallLight += finished.reduce((sum, { m2, finish }) => sum + m2 * share * (lrvOf(finish) / 100), 0)
  }
  const floorM2 = areaOf(room.outline) / 1e6
  const walls = wallM2 > 0 ? wallLight / wallM2 : rules['light.walls'] / 100
  const floor = flatOf(makeover, room.id, 'floor') ?? rules['light.floor'] / 100
  const ceiling = flatOf(makeover, room.id, 'ceiling') ?? rules['light.ceiling'] / 100
  const m2 = wallM2 + 2 * floorM2
  const rho = m2 > 0 ? (wallM2 * walls + floorM2 * (floor + ceiling)) / m2 : walls
  return { rho, m2, walls, floor, ceiling }
}

/** The mean of what is chosen for a floor or a ceiling. */
function flatOf(makeover: Makeover, roomId: string, surface: 'floor' | 'ceiling'): number | null {
  const laid = paletteFinishes(makeover).filter(
    (finish) =>
      finish.roomId === roomId && finish.pieceId === null && finish.lies.some((lie) => lie.surface === surface),
  )
  return laid.length > 0 ? laid.reduce((sum, finish) => sum + lrvOf(finish), 0) / laid.length / 100 : null
}

/** The lux that go round a room whose surfaces throw light to and fro: Φ·ρ ÷ (A·(1 − ρ)). Out of doors none do. */
export const roundLux = (lumens: number, { rho, m2 }: Pick<Reflecting, 'rho' | 'm2'>): number =>
  m2 > 0 && rho < 1 ? (lumens * rho) / (m2 * (1 - rho)) : 0
