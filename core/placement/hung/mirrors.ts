/**
 * What a mirror doubles: rays from an eye go to the mirror, turn there, and end on the first thing, opening or wall they meet. In the plan,
 * with heights by how the view widens. Lengths in mm.
 */
import { thingOf } from '../../makeover/thing-names.ts'
import type { Point, Room } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import { segmentsOf } from '../apart.ts'
import type { Setting } from '../setting.ts'
import type { Hung } from './works.ts'

export type Doubled = {
  readonly id: string
  readonly name: string
  readonly what: 'thing' | 'opening' | 'wall'
  readonly share: number
}
type Eye = Point & { readonly z: number }
type Segment = readonly [Point, Point]

export const isMirror = ({ thing: { piece } }: Hung): boolean => thingOf(piece) === 'mirror'
const rays = 160

/** Null where the eye is behind the mirror, or its wall is curved. The shares are of what is seen across its width. */
export function doubledBy(mirror: Hung, { room, walls }: Setting, bodies: readonly Body[], eye: Eye): Doubled[] | null {
  const { wall } = mirror
  if (wall.arc || wall.chordMm < 1) return null
  const [ux, uy] = [(wall.to.x - wall.from.x) / wall.chordMm, (wall.to.y - wall.from.y) / wall.chordMm]
  // the room lies to the right of its walls
  const [nx, ny] = [uy, -ux]
  const off = (eye.x - wall.from.x) * nx + (eye.y - wall.from.y) * ny
  if (off < 50) return null
  // the eye as it stands behind the glass
  const behind = { x: eye.x - 2 * off * nx, y: eye.y - 2 * off * ny }
  const tally = new Map<string, Omit<Doubled, 'share'> & { count: number }>()
  for (let ray = 0; ray < rays; ray++) {
    const along = mirror.left + ((ray + 0.5) / rays) * (mirror.right - mirror.left)
    const glass = { x: wall.from.x + along * ux, y: wall.from.y + along * uy }
    const far = Math.hypot(glass.x - behind.x, glass.y - behind.y)
    const way = { x: (glass.x - behind.x) / far, y: (glass.y - behind.y) / far }
    /** What of the heights is seen so far behind the glass. */
    const seen = (mm: number): { low: number; top: number } => {
      const at = (z: number): number => eye.z + ((z - eye.z) * (far + mm)) / far
      return { low: at(mirror.low), top: at(mirror.top) }
    }
    const met = firstMet(glass, way, seen, room, walls, bodies, wall.row.id)
    if (!met) continue
    const known = tally.get(met.id)
    if (known) known.count++
    else tally.set(met.id, { ...met, count: 1 })
  }
  return [...tally.values()]
    .map(({ count, ...met }) => ({ ...met, share: count / rays }))
    .toSorted((left, right) => right.share - left.share)
}

function firstMet(
  start: Point,
  way: Point,
  seen: (mm: number) => { low: number; top: number },
  room: Room,
  walls: Setting['walls'],
  bodies: readonly Body[],
  ownId: string,
): Omit<Doubled, 'share'> | null {
  let nearest: (Omit<Doubled, 'share'> & { mm: number }) | null = null
  for (const body of bodies) {
    if (body.thing?.flat) continue
    for (const segment of segmentsOf(body.outline)) {
      const mm = hit(start, way, segment)
      if (mm === null || (nearest && mm >= nearest.mm)) continue
      const band = seen(mm)
      if (body.top > band.low && body.low < band.top) nearest = { id: body.id, name: body.name, what: 'thing', mm }
    }
  }
  for (const { segment, wall } of walls) {
    if (wall.row.id === ownId) continue
    const mm = hit(start, way, segment)
    if (mm === null || (nearest && mm >= nearest.mm)) continue
    const place = { x: start.x + mm * way.x, y: start.y + mm * way.y }
    const along = Math.hypot(place.x - wall.from.x, place.y - wall.from.y)
    const band = seen(mm)
    const opening = wall.arc
      ? undefined
      : wall.openings.find(
          ({ row, u0, u1, z0, z1 }) =>
            row.what !== 'niche' && along >= u0 && along <= u1 && z1 > band.low && z0 < band.top,
        )
    nearest = opening
      ? { id: opening.row.id, name: opening.name, what: 'opening', mm }
      : { id: wall.row.id, name: nameIn(room, wall.row.id), what: 'wall', mm }
  }
  if (!nearest) return null
  const { mm: _mm, ...met } = nearest
  return met
}
const nameIn = ({ walls }: Room, id: string): string => walls.find(({ row }) => row.id === id)?.name ?? ''

/** How far a ray goes to a segment; null where it misses it. */
function hit(origin: Point, way: Point, [start, end]: Segment): number | null {
  const [ex, ey] = [end.x - start.x, end.y - start.y]
  const across = way.x * ey - way.y * ex
  if (Math.abs(across) < 1e-9) return null
  const mm = ((start.x - origin.x) * ey - (start.y - origin.y) * ex) / across
  const on = ((start.x - origin.x) * way.y - (start.y - origin.y) * way.x) / across
  return mm > 1 && on >= -1e-9 && on <= 1 + 1e-9 ? mm : null
}
