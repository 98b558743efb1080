/** What is known of a thing by its kind, each with a silent case close by. Common practice, or the source beside it. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '../makeover/change.ts'
import type { Fields, Row } from '../makeover/kinds.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, orderOf, pieceOf, testToday } from '../testing/small-makeover.ts'
import { thingByName, thingOf } from '../makeover/thing-names.ts'
import { makeOrBuy } from './make-or-buy.ts'

const newId = countingIds()
const { ids, categories, operations, start } = begin(newId, { sums: { Furniture: 9_000_00 } })
const begun = change(start, operations)
type Wish = Partial<Fields<'piece'>>
type Offer = Partial<Fields<'candidate'>>
const remarksIn = (documents: Documents, code: string, today = testToday) =>
  reckon(documents, today).remarks.filter((remark) => remark.code === code)
const weightOf = (documents: Documents, code: string, today = testToday) =>
  remarksIn(documents, code, today).map(({ weight }) => weight)
const room = (): Row<'room'> => begun.makeover.rows.room[ids.room] as Row<'room'>

/** A piece with its offers, the first of them chosen. */
function planned(wish: Wish, offers: readonly Offer[], more: readonly Operation[] = []) {
  const pieceId = newId()
  const candidates = offers.map(
    (offer) => [newId(), candidateOf(pieceId, ids.seller, { leadDays: 5, ...offer })] as const,
  )
  const [firstId = ''] = candidates[0] ?? []
  const rows: Operation[] = [
    add('piece', pieceId, pieceOf(ids.room, categories.Furniture ?? '', { chosenId: firstId, ...wish })),
    add('serving', newId(), { needId: ids.need, pieceId }),
    ...candidates.map(([id, fields]) => add('candidate', id, fields)),
    ...more,
  ]
  return { pieceId, firstId, candidates, rows, documents: change(begun, rows) }
}

describe('what a thing is', () => {
  it.each([
    ['Table lamp', 'light'],
    ['Lamp table', 'table'],
    ['Rug under the dining table', 'rug'],
    ['Hall runner', 'rug'],
    ['Table runner', 'textile'],
    ['Frame for the quilt', 'work'],
    ['Bed linen', 'bed'],
    ['Bookcase', 'storage'],
    ['Something blue', 'other'],
  ] as const)('%s is a %s by its name', (name, kind) => expect(thingByName(name)).toBe(kind))
  it('what was said of it counts before its name', () =>
    expect(thingOf({ thing: 'textile', name: 'Bed linen' })).toBe('textile'))
})

describe('wear', () => {
  const worn = (uses: string, wish: Wish, offer: Offer) =>
    weightOf(planned(wish, [offer], [edit('room', room(), { uses })]).documents, 'pieces.wear')
  const rug: Wish = { thing: 'rug', name: 'Rug' }
  it('silk and viscose underfoot only where few walk; wool and synthetics anywhere', () => {
    expect(worn('traffic', rug, { madeOf: 'silk' })).toEqual(['look'])
    expect(worn('traffic', rug, { madeOf: 'viscose' })).toEqual(['look'])
    expect(worn('', rug, { madeOf: 'silk' })).toEqual([])
    expect(worn('traffic, children', rug, { madeOf: 'wool' })).toEqual([])
    expect(worn('traffic, children, food', rug, { madeOf: 'synthetic' })).toEqual([])
  })
  it('says where it is known from', () => {
    const documents = planned(rug, [{ madeOf: 'silk' }], [edit('room', room(), { uses: 'traffic' })]).documents
    expect(remarksIn(documents, 'pieces.wear')[0]?.sentence).toContain('(common practice)')
  })
  it('a silk cushion is not walked on', () =>
    expect(worn('traffic', { thing: 'textile', name: 'Cushion' }, { madeOf: 'silk' })).toEqual([]))
  it('no jute or silk where food falls; what is washable passes', () => {
    expect(worn('food', rug, { madeOf: 'jute or sisal' })).toEqual(['look'])
    expect(worn('food', rug, { madeOf: 'silk' })).toEqual(['look'])
    expect(worn('food', rug, { madeOf: 'viscose', cleaning: 'machine wash' })).toEqual([])
  })
  it('chipboard and veneer not where it gets wet, but where they are made for it', () => {
    expect(worn('wet', { thing: 'storage' }, { madeOf: 'chipboard' })).toEqual(['look'])
    expect(worn('wet', { thing: 'storage' }, { madeOf: 'chipboard', suits: 'wet' })).toEqual([])
    expect(worn('', { thing: 'storage' }, { madeOf: 'chipboard' })).toEqual([])
  })
  it('dyed linen in the sun is a note, wine on marble a look, and a keepsake is not asked', () => {
    expect(worn('sun', { thing: 'curtain' }, { madeOf: 'linen' })).toEqual(['note'])
    expect(worn('food', { thing: 'table' }, { madeOf: 'marble or limestone' })).toEqual(['look'])
    expect(
      worn('food', { thing: 'table' }, { madeOf: 'marble or limestone', source: 'owned', keepReason: 'sentimental' }),
    ).toEqual([])
  })
  it('what a constraint says of a room is known too', () => {
    const { rows } = planned({ thing: 'seat' }, [{ madeOf: 'leather' }])
    const cat = add('constraint', newId(), { roomId: null, reason: 'pets', forbids: 'toxic plant', note: 'a cat' })
    expect(weightOf(change(begun, [...rows, cat]), 'pieces.wear')).toEqual(['look'])
    expect(weightOf(change(begun, rows), 'pieces.wear')).toEqual([])
  })
})

