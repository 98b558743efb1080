/**
 * ISO 4217 list one: every currency in circulation with its number of decimals (the minor unit exponent).
 * `Intl` rounds some of these differently for display (HUF, IDR, COP …), so amounts are never stored by `Intl`.
 * Funds codes, metals and test codes are left out: nobody buys a chair in them.
 */
const byDecimals = {
  0: 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX VND VUV XAF XOF XPF',
  3: 'BHD IQD JOD KWD LYD OMR TND',
  2:
    'AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CNY COP CRC ' +
    'CUP CVE CZK DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG HUF IDR ILS INR IRR ' +
    'JMD KES KGS KHR KPW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD ' +
    'NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN QAR RON RSD RUB SAR SBD SCR SDG SEK SGD SHP SLE SOS SRD SSP STN ' +
    'SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD UYU UZS VES WST XCD YER ZAR ZMW',
} as const

export const currencyDecimals: ReadonlyMap<string, number> = new Map(
  Object.entries(byDecimals).flatMap(([decimals, codes]) => codes.split(' ').map((code) => [code, Number(decimals)])),
)

/** All codes, in alphabetical order. */
export const currencyCodes: readonly string[] = [...currencyDecimals.keys()].sort()

/** Decimals of a currency, by ISO 4217; throws on a code that is not on the list. */
export function decimalsOf(currency: string): number {
  const decimals = currencyDecimals.get(currency)
  if (decimals === undefined) throw new RangeError(`Currency: expected an ISO 4217 code, got "${currency}"`)
  return decimals
}
