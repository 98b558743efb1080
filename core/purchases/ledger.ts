import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { saidArrivals } from '../makeover/said-arrivals.ts'
import { atLeastZero, minus, plus, portion, sum, zero, type Minor } from '../money/minor.ts'
import { split } from '../money/split.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import { landOrder, type Landed } from './landed.ts'

export type GoodsState =
  'ordered' | 'part here' | 'here' | 'placed' | 'kept' | 'going back' | 'returned' | 'refunded' | 'cancelled'

/** One line of an order with its money and its goods. Money in minor units, goods in packs. */
export type PurchaseReckoning = {
  readonly id: string
  readonly orderId: string
  readonly pieceId: string
  readonly categoryId: string
  readonly orderedOn: PlainDate
  readonly terms: Landed
  /** Σ credits: of returns that the seller has accepted, of goods cancelled, of claims granted. */
  readonly credited: Minor
  /** What it costs to send goods back. */
  readonly carriage: Minor
  /** Landed cost less credits, and the carriage of what goes back. */
  readonly owed: Minor
  /** Its part of the order's money out less money back. */
  readonly paid: Minor
  readonly committed: Minor
  readonly refundDue: Minor
  /** Credits of returns sent and not yet accepted: expected, not counted. */
  readonly creditExpected: Minor
  readonly packs: number
  readonly cancelled: number
  /** Still to come: what was ordered and not cancelled, and what replaces goods that went back. */
  readonly awaited: number
  readonly received: number
  readonly damaged: number
  readonly goingBack: number
  readonly returned: number
  readonly state: GoodsState
  readonly placedOn: PlainDate | null
  readonly tagsOffOn: PlainDate | null
  readonly arrivesOn: PlainDate | null
  /** The last day to return what is here, by the seller's terms; null when nothing is here, the tags are off, or it is a final sale. */
  readonly returnBy: PlainDate | null
  /** The last day to ask for a price drop; null where the seller pays none. */
  readonly claimBy: PlainDate | null
  /** What it costs the studio where it buys and bills on; null where the client buys. */
  readonly studioCost: Minor | null
}

/** An order as the seller sees it: one sum, whatever it holds. */
export type OrderReckoning = {
  readonly id: string
  readonly lineIds: readonly string[]
  readonly landed: Minor
  readonly credited: Minor
  readonly carriage: Minor
  readonly owed: Minor
  readonly paid: Minor
  readonly committed: Minor
  readonly refundDue: Minor
  /** What is still missing of the deposit that the seller asked. */
  readonly depositDue: Minor
}

/** A gift card or credit note with what is left on it. */
export type CreditReckoning = {
  readonly id: string
  readonly balance: Minor
  readonly put: Minor
  readonly spent: Minor
}

export type Ledger = {
  readonly purchases: readonly PurchaseReckoning[]
  readonly orders: readonly OrderReckoning[]
  readonly credits: readonly CreditReckoning[]
}

type Of = { readonly purchaseId: string }

const packsIn = (rows: readonly { readonly packs: number }[]): number =>
  rows.reduce((total, row) => total + row.packs, 0)

