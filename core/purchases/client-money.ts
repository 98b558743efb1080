/**
 * The client's account with the studio: what the studio bills (what it bought and bills on, and its fees), what the client
 * gave, and what is owed or held. Money given covers the goods first, which the studio has paid to others, then the fees.
 */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { atLeastZero, minus, negate, plus, sum, zero, type Minor } from '../money/minor.ts'
import type { FeeReckoning } from './fees.ts'
import type { PurchaseReckoning } from './ledger.ts'

export type StageReckoning = {
  readonly id: string
  readonly received: Minor
  readonly outstanding: Minor
  readonly dueOn: PlainDate | null
}

export type ClientMoney = {
  /** What the client owes for goods that the studio bought and bills on, and for fees. */
  readonly goods: Minor
  readonly fees: Minor
  readonly billed: Minor
  readonly received: Minor
  /** Billed and not received; nothing where more was received. */
  readonly owes: Minor
  /** Received beyond what is billed: held for the client. */
  readonly held: Minor
  /** What was asked in stages and has not come. */
  readonly asked: Minor
  /** What the studio has paid to sellers for this client beyond what the client gave. */
  readonly laidOut: Minor
  readonly stages: readonly StageReckoning[]
}

type Earned = Omit<FeeReckoning, 'paid'>

/** The account, and the fees with what of them is covered. */
export function reckonClient(
  makeover: Makeover,
  purchases: readonly PurchaseReckoning[],
  earned: readonly Earned[],
): { client: ClientMoney; fees: FeeReckoning[] } {
  const receipts = rowsOf(makeover, 'receipt')
  const received = sum(receipts.map(signed))
  const billedOn = purchases.filter((purchase) => purchase.studioCost !== null)
  const goods = sum(billedOn.map((purchase) => purchase.owed))
  const feeSum = sum(earned.map((fee) => fee.earned))
  const billed = plus(goods, feeSum)
  let free = atLeastZero(minus(received, goods))
  const fees = earned.map((fee): FeeReckoning => {
    const paid = free < fee.earned ? free : fee.earned
    free = minus(free, paid)
    return { ...fee, paid }
  })
  const stages = stagesOf(makeover)
  return {
    fees,
    client: {
      goods,
      fees: feeSum,
      billed,
      received,
      owes: atLeastZero(minus(billed, received)),
      held: atLeastZero(minus(received, billed)),
      asked: sum(stages.map((stage) => stage.outstanding)),
      laidOut: atLeastZero(minus(sum(billedOn.map((purchase) => purchase.paid)), received)),
      stages,
    },
  }
}

const signed = (row: { readonly direction: 'in' | 'back'; readonly amountMinor: Minor }): Minor =>
  row.direction === 'in' ? row.amountMinor : negate(row.amountMinor)

/** What came for each sum asked: what names it, then what names none, the sum asked first covered first. */
function stagesOf(makeover: Makeover): StageReckoning[] {
  const receipts = rowsOf(makeover, 'receipt')
  let free = sum(receipts.filter((row) => row.stageId === null).map(signed))
  const stages = rowsOf(makeover, 'stage').toSorted((left, right) =>
    left.askedOn === right.askedOn ? (left.id < right.id ? -1 : 1) : left.askedOn < right.askedOn ? -1 : 1,
  )
  const named = stages.map((stage) => sum(receipts.filter((row) => row.stageId === stage.id).map(signed)))
  return stages.map((stage, at) => {
    const own = named[at] ?? zero
    const missing = atLeastZero(minus(stage.amountMinor, own))
    const more = free < missing ? atLeastZero(free) : missing
    free = minus(free, more)
    return { id: stage.id, received: plus(own, more), outstanding: minus(missing, more), dueOn: stage.dueOn }
  })
}
