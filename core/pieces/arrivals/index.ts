export { isPage, readCopied, readPage } from './page.ts'
export {
  arrivalFields,
  guessColumns,
  nothingSaid,
  readArrivals,
  readTable,
  type Arrival,
  type ArrivalField,
  type ArrivalTable,
  type Reads,
  type Trouble,
} from './table.ts'
