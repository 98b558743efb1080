import type { Row } from '#core/makeover/kinds.ts'
import { labOf, type Print } from '#core/palette/index.ts'

/** How a patterned finish is drawn: its pattern with the palette colours that it carries; nothing for a plain one. */
export function printOf(finish: Row<'finish'>, finishes: readonly Row<'finish'>[], parts: readonly Row<'patternPart'>[]): Print | undefined {
  if (finish.pattern === 'plain') return undefined
  const carried = parts.filter((part) => part.finishId === finish.id).flatMap((part) => {
    const of = finishes.find((one) => one.id === part.partId)
    return of ? [{ lab: labOf(of), share: part.sharePpm / 1_000_000 }] : []
  })
  return { pattern: finish.pattern, scale: finish.patternScale ?? 'medium', parts: carried }
}
