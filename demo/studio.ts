/** What the demo's studio keeps beside its makeovers: its sellers' book, and its stock. */
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type ChangeSet, type Operation } from '#core/makeover/change.ts'
import { studioRows, type Studio } from '#core/makeover/document.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import { addDays, type PlainDate } from '#core/measure/plain-date.ts'

const entries: Readonly<Record<string, Partial<Fields<'sellerEntry'>>>> = {
  'Gannet & Daughters': {
    contact: 'Averil, in the yard',
    phone: 'extension 14',
    account: 'WT-208',
    tradePpm: 120_000,
    payTerms: 'a third with the order, the rest before it leaves the yard',
    returnDays: 28,
    returnHabit: 'Takes back what is whole and in its wrapping; fetches it on the Thursday round.',
    matchHabit: 'Meets a written price of the same maker, on asking.',
  },
  'Harbour Weavers': {
    contact: 'the desk for the trade',
    account: '7731',
    tradePpm: 150_000,
    payTerms: 'thirty days',
    returnHabit: 'Cut cloth is never taken back: ask for a cutting first.',
  },
  'Slipway Paints': {
    contact: 'Noll, counter',
    tradePpm: 80_000,
    payTerms: 'on the account, monthly',
    returnDays: 14,
    returnHabit: 'Whole tins from the shelf; nothing that was mixed.',
    note: 'Keeps the recipes of what it mixed for us.',
  },
  'Oakum Yard': {
    contact: 'Tam',
    payTerms: 'cash, before it is loaded',
    note: 'Measure before you pay: sizes are told by eye.',
  },
  'Lantern Row': { contact: 'the workshop', tradePpm: 100_000, returnDays: 14, matchHabit: 'Does not match prices.' },
}

/** Told a month ago, so that what is lent is out since then. */
const stock = (today: PlainDate): readonly (Partial<Fields<'stock'>> & { readonly name: string })[] => [
  {
    name: 'Pair of folding screens, ash',
    lies: 'rack 2, left',
    quantity: 2,
    cameFrom: 'made for a show room',
    widthMm: 600,
    depthMm: 40,
    heightMm: 1700,
  },
  {
    name: 'Reed stool, low',
    lies: 'rack 1',
    cameFrom: 'Oakum Yard',
    widthMm: 420,
    depthMm: 420,
    heightMm: 380,
    lentTo: 'Tern House',
    lentOn: addDays(today, -31),
    backOn: addDays(today, -3),
  },
  { name: 'Box of slate and lime samples', kind: 'sample', lies: 'drawer 4', unit: 'box' },
  {
    name: 'Striped canvas, undyed',
    kind: 'left over',
    quantity: 4.6,
    unit: 'm',
    lies: 'cloth shelf',
    cameFrom: 'the allotment hall',
    widthMm: 1400,
  },
  {
    name: 'Cross-line laser',
    kind: 'tool',
    lies: 'van',
    lentTo: 'Jory, on site',
    lentOn: addDays(today, -2),
    backOn: addDays(today, 5),
  },
]

export function demoStudio(studio: Studio, today: PlainDate, newId: () => string): ChangeSet {
  const operations: Operation[] = [
    ...studioRows(studio, 'seller').flatMap(({ id, name }) => {
      const entry = entries[name]
      return entry ? [add('sellerEntry', newId(), { ...blank.sellerEntry, ...entry, sellerId: id })] : []
    }),
    ...stock(today).map((thing) => add('stock', newId(), { ...blank.stock, ...thing })),
  ]
  return { id: newId(), schemaVersion, sentence: 'Began the sellers’ book and the list of stock', operations }
}
