export { step } from './step.ts'
export { agreedFor, agreedNow, agreements, isSigned, type Agreement } from './agreement.ts'
export { beginningOf, beginWith, readBeginning, usualRooms, writeBeginning, type Beginning } from './begin.ts'
export {
  because,
  forbiddenIn,
  insteadOf,
  ruledOut,
  wordsOfCandidate,
  wordsOfFinish,
  type Forbidden,
} from './constraints.ts'
export { recurring, wordsIn } from './inspiration.ts'
export { isKeepsake, keepers } from './keepers.ts'
export { keepBrief, readKept, signedText, writeKept, type KeptBrief } from './kept.ts'

export { sharesOfJobs, splitTotal, typicalShares } from './split-budget.ts'
export { scopeChoices } from './scope.ts'
