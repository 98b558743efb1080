/** Candidates for one piece, compared on what can be computed, with the weights of the rulebook and the working shown. */
import { forbiddenIn, ruledOut, wordsOfCandidate, type Forbidden } from '../brief/index.ts'
import { headOf, type Makeover, paletteFinishes, rowsOf, type Studio, studioRows } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import { minus, portion, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { coloursOf, holdAgainst, type Cell } from '../palette/index.ts'
import { landedCost, packsFor, quantityOf, type Landed } from '../purchases/index.ts'
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import { fitOf, type Fit } from './fit.ts'

export const criteria = ['cost', 'life', 'colour', 'time', 'return', 'fit'] as const
export type Criterion = (typeof criteria)[number]
/** One criterion of one candidate: what was measured, in words, and how good that is, 0 to 1; null where it is not known. */
export type Mark = {
  readonly criterion: Criterion
  readonly said: string
  readonly score: number | null
  readonly weight: number
  readonly rule: RuleId
}

export type CandidateReckoning = {
  readonly row: Row<'candidate'>
  readonly seller: string
  readonly packs: number
  readonly over: number
  readonly landed: Landed
  /** Allowance less landed cost; below zero it is over. */
  readonly against: Minor
  readonly perYear: Minor | null
  readonly cells: readonly Cell[]
  readonly tied: number
  readonly clashes: number
  readonly fit: Fit
  readonly orderBy: PlainDate | null
  readonly slackDays: number | null
  readonly ruledOut: readonly Forbidden[]
  readonly marks: readonly Mark[]
  /** The weighted mean of what is known, 0 to 100. */
  readonly score: number
}

const clamp = (value: number): number => Math.min(1, Math.max(0, value))
/** A score is full where there are two weeks in hand, and a month to return: beyond that more is no better. */
const [enoughSlack, enoughReturn] = [14, 30]

/** Every candidate of a piece for all that is wanted of it; those that may not come in last, then by score. */
export function compareCandidates(
  makeover: Makeover,
  studio: Studio,
  piece: Row<'piece'>,
  rules: Rules,
  today: PlainDate,
): CandidateReckoning[] {
  const currency = headOf(makeover)?.currency ?? 'EUR'
  const installOn = headOf(makeover)?.installOn ?? null
  const wantedOn = installOn ? addDays(installOn, -rules['dates.buffer']) : null
  const forbidden = forbiddenIn(makeover, piece.roomId)
  const finishes = paletteFinishes(makeover).filter((row) => row.roomId === piece.roomId)
  const carried = finishes.filter((row) => row.pieceId === piece.id)
  const sellers = new Map(studioRows(studio, 'seller').map((row) => [row.id, row.name]))
  const rows = rowsOf(makeover, 'candidate').filter((row) => row.pieceId === piece.id)
  const first = rows.map((row) => {
    const packs = packsFor(piece.quantity, row.packSize)
    const landed = landedCost(row, packs)
    const colours = coloursOf(makeover, row)
    const cells = colours.length > 0 ? holdAgainst(colours, finishes, carried, rules) : []
    return {
      row,
      seller: row.sellerId === null ? row.origin : (sellers.get(row.sellerId) ?? ''),
      packs,
      over: Math.round((quantityOf(packs, row.packSize) - piece.quantity) * 1000) / 1000,
      landed,
      against: minus(piece.allowanceMinor, landed.landed),
      perYear: row.lifeYears === null ? null : portion(landed.landed, 10, Math.max(1, Math.round(row.lifeYears * 10))),
      cells,
      tied: cells.filter((cell) => cell.tie === 'same' || cell.tie === 'hue').length,
      clashes: cells.filter((cell) => cell.tie === 'clash').length,
      fit: fitOf(piece, row, rules),
      orderBy: wantedOn ? addDays(wantedOn, -row.leadDays) : null,
      slackDays: wantedOn ? daysBetween(addDays(today, row.leadDays), wantedOn) : null,
      ruledOut: ruledOut(forbidden, wordsOfCandidate(makeover, row, rules)),
    }
  })
  const cheapestYear = Math.min(...first.flatMap((one) => (one.perYear === null ? [] : [one.perYear])))
  return first
    .map((one) => {
      const write = (amount: Minor): string => writeMoney(amount, currency)
      const marks: Mark[] = [
        mark(
          'cost',
          one.against >= 0
            ? `${write(one.against)} under the allowance`
            : `${write(minus(one.landed.landed, piece.allowanceMinor))} over the allowance`,
          piece.allowanceMinor > 0 ? clamp(1.5 - one.landed.landed / piece.allowanceMinor) : null,
        ),
        mark(
          'life',
          one.perYear === null
            ? 'its life is not known'
            : `${write(one.perYear)} a year over ${one.row.lifeYears} years`,
          one.perYear === null ? null : one.perYear === 0 ? 1 : clamp(cheapestYear / one.perYear),
        ),
        mark(
          'colour',
          one.cells.length === 0
            ? 'its colour is not known'
            : `ties ${one.tied} of the palette${one.clashes > 0 ? `, clashes with ${one.clashes}` : ''}`,
          one.cells.length === 0 ? null : one.clashes > 0 ? 0 : one.tied >= 2 ? 1 : one.tied === 1 ? 0.75 : 0.25,
        ),
        mark(
          'time',
          one.slackDays === null
            ? 'no install date'
            : one.slackDays < 0
              ? `${-one.slackDays} days late`
              : `${one.slackDays} days in hand`,
          one.slackDays === null ? null : one.slackDays < 0 ? 0 : clamp(0.5 + one.slackDays / (2 * enoughSlack)),
        ),
        mark(
          'return',
          one.row.returnDays === null ? 'a final sale' : `${one.row.returnDays} days to return`,
          one.row.returnDays === null ? 0 : clamp(one.row.returnDays / enoughReturn),
        ),
        mark('fit', one.fit.words, one.fit.is === 'not known' ? null : one.fit.is === 'fits' ? 1 : 0),
      ]
      return { ...one, marks, score: scoreOf(marks) }
    })
    .sort(
      (one, other) =>
        Number(one.row.turnedDown !== null) - Number(other.row.turnedDown !== null) ||
        Number(one.ruledOut.length > 0) - Number(other.ruledOut.length > 0) ||
        other.score - one.score,
    )

  function mark(criterion: Criterion, said: string, score: number | null): Mark {
    const rule = `compare.weight-${criterion}` as const
    return { criterion, said, score, weight: rules[rule], rule }
  }
}

/** The weighted mean of the marks that are known, 0 to 100. */
export function scoreOf(marks: readonly Mark[]): number {
  const known = marks.flatMap(({ score, weight }) => (score === null ? [] : [{ score, weight }]))
  const weight = known.reduce((total, one) => total + one.weight, 0)
  return weight === 0 ? 0 : (100 * known.reduce((total, one) => total + one.score * one.weight, 0)) / weight
}
