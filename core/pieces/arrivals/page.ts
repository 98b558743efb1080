/**
 * A thing on offer as a web page tells it: its structured data where the page was saved (schema.org Product as JSON-LD; the
 * Open Graph properties), or the text that was copied with its address.
 */
import { readColour } from '../../colour/lab.ts'
import { readSize, type ReadSize } from '../../measure/size.ts'
import { nothingSaid, readPrice, type Arrival, type Reads } from './table.ts'

/** Is it the source of a page rather than words? */
export const isPage = (text: string): boolean => /^\s*(<!doctype html|<html|<head|<meta|<script)/i.test(text)

const entities: Readonly<Record<string, string>> = { amp: '&', quot: '"', apos: "'", lt: '<', gt: '>', nbsp: ' ' }
const plain = (text: string): string =>
  text
    .replace(
      /&(?:#(\d{1,7})|#x([0-9a-f]{1,6})|(\w{1,8}));/gi,
      (whole, decimal?: string, hex?: string, name?: string) => {
        const code = decimal ? Number(decimal) : hex ? Number.parseInt(hex, 16) : null
        if (code !== null) return code <= 0x10ffff ? String.fromCodePoint(code) : whole
        return entities[(name ?? '').toLowerCase()] ?? whole
      },
    )
    .replace(/\s+/g, ' ')
    .trim()

type Json = Readonly<Record<string, unknown>>
const isJson = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)
const textOf = (value: unknown): string =>
  typeof value === 'string' ? plain(value) : typeof value === 'number' ? String(value) : ''

/** All things of type Product, however deep: in a graph, a list, a part of a page. */
function productsIn(value: unknown, depth = 0): Json[] {
  if (depth > 8) return []
  if (Array.isArray(value)) return value.flatMap((part: unknown) => productsIn(part, depth + 1))
  if (!isJson(value)) return []
  const types = [value['@type']].flat()
  return types.includes('Product') || types.includes('ProductModel')
    ? [value]
    : Object.values(value).flatMap((part) => productsIn(part, depth + 1))
}

/** Units of UN/CEFACT Recommendation 20, as schema.org uses them. */
const unitCodes: Readonly<Record<string, string>> = { MMT: 'mm', CMT: 'cm', MTR: 'm', INH: 'in', FOT: 'ft' }
function lengthOf(value: unknown, reads: Reads): number | null {
  const written = isJson(value)
    ? `${textOf(value.value)} ${unitCodes[textOf(value.unitCode)] ?? textOf(value.unitText)}`.trim()
    : textOf(value)
  const feet = /^([\d.]+) ?ft$/.exec(written)
  if (feet) return Math.round(Number(feet[1]) * 304.8 * 1000) / 1000
  const read = written === '' ? null : readSize(written, reads.bare, null)
  return read?.ok ? read.value.widthMm : null
}

function arrivalOf(product: Json, reads: Reads): { arrival: Arrival; otherCurrency: string | null } {
  const offers = [product.offers].flat().filter(isJson)
  const offer = offers[0] ?? {}
  const specified = [offer.priceSpecification].flat().find(isJson) ?? {}
  const currency = textOf(offer.priceCurrency) || textOf(specified.priceCurrency)
  const price = textOf(offer.price) || textOf(offer.lowPrice) || textOf(specified.price)
  const size = {
    widthMm: lengthOf(product.width, reads),
    depthMm: lengthOf(product.depth, reads),
    heightMm: lengthOf(product.height, reads),
  }
  const colour = textOf(product.color)
  const read = colour === '' ? null : readColour(colour)
  const foreign = currency !== '' && currency !== reads.currency
  return {
    otherCurrency: foreign ? currency : null,
    arrival: {
      ...nothingSaid,
      name: textOf(product.name).slice(0, 120),
      // numbers of the structured data have a point, whatever the habits of the makeover
      priceMinor: price === '' || foreign ? null : readPrice(price, { ...reads, sign: '.' }),
      size: Object.values(size).some((mm) => mm !== null) ? size : null,
      seller: isJson(offer.seller) ? textOf(offer.seller.name).slice(0, 120) : '',
      colour: read?.ok ? read.value.lab : null,
      colourName: colour.slice(0, 80),
      article: (textOf(product.sku) || textOf(product.mpn)).slice(0, 80),
      link: (textOf(product.url) || textOf(offer.url)).slice(0, 300),
    },
  }
}

