export { step } from './step.ts'
export { closedNow, offeredNow, outcomeOf, toSettle } from './closing.ts'
export { plantYear } from './plant-year.ts'
export { monthsLater, proposedReminders } from './reminders.ts'
export { everythingTables, finishLines, thingLines } from './everything.ts'
export {
  cornersBy,
  cornersOf,
  cssMatrix,
  keptCorners,
  scaled,
  shifted,
  square,
  turned,
  type Corners,
  type Point,
} from './pairs.ts'
