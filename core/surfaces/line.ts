/** The line to buy of a treatment: made or brought up to date by one change, and held against what was ordered. */
import { blank } from '../makeover/blank.ts'
import { add, edit, type Operation } from '../makeover/change.ts'
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { zero } from '../money/minor.ts'
import type { PieceReckoning } from '../purchases/index.ts'
import type { TakeOff } from './take-off/told.ts'
import { tried } from './faces.ts'
import { chosenOf } from './take-off/index.ts'
import { inUnit, unitFor } from './units.ts'
import { deltaE } from '../colour/difference.ts'
import { labOf } from '../palette/index.ts'

export const rounded = (quantity: number): number => Math.ceil(quantity * 1000 - 1e-6) / 1000
const forSurfaces = /\b(paint|paper|wall|floor|surface|material|tile|board|decorat|finish|build)/i

/** What all treatments that count need of a line, in its unit; null where one is counted in another kind of unit. */
function neededOf(piece: Row<'piece'>, all: readonly TakeOff[]): number | null {
  let sum = 0
  for (const { treatment, reckoned } of all) {
    if (treatment.pieceId !== piece.id || treatment.insteadOfId !== null || !reckoned?.ok) continue
    const need = inUnit(reckoned.need, reckoned.unit, piece.unit)
    if (need === null) return null
    sum += need
  }
  return rounded(sum)
}

/** Of the sizes its product is sold in, those of which another number is to be bought than the row says. */
function sizesWanted(makeover: Makeover, piece: Row<'piece'>, all: readonly TakeOff[]): [Row<'saleSize'>, number][] {
  const counts = new Map<string, number>()
  for (const { treatment, buying } of all) {
    if (treatment.pieceId !== piece.id || treatment.insteadOfId !== null) continue
    for (const { sizeId, count } of buying?.packs ?? [])
      if (sizeId !== null) counts.set(sizeId, (counts.get(sizeId) ?? 0) + count)
  }
  return rowsOf(makeover, 'saleSize')
    .filter(({ candidateId }) => candidateId === piece.chosenId)
    .map((row): [Row<'saleSize'>, number] => [row, counts.get(row.id) ?? 0])
    .filter(([row, wanted]) => row.wanted !== wanted)
}

/** What brings the line to what is needed: a new line, or its quantity; nothing where it says so already. */
export function lineOperations(
  makeover: Makeover,
  { treatment, finish, reckoned }: TakeOff,
  all: readonly TakeOff[],
  newId: () => string,
): Operation[] {
  const row = makeover.rows.treatment[treatment.id]
  if (!row || !reckoned?.ok || !(reckoned.need > 0)) return []
  const piece = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]
  if (piece) {
    const need = neededOf(piece, all)
    if (need === null || need <= 0) return []
    return [
      ...(need === piece.quantity ? [] : [edit('piece', piece, { quantity: need })]),
      ...sizesWanted(makeover, piece, all).map(([size, wanted]) => edit('saleSize', size, { wanted })),
    ]
  }
  const unit = unitFor(reckoned.unit, headOf(makeover)?.units === 'feet and inches')
  const categories = rowsOf(makeover, 'category')
  const category = categories.find(({ name }) => forSurfaces.test(name)) ?? categories[0]
  if (!category) return []
  const id = newId()
  return [
    add('piece', id, {
      ...blank.piece,
      roomId: finish.roomId,
      zoneId: null,
      categoryId: category.id,
      name: finish.name,
      thing: 'material',
      quantity: rounded(inUnit(reckoned.need, reckoned.unit, unit) ?? reckoned.need),
      unit,
      allowanceMinor: zero,
      chosenId: null,
      chosenReason: '',
    }),
    edit('treatment', row, { pieceId: id }),
  ]
}

