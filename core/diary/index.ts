export {
  advance,
  entriesOf,
  holdsPersonal,
  mentionedIn,
  personal,
  rollBack,
  withoutPersonal,
  type DiaryEntry,
  type DiaryRow,
} from './entries.ts'
export { fieldWords, namesIn, tellRow, type FieldTold, type RowTold } from './telling.ts'
export { undoOf, undoStack, type Done, type Undo } from './undo.ts'
