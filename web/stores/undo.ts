import { byId } from '#core/makeover/by-id.ts'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { shallowRef } from 'vue'
import { holdsPersonal, undoOf, undoStack, type Done, type Undo } from '#core/diary/index.ts'
import { NoAnswer, request } from '../api.ts'
import { putAllDown } from '../parts/at-rest.ts'
import { useMakeover } from './makeover.ts'

/** What came of undoing, as it is said to whoever asked for it. */
export type Said = {
  readonly text: string
  readonly stop: boolean
  readonly opposite: (Undo & { is: 'refused' })['opposite']
}

/** Undo and redo of one's own changes, in the order they were made, across all pages of a makeover. */
export const useUndo = defineStore('undo', () => {
  const makeover = useMakeover()
  const said = shallowRef<Said | null>(null)
  function say(text: string, stop = false, opposite: Said['opposite'] = null): void {
    said.value = { text, stop, opposite }
  }

  /** One's own changes, oldest first: from the diary as far as it can be reached, and what was done here since. */
  async function own(): Promise<readonly Done[]> {
    const id = makeover.base?.makeover.id ?? ''
    const kept = await request<Done[]>('GET', `/makeovers/${id}/diary?mine=yes`).then(
      (page) => page.toReversed(),
      (error: unknown) => {
        if (error instanceof NoAnswer) return null
        throw error
      },
    )
    if (kept === null) return makeover.done
    const waiting = new Set(makeover.waiting.map((waiting) => waiting.changeSet.id))
    const known = new Set(kept.map((done) => done.id))
    // answered while the diary was being read: newer than all of it
    const newest = kept.at(-1)?.id ?? ''
    return [
      ...kept.map(withPersonal),
      ...makeover.done.filter((entry) => !known.has(entry.id) && (waiting.has(entry.id) || entry.id > newest)),
    ]
  }

  /** Where the diary hides what is personal, what this window remembers of it. */
  const withPersonal = (done: Done): Done => (holdsPersonal(done.rows) ? (byId(makeover.done, done.id) ?? done) : done)

  async function step(which: 'undo' | 'redo'): Promise<void> {
    if (makeover.past) {
      say('This is an earlier moment: go back to now first.', true)
      return
    }
    try {
      putAllDown()
      await makeover.entered()
      const all = await own()
      const id = undoStack(all)[which]
      const done = byId(all, id)
      if (done) await takeBack(done)
      else say(which === 'undo' ? 'There is nothing of yours to undo.' : 'There is nothing to do again.')
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), true)
    }
  }

  /** Takes back one change of one's own, whichever it is. */
  async function takeBack(change: Done): Promise<void> {
    const done = withPersonal(change)
    const opened = makeover.opened
    if (!opened) return
    const undo = undoOf(done, opened, opened.today, uuidv7)
    if (undo.is === 'refused') {
      say(`“${done.sentence}” cannot be undone: ${undo.why}.`, true, undo.opposite)
      return
    }
    const faults = await makeover.change(undo.sentence, undo.operations, done.id)
    if (faults.length > 0)
      say(`“${done.sentence}” cannot be undone: ${faults.map((fault) => fault.message).join('; ')}.`, true)
    else say(`${undo.sentence}.`)
  }

  async function enterOpposite(): Promise<void> {
    const opposite = said.value?.opposite
    if (!opposite) return
    const faults = await makeover.change(opposite.sentence, opposite.operations)
    if (faults.length > 0) say(faults.map((fault) => fault.message).join('; '), true)
    else say(`${opposite.sentence}.`)
  }
  /** One after the other, however fast the keys are pressed. */
  let last: Promise<void> = Promise.resolve()
  const inTurn = (which: 'undo' | 'redo'): Promise<void> => (last = last.then(() => step(which)))
  return { said, undo: () => inTurn('undo'), redo: () => inTurn('redo'), takeBack, enterOpposite }
})
