/** What a change may not do to goods: more come than were ordered, more go back than are here. */
import { fault, type Fault } from '../makeover/change.ts'
import { currencyOf, groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { sum, zero } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { cancelledValue, goodsValue } from './landed.ts'

type Line = Row<'purchase'>

export type Events = {
  came: readonly Row<'delivery'>[]
  back: readonly Row<'return'>[]
  gone: readonly Row<'cancellation'>[]
  claims: readonly Row<'claim'>[]
  placing: Row<'placing'> | undefined
}

type Dated = {
  readonly kind: 'delivery' | 'return' | 'cancellation' | 'claim' | 'placing'
  readonly id: string
  readonly field: string
  readonly on: PlainDate | null
}

export function lineFaults(after: Makeover, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const by = <T extends { readonly purchaseId: string }>(rows: readonly T[]) => groupBy(rows, (row) => row.purchaseId)
  const [deliveries, returns, cancellations, claims, placings] = [
    by(rowsOf(after, 'delivery')),
    by(rowsOf(after, 'return')),
    by(rowsOf(after, 'cancellation')),
    by(rowsOf(after, 'claim')),
    by(rowsOf(after, 'placing')),
  ]
  return rowsOf(after, 'purchase').flatMap((line) => {
    const orderedOn = after.rows.order[line.orderId]?.orderedOn ?? today
    const events: Events = {
      came: deliveries.get(line.id) ?? [],
      back: returns.get(line.id) ?? [],
      gone: cancellations.get(line.id) ?? [],
      claims: claims.get(line.id) ?? [],
      placing: placings.get(line.id)?.[0],
    }
    const dated: Dated[] = [
      ...events.came.map((row) => ({ kind: 'delivery' as const, id: row.id, field: 'receivedOn', on: row.receivedOn })),
      ...events.back.flatMap((row) => [
        { kind: 'return' as const, id: row.id, field: 'sentOn', on: row.sentOn },
        { kind: 'return' as const, id: row.id, field: 'acceptedOn', on: row.acceptedOn },
      ]),
      ...events.gone.map((row) => ({
        kind: 'cancellation' as const,
        id: row.id,
        field: 'cancelledOn',
        on: row.cancelledOn,
      })),
      ...events.claims.flatMap((row) => [
        { kind: 'claim' as const, id: row.id, field: 'madeOn', on: row.madeOn },
        { kind: 'claim' as const, id: row.id, field: 'answeredOn', on: row.answeredOn },
      ]),
      ...(events.placing
        ? [
            { kind: 'placing' as const, id: events.placing.id, field: 'placedOn', on: events.placing.placedOn },
            { kind: 'placing' as const, id: events.placing.id, field: 'tagsOffOn', on: events.placing.tagsOffOn },
          ]
        : []),
    ]
    const dates = dated.flatMap(({ kind, id, field, on }) => dateFaults(kind, id, field, on, orderedOn, today))
    return [...dates, ...goodsFaults(line, events), ...creditOnLine(line, events, currency), ...answerFaults(events)]
  })
}

export function dateFaults(
  kind: 'delivery' | 'return' | 'cancellation' | 'claim' | 'placing' | 'payment',
  id: string,
  field: string,
  on: PlainDate | null,
  orderedOn: PlainDate,
  today: PlainDate,
): Fault[] {
  if (on === null) return []
  if (on < orderedOn)
    return [fault('date', kind, id, field, `${writeDate(on)} lies before the order, ${writeDate(orderedOn)}`)]
  if (on > today)
    return [fault('date', kind, id, field, `${writeDate(on)} lies in the future: expected today or earlier`)]
  return []
}

const packsIn = (rows: readonly { readonly packs: number }[]): number =>
  rows.reduce((total, row) => total + row.packs, 0)

const last = (rows: readonly { readonly id: string }[]): string | null => rows.at(-1)?.id ?? null

function goodsFaults(line: Line, { came, back, gone, placing }: Events): Fault[] {
  const faults: Fault[] = []
  const replaced = packsIn(back.filter((row) => row.acceptedOn !== null && row.settles === 'replacement'))
  const most = line.packs - packsIn(gone) + replaced
  if (packsIn(gone) > line.packs)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'packs',
        `more would be cancelled than was ordered: ${packsIn(gone)} of ${line.packs}`,
      ),
    )
  else if (packsIn(came) > most)
    faults.push(
      fault(
        'goods',
        packsIn(came) > line.packs || gone.length === 0 ? 'delivery' : 'cancellation',
        packsIn(came) > line.packs || gone.length === 0 ? last(came) : last(gone),
        'packs',
        `more came than was ordered: ${packsIn(came)} of ${most}`,
      ),
    )
  if (packsIn(back) > packsIn(came))
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'packs',
        `only what has come can go back: ${packsIn(came)} came, ${packsIn(back)} would go back`,
      ),
    )
  for (const row of came)
    if (row.damagedPacks > row.packs)
      faults.push(
        fault(
          'goods',
          'delivery',
          row.id,
          'damagedPacks',
          `more is damaged than came: ${row.damagedPacks} of ${row.packs}`,
        ),
      )
  for (const row of back)
    if (row.acceptedOn !== null && row.acceptedOn < row.sentOn)
      faults.push(
        fault('date', 'return', row.id, 'acceptedOn', `lies before the goods went back, ${writeDate(row.sentOn)}`),
      )
  const first = came.map((row) => row.receivedOn).sort()[0]
  if (placing && (first === undefined || placing.placedOn < first))
    faults.push(
      fault(
        'date',
        'placing',
        placing.id,
        'placedOn',
        first === undefined ? 'nothing of it has come yet' : `lies before it came, ${writeDate(first)}`,
      ),
    )
  if (placing?.tagsOffOn && placing.tagsOffOn < placing.placedOn)
    faults.push(
      fault(
        'date',
        'placing',
        placing.id,
        'tagsOffOn',
        `lies before it was put in place, ${writeDate(placing.placedOn)}`,
      ),
    )
  return faults
}

