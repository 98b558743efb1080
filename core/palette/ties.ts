import { deltaE } from '../colour/difference.ts'
import { toneOf, type Lab, type Tone } from '../colour/lab.ts'
import { groupBy, type Makeover, paletteFinishes, rowsOf } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { asSwatch, labOf } from './colour-of.ts'
import { clash } from './compare.ts'

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
export type PieceColours = {
  readonly pieceId: string
  readonly colours: readonly Lab[]
  /** The finishes of its room that it ties to or clashes with, by the strongest tie of any of its colours. */
  readonly cells: readonly Cell[]
  /** How many palette colours it holds together. */
  readonly tied: number
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

/** Palette colour × piece: every piece whose colour is known, by its chosen candidate. */
export function tieTable(makeover: Makeover, rules: Rules): PieceColours[] {
  const further = groupBy(rowsOf(makeover, 'candidateColour'), (row) => row.candidateId)
  const finishes = paletteFinishes(makeover)
  const inRoom = groupBy(finishes.map(asTone), ({ row }) => row.roomId)
  const carriedBy = groupBy(finishes, (row) => row.pieceId)
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const carried = carriedBy.get(piece.id) ?? []
    const colours = [
      ...(chosen ? coloursOf(makeover, chosen, further.get(chosen.id) ?? []) : []),
      ...carried.map((row) => labOf(row)),
    ]
    if (colours.length === 0) return []
    const cells = hold(colours.map(toneOf), inRoom.get(piece.roomId) ?? [], carried, rules)
    return [{ pieceId: piece.id, colours, cells, tied: cells.filter((cell) => cell.tie !== 'clash').length }]
  })
}

export type Appearance = { readonly kind: 'finish' | 'piece'; readonly id: string }

/**
 * Where a palette colour appears: in itself (or the piece that carries it), in pieces and finishes that tie to it, and in
 * patterns that hold it. A thing counts once.
 */
export function appearances(
  makeover: Makeover,
  table: readonly PieceColours[],
  rules: Rules,
): Map<string, Appearance[]> {
  const finishes = paletteFinishes(makeover)
  const found = new Map(finishes.map((row) => [row.id, new Map<string, Appearance>()]))
  const place = (finish: Row<'finish'>): Appearance =>
    finish.pieceId === null ? { kind: 'finish', id: finish.id } : { kind: 'piece', id: finish.pieceId }
  const add = (finishId: string, appearance: Appearance): void =>
    void found.get(finishId)?.set(appearance.id, appearance)
  const carriers = groupBy(rowsOf(makeover, 'patternPart'), (part) => part.partId)
  for (const row of finishes) add(row.id, place(row))
  for (const toned of groupBy(finishes.map(asTone), ({ row }) => row.roomId).values())
    for (const [at, thisToned] of toned.entries())
      for (const otherToned of toned.slice(at + 1)) {
        if (
          tieOfTones(thisToned.tone, otherToned.tone, rules) === null ||
          clash(
            { family: thisToned.row.family, lab: thisToned.tone },
            { family: otherToned.row.family, lab: otherToned.tone },
            rules,
          ) !== null
        )
          continue
        add(thisToned.row.id, place(otherToned.row))
        add(otherToned.row.id, place(thisToned.row))
      }
  for (const [partId, parts] of carriers) {
    const roomId = makeover.rows.finish[partId]?.roomId
    for (const { finishId } of parts) {
      const carrier = makeover.rows.finish[finishId]
      if (carrier && carrier.roomId === roomId && carrier.fate !== 'change') add(partId, place(carrier))
    }
  }
  for (const { pieceId, cells } of table)
    for (const { finishId, tie } of cells) if (tie !== 'clash') add(finishId, { kind: 'piece', id: pieceId })
  return new Map([...found].map(([id, things]) => [id, [...things.values()]]))
}
