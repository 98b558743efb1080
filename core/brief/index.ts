export { agreedFor, agreedNow, agreements, isSigned, type Agreement } from './agreement.ts'
export { briefGuards } from './guards.ts'
export { coverage, type NeedReckoning } from './needs.ts'
export { briefRemarks } from './remarks.ts'
