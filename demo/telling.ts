/**
 * Tells a makeover as the change sets that its decorator made, on dates counted from the day it is loaded. Everything
 * is made up. The telling keeps the documents as they stand, so that each change is made on what was there.
 */
import { keepBrief, writeKept } from '#core/brief/index.ts'
import { labFromHex, type Lab } from '#core/colour/lab.ts'
import { blank, termsOf } from '#core/makeover/blank.ts'
import {
  add,
  apply,
  edit,
  schemaVersion,
  type ChangeSet,
  type Documents,
  type Operation,
} from '#core/makeover/change.ts'
import type { Family, Light, Role, Sheen, Surface } from '#core/makeover/choices.ts'
import { emptyMakeover, rowsOf, studioRows, type Studio } from '#core/makeover/document.ts'
import type { Fields, MakeoverKind, Row } from '#core/makeover/kinds.ts'
import { isTreatable, layOn, type Where } from '#core/makeover/lay.ts'
import { readSurveyCsv, sheetOperations, wallsOf } from '#core/survey/index.ts'
import { addDays, type PlainDate } from '#core/measure/plain-date.ts'
import { minor, type Minor } from '#core/money/minor.ts'
import { couponShares } from '#core/purchases/index.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { presentNow } from '#core/client/now.ts'
import { presentedParts } from '#core/makeover/client-choices.ts'
import { lineOperations } from '#core/surfaces/index.ts'

export const cents = (amount: number): Minor => minor(Math.round(amount * 100))
export const percent = (rate: number): number => Math.round(rate * 10_000)

const labOf = (hex: string): Lab => {
  const lab = labFromHex(hex)
  if (!lab) throw new Error(`${hex} is no hex`)
  return lab
}
const asFields = ({ L, a, b }: Lab) => ({ labL: L, labA: a, labB: b })

export type Offer = Partial<Fields<'candidate'>> & {
  name: string
  price: number
  from?: string
  off?: number
  delivery?: number
  lead?: number
  returns?: number | null
  hex?: string
  also?: readonly string[]
  window?: number
  size?: readonly [number | null, number | null, number | null]
}
export type Wish = Partial<Fields<'piece'>> & {
  name: string
  category: string | null
  serves?: readonly string[]
  quantity?: number
  allowance?: number
  zone?: string
  chosen?: string
  offers: readonly Offer[]
}
export type FinishTold = {
  name: string
  role: Role
  family: Family
  sheen: Sheen
  hex: string
  usedFor: string
  m2: number | null
  surface?: Surface
} & Partial<Fields<'finish'>> &
  Partial<Omit<Where, 'surface'>>

