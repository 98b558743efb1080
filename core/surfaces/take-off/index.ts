/** From survey and palette to what must be bought for every surface: each treatment taken off by its kind of work. */
import { headOf, rowsOf, type Makeover } from '../../makeover/document.ts'
import { laidFinish, lieOf, type LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Measured } from '../finish-areas.ts'
import { preparationFor } from '../preparation.ts'
import { boardsReckoned } from './boards.ts'
import { buyingOf } from './buying.ts'
import { carpetReckoned } from './carpet.ts'
import { groundReckoned } from './ground.ts'
import { mouldingReckoned } from './mouldings.ts'
import { oldUnder, paintedAreas, paintReckoned } from './paint.ts'
import { paperReckoned } from './paper.ts'
import { tileReckoned } from './tile.ts'
import { lengthIn, type At, type Product, type Reckoned, type Refused, type TakeOff } from './told.ts'
import { whereWords } from './where.ts'
import { inUnits } from './words.ts'

/** Take-offs of every new finish that lies on a measured surface, also of what is only thought of. */
export function takeOffs(makeover: Makeover, rooms: readonly Measured[], rules: Rules): TakeOff[] {
  const known = new Map(rooms.map((measured) => [measured.room.id, measured]))
  return rowsOf(makeover, 'treatment')
    .toSorted((left, right) => left.place - right.place || (left.id < right.id ? -1 : 1))
    .flatMap((treatment) => {
      const finish = finishOf(makeover, treatment)
      const measured = finish && known.get(finish.roomId)
      if (!finish || finish.fate !== null || !measured) return []
      return [
        takeOff(atOf(makeover, measured, rules), finish, treatment, productOf(makeover, chosenOf(makeover, treatment))),
      ]
    })
}

export const atOf = (makeover: Makeover, { room, areas }: Measured, rules: Rules): At => ({
  makeover,
  room,
  areas,
  rules,
  units: headOf(makeover)?.units ?? 'metric',
})

/** The finish of a treatment with where it lies; what is only thought of lies where it would. */
export function finishOf(makeover: Makeover, treatment: Row<'treatment'>): LaidFinish | undefined {
  const finish = laidFinish(makeover, treatment.finishId)
  if (!finish || treatment.insteadOfId === null) return finish
  const lies = rowsOf(makeover, 'treatedPart')
    .filter((row) => row.treatmentId === treatment.id)
    .map((part) => lieOf(part, treatment.how))
  const [first] = lies
  return {
    ...finish,
    lies,
    surface: first?.surface ?? finish.surface,
    wallId: first?.wallId ?? null,
    bandFromMm: first?.bandFromMm ?? null,
    bandToMm: first?.bandToMm ?? null,
  }
}

/** The candidate that stands for the line to buy of a treatment. */
export function chosenOf(makeover: Makeover, { pieceId, insteadOfId }: Row<'treatment'>): Row<'candidate'> | null {
  if (pieceId === null) return null
  const chosenId = makeover.rows.piece[pieceId]?.chosenId ?? null
  if (chosenId !== null) return makeover.rows.candidate[chosenId] ?? null
  // for what is only thought of nothing is chosen yet: the first that was found stands for it
  return insteadOfId === null
    ? null
    : (rowsOf(makeover, 'candidate').find((row) => row.pieceId === pieceId && row.turnedDown === null) ?? null)
}

export const productOf = (makeover: Makeover, candidate: Row<'candidate'> | null): Product => ({
  candidate,
  makeUp: candidate ? (rowsOf(makeover, 'makeUp').find((row) => row.candidateId === candidate.id) ?? null) : null,
  sizes: candidate ? rowsOf(makeover, 'saleSize').filter((row) => row.candidateId === candidate.id) : [],
  counted: candidate ? (makeover.rows.piece[candidate.pieceId]?.unit ?? null) : null,
})

/** A treatment taken off with what is sold as the product says it. */
export function takeOff(at: At, finish: LaidFinish, treatment: Row<'treatment'>, product: Product): TakeOff {
  const found = reckonedBy(at, finish, treatment, product)
  const reckoned = found?.ok === false ? { ...found, error: inUnits(found.error, at.units) } : found
  const areas = paintedAreas(at, finish, treatment.id)
  const m2 = areas.length > 0 ? areas.reduce((sum, area) => sum + area.m2, 0) : null
  const [lie] = finish.lies.filter(({ treatmentId }) => treatmentId === treatment.id)
  const surface = lie?.surface
  return {
    treatment,
    finish,
    where: whereWords(at, finish, treatment.id, lengthIn(at)),
    m2,
    reckoned,
    buying: reckoned?.ok ? buyingOf(reckoned, product) : null,
    works:
      m2 !== null && surface && surface !== 'step edge' && surface !== 'rail' && surface !== 'switch'
        ? preparationFor(treatment.how, surface, oldUnder(at, finish), m2, at.rules)
        : [],
  }
}

function reckonedBy(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  product: Product,
): Reckoned | Refused | null {
  switch (treatment.how) {
    case 'paint':
      return paintReckoned(at, finish, treatment, product)
    case 'paper':
      return paperReckoned(at, finish, treatment, product)
    case 'tile':
      return tileReckoned(at, finish, treatment, product)
    case 'boards':
      return boardsReckoned(at, finish, treatment, product)
    case 'carpet':
    case 'sheet':
      return carpetReckoned(at, finish, treatment, product)
    case 'panels':
    case 'moulding':
      return mouldingReckoned(at, finish, treatment, product)
    case 'hard ground':
      return groundReckoned(at, finish, treatment)
    default:
      return null
  }
}
