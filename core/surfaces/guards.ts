/** What a treatment may not be, whatever its fields say one by one. */
import type { Fault } from '../makeover/change.ts'
import { fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'

export function surfaceGuards(makeover: Makeover): Fault[] {
  const { rows } = makeover
  const faults: Fault[] = []
  for (const row of rowsOf(makeover, 'treatedPart')) {
    const finish = rows.finish[rows.treatment[row.treatmentId]?.finishId ?? '']
    faults.push(...partFaults(makeover, row, finish?.roomId ?? null))
  }
  for (const row of rowsOf(makeover, 'treatment')) {
    const instead = row.insteadOfId === null ? undefined : rows.treatment[row.insteadOfId]
    if (row.insteadOfId === row.id || (instead && instead.insteadOfId !== null))
      faults.push(
        fault(
          'instead',
          'treatment',
          row.id,
          'insteadOfId',
          'is only thought of itself: expected a treatment that counts',
        ),
      )
  }
  return faults
}

function partFaults(makeover: Makeover, row: Row<'treatedPart'>, roomId: string | null): Fault[] {
  const { rows } = makeover
  const faults: Fault[] = []
  const say = (code: string, field: string, message: string): void =>
    void faults.push(fault(code, 'treatedPart', row.id, field, message))
  const wall = row.wallId === null ? undefined : rows.wall[row.wallId]
  const opening = row.openingId === null ? undefined : rows.opening[row.openingId]
  const openingWall = opening && rows.wall[opening.wallId]
  if (wall && wall.roomId !== roomId) say('wall', 'wallId', 'is a wall of another room: expected one of its own')
  if (openingWall && openingWall.roomId !== roomId)
    say('opening', 'openingId', 'is in another room: expected one of its own')
  if (row.bandFromMm !== null && row.bandToMm !== null && row.bandToMm <= row.bandFromMm)
    say('band', 'bandToMm', 'is not above where the band begins: expected more')
  if (row.alongFromMm !== null && row.alongToMm !== null && row.alongToMm <= row.alongFromMm)
    say('stretch', 'alongToMm', 'is not past where the stretch begins: expected more')
  if ((row.alongFromMm !== null || row.alongToMm !== null) && row.wallId === null)
    say('stretch', 'wallId', 'is missing: a stretch is along one wall')
  return faults
}
