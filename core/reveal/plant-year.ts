/** What each plant asks for in which month. Common practice for green plants in pots, and for what stands outside in summer. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { thingOf } from '../makeover/thing-names.ts'

export type PlantMonth = { readonly month: string; readonly says: readonly string[] }

const months = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const
/** By month of a northern year, January first. */
const indoors: readonly (readonly string[])[] = [
  ['little water, and no feed: it rests', 'away from the heater, nearer the window'],
  ['little water', 'wipe the dust off its leaves, for what light there is'],
  ['a larger pot and fresh soil, if its roots have filled the old one', 'feed again, at half strength'],
  ['water more as it grows', 'turn it a quarter each week'],
  ['feed every second week', 'shade from the midday sun in a south window'],
  ['water when the top of the soil is dry', 'look under the leaves for pests'],
  ['water when the top of the soil is dry, and say who does while they are away'],
  ['water when the top of the soil is dry', 'feed every second week'],
  ['feed for the last time', 'water less as the days shorten'],
  ['nearer the window, out of the way of a heater that comes on'],
  ['little water, and no feed: it rests'],
  ['little water', 'no cold draught as windows are aired'],
]
const moved: readonly (readonly string[])[] = indoors.map((says, month) =>
  month === 4
    ? [...says, 'out once no more frost is due: in shade for a week, then to its place']
    : month === 8
      ? [...says, 'rinse it, look for pests, and choose where it winters']
      : month === 9
        ? ['in before the first frost', ...says]
        : says,
)

/** Countries that lie south of the equator and have a winter of their own (ISO 3166-1). */
const south = new Set([
  'AR',
  'AU',
  'BO',
  'BR',
  'BW',
  'CL',
  'LS',
  'MG',
  'MZ',
  'NA',
  'NC',
  'NZ',
  'PY',
  'SZ',
  'UY',
  'ZA',
  'ZM',
  'ZW',
])

/** The twelve months from the calendar’s first, with which plants they are for; none where there is no plant, or it is faux. South of the equator the year is half a year on. */
export function plantYear(
  makeover: Makeover,
  school: string,
): { readonly plants: readonly string[]; readonly months: readonly PlantMonth[] } | null {
  const plants = rowsOf(makeover, 'piece')
    .filter((piece) => thingOf(piece) === 'plant' && piece.chosenId !== null)
    .map(({ name }) => name)
  if (plants.length === 0 || school === 'faux') return null
  const year = school === 'moved' ? moved : indoors
  return {
    plants,
    months: months.map((month, at) => ({
      month,
      says: year[(at + (south.has(headOf(makeover)?.country ?? '') ? 6 : 0)) % 12] ?? [],
    })),
  }
}
