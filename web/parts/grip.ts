import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'

/** From so many pixels on a press is a drag. */
const dragPx = 4

/** A thing of a drawing that a pointer takes up, drags and lets go. Distances in pixels of the screen, y downwards. */
export function useGrip(does: {
  readonly pick: (id: string) => void
  readonly move: (id: string, dx: number, dy: number) => void
  readonly put: () => void
}) {
  const grip = ref<{ id: string; x: number; y: number } | null>(null)
  let wasMoved = false
  function take(id: string, event: PointerEvent): void {
    if (event.button !== 0) return
    grip.value = { id, x: event.clientX, y: event.clientY }
    wasMoved = false
    does.pick(id)
  }
  useEventListener(window, 'pointermove', (event: PointerEvent) => {
    const hand = grip.value
    if (!hand) return
    const [dx, dy] = [event.clientX - hand.x, event.clientY - hand.y]
    if (!wasMoved && Math.hypot(dx, dy) < dragPx) return
    wasMoved = true
    grip.value = { id: hand.id, x: event.clientX, y: event.clientY }
    does.move(hand.id, dx, dy)
  })
  useEventListener(window, 'pointerup', () => {
    if (grip.value && wasMoved) does.put()
    grip.value = null
  })
  /** A click on the bare ground lets go; the end of a drag is none. */
  function letGo(): void {
    if (!wasMoved) does.pick('')
    wasMoved = false
  }
  return { take, letGo }
}

const ways: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
/** What an arrow key moves by, in mm, y upwards: a centimetre, ten with Shift; null for another key. */
export function arrowStep({ key, shiftKey }: KeyboardEvent): readonly [number, number] | null {
  const way = ways[key]
  const step = shiftKey ? 100 : 10
  return way ? [way[0] * step, way[1] * step] : null
}
