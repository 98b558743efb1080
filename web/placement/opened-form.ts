import { computed, nextTick, ref } from 'vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { footprintForm, layoutForm, openStateForm, rugSizeForm, standingForm } from './forms.ts'
import type { OnThePlan } from './on-the-plan.ts'

export type Asked = {
  readonly what: 'standing' | 'footprint' | 'opens' | 'layout' | 'rugSize'
  readonly id: string | null
}

/** Which small form of the placement is open, and of which row. */
export function useOpenedForm({ setting, room, selected }: OnThePlan) {
  const makeover = useMakeover()
  const entry = useEntry()
  const asked = ref<Asked | null>(null)
  const isOpen = ref(false)
  function openForm(what: Asked['what'], id: string | null): void {
    asked.value = { what, id }
    void nextTick(() => (isOpen.value = true))
  }
  const form = computed((): AnyRowForm | null => {
    const [opened, wanted] = [makeover.opened, asked.value]
    if (!opened || !wanted || !setting.value || !room.value) return null
    const all = { makeover: opened.makeover, entry: entry.value }
    if (wanted.what === 'layout') return layoutForm(all, room.value.id) as unknown as AnyRowForm
    if (wanted.what === 'rugSize') return rugSizeForm(all) as unknown as AnyRowForm
    const body = selected.value
    if (!body?.thing) return null
    if (wanted.what === 'standing') return standingForm(all, setting.value, body) as unknown as AnyRowForm
    return (wanted.what === 'footprint'
      ? footprintForm(all, body.thing.piece)
      : openStateForm(all, body.thing.piece)) as unknown as AnyRowForm
  })
  const row = computed(() => {
    const [opened, wanted] = [makeover.opened, asked.value]
    if (!opened || !wanted) return null
    const { rows } = opened.makeover
    const id = wanted.id ?? ''
    switch (wanted.what) {
      case 'standing':
        return rows.standing[id] ?? null
      case 'footprint':
        return selected.value?.thing?.footprint ?? null
      case 'opens':
        return rows.openState[id] ?? null
      case 'rugSize':
        return rows.rugSize[id] ?? null
      case 'layout':
        return rows.layout[id] ?? null
    }
  })
  const formKey = computed(() => `${asked.value?.what ?? ''} ${asked.value?.id ?? ''}`)
  return { form, formKey, row, isOpen, openForm }
}
