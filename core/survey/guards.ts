import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'

/** What no survey may say, however it was measured. Lengths that do not close are no fault: they are kept, and said. */
export function surveyGuards(makeover: Makeover): Fault[] {
  const { rows } = makeover
  const roomOf = (wallId: string | null): string | null =>
    wallId === null ? null : (rows.wall[wallId]?.roomId ?? null)
  const faults: Fault[] = []
  for (const row of rowsOf(makeover, 'wall')) {
    if (row.corner === 'angle' && row.cornerDeg === null)
      faults.push(
        fault('corner', 'wall', row.id, 'cornerDeg', 'is missing: expected the angle of the corner, in degrees'),
      )
    if (row.curve !== 'straight' && row.curveMm === null)
      faults.push(fault('curve', 'wall', row.id, 'curveMm', `is missing: expected the ${row.curve} of the curved wall`))
  }
  for (const row of rowsOf(makeover, 'diagonal')) {
    if (row.fromId === row.toId)
      faults.push(fault('diagonal', 'diagonal', row.id, 'toId', 'is the corner it begins at: expected another'))
    else if (roomOf(row.fromId) !== roomOf(row.toId))
      faults.push(
        fault('diagonal', 'diagonal', row.id, 'toId', 'is a corner of another room: expected one of the same'),
      )
  }
  for (const row of rowsOf(makeover, 'opening')) {
    if (row.headMm <= row.sillMm)
      faults.push(fault('opening', 'opening', row.id, 'headMm', 'is not above the sill: expected more'))
    const opening = row.sharesId === null ? undefined : rows.opening[row.sharesId]
    if (opening && roomOf(opening.wallId) === roomOf(row.wallId))
      faults.push(
        fault('shared', 'opening', row.id, 'sharesId', 'is in the same room: expected an opening of the next one'),
      )
  }
  for (const row of rowsOf(makeover, 'zone'))
    if (row.wallId !== null && roomOf(row.wallId) !== row.roomId)
      faults.push(fault('wall', 'zone', row.id, 'wallId', 'is a wall of another room: expected one of its own'))
  return faults
}