describe('what can tip over', () => {
  const tall = (wish: Wish, offer: Offer, ...more: Operation[]) =>
    remarksIn(planned({ thing: 'storage', ...wish }, [offer], more).documents, 'pieces.tips-over')
  const children = () =>
    add('constraint', newId(), { roomId: null, reason: 'children', forbids: 'small parts', note: 'two' })
  const tenancy = () => add('constraint', newId(), { roomId: null, reason: 'tenancy', forbids: 'drill', note: '' })
  // ASTM F2057-23, from memory: clothing storage units of 27 in (686 mm) and more
  it('27 inches and more, where children are: a look', () => {
    expect(tall({}, { heightMm: 27 * 25.4 }, children()).map(({ weight }) => weight)).toEqual(['look'])
    expect(tall({}, { heightMm: 26 * 25.4 }, children())).toEqual([])
    expect(tall({ thing: 'table' }, { heightMm: 900 }, children())).toEqual([])
    expect(tall({ aboveMm: 1400 }, { heightMm: 900 }, children())).toEqual([])
  })
  it('where a tenant may not drill, the conflict is said', () => {
    expect(tall({}, { heightMm: 1900 }, children(), tenancy())[0]?.sentence).toContain('ask the owner')
    expect(tall({}, { heightMm: 1900 }, tenancy()).map(({ weight }) => weight)).toEqual(['note'])
    expect(tall({}, { heightMm: 1900 })).toEqual([])
  })
})

it('styles are counted where the school asks for one or two', () => {
  const three = ['rustic', 'deco', 'coastal, rustic'].flatMap((styles) => planned({}, [{ styles }]).rows)
  const two = ['rustic', 'Rustic , deco'].flatMap((styles) => planned({}, [{ styles }]).rows)
  const asked = add('school', newId(), { question: 'styles', school: 'two' })
  const mixed = add('school', newId(), { question: 'styles', school: 'mixed' })
  expect(remarksIn(change(begun, [...three, asked]), 'pieces.many-styles')[0]?.sentence).toContain('rustic')
  expect(remarksIn(change(begun, [...two, asked]), 'pieces.many-styles')).toEqual([])
  expect(remarksIn(change(begun, [...three, mixed]), 'pieces.many-styles')).toEqual([])
  expect(remarksIn(change(begun, three), 'pieces.many-styles')).toEqual([])
})

