export { step } from './step.ts'
export { compareCandidates, scoreOf, type CandidateReckoning } from './compare.ts'
export { isOpenTerm, returnOf } from './returns.ts'

export { fitOf } from './fit.ts'
export { judgeSighting, keepSighting, type Sighting, type Verdict } from './sighting.ts'
export {
  arrivalFields,
  guessColumns,
  isPage,
  readArrivals,
  readCopied,
  readPage,
  readTable,
  type Arrival,
  type ArrivalField,
  type ArrivalTable,
} from './arrivals/index.ts'
export { reasonProposed, whyNot } from './reasons.ts'
export { asksOf, details, type Detail } from './asks.ts'
export { thingByName, thingOf } from '../makeover/thing-names.ts'
export { inStock, lend, ownStock, stockBehind } from './from-stock.ts'
export { sourceNeeds } from './sources.ts'
export { differences } from './substitution.ts'
export { usesOf, wearOf } from './wear.ts'
