/** A task as it makes itself, or as somebody added it. */
import type { Trade } from '../makeover/work-choices.ts'

export type Made = {
  /** What makes it, and of what row: "coat:…" */
  readonly key: string
  readonly name: string
  readonly roomId: string | null
  readonly trade: Trade | 'seller'
  readonly is: 'work' | 'answer' | 'order' | 'lead'
  /** Hours of work; of an answer and of a lead, days. */
  readonly amount: number
  readonly after: readonly { readonly key: string; readonly waitHours: number }[]
  /** What has to be here for it. */
  readonly uses: readonly string[]
  /** On the install day itself: what it uses is wanted for that day. */
  readonly isInstall: boolean
  /** The piece that it orders, awaits or makes. */
  readonly pieceId: string | null
  /** Of a task in parts: of which, which, and of how many. */
  readonly part: { readonly key: string; readonly number: number; readonly count: number } | null
  /** Why so long, in words. */
  readonly because: string
}
export const made = (task: Pick<Made, 'key' | 'name' | 'trade'> & Partial<Made>): Made => ({
  roomId: null,
  is: 'work',
  amount: 0,
  after: [],
  uses: [],
  isInstall: false,
  pieceId: null,
  part: null,
  because: '',
  ...task,
})
