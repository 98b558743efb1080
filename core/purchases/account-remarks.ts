/** What the account between client and studio gives cause to say. */
import { currencyOf, type Makeover } from '../makeover/document.ts'
import { writeMinutes } from '../measure/duration.ts'
import { atLeastZero, minus, sum, zero, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { savedOn } from './fees.ts'
import type { Money } from './money.ts'

export const accountRemarks = (makeover: Makeover, money: Money, today: PlainDate): Remark[] => [
  ...hourRemarks(makeover, money),
  ...stageRemarks(makeover, money, today),
  ...laidOut(makeover, money),
]

function hourRemarks(makeover: Makeover, money: Money): Remark[] {
  return money.fees.flatMap(({ id, minutes }) => {
    const fee = makeover.rows.fee[id]
    const agreed = fee ? Math.round(fee.expectedHours * 60) : 0
    if (!fee || fee.way !== 'hourly' || agreed === 0 || minutes <= agreed) return []
    return [
      remark({
        code: 'hours-over',
        subjects: [{ kind: 'fee', id }],
        title: `${fee.name}: ${writeMinutes(minutes - agreed)} beyond what was agreed`,
        sentence: `${writeMinutes(minutes)} are worked and ${writeMinutes(agreed)} were agreed. Tell the client before more is worked, and have the change signed.`,
        numbers: [minutes, agreed],
      }),
    ]
  })
}

function stageRemarks(makeover: Makeover, money: Money, today: PlainDate): Remark[] {
  const currency = currencyOf(makeover)
  return money.client.stages.flatMap(({ id, outstanding, dueOn }) => {
    const name = makeover.rows.stage[id]?.name ?? 'A stage'
    if (outstanding === 0 || dueOn === null || dueOn >= today) return []
    return [
      remark({
        code: 'stage-late',
        subjects: [{ kind: 'stage', id }],
        title: `${name}: ${writeMoney(outstanding, currency)} has not come`,
        sentence: `It was due on ${writeDate(dueOn)}. Ask for it before more is ordered on the client’s behalf.`,
        numbers: [outstanding, dueOn],
      }),
    ]
  })
}

/** What the orders saved: against list prices, before tax; and against what was put aside for the pieces, all told. */
export function savings(makeover: Makeover, money: Money): Remark[] {
  const list = sum(money.purchases.map((purchase) => savedOn(makeover, purchase)))
  const whole = money.pieces.filter((piece) => piece.open === 0 && piece.ordered > 0)
  const put = sum(whole.map(({ id }) => makeover.rows.piece[id]?.allowanceMinor ?? zero))
  const ids = new Set(whole.map(({ id }) => id))
  const owed = sum(money.purchases.filter(({ pieceId }) => ids.has(pieceId)).map((purchase) => purchase.owed))
  const estimate = put > 0 ? atLeastZero(minus(put, owed)) : zero
  if (list === 0 && estimate === 0) return []
  const write = (amount: Minor): string => writeMoney(amount, currencyOf(makeover))
  const parts = [
    ...(list > 0 ? [`${write(list)} against list prices`] : []),
    ...(estimate > 0 ? [`${write(estimate)} against what was put aside`] : []),
  ]
  return [
    remark({
      code: 'saved',
      subjects: [{ kind: 'makeover', id: makeover.id }],
      title: `Saved so far: ${parts.join(', ')}`,
      sentence: 'Of what is ordered: list prices before tax, what was put aside with all that it landed at.',
      numbers: [list, estimate],
    }),
  ]
}

/** Said only where money was asked in stages: without them the studio bills afterwards, and lays out on purpose. */
function laidOut(makeover: Makeover, { client }: Money): Remark[] {
  if (client.laidOut === 0 || client.stages.length === 0) return []
  const currency = currencyOf(makeover)
  return [
    remark({
      code: 'laid-out',
      subjects: [{ kind: 'makeover', id: makeover.id }],
      title: `The studio has laid out ${writeMoney(client.laidOut, currency)}`,
      sentence: `Sellers are paid that much more than the client has given: ${writeMoney(client.received, currency)} came, ${writeMoney(client.asked, currency)} is asked and outstanding.`,
      numbers: [client.laidOut],
    }),
  ]
}
