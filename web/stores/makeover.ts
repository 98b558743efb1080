import { useEventListener } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed, markRaw, ref, shallowRef, watch } from 'vue'
import { advance, entriesOf, type DiaryEntry, type Done } from '#core/diary/index.ts'
import {
  anyRows,
  apply,
  fault,
  isStudioOperation,
  schemaVersion,
  type ChangeSet,
  type Documents,
  type Fault,
  type Operation,
} from '#core/makeover/change.ts'
import { currencyOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'
import { lineFigures } from '#core/reckoning/summary.ts'
import { Refused, request } from '../api.ts'
import type { ReckoningWorker } from '../workers/reckoning.worker.ts'
import { useLive } from './live.ts'
import { useSession } from './session.ts'
import { drop, isWaitingKey, keep, parted, readAll, type Held, type Waiting } from './waiting.ts'

type Opened = { makeover: Makeover; studio: Studio; today: PlainDate }
export type Moment = { readonly rev: number; readonly madeAt: string; readonly sentence: string; readonly who: string }
export type Saving = 'saved' | 'saving' | 'waiting'

let worker: Remote<ReckoningWorker> | undefined
const reckoner = (): Remote<ReckoningWorker> =>
  (worker ??= wrap<ReckoningWorker>(
    new Worker(new URL('../workers/reckoning.worker.ts', import.meta.url), { type: 'module' }),
  ))
const documentsOf = ({ makeover, studio }: Opened): Documents => ({ makeover, studio })

/** How long a form waits for its answer before the change is left to wait on its own. */
const patienceMs = 2500

/**
 * The makeover on the screen: what the server has, with what waits to be sent laid over it; its reckoning; and the one
 * way to change it. A change shows at once, is kept until it is answered, and is sent in the order it was made.
 */
export const useMakeover = defineStore('makeover', () => {
  const session = useSession()
  /** As the server has it. */
  const base = shallowRef<Opened | null>(null)
  const waiting = shallowRef<readonly Waiting[]>([])
  /** As it is shown: with what waits, or as it was at an earlier moment. */
  const opened = shallowRef<Opened | null>(null)
  const reckoning = shallowRef<Reckoning | null>(null)
  const past = shallowRef<Moment | null>(null)
  const sending = ref(false)
  /** Since when the server has not answered. */
  const away = ref<Date | null>(null)
  const savedAt = ref<Date | null>(null)
  /** The held change that asks for a decision right now. */
  const deciding = ref<string | null>(null)
  /** What was done in this window, with the personal values that the diary does not keep. */
  const done: Done[] = markRaw([])

  const currency = computed(() => (opened.value ? currencyOf(opened.value.makeover) : 'EUR'))
  const line = computed(() =>
    opened.value && reckoning.value ? lineFigures(opened.value.makeover, reckoning.value) : null,
  )
  const sorted = computed(() => parted(waiting.value))
  const saving = computed<Saving>(() =>
    sorted.value.going.length === 0 ? 'saved' : away.value || session.ranOut ? 'waiting' : 'saving',
  )
  const person = (): string => session.person?.personId ?? ''
  let openedBy = ''
  const answers = new Map<string, (held: Held | null) => void>()

  async function open(id: string): Promise<void> {
    if (base.value?.makeover.id !== id) {
      base.value = opened.value = reckoning.value = past.value = null
      shown = ''
      heardRev = done.length = 0
    }
    base.value = await request<Opened>('GET', `/makeovers/${id}`)
    openedBy = person()
    waiting.value = readAll(person(), id)
    await show()
    void send()
  }

  /** The newest rev that was heard of while a change of our own was under way: its answer may already hold it. */
  let heardRev = 0
  let turn = 0
  /** What is being reckoned for the screen just now. */
  let laying: Promise<void> = Promise.resolve()
  let shown = ''
  const state = (): string =>
    [
      base.value?.makeover.id,
      base.value?.makeover.rev,
      base.value?.studio.rev,
      base.value?.today,
      ...sorted.value.going.map((waiting) => waiting.changeSet.id),
    ].join(' ')
  /** Lays what waits over what the server has, and reckons it. What does not fit any more is left out until it is answered. */
  async function show(): Promise<void> {
    const opened = base.value
    if (!opened || past.value || shown === state()) return
    shown = state()
    let documents = documentsOf(opened)
    for (const { changeSet } of sorted.value.going) {
      const applied = apply(documents, changeSet.operations, changeSet.id)
      if (applied.faults.length === 0) documents = applied.documents
    }
    await lay({ ...documents, today: opened.today })
  }
  async function lay(next: Opened): Promise<void> {
    const mine = ++turn
    laying = reckoner()
      .load(documentsOf(next), next.today)
      .then((reckoned) => {
        if (mine !== turn) return
        reckoning.value = reckoned
        opened.value = next
      })
    await laying
  }

  /**
   * What others changed: the diary from where this window stands, or all of it where the diary does not tell enough. One
   * at a time, and again while a newer rev was heard of: two words close together may find the first answer on its way.
   */
  let catching = false
  async function catchUp(): Promise<void> {
    if (catching) return
    catching = true
    try {
      while (base.value && base.value.makeover.rev < heardRev) {
        const opened = base.value
        const entries = await request<DiaryEntry[]>(
          'GET',
          `/makeovers/${opened.makeover.id}/changes?after=${opened.makeover.rev}`,
        )
        if (base.value !== opened) continue
        if (entries.length === 0) return
        const next = entries.length < 500 ? advance(documentsOf(opened), entries) : null
        if (!next) {
          await refresh()
          return
        }
        base.value = { ...opened, ...next }
        await show()
      }
    } finally {
      catching = false
    }
  }
  async function refresh(): Promise<void> {
    const id = base.value?.makeover.id
    if (!id) return
    const found = await request<Opened>('GET', `/makeovers/${id}`)
    if (base.value?.makeover.id !== id || found.makeover.rev < base.value.makeover.rev) return
    if (
      found.makeover.rev === base.value.makeover.rev &&
      found.studio.rev === base.value.studio.rev &&
      found.today === base.value.today
    )
      return
    base.value = found
    await show()
  }
  const quietly = (work: () => Promise<void>): void =>
    void work().catch((error: unknown) => {
      if (error instanceof Refused && error.status === 401) session.ranOut = true
    })

  useLive().hear((heard) => {
    const opened = base.value
    if (!opened) return
    if (heard.is === 'again') {
      quietly(refresh)
      void send()
    } else if (heard.is === 'rev' && heard.document === opened.makeover.id && heard.rev > opened.makeover.rev) {
      heardRev = Math.max(heardRev, heard.rev)
      if (!sending.value) quietly(catchUp)
    } else if (
      heard.is === 'rev' &&
      heard.document === opened.studio.id &&
      heard.rev > opened.studio.rev &&
      !sending.value
    )
      quietly(refresh)
  })
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'visible') quietly(refresh)
  })
  useEventListener(window, 'focus', () => quietly(refresh))
  useEventListener(window, 'online', () => void send())
  // another window of this browser added to what waits, or had it answered
  useEventListener(window, 'storage', (event: StorageEvent) => {
    const id = base.value?.makeover.id
    if (id && (event.key === null || isWaitingKey(event.key, person(), id))) void reread().then(() => send())
  })

  /** What waits, as it is in storage now; who waits for an answer gets it. */
  async function reread(): Promise<void> {
    const id = base.value?.makeover.id
    if (!id) return
    const before = waiting.value
    waiting.value = readAll(person(), id)
    const map = new Map(waiting.value.map((waiting) => [waiting.changeSet.id, waiting]))
    for (const { changeSet } of before) {
      const waiting = map.get(changeSet.id)
      if (!waiting || waiting.held) answers.get(changeSet.id)?.(waiting?.held ?? null)
    }
    await show()
  }

  const preview = (operations: readonly Operation[]): Promise<Preview> =>
    reckoner().preview(structuredClone(operations))

  /**
   * Makes a change: checked here first, shown, kept, and sent. Returns what is wrong with it while whoever typed it still
   * waits; a change that nobody answers, or that meets another's, is kept for later and counts as made.
   */
  async function change(
    sentence: string,
    operations: readonly Operation[],
    undoes?: string,
  ): Promise<readonly Fault[]> {
    if (past.value)
      return [fault('past', null, null, null, 'this is an earlier moment: go back to now to change something')]
    const thisOpened = opened.value
    if (!thisOpened || !base.value) return [fault('closed', null, null, null, 'no makeover is open')]
    const faults = await reckoner().faults(structuredClone(operations))
    if (faults.length > 0) return faults
    const changeSet: ChangeSet = {
      id: uuidv7(),
      schemaVersion,
      sentence,
      operations: structuredClone(operations),
      ...(undoes === undefined ? {} : { undoes }),
    }
    const rows = anyRows(documentsOf(thisOpened))
    const was = Object.fromEntries(operations.flatMap(({ kind, id }) => (rows[kind][id] ? [[id, rows[kind][id]]] : [])))
    const thisWaiting: Waiting = { changeSet, addedAt: new Date().toISOString(), was, held: null, old: false }
    done.push({
      id: changeSet.id,
      sentence,
      undoes: undoes ?? null,
      rows: entriesOf(
        documentsOf(thisOpened),
        apply(documentsOf(thisOpened), operations, changeSet.id).documents,
        operations,
      ),
    })
    keep(person(), base.value.makeover.id, thisWaiting)
    waiting.value = [...waiting.value, thisWaiting]
    const answered = new Promise<Held | null>((resolve) => {
      answers.set(changeSet.id, resolve)
      setTimeout(() => resolve(null), patienceMs)
    })
    const wasAway = away.value !== null
    void send() // on its way while it is reckoned here
    await show()
    if (wasAway) return []
    const held = await answered
    answers.delete(changeSet.id)
    if (held?.is === 'conflict') deciding.value = changeSet.id
    if (held?.is !== 'refused') return []
    await letGo(changeSet.id)
    return held.faults
  }

  let again: ReturnType<typeof setTimeout> | null = null
  let wait = 500
  /** Sends what waits, in order, until it is answered or nobody answers; then tries again by and by. */
  async function send(): Promise<void> {
    if (sending.value || !base.value) return
    sending.value = true
    if (again) clearTimeout(again)
    try {
      const { id } = base.value.makeover
      // one window of a browser sends at a time, so that changes of two windows keep their order
      const locks = (navigator as Partial<Navigator>).locks
      await (locks ? locks.request(`bonitas.send.${id}`, () => sendAll(id)) : sendAll(id))
      away.value = again = null
      wait = 500
    } catch (error) {
      if (error instanceof Refused && error.status === 401) session.ranOut = true
      else {
        away.value ??= new Date()
        again = setTimeout(() => void send(), wait)
        wait = Math.min(wait * 2, 8000)
      }
      for (const answer of answers.values()) answer(null)
    } finally {
      sending.value = false
    }
    if (away.value || session.ranOut) return
    if (sorted.value.going.length > 0) void send()
    else if (heardRev > base.value.makeover.rev) quietly(catchUp)
  }

  async function sendAll(id: string): Promise<void> {
    for (;;) {
      waiting.value = readAll(person(), id)
      const next = sorted.value.going[0]
      if (!next || base.value?.makeover.id !== id) return show()
      try {
        const { rev } = await request<{ rev: number }>('POST', `/makeovers/${id}/changes`, next.changeSet)
        await taken(id, next, rev)
      } catch (error) {
        if (!(error instanceof Refused) || error.status === 401 || error.status === 429 || error.status >= 500)
          throw error
        const { faults, conflicts, detail } = error.problem
        // an answer that was lost before an update of the page: the id is known, only its words are new
        if (next.old && faults?.[0]?.code === 'id') await taken(id, next, -1)
        else
          await hold(
            id,
            next,
            error.status === 409
              ? { is: 'conflict', conflicts: conflicts ?? [] }
              : { is: 'refused', faults: faults ?? [fault('refused', null, null, null, detail)] },
          )
      }
    }
  }

  async function taken(id: string, { changeSet }: Waiting, rev: number): Promise<void> {
    await laying
    drop(person(), id, changeSet.id)
    savedAt.value = new Date()
    const thisOpened = base.value
    if (thisOpened?.makeover.id === id && rev === thisOpened.makeover.rev + 1) {
      const { documents } = apply(documentsOf(thisOpened), changeSet.operations, changeSet.id)
      const studioRev = thisOpened.studio.rev + (changeSet.operations.some(isStudioOperation) ? 1 : 0)
      base.value = {
        makeover: { ...documents.makeover, rev },
        studio: { ...documents.studio, rev: studioRev },
        today: thisOpened.today,
      }
      waiting.value = readAll(person(), id)
      // what is shown stays as it is: the change was in it already
      const shownNow = opened.value
      if (shownNow && !past.value && shown !== '') {
        shown = state()
        opened.value = {
          ...shownNow,
          makeover: { ...shownNow.makeover, rev },
          studio: { ...shownNow.studio, rev: studioRev },
        }
      }
    } else {
      heardRev = Math.max(heardRev, rev)
      await refresh()
      waiting.value = readAll(person(), id)
    }
    await show()
    answers.get(changeSet.id)?.(null)
  }

  async function hold(id: string, thisWaiting: Waiting, held: Held): Promise<void> {
    keep(person(), id, { ...thisWaiting, held })
    waiting.value = readAll(person(), id)
    await refresh()
    await show()
    answers.get(thisWaiting.changeSet.id)?.(held)
  }

  const neverDone = (id: string): void => {
    const at = done.findIndex((done) => done.id === id)
    if (at >= 0) done.splice(at, 1)
  }

  /** Gives up a change that waits, and what rests on it. */
  async function letGo(id: string): Promise<void> {
    const opened = base.value
    if (!opened) return
    for (const text of [id, ...(sorted.value.resting.get(id) ?? []).map((waiting) => waiting.changeSet.id)]) {
      drop(person(), opened.makeover.id, text)
      neverDone(text)
    }
    waiting.value = readAll(person(), opened.makeover.id)
    if (deciding.value === id) deciding.value = null
    await show()
    void send()
  }

  /** Sends a held change again, as it was or as it was decided; with nothing left of it, it is let go and what rests on it goes on. */
  async function decide(id: string, operations: readonly Operation[] | null = null): Promise<void> {
    const opened = base.value
    const thisWaiting = waiting.value.find((waiting) => waiting.changeSet.id === id)
    if (!opened || !thisWaiting) return
    deciding.value = null
    if (operations?.length === 0) {
      const rows = anyRows(documentsOf(opened))
      for (const later of sorted.value.resting.get(id) ?? []) {
        const rebased = later.changeSet.operations.map((operation) =>
          operation.base === id
            ? { ...operation, base: rows[operation.kind][operation.id]?.version ?? operation.base }
            : operation,
        )
        keep(person(), opened.makeover.id, { ...later, changeSet: { ...later.changeSet, operations: rebased } })
      }
      drop(person(), opened.makeover.id, id)
      neverDone(id)
    } else
      keep(person(), opened.makeover.id, {
        ...thisWaiting,
        held: null,
        changeSet: { ...thisWaiting.changeSet, operations: operations ?? thisWaiting.changeSet.operations },
      })
    waiting.value = readAll(person(), opened.makeover.id)
    await show()
    await send()
  }

  /** Shows the makeover as it was after a rev; nothing can be changed there. */
  async function lookAt(rev: number): Promise<void> {
    const id = base.value?.makeover.id
    if (!id) return
    const { moment, ...found } = await request<Opened & { moment: Moment }>('GET', `/makeovers/${id}/at/${rev}`)
    past.value = moment
    await lay(found)
  }
  async function backToNow(): Promise<void> {
    past.value = null
    shown = ''
    await show()
  }

  watch(
    () => session.ranOut,
    (ranOut) => {
      if (ranOut) return
      // somebody else signed in: what the first one typed waits for them
      if (openedBy !== person()) location.reload()
      else void send()
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
    refresh,
    preview,
    change,
    decide,
    letGo,
    lookAt,
    backToNow,
  }
})
