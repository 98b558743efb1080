export { isPage, readCopied, readPage } from './page.ts'
export {
  arrivalFields,
  guessColumns,
  readArrivals,
  readTable,
  type Arrival,
  type ArrivalField,
  type ArrivalTable,
  type Reads,
} from './table.ts'
