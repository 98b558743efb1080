export { step } from './step.ts'
export { compareCandidates, isOpenTerm, scoreOf, type CandidateReckoning } from './compare.ts'

export { fitOf } from './fit.ts'
export { judgeSighting, keepSighting, type Sighting, type Verdict } from './sighting.ts'
export { reasonProposed } from './reasons.ts'
export { sourceNeeds } from './sources.ts'
export { differences } from './substitution.ts'
