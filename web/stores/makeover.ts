import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { wrap } from 'comlink'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed, markRaw, ref, shallowRef, watch } from 'vue'
import { entriesOf, type Done } from '#core/diary/index.ts'
import {
  anyRows,
  apply,
  fault,
  isStudioOperation,
  schemaVersion,
  type ChangeSet,
  type Fault,
  type Operation,
} from '#core/makeover/change.ts'
import { currencyOf } from '#core/makeover/document.ts'
import type { Reckoner } from '#core/reckoning/reckoner.ts'
import { lineFigures } from '#core/reckoning/summary.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { takeHabits } from './habits.ts'
import { useLive } from './live.ts'
import { createFollow } from './makeover/follow.ts'
import { createPast } from './makeover/past.ts'
import { createQueue } from './makeover/queue.ts'
import { refusal, shutTo } from './makeover/shut.ts'
import { createView, documentsOf, type FarReckoner, type Opened } from './makeover/view.ts'
import { useSession } from './session.ts'
import { isWaitingKey, type Held } from './waiting.ts'

/** What is wrong with a change, or how it will be answered. */
type Entered = { readonly faults: readonly Fault[]; readonly answer: Promise<Held | null> | null }

export type Saving = 'saved' | 'saving' | 'waiting'

let worker: FarReckoner | undefined
const reckoner = (): FarReckoner =>
  (worker ??= wrap<Reckoner>(
    new Worker(new URL('../workers/reckoning.worker.ts', import.meta.url), { type: 'module' }),
  ) as unknown as FarReckoner) // a remote of comlink: each method answers with a promise

/**
 * The makeover on the screen: what the server has, with what waits to be sent laid over it; its reckoning; and the one
 * way to change it. A change shows at once, is kept until it is answered, and is sent in the order it was made.
 */
