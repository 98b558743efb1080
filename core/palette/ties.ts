import { deltaE } from '../colour/difference.ts'
import { toneOf, type Lab, type Tone } from '../colour/lab.ts'
import { groupBy, type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { asSwatch, labOf } from './colour-of.ts'
import { clash } from './compare.ts'
import { nearTones } from './near.ts'

/** "same": seen as one colour; "hue": one hue at another depth; null: no tie. */
export type Tie = 'same' | 'hue' | null

/** Whether two colours tie: ΔE00 within the rule, or the same hue at another depth, both strong enough to have one. */
export const tieOf = (lab: Lab, right: Lab, rules: Rules): Tie => tieOfTones(toneOf(lab), toneOf(right), rules)

/** The same for colours whose hue and chroma are known. */
export function tieOfTones(tone: Tone, right: Tone, rules: Rules): Tie {
  const same = rules['tie.same']
  if (mayBeWithin(tone, right, same) && deltaE(tone, right) <= same) return 'same'
  if (tone.C < rules['tie.chroma'] || right.C < rules['tie.chroma']) return null
  const apart = Math.abs(tone.h - right.h)
  return Math.min(apart, 360 - apart) <= rules['tie.hue'] ? 'hue' : null
}

/**
 * False where ΔE00 is certainly larger. It is at least |ΔL*| ÷ S_L, with S_L never over 1 + 0.015·|L* − 50|; and at least the
 * distance in (a*, b*) ÷ S, with S never over 1 + 0.0675 times the mean chroma, less what the rotation term takes: never more than to 0.366 of it
 * (|R_T| ≤ 2·sin 60°), and nearly nothing further than 75° from a hue of 275°.
 */
function mayBeWithin(tone: Tone, right: Tone, limit: number): boolean {
  if (Math.abs(tone.L - right.L) > limit * (1 + 0.015 * Math.abs((tone.L + right.L) / 2 - 50))) return false
  const rotated = blue(tone) || blue(right) ? 0.366 : 0.98
  return rotated * Math.hypot(tone.a - right.a, tone.b - right.b) <= limit * (1 + 0.03375 * (tone.C + right.C))
}

const blue = ({ h }: Tone): boolean => h > 190 && h < 358

/** All colours of a candidate: its own, and the further ones it holds. */
export function coloursOf(
  makeover: Makeover,
  candidate: Row<'candidate'>,
  further: readonly Row<'candidateColour'>[] = rowsOf(makeover, 'candidateColour').filter(
    (row) => row.candidateId === candidate.id,
  ),
): Lab[] {
  const { labL, labA, labB } = candidate
  const own = labL === null || labA === null || labB === null ? [] : [{ L: labL, a: labA, b: labB }]
  return [...own, ...further.map(labOf)]
}

export type Cell = { readonly finishId: string; readonly tie: 'same' | 'hue' | 'clash' }
/** How many finishes of its room a piece holds together, and how many it clashes with. */
export type PieceTies = { readonly pieceId: string; readonly tied: number; readonly clashes: number }
export type PieceColours = PieceTies & {
  readonly colours: readonly Lab[]
  /** The finishes of its room that it ties to or clashes with, by the strongest tie of any of its colours. */
  readonly cells: readonly Cell[]
}

/**
 * How colours hold to the finishes of a room: those they tie to or clash with. Where the piece carries a finish of the
 * palette, its family is known, and a pair of one family that clashes is never a tie.
 */
export function holdAgainst(
  colours: readonly Lab[],
  finishes: readonly Row<'finish'>[],
  carried: readonly Row<'finish'>[],
  rules: Rules,
): Cell[] {
  return hold(colours.map(toneOf), finishes.map(asTone), carried, rules)
}
type Toned = { readonly row: Row<'finish'>; readonly tone: Tone }
const asTone = (row: Row<'finish'>): Toned => ({ row, tone: toneOf(labOf(row)) })

function hold(
  colours: readonly Tone[],
  finishes: readonly Toned[],
  carried: readonly Row<'finish'>[],
  rules: Rules,
): Cell[] {
  const cells: Cell[] = []
  for (const { row, tone } of finishes) {
    let tie: Tie = null
    for (const colour of colours) {
      if (tie === 'same') break
      tie = tieOfTones(colour, tone, rules) ?? tie
    }
    const clashes =
      carried.length > 0 &&
      !carried.some((finish) => finish.id === row.id) &&
      carried.some((finish) => clash(asSwatch(finish), { family: row.family, lab: tone }, rules) !== null)
    if (clashes) cells.push({ finishId: row.id, tie: 'clash' })
    else if (tie !== null) cells.push({ finishId: row.id, tie })
  }
  return cells
}

/** Palette colour × piece: every piece whose colour is known, by its chosen candidate; `only` some of them, where they are named. */
export function tieTable(makeover: Makeover, rules: Rules, only?: ReadonlySet<string>): PieceColours[] {
  const further = groupBy(rowsOf(makeover, 'candidateColour'), (row) => row.candidateId)
  const finishes = paletteFinishes(makeover)
  const inRoom = new Map(
    [...groupBy(finishes.map(asTone), ({ row }) => row.roomId)].map(([roomId, tones]) => [
      roomId,
      { tones, near: nearTones(tones, rules) },
    ]),
  )
  const carriedBy = groupBy(finishes, (row) => row.pieceId)
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    if (only && !only.has(piece.id)) return []
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const carried = carriedBy.get(piece.id) ?? []
    const colours = [
      ...(chosen ? coloursOf(makeover, chosen, further.get(chosen.id) ?? []) : []),
      ...carried.map((row) => labOf(row)),
    ]
    const [first, ...more] = colours.map(toneOf)
    if (!first) return []
    const room = inRoom.get(piece.roomId)
    // of several colours, and where undertones may clash, each is held against all
    const tones = !room ? [] : more.length > 0 || carried.length > 0 ? room.tones : room.near(first)
    const cells = hold([first, ...more], tones, carried, rules)
    const clashes = cells.filter((cell) => cell.tie === 'clash').length
    return [{ pieceId: piece.id, colours, cells, tied: cells.length - clashes, clashes }]
  })
}

