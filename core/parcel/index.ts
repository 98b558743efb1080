export { arrivalOf, type Arrival } from './arrival.ts'
export {
  parcelLimits,
  readMakeover,
  readParcel,
  underNewIds,
  writeParcel,
  type Parcel,
  type ParcelFile,
  type ToldEntry,
} from './parcel.ts'
export { Damaged, writeZip } from './zip.ts'
