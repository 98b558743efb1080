import { countryCodes } from '#core/measure/habits.ts'

/** Every country by its English name, for a choice. */
export function namedCountries(): { value: string; label: string }[] {
  const names = new Intl.DisplayNames('en', { type: 'region' })
  return countryCodes
    .map((code) => ({ value: code, label: names.of(code) ?? code }))
    .sort((left, right) => left.label.localeCompare(right.label, 'en'))
}
