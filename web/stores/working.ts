import { byId } from '#core/makeover/by-id.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Working } from '#core/money/working.ts'
import { workingFor, type Figure } from '#core/reckoning/working.ts'
import { useMakeover } from './makeover.ts'

/** The working that is laid open beside the page: of a figure of the reckoning, or of one landed cost. */
export const useWorking = defineStore('working', () => {
  const makeover = useMakeover()
  const figure = ref<{ figure: Figure; categoryId: string | null } | null>(null)
  const single = shallowRef<Working | null>(null)
  const shown = computed<Working | null>(() => {
    if (single.value) return single.value
    if (!figure.value || !makeover.opened || !makeover.reckoning) return null
    return workingFor(figure.value.figure, makeover.opened.makeover, makeover.reckoning, figure.value.categoryId)
  })
  const where = computed(() =>
    single.value ? '' : (byId(makeover.reckoning?.money.categories, figure.value?.categoryId)?.name ?? ''),
  )
  /** It is of the whole day or sum: then it is told too how likely that holds. */
  const ofAll = computed(
    () =>
      single.value === null &&
      figure.value !== null &&
      figure.value.categoryId === null &&
      ['slack', 'agreed', 'left'].includes(figure.value.figure),
  )
  let element: HTMLElement | null = null

  // a single working is of one moment: when something changed it is laid away rather than left standing wrong
  watch(
    () => makeover.reckoning,
    () => (single.value = null),
  )

  function show(name: Figure, categoryId: string | null = null): void {
    element = document.activeElement instanceof HTMLElement ? document.activeElement : null
    single.value = null
    figure.value = { figure: name, categoryId }
  }
  function showWorking(working: Working): void {
    element = document.activeElement instanceof HTMLElement ? document.activeElement : null
    figure.value = null
    single.value = working
  }
  function close(): void {
    figure.value = null
    single.value = null
    element?.focus()
  }
  return { shown, where, ofAll, show, showWorking, close }
})
