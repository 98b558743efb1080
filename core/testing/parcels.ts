/** Parcels of the demo, whole and damaged. For tests. */
import { createHash } from 'node:crypto'
import { deflateRawSync } from 'node:zlib'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from './small-makeover.ts'
import { writeParcel, type ParcelFile, type ToldEntry } from '../parcel/parcel.ts'
import { readParcel } from '../parcel/read.ts'

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

export const newId = countingIds(50)

export const world = begin(newId)

export const piece = newId()

export const picture = strToU8('a picture, as far as this floor knows')

export const small = change(change(world.start, world.operations), [
  add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '')),
  add('candidate', newId(), candidateOf(piece, world.ids.seller)),
  add('attachment', newId(), {
    ...blank.attachment,
    roomId: world.ids.room,
    sha256: sha256(picture),
    bytes: picture.length,
    mediaType: 'image/png',
    name: 'room.png',
    addedOn: testToday,
  }),
])

export const files: ParcelFile[] = [{ sha256: sha256(picture), mediaType: 'image/png', bytes: picture }]

export const history: ToldEntry[] = [
  {
    id: newId(),
    who: 'A person',
    madeAt: '2027-03-01T09:00:00.000Z',
    sentence: 'Began',
    undoes: null,
    rows: [{ kind: 'room', rowId: world.ids.room, operation: 'put', before: null, after: { name: 'A room' } }],
  },
]

export const good = writeParcel(small, files, history)

export const read = (bytes: Uint8Array) => readParcel(bytes, sha256)

/** The parts of a good file, to be spoilt one at a time and packed again. */
export const parts = (): Record<string, Uint8Array> => unzipSync(good)

export const packed = (change: (all: Record<string, Uint8Array>) => void): Uint8Array => {
  const all = parts()
  change(all)
  return zipSync(all)
}

export type Json = Record<string, unknown> & { rows: Record<string, Record<string, unknown>[]> }

export const withJson = (change: (json: Json) => void): Uint8Array =>
  packed((all) => {
    const json = JSON.parse(Buffer.from(all['makeover.json'] ?? []).toString()) as Json
    change(json)
    all['makeover.json'] = strToU8(JSON.stringify(json))
  })

/** A makeover as the first version wrote its rows. */
export function firstVersion(order: string, payment: string): object {
  const candidate = newId()
  const offer = {
    priceMinor: 64000,
    packSize: 1,
    discountPpm: 100_000,
    deliveryMinor: 4500,
    taxPpm: 200_000,
    taxIncluded: false,
    deliveryTaxed: true,
    leadDays: 14,
    returnDays: 14,
  }
  return {
    format: 'bonitas.makeover',
    version: 1,
    schemaVersion: 1,
    id: world.ids.makeover,
    rows: {
      makeover: [{ id: world.ids.makeover, name: 'A room', currency: 'EUR', units: 'metric', installOn: null }],
      client: [{ id: world.ids.client, name: 'A client' }],
      room: [{ id: world.ids.room, name: 'A room' }],
      category: [{ id: world.categories.Furniture, name: 'Furniture', place: 0 }],
      piece: [
        {
          id: piece,
          roomId: world.ids.room,
          zoneId: null,
          categoryId: world.categories.Furniture,
          name: 'Chairs',
          quantity: 2,
          unit: 'pieces',
          allowanceMinor: 0,
          chosenId: candidate,
          chosenReason: 'Good',
        },
      ],
      candidate: [
        {
          id: candidate,
          pieceId: piece,
          sellerId: world.ids.seller,
          name: 'Wing chair',
          ...offer,
          labL: null,
          labA: null,
          labB: null,
        },
      ],
      purchase: [
        {
          id: order,
          pieceId: piece,
          candidateId: candidate,
          packs: 2,
          orderedOn: '2027-02-01',
          reference: 'No 7',
          ...offer,
        },
      ],
      payment: [
        {
          id: payment,
          purchaseId: order,
          direction: 'out',
          amountMinor: 40_000,
          paidOn: '2027-02-02',
          tender: 'card',
          reversesId: null,
        },
      ],
    },
    studio: { seller: [{ id: world.ids.seller, name: 'A seller' }] },
  }
}

/** A zip whose one entry unpacks to so many zeros. */
export function bomb(size: number): Uint8Array {
  return handmade(deflateRawSync(Buffer.alloc(size)), size)
}

export const lying = (): Uint8Array => handmade(deflateRawSync(Buffer.alloc(50 * 1024 * 1024)), 1000)

/** A zip of one deflated makeover.json, whose directory says whatever it is told to. */
export function handmade(data: Buffer, size: number): Uint8Array {
  const name = Buffer.from('makeover.json')
  const local = Buffer.alloc(30)
  local.writeUInt32LE(0x04034b50, 0)
  local.writeUInt16LE(8, 8)
  local.writeUInt32LE(data.length, 18)
  local.writeUInt32LE(size, 22)
  local.writeUInt16LE(name.length, 26)
  const central = Buffer.alloc(46)
  central.writeUInt32LE(0x02014b50, 0)
  central.writeUInt16LE(8, 10)
  central.writeUInt32LE(data.length, 20)
  central.writeUInt32LE(size, 24)
  central.writeUInt16LE(name.length, 28)
  const end = Buffer.alloc(22)
  end.writeUInt32LE(0x06054b50, 0)
  end.writeUInt16LE(1, 8)
  end.writeUInt16LE(1, 10)
  end.writeUInt32LE(46 + name.length, 12)
  end.writeUInt32LE(30 + name.length + data.length, 16)
  return Buffer.concat([local, name, data, central, name, end])
}
