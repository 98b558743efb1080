/** The line to buy of what hangs before the windows: made or brought up to date by one change, and held against what was ordered. */
import { blank } from '../../makeover/blank.ts'
import { add, edit, type Operation } from '../../makeover/change.ts'
import { headOf, rowsOf, type Makeover } from '../../makeover/document.ts'
import { isBlind } from '../../makeover/dressing-choices.ts'
import type { Row } from '../../makeover/kinds.ts'
import { zero } from '../../money/minor.ts'
import type { Money } from '../../purchases/index.ts'
import type { Remark } from '../../remarks/remark.ts'
import { heldOf, rounded, type Held } from '../line.ts'
import { lineRemark } from '../remarks.ts'
import { inUnit, unitFor } from '../units.ts'
import type { DressedWindow } from './reckoned.ts'

/** Where soft goods are counted in the budget, by its name. */
const forSoftGoods = /\b(textile|soft|curtain|cloth|fabric|window|blind|linen)/i

/** What all that hangs needs of a line, in its own unit; null where one is counted in another kind of unit. */
export function clothNeeded(piece: Row<'piece'>, all: readonly DressedWindow[]): number | null {
  let sum = 0
  for (const { row, dressed } of all) {
    if (row.pieceId !== piece.id || !dressed.ok) continue
    const need = inUnit(dressed.need, dressed.unit, piece.unit)
    if (need === null) return null
    sum += need
  }
  return rounded(sum)
}

/** What brings the line to what is needed: a new line, or its quantity; nothing where it says so already, or there is no budget to count it in. */
export function dressingLine(
  makeover: Makeover,
  { row, window, dressed }: DressedWindow,
  all: readonly DressedWindow[],
  newId: () => string,
): Operation[] {
  if (!dressed.ok) return []
  const current = makeover.rows.dressing[row.id]
  const piece = row.pieceId === null ? undefined : makeover.rows.piece[row.pieceId]
  if (piece) {
    const need = clothNeeded(piece, all)
    return need === null || need <= 0 || need === piece.quantity ? [] : [edit('piece', piece, { quantity: need })]
  }
  const categories = rowsOf(makeover, 'category')
  const category = categories.find(({ name }) => forSoftGoods.test(name)) ?? categories[0]
  if (!category || !current) return []
  const unit = unitFor(dressed.unit, headOf(makeover)?.units === 'feet and inches')
  const id = newId()
  const isCloth = dressed.unit === 'm'
  return [
    add('piece', id, {
      ...blank.piece,
      roomId: window.room.id,
      zoneId: null,
      categoryId: category.id,
      name: `${isBlind(row.what) && !isCloth ? row.what : `Cloth for the ${row.what}`}, ${window.name}`
        .replace(/^./, (letter) => letter.toUpperCase())
        .slice(0, 120),
      thing: isCloth ? 'material' : 'curtain',
      quantity: rounded(inUnit(dressed.need, dressed.unit, unit) ?? dressed.need),
      unit,
      allowanceMinor: zero,
      chosenId: null,
      chosenReason: '',
    }),
    edit('dressing', current, { pieceId: id }),
  ]
}

/** How the line stands to what is needed now. */
export function dressingHeld(
  makeover: Makeover,
  { row, dressed }: DressedWindow,
  all: readonly DressedWindow[],
  pieces: Money['pieces'],
): Held | null {
  if (!dressed.ok) return null
  const piece = row.pieceId === null ? undefined : makeover.rows.piece[row.pieceId]
  return piece
    ? heldOf(makeover, piece, clothNeeded(piece, all), false, pieces)
    : { state: 'no line', by: dressed.need, unit: dressed.unit }
}

/** Lines that no longer say what is needed, each once. */
export function dressingLines(makeover: Makeover, all: readonly DressedWindow[], { pieces }: Money): Remark[] {
  const seen = new Set<string>()
  return all.flatMap((layer) => {
    const { row, window } = layer
    const piece = row.pieceId === null ? undefined : makeover.rows.piece[row.pieceId]
    const held = dressingHeld(makeover, layer, all, pieces)
    if (!piece || !held || seen.has(piece.id)) return []
    seen.add(piece.id)
    const subjects = [
      { kind: 'piece' as const, id: piece.id },
      { kind: 'dressing' as const, id: row.id },
    ]
    return lineRemark(piece, held, subjects, `What hangs at ${window.name}`, headOf(makeover)?.units ?? 'metric')
  })
}
