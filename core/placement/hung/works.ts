/** What hangs on walls: each thing with its size, its weight and how it is fixed, and where it hangs. Lengths in mm, weights in kg. */
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import { thingOf } from '../../makeover/thing-names.ts'
import { isMaterial, thingsIn } from '../../makeover/things.ts'
import type { Room, Wall } from '../../survey/index.ts'

export type Hangable = {
  readonly piece: Row<'piece'>
  readonly widthMm: number
  readonly heightMm: number
  /** How far it stands off the wall. */
  readonly depthMm: number
  /** Null while nobody weighed it. */
  readonly weightKg: number | null
  readonly fixing: Row<'fixing'> | null
}
export type Hung = {
  /** Of the row that says where. */
  readonly id: string
  readonly name: string
  readonly thing: Hangable
  readonly row: Row<'hanging'>
  readonly wall: Wall
  /** Its middle along the wall from the wall's first corner, and above the floor. */
  readonly along: number
  readonly centre: number
  readonly left: number
  readonly right: number
  readonly low: number
  readonly top: number
}

const wallNames = /\b(wall|floating|hanging|sconces?|picture lights?|clocks?|plates?|signs?|pin ?board|coat ?hooks?)\b/i
/** Works and mirrors hang; shelves, lights, ornaments and cloths do where their name or their height says so. */
export function hangs(piece: Row<'piece'>): boolean {
  if (isMaterial(piece)) return false
  const kind = thingOf(piece)
  if (kind === 'work' || kind === 'mirror') return true
  if (kind === 'shelf') return piece.aboveMm > 0 || wallNames.test(piece.name)
  return (kind === 'light' || kind === 'ornament' || kind === 'textile') && wallNames.test(piece.name)
}

/** Every thing that hangs and whose size is known, by the id of its piece. */
export function hangablesOf(makeover: Makeover): ReadonlyMap<string, Hangable> {
  const fixings = new Map(rowsOf(makeover, 'fixing').map((row) => [row.pieceId, row]))
  const put = new Set(rowsOf(makeover, 'hanging').map(({ pieceId }) => pieceId))
  return new Map(
    rowsOf(makeover, 'piece').flatMap((piece): [string, Hangable][] => {
      if (!hangs(piece) && !put.has(piece.id)) return []
      const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
      const widthMm = chosen?.widthMm ?? piece.widthMm
      const heightMm = chosen?.heightMm ?? piece.heightMm
      if (widthMm === null || heightMm === null) return []
      const depthMm = chosen?.depthMm ?? piece.depthMm ?? 30
      const weightKg = chosen?.weightKg ?? null
      return [[piece.id, { piece, widthMm, heightMm, depthMm, weightKg, fixing: fixings.get(piece.id) ?? null }]]
    }),
  )
}

export function hungOf(thing: Hangable, row: Row<'hanging'>, wall: Wall): Hung {
  const { alongMm, centreMm } = row
  return {
    id: row.id,
    name: thingsIn(thing.piece) > 1 ? `${thing.piece.name} ${row.number}` : thing.piece.name,
    thing,
    row,
    wall,
    along: alongMm,
    centre: centreMm,
    left: alongMm - thing.widthMm / 2,
    right: alongMm + thing.widthMm / 2,
    low: centreMm - thing.heightMm / 2,
    top: centreMm + thing.heightMm / 2,
  }
}

/** What hangs in a room, in the order of its walls and along each. */
export function hungIn(makeover: Makeover, room: Room, things: ReadonlyMap<string, Hangable>): Hung[] {
  const walls = new Map(room.walls.map((wall) => [wall.row.id, wall]))
  return rowsOf(makeover, 'hanging')
    .flatMap((row) => {
      const [thing, wall] = [things.get(row.pieceId), walls.get(row.wallId)]
      return thing && wall ? [hungOf(thing, row, wall)] : []
    })
    .toSorted(
      (left, right) => left.wall.at - right.wall.at || left.along - right.along || (left.id < right.id ? -1 : 1),
    )
}

/** What hangs as one with a work on its wall; itself alone where it hangs alone. */
export const groupOf = (work: Hung, works: readonly Hung[]): readonly Hung[] =>
  work.row.groupName === ''
    ? [work]
    : works.filter((met) => met.wall === work.wall && met.row.groupName === work.row.groupName)
/** A group as one thing: its outline, its middle, and its name. */
export function asOne(group: readonly Hung[]): Hung | null {
  const [first] = group
  if (!first || group.length === 1) return first ?? null
  const [left, right] = [Math.min(...group.map((work) => work.left)), Math.max(...group.map((work) => work.right))]
  const [low, top] = [Math.min(...group.map((work) => work.low)), Math.max(...group.map((work) => work.top))]
  return {
    ...first,
    name: first.row.groupName,
    thing: { ...first.thing, widthMm: right - left, heightMm: top - low },
    row: { ...first.row, why: group.map(({ row }) => row.why).find((why) => why !== '') ?? '' },
    along: (left + right) / 2,
    centre: (low + top) / 2,
    left,
    right,
    low,
    top,
  }
}

export type ToHang = { readonly thing: Hangable; readonly number: number }
/** What is for a room and hangs nowhere yet, the largest first. */
export function toHang(makeover: Makeover, roomId: string, things: ReadonlyMap<string, Hangable>): ToHang[] {
  const hung = new Set(rowsOf(makeover, 'hanging').map(({ pieceId, number }) => `${pieceId} ${number}`))
  return [...things.values()]
    .filter(({ piece }) => piece.roomId === roomId)
    .toSorted((left, right) => right.widthMm * right.heightMm - left.widthMm * left.heightMm)
    .flatMap((thing) =>
      Array.from({ length: thingsIn(thing.piece) }, (_, at) => ({ thing, number: at + 1 })).filter(
        ({ number }) => !hung.has(`${thing.piece.id} ${number}`),
      ),
    )
}