/** Every order with what it owes, what is paid and where its goods are. */
export function ledger(makeover: Makeover): Ledger {
  const by = <T extends Of>(rows: readonly T[]): ((id: string) => readonly T[]) => {
    const groups = groupBy(rows, (row) => row.purchaseId)
    return (id) => groups.get(id) ?? []
  }
  const events = {
    deliveries: by(rowsOf(makeover, 'delivery')),
    returns: by(rowsOf(makeover, 'return')),
    cancellations: by(rowsOf(makeover, 'cancellation')),
    claims: by(rowsOf(makeover, 'claim')),
    placings: by(rowsOf(makeover, 'placing')),
  }
  const linesOf = groupBy(rowsOf(makeover, 'purchase'), (row) => row.orderId)
  const paymentsOf = groupBy(rowsOf(makeover, 'payment'), (row) => row.orderId)
  const said = saidArrivals(makeover)
  const orders: OrderReckoning[] = []
  const purchases: PurchaseReckoning[] = []
  for (const order of rowsOf(makeover, 'order')) {
    const lines = linesOf.get(order.id) ?? []
    const landed = landOrder(lines, order.taxRounding)
    const atTrade = order.boughtBy === 'studio' ? landOrder(lines, order.taxRounding, true) : null
    const credits = lines.map((line) =>
      creditOf(events.returns(line.id), events.cancellations(line.id), events.claims(line.id)),
    )
    const carriage = lines.map((line) => sum(events.returns(line.id).map((row) => row.carriageMinor)))
    const owed = landed.map((landed, at) => plus(minus(landed.landed, credits[at] ?? zero), carriage[at] ?? zero))
    const paid = netPaid(paymentsOf.get(order.id) ?? [])
    const parts = allot(paid, owed, credits)
    const reckoned = lines.map((line, at) =>
      reckonLine(
        order,
        line,
        makeover.rows.piece[line.pieceId]?.categoryId ?? '',
        landed[at],
        atTrade?.[at] ?? null,
        { credited: credits[at] ?? zero, carriage: carriage[at] ?? zero, paid: parts[at] ?? zero },
        {
          deliveries: events.deliveries(line.id),
          returns: events.returns(line.id),
          cancellations: events.cancellations(line.id),
          placing: events.placings(line.id)[0],
          saidOn: said.get(line.pieceId) ?? null,
        },
      ),
    )
    purchases.push(...reckoned)
    const [whole, given, back] = [sum(landed.map((landed) => landed.landed)), sum(credits), sum(carriage)]
    const due = plus(minus(whole, given), back)
    orders.push({
      id: order.id,
      lineIds: lines.map((line) => line.id),
      landed: whole,
      credited: given,
      carriage: back,
      owed: due,
      paid,
      committed: atLeastZero(minus(due, paid)),
      refundDue: atLeastZero(minus(paid, due)),
      depositDue: atLeastZero(minus(order.depositMinor < due ? order.depositMinor : due, paid)),
    })
  }
  return { purchases, orders, credits: heldCredits(makeover) }
}

const inDirection = (payments: readonly Row<'payment'>[], direction: 'out' | 'back'): Minor =>
  sum(payments.filter((row) => row.direction === direction).map((row) => row.amountMinor))

export const netPaid = (payments: readonly Row<'payment'>[]): Minor =>
  minus(inDirection(payments, 'out'), inDirection(payments, 'back'))

const creditOf = (
  returns: readonly Row<'return'>[],
  cancellations: readonly Row<'cancellation'>[],
  claims: readonly Row<'claim'>[],
): Minor =>
  sum([
    ...returns.filter((returned) => returned.acceptedOn !== null).map((returned) => returned.creditMinor),
    ...cancellations.map((cancellation) => cancellation.creditMinor),
    ...claims.filter((claim) => claim.answer === 'yes').map((claim) => claim.grantedMinor),
  ])

/**
 * An order's money among its lines: it covers what each owes, in proportion; what was paid beyond that lies with the
 * lines that were credited. So within one order a credit on one line pays for another, as the seller reckons it.
 */
function allot(paid: Minor, owed: readonly Minor[], credits: readonly Minor[]): Minor[] {
  const due = sum(owed)
  if (paid <= due) return split(paid, owed.map(atLeastZero))
  const beyond = split(minus(paid, due), sum(credits) > 0 ? credits : owed.map(atLeastZero))
  return owed.map((amount, at) => plus(amount, beyond[at] ?? zero))
}