export type Appearance = { readonly kind: 'finish' | 'piece' | 'opening'; readonly id: string }

/**
 * Where a palette colour appears: in itself (or the piece that carries it), in pieces and finishes that tie to it by colour or
 * by one weave, in patterns that hold it, and in what a window looks on to. A thing counts once.
 */
export function appearances(
  makeover: Makeover,
  table: readonly PieceColours[],
  rules: Rules,
): Map<string, Appearance[]> {
  const finishes = paletteFinishes(makeover)
  const carriers = groupBy(rowsOf(makeover, 'patternPart'), (part) => part.partId)
  const ties = groupBy(
    table.flatMap(({ pieceId, cells }) => cells.map((cell) => ({ pieceId, ...cell }))),
    (cell) => cell.finishId,
  )
  const views = viewsIn(makeover)
  return new Map(
    [...groupBy(finishes.map(asTone), ({ row }) => row.roomId)].flatMap(([roomId, toned]) => {
      const near = nearTones(toned, rules)
      const order = new Map(toned.map((finish, at) => [finish, at]))
      return toned.map((finish) => {
        const { row, tone } = finish
        const found = [
          placeOf(row),
          ...near(tone)
            .filter((beside) => agree(finish, beside, rules))
            .sort((left, right) => (order.get(left) ?? 0) - (order.get(right) ?? 0))
            .map((beside) => placeOf(beside.row)),
          ...(carriers.get(row.id) ?? []).flatMap(({ finishId }) => {
            const carrier = makeover.rows.finish[finishId]
            return carrier && carrier.roomId === row.roomId && carrier.fate !== 'change' ? [placeOf(carrier)] : []
          }),
          ...(ties.get(row.id) ?? []).flatMap(({ pieceId, tie }) =>
            tie === 'clash' ? [] : [{ kind: 'piece' as const, id: pieceId }],
          ),
          ...toned.filter((beside) => sameWeave(beside.row, row)).map((beside) => placeOf(beside.row)),
          ...(views.get(roomId) ?? []).flatMap((view) =>
            tieOfTones(view.tone, tone, rules) === null ? [] : [{ kind: 'opening' as const, id: view.id }],
          ),
        ]
        return [row.id, [...new Map(found.map((appearance) => [appearance.id, appearance])).values()]] as const
      })
    }),
  )
}
const weaveOf = ({ weave }: Row<'finish'>): string => weave.trim().toLocaleLowerCase('en')
/** The same weave in two things ties them as a colour does. */
const sameWeave = (left: Row<'finish'>, right: Row<'finish'>): boolean =>
  left.id !== right.id && weaveOf(left) !== '' && weaveOf(left) === weaveOf(right)

/** What the windows of each room look on to, where it was noted as a colour. */
function viewsIn(makeover: Makeover): Map<string, { readonly id: string; readonly tone: Tone }[]> {
  return new Map(
    [...groupBy(rowsOf(makeover, 'opening'), ({ wallId }) => makeover.rows.wall[wallId]?.roomId ?? '')].map(
      ([roomId, openings]) => [
        roomId,
        openings.flatMap(({ id, viewL, viewA, viewB }) =>
          viewL === null || viewA === null || viewB === null
            ? []
            : [{ id, tone: toneOf({ L: viewL, a: viewA, b: viewB }) }],
        ),
      ],
    ),
  )
}
const placeOf = (finish: Row<'finish'>): Appearance =>
  finish.pieceId === null ? { kind: 'finish', id: finish.id } : { kind: 'piece', id: finish.pieceId }
/** Two finishes that tie and whose undertones do not clash. */
const agree = (left: Toned, right: Toned, rules: Rules): boolean =>
  left !== right &&
  tieOfTones(left.tone, right.tone, rules) !== null &&
  clash({ family: left.row.family, lab: left.tone }, { family: right.row.family, lab: right.tone }, rules) === null
