/** Walls that are not plain: a bump, a recess, a bay or a slant put into a wall that was typed in one piece. */
import { belongingTo } from '../makeover/by-id.ts'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type Operation } from '../makeover/change.ts'
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Fields, Row } from '../makeover/kinds.ts'
import { writeLength } from '../measure/length.ts'
import { wallsOf } from './room.ts'

export type Shape =
  /** A breast or column that stands into the room; a recess that goes back from it. */
  | { readonly is: 'bump' | 'recess'; readonly fromMm: number; readonly widthMm: number; readonly depthMm: number }
  /** Out of the room, with a front and two equal slanted sides. */
  | {
      readonly is: 'bay'
      readonly fromMm: number
      readonly widthMm: number
      readonly depthMm: number
      readonly frontMm: number
    }
  /** Cuts the square corner at the wall’s end: so far along it, and so far along the next. */
  | { readonly is: 'slant'; readonly alongMm: number; readonly nextMm: number }
export type Broken =
  { readonly ok: true; readonly operations: readonly Operation[] } | { readonly ok: false; readonly error: string }

type Piece = { readonly lengthMm: number | null; readonly corner: Pick<Fields<'wall'>, 'corner' | 'cornerDeg'> }
const inside = { corner: 'inside', cornerDeg: null } as const
const outside = { corner: 'outside', cornerDeg: null } as const
const angle = (deg: number) => ({ corner: 'angle', cornerDeg: Math.round(deg * 100) / 100 }) as const
const degrees = 180 / Math.PI
const rounded = (mm: number): number => Math.round(mm * 10) / 10
const wrong = (error: string): Broken => ({ ok: false, error })

/** The change that puts a shape into a wall. Openings and fixed things go to the piece they lie on; one across an edge is asked back. */
export function breakWall(makeover: Makeover, wall: Row<'wall'>, shape: Shape, newId: () => string): Broken {
  if (wall.curve !== 'straight')
    return wrong('A curved wall has no bumps: part it into straight and curved walls first.')
  const length = (mm: number): string => writeLength(Math.round(mm), headOf(makeover)?.units ?? 'metric')
  const walls = wallsOf(makeover, wall.roomId)
  const at = walls.findIndex((thisWall) => thisWall.id === wall.id)
  const next = walls[(at + 1) % walls.length]
  if (shape.is === 'slant') return slant(makeover, wall, walls[at + 1] ?? null, next ?? null, shape, newId)
  const { fromMm, widthMm, depthMm } = shape
  if (fromMm <= 0) return wrong('It begins in the corner: type its walls one by one, or begin it further along.')
  const rest = wall.lengthMm === null ? null : rounded(wall.lengthMm - fromMm - widthMm)
  if (rest !== null && rest <= 0)
    return wrong(`It ends ${length(-rest)} past the end of the wall, which is ${length(wall.lengthMm ?? 0)} long.`)
  const last = { corner: wall.corner, cornerDeg: wall.cornerDeg }
  let pieces: readonly Piece[]
  let front: { readonly from: number; readonly width: number }
  if (shape.is === 'bay') {
    const run = (widthMm - shape.frontMm) / 2
    if (run <= 0) return wrong('The front of the bay is as wide as the bay: that is a recess.')
    const turn = Math.atan2(depthMm, run) * degrees
    const side = rounded(Math.hypot(run, depthMm))
    pieces = [
      { lengthMm: fromMm, corner: angle(180 + turn) },
      { lengthMm: side, corner: angle(180 - turn) },
      { lengthMm: shape.frontMm, corner: angle(180 - turn) },
      { lengthMm: side, corner: angle(180 + turn) },
      { lengthMm: rest, corner: last },
    ]
    front = { from: fromMm + run, width: shape.frontMm }
  } else {
    const [first, second] = shape.is === 'bump' ? [inside, outside] : [outside, inside]
    pieces = [
      { lengthMm: fromMm, corner: first },
      { lengthMm: depthMm, corner: second },
      { lengthMm: widthMm, corner: second },
      { lengthMm: depthMm, corner: first },
      { lengthMm: rest, corner: last },
    ]
    front = { from: fromMm, width: widthMm }
  }
  const room = places(wall, walls[at + 1] ?? null, pieces.length - 1)
  const ids = [wall.id, ...pieces.slice(1).map(() => newId())]
  const operations: Operation[] = pieces.map((piece, index) =>
    index === 0
      ? edit('wall', wall, { lengthMm: piece.lengthMm, ...piece.corner })
      : add('wall', ids[index] ?? '', {
          ...blank.wall,
          roomId: wall.roomId,
          place: room[index - 1] ?? 0,
          lengthMm: piece.lengthMm,
          ...piece.corner,
        }),
  )
  for (const kind of ['opening', 'fixture'] as const)
    for (const row of rowsOf(makeover, kind)) {
      if (row.wallId !== wall.id) continue
      const width = row.widthMm ?? 0
      if (row.fromEnd && wall.lengthMm === null)
        return wrong('Measure the wall first: something on it is given from its far corner.')
      const u0 = row.fromEnd ? (wall.lengthMm ?? 0) - row.fromMm - width : row.fromMm
      const home = [
        { id: ids[0], from: 0, to: fromMm },
        { id: ids[2], from: front.from, to: front.from + front.width },
        { id: ids[4], from: fromMm + widthMm, to: Infinity },
      ].find((piece) => u0 >= piece.from - 0.5 && u0 + width <= piece.to + 0.5)
      if (!home) return wrong(`${row.name || row.what} lies across an edge of it: move or take it away first.`)
      operations.push(
        edit<'opening' | 'fixture'>(kind, row, {
          wallId: home.id ?? wall.id,
          fromMm: rounded(Math.max(0, u0 - home.from)),
          fromEnd: false,
        }),
      )
    }
  return { ok: true, operations }
}