export type Held = {
  readonly state: 'no line' | 'to update' | 'to order' | 'ordered' | 'short' | 'over' | 'other unit'
  /** What is needed, short, or over, in the line's own unit. */
  readonly by: number
  readonly unit: string
}
/** How the line stands to what is needed now; null for what is only thought of, or takes nothing. */
export function heldAgainst(
  makeover: Makeover,
  { treatment, reckoned }: TakeOff,
  all: readonly TakeOff[],
  wanted: readonly PieceReckoning[],
): Held | null {
  if (!reckoned?.ok || treatment.insteadOfId !== null) return null
  const piece = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]
  if (!piece) return { state: 'no line', by: reckoned.need, unit: reckoned.unit }
  return heldOf(makeover, piece, neededOf(piece, all), sizesWanted(makeover, piece, all).length > 0, wanted)
}

/** How a line stands to what is needed in its own unit; null where it is needed in another kind of unit. */
export function heldOf(
  makeover: Makeover,
  piece: Row<'piece'>,
  need: number | null,
  otherSizes: boolean,
  wanted: readonly PieceReckoning[],
): Held {
  const { unit } = piece
  if (need === null) return { state: 'other unit', by: 0, unit }
  const found = wanted.find(({ id }) => id === piece.id)
  const held = found?.held ?? 0
  if (held <= 0 || found?.state === 'in hand')
    return { state: Math.abs(piece.quantity - need) > 5e-4 || otherSizes ? 'to update' : 'to order', by: need, unit }
  // what the line asks for already is not short, it is still to be ordered
  if (held < need - 5e-4)
    return { state: piece.quantity < need - 5e-4 ? 'short' : 'to order', by: rounded(need - held), unit }
  // less than a pack over is what whole packs leave
  const pack = makeover.rows.candidate[piece.chosenId ?? '']?.packSize ?? 1
  return held - need >= pack - 5e-4
    ? { state: 'over', by: Math.round((held - need) * 1000) / 1000, unit }
    : { state: 'ordered', by: 0, unit }
}

/**
 * What does a treatment that was only thought of: it counts, in place of the one it stands for or over it, and its line is chosen and
 * counted as it takes. Nothing for a treatment that counts already.
 */
export function insteadOperations(makeover: Makeover, { treatment, reckoned }: TakeOff): Operation[] {
  const { operations } = tried(makeover, treatment.id)
  const piece = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]
  const need = piece && reckoned?.ok ? inUnit(reckoned.need, reckoned.unit, piece.unit) : null
  if (operations.length === 0 || !piece) return operations
  const candidate = chosenOf(makeover, treatment)
  const fields = {
    ...(piece.chosenId === null && candidate ? { chosenId: candidate.id } : {}),
    ...(need !== null && need > 0 && rounded(need) !== piece.quantity ? { quantity: rounded(need) } : {}),
  }
  return Object.keys(fields).length === 0 ? operations : [...operations, edit('piece', piece, fields)]
}

export type Leftover = { readonly amount: number; readonly unit: string; readonly from: string }
/** What is left over of the same material and colour in other rooms, which could go in first. */
export function leftoversFor(makeover: Makeover, taken: TakeOff, all: readonly TakeOff[]): Leftover[] {
  const { finish, treatment, reckoned } = taken
  if (!reckoned?.ok || treatment.leftOver > 0) return []
  return all.flatMap((entry): Leftover[] => {
    const same =
      entry.finish.roomId !== finish.roomId &&
      entry.treatment.insteadOfId === null &&
      entry.treatment.how === treatment.how &&
      entry.reckoned?.ok === true &&
      entry.reckoned.unit === reckoned.unit &&
      entry.finish.sheen === finish.sheen &&
      deltaE(labOf(entry.finish), labOf(finish)) < sameColour
    const over = entry.buying?.over ?? 0
    if (!same || over < 1e-3) return []
    const room = makeover.rows.room[entry.finish.roomId]?.name ?? 'another room'
    return [{ amount: Math.floor(over * 1000) / 1000, unit: reckoned.unit, from: `${entry.finish.name}, ${room}` }]
  })
}
/** ΔE00 under which two tins are the same colour; just noticeable side by side. */
const sameColour = 1