describe('gifts', () => {
  const gift = (promisedOn: string | null, more: Offer = {}): Documents => {
    const offer: Offer = { source: 'gift', sellerId: null, priceMinor: minor(0), origin: 'an aunt', ...more }
    return planned({}, [{ ...offer, promisedOn: promisedOn === null ? null : plainDate(promisedOn) }]).documents
  }
  const stateOf = (documents: Documents) => reckon(documents, testToday).money.pieces[0]?.state
  it('a promised one is in nobody’s hand and covers its need for now; one that is here covers it', () => {
    expect([stateOf(gift('2027-04-01')), stateOf(gift(null))]).toEqual(['promised', 'in hand'])
    const covers = (documents: Documents) => reckon(documents, testToday).needs[0]
    expect(covers(gift('2027-04-01'))).toMatchObject({ covered: true, forNow: true })
    expect(covers(gift(null))).toMatchObject({ covered: true, forNow: false })
    expect(weightOf(gift('2027-04-01'), 'brief.need-for-now')).toEqual(['note'])
    expect(weightOf(gift(null), 'brief.need-for-now')).toEqual([])
  })
  it('past its day, or after the install date: a look', () => {
    expect(weightOf(gift('2027-02-01'), 'pieces.gift-late')).toEqual(['look'])
    expect(weightOf(gift('2027-07-01'), 'pieces.gift-late')).toEqual(['look'])
    expect(weightOf(gift('2027-05-01'), 'pieces.gift-late')).toEqual([])
  })
  it('asks for something to fall back on', () => {
    expect(weightOf(gift('2027-05-01'), 'pieces.gift-alone')).toEqual(['note'])
    expect(weightOf(gift('2027-05-01', { fallBack: 'the pine one' }), 'pieces.gift-alone')).toEqual([])
  })
})

describe('needs', () => {
  const books = (holds: number | null, fields: Partial<Fields<'need'>> = {}, wish: Wish = {}, offer: Offer = {}) =>
    planned(
      { thing: 'shelf', ...wish },
      [{ holds, ...offer }],
      [edit('need', begun.makeover.rows.need[ids.need] as Row<'need'>, { amount: 8, unit: 'm of books', ...fields })],
    ).documents
  it('storage is held against the amount', () => {
    expect(remarksIn(books(3, {}, { quantity: 2 }), 'brief.need-short')[0]?.title).toContain('2\u00a0m of books')
    expect(remarksIn(books(4, {}, { quantity: 2 }), 'brief.need-short')).toEqual([])
    expect(weightOf(books(null), 'brief.need-unmeasured')).toEqual(['note'])
    expect(weightOf(books(null, { amount: null }), 'brief.need-unmeasured')).toEqual([])
  })
  it('one that is struck out is silent, and one past its day is asked about', () => {
    const struck = books(3, { struckOn: plainDate('2027-02-20'), struckReason: 'They gave the books away' })
    expect(reckon(struck, testToday).needs).toEqual([])
    expect(remarksIn(struck, 'brief.need-short')).toEqual([])
    expect(weightOf(books(9, { untilOn: plainDate('2027-02-28') }), 'brief.need-ended')).toEqual(['note'])
    expect(weightOf(books(9, { untilOn: plainDate('2027-03-01') }), 'brief.need-ended')).toEqual([])
  })
  it('a stand-in covers it for now, the thing itself for good', () => {
    const standIn: Offer = { source: 'placeholder', lookAgainOn: plainDate('2027-05-01') }
    expect(weightOf(books(9, {}, {}, standIn), 'brief.need-for-now')).toEqual(['note'])
    expect(weightOf(books(9), 'brief.need-for-now')).toEqual([])
  })
})

it('holes granted and holes used', () => {
  const leave = (holes: number | null) =>
    add('permission', newId(), {
      ...blank.permission,
      method: 'drill',
      ask: 'May we drill?',
      askedOf: 'the owner',
      askedOn: plainDate('2027-02-01'),
      answer: 'yes',
      answeredOn: plainDate('2027-02-02'),
      restore: 'filled and painted',
      restorePieceId: null,
      holes,
    })
  const shelves = planned({ name: 'Shelf', quantity: 3 }, [{ holes: 4, methods: 'drill' }]).rows
  expect(remarksIn(change(begun, [...shelves, leave(10)]), 'brief.holes-over')[0]?.title).toBe(
    '12 holes, where 10 are allowed',
  )
  expect(remarksIn(change(begun, [...shelves, leave(12)]), 'brief.holes-over')).toEqual([])
  expect(remarksIn(change(begun, [...shelves, leave(null)]), 'brief.holes-over')).toEqual([])
})

