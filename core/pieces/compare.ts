/** Candidates for one piece, compared on what can be computed, with the weights of the rulebook and the working shown. */
import { belongingTo } from '../makeover/by-id.ts'
import { forbiddenIn, ruledOut, wordsOfCandidate, type Forbidden } from '../brief/index.ts'
import { headOf, type Makeover, rowsOf, type Studio, studioRows } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import { minus, portion, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { coloursOf, holdAgainst, type Cell } from '../palette/index.ts'
import { landedCost, packsFor, quantityOf, type Landed } from '../purchases/index.ts'
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import { afterLead } from './dates.ts'
import { fitOf, placeOf, type Fit } from './fit.ts'
import { makeOrBuy, type MakeOrBuy } from './make-or-buy.ts'
import { returnOf } from './returns.ts'
import { wearIn, type WornBy } from './wear.ts'

export const criteria = ['cost', 'life', 'wear', 'colour', 'time', 'return', 'fit'] as const
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
  /** What its room does to it, the worst first. */
  readonly wear: readonly WornBy[]
  /** Against buying it, where it is made. */
  readonly making: MakeOrBuy | null
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
  /** The day it is wanted on site; null for the install date less the buffer. */
  wanted: PlainDate | null = null,
): CandidateReckoning[] {
  const currency = headOf(makeover)?.currency ?? 'EUR'
  const installOn = headOf(makeover)?.installOn ?? null
  const wantedOn = wanted ?? (installOn ? addDays(installOn, -rules['dates.buffer']) : null)
  const forbidden = forbiddenIn(makeover, piece.roomId)
  const finishes = paletteFinishes(makeover).filter((row) => row.roomId === piece.roomId)
  const carried = finishes.filter((row) => row.pieceId === piece.id)
  const sellers = new Map(studioRows(studio, 'seller').map((row) => [row.id, row.name]))
  const rows = belongingTo(rowsOf(makeover, 'candidate'), 'pieceId', piece.id)
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
      fit: fitOf(placeOf(makeover, piece, row), row, rules, headOf(makeover)?.units),
      orderBy: wantedOn && row.leadDays !== null ? afterLead(row, wantedOn, -row.leadDays) : null,
      slackDays: wantedOn && row.leadDays !== null ? daysBetween(afterLead(row, today, row.leadDays), wantedOn) : null,
      ruledOut: ruledOut(forbidden, wordsOfCandidate(makeover, row, rules)),
      wear: wearIn(makeover, piece, row),
      making: makeOrBuy(makeover, piece, row),
    }
  })
  const cheapestYear = Math.min(
    ...first.flatMap((candidate) => (candidate.perYear === null ? [] : [candidate.perYear])),
  )
  return first
    .map((candidate) => {
      const write = (amount: Minor): string => writeMoney(amount, currency)
      const back = returnOf(candidate.row)
      const marks: Mark[] = [
        mark(
          'cost',
          candidate.against >= 0
            ? `${write(candidate.against)} under the allowance`
            : `${write(minus(candidate.landed.landed, piece.allowanceMinor))} over the allowance`,
          piece.allowanceMinor > 0 ? clamp(1.5 - candidate.landed.landed / piece.allowanceMinor) : null,
        ),
        mark(
          'life',
          candidate.perYear === null
            ? 'its life is not known'
            : `${write(candidate.perYear)} a year over ${candidate.row.lifeYears} years`,
          candidate.perYear === null ? null : candidate.perYear === 0 ? 1 : clamp(cheapestYear / candidate.perYear),
        ),
        mark(
          'wear',
          candidate.row.madeOf === null
            ? 'what it is made of is not known'
            : (candidate.wear[0]?.wear.because ?? `${candidate.row.madeOf} lasts here`),
          candidate.row.madeOf === null
            ? null
            : candidate.wear.length === 0
              ? 1
              : candidate.wear[0]?.wear.weight === 'note'
                ? 0.5
                : 0,
        ),
        mark(
          'colour',
          candidate.cells.length === 0
            ? 'its colour is not known'
            : `ties ${candidate.tied} of the palette${candidate.clashes > 0 ? `, clashes with ${candidate.clashes}` : ''}`,
          candidate.cells.length === 0
            ? null
            : candidate.clashes > 0
              ? 0
              : candidate.tied >= 2
                ? 1
                : candidate.tied === 1
                  ? 0.75
                  : 0.25,
        ),
        mark(
          'time',
          candidate.row.leadDays === null
            ? 'how long it takes is not asked yet'
            : candidate.slackDays === null
              ? 'no install date'
              : candidate.slackDays < 0
                ? `${-candidate.slackDays} days late`
                : `${candidate.slackDays} days in hand`,
          candidate.slackDays === null
            ? null
            : candidate.slackDays < 0
              ? 0
              : clamp(0.5 + candidate.slackDays / (2 * enoughSlack)),
        ),
        mark('return', back.words, back.days === null ? null : clamp(back.days / enoughReturn)),
        mark('fit', candidate.fit.words, candidate.fit.is === 'not known' ? null : candidate.fit.is === 'fits' ? 1 : 0),
      ]
      // what may not be done is not weighed
      return { ...candidate, marks, score: candidate.ruledOut.length > 0 ? 0 : scoreOf(marks) }
    })
    .sort(
      (left, right) =>
        Number(left.row.turnedDown !== null) - Number(right.row.turnedDown !== null) ||
        Number(left.ruledOut.length > 0) - Number(right.ruledOut.length > 0) ||
        right.score - left.score,
    )

  function mark(criterion: Criterion, said: string, score: number | null): Mark {
    const rule = `compare.weight-${criterion}` as const
    return { criterion, said, score, weight: rules[rule], rule }
  }
}

/** The weighted mean of the marks that are known, 0 to 100. */
export function scoreOf(marks: readonly Mark[]): number {
  const known = marks.flatMap(({ score, weight }) => (score === null ? [] : [{ score, weight }]))
  const weight = known.reduce((total, mark) => total + mark.weight, 0)
  return weight === 0 ? 0 : (100 * known.reduce((total, mark) => total + mark.score * mark.weight, 0)) / weight
}
