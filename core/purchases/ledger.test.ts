import { plainTerms } from '../makeover/blank.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sum, zero } from '../money/minor.ts'
import { Decimal } from 'decimal.js'
import { tryChange } from '../testing/small-makeover.ts'
import { goodsValue, landedCost, packsFor, quantityOf } from './landed.ts'
import { reckonMoney } from './money.ts'
import { pieceWorking } from './piece-working.ts'
import { figures, orderWorking, purchaseWorking, workingOf } from './working.ts'
import { anyTerms, world } from '../testing/ledgers.ts'
import { attempt, step } from '../testing/attempts.ts'

describe('landed cost', () => {
  it('is price × packs less discount, with delivery and tax, as exact decimals have it to within the two roundings', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 200 }), (terms, packs) => {
        const net = new Decimal(terms.priceMinor)
          .times(packs)
          .times(1_000_000 - terms.discountPpm)
          .div(1_000_000)
        const taxed = terms.deliveryTaxed ? net.plus(terms.deliveryMinor) : net
        const exact = net
          .plus(terms.deliveryMinor)
          .plus(terms.taxIncluded ? 0 : taxed.times(terms.taxPpm).div(1_000_000))
        expect(
          exact
            .minus(landedCost({ ...plainTerms, ...terms }, packs).landed)
            .abs()
            .toNumber(),
        ).toBeLessThanOrEqual(1.2)
      }),
    )
  })
  it('of goods returned one by one adds up to that of all of them, to the cent', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 30 }), (terms, packs) => {
        const line = { ...plainTerms, ...terms, packs, couponMinor: zero }
        const parts = Array.from({ length: packs }, (_, before) => goodsValue(line, 1, before))
        expect(sum(parts)).toBe(landedCost(line, packs, { withDelivery: false }).landed)
      }),
    )
  })
  it.each([
    [7, 2, 4],
    [2.1, 0.7, 3], // 2.1 / 0.7 is 3.0000000000000004 in binary fractions
    [11, 2.5, 5],
    [0.001, 1, 1],
    [3, 3, 1],
  ])('%d in packs of %d is %i packs', (needed, pack, packs) => {
    expect(packsFor(needed, pack)).toBe(packs)
    expect(quantityOf(packs, pack)).toBeGreaterThanOrEqual(needed)
    expect(quantityOf(packs - 1, pack)).toBeLessThan(needed)
  })
})

describe('the ledger, whatever is ordered, paid, returned and signed', () => {
  it('keeps its identities', () => {
    let taken = 0
    let refused = 0
    fc.assert(
      fc.property(fc.array(step, { minLength: 5, maxLength: 40 }), (steps) => {
        const begun = world()
        let { documents } = begun
        for (const step of steps) {
          const operations = attempt(begun, documents, step)
          if (operations.length === 0) continue
          const was = reckonMoney(documents.makeover)
          const tried = tryChange(documents, operations)
          if (tried.faults.length === 0) taken++
          else refused++
          documents = tried.documents
          const money = reckonMoney(documents.makeover)
          const { total, categories, purchases, pieces, orders, credits } = money

          expect(total.forecast).toBe(total.owed + total.stillToBuy)
          expect(total.forecast).toBe(total.paid + total.committed + total.stillToBuy - total.refundsDue)
          expect(total.left).toBe(total.categoriesAgreed - total.forecast)
          expect(total.agreed).toBe(total.categoriesAgreed + total.contingency)
          expect(Math.max(0, 0 - total.left)).toBe(total.contingencyDrawn + total.over)
          for (const key of ['owed', 'paid', 'committed', 'refundsDue', 'stillToBuy', 'forecast', 'left'] as const)
            expect(categories.reduce((all, category) => all + category[key], 0)).toBe(total[key])
          for (const purchase of purchases) {
            expect(purchase.paid).toBeGreaterThanOrEqual(0)
            expect(purchase.owed).toBeGreaterThanOrEqual(0)
            expect(Math.min(purchase.committed, purchase.refundDue)).toBe(0)
            expect(purchase.owed - purchase.paid).toBe(purchase.committed - purchase.refundDue)
            expect(purchase.goingBack + purchase.returned).toBeLessThanOrEqual(purchase.received)
            expect(purchase.awaited).toBeGreaterThanOrEqual(0)
            if (purchase.studioCost !== null) expect(purchase.studioCost).toBeLessThanOrEqual(purchase.owed)
          }
          // an order is the sum of its lines, and one sum for its seller
          for (const order of orders) {
            const lines = purchases.filter((purchase) => purchase.orderId === order.id)
            for (const key of ['owed', 'paid', 'committed', 'refundDue', 'credited'] as const)
              expect(lines.reduce((all, line) => all + line[key], 0)).toBe(order[key])
            expect(Math.min(order.committed, order.refundDue)).toBe(0)
            const { lines: written, result } = orderWorking(documents.makeover, order, money)
            expect(written.reduce((all, line) => all + Number(line.amount), 0)).toBe(result.amount)
          }
          for (const credit of credits) expect(credit.balance).toBeGreaterThanOrEqual(0)
          for (const piece of pieces) expect(piece.open === 0 || piece.stillToBuy >= 0).toBe(true)
          // the money rule: nothing makes more owed while the forecast passes what was agreed
          if (total.owed > was.total.owed) expect(total.over).toBe(0)
          for (const working of [
            ...purchases.map((purchase) => purchaseWorking(documents.makeover, purchase)),
            ...pieces.map((piece) => pieceWorking(documents.makeover, piece)),
          ])
            expect(working.lines.reduce((all, line) => all + Number(line.amount), 0)).toBe(working.result.amount)
          for (const figure of figures) {
            const { lines, result } = workingOf(figure, documents.makeover, reckonMoney(documents.makeover))
            expect(lines.reduce((all, line) => all + Number(line.amount), 0)).toBe(result.amount)
          }
        }
      }),
      { numRuns: 100 },
    )
    expect(taken).toBeGreaterThan(200)
    expect(refused).toBeGreaterThan(200)
  }, 60_000)
})
