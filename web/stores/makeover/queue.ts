import { computed, ref, shallowRef } from 'vue'
import { anyRows, fault, type ChangeSet, type Documents, type Operation } from '#core/makeover/change.ts'
import { Refused } from '../../api.ts'
import { drop, keep, parted, readAll, type Held, type Waiting } from '../waiting.ts'

/** How long a form waits for its answer before the change is left to wait on its own. */
const patienceMs = 2500

export type Sending = {
  /** Who types, and in which makeover; null while none is open. */
  readonly where: () => { readonly person: string; readonly makeover: string } | null
  readonly post: (makeoverId: string, changeSet: ChangeSet) => Promise<{ readonly rev: number }>
  /** The server took it: what it has is now at `rev`; −1 where it had taken it before. */
  readonly taken: (changeSet: ChangeSet, rev: number) => Promise<void>
  /** It is held, or what is held changed: what is shown may be another. */
  readonly shown: () => Promise<void>
  /** Asks the server how things stand. */
  readonly refresh: () => Promise<void>
  readonly signedOut: () => void
  /** Nothing waits any more. */
  readonly idle: () => void
}

/** The changes that wait to be sent: kept until they are answered, sent in the order they were made, held where refused. */
export function createQueue(sending: Sending) {
  const waiting = shallowRef<readonly Waiting[]>([])
  const busy = ref(false)
  /** Since when the server has not answered. */
  const away = ref<Date | null>(null)
  const savedAt = ref<Date | null>(null)
  const sorted = computed(() => parted(waiting.value))
  const answers = new Map<string, (held: Held | null) => void>()

  function reread(): void {
    const where = sending.where()
    waiting.value = where ? readAll(where.person, where.makeover) : []
  }

  /** Another window added to what waits, or had it answered: who waits for an answer gets it. */
  function rereadAll(): void {
    const before = waiting.value
    reread()
    const left = new Map(waiting.value.map((entry) => [entry.changeSet.id, entry]))
    for (const { changeSet } of before) {
      const entry = left.get(changeSet.id)
      if (!entry || entry.held) answers.get(changeSet.id)?.(entry?.held ?? null)
    }
  }

  /** Keeps a change and sends it; resolves with what it was held for, or null when it is taken or nobody answers in time. */
  async function add(entry: Waiting): Promise<Held | null> {
    const where = sending.where()
    if (!where) return null
    keep(where.person, where.makeover, entry)
    waiting.value = [...waiting.value, entry]
    const { id } = entry.changeSet
    const answered = new Promise<Held | null>((resolve) => {
      answers.set(id, resolve)
      setTimeout(() => resolve(null), patienceMs)
    })
    const wasAway = away.value !== null
    void send()
    if (wasAway) return null
    const held = await answered
    answers.delete(id)
    return held
  }

  let again: ReturnType<typeof setTimeout> | null = null
  let waitMs = 500
  const mostTries = 4
  /** How often the server broke on a change, by its id. */
  const broken = new Map<string, number>()
  /** Sends what waits, in order, until it is answered or nobody answers; then retries, later each time. */
  async function send(): Promise<void> {
    const where = sending.where()
    if (busy.value || !where) return
    busy.value = true
    if (again) clearTimeout(again)
    let signedOut = false
    try {
      // one window of a browser sends at a time, so that changes of two windows keep their order
      const locks = (navigator as Partial<Navigator>).locks
      const all = (): Promise<void> => sendAll(where.makeover)
      await (locks ? locks.request(`bonitas.send.${where.makeover}`, all) : all())
      away.value = again = null
      waitMs = 500
    } catch (error) {
      signedOut = error instanceof Refused && error.status === 401
      if (signedOut) sending.signedOut()
      else {
        away.value ??= new Date()
        again = setTimeout(() => void send(), waitMs)
        waitMs = Math.min(waitMs * 2, 8000)
      }
      for (const answer of answers.values()) answer(null)
    } finally {
      busy.value = false
    }
    if (away.value || signedOut) return
    if (sorted.value.going.length > 0) void send()
    else sending.idle()
  }

  async function sendAll(makeoverId: string): Promise<void> {
    for (;;) {
      reread()
      const next = sorted.value.going[0]
      if (!next || sending.where()?.makeover !== makeoverId) return sending.shown()
      try {
        const { rev } = await sending.post(makeoverId, next.changeSet)
        await answered(makeoverId, next, rev)
      } catch (error) {
        if (!(error instanceof Refused) || error.status === 401 || error.status === 429) throw error
        // what the server breaks on is not sent for ever: it is put aside with its words, and the rest goes on
        if (error.status >= 500) {
          const tried = (broken.get(next.changeSet.id) ?? 0) + 1
          broken.set(next.changeSet.id, tried)
          if (tried < mostTries) throw error
        }
        const { faults, conflicts, detail } = error.problem
        // an answer that was lost before an update of the page: the id is known, only its words are new
        if (next.old && faults?.[0]?.code === 'id') await answered(makeoverId, next, -1)
        else
          await hold(
            makeoverId,
            next,
            error.status === 409
              ? { is: 'conflict', conflicts: conflicts ?? [] }
              : { is: 'refused', faults: faults ?? [fault('refused', null, null, null, detail)] },
          )
      }
    }
  }

  async function answered(makeoverId: string, { changeSet }: Waiting, rev: number): Promise<void> {
    const where = sending.where()
    if (where) drop(where.person, makeoverId, changeSet.id)
    savedAt.value = new Date()
    await sending.taken(changeSet, rev)
    answers.get(changeSet.id)?.(null)
  }

  async function hold(makeoverId: string, entry: Waiting, held: Held): Promise<void> {
    const where = sending.where()
    if (where) keep(where.person, makeoverId, { ...entry, held })
    reread()
    await sending.refresh()
    await sending.shown()
    answers.get(entry.changeSet.id)?.(held)
  }

  /** Gives up a change that waits, and what rests on it; says which those were. */
  function giveUp(id: string): string[] {
    const where = sending.where()
    const gone = [id, ...(sorted.value.resting.get(id) ?? []).map((entry) => entry.changeSet.id)]
    if (where) for (const goneId of gone) drop(where.person, where.makeover, goneId)
    reread()
    return gone
  }

  /** A held change as it was decided: sent again, or taken out where nothing is left of it, so that what rests on it goes on. */
  function settle(id: string, operations: readonly Operation[] | null, base: Documents): void {
    const where = sending.where()
    const entry = waiting.value.find(({ changeSet }) => changeSet.id === id)
    if (!where || !entry) return
    if (operations?.length === 0) {
      const rows = anyRows(base)
      for (const later of sorted.value.resting.get(id) ?? []) {
        const rebased = later.changeSet.operations.map((operation) =>
          operation.base === id
            ? { ...operation, base: rows[operation.kind][operation.id]?.version ?? operation.base }
            : operation,
        )
        keep(where.person, where.makeover, { ...later, changeSet: { ...later.changeSet, operations: rebased } })
      }
      drop(where.person, where.makeover, id)
    } else {
      const changeSet = { ...entry.changeSet, operations: operations ?? entry.changeSet.operations }
      keep(where.person, where.makeover, { ...entry, held: null, changeSet })
    }
    reread()
  }

  return { waiting, sorted, busy, away, savedAt, add, send, reread, rereadAll, giveUp, settle }
}
