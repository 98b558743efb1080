/** What can be done when a thing does not come in time: another seller's, something to stand in, a moved day, a second phase; each with its day. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { isInHand } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import { minus, type Minor } from '../money/minor.ts'
import { landedCost, packsFor } from '../purchases/index.ts'
import type { Schedule } from './schedule.ts'
import { mondayToFriday, WorkDays } from './working-time.ts'

export type FallBack = {
  readonly what: 'another seller' | 'stands in' | 'agreed before' | 'moved day' | 'second phase'
  readonly words: string
  /** When it is here, or when all is ready with it; null where nobody knows. */
  readonly on: PlainDate | null
  readonly inTime: boolean
  /** What it costs more than what is chosen, landed; null where that is not known. */
  readonly more: Minor | null
  /** The candidate it would take. */
  readonly candidateId: string | null
}

const workedDays = new WorkDays(mondayToFriday)
const lies = (candidate: Row<'candidate'>): boolean => isInHand(candidate.source) || candidate.source === 'placeholder'

/** For a piece; best first: what is in time before what is not, and cheaper before dearer. */
export function fallBacks(
  makeover: Makeover,
  { neededOn, installOn, readyOn }: Pick<Schedule, 'neededOn' | 'installOn' | 'readyOn'>,
  pieceId: string,
  today: PlainDate,
): FallBack[] {
  const piece = makeover.rows.piece[pieceId]
  if (!piece) return []
  const needed = neededOn.get(pieceId)?.on ?? installOn
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  const costOf = (candidate: Row<'candidate'>): Minor =>
    landedCost(candidate, packsFor(piece.quantity, candidate.packSize)).landed
  const inTime = (on: PlainDate | null): boolean => on !== null && (needed === null || on <= needed)
  const candidates = rowsOf(makeover, 'candidate')
    .filter((candidate) => candidate.pieceId === pieceId && candidate.id !== piece.chosenId)
    .flatMap((candidate): FallBack[] => {
      const isHere = lies(candidate) && candidate.leadDays === null
      if (candidate.turnedDown !== null && !isHere) return []
      const days = candidate.leadDays
      const on = isHere
        ? today
        : days === null
          ? null
          : candidate.leadWorking
            ? workedDays.add(today, days)
            : addDays(today, days)
      return [
        {
          what: lies(candidate) ? 'stands in' : 'another seller',
          words: candidate.name,
          on,
          inTime: inTime(on),
          more: chosen ? minus(costOf(candidate), costOf(chosen)) : null,
          candidateId: candidate.id,
        },
      ]
    })
  const agreed: FallBack[] =
    chosen && chosen.fallBack !== ''
      ? [{ what: 'agreed before', words: chosen.fallBack, on: null, inTime: true, more: null, candidateId: null }]
      : []
  const moved: FallBack[] =
    readyOn === null || installOn === null || readyOn <= installOn
      ? []
      : [
          {
            what: 'moved day',
            words: 'The install day moves',
            on: readyOn,
            inTime: true,
            more: null,
            candidateId: null,
          },
        ]
  return [
    ...[...candidates, ...agreed].toSorted(
      (left, right) => Number(right.inTime) - Number(left.inTime) || (left.more ?? 0) - (right.more ?? 0),
    ),
    ...moved,
    {
      what: 'second phase',
      words: 'The room is finished without it',
      on: installOn,
      inTime: true,
      more: chosen ? minus(0 as Minor, costOf(chosen)) : null,
      candidateId: null,
    },
  ]
}

/** Until when waiting for a sale costs no day, and what it may save by the prices noted so far. */
export type Waiting = { readonly until: PlainDate; readonly saves: Minor; readonly seenOn: PlainDate | null }
export function waitingFor(
  makeover: Makeover,
  pieceId: string,
  orderBy: PlainDate | null,
  today: PlainDate,
): Waiting | null {
  const piece = makeover.rows.piece[pieceId]
  const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
  if (!piece || !chosen || orderBy === null || orderBy <= today) return null
  const noted = rowsOf(makeover, 'price')
    .filter((price) => price.candidateId === chosen.id && price.amountMinor < chosen.priceMinor)
    .toSorted((left, right) => left.amountMinor - right.amountMinor)[0]
  if (!noted) return { until: orderBy, saves: 0 as Minor, seenOn: null }
  const packs = packsFor(piece.quantity, chosen.packSize)
  const [is, was] = [landedCost(chosen, packs), landedCost({ ...chosen, priceMinor: noted.amountMinor }, packs)]
  return { until: orderBy, saves: minus(is.landed, was.landed), seenOn: noted.seenOn }
}
