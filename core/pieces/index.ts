export { pieceDates, slackOf, type PieceDates } from './dates.ts'
export { pieceRemarks } from './remarks.ts'
export { slackWorking } from './working.ts'
