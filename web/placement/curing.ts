import { computed, ref, shallowRef, watch } from 'vue'
import { edit } from '#core/makeover/change.ts'
import { bodyOf, keyOfCheck, keyOfWay, type Body, type Check, type Moved, type Way } from '#core/placement/index.ts'
import { writeLength } from '#core/measure/length.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'
import { placing, useScene } from './placing.ts'

/** The least move that cures a check or a way: looked for by the worker, shown on the plan, and done or left. */
export function useCuring(plan: OnThePlan) {
  const makeover = useMakeover()
  const entry = useEntry()
  const scene = useScene(plan)
  const { standing } = plan
  const problem = ref('')
  /** What is looked for, by its key. */
  const looking = ref('')
  const incurable = ref<ReadonlySet<string>>(new Set())
  const found = shallowRef<{ key: string; moves: readonly Moved[] } | null>(null)
  watch(plan.stance, () => {
    incurable.value = new Set()
    found.value = null
  })
  async function look(ids: readonly string[], key: string): Promise<void> {
    const looked = scene()
    if (!looked || looking.value !== '') return
    looking.value = key
    const free = standing.value.flatMap(({ id }) => (plan.rowOf(id)?.pinned === false ? [id] : []))
    try {
      const moves = await placing().cure(looked, [...ids], key, free)
      if (moves) found.value = { key, moves }
      else incurable.value = new Set([...incurable.value, key])
    } finally {
      looking.value = ''
    }
  }
  const lookAt = (check: Check): Promise<void> => look(check.ids, keyOfCheck(check))
  const widen = (way: Way): Promise<void> =>
    look(
      (way.narrowest?.between ?? []).flatMap((body) => body?.id ?? []),
      keyOfWay(way),
    )
  const nameOf = (id: string): string => standing.value.find((body) => body.id === id)?.name ?? 'it'
  /** "Cup table by 150 mm", for what is shown and for what is done. */
  const words = computed(() =>
    (found.value?.moves ?? [])
      .map(({ id, byMm, turned }) => {
        const far = writeLength(Math.round(byMm), entry.value.units)
        return `${nameOf(id)}${byMm > 0 ? ` by ${far}` : ''}${turned ? `${byMm > 0 ? ' and' : ''} turned` : ''}`
      })
      .join(', and '),
  )
  /** Where things would go. */
  const thought = computed((): readonly Body[] =>
    (found.value?.moves ?? []).flatMap(({ id, at }) => {
      const body = standing.value.find((known) => known.id === id)
      return body?.thing ? [{ ...bodyOf(body.thing, id, at), name: body.name }] : []
    }),
  )
  const tenth = (value: number): number => Math.round(value * 10) / 10
  async function take(): Promise<void> {
    const faults = await makeover.change(
      `Moved ${words.value}: the least that helps`,
      (found.value?.moves ?? []).flatMap(({ id, at: { xMm, yMm, turnDeg } }) => {
        const row = plan.rowOf(id)
        return row ? [edit('standing', row, { xMm: tenth(xMm), yMm: tenth(yMm), turnDeg: tenth(turnDeg) % 360 })] : []
      }),
    )
    problem.value = faults.map(({ message }) => message).join('; ')
    found.value = null
  }
  const leave = (): void => void (found.value = null)
  return { looking, incurable, found, words, thought, lookAt, widen, take, leave, problem }
}
export type Curing = ReturnType<typeof useCuring>
