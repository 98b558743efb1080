/** The area of each finish on the measured surfaces of a room. */
import { groupBy, type Makeover } from '../makeover/document.ts'
import { liesOn, paletteFinishes, type LaidFinish, type Lie } from '../makeover/laid.ts'
import { flatId, nowhere, type Whereabouts } from '../makeover/whereabouts.ts'
import type { Room, RoomAreas } from '../survey/index.ts'
import { rankOf, wallRegions, type Region } from './regions.ts'

/** How a finish comes by its area. */
export type FinishArea = { readonly m2: number; readonly basis: 'survey' | 'eye'; readonly how: string }
/** A measured room with what it comes to. */
export type Measured = { readonly room: Room; readonly areas: RoomAreas }

/** What a finish has of one surface; `general`: the rest that no other finish claims, where it is the only one to say no more. */
type Share = {
  readonly finish: LaidFinish
  readonly surface: 'walls' | 'ceiling' | 'floor' | 'trim' | 'door'
  readonly m2: number | null
  readonly how: string
}

/**
 * The visible area of each finish in m². Walls, ceiling, floor, trim and doors of a measured room count as measured: a finish on
 * one wall, in a band or on a stretch has that, and the one finish of the surface that says no more has the rest. Where several say no
 * more, and for all else, the area judged by eye stands. Of walls, ceiling and floor only what is seen past what stands there counts.
 */
export function finishAreas(
  makeover: Makeover,
  rooms: readonly Measured[],
  stands: Whereabouts = nowhere,
): ReadonlyMap<string, FinishArea> {
  const found = new Map<string, FinishArea>()
  const known = new Map(rooms.map((measured) => [measured.areas.roomId, measured]))
  const finishes = paletteFinishes(makeover)
  for (const [roomId, rows] of groupBy(finishes, (row) => row.roomId)) {
    const measured = known.get(roomId)
    if (!measured) continue
    const shares = [...onWalls(makeover, measured, rows, stands), ...elsewhere(measured.areas, rows, stands)]
    for (const [finish, given] of groupBy(shares, (share) => share.finish)) {
      // ceilings count apart
      const below = given.filter(({ surface }) => surface !== 'ceiling')
      const parts = below.length > 0 ? below : given
      if (parts.every(({ m2 }) => m2 !== null))
        found.set(finish.id, {
          m2: Math.max(
            0,
            parts.reduce((sum, { m2 }) => sum + (m2 ?? 0), 0),
          ),
          basis: 'survey',
          how: parts.map(({ how }) => how).join(', and '),
        })
    }
  }
  for (const row of finishes)
    if (!found.has(row.id) && row.visibleM2 !== null)
      found.set(row.id, { m2: row.visibleM2, basis: 'eye', how: 'judged by eye' })
  return found
}

const sum = (regions: readonly Region[], { surfaces }: Whereabouts): number =>
  regions.reduce((total, { m2, wall }) => total + m2 * (surfaces.get(wall.row.id) ?? 1), 0)
const total = (regions: readonly Region[]): number => sum(regions, nowhere)
/** What is said of an area of which not all is seen. */
const seenWords = (share: number): string =>
  share < 0.995 ? `, ${Math.round(100 * share)} % of it seen past what stands there` : ''

function onWalls(makeover: Makeover, { room }: Measured, rows: readonly LaidFinish[], stands: Whereabouts): Share[] {
  if (room.ceiling === null) return []
  const regions = groupBy(wallRegions(makeover, room), ({ finish }) => finish.id)
  const covering = (lie: Lie): boolean => lie.surface === 'walls' && lie.how !== 'moulding'
  const general = rows.filter(({ lies }) => lies.some((lie) => covering(lie) && rankOf(lie) === 0))
  // of several that say no more, only the one that nobody judged by eye can have the rest
  const unjudged = general.filter((row) => row.visibleM2 === null)
  const rest = general.length > 1 && unjudged.length === 1 ? unjudged[0] : undefined
  const whole =
    general.length > 1
      ? sum(
          [...regions.values()].flat().filter(({ lie }) => rankOf(lie) === 0),
          stands,
        )
      : 0
  return rows
    .filter((row) => row.lies.some(covering))
    .map((finish): Share => {
      const mine = regions.get(finish.id) ?? []
      if (!general.includes(finish) || general.length === 1)
        return {
          finish,
          surface: 'walls',
          m2: sum(mine, stands),
          how: `${howOf(mine, finish)}${seenWords(sum(mine, stands) / Math.max(1e-9, total(mine)))}`,
        }
      const judged = general.reduce((total, row) => total + (row === finish ? 0 : (row.visibleM2 ?? 0)), 0)
      return {
        finish,
        surface: 'walls',
        m2: finish === rest ? whole - judged : null,
        how: 'the walls, less what other finishes have',
      }
    })
}

