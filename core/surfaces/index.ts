export { measuredRooms, step } from './step.ts'
export { finishAreas, type FinishArea } from './finish-areas.ts'
