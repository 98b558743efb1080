<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { roles, type Role } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import type { Printed } from '../parts/printed.ts'
import { dropAt, inOrder, layTray, moved, type Laid } from './tray.ts'

/**
 * Each finish as large as it is seen in the room, by role. A chip is taken up by a click. It is moved by
 * dragging it, by holding it down on a touch screen, or with Alt and the arrows.
 */
const { finishes, taken, lrvOf, printOf } = defineProps<{
  finishes: readonly Laid[]
  taken: readonly string[]
  lrvOf: (id: string) => number
  printOf: (finish: Row<'finish'>) => Printed | undefined
}>()
const emit = defineEmits<{
  take: [finish: Row<'finish'>, beside: boolean]
  move: [finish: Row<'finish'>, role: Role, index: number]
}>()
const board = useTemplateRef<HTMLElement>('board')
const { width, height } = useElementSize(board)
const aspect = computed(() => Math.max(0.4, width.value / Math.max(1, height.value)))

type Drag = {
  readonly id: string
  readonly offX: number
  readonly offY: number
  readonly wide: number
  readonly tall: number
  readonly role: Role
  readonly index: number
}
const drag = shallowRef<Drag | null>(null)
/** The chip in hand follows the pointer by itself; the tray is laid anew only when it would fall elsewhere. */
const inHand = useTemplateRef<HTMLElement>('inHand')
let held = { x: 0, y: 0 }
function carry(x: number, y: number): void {
  held = { x, y }
  if (inHand.value && drag.value)
    inHand.value.style.transform = `translate(${x - drag.value.offX}px, ${y - drag.value.offY}px)`
}
watch(inHand, () => carry(held.x, held.y))
/** While a chip is dragged, where it would fall is looked up among the others, which lie still. */
const draggedId = computed(() => drag.value?.id ?? null)
const without = computed(() =>
  draggedId.value === null
    ? null
    : layTray(
        finishes.filter(({ row }) => row.id !== draggedId.value),
        aspect.value,
      ),
)
const tray = computed(() =>
  layTray(drag.value ? moved(finishes, drag.value.id, drag.value.role, drag.value.index) : finishes, aspect.value),
)
defineExpose({ tray })
const perMm = computed(() => (tray.value.perM * height.value) / 1000)
const byId = computed(() => new Map(tray.value.places.map((place) => [place.finish.id, place])))
const chips = computed(() => finishes.map(({ row }) => ({ row, place: byId.value.get(row.id) })))
const percent = (fraction: number): string => `${(100 * fraction).toFixed(3)}%`
const dragged = computed(() => finishes.find(({ row }) => row.id === draggedId.value)?.row ?? null)

let pressed: { id: string; x: number; y: number; touch: boolean; hold: number } | null = null
let swallow = false
function fractions(x: number, y: number): { x: number; y: number } {
  const box = board.value?.getBoundingClientRect()
  return box ? { x: (x - box.left) / box.width, y: (y - box.top) / box.height } : { x: 0, y: 0 }
}
function press(row: Row<'finish'>, event: PointerEvent): void {
  if (event.button !== 0) return
  const touch = event.pointerType !== 'mouse'
  const hold = touch ? window.setTimeout(() => lift(event.clientX, event.clientY), 350) : 0
  pressed = { id: row.id, x: event.clientX, y: event.clientY, touch, hold }
}
function lift(x: number, y: number): void {
  const place = pressed && byId.value.get(pressed.id)
  if (!pressed || !place) return
  const at = fractions(pressed.x, pressed.y)
  const [wide, tall] = [place.width * width.value, place.height * height.value]
  const shrink = Math.min(1, 170 / wide, 130 / tall)
  drag.value = {
    id: pressed.id,
    offX: (at.x - place.left) * width.value * shrink,
    offY: (at.y - place.top) * height.value * shrink,
    wide: wide * shrink,
    tall: tall * shrink,
    role: place.finish.role,
    index: inOrder(finishes, place.finish.role).findIndex(({ row }) => row.id === pressed?.id),
  }
  carry(x, y)
}
function follow(x: number, y: number): void {
  const thisDrag = drag.value
  const still = without.value
  if (!thisDrag || !still) return
  carry(x, y)
  const at = fractions(x, y)
  const to = dropAt(still, at.x, at.y)
  if (to && (to.role !== thisDrag.role || to.index !== thisDrag.index)) drag.value = { ...thisDrag, ...to }
}
function letGo(): void {
  if (pressed) window.clearTimeout(pressed.hold)
  pressed = null
}
useEventListener(window, 'pointermove', (event) => {
  if (!pressed) return
  const far = Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y)
  if (!drag.value) {
    if (pressed.touch) {
      if (far > 9) letGo() // the page is being scrolled
      return
    }
    if (far < 6) return
    lift(event.clientX, event.clientY)
  }
  follow(event.clientX, event.clientY) // browsers give one move a frame
})
useEventListener(window, 'pointerup', (event) => {
  if (drag.value) {
    follow(event.clientX, event.clientY)
    const { id, role, index } = drag.value
    const row = finishes.find((finish) => finish.row.id === id)?.row
    drag.value = null
    swallow = true
    window.setTimeout(() => (swallow = false))
    if (row) put(row, role, index)
  }
  letGo()
})
useEventListener(window, 'pointercancel', () => {
  drag.value = null
  letGo()
})
useEventListener(
  window,
  'keydown',
  (event) => {
    if (event.key !== 'Escape' || !drag.value) return
    event.stopPropagation()
    drag.value = null
    letGo()
  },
  { capture: true },
)
// once a chip is lifted, the page under the finger stays where it is
useEventListener(board, 'touchmove', (event: TouchEvent) => drag.value && event.preventDefault(), { passive: false })
useEventListener(board, 'contextmenu', (event) => pressed?.touch && event.preventDefault())

