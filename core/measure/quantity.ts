/** "3 pieces", "1 piece", "11 m": a quantity with what it is counted in, without the plural's s where it is one. */
export function writeQuantity(quantity: number, unit: string): string {
  const singular = unit.replace(/(x|ch|sh)es$/i, '$1').replace(/([^s\W])s$/i, '$1')
  return `${quantity}\u00a0${quantity === 1 && unit.length > 2 ? singular : unit}`
}