/** What a saved page says of the things on it; the note says what of it was not taken. */
export function readPage(
  html: string,
  reads: Reads,
): { readonly arrivals: readonly Arrival[]; readonly notes: readonly string[] } {
  const scripts = html.matchAll(/<script[^>]{0,200}application\/ld\+json[^>]{0,200}>([\s\S]*?)<\/script>/gi)
  const found = [...scripts].flatMap(([, body = '']) => {
    try {
      return productsIn(JSON.parse(body))
    } catch {
      return []
    }
  })
  const told = found.map((product) => arrivalOf(product, reads)).filter(({ arrival }) => arrival.name !== '')
  const foreign = new Set(told.flatMap(({ otherCurrency }) => otherCurrency ?? []))
  const notes = [...foreign].map(
    (code) => `Prices are in ${code} and the makeover is in ${reads.currency}: left empty.`,
  )
  if (told.length > 0) return { arrivals: told.map(({ arrival }) => arrival), notes }
  const metas = new Map<string, string>()
  for (const [tag] of html.matchAll(/<meta [^>]{1,2000}>/gi)) {
    const key = /(?:property|name|itemprop)=["']([^"']{1,80})["']/i.exec(tag)?.[1]
    const content = /content="([^"]*)"|content='([^']*)'/i.exec(tag)
    if (key && content) metas.set(key.toLowerCase(), plain(content[1] ?? content[2] ?? ''))
  }
  const name = metas.get('og:title') ?? plain(/<title[^>]{0,100}>([^<]*)</i.exec(html)?.[1] ?? '')
  if (name === '') return { arrivals: [], notes: ['This page says nothing of a thing on offer.'] }
  const code = metas.get('product:price:currency') ?? metas.get('og:price:currency') ?? metas.get('pricecurrency')
  const price = metas.get('product:price:amount') ?? metas.get('og:price:amount') ?? metas.get('price') ?? ''
  const foreignCode = code !== undefined && code !== reads.currency
  return {
    arrivals: [
      {
        ...nothingSaid,
        name: name.slice(0, 120),
        priceMinor: price === '' || foreignCode ? null : readPrice(price, { ...reads, sign: '.' }),
        link: (metas.get('og:url') ?? '').slice(0, 300),
        colourName: (metas.get('product:color') ?? '').slice(0, 80),
      },
    ],
    notes: foreignCode ? [`The price is in ${code} and the makeover is in ${reads.currency}: left empty.`] : [],
  }
}

const address = /\bhttps?:\/\/\S{3,1000}|\bwww\.\S{3,300}/i
const amount =
  /(?:\p{Sc}|\b[A-Z]{3}\b) ?\d{1,9}(?:[.,’' ]\d{1,3}){0,4}|\b\d{1,9}(?:[.,’']\d{1,3}){0,4} ?(?:\p{Sc}|[A-Z]{3}\b)/gu
const side = String.raw`\d{1,6}(?:[.,]\d{1,3})? ?(?:mm|cm|m|in|["'])?`
const measures = new RegExp(String.raw`\b${side} ?[×x*] ?${side}(?: ?[×x*] ?${side})?`, 'i')

/** Text copied from a page with its address: the first line that is words names the thing; a price and a size are found in it. Null where no address is in it. */
export function readCopied(text: string, reads: Reads): Arrival | null {
  const link = address.exec(text)?.[0]
  if (link === undefined) return null
  const lines = text
    .split('\n')
    .map((line) => line.replace(link, ' ').replace(/\s+/g, ' ').trim())
    .filter((line) => line !== '')
  const prices = lines.flatMap((line) => [...line.matchAll(amount)].map(([found]) => readPrice(found, reads)))
  const measured = lines.map((line) => measures.exec(line)?.[0]).find((found) => found !== undefined)
  const size: ReadSize | null = measured === undefined ? null : sizeIn(measured, reads)
  const words = lines.find((line) => /\p{L}{2}/u.test(line.replace(amount, '').replace(measures, '')))
  const host = /^(?:https?:\/\/)?(?:www\.)?([^/?#:\s]+)/i.exec(link)?.[1] ?? ''
  return {
    ...nothingSaid,
    name: (words ?? host).slice(0, 120),
    priceMinor: prices.find((price) => price !== null) ?? null,
    size,
    link: link.slice(0, 300),
  }
}

const sizeIn = (text: string, { bare, sign }: Reads): ReadSize | null => {
  const read = readSize(text, bare, sign)
  return read.ok ? read.value : null
}
