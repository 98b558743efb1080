import { proxy } from 'comlink'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { bodyOf, type Body, type Tried } from '#core/placement/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { Found, Numbered } from '../workers/placing.worker.ts'
import type { OnThePlan } from './on-the-plan.ts'
import { placing, useScene } from './placing.ts'

/** What is to be arranged: what waits at the door, or all that is not kept where it is. */
export type What = 'what waits at the door' | 'all that is not pinned'

/** Arrangements that are looked for, looked at, and taken. */
export function useArranging(plan: OnThePlan) {
  const makeover = useMakeover()
  const entry = useEntry()
  const scene = useScene(plan)
  const { room, layout, things, standing, waiting, rowOf } = plan
  const tried = shallowRef<Tried | null>(null)
  const found = shallowRef<readonly Found[] | null>(null)
  const at = ref(0)
  const problem = ref('')
  const what = ref<What>('what waits at the door')
  const items = computed((): Numbered[] => {
    const free = standing.value.flatMap(({ id }): Numbered[] => {
      const row = rowOf(id)
      return row && !row.pinned ? [{ pieceId: row.pieceId, number: row.number }] : []
    })
    const door = waiting.value.map(({ thing, number }) => ({ pieceId: thing.piece.id, number }))
    return what.value === 'what waits at the door' ? door : [...door, ...free]
  })
  let seed = 1
  async function run(): Promise<void> {
    const looked = scene()
    if (!looked || items.value.length === 0 || tried.value) return
    problem.value = ''
    tried.value = { done: 0, all: 1 }
    // what the worker tells on the way may come after what it found
    let isOver = false
    try {
      found.value = await placing().arrange(
        looked,
        items.value.map((item) => ({ ...item })),
        seed++,
        entry.value.units,
        proxy((step: Tried) => {
          if (!isOver) tried.value = step
        }),
      )
      at.value = 0
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      isOver = true
      tried.value = null
    }
  }
  const stop = (): void => void placing().stop()
  const shown = computed(() => found.value?.[at.value] ?? null)
  /** The room as the arrangement that is looked at would have it. */
  const bodies = computed((): readonly Body[] | null => {
    const looked = shown.value
    if (!looked) return null
    const isMoved = (id: string): boolean => {
      const row = rowOf(id)
      return looked.places.some(({ pieceId, number }) => row?.pieceId === pieceId && row.number === number)
    }
    return [
      ...standing.value.filter(({ id }) => !isMoved(id)),
      ...looked.places.flatMap(({ pieceId, number, at: place }) => {
        const thing = things.value.get(pieceId)
        return thing ? [bodyOf(thing, `${pieceId} ${number}`, place, number)] : []
      }),
    ]
  })
  const tenth = (value: number): number => Math.round(value * 10) / 10
  const placeOf = ({ at: { xMm, yMm, turnDeg } }: Found['places'][number]) => ({
    xMm: tenth(xMm),
    yMm: tenth(yMm),
    turnDeg: tenth(turnDeg) % 360,
  })
  async function tell(sentence: string, operations: readonly Operation[]): Promise<void> {
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map(({ message }) => message).join('; ')
    if (faults.length === 0) found.value = null
  }
  /** Into the layout on the plan, in one change. */
  async function take(): Promise<void> {
    const [looked, here] = [shown.value, room.value]
    if (!looked || !here) return
    const layoutId = layout.value?.id ?? uuidv7()
    await tell(`Arranged ${looked.places.length} things`, [
      ...(layout.value ? [] : [add('layout', layoutId, { ...blank.layout, roomId: here.id, name: 'As it will be' })]),
      ...looked.places.map((place) => {
        const row = plan.allRows.value.find((known) => known.pieceId === place.pieceId && known.number === place.number)
        return row
          ? edit('standing', row, placeOf(place))
          : add('standing', uuidv7(), {
              ...blank.standing,
              layoutId,
              pieceId: place.pieceId,
              number: place.number,
              ...placeOf(place),
            })
      }),
    ])
  }
  /** As a layout of its own, which is not in force. */
  async function keep(): Promise<void> {
    const [looked, here] = [shown.value, room.value]
    if (!looked || !here) return
    const layoutId = uuidv7()
    const isMoved = (row: Numbered): boolean =>
      looked.places.some(({ pieceId, number }) => row.pieceId === pieceId && row.number === number)
    const name = `Arrangement ${plan.layouts.value.length + 1}`
    await tell(`Kept as the layout ${name}`, [
      add('layout', layoutId, {
        ...blank.layout,
        roomId: here.id,
        name,
        place: plan.layouts.value.length,
        inForce: plan.layouts.value.length === 0,
      }),
      ...plan.allRows.value
        .filter((row) => !isMoved(row))
        .map(({ pieceId, number, xMm, yMm, turnDeg, pinned }) =>
          add('standing', uuidv7(), { layoutId, pieceId, number, xMm, yMm, turnDeg, pinned }),
        ),
      ...looked.places.map((place) =>
        add('standing', uuidv7(), {
          ...blank.standing,
          layoutId,
          pieceId: place.pieceId,
          number: place.number,
          ...placeOf(place),
        }),
      ),
    ])
  }
  // what was found for another room, or another state of it, says nothing any more
  watch(plan.stance, () => (found.value = null))
  return { tried, found, at, what, items, problem, run, stop, bodies, take, keep }
}
export type Arranging = ReturnType<typeof useArranging>
