/** Rows that somebody pastes or keeps in a file: what stands in which column, and what each row says. */
import Papa from 'papaparse'
import { readColour, type Lab } from '../../colour/lab.ts'
import type { Habits } from '../../measure/habits.ts'
import { readLength, type LengthUnit } from '../../measure/length.ts'
import { readSize, type ReadSize } from '../../measure/size.ts'
import { readMoney } from '../../money/written.ts'
import type { Minor } from '../../money/minor.ts'

/** What a column may hold; `leave` is not taken. */
export const arrivalFields = [
  'name',
  'price',
  'size',
  'width',
  'depth',
  'height',
  'seller',
  'for',
  'colour',
  'article',
  'link',
  'leave',
] as const
export type ArrivalField = (typeof arrivalFields)[number]

/** A thing on offer as a row, a text or a page tells it; null and empty where nothing is said. */
export type Arrival = {
  readonly name: string
  readonly priceMinor: Minor | null
  readonly size: ReadSize | null
  readonly seller: string
  readonly colour: Lab | null
  readonly colourName: string
  readonly article: string
  readonly link: string
  /** The piece it is for, by its name. */
  readonly piece: string
}
export const nothingSaid: Arrival = {
  name: '',
  priceMinor: null,
  size: null,
  seller: '',
  colour: null,
  colourName: '',
  article: '',
  link: '',
  piece: '',
}

/** How what is typed is read: the currency and units of the makeover, and its decimal sign. */
export type Reads = { readonly currency: string; readonly bare: LengthUnit; readonly sign: Habits['decimal'] }

export type ArrivalTable = { readonly head: readonly string[] | null; readonly rows: readonly (readonly string[])[] }
export type Trouble = { readonly row: number; readonly column: number | null; readonly message: string }

const mostRows = 500
const called: readonly (readonly [ArrivalField, RegExp])[] = [
  ['price', /price|cost|amount|preis|prix|precio|prezzo/i],
  ['size', /^(size|dimensions?|w ?[×x] ?d|measures?)/i],
  ['width', /^(width|wide|w|breadth|length)$/i],
  ['depth', /^(depth|deep|d)$/i],
  ['height', /^(height|high|h)$/i],
  ['seller', /seller|shop|store|supplier|vendor|from|where/i],
  ['for', /^(for|piece|need|what for|place)$/i],
  ['colour', /colou?r|hex/i],
  ['article', /article|sku|model|code|number|ref/i],
  ['link', /link|url|address|web/i],
  ['name', /name|title|thing|product|description|what|candidate/i],
]

/** Rows parted by tabs, semicolons or commas (RFC 4180 quoting); the first is their head where it names columns and holds no figure. */
export function readTable(text: string): ArrivalTable {
  const { data } = Papa.parse<string[]>(text.trim(), {
    delimiter: text.includes('\t') ? '\t' : '',
    delimitersToGuess: [';', ',', '|'],
    skipEmptyLines: 'greedy',
  })
  const rows = data.map((row) => row.map((cell) => cell.trim()))
  const [first = []] = rows
  const names = first.filter((cell) => called.some(([, name]) => name.test(cell))).length
  const isHead = rows.length > 1 && names >= Math.min(2, first.length) && !first.some((cell) => /\d{2}/.test(cell))
  return { head: isHead ? first : null, rows: rows.slice(isHead ? 1 : 0, mostRows + (isHead ? 1 : 0)) }
}

