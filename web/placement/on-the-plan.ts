import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import {
  allChecks,
  atTheDoor,
  bodiesIn,
  bodyOf,
  checksOf,
  floorOf,
  layoutOf,
  layoutsOf,
  thingsOf,
  waysOf,
  withBodies,
  type Body,
  type Standing,
  type Thing,
} from '#core/placement/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { useMakeover } from '../stores/makeover.ts'

const none: ReadonlyMap<string, Thing> = new Map()
/** A thing that is held and not put down yet: where it would stand. */
export type Held = { readonly id: string; readonly pieceId: string; readonly number: number; readonly at: Standing }

/** What of the placement is looked at: a room with its layout, what stands there, and what is held, checked as it moves. */
export function useOnThePlan(roomAsked: Ref<string>, layoutAsked: Ref<string>) {
  const makeover = useMakeover()
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const rooms = computed(() =>
    makeover.opened ? roomsOf(makeover.opened.makeover, rules.value).filter(({ outline }) => outline.length > 2) : [],
  )
  const room = computed(() => rooms.value.find(({ id }) => id === roomAsked.value) ?? rooms.value[0] ?? null)
  const ready = computed(() => (room.value ? floorOf(room.value) : null))
  const setting = computed(() => ready.value?.setting ?? null)
  const things = computed(() => (makeover.opened ? thingsOf(makeover.opened.makeover, rules.value) : none))
  const layouts = computed(() =>
    makeover.opened && room.value ? layoutsOf(makeover.opened.makeover, room.value.id) : [],
  )
  const layout = computed(
    (): Row<'layout'> | null =>
      layouts.value.find(({ id }) => id === layoutAsked.value) ??
      (makeover.opened && room.value ? layoutOf(makeover.opened.makeover, room.value.id) : null),
  )
  const standing = computed(() =>
    makeover.opened && layout.value ? bodiesIn(makeover.opened.makeover, layout.value.id, things.value) : [],
  )
  const waiting = computed(() =>
    makeover.opened && room.value
      ? atTheDoor(makeover.opened.makeover, room.value.id, layout.value?.id ?? null, things.value)
      : [],
  )
  const held = shallowRef<Held | null>(null)
  const heldBody = computed((): Body | null => {
    const hand = held.value
    const thing = hand && things.value.get(hand.pieceId)
    return hand && thing ? bodyOf(thing, hand.id, hand.at, hand.number) : null
  })
  const heldId = computed(() => held.value?.id)
  /** All but what is held: the same list as long as the same thing is, wherever it is. */
  const rest = computed(() => {
    const id = heldId.value
    return id === undefined ? standing.value : standing.value.filter((body) => body.id !== id)
  })
  const bodies = computed(() => (heldBody.value ? [...rest.value, heldBody.value] : standing.value))

  // what does not move with the hand is worked out once: the floor with the rest on it
  const solids = computed(() => [...rest.value, ...(setting.value?.built ?? [])])
  const floor = computed(() => (ready.value ? withBodies(ready.value.bare, solids.value) : null))
  const ways = computed(() => {
    if (!ready.value || !floor.value) return []
    const [field, all] = heldBody.value
      ? [withBodies(floor.value, [heldBody.value], solids.value.length), [...solids.value, heldBody.value]]
      : [floor.value, solids.value]
    return waysOf(ready.value.setting, field, all, rules.value['place.way-main'], ready.value.ends)
  })
  const selectedId = ref('')
  watch([room, layout], () => (held.value = null))
  const selected = computed(() => bodies.value.find(({ id }) => id === selectedId.value) ?? null)
  const checks = computed(() => {
    if (!setting.value) return []
    return heldBody.value
      ? checksOf(setting.value, bodies.value, heldBody.value, rules.value)
      : allChecks(setting.value, bodies.value, rules.value)
  })
  const rowOf = (id: string): Row<'standing'> | undefined => makeover.opened?.makeover.rows.standing[id]
  const allRows = computed(() =>
    makeover.opened
      ? rowsOf(makeover.opened.makeover, 'standing').filter((row) => row.layoutId === layout.value?.id)
      : [],
  )
  /** Changes when something stands elsewhere than before, not when the server answers. */
  const stance = computed(() =>
    [
      room.value?.id,
      layout.value?.id,
      ...standing.value.map(({ id, at: { xMm, yMm, turnDeg } }) => `${id} ${xMm} ${yMm} ${turnDeg}`),
    ].join(','),
  )
  return {
    stance,
    rules,
    rooms,
    room,
    ready,
    setting,
    things,
    layouts,
    layout,
    standing,
    waiting,
    held,
    bodies,
    ways,
    selectedId,
    selected,
    checks,
    rowOf,
    allRows,
  }
}
export type OnThePlan = ReturnType<typeof useOnThePlan>
