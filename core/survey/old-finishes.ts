/**
 * Old paint, coatings and floors that may hold lead or asbestos: a stop where work would free it, a note while it stays, and
 * silence where it is only covered or was tested clear.
 */
import { splitSeveral } from '../makeover/choices.ts'
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { laidFinishes, liesOn, type LaidFinish } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import { groundOfPiece } from '../makeover/things.ts'
import type { Remark } from '../remarks/remark.ts'
import { citeRule, type RuleId, type Rules } from '../rulebook/rulebook.ts'
import { remark } from './catalogue.ts'

const mayHoldLead = new Set(['paint', 'plaster', 'wood', 'metal'])
const mayHoldAsbestos = new Set(['textured coating', 'sheet floor', 'tile'])

export function oldFinishes(makeover: Makeover, rules: Rules): Remark[] {
  const built = headOf(makeover)?.builtYear ?? null
  return laidFinishes(makeover).flatMap((row) => {
    const year = row.laidYear ?? built
    // what is only covered is neither sanded nor lifted
    if (row.fate === null || row.fate === 'camouflage' || row.material === null || row.tested === 'clear') return []
    const rule: RuleId | null =
      mayHoldLead.has(row.material) && (row.tested === 'found' || (year ?? 9999) < rules['survey.lead-year'])
        ? 'survey.lead-year'
        : mayHoldAsbestos.has(row.material) &&
            (row.tested === 'found' || (year ?? 9999) < rules['survey.asbestos-year'])
          ? 'survey.asbestos-year'
          : null
    if (!rule) return []
    const what = rule === 'survey.lead-year' ? 'lead' : 'asbestos'
    const drilled = what === 'asbestos' && row.fate === 'keep' ? drilledInto(makeover, row) : null
    const freed = row.fate === 'change' || drilled !== null
    const since =
      year === null
        ? ''
        : `${row.laidYear === null ? 'The house is' : 'It is'} from ${year}, before ${citeRule(rule, rules)}. `
    const work = what === 'lead' ? 'sanded' : 'lifted or sanded'
    const found = row.tested === 'found'
    return [
      remark({
        code: what,
        weight: freed ? 'stop' : 'note',
        subjects: [
          { kind: 'finish', id: row.id },
          ...(drilled === null ? [] : [{ kind: 'piece' as const, id: drilled.id }]),
        ],
        title:
          drilled !== null
            ? `${drilled.name} would be drilled into ${row.name}, which ${found ? 'holds' : 'may hold'} asbestos`
            : found
              ? `${row.name} holds ${what}${freed ? ': it is taken out by licensed people' : ''}`
              : `${row.name} may hold ${what}: test before it is ${work}`,
        sentence: `${since}${
          found
            ? freed
              ? 'Nobody else sands, scrapes, drills or lifts it; cover it instead, or put their price into the budget.'
              : 'While it is sound and nobody works on it, it may stay. Say so to whoever works here next.'
            : `Have it tested before anyone sands, scrapes, drills or lifts it, and write the result down; local rules and licensed people decide how it is done.`
        }`,
        rule,
        numbers: [year ?? 0, row.fate, row.tested ?? '', drilled?.id ?? ''],
      }),
    ]
  })
}

/** What is chosen and would be drilled into it: into a coated ceiling what hangs there, into a wall what hangs before it. */
function drilledInto(makeover: Makeover, finish: LaidFinish): Row<'piece'> | null {
  return (
    rowsOf(makeover, 'piece').find((piece) => {
      const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
      if (!chosen || piece.roomId !== finish.roomId || !splitSeveral(chosen.methods).includes('drill')) return false
      const ground = groundOfPiece(piece)
      if (ground === 'ceiling') return liesOn(finish, 'ceiling')
      // where nobody said which wall, nothing is said of what is on it
      return (
        ground === 'walls' &&
        piece.wallId !== null &&
        finish.lies.some(
          (lie) =>
            lie.surface === 'walls' &&
            (lie.wallId === null || lie.wallId === piece.wallId) &&
            piece.aboveMm >= (lie.bandFromMm ?? 0) &&
            piece.aboveMm <= (lie.bandToMm ?? Infinity),
        )
      )
    }) ?? null
  )
}