/** Credits never exceed what they are for: goods back or cancelled, less what the seller keeps; the price, with claims. */
function creditOnLine(line: Line, { back, gone, claims }: Events, currency: string): Fault[] {
  const write = (amount: typeof zero): string => writeMoney(amount, currency)
  const faults: Fault[] = []
  const most = goodsValue(line, Math.min(packsIn(back), line.packs))
  const credits = sum(back.map((row) => row.creditMinor))
  const kept = sum(back.map((row) => row.restockingMinor))
  if (credits > most)
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'creditMinor',
        `${write(credits)} is more than the returned goods cost, ${write(most)} without their delivery`,
      ),
    )
  else if (credits + kept > most)
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'restockingMinor',
        `with the credit it comes to more than the returned goods cost, ${write(most)} without their delivery`,
      ),
    )
  for (const row of back)
    if (row.settles === 'replacement' && row.creditMinor > 0)
      faults.push(
        fault('goods', 'return', row.id, 'creditMinor', 'goods that are replaced bring no credit: expected 0'),
      )
  const worth = cancelledValue(line, Math.min(packsIn(gone), line.packs))
  const given = sum(gone.map((row) => row.creditMinor))
  if (given > worth)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'creditMinor',
        `${write(given)} is more than what was cancelled costs, ${write(worth)}`,
      ),
    )
  else if (given + sum(gone.map((row) => row.keptMinor)) > worth)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'keptMinor',
        `with the credit it comes to more than what was cancelled costs, ${write(worth)}`,
      ),
    )
  const whole = cancelledValue(line, line.packs)
  const all = sum([credits, given, ...claims.filter((row) => row.answer === 'yes').map((row) => row.grantedMinor)])
  if (all > whole)
    faults.push(
      fault(
        'goods',
        claims.length > 0 ? 'claim' : 'return',
        last(claims) ?? last(back),
        claims.length > 0 ? 'grantedMinor' : 'creditMinor',
        `with it ${write(all)} would be credited on a line that cost ${write(whole)}`,
      ),
    )
  return faults
}

export function answerFaults({ claims }: Events): Fault[] {
  return claims.flatMap((row) => {
    if ((row.answer === 'waiting') !== (row.answeredOn === null))
      return [
        fault(
          'claim',
          'claim',
          row.id,
          'answeredOn',
          row.answer === 'waiting' ? 'is there without an answer' : 'is missing: expected the day of the answer',
        ),
      ]
    if (row.answer !== 'yes' && row.grantedMinor > 0)
      return [
        fault('claim', 'claim', row.id, 'grantedMinor', 'nothing is granted until the seller says yes: expected 0'),
      ]
    return []
  })
}