function slant(
  makeover: Makeover,
  wall: Row<'wall'>,
  after: Row<'wall'> | null,
  next: Row<'wall'> | null,
  { alongMm, nextMm }: Extract<Shape, { is: 'slant' }>,
  newId: () => string,
): Broken {
  if (!next || next.id === wall.id) return wrong('A slant lies between two walls: type the next wall first.')
  if (wall.corner !== 'inside')
    return wrong('Only a square corner that is drawn in is cut like this: type the slanted wall with its angles.')
  if (wall.lengthMm === null || next.lengthMm === null) return wrong('Measure both walls of the corner first.')
  if (alongMm >= wall.lengthMm || nextMm >= next.lengthMm) return wrong('The slant is longer than its wall.')
  const cut = (end: Row<'wall'>, start: number, to: number): string | null => {
    const found = [...rowsOf(makeover, 'opening'), ...rowsOf(makeover, 'fixture')].find((row) => {
      if (row.wallId !== end.id) return false
      const u0 = row.fromEnd ? (end.lengthMm ?? 0) - row.fromMm - (row.widthMm ?? 0) : row.fromMm
      return u0 < to && u0 + (row.widthMm ?? 0) > start
    })
    return found ? found.name || found.what : null
  }
  const inTheWay = cut(wall, wall.lengthMm - alongMm, Infinity) ?? cut(next, -Infinity, nextMm)
  if (inTheWay) return wrong(`${inTheWay} lies where the slant would be: move or take it away first.`)
  const turn = Math.atan2(nextMm, alongMm) * degrees
  const id = newId()
  const moved = (['opening', 'fixture'] as const).flatMap((kind) =>
    rowsOf(makeover, kind).flatMap((row): Operation[] => {
      if (row.wallId === next.id && !row.fromEnd)
        return [edit<'opening' | 'fixture'>(kind, row, { fromMm: rounded(row.fromMm - nextMm) })]
      return row.wallId === wall.id && row.fromEnd
        ? [edit<'opening' | 'fixture'>(kind, row, { fromMm: rounded(row.fromMm - alongMm) })]
        : []
    }),
  )
  return {
    ok: true,
    operations: [
      edit('wall', wall, { lengthMm: rounded(wall.lengthMm - alongMm), ...angle(180 - turn) }),
      add('wall', id, {
        ...blank.wall,
        roomId: wall.roomId,
        place: places(wall, after, 1)[0] ?? 0,
        lengthMm: rounded(Math.hypot(alongMm, nextMm)),
        ...angle(90 + turn),
      }),
      edit('wall', next, { lengthMm: rounded(next.lengthMm - nextMm) }),
      ...moved,
    ],
  }
}

