import type { Makeover, Studio } from '#core/makeover/document.ts'

/** Documents as they were last read or written, by their rev: what has the same rev is the same, whoever wrote it. */
export type Memory = {
  readonly at: <T extends Makeover | Studio>(studioId: string, id: string, rev: number) => T | null
  /** Only what is committed may be kept. */
  readonly keep: (studioId: string, document: Makeover | Studio) => void
}

export function openMemory(most = 200): Memory {
  const kept = new Map<string, Makeover | Studio>()
  return {
    at: <T extends Makeover | Studio>(studioId: string, id: string, rev: number): T | null => {
      const found = kept.get(`${studioId} ${id}`)
      return found?.rev === rev ? (found as T) : null
    },
    keep(studioId, document) {
      const key = `${studioId} ${document.id}`
      if ((kept.get(key)?.rev ?? -1) > document.rev) return
      kept.delete(key)
      kept.set(key, document)
      const [oldest] = kept.keys()
      if (kept.size > most && oldest !== undefined) kept.delete(oldest)
    },
  }
}