const looksLike: readonly (readonly [ArrivalField, RegExp])[] = [
  ['link', /^(https?:\/\/|www\.)/i],
  ['colour', /^#[0-9a-f]{6}$/i],
  ['size', /\d ?(mm|cm|m|in|["'])? ?[×x*] ?\d/i],
  ['price', /^\p{Sc}? ?\d[\d.,’' ]*( ?\p{Sc}| ?[A-Z]{3})?$/u],
  ['name', /\p{L}{2}/u],
]

/** What each column holds, by its head, else by what stands in it; each but `leave` once. */
export function guessColumns({ head, rows }: ArrivalTable): ArrivalField[] {
  const wide = Math.max(head?.length ?? 0, ...rows.map((row) => row.length))
  const used = new Set<ArrivalField>()
  const once = (field: ArrivalField | undefined): ArrivalField => {
    if (field === undefined || used.has(field)) return 'leave'
    used.add(field)
    return field
  }
  return Array.from({ length: wide }, (_, column) => {
    const title = head?.[column] ?? ''
    if (title !== '') return once(called.find(([field, name]) => name.test(title) && !used.has(field))?.[0])
    const cells = rows.map((row) => row[column] ?? '').filter((cell) => cell !== '')
    return once(
      looksLike.find(
        ([field, shape]) => !used.has(field) && cells.length > 0 && cells.every((cell) => shape.test(cell)),
      )?.[0],
    )
  })
}

/** What every row says, and what could not be read; a row without a name is not taken. */
export function readArrivals(
  { rows }: ArrivalTable,
  columns: readonly ArrivalField[],
  reads: Reads,
): { readonly arrivals: readonly (Arrival | null)[]; readonly troubles: readonly Trouble[] } {
  const troubles: Trouble[] = []
  const arrivals = rows.map((cells, row): Arrival | null => {
    const cellOf = (field: ArrivalField): string => cells[columns.indexOf(field)] ?? ''
    const trouble = (field: ArrivalField, message: string): null => {
      troubles.push({ row, column: columns.indexOf(field), message })
      return null
    }
    const name = cellOf('name').slice(0, 120)
    if (name === '') {
      troubles.push({ row, column: null, message: 'has no name: a thing is found again by its name' })
      return null
    }
    const price = cellOf('price')
    const colour = cellOf('colour')
    const readHue = colour === '' ? null : readColour(colour)
    return {
      ...nothingSaid,
      name,
      priceMinor: price === '' ? null : (readPrice(price, reads) ?? trouble('price', notPrice(price, reads))),
      size: sizeOf(cellOf, reads, trouble),
      seller: cellOf('seller').slice(0, 120),
      colour: readHue?.ok ? readHue.value.lab : null,
      colourName: readHue?.ok && readHue.value.source !== 'name' ? '' : colour.slice(0, 80),
      article: cellOf('article').slice(0, 80),
      link: cellOf('link').slice(0, 300),
      piece: cellOf('for'),
    }
  })
  return { arrivals, troubles }
}

const notPrice = (text: string, { currency }: Reads): string =>
  `“${text.slice(0, 24)}” is no price in ${currency}: expected an amount such as 640 or 1,200.00`

/** An amount with or without its currency; null where it is none, or another currency's. */
export function readPrice(text: string, { currency, sign }: Reads): Minor | null {
  const codes = text.match(/\b[A-Z]{3}\b/g) ?? []
  if (codes.some((code) => code !== currency)) return null
  const read = readMoney(text.replace(/\p{Sc}|\b[A-Z]{3}\b/gu, ' ').trim(), currency, sign)
  return read.ok && read.value >= 0 ? read.value : null
}

function sizeOf(
  cellOf: (field: ArrivalField) => string,
  { bare, sign }: Reads,
  trouble: (field: ArrivalField, message: string) => null,
): ReadSize | null {
  const whole = cellOf('size')
  if (whole !== '') {
    const read = readSize(whole, bare, sign)
    return read.ok ? read.value : trouble('size', read.error)
  }
  const side = (field: 'width' | 'depth' | 'height'): number | null => {
    const text = cellOf(field)
    if (text === '') return null
    const read = readLength(text, bare, sign)
    return read.ok ? read.value : trouble(field, read.error)
  }
  const size = { widthMm: side('width'), depthMm: side('depth'), heightMm: side('height') }
  return size.widthMm === null && size.depthMm === null && size.heightMm === null ? null : size
}
