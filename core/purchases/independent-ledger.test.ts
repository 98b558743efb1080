/**
 * The account kept a second time: a book of double entries in exact decimals, written from the rows alone and sharing no code
 * with the product. LEDGERS=2000 for more histories than `npm test` goes through.
 */
import { Decimal } from 'decimal.js'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { attempt, step } from '../testing/attempts.ts'
import { world } from '../testing/ledgers.ts'
import { tryChange } from '../testing/small-makeover.ts'
import { reckonMoney } from './money.ts'

const histories = Number(process.env.LEDGERS ?? 40)
const rounded = (amount: Decimal): Decimal => amount.toDecimalPlaces(0, Decimal.ROUND_HALF_UP)

type Taxed = {
  readonly taxed: Decimal
  readonly untaxed: Decimal
  readonly ratePpm: number
  readonly included: boolean
}

function lineOf(line: Row<'purchase'>): Taxed {
  const goods = new Decimal(line.priceMinor).times(line.packs).times(line.periods)
  const discount = rounded(goods.times(line.discountPpm).div(1_000_000))
  const net = Decimal.max(0, goods.minus(discount).minus(line.couponMinor))
  const work = rounded(new Decimal(line.hourMinor).times(line.hours)).plus(line.workMinor)
  return {
    taxed: line.deliveryTaxed ? net.plus(line.deliveryMinor) : net,
    untaxed: net.plus(line.deliveryMinor).plus(work),
    ratePpm: line.taxPpm,
    included: line.taxIncluded,
  }
}

/** What an order comes to: its lines, and their tax rounded line by line, or once for each rate. */
function priceOf(order: Row<'order'>, lines: readonly Row<'purchase'>[]): Decimal {
  const parts = lines.map(lineOf)
  const untaxed = parts.reduce((sum, part) => sum.plus(part.untaxed), new Decimal(0))
  const added = parts.filter((part) => !part.included)
  const bases =
    order.taxRounding === 'line'
      ? added.map((part) => [part.taxed, part.ratePpm] as const)
      : [...new Set(added.map((part) => part.ratePpm))].map(
          (rate) =>
            [
              added.filter((part) => part.ratePpm === rate).reduce((sum, part) => sum.plus(part.taxed), new Decimal(0)),
              rate,
            ] as const,
        )
  return bases.reduce((sum, [base, rate]) => sum.plus(rounded(base.times(rate).div(1_000_000))), untaxed)
}

/** Every move as an entry of two sides, by account. */
function bookOf(makeover: Makeover): Map<string, Decimal> {
  const book = new Map<string, Decimal>()
  const move = (debit: string, credit: string, amount: Decimal.Value): void => {
    book.set(debit, (book.get(debit) ?? new Decimal(0)).plus(amount))
    book.set(credit, (book.get(credit) ?? new Decimal(0)).minus(amount))
  }
  const lines = rowsOf(makeover, 'purchase')
  const orderOf = (purchaseId: string): string => makeover.rows.purchase[purchaseId]?.orderId ?? ''
  for (const order of rowsOf(makeover, 'order'))
    move(
      'goods',
      `payable ${order.id}`,
      priceOf(
        order,
        lines.filter((line) => line.orderId === order.id),
      ),
    )
  for (const row of rowsOf(makeover, 'return')) move('goods', `payable ${orderOf(row.purchaseId)}`, row.carriageMinor)
  for (const row of rowsOf(makeover, 'return'))
    if (row.acceptedOn !== null) move(`payable ${orderOf(row.purchaseId)}`, 'goods', row.creditMinor)
  for (const row of rowsOf(makeover, 'cancellation'))
    move(`payable ${orderOf(row.purchaseId)}`, 'goods', row.creditMinor)
  for (const row of rowsOf(makeover, 'claim'))
    if (row.answer === 'yes') move(`payable ${orderOf(row.purchaseId)}`, 'goods', row.grantedMinor)
  for (const row of rowsOf(makeover, 'credit')) move(`held ${row.id}`, 'bought cards', row.faceMinor)
  for (const row of rowsOf(makeover, 'payment')) {
    const purse = row.creditId === null ? 'purse' : `held ${row.creditId}`
    if (row.direction === 'out') move(`payable ${row.orderId}`, purse, row.amountMinor)
    else move(purse, `payable ${row.orderId}`, row.amountMinor)
  }
  return book
}

it(
  `agrees with the product after every step of ${histories} random histories`,
  () => {
    let steps = 0
    fc.assert(
      fc.property(fc.array(step, { minLength: 5, maxLength: 40 }), (all) => {
        const begun = world()
        let { documents } = begun
        for (const next of all) {
          const operations = attempt(begun, documents, next)
          if (operations.length === 0) continue
          documents = tryChange(documents, operations).documents
          steps++
          const book = bookOf(documents.makeover)
          expect([...book.values()].reduce((sum, amount) => sum.plus(amount), new Decimal(0)).toNumber()).toBe(0)
          const balance = (account: string): number => book.get(account)?.toNumber() ?? 0
          const { total, orders, credits } = reckonMoney(documents.makeover)
          expect(total.owed).toBe(balance('goods'))
          const payable = orders.map((order) => balance(`payable ${order.id}`))
          for (const [at, order] of orders.entries()) expect(order.paid - order.owed).toBe(payable[at])
          expect(total.committed).toBe(payable.reduce((sum, amount) => sum + Math.max(0, -amount), 0))
          expect(total.refundsDue).toBe(payable.reduce((sum, amount) => sum + Math.max(0, amount), 0))
          for (const credit of credits) expect(credit.balance).toBe(balance(`held ${credit.id}`))
        }
      }),
      { numRuns: histories },
    )
    expect(steps).toBeGreaterThan(histories * 5)
  },
  30_000 + histories * 2000,
)
