import { useBroadcastChannel, useEventListener } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { apply, fault, schemaVersion, type ChangeSet, type Documents, type Fault, type Operation } from '#core/makeover/change.ts'
import { currencyOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'
import { lineFigures } from '#core/reckoning/summary.ts'
import { uuidShape } from '#core/makeover/fields.ts'
import { spoken } from '#core/makeover/kinds.ts'
import { NoAnswer, Refused, request, type ProblemDetail } from '../api.ts'
import type { ReckoningWorker } from '../workers/reckoning.worker.ts'
import { useSession } from './session.ts'

type Opened = { makeover: Makeover; studio: Studio; today: PlainDate }
export type Saving = 'saved' | 'saving' | 'waiting'

let worker: Remote<ReckoningWorker> | undefined
const reckoner = (): Remote<ReckoningWorker> => (worker ??= wrap<ReckoningWorker>(new Worker(new URL('../workers/reckoning.worker.ts', import.meta.url), { type: 'module' })))

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** The makeover on the screen: its documents, its reckoning, and the one way to change it. */
export const useMakeover = defineStore('makeover', () => {
  const session = useSession()
  const opened = shallowRef<Opened | null>(null)
  const reckoning = shallowRef<Reckoning | null>(null)
  const saving = ref<Saving>('saved')
  const savedAt = ref<Date | null>(null)
  /** What became of a change that was still under way when the page was closed, if it was refused. */
  const notice = ref('')
  const { data: heard, post } = useBroadcastChannel<{ id: string; rev: number }, { id: string; rev: number }>({ name: 'bonitas' })

  const currency = computed(() => (opened.value ? currencyOf(opened.value.makeover) : 'EUR'))
  const line = computed(() => (opened.value && reckoning.value ? lineFigures(opened.value.makeover, reckoning.value) : null))
  const documentsOf = ({ makeover, studio }: Opened): Documents => ({ makeover, studio })

  async function open(id: string): Promise<void> {
    if (opened.value?.makeover.id !== id) {
      opened.value = null
      reckoning.value = null
    }
    const found = await request<Opened>('GET', `/makeovers/${id}`)
    reckoning.value = await reckoner().load(documentsOf(found), found.today)
    opened.value = found
    const kept = outbox.read(id)
    if (!kept) return
    const faults = await send(id, kept)
    if (faults.length > 0) notice.value = `A change from before could not be made. “${kept.sentence}”: ${faults.map((one) => one.message).join('; ')}.`
  }

  /** What another window or person changed is fetched when this one is told or looked at again. */
  async function refresh(): Promise<void> {
    const id = opened.value?.makeover.id
    if (!id || saving.value === 'waiting') return
    try {
      const found = await request<Opened>('GET', `/makeovers/${id}`)
      if (opened.value?.makeover.id !== id || (found.makeover.rev === opened.value.makeover.rev && found.today === opened.value.today)) return
      reckoning.value = await reckoner().load(documentsOf(found), found.today)
      opened.value = found
    } catch (error) {
      if (error instanceof Refused && error.status === 401) session.ranOut = true
    }
  }
  watch(heard, (news) => {
    if (news.id === opened.value?.makeover.id && news.rev > opened.value.makeover.rev) void refresh()
  })
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'visible') void refresh()
  })
  useEventListener(window, 'focus', () => void refresh())

  const preview = (operations: readonly Operation[]): Promise<Preview> => reckoner().preview(structuredClone(operations))

  /** Makes a change: checked here first, then sent until it is answered. Returns what is wrong with it, or nothing. */
  async function change(sentence: string, operations: readonly Operation[]): Promise<readonly Fault[]> {
    if (!opened.value) return [fault('closed', null, null, null, 'no makeover is open')]
    const { faults } = await preview(operations)
    if (faults.length > 0) return faults
    return send(opened.value.makeover.id, { id: uuidv7(), schemaVersion, sentence, operations })
  }

  async function send(id: string, changeSet: ChangeSet): Promise<readonly Fault[]> {
    outbox.write(id, changeSet)
    for (let wait = 500; ; wait = Math.min(wait * 2, 8000)) {
      if (saving.value !== 'waiting') saving.value = 'saving'
      try {
        const { rev } = await request<{ rev: number }>('POST', `/makeovers/${id}/changes`, changeSet)
        settled(id)
        await taken(id, changeSet, rev)
        return []
      } catch (error) {
        if (error instanceof NoAnswer) {
          saving.value = 'waiting'
          await pause(wait)
        } else if (error instanceof Refused && error.status === 401) {
          saving.value = 'waiting'
          session.ranOut = true
          await signedInAgain()
        } else if (error instanceof Refused) {
          settled(id)
          if (error.status === 409) {
            await refresh()
            return conflictFaults(error.problem)
          }
          return error.problem.faults ?? [fault('refused', null, null, null, error.problem.detail)]
        } else throw error
      }
    }
  }

  function settled(id: string): void {
    outbox.clear(id)
    saving.value = 'saved'
    savedAt.value = new Date()
  }

  async function taken(id: string, changeSet: ChangeSet, rev: number): Promise<void> {
    const now = opened.value
    if (now?.makeover.id !== id) return
    if (rev !== now.makeover.rev + 1) return refresh()
    const { documents } = apply(documentsOf(now), changeSet.operations, changeSet.id)
    reckoning.value = await reckoner().take(structuredClone(changeSet.operations), changeSet.id)
    opened.value = { ...now, makeover: { ...documents.makeover, rev }, studio: documents.studio }
    post({ id, rev })
  }

  const signedInAgain = (): Promise<void> =>
    new Promise((resolve) => {
      const stop = watch(
        () => session.ranOut,
        (still) => {
          if (still) return
          stop()
          resolve()
        },
      )
    })

  return { opened, reckoning, currency, line, saving, savedAt, notice, open, refresh, preview, change }
})

/** A conflict as faults: for each field what it is now, so that both can be seen and one be kept. */
function conflictFaults({ detail, conflicts = [] }: ProblemDetail): Fault[] {
  const faults = conflicts.flatMap(({ kind, id, fields, current }) => {
    if (current === null) return [fault('conflict', kind, id, null, `the ${spoken[kind]} was taken away meanwhile by somebody else`)]
    return fields.map((field) => {
      const now = current[field]
      const shown = typeof now === 'string' && !uuidShape.test(now) ? ` to “${now}”` : ''
      return fault('conflict', kind, id, field, `was changed meanwhile${shown}: save again to keep yours, or cancel to keep theirs`)
    })
  })
  return faults.length > 0 ? faults : [fault('conflict', null, null, null, detail)]
}

/** A change that was sent and not answered outlives the page: it is sent again, with the same id, when the makeover is next opened. */
const outbox = {
  key: (id: string): string => `bonitas.unsent.${id}`,
  write(id: string, changeSet: ChangeSet): void {
    localStorage.setItem(this.key(id), JSON.stringify(changeSet))
  },
  clear(id: string): void {
    localStorage.removeItem(this.key(id))
  },
  read(id: string): ChangeSet | null {
    const text = localStorage.getItem(this.key(id))
    return text === null ? null : (JSON.parse(text) as ChangeSet) // parsed here: only `write` puts it there
  },
}
