import { useDebounceFn } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { ref, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import {
  firstPlace,
  keyOfCheck,
  leastMove,
  snapped,
  type Check,
  type Ground,
  type Standing,
  type Waiting,
} from '#core/placement/index.ts'
import { writeLength } from '#core/measure/length.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** What a hand does on the plan: carries in, moves, turns, cures, puts back. Each is one change once it is put down. */
export function useHand(plan: OnThePlan) {
  const makeover = useMakeover()
  const entry = useEntry()
  const { rules, room, setting, things, layouts, layout, standing, held, bodies, selectedId } = plan
  const problem = ref('')
  const tell = async (sentence: string, operations: readonly Operation[]): Promise<void> => {
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map(({ message }) => message).join('; ')
  }
  const nameOf = (id: string): string => bodies.value.find((body) => body.id === id)?.name ?? 'it'

  /** Where the hand itself is: what is drawn to a wall leaves it again as the hand goes on. */
  let raw: Standing | null = null
  function hold(id: string): boolean {
    if (held.value?.id === id) return true
    const row = plan.rowOf(id)
    if (!row) return false
    raw = { xMm: row.xMm, yMm: row.yMm, turnDeg: row.turnDeg }
    held.value = { id, pieceId: row.pieceId, number: row.number, at: raw }
    return true
  }
  function carry(at: Standing, isDrawn: boolean): void {
    const hand = held.value
    const thing = hand && things.value.get(hand.pieceId)
    if (!hand || !thing || !setting.value) return
    raw = at
    const rest = standing.value.filter(({ id }) => id !== hand.id)
    held.value = { ...hand, at: isDrawn ? snapped(setting.value, rest, thing, at) : at }
  }
  function move(id: string, { x, y }: { x: number; y: number }): void {
    if (hold(id) && raw) carry({ ...raw, xMm: raw.xMm + x, yMm: raw.yMm + y }, true)
  }
  const tenth = (value: number): number => Math.round(value * 10) / 10
  async function put(): Promise<void> {
    const hand = held.value
    const row = hand && plan.rowOf(hand.id)
    if (!hand || !row) return
    const { xMm, yMm, turnDeg } = hand.at
    await tell(`Moved ${nameOf(hand.id)}`, [
      edit('standing', row, { xMm: tenth(xMm), yMm: tenth(yMm), turnDeg: tenth(turnDeg) % 360 }),
    ])
    if (held.value?.id === hand.id) held.value = null
  }
  const putSoon = useDebounceFn(put, 500)
  function nudge(x: number, y: number, turn = 0): void {
    const id = selectedId.value
    if (id === '' || !hold(id) || !raw) return
    carry({ xMm: raw.xMm + x, yMm: raw.yMm + y, turnDeg: (raw.turnDeg + turn + 360) % 360 }, false)
    void putSoon()
  }

  const ground = (): Ground | null => (plan.ready.value ? { ...plan.ready.value, rules: rules.value } : null)
  /** In from the door: where least is wrong with it; the room gets its first layout with it. */
  async function place({ thing, number }: Waiting): Promise<void> {
    const floor = ground()
    if (!floor || !room.value) return
    const at = firstPlace(floor, standing.value, thing)
    const [id, layoutId] = [uuidv7(), layout.value?.id ?? uuidv7()]
    await tell(`Carried in ${thing.piece.name}`, [
      ...(layout.value
        ? []
        : [add('layout', layoutId, { ...blank.layout, roomId: room.value.id, name: 'As it will be' })]),
      add('standing', id, {
        ...blank.standing,
        layoutId,
        pieceId: thing.piece.id,
        number,
        xMm: tenth(at.xMm),
        yMm: tenth(at.yMm),
        turnDeg: tenth(at.turnDeg),
      }),
    ])
    selectedId.value = id
  }
  async function back(): Promise<void> {
    const row = plan.rowOf(selectedId.value)
    if (!row) return
    await tell(`Put ${nameOf(row.id)} back at the door`, [remove('standing', row)])
    selectedId.value = ''
  }
  async function pin(): Promise<void> {
    const row = plan.rowOf(selectedId.value)
    if (row)
      await tell(row.pinned ? `${nameOf(row.id)} may be moved` : `${nameOf(row.id)} stays where it is`, [
        edit('standing', row, { pinned: !row.pinned }),
      ])
  }
  /** Of a room's layouts one is in force. */
  async function enforce(): Promise<void> {
    const chosen = layout.value
    if (!chosen) return
    await tell(`The layout ${chosen.name} is in force`, [
      ...layouts.value.filter((row) => row.inForce).map((row) => edit('layout', row, { inForce: false })),
      edit('layout', chosen, { inForce: true }),
    ])
  }

  /** What was asked for and is not to be had: checks that no move cures. */
  const incurable = ref<ReadonlySet<string>>(new Set())
  watch(standing, () => (incurable.value = new Set()))
  const keyOf = ({ code, ids, about }: Check): string => `${code} ${ids.join(' ')} ${about}`
  async function cure(check: Check): Promise<void> {
    const floor = ground()
    if (!floor) return
    const free = check.ids.filter((id) => plan.rowOf(id)?.pinned === false)
    const found = leastMove(floor, standing.value, free, keyOfCheck(check))
    const row = found && plan.rowOf(found.id)
    if (!found || !row) {
      incurable.value = new Set([...incurable.value, keyOf(check)])
      return
    }
    const far = writeLength(Math.round(found.byMm), entry.value.units)
    const { xMm, yMm, turnDeg } = found.at
    await tell(`Moved ${nameOf(found.id)} by ${far}${found.turned ? ', and turned it' : ''}: the least that helps`, [
      edit('standing', row, { xMm: tenth(xMm), yMm: tenth(yMm), turnDeg: tenth(turnDeg) }),
    ])
  }
  return { problem, move, put, nudge, place, back, pin, enforce, cure, incurable, keyOf }
}
