export { step } from './step.ts'
export { priceDrops, type PriceDrop } from './drops.ts'
export { couponRefusal, couponShares } from './coupons.ts'
export {
  cancelledValue,
  goodsValue,
  landedCost,
  landOrder,
  packsFor,
  quantityOf,
  type Landed,
  type Terms,
} from './landed.ts'
export { ledger, type CreditReckoning, type GoodsState, type OrderReckoning, type PurchaseReckoning } from './ledger.ts'
export { type Totals } from './totals.ts'
export { costsNothing, wanted, type PieceReckoning } from './wanted.ts'
export { reckonMoney, type CategoryMoney, type Money } from './money.ts'
export { orderWorking, pieceWorking, purchaseWorking, workingOf, type Figure } from './working.ts'
export { landedWorking } from './landed-working.ts'
export { statement, type Statement } from './statement.ts'