/** Places between a wall and the one after it. */
function places(wall: Row<'wall'>, after: Row<'wall'> | null, count: number): number[] {
  const end = after?.place ?? wall.place + count + 1
  return Array.from({ length: count }, (_, at) => wall.place + ((end - wall.place) * (at + 1)) / (count + 1))
}

/** What stood in openings that go stands in nothing now. */
export const withoutOpenings = (makeover: Makeover, gone: ReadonlySet<string>): Operation[] => [
  ...rowsOf(makeover, 'piece').flatMap((row): Operation[] =>
    row.openingId !== null && gone.has(row.openingId) ? [edit('piece', row, { openingId: null })] : [],
  ),
  ...rowsOf(makeover, 'clearWidth').flatMap((row): Operation[] =>
    row.openingId !== null && gone.has(row.openingId) ? [edit('clearWidth', row, { openingId: null })] : [],
  ),
  ...rowsOf(makeover, 'treatedPart')
    .filter((row) => row.openingId !== null && gone.has(row.openingId))
    .map((row) => remove('treatedPart', row)),
]

/**
 * The change that takes a wall out of the walk, with what is on it, and what was treated of it; zones, pieces and
 * looks at samples of it become those of the room.
 */
export function takeOutWall(makeover: Makeover, wall: Row<'wall'>): Operation[] {
  const openings = belongingTo(rowsOf(makeover, 'opening'), 'wallId', wall.id)
  const gone = new Set(openings.map((row) => row.id))
  return [
    ...rowsOf(makeover, 'opening').flatMap((row): Operation[] =>
      row.sharesId !== null && gone.has(row.sharesId) && !gone.has(row.id)
        ? [edit('opening', row, { sharesId: null })]
        : [],
    ),
    ...rowsOf(makeover, 'zone').flatMap((row): Operation[] =>
      row.wallId === wall.id ? [edit('zone', row, { wallId: null })] : [],
    ),
    ...rowsOf(makeover, 'treatedPart')
      .filter((row) => row.wallId === wall.id || (row.openingId !== null && gone.has(row.openingId)))
      .map((row) => remove('treatedPart', row)),
    ...rowsOf(makeover, 'piece').flatMap((row): Operation[] =>
      row.wallId === wall.id ? [edit('piece', row, { wallId: null, openingId: null })] : [],
    ),
    ...rowsOf(makeover, 'viewing').flatMap((row): Operation[] =>
      row.wallId === wall.id ? [edit('viewing', row, { wallId: null })] : [],
    ),
    ...openings.map((row) => remove('opening', row)),
    ...belongingTo(rowsOf(makeover, 'squareTest'), 'wallId', wall.id).map((row) => remove('squareTest', row)),
    ...belongingTo(rowsOf(makeover, 'clearWidth'), 'wallId', wall.id).map((row) => remove('clearWidth', row)),
    ...belongingTo(rowsOf(makeover, 'fixture'), 'wallId', wall.id).map((row) => remove('fixture', row)),
    ...belongingTo(rowsOf(makeover, 'slope'), 'wallId', wall.id).map((row) => remove('slope', row)),
    ...rowsOf(makeover, 'diagonal')
      .filter((row) => row.fromId === wall.id || row.toId === wall.id)
      .map((row) => remove('diagonal', row)),
    remove('wall', wall),
  ]
}
