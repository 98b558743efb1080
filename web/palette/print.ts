import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf, repeatOf, scaleOf } from '#core/palette/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { type Printed } from '../parts/printed.ts'

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
