import { shallowRef, toRaw } from 'vue'
import { apply, type ChangeSet, type Documents, type Fault, type Operation } from '#core/makeover/change.ts'
import { remarksWithoutCosts } from '#core/people/index.ts'
import type { Makeover, Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'
import type { Remark } from '#core/remarks/remark.ts'
import type { Remedy } from '#core/remarks/remedy.ts'
import { tablesApart, type Reckoner } from '#core/reckoning/reckoner.ts'

/** A makeover and its studio as of a day. */
export type Opened = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly today: PlainDate
  /** Since when it is in the archive, where nothing changes; null where it is under way. */
  readonly archivedAt?: string | null
}
export const documentsOf = ({ makeover, studio }: Opened): Documents => ({ makeover, studio })

/** The reckoner as it is reached: in a worker every answer is a promise. */
export type FarReckoner = {
  readonly [M in keyof Reckoner]: Reckoner[M] extends (...args: infer A) => infer R ? (...args: A) => Promise<R> : never
}

export type Taken = {
  readonly faults: readonly Fault[]
  readonly before: Documents | null
  readonly after: Documents | null
}

/** What is on the screen: documents and their reckoning, always of one moment. One thing is laid after the other. */
export function createView(reckoner: () => FarReckoner, costs: () => boolean = () => true) {
  const opened = shallowRef<Opened | null>(null)
  const reckoning = shallowRef<Reckoning | null>(null)
  let last: Promise<unknown> = Promise.resolve()
  /** Raised when the screen is cleared: what was under way then is not shown any more. */
  let era = 0

  /** Where no costs are shown, nothing is remarked that rests on them. */
  const shown = (found: Reckoning): Reckoning =>
    costs() ? found : { ...found, remarks: remarksWithoutCosts(found.remarks), attention: [] }

  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = last.catch(() => undefined).then(work)
    last = mine
    return mine
  }

  /** Shows what `next` gives when its turn has come; null leaves all as it is. The worker is told what is other than before. */
  const lay = (next: () => Opened | null): Promise<void> =>
    inTurn(async () => {
      const [before, after] = [opened.value, next()]
      if (!after) return
      const mine = era
      const same = before?.makeover.id === after.makeover.id && before.studio.id === after.studio.id
      const changed = same
        ? await reckoner().lay(tablesApart(documentsOf(before), documentsOf(after)), after.today)
        : await reckoner().open(documentsOf(after), after.today)
      if (mine !== era) return
      reckoning.value = shown({ ...(same ? reckoning.value : null), ...changed } as Reckoning)
      opened.value = after
    })

  /** Shows a change, unless the worker says what is wrong with it. Tells what it stood on, and what it made of that. */
  const take = ({ operations, id }: Pick<ChangeSet, 'operations' | 'id'>): Promise<Taken> =>
    inTurn(async () => {
      const before = opened.value
      if (!before) return { faults: [], before: null, after: null }
      const mine = era
      const plain = structuredClone(operations)
      const answer = reckoner().take(plain, id)
      const { documents } = apply(documentsOf(before), plain, id)
      const { faults, changed } = await answer
      if (faults.length > 0 || mine !== era) return { faults, before: null, after: null }
      if (reckoning.value) reckoning.value = { ...reckoning.value, ...changed }
      opened.value = { ...before, ...documents }
      return { faults: [], before: documentsOf(before), after: documents }
    })

  /** What a change would do. */
  const preview = (operations: readonly Operation[]): Promise<Preview> =>
    inTurn(() => reckoner().preview(structuredClone(operations)))

  /** What would cure a remark. */
  const remedies = (remark: Remark): Promise<readonly Remedy[]> =>
    inTurn(() => reckoner().remedies(structuredClone(toRaw(remark))))

  /** Nothing is shown until something is laid. */
  function clear(): void {
    era++
    opened.value = reckoning.value = null
  }

  /** Waits until what is under way is shown. */
  const settled = (): Promise<void> => last.then(() => undefined).catch(() => undefined)

  return { opened, reckoning, lay, take, preview, remedies, clear, settled }
}
export type View = ReturnType<typeof createView>
