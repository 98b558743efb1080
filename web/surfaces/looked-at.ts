import { computed, ref, watch, type Ref } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { atOf, chosenOf, facesOf, finishOf, productOf, takeOff, tried, type TakeOff } from '#core/surfaces/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** A treatment moved by hand and not put down yet. */
export type Moved = { readonly id: string; readonly startMm: number; readonly upMm: number }

/** What of the surfaces is looked at: a room unrolled, one face of it large, one treatment in hand. */
export function useLookedAt(roomAsked: Ref<string>) {
  const makeover = useMakeover()
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const rooms = computed(() => (makeover.opened ? roomsOf(makeover.opened.makeover, rules.value) : []))
  const treatmentId = ref('')
  const measured = computed(() =>
    rooms.value.flatMap((room) => {
      const areas = makeover.reckoning?.survey.rooms.find(({ roomId }) => roomId === room.id)?.areas
      return areas ? [{ room, areas }] : []
    }),
  )
  const here = computed(
    () => measured.value.find(({ room }) => room.id === roomAsked.value) ?? measured.value[0] ?? null,
  )
  /** As it will be; with what is only thought of, while that is in hand. */
  const shown = computed(() => {
    const { opened } = makeover
    return opened ? tried(opened.makeover, treatmentId.value).makeover : null
  })
  const faces = computed(() => (here.value && shown.value ? facesOf(shown.value, here.value.room, rules.value) : []))
  const taken = computed(() =>
    (makeover.reckoning?.takeOffs ?? []).filter(({ finish }) => finish.roomId === here.value?.room.id),
  )
  const faceId = ref('')
  watch(
    () => here.value?.room.id,
    () => (treatmentId.value = faceId.value = ''),
  )
  const inHand = computed(() => taken.value.find(({ treatment }) => treatment.id === treatmentId.value) ?? null)
  const face = computed(
    () =>
      byId(faces.value, faceId.value) ?? faces.value.find(({ fills }) => fills.length > 0) ?? faces.value[0] ?? null,
  )

  const moved = ref<Moved | null>(null)
  // where each thing lies is drawn for what is looked at, and only anew where something of it changed
  const known = new Map<string, { grounds: readonly unknown[]; value: TakeOff }>()
  const pictured = computed((): readonly TakeOff[] => {
    const { opened } = makeover
    const measuredHere = here.value
    if (!opened || !measuredHere) return []
    const at = atOf(opened.makeover, measuredHere, rules.value)
    const drawn = new Set(faces.value.flatMap(({ fills }) => fills.map((fill) => fill.treatmentId)))
    const wanted = taken.value.filter(({ treatment }) =>
      treatment.how === 'moulding' ? treatment.insteadOfId === null : drawn.has(treatment.id),
    )
    return wanted.flatMap(({ treatment: { id } }) => {
      const row = opened.makeover.rows.treatment[id]
      const finish = row && finishOf(opened.makeover, row)
      if (!row || !finish) return []
      const held = moved.value?.id === id ? moved.value : null
      const treatment: Row<'treatment'> = held ? { ...row, startMm: held.startMm, upMm: held.upMm } : row
      const product = productOf(opened.makeover, chosenOf(opened.makeover, row))
      const grounds = [
        row,
        held?.startMm,
        held?.upMm,
        measuredHere.room,
        rules.value,
        opened.makeover.rows.treatedPart,
        opened.makeover.rows.finish,
        product.candidate,
        product.makeUp,
        ...product.sizes,
      ]
      const found = known.get(id)
      if (found?.grounds.length === grounds.length && found.grounds.every((ground, index) => ground === grounds[index]))
        return [found.value]
      const value = takeOff(at, finish, treatment, product)
      known.set(id, { grounds, value })
      return [value]
    })
  })
  return { rules, rooms, measured, here, shown, faces, taken, treatmentId, faceId, inHand, face, moved, pictured }
}
export type LookedAt = ReturnType<typeof useLookedAt>
