export {
  advance,
  entriesOf,
  holdsPersonal,
  mentionedIn,
  partWords,
  rollBack,
  withoutPersonal,
  withWords,
  type DiaryEntry,
  type DiaryRow,
  type Words,
} from './entries.ts'
export { fieldWords, namesIn, tellRow, type RowTold } from './telling.ts'
export { undoOf, undoStack, type Done, type Undo } from './undo.ts'
