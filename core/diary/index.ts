export {
  advance,
  entriesOf,
  holdsPersonal,
  mentionedIn,
  rollBack,
  withoutPersonal,
  type DiaryEntry,
  type DiaryRow,
} from './entries.ts'
export { fieldWords, namesIn, tellRow, type RowTold } from './telling.ts'
export { undoOf, undoStack, type Done, type Undo } from './undo.ts'