it('a return window from the purchase that ends before it comes or stands in its place is said before it is ordered', () => {
  const window = (offer: Offer) => weightOf(planned({}, [offer]).documents, 'pieces.window-ends')
  // today is 1 March and install day 1 June: 92 days
  expect(window({ returnDays: 14, returnFrom: 'order', leadDays: 21 })).toEqual(['look'])
  expect(window({ returnDays: 91, returnFrom: 'order', leadDays: 21 })).toEqual(['look'])
  expect(window({ returnDays: 92, returnFrom: 'order', leadDays: 21 })).toEqual([])
  expect(window({ returnDays: 14, returnFrom: 'arrival', leadDays: 21 })).toEqual([])
})

it('an order counts its last day to return from where the seller counts it', () => {
  const { rows, firstId, candidates } = planned({}, [{ returnDays: 30, returnFrom: 'order' }])
  const orderId = newId()
  const fields = candidates[0]?.[1] as Fields<'candidate'>
  const here = (start: Fields<'candidate'>['returnFrom']) =>
    reckon(
      change(begun, [
        ...rows,
        ...orderOf(orderId, firstId, { ...fields, returnFrom: start }, 1),
        add('delivery', newId(), {
          ...blank.delivery,
          purchaseId: orderId,
          packs: 1,
          receivedOn: plainDate('2027-02-20'),
        }),
      ]),
      testToday,
    ).money.purchases[0]?.returnBy
  expect(here('order')).toBe(addDays(plainDate('2027-02-01'), 30))
  expect(here('arrival')).toBe(addDays(plainDate('2027-02-20'), 30))
})

describe('make or buy', () => {
  const made: Offer = {
    source: 'made',
    sellerId: null,
    priceMinor: minor(45_00),
    packSize: 2,
    hours: 4,
    hourMinor: minor(30_00),
    taxPpm: 0,
  }
  const against = (price: number, offer: Offer = {}) =>
    planned({ quantity: 3 }, [
      { ...made, ...offer },
      { name: 'Bought', priceMinor: minor(price), taxPpm: 0 },
    ])
  const found = (price: number, offer: Offer = {}) => {
    const { documents, pieceId, firstId } = against(price, offer)
    const rows = documents.makeover.rows
    return makeOrBuy(
      documents.makeover,
      rows.piece[pieceId] as Row<'piece'>,
      rows.candidate[firstId] as Row<'candidate'>,
    )
  }
  // 3 wanted in packs of 2: 2 packs at 45.00 = 90.00; bought 3 × 70.00 = 210.00; (210 − 90) ÷ 4 h = 30.00 an hour
  it('counts whole packs, and finds the hour at which the two are even', () =>
    expect(found(70_00)).toMatchObject({ materials: 90_00, boughtLanded: 210_00, hourEven: 30_00 }))
  it('where bought is cheaper before an hour is counted there is no such rate, and it is said', () => {
    expect(found(29_00)).toMatchObject({ materials: 90_00, boughtLanded: 87_00, hourEven: null })
    expect(weightOf(against(29_00).documents, 'pieces.buy-cheaper')).toEqual(['note'])
    expect(weightOf(against(70_00).documents, 'pieces.buy-cheaper')).toEqual([])
  })
  it('an hour reckoned above that rate is said', () => {
    expect(weightOf(against(69_00).documents, 'pieces.make-dear')).toEqual(['note'])
    expect(weightOf(against(70_00).documents, 'pieces.make-dear')).toEqual([])
  })
})

it('what came instead is told on its piece, as long as nothing was done about it as a look', () => {
  const { rows, firstId, candidates } = planned({ name: 'Lamp' }, [{ name: 'Green lamp' }])
  const orderId = newId()
  const fields = candidates[0]?.[1] as Fields<'candidate'>
  const came = (cameInstead: string, ...more: Operation[]) =>
    weightOf(
      change(begun, [
        ...rows,
        ...orderOf(orderId, firstId, fields, 1),
        add('delivery', newId(), {
          ...blank.delivery,
          purchaseId: orderId,
          packs: 1,
          receivedOn: plainDate('2027-02-20'),
          cameInstead,
        }),
        ...more,
      ]),
      'pieces.came-instead',
    )
  const kept = add('placing', newId(), {
    purchaseId: orderId,
    placedOn: plainDate('2027-02-21'),
    tagsOffOn: plainDate('2027-02-22'),
  })
  expect(came('a blue lamp')).toEqual(['look'])
  expect(came('a blue lamp', kept)).toEqual(['note'])
  expect(came('')).toEqual([])
})
