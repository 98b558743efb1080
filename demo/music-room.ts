/**
 * The music room at Tern House: two players, an old house above a harbour, in the middle of purchases. Everything in
 * it is made up. It is told as the change sets that its decorator made, on dates counted from the day it is loaded.
 */
import { labFromHex } from '#core/colour/lab.ts'
import { add, schemaVersion, type ChangeSet, type Operation } from '#core/makeover/change.ts'
import type { Family, Fields, Role, Row, Sheen } from '#core/makeover/kinds.ts'
import { addDays, type PlainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'

export const demoDecorator = { studioName: 'Wren & Tide', timeZone: 'Europe/Lisbon', name: 'Ottilie Wren', email: 'ottilie@wrenandtide.example', password: 'lamplight-on-larch' }

export type Demo = { readonly makeoverId: string; readonly changeSets: readonly ChangeSet[] }

const cents = (amount: number) => minor(Math.round(amount * 100))
const percent = (rate: number): number => Math.round(rate * 10_000)

export function musicRoom(today: PlainDate, newId: () => string): Demo {
  const day = (offset: number): PlainDate => addDays(today, offset)
  const changeSets: ChangeSet[] = []
  const say = (sentence: string, operations: readonly Operation[]): void => {
    changeSets.push({ id: newId(), schemaVersion, sentence, operations })
  }

  const makeoverId = newId()
  const [nell, piet, room] = [newId(), newId(), newId()]
  const [playing, listening] = [newId(), newId()]
  say('Began the music room', [
    add('makeover', makeoverId, { name: 'Music room, Tern House', currency: 'EUR', units: 'metric', installOn: day(45) }),
    add('client', nell, { name: 'Nell Ashgrove' }),
    add('client', piet, { name: 'Piet Ashgrove' }),
    add('room', room, { name: 'Music room' }),
    add('zone', playing, { roomId: room, name: 'The playing end' }),
    add('zone', listening, { roomId: room, name: 'Under the window' }),
  ])

  const need = (name: string, importance: Fields<'need'>['importance'], zoneId: string | null = null) => {
    const id = newId()
    return { id, put: add('need', id, { roomId: room, zoneId, name, importance }) }
  }
  const needs = {
    play: need('Two can play at once, side by side', 'must', playing),
    read: need('Read notes after dusk', 'must', playing),
    quiet: need('Take the ring out of the room', 'must'),
    store: need('Sheet music within reach, lying flat', 'should', playing),
    listen: need('Four friends can sit and listen', 'should', listening),
    quilt: need('Great-aunt Sanna’s quilt stays in sight', 'must'),
    tea: need('Somewhere to put down a cup', 'nice', listening),
  }
  say('Wrote down what the room is for', Object.values(needs).map((one) => one.put))

  const categoryNames = { seating: 'Seating', textiles: 'Textiles', light: 'Light', walls: 'Walls', storage: 'Storage' }
  type Category = keyof typeof categoryNames
  const categories: Record<Category, string> = { seating: newId(), textiles: newId(), light: newId(), walls: newId(), storage: newId() }
  const order = ['seating', 'textiles', 'light', 'walls', 'storage'] as const
  const sums = (agreementId: string, amounts: Record<Category, number>) =>
    order.map((category) => add('agreementLine', newId(), { agreementId, categoryId: categories[category], amountMinor: cents(amounts[category]) }))
  const first = newId()
  say('Nell Ashgrove signed the budget', [
    ...order.map((category, place) => add('category', categories[category], { name: categoryNames[category], place })),
    add('agreement', first, { number: 1, contingencyMinor: cents(1450), signedById: nell, signedOn: day(-61), reason: '' }),
    ...sums(first, { seating: 2450, textiles: 1780, light: 860, walls: 640, storage: 1520 }),
  ])

  const finish = (name: string, role: Role, family: Family, sheen: Sheen, hex: string, usedFor: string, visibleM2: number) => {
    const { L, a, b } = labFromHex(hex) ?? { L: 50, a: 0, b: 0 }
    return add('finish', newId(), { roomId: room, name, role, family, sheen, labL: L, labA: a, labB: b, colourSource: 'hex', usedFor, visibleM2 })
  }
  say('Laid out the palette', [
    finish('Rain barrel', 'dominant', 'paint', 'matt', '#83a7ad', 'walls', 36),
    finish('Larch boards', 'dominant', 'wood', 'satin', '#c59c5f', 'floor, kept', 17),
    finish('Candle end', 'secondary', 'paint', 'satin', '#f1e9da', 'trim, door, window', 7),
    finish('Damson', 'secondary', 'textile', 'matt', '#5d3d55', 'curtains', 11),
    finish('Stubble', 'secondary', 'textile', 'matt', '#b99f72', 'felt hanging', 4.5),
    finish('Elm', 'secondary', 'wood', 'matt', '#8f5741', 'bench, shelves', 3.2),
    finish('Calendula', 'accent', 'textile', 'matt', '#d18a2b', 'stool seats', 0.7),
    finish('Tin', 'accent', 'metal', 'satin', '#a9aaa9', 'lamps, pulls', 0.5),
    finish('Sea glass', 'accent', 'ceramic', 'gloss', '#3f857c', 'bowls on the shelf', 0.3),
  ])

  const sellers = new Map<string, string>()
  const seller = (name: string): { id: string; puts: Operation[] } => {
    const known = sellers.get(name)
    if (known) return { id: known, puts: [] }
    const id = newId()
    sellers.set(name, id)
    return { id, puts: [add('seller', id, { name })] }
  }
  type Offer = { from: string; name: string; price: number; pack?: number; off?: number; delivery: number; lead: number; returns: number | null; hex: string }
  type Wish = { name: string; need: keyof typeof needs | null; category: Category; quantity: number; unit?: string; allowance: number; zone?: string; offers: Offer[]; chosen?: string }
  /** A wish with its offers; where a reason is given, the first offer is chosen for it. */
  const plan = (wish: Wish) => {
    const pieceId = newId()
    const operations: Operation[] = []
    const candidates = wish.offers.map((offer): Row<'candidate'> => {
      const { id: sellerId, puts } = seller(offer.from)
      const lab = labFromHex(offer.hex)
      const fields: Fields<'candidate'> = {
        pieceId,
        sellerId,
        name: offer.name,
        priceMinor: cents(offer.price),
        packSize: offer.pack ?? 1,
        discountPpm: percent(offer.off ?? 0),
        deliveryMinor: cents(offer.delivery),
        taxPpm: percent(20),
        taxIncluded: false,
        deliveryTaxed: true,
        leadDays: offer.lead,
        returnDays: offer.returns,
        labL: lab?.L ?? null,
        labA: lab?.a ?? null,
        labB: lab?.b ?? null,
      }
      const id = newId()
      operations.push(...puts, add('candidate', id, fields))
      return { ...fields, id, version: id }
    })
    const piece: Fields<'piece'> = {
      roomId: room,
      zoneId: wish.zone ?? null,
      needId: wish.need ? needs[wish.need].id : null,
      categoryId: categories[wish.category],
      name: wish.name,
      quantity: wish.quantity,
      unit: wish.unit ?? 'pieces',
      allowanceMinor: cents(wish.allowance),
      chosenId: wish.chosen ? (candidates[0]?.id ?? null) : null,
      chosenReason: wish.chosen ?? '',
    }
    say(`Planned: ${wish.name.toLowerCase()}`, [add('piece', pieceId, piece), ...operations])
    return { pieceId, candidates }
  }

  const stools = plan({
    name: 'Playing stools',
    need: 'play',
    category: 'seating',
    quantity: 2,
    allowance: 560,
    zone: playing,
    offers: [
      { from: 'Marl Street Turners', name: 'Turned ash stool, wool seat', price: 236, off: 5, delivery: 38, lead: 21, returns: 14, hex: '#d18a2b' },
      { from: 'Gannet & Daughters', name: 'Steel stool, cork seat', price: 164, delivery: 25, lead: 9, returns: 30, hex: '#8a6b4c' },
    ],
    chosen: 'Silent joints: the steel one creaks in the quiet bars',
  })
  const bench = plan({
    name: 'Listening bench',
    need: 'listen',
    category: 'seating',
    quantity: 1,
    allowance: 1250,
    zone: listening,
    offers: [
      { from: 'Oakum Yard', name: 'Elm bench, 1.9 m, made to the bay', price: 940, delivery: 70, lead: 42, returns: null, hex: '#8f5741' },
      { from: 'Marl Street Turners', name: 'Ash settle with box', price: 1080, off: 8, delivery: 60, lead: 28, returns: 14, hex: '#cdae84' },
    ],
    chosen: 'Follows the bay to the millimetre; they like the red of the elm',
  })
  plan({
    name: 'Folding chairs for guests',
    need: 'listen',
    category: 'seating',
    quantity: 3,
    allowance: 480,
    offers: [
      { from: 'Gannet & Daughters', name: 'Beech folding chair', price: 89, off: 10, delivery: 25, lead: 6, returns: 30, hex: '#c8a071' },
      { from: 'The Back Room', name: 'Chapel chairs, second-hand', price: 46, delivery: 0, lead: 2, returns: null, hex: '#7a5337' },
      { from: 'Sail Loft Supply', name: 'Canvas folding chair', price: 112, delivery: 18, lead: 10, returns: 14, hex: '#5d3d55' },
    ],
  })
  const curtains = plan({
    name: 'Curtain cloth, heavy',
    need: 'quiet',
    category: 'textiles',
    quantity: 11,
    unit: 'm',
    allowance: 980,
    offers: [
      { from: 'Sail Loft Supply', name: 'Wool serge, damson, bolts of 4 m', price: 268, pack: 4, off: 10, delivery: 24, lead: 18, returns: 21, hex: '#5d3d55' },
      { from: 'Harbour Weavers', name: 'Cotton velvet, plum', price: 79, delivery: 0, lead: 30, returns: 14, hex: '#4c2e4a' },
    ],
    chosen: 'Twice the weight of the velvet, and it takes the ring out',
  })
  const rug = plan({
    name: 'Rug under the players',
    need: 'quiet',
    category: 'textiles',
    quantity: 1,
    allowance: 620,
    zone: playing,
    offers: [
      { from: 'Harbour Weavers', name: 'Flat wool rug 2.0 × 3.0 m', price: 498, delivery: 35, lead: 14, returns: 10, hex: '#b99f72' },
      { from: 'The Back Room', name: 'Two worn runners, joined', price: 240, delivery: 20, lead: 3, returns: null, hex: '#8d4f3a' },
    ],
    chosen: 'Thick enough to hush the boards, flat enough for a stand',
  })
  plan({
    name: 'Felt hanging, back wall',
    need: 'quiet',
    category: 'textiles',
    quantity: 1,
    allowance: 460,
    offers: [
      { from: 'Harbour Weavers', name: 'Felted hanging 1.6 × 2.4 m', price: 372, off: 5, delivery: 0, lead: 33, returns: 14, hex: '#b99f72' },
      { from: 'Sail Loft Supply', name: 'Quilted sailcloth panel', price: 318, delivery: 24, lead: 20, returns: 21, hex: '#d9d2c0' },
    ],
    chosen: 'Soft side out, and the colour of the field they see from the window',
  })
  const lamps = plan({
    name: 'Reading lamps, long arm',
    need: 'read',
    category: 'light',
    quantity: 2,
    allowance: 520,
    zone: playing,
    offers: [
      { from: 'Lantern Row', name: 'Tin floor lamp with a long arm', price: 189, delivery: 22, lead: 12, returns: 28, hex: '#a9aaa7' },
      { from: 'Gannet & Daughters', name: 'Clamp lamp for a stand', price: 74, delivery: 12, lead: 4, returns: 30, hex: '#2b2b2b' },
    ],
    chosen: 'Lights both pages without a shadow from the bow arm',
  })
  plan({
    name: 'Low lamp by the bench',
    need: 'read',
    category: 'light',
    quantity: 1,
    allowance: 240,
    zone: listening,
    offers: [{ from: 'Lantern Row', name: 'Glazed lamp, sea glass', price: 158, delivery: 14, lead: 16, returns: 28, hex: '#3f857c' }],
    chosen: 'Brings the green of the bowls across the room',
  })
  const paint = plan({
    name: 'Wall paint, rain barrel',
    need: null,
    category: 'walls',
    quantity: 11,
    unit: 'litres',
    allowance: 330,
    offers: [{ from: 'Slipway Paints', name: 'Rain barrel, matt, tins of 2.5 litres', price: 46.5, pack: 2.5, delivery: 0, lead: 3, returns: null, hex: '#83a7ad' }],
    chosen: 'The board kept its blue by lamp light',
  })
  plan({
    name: 'Deep frame for the quilt',
    need: 'quilt',
    category: 'walls',
    quantity: 1,
    allowance: 290,
    offers: [
      { from: 'Oakum Yard', name: 'Box frame in elm, 1.1 × 1.1 m', price: 236, delivery: 0, lead: 24, returns: null, hex: '#8f5741' },
      { from: 'Marl Street Turners', name: 'Ash tray frame, unglazed', price: 148, delivery: 18, lead: 15, returns: 14, hex: '#cdae84' },
    ],
  })
  plan({
    name: 'Shelves for sheet music',
    need: 'store',
    category: 'storage',
    quantity: 6,
    allowance: 1300,
    zone: playing,
    offers: [
      { from: 'Oakum Yard', name: 'Elm shelf, 900 mm, on hidden pins', price: 208, off: 4, delivery: 85, lead: 26, returns: null, hex: '#8f5741' },
      { from: 'Gannet & Daughters', name: 'Painted shelf with a lip', price: 62, delivery: 30, lead: 8, returns: 30, hex: '#f1e9da' },
    ],
    chosen: 'One wood with the bench, made by the same hands',
  })

  const buy = (from: ReturnType<typeof plan>, packs: number, orderedOn: PlainDate, sentence: string) => {
    const [candidate] = from.candidates
    if (!candidate) throw new Error('the demo orders a candidate that it planned')
    const { priceMinor, packSize, discountPpm, deliveryMinor, taxPpm, taxIncluded, deliveryTaxed, leadDays, returnDays } = candidate
    const terms = { priceMinor, packSize, discountPpm, deliveryMinor, taxPpm, taxIncluded, deliveryTaxed, leadDays, returnDays }
    const id = newId()
    say(sentence, [add('purchase', id, { pieceId: from.pieceId, candidateId: candidate.id, packs, orderedOn, reference: '', ...terms })])
    return id
  }
  const pay = (purchaseId: string, amount: number, paidOn: PlainDate, sentence: string, tender: Fields<'payment'>['tender'] = 'transfer') =>
    say(sentence, [add('payment', newId(), { purchaseId, direction: 'out', amountMinor: cents(amount), paidOn, tender, reversesId: null })])
  const receive = (purchaseId: string, packs: number, receivedOn: PlainDate, sentence: string) => say(sentence, [add('delivery', newId(), { purchaseId, packs, receivedOn })])

  const paintOrder = buy(paint, 5, day(-50), 'Ordered the wall paint')
  pay(paintOrder, 279, day(-50), 'Paid the wall paint at the counter', 'card')
  receive(paintOrder, 5, day(-47), 'The wall paint came')

  const second = newId()
  say('Piet Ashgrove signed a change: a heavier curtain and a rug', [
    add('agreement', second, {
      number: 2,
      contingencyMinor: cents(1450),
      signedById: piet,
      signedOn: day(-34),
      reason: 'Emptied, the room rings more than it seemed: a heavier curtain cloth, and a rug under the players',
    }),
    ...sums(second, { seating: 2450, textiles: 2160, light: 860, walls: 640, storage: 1520 }),
  ])

  const stoolOrder = buy(stools, 2, day(-33), 'Ordered the playing stools')
  pay(stoolOrder, 250, day(-33), 'Paid a deposit on the stools')
  const clothOrder = buy(curtains, 3, day(-31), 'Ordered the curtain cloth')
  pay(clothOrder, 897.12, day(-31), 'Paid the curtain cloth', 'card')
  const lampOrder = buy(lamps, 2, day(-26), 'Ordered the reading lamps')
  pay(lampOrder, 480, day(-26), 'Paid the reading lamps', 'card')
  const benchOrder = buy(bench, 1, day(-20), 'Ordered the listening bench')
  pay(benchOrder, 360, day(-20), 'Paid the deposit that Oakum Yard asks')
  const rugOrder = buy(rug, 1, day(-16), 'Ordered the rug')
  receive(lampOrder, 2, day(-14), 'Both reading lamps came')
  receive(clothOrder, 2, day(-12), 'Two of three bolts came; the third is on the loom')
  receive(stoolOrder, 2, day(-9), 'The stools came')
  pay(stoolOrder, 333.68, day(-8), 'Paid the rest on the stools')
  pay(rugOrder, 200, day(-6), 'Paid a first part on the rug')
  receive(rugOrder, 1, day(-2), 'The rug came')
  say('One reading lamp goes back: it hums', [
    add('return', newId(), { purchaseId: lampOrder, packs: 1, sentOn: day(-4), reason: 'Hums a flat B when it is dimmed', creditMinor: cents(226.8), acceptedOn: null, wantedAgain: true }),
  ])
  return { makeoverId, changeSets }
}