function reckonLine(
  order: Row<'order'>,
  line: Row<'purchase'>,
  categoryId: string,
  terms: Landed | undefined,
  atTrade: Landed | null,
  { credited, carriage, paid }: { readonly credited: Minor; readonly carriage: Minor; readonly paid: Minor },
  events: {
    readonly deliveries: readonly Row<'delivery'>[]
    readonly returns: readonly Row<'return'>[]
    readonly cancellations: readonly Row<'cancellation'>[]
    readonly placing: Row<'placing'> | undefined
    /** The day the seller said since. */ readonly saidOn: PlainDate | null
  },
): PurchaseReckoning {
  if (!terms) throw new RangeError('every line of an order is landed')
  const { deliveries, returns, cancellations, placing, saidOn } = events
  const accepted = returns.filter((returned) => returned.acceptedOn !== null)
  const waiting = returns.filter((returned) => returned.acceptedOn === null)
  const owed = plus(minus(terms.landed, credited), carriage)
  const refundDue = atLeastZero(minus(paid, owed))
  const [received, cancelled, goingBack, returned] = [
    packsIn(deliveries),
    packsIn(cancellations),
    packsIn(waiting),
    packsIn(accepted),
  ]
  const replaced = packsIn(accepted.filter((returned) => returned.settles === 'replacement'))
  const awaited = Math.max(0, line.packs - cancelled + replaced - received)
  const kept = received - goingBack - returned
  const lastArrival = deliveries
    .map((delivery) => delivery.receivedOn)
    .sort()
    .at(-1)
  const tagsOffOn = placing?.tagsOffOn ?? null
  return {
    id: line.id,
    orderId: order.id,
    pieceId: line.pieceId,
    categoryId,
    orderedOn: order.orderedOn,
    terms,
    credited,
    carriage,
    owed,
    paid,
    committed: atLeastZero(minus(owed, paid)),
    refundDue,
    creditExpected: sum(waiting.map((returned) => returned.creditMinor)),
    packs: line.packs,
    cancelled,
    awaited,
    received,
    damaged: deliveries.reduce((total, delivery) => total + delivery.damagedPacks, 0),
    goingBack,
    returned,
    state: stateOf({
      packs: line.packs,
      cancelled,
      awaited,
      received,
      goingBack,
      returned,
      kept,
      refundDue: refundDue > 0,
      placed: placing !== undefined,
      off: tagsOffOn !== null,
    }),
    placedOn: placing?.placedOn ?? null,
    tagsOffOn,
    arrivesOn: saidOn ?? (line.leadDays === null ? null : addDays(order.orderedOn, line.leadDays)),
    returnBy:
      kept > 0 && lastArrival && line.returnDays !== null && tagsOffOn === null
        ? addDays(line.returnFrom === 'order' ? order.orderedOn : lastArrival, line.returnDays)
        : null,
    claimBy: line.adjustDays === null ? null : addDays(order.orderedOn, line.adjustDays),
    studioCost: atTrade === null ? null : terms.landed === 0 ? zero : portion(atTrade.landed, owed, terms.landed),
  }
}

type Goods = {
  packs: number
  cancelled: number
  awaited: number
  received: number
  goingBack: number
  returned: number
  kept: number
  refundDue: boolean
  placed: boolean
  off: boolean
}

function stateOf({
  packs,
  cancelled,
  awaited,
  received,
  goingBack,
  returned,
  kept,
  refundDue,
  placed,
  off,
}: Goods): GoodsState {
  if (cancelled === packs) return 'cancelled'
  if (goingBack > 0) return 'going back'
  if (returned > 0 && kept === 0 && awaited === 0) return refundDue ? 'returned' : 'refunded'
  if (received === 0) return 'ordered'
  if (awaited > 0) return 'part here'
  return off ? 'kept' : placed ? 'placed' : 'here'
}

/** What is held with sellers: a gift card at its face, a credit note as refunds filled it, less what was spent. */
function heldCredits(makeover: Makeover): CreditReckoning[] {
  const payments = groupBy(rowsOf(makeover, 'payment'), (row) => row.creditId)
  return rowsOf(makeover, 'credit').map((row) => {
    const moved = payments.get(row.id) ?? []
    const [put, spent] = [plus(row.faceMinor, inDirection(moved, 'back')), inDirection(moved, 'out')]
    return { id: row.id, balance: minus(put, spent), put, spent }
  })
}