const said = ref('')
function put(row: Row<'finish'>, role: Role, index: number): void {
  emit('move', row, role, index)
  const count =
    inOrder(
      finishes.filter((finish) => finish.row.id !== row.id),
      role,
    ).length + 1
  said.value = `${row.name}: ${role}, place ${Math.min(index, count - 1) + 1} of ${count}`
}
function click(row: Row<'finish'>, event: MouseEvent): void {
  if (!swallow) emit('take', row, event.shiftKey)
}
/** Alt with left and right to another role, up and down within it. */
async function keyed(row: Row<'finish'>, event: KeyboardEvent): Promise<void> {
  if (!event.altKey || !event.key.startsWith('Arrow')) return
  event.preventDefault()
  const at = inOrder(finishes, row.role).findIndex((laid) => laid.row.id === row.id)
  const step = event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : -1
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    const role = roles[roles.indexOf(row.role) + step]
    if (role) put(row, role, inOrder(finishes, role).length)
  } else if (at + step >= 0) put(row, row.role, at + step)
  const chip = event.currentTarget
  await nextTick()
  if (chip instanceof HTMLElement) chip.focus()
}
</script>

<template>
  <div
    ref="board"
    class="tray on-ground"
    :class="{ moving: drag }"
    role="group"
    aria-label="The tray"
    aria-describedby="tray-how"
  >
    <button
      v-for="{ row, place } in chips"
      :key="row.id"
      type="button"
      class="bare chip"
      :class="{
        picked: taken.includes(row.id),
        lifted: drag?.id === row.id,
        narrow: place && place.width * width < 92,
        low: place && place.height * height < 96,
      }"
      :aria-pressed="taken.includes(row.id)"
      :aria-label="`${row.name}, ${row.usedFor || row.family}`"
      aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight Alt+ArrowUp Alt+ArrowDown"
      :style="
        place && {
          left: percent(place.left),
          top: percent(place.top),
          width: percent(place.width),
          height: percent(place.height),
        }
      "
      @click="click(row, $event)"
      @pointerdown="press(row, $event)"
      @keydown="keyed(row, $event)"
      @dragstart.prevent
    >
      <MaterialSwatch :finish="row" :print="printOf(row)" :per-mm="perMm" />
      <span class="name">
        <strong
          >{{ row.name }}<span v-if="row.fate" class="fixed" title="It is there already and stays">fixed</span></strong
        >
        <span v-if="!place || place.height * height > 52"
          >{{ row.usedFor
          }}<template v-if="place && place.width > 0.18">&ensp;LRV {{ Math.round(lrvOf(row.id)) }}</template></span
        >
      </span>
    </button>
    <Teleport to="body">
      <div
        v-if="drag && dragged"
        ref="inHand"
        class="lifted-chip"
        aria-hidden="true"
        :style="{ width: `${drag.wide}px`, height: `${drag.tall}px` }"
      >
        <MaterialSwatch :finish="dragged" :print="printOf(dragged)" :per-mm="perMm" />
      </div>
    </Teleport>
    <p id="tray-how" class="visually-hidden">
      Alt with the left and right arrow moves a finish to another role, with the up and down arrow within its role.
    </p>
    <p class="visually-hidden" role="status">{{ said }}</p>
    <slot />
  </div>
</template>

<style src="./tray-board.css"></style>
