export { arrivalOf, type Arrival } from './arrival.ts'
export { underNewIds, writeParcel, type Parcel, type ParcelFile, type ToldEntry } from './parcel.ts'
export { readMakeover, readParcel } from './read.ts'
export { checkZip, Damaged, writeZip } from './zip.ts'
