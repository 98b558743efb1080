import { deltaE } from '../colour/difference.ts'
import { chroma, hueApart, type Lab } from '../colour/lab.ts'
import { groupBy, type Makeover, paletteFinishes, rowsOf } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { asSwatch, labOf } from './colour-of.ts'
import { clash } from './compare.ts'

/** "same": seen as one colour; "hue": one hue at another depth; null: no tie. */
export type Tie = 'same' | 'hue' | null

/** Whether two colours tie: ΔE00 within the rule, or the same hue at another depth, both strong enough to have one. */
export function tieOf(one: Lab, other: Lab, rules: Rules): Tie {
  // ΔE00 is at least |ΔL*| ÷ S_L, and S_L is never over 1.75: most pairs are told apart by lightness alone
  if (Math.abs(one.L - other.L) <= 1.75 * rules['tie.same'] && deltaE(one, other) <= rules['tie.same']) return 'same'
  const strong = Math.min(chroma(one), chroma(other)) >= rules['tie.chroma']
  return strong && hueApart(one, other) <= rules['tie.hue'] ? 'hue' : null
}

/** All colours of a candidate: its own, and the further ones it holds. */
export function coloursOf(makeover: Makeover, candidate: Row<'candidate'>, further: readonly Row<'candidateColour'>[] = rowsOf(makeover, 'candidateColour').filter((row) => row.candidateId === candidate.id)): Lab[] {
  const { labL, labA, labB } = candidate
  const own = labL === null || labA === null || labB === null ? [] : [{ L: labL, a: labA, b: labB }]
  return [...own, ...further.map(labOf)]
}

export type Cell = { readonly finishId: string; readonly tie: Tie | 'clash' }
export type PieceColours = {
  readonly pieceId: string
  readonly colours: readonly Lab[]
  /** Against each finish of its room: the strongest tie of any of its colours. */
  readonly cells: readonly Cell[]
  /** How many palette colours it holds together. */
  readonly tied: number
}

/**
 * How colours hold to the finishes of a room. Where the piece carries a finish of the palette, its family is known, and
 * a pair of one family that clashes is never a tie.
 */
export function holdAgainst(colours: readonly Lab[], finishes: readonly Row<'finish'>[], carried: readonly Row<'finish'>[], rules: Rules): Cell[] {
  return finishes.map((finish) => {
    const lab = labOf(finish)
    const own = carried.some((one) => one.id === finish.id)
    const clashes = !own && carried.some((one) => clash(asSwatch(one), asSwatch(finish, lab), rules) !== null)
    const ties = colours.map((colour) => tieOf(colour, lab, rules))
    return { finishId: finish.id, tie: ties.includes('same') ? 'same' : clashes ? 'clash' : ties.includes('hue') ? 'hue' : null }
  })
}

/** Palette colour × piece: every piece whose colour is known, by its chosen candidate. */
export function tieTable(makeover: Makeover, rules: Rules): PieceColours[] {
  const further = groupBy(rowsOf(makeover, 'candidateColour'), (row) => row.candidateId)
  const finishes = paletteFinishes(makeover)
  const inRoom = groupBy(finishes, (row) => row.roomId)
  const carriedBy = groupBy(finishes, (row) => row.pieceId)
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const carried = carriedBy.get(piece.id) ?? []
    const colours = [...(chosen ? coloursOf(makeover, chosen, further.get(chosen.id) ?? []) : []), ...carried.map(labOf)]
    if (colours.length === 0) return []
    const cells = holdAgainst(colours, inRoom.get(piece.roomId) ?? [], carried, rules)
    return [{ pieceId: piece.id, colours, cells, tied: cells.filter((cell) => cell.tie === 'same' || cell.tie === 'hue').length }]
  })
}

export type Appearance = { readonly kind: 'finish' | 'piece'; readonly id: string }

/**
 * Where a palette colour appears: in itself (or the piece that carries it), in pieces and finishes that tie to it, and in
 * patterns that hold it. A thing counts once.
 */
export function appearances(makeover: Makeover, table: readonly PieceColours[], rules: Rules): Map<string, Appearance[]> {
  const finishes = paletteFinishes(makeover)
  const inRoom = groupBy(finishes, (row) => row.roomId)
  const carriers = groupBy(rowsOf(makeover, 'patternPart'), (part) => part.partId)
  const place = (finish: Row<'finish'>): Appearance => (finish.pieceId === null ? { kind: 'finish', id: finish.id } : { kind: 'piece', id: finish.pieceId })
  const tiedPieces = new Map<string, string[]>()
  for (const piece of table)
    for (const cell of piece.cells)
      if (cell.tie === 'same' || cell.tie === 'hue') {
        const pieces = tiedPieces.get(cell.finishId)
        if (pieces) pieces.push(piece.pieceId)
        else tiedPieces.set(cell.finishId, [piece.pieceId])
      }
  return new Map(
    finishes.map((finish) => {
      const found = new Map<string, Appearance>()
      const add = (one: Appearance): void => void found.set(`${one.kind} ${one.id}`, one)
      add(place(finish))
      const lab = labOf(finish)
      const carried = new Set((carriers.get(finish.id) ?? []).map((part) => part.finishId))
      for (const other of inRoom.get(finish.roomId) ?? []) {
        if (other.id === finish.id) continue
        const ties = carried.has(other.id) || (tieOf(lab, labOf(other), rules) !== null && clash(asSwatch(finish, lab), asSwatch(other), rules) === null)
        if (ties) add(place(other))
      }
      for (const id of tiedPieces.get(finish.id) ?? []) add({ kind: 'piece', id })
      return [finish.id, [...found.values()]]
    }),
  )
}
