import { byId } from '#core/makeover/by-id.ts'
import type { Pattern, Scale } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf, repeatOf, scaleOf, type Print } from '#core/palette/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'

/** How a patterned finish is drawn: its pattern, how large, and the palette colours that it carries. */
export type Printed = {
  readonly pattern: Pattern
  readonly scale: Scale
  readonly repeatMm: number
  readonly parts: Print['parts']
}

/** Nothing for a plain finish. */
export function printOf(
  finish: Row<'finish'>,
  finishes: readonly Row<'finish'>[],
  parts: readonly Row<'patternPart'>[],
  rules: Rules,
): Printed | undefined {
  if (finish.pattern === 'plain') return undefined
  const carried = parts
    .filter((part) => part.finishId === finish.id)
    .flatMap((part) => {
      const finish = byId(finishes, part.partId)
      return finish ? [{ lab: labOf(finish), share: part.sharePpm / 1_000_000 }] : []
    })
  return { pattern: finish.pattern, scale: scaleOf(finish, rules), repeatMm: repeatOf(finish, rules), parts: carried }
}