/** A telling in a studio that may have sellers already; `day(n)` is n days from the load. */
export function tell(today: PlainDate, newId: () => string, studio: Studio, tax: { rate: number; included: boolean }) {
  const makeoverId = newId()
  let documents: Documents = { makeover: emptyMakeover(makeoverId), studio }
  const changeSets: ChangeSet[] = []
  const day = (offset: number): PlainDate => addDays(today, offset)
  const named: Partial<Record<MakeoverKind, Record<string, string>>> = {}
  const namesOf = (kind: MakeoverKind): Record<string, string> => (named[kind] ??= {})

  function say(sentence: string, told: readonly (Operation | readonly Operation[])[]): void {
    const id = newId()
    const operations = told.flat()
    const applied = apply(documents, operations, id)
    if (applied.faults.length > 0)
      throw new Error(`The demo does not fit the product: “${sentence}”: ${JSON.stringify(applied.faults[0])}`)
    documents = applied.documents
    changeSets.push({ id, schemaVersion, sentence, operations })
  }
  /** A new row that is spoken of by a name later. */
  function make<K extends MakeoverKind>(kind: K, name: string, fields: Fields<K>): Operation {
    const id = kind === 'makeover' ? makeoverId : newId()
    namesOf(kind)[name] = id
    return add(kind, id, fields)
  }
  function idOf(kind: MakeoverKind, name: string): string {
    const id = named[kind]?.[name]
    if (!id) throw new Error(`The demo has no ${kind} “${name}” yet`)
    return id
  }
  function row<K extends MakeoverKind>(kind: K, name: string): Row<K> {
    const found = (documents.makeover.rows[kind] as Readonly<Record<string, Row<K>>>)[idOf(kind, name)]
    if (!found) throw new Error(`The demo’s ${kind} “${name}” is gone`)
    return found
  }
  const room = (): string => rowsOf(documents.makeover, 'room')[0]?.id ?? ''
  const change = <K extends MakeoverKind>(kind: K, name: string, fields: Partial<Fields<K>>): Operation =>
    edit(kind, row(kind, name), fields)

  function seller(name: string, fields: Partial<Fields<'seller'>> = {}): { id: string; puts: Operation[] } {
    const known = studioRows(documents.studio, 'seller').find((seller) => seller.name === name)
    if (known) return { id: known.id, puts: [] }
    const id = newId()
    return { id, puts: [add('seller', id, { ...blank.seller, name, ...fields })] }
  }
  /** Finishes stand in the tray in the order they are told. */
  let places = 0
  function finish({
    name,
    hex,
    m2,
    surface = 'other',
    wallId,
    bandFromMm,
    bandToMm,
    ...fields
  }: FinishTold): Operation[] {
    const told = make('finish', name, {
      ...blank.finish,
      place: ++places,
      roomId: room(),
      name,
      ...asFields(labOf(hex)),
      colourSource: 'hex',
      visibleM2: m2,
      ...fields,
    })
    const id = idOf('finish', name)
    return [
      told,
      ...(isTreatable(surface)
        ? layOn(
            id,
            { id, family: fields.family, texture: fields.texture ?? 'usual' },
            { surface, wallId: wallId ?? null, bandFromMm: bandFromMm ?? null, bandToMm: bandToMm ?? null },
            { place: places },
          )
        : []),
    ]
  }

  /** How a finish is done where it lies already, or a further treatment of it; the change of its line to buy comes with it. */
  const done = (finishName: string, fields: Partial<Fields<'treatment'>>): Operation => {
    const id = idOf('finish', finishName)
    const treatment = rowsOf(documents.makeover, 'treatment').find(({ finishId }) => finishId === id)
    if (!treatment) throw new Error(`The demo lays “${finishName}” nowhere`)
    return edit('treatment', treatment, fields)
  }
  /** A treatment of its own, with the surfaces it lies on; it is spoken of by its name. */
  function treat(
    name: string,
    finishName: string,
    wheres: readonly Where[],
    fields: Partial<Fields<'treatment'>> = {},
  ): Operation[] {
    const finishRow = row('finish', finishName)
    const id = newId()
    namesOf('treatment')[name] = id
    const [first, ...more] = wheres
    return [
      ...(first ? layOn(id, finishRow, first, { place: ++places, ...fields }) : []),
      ...more.map((where) => add('treatedPart', newId(), { ...blank.treatedPart, treatmentId: id, ...where })),
    ]
  }
  const carries = (pattern: string, part: string, share: number): Operation =>
    add('patternPart', newId(), {
      finishId: idOf('finish', pattern),
      partId: idOf('finish', part),
      sharePpm: Math.round(share * 1_000_000),
    })
  /** A further surface of a finish that lies already. */
  const also = (finishName: string, where: Where): Operation => {
    const id = idOf('finish', finishName)
    const treatment = rowsOf(documents.makeover, 'treatment').find(({ finishId }) => finishId === id)
    return add('treatedPart', newId(), { ...blank.treatedPart, treatmentId: treatment?.id ?? '', ...where })
  }
  /** How far a finish reaches where it lies first. */
  function reach(finishName: string, fields: Partial<Where>): Operation {
    const { makeover } = documents
    const treatment = rowsOf(makeover, 'treatment').find(({ finishId }) => finishId === idOf('finish', finishName))
    const part = rowsOf(makeover, 'treatedPart').find(({ treatmentId }) => treatmentId === treatment?.id)
    if (!part) throw new Error(`The demo lays “${finishName}” nowhere`)
    return edit('treatedPart', part, fields)
  }
  /** The line to buy of a finish says what it takes. */
  function bringToNeed(sentence: string, finishName: string): void {
    const { takeOffs } = reckon(documents, today)
    const taken = takeOffs.find(
      ({ finish: { id }, treatment }) => id === idOf('finish', finishName) && treatment.pieceId !== null,
    )
    say(sentence, taken ? lineOperations(documents.makeover, taken, takeOffs, newId) : [])
  }
  /** What a candidate is made up of, and the further sizes it is sold in. */
  const sold = (
    candidateName: string,
    makeUp: Partial<Fields<'makeUp'>>,
    sizes: readonly (Partial<Omit<Fields<'saleSize'>, 'priceMinor'>> & { name: string; price: number })[] = [],
  ): Operation[] => [
    add('makeUp', newId(), { ...blank.makeUp, candidateId: idOf('candidate', candidateName), ...makeUp }),
    ...sizes.map(({ price, ...size }) =>
      add('saleSize', newId(), {
        ...blank.saleSize,
        candidateId: idOf('candidate', candidateName),
        holds: 1,
        priceMinor: cents(price),
        ...size,
      }),
    ),
  ]

  /** What stands on a shelf: its boards, then each thing on its board, its middle from the left end. */
  const show = (
    pieceName: string,
    heights: string,
    things: Readonly<
      Record<
        string,
        { at: readonly [board: number, along: number]; size: readonly [number, number]; hex: string } & Partial<
          Fields<'showpiece'>
        >
      >
    >,
  ): Operation[] => [
    add('shelving', newId(), { pieceId: idOf('piece', pieceName), heights }),
    ...Object.entries(things).map(
      ([
        name,
        {
          at: [board, alongMm],
          size: [widthMm, heightMm],
          hex,
          ...fields
        },
      ]) =>
        add('showpiece', newId(), {
          ...blank.showpiece,
          pieceId: idOf('piece', pieceName),
          name,
          board,
          alongMm,
          widthMm,
          heightMm,
          ...asFields(labOf(hex)),
          ...fields,
        }),
    ),
  ]
  /** What candidates give as lamps, as their packets say. */
  const gives = (lamps: Readonly<Record<string, Partial<Fields<'lamp'>> & { lumens: number }>>): Operation[] =>
    Object.entries(lamps).map(([name, lamp]) =>
      add('lamp', newId(), { ...blank.lamp, candidateId: idOf('candidate', name), ...lamp }),
    )
  /** Where things of a room stand in a layout: of several of one piece each in turn. Sizes are of what nobody measured. */
  function furnish(
    layoutName: string,
    roomId: string,
    places: Readonly<Record<string, readonly (readonly [x: number, y: number, turn?: number])[]>>,
    inForce = true,
  ): Operation[] {
    const layoutId = newId()
    return [
      add('layout', layoutId, { ...blank.layout, roomId, name: layoutName, place: 0, inForce }),
      ...Object.entries(places).flatMap(([name, all]) =>
        all.map(([xMm, yMm, turnDeg = 0], at) =>
          add('standing', newId(), {
            ...blank.standing,
            layoutId,
            pieceId: idOf('piece', name),
            number: at + 1,
            xMm,
            yMm,
            turnDeg,
          }),
        ),
      ),
    ]
  }
  /** What hangs on a wall of a room, by its place in the walk: along it and above the floor, in mm. */
  const hang = (
    roomId: string,
    wallAt: number,
    places: Readonly<Record<string, readonly (readonly [along: number, centre: number])[]>>,
    groupName = '',
  ): Operation[] =>
    Object.entries(places).flatMap(([name, all]) =>
      all.map(([alongMm, centreMm], at) =>
        add('hanging', newId(), {
          ...blank.hanging,
          pieceId: idOf('piece', name),
          number: at + 1,
          wallId: wall(roomId, wallAt),
          alongMm,
          centreMm,
          groupName,
        }),
      ),
    )
  /** How large things are that nobody measured. */
  const sized = (sizes: Readonly<Record<string, readonly [number, number, number]>>): Operation[] =>
    Object.entries(sizes).map(([name, [widthMm, depthMm, heightMm]]) =>
      change('piece', name, { widthMm, depthMm, heightMm }),
    )

  /** A sample of a finish, and each look at it: on which wall (by its place), by which light, what was said by whom. */
  function sample(
    finishName: string,
    fields: { ordered: number; came?: number; verdict?: Row<'sample'>['verdict']; by?: string },
    ...looks: readonly (readonly [
      wallAt: number | null,
      light: Light,
      days: number,
      verdict: Row<'viewing'>['verdict'],
      by: string,
      note?: string,
    ])[]
  ): Operation[] {
    const id = newId()
    namesOf('sample')[finishName] = id
    return [
      add('sample', id, {
        finishId: idOf('finish', finishName),
        orderedOn: day(fields.ordered),
        cameOn: fields.came === undefined ? null : day(fields.came),
        verdict: fields.verdict ?? 'open',
        judgedBy: fields.by ?? '',
      }),
      ...looks.map(([wallAt, light, days, verdict, judgedBy, note = '']) =>
        add('viewing', newId(), {
          sampleId: id,
          wallId: wallAt === null ? null : wall(room(), wallAt),
          light,
          seenOn: day(days),
          verdict,
          judgedBy,
          note,
        }),
      ),
    ]
  }
  /** Says where pieces stand: before which wall, and how high their lower edge is. */
  const stand = (
    sentence: string,
    pieces: Readonly<Record<string, readonly [wallAt: number, aboveMm?: number]>>,
  ): void =>
    say(
      sentence,
      Object.entries(pieces).map(([name, [wallAt, aboveMm = 0]]) =>
        change('piece', name, { wallId: wall(room(), wallAt), aboveMm }),
      ),
    )

  /** A room's lengths from a table; its walls are spoken of by their letters’ places afterwards. */
  function measure(sentence: string, roomId: string, csv: string): void {
    const { sheet, faults } = readSurveyCsv(csv)
    if (!sheet) throw new Error(`The demo’s lengths do not read: ${JSON.stringify(faults[0])}`)
    say(sentence, sheetOperations(documents.makeover, roomId, sheet, newId))
  }
  const wall = (roomId: string, at: number): string => wallsOf(documents.makeover, roomId)[at]?.id ?? ''
  /** A wish with its offers; where a reason is given, the first offer is chosen for it. */
  function plan(
    sentence: string,
    { category, serves = [], allowance = 0, zone, chosen, offers, ...fields }: Wish,
  ): void {
    const piece = make('piece', fields.name, {
      ...blank.piece,
      roomId: room(),
      zoneId: zone ? idOf('zone', zone) : null,
      categoryId: category === null ? null : idOf('category', category),
      quantity: 1,
      unit: 'pieces',
      allowanceMinor: cents(allowance),
      chosenId: null,
      chosenReason: '',
      ...fields,
    })
    const pieceId = piece.op === 'put' ? piece.id : ''
    const operations: Operation[] = []
    const sold = new Map<string, string>()
    for (const {
      from: text,
      price,
      off = 0,
      delivery = 0,
      lead = 0,
      returns = null,
      hex,
      also = [],
      window = null,
      size = [null, null, null],
      ...rest
    } of offers) {
      const known = text === undefined ? null : (sold.get(text) ?? null)
      const { id: sellerId, puts } = text === undefined || known ? { id: known, puts: [] } : seller(text)
      if (text !== undefined && sellerId) sold.set(text, sellerId)
      const candidate = make('candidate', rest.name, {
        ...blank.candidate,
        pieceId,
        sellerId,
        priceMinor: cents(price),
        discountPpm: percent(off),
        deliveryMinor: cents(delivery),
        taxPpm: percent(tax.rate),
        taxIncluded: tax.included,
        leadDays: lead,
        returnDays: returns,
        adjustDays: window,
        ...(hex ? asFields(labOf(hex)) : {}),
        widthMm: size[0],
        depthMm: size[1],
        heightMm: size[2],
        ...rest,
      })
      const candidateId = candidate.op === 'put' ? candidate.id : ''
      operations.push(
        ...puts,
        candidate,
        ...also.map((colour) => add('candidateColour', newId(), { candidateId, ...asFields(labOf(colour)) })),
      )
    }
    say(sentence, [
      piece,
      ...operations,
      ...serves.map((need) => add('serving', newId(), { needId: idOf('need', need), pieceId })),
    ])
    const first = offers[0]
    if (chosen !== undefined && first)
      say(`Chose ${first.name} for ${fields.name.toLowerCase()}`, [
        change('piece', fields.name, { chosenId: idOf('candidate', first.name), chosenReason: chosen }),
      ])
  }

  /** An order of candidates by their names, with how many packs of each. */
  function order(
    sentence: string,
    name: string,
    lines: Readonly<Record<string, number>>,
    orderedOn: PlainDate,
    overrides: Partial<Fields<'order'>> & { coupon?: string } = {},
  ): void {
    const { coupon, ...fields } = overrides
    const candidates = Object.entries(lines).map(([text, packs]) => ({ candidate: row('candidate', text), packs }))
    const orderId = newId()
    const ordered = candidates.map(({ candidate, packs }) => ({
      ...termsOf(candidate),
      orderId,
      pieceId: candidate.pieceId,
      candidateId: candidate.id,
      packs,
    }))
    const shares = coupon ? couponShares(row('coupon', coupon), ordered) : []
    namesOf('order')[name] = orderId
    say(sentence, [
      add('order', orderId, {
        ...blank.order,
        sellerId: candidates[0]?.candidate.sellerId ?? null,
        orderedOn,
        couponId: coupon ? idOf('coupon', coupon) : null,
        ...fields,
      }),
      ...ordered.map((line, at) =>
        make('purchase', Object.keys(lines)[at] ?? '', {
          ...blank.purchase,
          ...line,
          couponMinor: shares[at] ?? minor(0),
        }),
      ),
    ])
  }
  const pay = (
    sentence: string,
    name: string,
    amount: number,
    paidOn: PlainDate,
    fields: Partial<Fields<'payment'>> = {},
  ): void =>
    say(sentence, [
      add('payment', newId(), {
        ...blank.payment,
        orderId: idOf('order', name),
        direction: 'out',
        amountMinor: cents(amount),
        paidOn,
        tender: 'transfer',
        ...fields,
      }),
    ])
  const receive = (
    sentence: string,
    line: string,
    packs: number,
    receivedOn: PlainDate,
    fields: Partial<Fields<'delivery'>> = {},
  ): void =>
    say(sentence, [
      make('delivery', line, { ...blank.delivery, purchaseId: idOf('purchase', line), packs, receivedOn, ...fields }),
    ])
  const place = (sentence: string, lines: readonly string[], placedOn: PlainDate, tagsOffOn: PlainDate | null): void =>
    say(
      sentence,
      lines.map((line) => add('placing', newId(), { purchaseId: idOf('purchase', line), placedOn, tagsOffOn })),
    )

  /** A budget by category, signed: with the brief kept as it stands. */
  function sign(
    sentence: string,
    amounts: Readonly<Record<string, number>>,
    contingency: number,
    by: string,
    signedOn: PlainDate,
    reason = '',
  ): void {
    const id = newId()
    const number = rowsOf(documents.makeover, 'agreement').length + 1
    const fresh = Object.keys(amounts).filter((name) => !named.category?.[name])
    const categories = fresh.map((name, at) =>
      make('category', name, { name, place: rowsOf(documents.makeover, 'category').length + at }),
    )
    const agreement = {
      number,
      contingencyMinor: cents(contingency),
      signedById: idOf('client', by),
      signedOn,
      reason,
      kept: '',
    }
    const operations = [
      ...categories,
      add('agreement', id, agreement),
      ...Object.entries(amounts).map(([name, amount]) =>
        add('agreementLine', newId(), {
          agreementId: id,
          categoryId: idOf('category', name),
          amountMinor: cents(amount),
        }),
      ),
    ]
    const brief = keepBrief(apply(documents, operations, newId()).documents, id)
    say(
      sentence,
      operations.map((operation) =>
        operation.op === 'put' && operation.id === id
          ? add('agreement', id, { ...agreement, kept: brief ? writeKept(brief) : '' })
          : operation,
      ),
    )
  }
  /** Sends a version to the clients as the makeover stands; its id. */
  function present(greeting: string, sentDay: number): string {
    const id = newId()
    const number = rowsOf(documents.makeover, 'presentation').length + 1
    const parts = presentedParts.filter((part) => part !== 'turned down').join(', ')
    const kept = JSON.stringify(presentNow(documents, parts, greeting, today))
    say(`Sent version ${number} to the client`, [
      add('presentation', id, { number, greeting, sentOn: day(sentDay), isLive: false, parts, kept }),
    ])
    return id
  }

  return {
    makeoverId,
    changeSets,
    documents: () => documents,
    measure,
    wall,
    sample,
    stand,
    day,
    say,
    make,
    idOf,
    row,
    room,
    change,
    seller,
    finish,
    done,
    treat,
    also,
    carries,
    sold,
    bringToNeed,
    reach,
    furnish,
    gives,
    show,
    hang,
    sized,
    plan,
    order,
    pay,
    receive,
    place,
    sign,
    present,
    newId,
    studioAfter: () => documents.studio,
  }
}
