import type { Makeover, Studio } from '#core/makeover/document.ts'

/**
 * Documents as they were last read or written, each by the change that made it: a row that names that change is that
 * document, whoever wrote it. So one may be kept before its change is committed; where it never is, nothing will name it.
 */
export type Memory = {
  readonly at: (studioId: string, id: string, changeId: string | null) => Makeover | Studio | null
  readonly keep: (studioId: string, document: Makeover | Studio, changeId: string | null) => void
  /** After an erasure: what was kept of a document says what nobody may say any more. */
  readonly forget: (studioId: string, id: string) => void
}

/** How many states of one document are kept: that of now, and those under way. */
const states = 4

export function openMemory(most = 200): Memory {
  const kept = new Map<string, { readonly changeId: string; readonly document: Makeover | Studio }[]>()
  return {
    at: (studioId, id, changeId) =>
      kept.get(`${studioId} ${id}`)?.find((state) => state.changeId === changeId)?.document ?? null,
    forget: (studioId, id) => void kept.delete(`${studioId} ${id}`),
    keep(studioId, document, changeId) {
      if (changeId === null) return
      const key = `${studioId} ${document.id}`
      const others = (kept.get(key) ?? []).filter((state) => state.changeId !== changeId)
      kept.delete(key)
      kept.set(key, [...others, { changeId, document }].slice(-states))
      const [oldest] = kept.keys()
      if (kept.size > most && oldest !== undefined) kept.delete(oldest)
    },
  }
}
