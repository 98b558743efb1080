/** What a layout, a place or a footprint may not be, whatever its fields say one by one. */
import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { thingsIn } from '../makeover/things.ts'
import { crossingOf } from './apart.ts'
import { readPoints } from './shapes.ts'
import { readBoards } from './shelves/shelf.ts'

export function placementGuards(makeover: Makeover): Fault[] {
  const { rows } = makeover
  const faults: Fault[] = []
  const inForce = new Set<string>()
  for (const row of rowsOf(makeover, 'layout')) {
    if (!row.inForce) continue
    if (inForce.has(row.roomId))
      faults.push(
        fault('in force', 'layout', row.id, 'inForce', 'is taken: expected one layout of a room in force at a time'),
      )
    inForce.add(row.roomId)
  }
  for (const row of rowsOf(makeover, 'standing')) {
    const piece = rows.piece[row.pieceId]
    const layout = rows.layout[row.layoutId]
    if (piece && layout && piece.roomId !== layout.roomId)
      faults.push(
        fault('room', 'standing', row.id, 'layoutId', 'is of another room: expected a layout of the room it is for'),
      )
    if (piece && row.number > thingsIn(piece) && row.number > 1)
      faults.push(
        fault('number', 'standing', row.id, 'number', `is more than there are: expected at most ${thingsIn(piece)}`),
      )
  }
  for (const row of rowsOf(makeover, 'hanging')) {
    const [piece, wall] = [rows.piece[row.pieceId], rows.wall[row.wallId]]
    if (piece && wall && piece.roomId !== wall.roomId)
      faults.push(
        fault('room', 'hanging', row.id, 'wallId', 'is of another room: expected a wall of the room it is for'),
      )
    if (piece && row.number > thingsIn(piece) && row.number > 1)
      faults.push(
        fault('number', 'hanging', row.id, 'number', `is more than there are: expected at most ${thingsIn(piece)}`),
      )
  }
  for (const row of rowsOf(makeover, 'fixing'))
    if (row.dropMm !== null) {
      const piece = rows.piece[row.pieceId]
      const chosen = piece?.chosenId == null ? undefined : rows.candidate[piece.chosenId]
      const high = chosen?.heightMm ?? piece?.heightMm ?? null
      if (high !== null && row.dropMm > high)
        faults.push(
          fault(
            'drop',
            'fixing',
            row.id,
            'dropMm',
            `is longer than the work is high: expected at most ${Math.round(high)} mm`,
          ),
        )
    }
  for (const row of rowsOf(makeover, 'shelving'))
    if (readBoards(row.heights) === null)
      faults.push(
        fault(
          'heights',
          'shelving',
          row.id,
          'heights',
          'are no heights of boards: expected at most 40, rising from below, as "0, 350, 700", in mm',
        ),
      )
  for (const row of rowsOf(makeover, 'footprint')) {
    if (row.shape !== 'drawn') continue
    const points = readPoints(row.points)
    const say = (message: string): void => void faults.push(fault('points', 'footprint', row.id, 'points', message))
    if (points === null) say('is no outline: expected three corners or more, as "0 0, 900 0, 900 600", in mm')
    else if (crossingOf(points)) say('crosses itself: expected its corners in order, once round')
  }
  return faults
}
