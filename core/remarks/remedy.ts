/** What would cure a remark: change sets, each previewed and made with one click. */
import type { Operation } from '../makeover/change.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Remark } from './remark.ts'

export type Remedy = {
  /** What to do, as one says it: the sentence of the diary too. */
  readonly title: string
  readonly detail: string
  readonly operations: readonly Operation[]
}

/** How remarks of one code are cured. The least change comes first; none where this one has no cure. */
export type Remedies = {
  /** The word of the button. */
  readonly words: string
  readonly find: (remark: Remark, makeover: Makeover, reckoning: never, newId: () => string) => readonly Remedy[]
}
/** Where something is done that cures remarks of one code, and that no change set can do alone: a signature. */
export type Way = { readonly words: string; readonly step: string; readonly query: Readonly<Record<string, string>> }
