/** What a layout, a place or a footprint may not be, whatever its fields say one by one. */
import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { thingsIn } from '../makeover/things.ts'
import { crossingOf } from './apart.ts'
import { readPoints } from './shapes.ts'

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
  for (const row of rowsOf(makeover, 'footprint')) {
    if (row.shape !== 'drawn') continue
    const points = readPoints(row.points)
    const say = (message: string): void => void faults.push(fault('points', 'footprint', row.id, 'points', message))
    if (points === null) say('is no outline: expected three corners or more, as "0 0, 900 0, 900 600", in mm')
    else if (crossingOf(points)) say('crosses itself: expected its corners in order, once round')
  }
  return faults
}
