/** What hangs before the windows. */
export { bayOf, windowOf, type Window } from './window.ts'
export type { Hung } from './dressed.ts'
export { dressedWindows, sharesPane, type DressedWindow } from './reckoned.ts'
export { darkBy, darkFor } from './dark.ts'
export { dressingHeld, dressingLine, dressingLines } from './line.ts'
export { windowRemarks } from './remarks.ts'
