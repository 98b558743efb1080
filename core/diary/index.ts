export { fieldWords, namesIn, tellRow, type DiaryRow, type FieldTold, type RowTold } from './telling.ts'
