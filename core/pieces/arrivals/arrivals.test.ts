import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { guessColumns, isPage, readArrivals, readCopied, readPage, readTable, type Reads } from './index.ts'

const euros: Reads = { currency: 'EUR', bare: 'cm', sign: null }
const dollars: Reads = { currency: 'USD', bare: 'in', sign: '.' }

describe('rows that are pasted', () => {
  it('with a head are read by it, whatever order it has', () => {
    const table = readTable('Shop\tProduct\tPrice\tDimensions\tFor\nMill Lane\tOak bench\t420.00\t120 x 40 x 45\tBench')
    const columns = guessColumns(table)
    expect(columns).toEqual(['seller', 'name', 'price', 'size', 'for'])
    const { arrivals, troubles } = readArrivals(table, columns, euros)
    expect(troubles).toEqual([])
    expect(arrivals).toMatchObject([
      {
        name: 'Oak bench',
        priceMinor: 420_00,
        seller: 'Mill Lane',
        size: { widthMm: 1200, depthMm: 400, heightMm: 450 },
        piece: 'Bench',
      },
    ])
  })
  it('without a head are read by what stands in them', () => {
    const table = readTable('Stool; 89,90; 40 x 40 x 45 cm\nChair; 120; 45 x 50 x 80 cm')
    expect(table.head).toBeNull()
    expect(guessColumns(table)).toEqual(['name', 'price', 'size'])
    expect(readArrivals(table, guessColumns(table), euros).arrivals.map((arrival) => arrival?.priceMinor)).toEqual([
      89_90, 120_00,
    ])
  })
  it('say what could not be read, where, and take the rest of the row', () => {
    const table = readTable('name,price,width\nLamp,dear,30\n,12.00,20\nVase,14.50,about that')
    const { arrivals, troubles } = readArrivals(table, guessColumns(table), euros)
    expect(arrivals).toMatchObject([
      { name: 'Lamp', priceMinor: null, size: { widthMm: 300 } },
      null,
      { name: 'Vase', priceMinor: 14_50, size: null },
    ])
    expect(troubles).toMatchObject([
      { row: 0, column: 1, message: expect.stringContaining('“dear” is no price in EUR') as string },
      { row: 1, column: null },
      { row: 2, column: 2 },
    ])
  })
  it('in another currency have no price', () => {
    const table = readTable('name,price\nLamp,USD 40.00\nVase,$14.50')
    expect(readArrivals(table, ['name', 'price'], euros).arrivals[0]).toMatchObject({ priceMinor: null })
    expect(readArrivals(table, ['name', 'price'], dollars).arrivals).toMatchObject([
      { priceMinor: 40_00 },
      { priceMinor: 14_50 },
    ])
  })
  it('of any kind are read without a fault, and never more of them than were pasted', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 400 }), (text) => {
        const table = readTable(text)
        const { arrivals } = readArrivals(table, guessColumns(table), euros)
        expect(arrivals.length).toBeLessThanOrEqual(text.split(/\r\n|\r|\n/).length)
      }),
    )
  })
})

describe('a saved page', () => {
  // schema.org/Product, with a QuantitativeValue in UN/CEFACT Rec 20 unit codes (CMT is the centimetre)
  const page = (more: string): string => `<!doctype html><html><head><title>A shop</title>
    <script type="application/ld+json">{"@context":"https://schema.org","@graph":[{"@type":"WebPage"},
    {"@type":"Product","name":"Elm bench &amp; box","sku":"EB-12","color":"oatmeal",
    "width":{"@type":"QuantitativeValue","value":120,"unitCode":"CMT"},"height":"450 mm",${more}}]}</script></head></html>`
  it('gives the thing of its structured data', () => {
    const html = page(
      '"offers":{"@type":"Offer","price":"1200.50","priceCurrency":"EUR","seller":{"name":"Kiln Yard"}}',
    )
    expect(isPage(html)).toBe(true)
    expect(readPage(html, { ...euros, sign: ',' })).toMatchObject({
      arrivals: [
        {
          name: 'Elm bench & box',
          article: 'EB-12',
          priceMinor: 1200_50,
          colourName: 'oatmeal',
          seller: 'Kiln Yard',
          size: { widthMm: 1200, depthMm: null, heightMm: 450 },
        },
      ],
      notes: [],
    })
  })
  it('in another currency gives no price, and says so', () => {
    const { arrivals, notes } = readPage(page('"offers":[{"lowPrice":80,"priceCurrency":"GBP"}]'), euros)
    expect(arrivals).toMatchObject([{ priceMinor: null }])
    expect(notes).toEqual(['Prices are in GBP and the makeover is in EUR: left empty.'])
  })
  it('without structured data gives what its Open Graph properties say; without either its title, or nothing', () => {
    const meta = `<html><meta property="og:title" content='A lamp'><meta property="product:price:amount" content="39.90">`
    expect(readPage(meta, euros).arrivals).toMatchObject([{ name: 'A lamp', priceMinor: 39_90 }])
    expect(readPage('<html><script type="application/ld+json">{broken</script>', euros).arrivals).toEqual([])
  })
})

describe('text copied with its address', () => {
  it('names the thing, its price and its size', () => {
    expect(
      readCopied('https://shop.example/p/77\nOak side table\n€ 189,00 incl. tax\nSize: 45 x 45 x 55 cm', euros),
    ).toMatchObject({
      name: 'Oak side table',
      priceMinor: 189_00,
      size: { widthMm: 450, depthMm: 450, heightMm: 550 },
      link: 'https://shop.example/p/77',
    })
  })
  it('that has no address is no page, and an address alone is named by its host', () => {
    expect(readCopied('Oak side table\t189', euros)).toBeNull()
    expect(readCopied('https://www.shop.example/p/77?x=1', euros)).toMatchObject({ name: 'shop.example' })
  })
})
