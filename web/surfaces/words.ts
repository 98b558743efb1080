import { writeArea, writeLitres } from '#core/measure/area.ts'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import type { Held, Reckoned } from '#core/surfaces/index.ts'

/** A quantity in the unit that the take-off counts in. */
export function quantityWords(quantity: number, unit: Reckoned['unit'], units: UnitSystem): string {
  if (unit === 'l') return writeLitres(quantity, units)
  if (unit === 'm²') return writeArea(quantity, units)
  if (unit === 'm') return writeLength(Math.round(quantity * 1000), units)
  const rounded = Math.round(quantity * 1000) / 1000
  return `${rounded} ${rounded === 1 ? unit.replace(/s$/, '') : unit}`
}

/** How a line stands, in a few words. */
export function heldWords({ state, by, unit }: Held): string {
  const amount = `${Math.round(by * 1000) / 1000} ${unit}`
  switch (state) {
    case 'no line':
      return 'Make a line to buy'
    case 'to update':
      return 'Bring the line up to date'
    case 'to order':
      return `${amount} to order`
    case 'ordered':
      return 'ordered'
    case 'short':
      return `${amount} short`
    case 'over':
      return `${amount} over`
    case 'other unit':
      return `counted in ${unit}`
  }
}
