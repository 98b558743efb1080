/** The small things of a room: proposed by what is done there, as somebody changed them, and those of one's own. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { smallThings, type Job, type SmallThing } from './small-things.ts'
import type { TakeOff } from './take-off/told.ts'
import type { Measured } from './finish-areas.ts'
import type { Row } from '../makeover/kinds.ts'

export type Sundry = SmallThing & { readonly row: Row<'sundry'> | null }

/** What the treatments of a room that count are, as the small things ask it. */
export function jobsOf(taken: readonly TakeOff[], { room, areas }: Measured): Job[] {
  return taken
    .filter(
      ({ treatment, finish, reckoned }) => treatment.insteadOfId === null && finish.roomId === room.id && reckoned?.ok,
    )
    .map(({ treatment, finish, m2, reckoned }): Job => {
      const lies = finish.lies.filter(({ treatmentId }) => treatmentId === treatment.id)
      const along = lies.some(({ surface }) => surface === 'walls' || surface === 'floor' || surface === 'trim')
      const walls = room.walls.filter(({ row }) => lies.some(({ wallId }) => wallId === null || wallId === row.id))
      return {
        how: treatment.how,
        m2: m2 ?? 0,
        edgeMm: along ? walls.reduce((sum, { lengthMm }) => sum + lengthMm, 0) : areas.perimeterMm,
        rolls: reckoned?.ok && reckoned.unit === 'rolls' ? reckoned.need : 0,
      }
    })
}

/** Proposed ones with what was said of them, then those of one's own. What was set to nothing is left out of the buying. */
export function sundriesOf(makeover: Makeover, roomId: string, jobs: readonly Job[]): Sundry[] {
  const rows = rowsOf(makeover, 'sundry').filter((row) => row.roomId === roomId)
  const proposed = smallThings(jobs, headOf(makeover)?.units ?? 'metric').map((thing): Sundry => {
    const row = rows.find(({ stands }) => stands === thing.id) ?? null
    return row ? { ...thing, name: row.name, quantity: row.quantity, unit: row.unit, row } : { ...thing, row: null }
  })
  const ids = new Set(proposed.map(({ id }) => id))
  const own = rows
    .filter(({ stands }) => !ids.has(stands))
    .map((row): Sundry => ({ id: row.id, name: row.name, quantity: row.quantity, unit: row.unit, because: '', row }))
  return [...proposed, ...own]
}
