/** What the room knows of a thing that is made for it: the bench a cover goes on, the sun on the wall a picture hangs on, an alcove. */
import { isKeepsake } from '../brief/index.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Room, Wall } from '../survey/index.ts'
import type { Values } from './calculator.ts'

export type Suggestion = { readonly why: string; readonly values: Values }
type Asked = {
  readonly makeover: Makeover
  readonly room: Room | null
  readonly piece: Row<'piece'>
  readonly rules: Rules
}

/** For a calculator, what may be taken over from the room of its piece; each with where it comes from. */
export function fromTheRoom(calculator: string, asked: Asked): readonly Suggestion[] {
  switch (calculator) {
    case 'frame':
      return framed(asked)
    case 'cushions':
      return seatsAndTables(asked)
    case 'shelf':
      return alcoves(asked)
    case 'shade':
      return shades(asked)
    case 'blind':
    case 'curtains':
      return windows(calculator, asked)
    default:
      return []
  }
}

/** The size of a piece, by its chosen candidate or the first that was found. */
function sizeOf(
  makeover: Makeover,
  piece: Row<'piece'>,
): { widthMm: number; depthMm: number; heightMm: number } | null {
  const candidate =
    (piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]) ??
    rowsOf(makeover, 'candidate').find((row) => row.pieceId === piece.id && row.turnedDown === null)
  if (!candidate || candidate.widthMm === null) return null
  return { widthMm: candidate.widthMm, depthMm: candidate.depthMm ?? 0, heightMm: candidate.heightMm ?? 0 }
}

function framed({ makeover, room, piece, rules }: Asked): Suggestion[] {
  const hanging = rowsOf(makeover, 'hanging').find((row) => row.pieceId === piece.id)
  const wall = hanging && room?.walls.find(({ row }) => row.id === hanging.wallId)
  const size = sizeOf(makeover, piece)
  const bright = wall && room ? lightOn(room, wall, rules) : null
  return [
    ...(size && size.heightMm > 0
      ? [{ why: `${piece.name} as it was measured`, values: { size: size.widthMm, high: size.heightMm } }]
      : []),
    ...(isKeepsake(makeover, piece.id) ? [{ why: 'It is kept for what it means', values: { valued: 'yes' } }] : []),
    ...(wall && bright
      ? [
          {
            why: `${wall.name}, where it hangs: ${bright.inSun === null ? 'nobody said which way the room faces' : bright.inSun ? 'sun comes in beside or across from it' : 'no sun to speak of'}${bright.isOpposite ? ', opposite a window' : ''}`,
            values: {
              ...(bright.inSun === null ? {} : { sun: bright.inSun ? 'yes' : 'no' }),
              window: bright.isOpposite ? 'yes' : 'no',
            },
          },
        ]
      : []),
  ]
}

/** Windows that look further away from noon than this have no sun to speak of, as for what stands before them. */
const sunnyDeg = 100
/** Two walls that look at each other, give or take. */
const opposite = 150
/** The sun and the windows a wall sees; whether sun comes in is not known while nobody said which way the room faces. */
function lightOn(room: Room, wall: Wall, rules: Rules): { inSun: boolean | null; isOpposite: boolean } {
  const angle = ({ from: start, to }: Wall): number => (Math.atan2(to.y - start.y, to.x - start.x) * 180) / Math.PI
  const between = (left: number, right: number): number => Math.abs(((left - right + 540) % 360) - 180)
  const others = room.walls.filter(
    (another) => another !== wall && another.openings.some(({ row }) => row.what === 'window'),
  )
  const first = room.walls[0]
  const facesDeg = room.survey?.facesDeg ?? null
  return {
    inSun:
      facesDeg === null || !first
        ? null
        : others.some(
            (another) =>
              between(facesDeg + angle(first) - angle(another) + 720, rules['place.sun-noon']) <= sunnyDeg &&
              between(angle(another), angle(wall)) > 10,
          ),
    isOpposite: others.some((another) => between(angle(another), angle(wall)) >= opposite),
  }
}

const covered: Readonly<Record<string, string>> = { seat: 'bench cover', bed: 'bed runner', table: 'table cloth' }
function seatsAndTables({ makeover, piece }: Asked): Suggestion[] {
  return rowsOf(makeover, 'piece')
    .filter((row) => row.roomId === piece.roomId && covered[row.thing] !== undefined)
    .flatMap((row) => {
      const size = sizeOf(makeover, row)
      if (!size || size.depthMm <= 0) return []
      const thing = covered[row.thing] ?? ''
      // a runner lies across the foot of its bed, and hangs down on both sides
      const values =
        thing === 'bed runner'
          ? { thing, size: size.widthMm + 2 * 300, depth: 500 }
          : { thing, size: size.widthMm, depth: size.depthMm, height: thing === 'table cloth' ? 200 : 80 }
      return [{ why: `${row.name}, for a ${thing}`, values }]
    })
}

const alcoves = ({ room }: Asked): Suggestion[] =>
  (room?.walls ?? []).flatMap((wall) =>
    wall.openings
      .filter(({ row }) => row.what === 'niche')
      .map(({ row, name }) => ({
        why: `${name}, ${wall.name}`,
        values: {
          width: row.widthMm,
          ...(row.revealMm === null ? {} : { depth: row.revealMm }),
          ends: 'between two walls',
        },
      })),
  )

/** Over a table a shade is half to two thirds as wide as the table (common practice of the trade). */
const shades = ({ makeover, piece }: Asked): Suggestion[] =>
  rowsOf(makeover, 'piece')
    .filter((row) => row.roomId === piece.roomId && row.thing === 'table')
    .flatMap((row) => {
      const size = sizeOf(makeover, row)
      if (!size || size.depthMm <= 0) return []
      const across = Math.round((Math.min(size.widthMm, size.depthMm) * 0.58) / 10) * 10
      return [
        {
          why: `Over ${row.name}: a little over half its width`,
          values: { foot: null, across, height: Math.round(across * 0.06) * 10 },
        },
      ]
    })

const windows = (calculator: 'blind' | 'curtains', { room }: Asked): Suggestion[] =>
  (room?.walls ?? []).flatMap((wall) =>
    wall.openings
      .filter(({ row }) => row.what === 'window')
      .map(({ row, name }) => ({
        why: `${name}, ${wall.name}`,
        values:
          calculator === 'blind'
            ? { width: row.widthMm, height: row.headMm - row.sillMm }
            : { opening: row.widthMm, drop: row.headMm + 100 },
      })),
  )
