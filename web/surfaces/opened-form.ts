import { computed, nextTick, ref } from 'vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { AnyRowForm } from '../parts/rowform.ts'
import { partForm, treatmentForm } from './forms.ts'
import type { LookedAt } from './looked-at.ts'
import { makeUpForm, makeUpOf, sizeForm, soldForm } from './sold-forms.ts'

/** Which small form of the surfaces is open, and of which row. */
export type Asked = {
  readonly what: 'treatment' | 'part' | 'instead' | 'sold' | 'makeUp' | 'size'
  /** The row; of a make-up its candidate; null for a new one. */
  readonly id: string | null
  readonly candidateId?: string
}

export function useOpenedForm({ here, inHand, face }: LookedAt) {
  const makeover = useMakeover()
  const entry = useEntry()
  const asked = ref<Asked | null>(null)
  const open = ref(false)
  const form = computed((): AnyRowForm | null => {
    const { opened, reckoning } = makeover
    const [request, measured, taken] = [asked.value, here.value, inHand.value]
    if (!request || !opened || !reckoning || !measured) return null
    const { room } = measured
    const wallId = room.walls.some(({ row }) => row.id === face.value?.id) ? (face.value?.id ?? null) : null
    const setting = { makeover: opened.makeover, room, entry: entry.value, wallId }
    if (request.what === 'treatment')
      return treatmentForm(setting, { editing: request.id !== null }) as unknown as AnyRowForm
    if (!taken) return null
    const row = opened.makeover.rows.treatment[taken.treatment.id]
    if (!row) return null
    if (request.what === 'instead') return treatmentForm(setting, { insteadOf: row }) as unknown as AnyRowForm
    if (request.what === 'part') return partForm(setting, row) as unknown as AnyRowForm
    const sold = {
      makeover: opened.makeover,
      studio: opened.studio,
      entry: entry.value,
      currency: makeover.currency,
      taken,
      all: reckoning.takeOffs,
    }
    if (request.what === 'sold') return soldForm(sold) as unknown as AnyRowForm
    const candidate = opened.makeover.rows.candidate[request.candidateId ?? request.id ?? '']
    if (!candidate) return null
    return (request.what === 'makeUp'
      ? makeUpForm(sold, candidate)
      : sizeForm(sold, candidate)) as unknown as AnyRowForm
  })
  const row = computed(() => {
    const { opened } = makeover
    const request = asked.value
    if (!opened || !request || request.id === null) return null
    const { rows } = opened.makeover
    switch (request.what) {
      case 'treatment':
        return rows.treatment[request.id] ?? null
      case 'part':
        return rows.treatedPart[request.id] ?? null
      case 'makeUp':
        return makeUpOf(opened.makeover, request.id)
      case 'size':
        return rows.saleSize[request.id] ?? null
      default:
        return null
    }
  })
  function openForm(request: Asked): void {
    asked.value = request
    void nextTick(() => (open.value = true))
  }
  /** A dialog of its own for each form, so that none keeps what another one was of. */
  const formKey = computed(
    () => `${asked.value?.what ?? ''} ${asked.value?.id ?? ''} ${asked.value?.candidateId ?? ''}`,
  )
  return { form, formKey, row, open, openForm }
}
