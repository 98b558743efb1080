import { computed, shallowRef, type ComputedRef, type ShallowRef } from 'vue'
import type { Makeover } from '#core/makeover/document.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { areasOf, roomsOf, type Room, type RoomAreas } from '#core/survey/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** What is being typed into a wall or a check measure and is not saved yet: the drawing follows each key. */
export type Draft = {
  readonly kind: 'wall' | 'diagonal'
  readonly id: string
  readonly fields: Partial<Fields<'wall'>>
} | null

/** The rooms as they are measured, with what is being typed laid over them. */
export function useRooms(): {
  rooms: ComputedRef<readonly Room[]>
  saved: ComputedRef<readonly Room[]>
  areas: (room: Room) => RoomAreas | null
  draft: ShallowRef<Draft>
} {
  const makeover = useMakeover()
  const draft = shallowRef<Draft>(null)
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const shown = computed<Makeover | null>(() => {
    const open = makeover.opened?.makeover
    const typed = draft.value
    if (!open) return null
    const row = typed ? open.rows[typed.kind][typed.id] : undefined
    if (!typed || !row) return open
    return {
      ...open,
      rows: { ...open.rows, [typed.kind]: { ...open.rows[typed.kind], [typed.id]: { ...row, ...typed.fields } } },
    }
  })
  const rooms = computed(() => (shown.value ? roomsOf(shown.value, rules.value) : []))
  // what does not follow each key looks at the rooms as they are saved
  const saved = computed(() => (makeover.opened ? roomsOf(makeover.opened.makeover, rules.value) : []))
  return { rooms, saved, areas: (room) => (shown.value ? areasOf(shown.value, room, rules.value) : null), draft }
}
