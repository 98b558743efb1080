import { proxy } from 'comlink'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, toRaw, watchEffect } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import {
  dateAt,
  dayMinutes,
  floorOf,
  scheduleOf,
  slipped,
  trialOf,
  type Odds,
  type Planned,
  type WorkAsked,
} from '#core/calendar/index.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { far, runs } from './far.ts'

/** The calendar on the screen: the plan, a task in the hand with all that moves with it, what slips, and the chances. */
export function useCalendar() {
  const makeover = useMakeover()
  const rows = useRows('task')
  const plan = computed(() => makeover.reckoning?.schedule ?? null)
  const today = computed(() => makeover.reckoning?.today ?? null)
  const asked = computed((): WorkAsked | null => {
    const { opened, reckoning } = makeover
    return opened && reckoning
      ? {
          makeover: opened.makeover,
          practice: reckoning.practice,
          today: reckoning.today,
          takeOffs: reckoning.takeOffs,
          money: reckoning.money,
          floorM2: (roomId) => floorOf(reckoning.survey, roomId),
        }
      : null
  })
  const selectedKey = ref('')
  const selected = computed(() => plan.value?.tasks.find(({ key }) => key === selectedKey.value) ?? null)

  /** What is dragged, and by how many days. */
  const held = shallowRef<{ readonly key: string; readonly days: number } | null>(null)
  const tried = computed(() => {
    const task = plan.value?.tasks.find(({ key }) => key === held.value?.key)
    return asked.value && held.value && task && held.value.days !== 0
      ? scheduleOf(asked.value, trialOf(task, held.value.days))
      : null
  })
  /** Where everything comes that would move, by keys. */
  const shifted = computed(() => {
    const before = new Map(plan.value?.tasks.map((task) => [task.key, task]))
    return (tried.value?.tasks ?? []).filter((task) => before.get(task.key)?.start !== task.start)
  })

  const slipDays = ref(7)
  const slip = computed(() =>
    asked.value && plan.value && selected.value && slipDays.value > 0 && !selected.value.isDone
      ? slipped(asked.value, plan.value, selected.value, slipDays.value)
      : null,
  )

  const odds = shallowRef<Odds | null>(null)
  /** How many runs are done while they are tried; null while none are. */
  const running = ref<number | null>(null)
  watchEffect((onCleanup) => {
    let isWanted = true
    onCleanup(() => (isWanted = false))
    const there = plan.value
    if (!there || there.tasks.length === 0) return void (odds.value = null)
    running.value = 0
    void far()
      .odds(
        toRaw(there.net),
        toRaw(there.chain),
        there.installOn,
        runs,
        proxy((done: number) => {
          if (isWanted) running.value = done
        }),
      )
      .then((found) => {
        if (!isWanted) return
        running.value = null
        if (found) odds.value = found
      })
  })

  const problem = ref('')
  async function tell(sentence: string, operations: readonly Operation[]): Promise<void> {
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map(({ message }) => message).join('; ')
  }
  const rowOf = (key: string) => rows.value.find((row) => row.key === key || (row.key === '' && row.id === key)) ?? null
  /** What is said of a task: in its row, made where it has none yet. */
  const say = (task: Planned, fields: Partial<Fields<'task'>>): Operation => {
    const row = rowOf(task.key)
    const trade = task.trade === 'seller' ? 'studio' : task.trade
    return row
      ? edit('task', row, fields)
      : add('task', uuidv7(), { ...blank.task, key: task.key, trade, roomId: task.roomId, ...fields })
  }
  const tick = (task: Planned, on: PlainDate | null): Promise<void> =>
    tell(on ? `Done: ${task.name}` : `Not done after all: ${task.name}`, [say(task, { doneOn: on })])
  /** A row of its own, for pictures to hang on. */
  const keep = (task: Planned): Promise<void> => tell(`Photographs of ${task.name}`, [say(task, {})])
  const pin = (task: Planned, on: PlainDate | null): Promise<void> =>
    tell(on ? `${task.name} is set to a day` : `${task.name} begins when it can`, [say(task, { pinnedOn: on })])

  function move(key: string, days: number): void {
    held.value = { key, days }
  }
  async function put(): Promise<void> {
    const hand = held.value
    const task = plan.value?.tasks.find(({ key }) => key === hand?.key)
    if (hand && task && hand.days !== 0) {
      const moved = task.is === 'lead' ? task.finish : task.start
      await pin(task, dateAt(moved + hand.days * dayMinutes))
    }
    if (held.value === hand) held.value = null
  }
  return {
    plan,
    today,
    selectedKey,
    selected,
    held,
    shifted,
    tried,
    slipDays,
    slip,
    odds,
    running,
    runs,
    stop: () => void far().stop(),
    problem,
    rowOf,
    tick,
    keep,
    pin,
    move,
    put,
  }
}
export type Calendar = ReturnType<typeof useCalendar>
