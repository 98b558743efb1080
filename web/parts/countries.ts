import { countryCodes } from '#core/measure/habits.ts'

/** Every country by its English name, for a choice. */
export function namedCountries(): { value: string; label: string }[] {
  return countryCodes
    .map((code) => ({ value: code, label: countryName(code) }))
    .sort((left, right) => left.label.localeCompare(right.label, 'en'))
}

const names = new Intl.DisplayNames('en', { type: 'region' })
export const countryName = (code: string): string => names.of(code) ?? code