export const useMakeover = defineStore('makeover', () => {
  const session = useSession()
  /** As the server has it. */
  const base = shallowRef<Opened | null>(null)
  const view = createView(reckoner, () => session.costs)
  const { opened, reckoning } = view
  const { past, lookAt: layPast } = createPast(view)
  /** The held change that asks for a decision right now. */
  const deciding = ref<string | null>(null)
  /** What was done in this window, with the personal values that the diary does not keep. */
  const done: Done[] = markRaw([])
  const person = (): string => session.person?.personId ?? ''
  let openedBy = ''

  const queue = createQueue({
    where: () => (base.value ? { person: person(), makeover: base.value.makeover.id } : null),
    post: (id, changeSet) => request('POST', `/makeovers/${id}/changes`, changeSet),
    taken,
    shown: show,
    refresh: () => follow.refresh(),
    signedOut: () => (session.ranOut = true),
    idle: () => follow.catchUpLate(),
  })
  const { waiting, sorted, away, savedAt } = queue
  const { start: askAgain } = useTimeoutFn(() => follow.hear({ is: 'again' }), 3000, { immediate: false })
  const follow = createFollow({
    base: () => base.value,
    setBase: async (next) => {
      base.value = next
      await show()
    },
    busy: () => queue.busy.value,
    send: () => void queue.send(),
    history: () => session.costs,
    quietly: (work) =>
      void work().catch((error: unknown) => {
        if (error instanceof Refused && error.status === 401) session.ranOut = true
        // what was asked for may be newer than what is shown: it is asked for again until somebody answers
        else if (error instanceof NoAnswer) askAgain()
      }),
  })

  watch(opened, (seen) => takeHabits(seen?.makeover), { flush: 'sync' })
  const currency = computed(() => (opened.value ? currencyOf(opened.value.makeover) : 'EUR'))
  const line = computed(() =>
    opened.value && reckoning.value ? lineFigures(opened.value.makeover, reckoning.value) : null,
  )
  const saving = computed<Saving>(() =>
    sorted.value.going.length === 0 ? 'saved' : away.value || session.ranOut ? 'waiting' : 'saving',
  )

  async function open(id: string): Promise<void> {
    if (base.value?.makeover.id !== id) {
      base.value = past.value = null
      view.clear()
      shown = ''
      done.length = 0
      follow.forget()
    }
    base.value = await request<Opened>('GET', `/makeovers/${id}`)
    openedBy = person()
    queue.reread()
    await show()
    void queue.send()
  }

  /** What the screen shows: which state of the server, and which changes over it. */
  let shown = ''
  const state = (): string =>
    [
      base.value?.makeover.id,
      base.value?.makeover.rev,
      base.value?.studio.rev,
      base.value?.today,
      base.value?.archivedAt,
      ...sorted.value.going.map(({ changeSet }) => changeSet.id),
    ].join(' ')
  /** Lays what waits over what the server has. What does not fit any more is left out until it is answered. */
  async function show(): Promise<void> {
    await view.lay(() => {
      const under = base.value
      if (!under || past.value || shown === state()) return null
      shown = state()
      let documents = documentsOf(under)
      for (const { changeSet } of sorted.value.going) {
        const applied = apply(documents, changeSet.operations, changeSet.id)
        if (applied.faults.length === 0) documents = applied.documents
      }
      return { ...under, ...documents }
    })
  }

  /** The server took the oldest change of those that wait: it is under the others now. */
  async function taken(changeSet: ChangeSet, rev: number): Promise<void> {
    await view.settled()
    const under = base.value
    const seen = opened.value
    const follows = under !== null && rev === under.makeover.rev + 1
    if (follows) {
      // with nothing else over it, what is shown is what the server has now
      const alone = shown === state() && sorted.value.going.length === 1 && seen !== null && !past.value
      const after = alone ? documentsOf(seen) : apply(documentsOf(under), changeSet.operations, changeSet.id).documents
      const studioRev = under.studio.rev + (changeSet.operations.some(isStudioOperation) ? 1 : 0)
      base.value = {
        ...under,
        makeover: { ...after.makeover, rev },
        studio: { ...after.studio, rev: studioRev },
      }
      queue.reread()
      if (seen && !past.value && shown !== '') {
        shown = state()
        opened.value = {
          ...seen,
          makeover: { ...seen.makeover, rev },
          studio: { ...seen.studio, rev: studioRev },
        }
      }
    } else {
      follow.newer(rev)
      await follow.refresh()
      queue.reread()
    }
    await show()
  }

  let entering: Promise<unknown> = Promise.resolve()
  /** Waits until the change that is being made is among what was done: before anything is undone. */
  const entered = (): Promise<void> => entering.then(() => undefined)

  /**
   * Makes a change: checked here first, shown, kept, and sent. Returns what is wrong with it while whoever typed it still
   * waits; a change that nobody answers, or that meets another's, is kept for later and counts as made.
   */
  async function change(
    sentence: string,
    operations: readonly Operation[],
    undoes?: string,
  ): Promise<readonly Fault[]> {
    if (past.value) return refusal('this is an earlier moment: go back to now to change something')
    const shut = opened.value && base.value ? shutTo(session.person, base.value, operations) : 'no makeover is open'
    if (shut) return refusal(shut)
    const changeSet: ChangeSet = {
      id: uuidv7(),
      schemaVersion,
      sentence,
      operations: structuredClone(operations),
      ...(undoes === undefined ? {} : { undoes }),
    }
    const made = enter(changeSet)
    entering = made.catch(() => undefined)
    const { faults, answer } = await made
    const held = await answer
    if (held?.is === 'conflict') deciding.value = changeSet.id
    if (held?.is !== 'refused') return faults
    await letGo(changeSet.id)
    return held.faults
  }
  /** Shown, kept among what was done here, and on its way. */
  async function enter(changeSet: ChangeSet): Promise<Entered> {
    const { operations } = changeSet
    const { faults, before, after } = await view.take(changeSet)
    if (faults.length > 0) return { faults, answer: null }
    if (!before || !after)
      return { faults: [fault('closed', null, null, null, 'another makeover was opened meanwhile')], answer: null }
    const rows = anyRows(before)
    const was = Object.fromEntries(operations.flatMap(({ kind, id }) => (rows[kind][id] ? [[id, rows[kind][id]]] : [])))
    const { id, sentence, undoes } = changeSet
    done.push({ id, sentence, undoes: undoes ?? null, rows: entriesOf(before, after, operations) })
    // what waits is another now, and shown already, if what lies under it is what it was
    const stands = shown === state()
    const answer = queue.add({ changeSet, addedAt: new Date().toISOString(), was, held: null, old: false })
    shown = stands ? state() : ''
    return { faults: [], answer }
  }

  const neverDone = (id: string): void => {
    const at = done.findIndex((entry) => entry.id === id)
    if (at >= 0) done.splice(at, 1)
  }

  /** Gives up a change that waits, and what rests on it. */
  async function letGo(id: string): Promise<void> {
    for (const gone of queue.giveUp(id)) neverDone(gone)
    if (deciding.value === id) deciding.value = null
    await show()
    void queue.send()
  }

  /** Sends a held change again, as it was or as it was decided; with nothing left of it, it is let go. */
  async function decide(id: string, operations: readonly Operation[] | null = null): Promise<void> {
    if (!base.value) return
    deciding.value = null
    queue.settle(id, operations, documentsOf(base.value))
    if (operations?.length === 0) neverDone(id)
    await show()
    await queue.send()
  }

  /** Shows the makeover as it was after a rev; nothing can be changed there. */
  async function lookAt(rev: number): Promise<void> {
    if (base.value) await layPast(base.value.makeover.id, rev)
  }
  async function backToNow(): Promise<void> {
    past.value = null
    shown = ''
    await show()
  }

  useLive().hear((heard) => (heard.is === 'who' ? void session.askAgain().catch(() => undefined) : follow.hear(heard)))
  useEventListener(document, 'visibilitychange', () => document.hidden || follow.hear({ is: 'again' }))
  useEventListener(window, 'focus', () => follow.hear({ is: 'again' }))
  useEventListener(window, 'online', () => void queue.send())
  // another window of this browser added to what waits, or had it answered
  useEventListener(window, 'storage', (event: StorageEvent) => {
    const id = base.value?.makeover.id
    if (!id || (event.key !== null && !isWaitingKey(event.key, person(), id))) return
    queue.rereadAll()
    void show().then(() => queue.send())
  })
  watch(
    () => session.ranOut,
    (ranOut) => {
      if (ranOut) return
      // somebody else signed in: what the first one typed waits for them
      if (openedBy !== person()) location.reload()
      else void queue.send()
    },
  )
  return {
    base,
    opened,
    reckoning,
    currency,
    line,
    waiting,
    sorted,
    saving,
    away,
    savedAt,
    past,
    deciding,
    done,
    open,
    refresh: follow.refresh,
    preview: view.preview,
    remedies: view.remedies,
    change,
    decide,
    letGo,
    lookAt,
    backToNow,
    entered,
  }
})
