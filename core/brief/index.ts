export { step } from './step.ts'
export { agreedFor, agreedNow, agreements, isSigned, type Agreement } from './agreement.ts'
export { beginningOf, beginWith, usualRooms, type Beginning } from './begin.ts'
export { because, forbiddenIn, insteadOf, ruledOut, wordsOfCandidate, type Forbidden } from './constraints.ts'
export { recurring, wordsIn } from './inspiration.ts'
export { isKeepsake, keepers } from './keepers.ts'
export { keepBrief, readKept, signedText, writeKept, type KeptBrief } from './kept.ts'

export { scopeChoices } from './scope.ts'
