import { expect, it } from 'vitest'
import { habitsOf } from './habits.ts'
import { inTradeWords } from './trade-words.ts'

// Common practice: American trades say baseboard and molding where others say skirting and moulding.
it.each([
  ['Skirting and casings', 'Baseboard and casings'],
  ['12 m of skirting, two mouldings', '12 m of baseboard, two moldings'],
  ['Moulded plaster', 'Moulded plaster'],
])('“%s” is “%s” on an American job', (text, told) => {
  expect(inTradeWords(text, habitsOf('US', 'USD'))).toBe(told)
  expect(inTradeWords(text, habitsOf('IE', 'EUR'))).toBe(text)
})
