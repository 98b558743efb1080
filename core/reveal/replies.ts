/** What the clients said of each thing: the last word of each of them, whether it still speaks of what is chosen, and where two of them differ. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'

export type Said = {
  readonly reply: Row<'reply'>
  /** Something else is chosen since: it asks again. */
  readonly isOld: boolean
}
export type SaidOf = {
  /** The piece; null for a whole version. */
  readonly pieceId: string | null
  readonly presentationId: string | null
  /** The last yes or no of each client, newest first. */
  readonly last: readonly Said[]
  /** Clients whose last words still stand, and differ. */
  readonly disagree: boolean
}

const keyOf = ({ pieceId, presentationId }: Row<'reply'>): string => pieceId ?? `version ${presentationId ?? ''}`

export function repliesByThing(makeover: Makeover): SaidOf[] {
  const groups = new Map<string, Row<'reply'>[]>()
  for (const reply of rowsOf(makeover, 'reply'))
    if (reply.says === 'yes' || reply.says === 'another')
      groups.set(keyOf(reply), [...(groups.get(keyOf(reply)) ?? []), reply])
  return [...groups.values()].map((all): SaidOf => {
    const last = new Map<string, Row<'reply'>>()
    for (const reply of all) last.set(reply.clientId, reply)
    const said = [...last.values()].toReversed().map((reply): Said => ({ reply, isOld: isOld(makeover, reply) }))
    const standing = new Set(said.filter((met) => !met.isOld).map(({ reply }) => reply.says))
    return {
      pieceId: all[0]?.pieceId ?? null,
      presentationId: all[0]?.presentationId ?? null,
      last: said,
      disagree: standing.size > 1,
    }
  })
}

function isOld({ rows }: Makeover, { pieceId, about }: Row<'reply'>): boolean {
  if (pieceId === null) return false
  return (rows.piece[pieceId]?.chosenId ?? '') !== about
}
