/** What gives cause to say something of the surfaces. */
import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { treatmentsOf } from '../makeover/laid.ts'
import type { Money } from '../purchases/index.ts'
import type { Row } from '../makeover/kinds.ts'
import type { UnitSystem } from '../measure/length.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import { remark } from './catalogue.ts'
import { heldAgainst, type Held } from './line.ts'
import type { TakeOff } from './take-off/told.ts'

export function surfaceRemarks(makeover: Makeover, taken: readonly TakeOff[], money: Money, rules: Rules): Remark[] {
  const counting = taken.filter(({ treatment }) => treatment.insteadOfId === null)
  return [
    ...nowhere(makeover),
    ...counting.flatMap((takeOff) => saidOf(takeOff, rules, headOf(makeover)?.units)),
    ...lines(makeover, counting, money),
  ]
}

function nowhere(makeover: Makeover): Remark[] {
  const parts = groupBy(rowsOf(makeover, 'treatedPart'), (row) => row.treatmentId)
  return treatmentsOf(makeover).flatMap((treatment) => {
    const finish = makeover.rows.finish[treatment.finishId]
    if (parts.has(treatment.id) || !finish) return []
    return [
      remark({
        code: 'nowhere',
        subjects: [{ kind: 'treatment', id: treatment.id }],
        title: `${finish.name}: on no surface`,
        sentence: 'The surface it was on is gone. Say where it lies now, or take the treatment out.',
        numbers: [0],
      }),
    ]
  })
}

/** What the take-off itself says: what cannot be, slivers, joints. */
function saidOf(
  { treatment, finish, reckoned }: TakeOff,
  rules: Rules,
  units: Parameters<typeof citeRule>[2],
): Remark[] {
  if (reckoned === null) return []
  const subjects = [
    { kind: 'treatment' as const, id: treatment.id },
    { kind: 'finish' as const, id: finish.id },
  ]
  if (!reckoned.ok)
    return [
      remark({
        code: 'refused',
        subjects,
        title: `${finish.name}: no quantity`,
        sentence: `${reckoned.error.replace(/^./, (letter) => letter.toUpperCase())}.`,
        numbers: [reckoned.error],
      }),
    ]
  return reckoned.says.flatMap(({ code, text }) => {
    if (code === 'sliver')
      return [
        remark({
          code,
          subjects,
          title: `${finish.name}: thin cuts`,
          sentence: `${text} A cut under ${citeRule('tile.sliver', rules, units)} looks like a mistake and breaks.`,
          numbers: [treatment.startMm, treatment.upMm],
        }),
      ]
    return code === 'joint'
      ? [remark({ code, subjects, title: `${finish.name}: joints`, sentence: text, numbers: [text] })]
      : []
  })
}

/** Lines to buy that no longer say what is needed: never silently. */
function lines(makeover: Makeover, taken: readonly TakeOff[], money: Money): Remark[] {
  const seen = new Set<string>()
  return taken.flatMap((takeOff) => {
    const { treatment, finish } = takeOff
    const piece = treatment.pieceId === null ? undefined : makeover.rows.piece[treatment.pieceId]
    const held = heldAgainst(makeover, takeOff, taken, money.pieces)
    if (!piece || !held || seen.has(piece.id)) return []
    seen.add(piece.id)
    const subjects = [
      { kind: 'piece' as const, id: piece.id },
      { kind: 'treatment' as const, id: treatment.id },
    ]
    return lineRemark(piece, held, subjects, finish.name, headOf(makeover)?.units ?? 'metric')
  })
}

/** An amount of a line as it is told: one counted in metres is told in feet where all else is. */
function amountIn(amount: number, unit: string, units: UnitSystem): string {
  const [size, told] =
    units === 'metric'
      ? [1, unit]
      : /^(m|met(?:re|er)s?)$/i.test(unit.trim())
        ? [0.3048, 'ft']
        : /^(m²|m2|square met(?:re|er)s?)$/i.test(unit.trim())
          ? [0.092_903_04, 'sq ft']
          : [1, unit]
  return `${Math.round((amount / size) * (size === 1 ? 1000 : 10)) / (size === 1 ? 1000 : 10)} ${told}`
}

/** What a line is to what it is for, in one remark; nothing where it says what is needed. */
export function lineRemark(
  piece: Row<'piece'>,
  held: Held,
  subjects: readonly Subject[],
  what: string,
  units: UnitSystem,
): Remark[] {
  const amount = amountIn(held.by, held.unit, units)
  const { name } = piece
  switch (held.state) {
    case 'short':
      return [
        remark({
          code: 'short',
          subjects,
          title: `${name}: ${amount} short`,
          sentence: `More is needed than was ordered, since the room or how it is done changed. Order the rest of the same batch, or look at what it is for again.`,
          numbers: [held.by],
        }),
      ]
    case 'over':
      return [
        remark({
          code: 'over',
          subjects,
          title: `${name}: ${amount} more than needed`,
          sentence:
            'Less is needed than was ordered. Send whole packs back while the seller takes them, or keep them for another room.',
          numbers: [held.by],
        }),
      ]
    case 'to update':
      return [
        remark({
          code: 'outdated',
          subjects,
          title: `${name}: ${amount} needed, the line says ${amountIn(piece.quantity, piece.unit, units)}`,
          sentence: `${what} takes ${amount} as it is now. Bring the line up to date before it is ordered.`,
          numbers: [held.by, piece.quantity],
        }),
      ]
    case 'other unit':
      return [
        remark({
          code: 'other-unit',
          subjects,
          title: `${name} is counted in ${piece.unit}`,
          sentence: `${what} is reckoned in another unit, so the line cannot be held against it. Count the line in the same.`,
          numbers: [piece.unit],
        }),
      ]
    default:
      return []
  }
}
