export { step } from './step.ts'
export {
  atTheDoor,
  bodiesIn,
  bodyOf,
  layoutOf,
  layoutsOf,
  thingsOf,
  type Body,
  type Thing,
  type Waiting,
} from './bodies.ts'
export { allChecks, checksOf, type Check } from './checks.ts'
export { withBodies } from './clearance.ts'
export { floorOf } from './ground.ts'
export { type Setting } from './setting.ts'
export { type Outline, type Standing } from './shapes.ts'
export { waysOf, type Way } from './ways.ts'
export { said } from './words.ts'
export { cureOf, keyOfCheck, leastMove, keyOfWay, type Ground, type Moved } from './least-move.ts'
export { firstPlace } from './places.ts'
export { measuredFrom, placeOffWalls, snapped } from './snap.ts'
export { corridorOf, groupsOf, joinedOf, tryRug, usualSizes, type RugSize, type RugTried } from './rugs.ts'
export { firstSights } from './first-sight.ts'
export { placedPlan } from './drawing.ts'
export { carriedIn, stagesTo } from './way-in.ts'
export { arrange, type Tried } from './arrange.ts'
export { reasonsOf } from './arranged-words.ts'
export { placeSet } from './sets.ts'
export { lumensFor } from './light/map.ts'
export * from './hung/index.ts'
export * from './light/index.ts'
export * from './shelves/index.ts'
