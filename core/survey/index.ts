export { step } from './step.ts'
export { areasOf, faceOf, floorArea, type Band, type RoomAreas, type WallAreas } from './areas.ts'
export { finishAreas, type FinishArea } from './finish-areas.ts'
export { angleIn, type Again, type Closing, type LengthReading } from './closing.ts'
export { inPlace, joints, laid, lieOf, type Lie } from './joined.ts'
export { surveyOf, type RoomSurvey, type Surveyed } from './reckoned.ts'
export { letterOf, nameOfWall, pointOn, roomsOf, wallsOf, type OnWall, type Room, type Wall } from './room.ts'
export { surveyFigures, surveyWorking, type SurveyFigure } from './working.ts'
export { elevationOf } from './drawing/elevation.ts'
export { planOf } from './drawing/plan.ts'
export { fit, papers, scales, type Fitted, type PaperSize } from './drawing/scale.ts'
export {
  boundsOf,
  layers,
  type Bounds,
  type Drawing,
  type DrawnKind,
  type Layer,
  type Mark,
  type Stroke,
  type Subject,
} from './drawing/marks.ts'
export { widthOf } from './drawing/boxes.ts'
export { breakWall, takeOutWall, type Broken, type Shape } from './break-wall.ts'
export { sheetOperations, surveyColumns, surveyCsv } from './csv.ts'
export { readSurveyCsv, type SheetFault, type SurveySheet } from './read-csv.ts'
