import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import { firstPlace, placeSet, snapped, type Ground, type Standing, type Waiting } from '#core/placement/index.ts'
import { usePutAtRest } from '../parts/at-rest.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** What a hand does on the plan: carries in, moves, turns, cures, puts back. Each is one change once it is put down. */
export function useHand(plan: OnThePlan) {
  const makeover = useMakeover()
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
    // moved on while it was being put down, it stays in the hand
    if (held.value === hand) held.value = null
  }
  const putSoon = usePutAtRest(put)
  function nudge(x: number, y: number, turn = 0): void {
    const id = selectedId.value
    if (id === '' || !hold(id) || !raw) return
    carry({ xMm: raw.xMm + x, yMm: raw.yMm + y, turnDeg: (raw.turnDeg + turn + 360) % 360 }, false)
    putSoon()
  }

  const ground = (): Ground | null => (plan.ready.value ? { ...plan.ready.value, rules: rules.value } : null)
  /** The room gets its first layout with what is put down first. */
  async function stand(
    places: readonly { readonly item: Waiting; readonly at: Standing; readonly id?: string }[],
    sentence: string,
  ): Promise<void> {
    if (!room.value) return
    const layoutId = layout.value?.id ?? uuidv7()
    const ids = places.map(({ id }) => id ?? uuidv7())
    selectedId.value = ids[0] ?? ''
    await tell(sentence, [
      ...(layout.value
        ? []
        : [add('layout', layoutId, { ...blank.layout, roomId: room.value.id, name: 'As it will be' })]),
      ...places.map(({ item: { thing, number }, at }, index) =>
        add('standing', ids[index] ?? uuidv7(), {
          ...blank.standing,
          layoutId,
          pieceId: thing.piece.id,
          number,
          xMm: tenth(at.xMm),
          yMm: tenth(at.yMm),
          turnDeg: tenth(at.turnDeg) % 360,
        }),
      ),
    ])
  }
  /** In from the door: where least is wrong with it. */
  async function place(item: Waiting): Promise<void> {
    const floor = ground()
    if (floor)
      await stand([{ item, at: firstPlace(floor, standing.value, item.thing) }], `Carried in ${item.thing.piece.name}`)
  }
  /** All of a piece: round the table they belong to, a pair on both sides of something, or one after the other. */
  async function placeAll(items: readonly Waiting[]): Promise<void> {
    const floor = ground()
    const name = items[0]?.thing.piece.name ?? ''
    if (floor) await stand(placeSet(floor, standing.value, items), `Carried in ${items.length} of ${name}`)
  }
  async function back(): Promise<void> {
    const row = plan.rowOf(selectedId.value)
    if (!row) return
    const name = nameOf(row.id)
    // what is taken up next stays in hand while the server answers
    selectedId.value = ''
    await tell(`Put ${name} back at the door`, [remove('standing', row)])
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

  /** Taken up at the door by a mouse: it hangs on the hand over the plan, and is put down where it is let go. */
  let brought: { item: Waiting; id: string } | null = null
  function bring(entry: Waiting, { x, y, isOn }: { x: number; y: number; isOn: boolean }): void {
    if (!isOn || !setting.value) {
      held.value = null
      return
    }
    if (brought?.item !== entry) {
      raw = null
      brought = { item: entry, id: uuidv7() }
    }
    const { thing, number } = entry
    const at = { xMm: x, yMm: y, turnDeg: raw?.turnDeg ?? 0 }
    raw = at
    held.value = {
      id: brought.id,
      pieceId: thing.piece.id,
      number,
      at: snapped(setting.value, standing.value, thing, at),
    }
  }
  async function letDown(): Promise<void> {
    const hand = held.value
    if (brought && hand?.id === brought.id)
      await stand([{ ...brought, at: hand.at }], `Carried in ${brought.item.thing.piece.name}`)
    held.value = brought = null
  }
  return { problem, move, put, nudge, place, placeAll, bring, letDown, back, pin, enforce }
}
