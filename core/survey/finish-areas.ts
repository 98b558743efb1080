/** The area of each finish on the measured surfaces of a room. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { type RoomAreas, sum } from './areas.ts'

/** How a finish comes by its area. */
export type FinishArea = { readonly m2: number; readonly basis: 'survey' | 'eye'; readonly how: string }

/**
 * The visible area of each finish in m². Walls, ceiling, floor, trim and doors of a measured room count as measured: a
 * finish on one wall or in one band has that, and the one finish of the surface that says no more has the rest. Where
 * several say no more, and for all else, the area judged by eye stands.
 */
export function finishAreas(makeover: Makeover, rooms: readonly RoomAreas[]): ReadonlyMap<string, FinishArea> {
  const found = new Map<string, FinishArea>()
  const known = new Map(rooms.map((room) => [room.roomId, room]))
  const finishes = rowsOf(makeover, 'finish').filter((row) => row.fate !== 'change')
  for (const [key, rows] of groupBy(finishes, (row) => `${row.roomId} ${row.surface}`)) {
    const room = known.get(key.split(' ')[0] ?? '')
    const surface = rows[0]?.surface
    if (!room || !surface) continue
    const judged = (without: string): number => sum(rows, (row) => (row.id === without ? 0 : (row.visibleM2 ?? 0)))
    const set = (id: string, m2: number, how: string): void =>
      void found.set(id, { m2: Math.max(0, m2), basis: 'survey', how })
    const whole = wholeOf(room, surface)
    if (whole === null) continue
    const particular =
      surface === 'walls'
        ? rows.filter((row) => row.wallId !== null || row.bandFromMm !== null || row.bandToMm !== null)
        : []
    for (const row of particular)
      set(
        row.id,
        bandArea(room, row),
        row.wallId === null
          ? 'its band of all walls, less openings'
          : `its part of ${room.walls.find((wall) => wall.wallId === row.wallId)?.name ?? 'its wall'}, less openings`,
      )
    const general = rows.filter((row) => !particular.includes(row))
    const given = sum(particular, (row) => found.get(row.id)?.m2 ?? 0)
    const [only] = general
    if (general.length === 1 && only)
      set(
        only.id,
        whole - given,
        given > 0 ? `the ${surface}, less what other finishes have` : (wholeWords[surface] ?? ''),
      )
    else {
      const unjudged = general.filter((row) => row.visibleM2 === null)
      const [rest] = unjudged
      if (unjudged.length === 1 && rest)
        set(rest.id, whole - given - judged(rest.id), `the ${surface}, less what other finishes have`)
    }
  }
  for (const row of finishes)
    if (!found.has(row.id) && row.visibleM2 !== null)
      found.set(row.id, { m2: row.visibleM2, basis: 'eye', how: 'judged by eye' })
  return found
}

const wholeWords: Readonly<Record<string, string>> = {
  walls: 'all walls, less openings and what is built in',
  ceiling: 'the whole ceiling',
  floor: 'the whole floor',
  trim: 'skirting and casings',
  door: 'all doors',
}

function wholeOf(room: RoomAreas, surface: string): number | null {
  if (surface === 'walls') return room.grossM2 > 0 ? sum(room.walls, (wall) => wall.netM2 - wall.coveredM2) : null
  if (surface === 'ceiling') return room.ceilingM2
  if (surface === 'floor') return room.floorM2
  if (surface === 'trim') return room.trimM2
  return surface === 'door' && room.doorsM2 > 0 ? room.doorsM2 : null
}

function bandArea(
  room: RoomAreas,
  finish: { readonly wallId: string | null; readonly bandFromMm: number | null; readonly bandToMm: number | null },
): number {
  const walls = room.walls.filter((wall) => finish.wallId === null || wall.wallId === finish.wallId)
  if (finish.bandFromMm === null && finish.bandToMm === null) return sum(walls, (wall) => wall.netM2 - wall.coveredM2)
  const [start, to] = [finish.bandFromMm ?? 0, finish.bandToMm ?? Infinity]
  return sum(walls, (wall) =>
    sum(wall.bands, (band) => (band.fromMm >= start - 1e-6 && (band.toMm ?? Infinity) <= to + 1e-6 ? band.netM2 : 0)),
  )
}
