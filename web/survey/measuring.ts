import { computed, ref, watch, type Ref } from 'vue'

/** A place on the drawing, in mm of the room, y upwards. */
export type Place = { readonly x: number; readonly y: number; readonly name: string }
type View = { readonly k: number; readonly x: number; readonly y: number }

/** Two places of the drawing, picked with the pointer one after the other: how far apart they are. */
export function useMeasuring({
  svg,
  view,
  points,
  measuring,
}: {
  readonly svg: Readonly<Ref<SVGSVGElement | null>>
  /** From mm of the room to pixels. */
  readonly view: Readonly<Ref<View>>
  /** Places that a measurement snaps to. */
  readonly points: () => readonly Place[]
  readonly measuring: () => boolean
}) {
  const picked = ref<Place[]>([])
  const hover = ref<Place | null>(null)
  watch(measuring, () => (picked.value = []))
  function placeAt(event: PointerEvent | MouseEvent): Place {
    const box = svg.value?.getBoundingClientRect()
    const { k, x, y } = view.value
    const at = {
      x: (event.clientX - (box?.left ?? 0) - x) / k,
      y: -(event.clientY - (box?.top ?? 0) - y) / k,
      name: 'a place',
    }
    const near = points()
      .map((point) => ({ point, far: Math.hypot(point.x - at.x, point.y - at.y) }))
      .sort((left, right) => left.far - right.far)[0]
    return near && near.far * k < 16 ? near.point : at
  }
  function pick(place: Place): void {
    picked.value = picked.value.length === 1 ? [...picked.value, place] : [place]
  }
  const between = computed(() => {
    const [left, right = measuring() ? hover.value : null] = picked.value
    if (!left || !right) return null
    return {
      left,
      right,
      mm: Math.hypot(right.x - left.x, right.y - left.y),
      across: Math.abs(right.x - left.x),
      up: Math.abs(right.y - left.y),
    }
  })

  return { picked, hover, between, placeAt, pick }
}
