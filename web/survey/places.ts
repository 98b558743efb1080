/** Places on the drawing that people measure between, and what things on it are called. */
import { byId } from '#core/makeover/by-id.ts'
import { letterOf, pointOn, type Room, type Subject, type Wall } from '#core/survey/index.ts'

export type Place = { readonly x: number; readonly y: number; readonly name: string }

/** The corners of a room and the edges of what is in its walls; of the wall one stands before, where one does. */
export function placesOf(thisRoom: Room, before: Wall | null): Place[] {
  if (before)
    return [
      { x: 0, y: 0, name: 'the left corner' },
      { x: before.lengthMm, y: 0, name: 'the right corner' },
      ...[...before.openings, ...before.fixtures].flatMap((opening) => [
        { x: opening.u0, y: opening.z0, name: `${opening.name}, lower left` },
        ...(opening.u1 > opening.u0 ? [{ x: opening.u1, y: opening.z0, name: `${opening.name}, lower right` }] : []),
        ...(opening.z1 > opening.z0
          ? [
              { x: opening.u0, y: opening.z1, name: `${opening.name}, upper left` },
              { x: opening.u1, y: opening.z1, name: `${opening.name}, upper right` },
            ]
          : []),
      ]),
    ]
  return [
    ...thisRoom.closing.corners.map((corner, at) => ({ ...corner, name: `corner ${at + 1}` })),
    ...thisRoom.walls.flatMap((wall) =>
      [...wall.openings, ...wall.fixtures].flatMap((opening) => [
        {
          ...pointOn(wall, opening.u0, 'outMm' in opening.row ? opening.row.outMm : 0),
          name: opening.u1 > opening.u0 ? `${opening.name}, left` : opening.name,
        },
        ...(opening.u1 > opening.u0
          ? [
              {
                ...pointOn(wall, opening.u1, 'outMm' in opening.row ? opening.row.outMm : 0),
                name: `${opening.name}, right`,
              },
            ]
          : []),
      ]),
    ),
  ]
}

export function nameOf(thisRoom: Room | undefined, subject: Subject): string {
  if (!thisRoom) return ''
  if (subject.kind === 'wall') return thisRoom.walls.find((wall) => wall.row.id === subject.id)?.name ?? 'Wall'
  if (subject.kind === 'diagonal') return byId(thisRoom.closing.lengths, subject.id)?.name ?? 'Corner to corner'
  if (subject.kind === 'zone') return thisRoom.zones.find((zone) => zone.row.id === subject.id)?.row.name ?? 'Zone'
  for (const wall of thisRoom.walls)
    for (const opening of [...wall.openings, ...wall.fixtures])
      if (opening.row.id === subject.id) return `${opening.name}, wall ${letterOf(wall.at)}`
  return ''
}
