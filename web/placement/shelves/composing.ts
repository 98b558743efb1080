import { proxy } from 'comlink'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { edit } from '#core/makeover/change.ts'
import { reasonsOfShelf, type Arranged } from '#core/placement/index.ts'
import { placing } from '../placing.ts'
import type { OnAShelf } from './on-a-shelf.ts'

/** An order of the things of a shelf that pleases more: looked for by the worker, looked at, and taken or left. */
export function useComposing(on: OnAShelf) {
  const done = ref<number | null>(null)
  const found = shallowRef<Arranged | null>(null)
  let seed = 1
  async function run(): Promise<void> {
    const { opened, piece, rules } = on
    if (!opened.value || !piece.value || done.value !== null) return
    done.value = 0
    // what the worker tells on the way may come after what it found
    let isOver = false
    try {
      const arranged = await placing().compose(
        toRaw(opened.value),
        { ...toRaw(rules.value) },
        piece.value.id,
        seed++,
        proxy((share: number) => {
          if (!isOver) done.value = share
        }),
      )
      found.value = arranged
      on.thought.value = new Map((arranged?.places ?? []).map(({ id, board, alongMm }) => [id, { board, alongMm }]))
    } catch (error) {
      on.problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      isOver = true
      done.value = null
    }
  }
  const stop = (): void => void placing().stop()
  const reasons = computed(() => (found.value ? reasonsOfShelf(found.value) : []))
  async function take(): Promise<void> {
    const places = found.value?.places ?? []
    const operations = places.flatMap(({ id, board, alongMm }) => {
      const row = on.rowOf(id)
      return row ? [edit('showpiece', row, { board, alongMm: Math.round(alongMm * 10) / 10 })] : []
    })
    await on.tell(`Composed ${on.piece.value?.name ?? 'the shelf'} anew`, operations)
    found.value = null
  }
  function leave(): void {
    found.value = null
    on.thought.value = new Map()
  }
  // of the same shelf another version may come at any time
  watch(() => on.piece.value?.id, leave)
  return { done, found, reasons, run, stop, take, leave }
}
