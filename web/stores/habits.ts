import { shallowRef } from 'vue'
import { headOf, type Makeover } from '#core/makeover/document.ts'
import { habitsOf, noHabits } from '#core/measure/habits.ts'

/** How dates and figures are read in what is open: one makeover at a time is, and every form reads by its habits. */
export const habits = shallowRef(noHabits)

/** Takes the habits of a makeover; of none where none is open. */
export function takeHabits(makeover: Makeover | undefined): void {
  const head = makeover && headOf(makeover)
  habits.value = head ? habitsOf(head.country, head.currency, head.units) : noHabits
}