function howOf(regions: readonly Region[], { lies }: LaidFinish): string {
  const names = [...new Set(regions.map(({ wall }) => wall.name))]
  const onWalls = lies.filter(({ surface }) => surface === 'walls')
  if (onWalls.every((lie) => rankOf(lie) === 0)) return 'all walls, less openings and what other finishes have'
  return onWalls.every(({ wallId }) => wallId === null)
    ? 'its band of all walls, less openings'
    : `its part of ${names.join(', ') || 'its wall'}, less openings`
}

const wholeWords: Readonly<Record<string, string>> = {
  ceiling: 'the whole ceiling',
  floor: 'the whole floor',
  trim: 'skirting and casings',
  door: 'all doors',
}

/** Ceiling, floor, trim and doors; a floor finish of a zone that has a place has the zone. */
function elsewhere(areas: RoomAreas, rows: readonly LaidFinish[], stands: Whereabouts): Share[] {
  return (['ceiling', 'floor', 'trim', 'door'] as const).flatMap((surface): Share[] => {
    const whole = wholeOf(areas, surface)
    const mine = rows.filter((row) => liesOn(row, surface) && row.lies.length > 0)
    if (whole === null || mine.length === 0) return []
    const zoneOf = (row: LaidFinish): number | null =>
      surface === 'floor' ? (areas.zones.find(({ id }) => id === row.zoneId)?.m2 ?? null) : null
    // a rug is as large as it is judged or measured, and lies on the floor that has the rest
    const isLoose = (row: LaidFinish): boolean => row.lies.some((lie) => lie.surface === surface && lie.how === 'loose')
    const zoned = mine.filter((row) => !isLoose(row) && zoneOf(row) !== null)
    const general = mine.filter((row) => !isLoose(row) && zoneOf(row) === null)
    const given = zoned.reduce((total, row) => total + (zoneOf(row) ?? 0), 0)
    const judged = (without: LaidFinish): number =>
      mine.reduce((total, row) => total + (row === without || zoned.includes(row) ? 0 : (row.visibleM2 ?? 0)), 0)
    const unjudged = general.filter((row) => row.visibleM2 === null)
    const loose = mine.filter(isLoose)
    const rugs = surface === 'floor' ? rugsIn(areas.roomId, loose, stands) : 0
    const seen =
      surface === 'floor' || surface === 'ceiling' ? (stands.surfaces.get(flatId(areas.roomId, surface)) ?? 1) : 1
    return [
      ...zoned.map((finish): Share => ({
        finish,
        surface,
        m2: (zoneOf(finish) ?? 0) * seen,
        how: `the floor of its zone${seenWords(seen)}`,
      })),
      ...loose.map((finish): Share => ({ finish, surface, m2: null, how: '' })),
      ...general.map((finish): Share => {
        const isRest = general.length === 1 || (unjudged.length === 1 && unjudged[0] === finish)
        const taken =
          rugs + (general.length === 1 ? loose.reduce((sum, row) => sum + (row.visibleM2 ?? 0), 0) : judged(finish))
        return {
          finish,
          surface,
          m2: isRest ? (whole - given - taken) * seen : null,
          how: `${
            given + taken > 0 || general.length > 1
              ? `the ${surface}, less ${rugs > 0 ? 'the rugs and ' : ''}what other finishes have`
              : (wholeWords[surface] ?? '')
          }${seenWords(seen)}`,
        }
      }),
    ]
  })
}

/** What rugs cover that stand in their place, where nobody judged them by eye as a finish that lies on the floor. */
function rugsIn(roomId: string, loose: readonly LaidFinish[], { pieces }: Whereabouts): number {
  const judged = new Set(loose.filter(({ visibleM2 }) => visibleM2 !== null).map(({ pieceId }) => pieceId))
  return [...pieces]
    .filter(([id, stands]) => stands.flat && stands.roomId === roomId && !judged.has(id))
    .reduce((sum, [, { m2 }]) => sum + m2, 0)
}

function wholeOf(areas: RoomAreas, surface: 'ceiling' | 'floor' | 'trim' | 'door'): number | null {
  if (surface === 'ceiling') return areas.ceilingM2
  if (surface === 'floor') return areas.floorM2
  if (surface === 'trim') return areas.trimM2
  return areas.doorsM2 > 0 ? areas.doorsM2 : null
}
