export { step } from './step.ts'
export { agreedFor, agreedNow, agreements, isSigned, type Agreement } from './agreement.ts'
export {
  because,
  forbiddenIn,
  insteadOf,
  isMethod,
  ruledOut,
  substitutes,
  wordsOfCandidate,
  wordsOfFinish,
  type Forbidden,
} from './constraints.ts'
export { recurring, wordsIn, type Collection, type Recurring } from './inspiration.ts'
export { isKeepsake, keepers, type Keeper } from './keepers.ts'
export { keepBrief, readKept, writeKept, type KeptBrief } from './kept.ts'
export { coverage, type NeedReckoning } from './needs.ts'
export { scopeChoices, type ScopeReckoning, type WayReckoning } from './scope.ts'
