/** How people of a country write: the order of a date, the decimal sign, their paper and their words for the trade. */
import type { UnitSystem } from './length.ts'

export type Habits = {
  /** The order of a date in figures; null where it is not known, and then it is asked back. */
  readonly dates: 'day first' | 'month first' | 'year first' | null
  /** The sign before decimals; null where it is not known. */
  readonly decimal: '.' | ',' | null
  readonly paper: 'A4' | 'letter'
  /** American words (baseboard, molding), or those of the rest of the English-speaking world (skirting, moulding). */
  readonly words: 'American' | 'British'
}

/** ISO 3166-1: every country and territory by its two letters. */
export const countryCodes: readonly string[] = (
  'AD AE AF AG AI AL AM AO AQ AR AS AT AU AW AX AZ BA BB BD BE BF BG BH BI BJ BL BM BN BO BQ BR BS ' +
  'BT BV BW BY BZ CA CC CD CF CG CH CI CK CL CM CN CO CR CU CV CW CX CY CZ DE DJ DK DM DO DZ EC EE ' +
  'EG EH ER ES ET FI FJ FK FM FO FR GA GB GD GE GF GG GH GI GL GM GN GP GQ GR GS GT GU GW GY HK HM ' +
  'HN HR HT HU ID IE IL IM IN IO IQ IR IS IT JE JM JO JP KE KG KH KI KM KN KP KR KW KY KZ LA LB LC ' +
  'LI LK LR LS LT LU LV LY MA MC MD ME MF MG MH MK ML MM MN MO MP MQ MR MS MT MU MV MW MX MY MZ NA ' +
  'NC NE NF NG NI NL NO NP NR NU NZ OM PA PE PF PG PH PK PL PM PN PR PS PT PW PY QA RE RO RS RU RW ' +
  'SA SB SC SD SE SG SH SI SJ SK SL SM SN SO SR SS ST SV SX SY SZ TC TD TF TG TH TJ TK TL TM TN TO ' +
  'TR TT TV TW TZ UA UG UM US UY UZ VA VC VE VG VI VN VU WF WS YE YT ZA ZM ZW'
).split(' ')

export const noHabits: Habits = { dates: null, decimal: null, paper: 'A4', words: 'British' }

/** Where paper is of the letter's size. Source: Unicode CLDR, supplemental data on measurement (paperSize US-Letter). */
const onLetter = new Set('BZ CA CL CO CR GT MX NI PA PH PR SV US VE'.split(' '))
/** Where the trade speaks American English (common practice). */
const american = new Set('US PR PH'.split(' '))
/** The country of a currency that is nearly only used there; of a euro nothing follows but its order of dates. */
const homes: Readonly<Record<string, string>> = {
  USD: 'US',
  GBP: 'GB',
  CAD: 'CA',
  AUD: 'AU',
  NZD: 'NZ',
  JPY: 'JP',
  CHF: 'CH',
  SEK: 'SE',
  NOK: 'NO',
  DKK: 'DK',
  PLN: 'PL',
  CZK: 'CZ',
  HUF: 'HU',
  INR: 'IN',
  ZAR: 'ZA',
  MXN: 'MX',
  BRL: 'BR',
  CNY: 'CN',
  KRW: 'KR',
  SGD: 'SG',
  TRY: 'TR',
}

/** Where the euro is the currency, since 2026. Source: European Commission, members of the euro area. */
const euroArea = new Set('AT BE BG CY DE EE ES FI FR GR HR IE IT LT LU LV MT NL PT SI SK'.split(' '))

/** The currency somebody in a country most likely pays in; null where it is not one of the common ones. */
export const currencyIn = (country: string): string | null =>
  euroArea.has(country) ? 'EUR' : (Object.entries(homes).find(([, home]) => home === country)?.[0] ?? null)

/** The units a tape has there. */
export const unitsIn = (country: string): UnitSystem => (country === 'US' ? 'feet and inches' : 'metric')

const known = new Map<string, Habits>()

/**
 * The habits of a country by its ISO 3166 code, as CLDR has them (through the Intl of the machine); where no country is
 * said, those that follow from the currency and the units.
 */
export function habitsOf(country: string | null, currency: string, units: UnitSystem = 'metric'): Habits {
  const code = country ?? homes[currency] ?? (units === 'feet and inches' ? 'US' : null)
  if (code === null) return currency === 'EUR' ? { ...noHabits, dates: 'day first' } : noHabits
  const found = known.get(code) ?? inCountry(code)
  known.set(code, found)
  return found
}

function inCountry(code: string): Habits {
  try {
    const locale = `${new Intl.Locale('und', { region: code }).maximize().language}-${code}`
    const order = new Intl.DateTimeFormat(locale, {
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      calendar: 'gregory',
    })
      .formatToParts(new Date(Date.UTC(2027, 2, 14)))
      .find(({ type }) => type === 'day' || type === 'month' || type === 'year')?.type
    const sign = new Intl.NumberFormat(locale, { numberingSystem: 'latn' })
      .formatToParts(1.5)
      .find(({ type }) => type === 'decimal')?.value
    return {
      dates: order === 'month' ? 'month first' : order === 'year' ? 'year first' : 'day first',
      decimal: sign === ',' ? ',' : '.',
      paper: onLetter.has(code) ? 'letter' : 'A4',
      words: american.has(code) ? 'American' : 'British',
    }
  } catch {
    return noHabits // no country of that code is known here
  }
}
