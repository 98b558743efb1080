import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { deflateRawSync, inflateRawSync } from 'node:zlib'
import Ajv2020 from 'ajv/dist/2020.js'
import fc from 'fast-check'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { plainDate } from '../measure/plain-date.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { underNewIds, writeParcel, type ParcelFile, type ToldEntry } from './parcel.ts'
import { readMakeover, readParcel } from './read.ts'
import { parcelSchema } from './schema.ts'
import { crc32, Damaged, readZip, writeZip } from './zip.ts'

const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')
const newId = countingIds(50)
const world = begin(newId)
const piece = newId()
const picture = strToU8('a picture, as far as this floor knows')
const small = change(change(world.start, world.operations), [
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
const files: ParcelFile[] = [{ sha256: sha256(picture), mediaType: 'image/png', bytes: picture }]
const history: ToldEntry[] = [
  {
    id: newId(),
    who: 'A person',
    madeAt: '2027-03-01T09:00:00.000Z',
    sentence: 'Began',
    undoes: null,
    rows: [{ kind: 'room', rowId: world.ids.room, operation: 'put', before: null, after: { name: 'A room' } }],
  },
]
const good = writeParcel(small, files, history)
const read = (bytes: Uint8Array) => readParcel(bytes, sha256)

/** The parts of a good file, to be spoilt one at a time and packed again. */
const parts = (): Record<string, Uint8Array> => unzipSync(good)
const packed = (change: (all: Record<string, Uint8Array>) => void): Uint8Array => {
  const all = parts()
  change(all)
  return zipSync(all)
}
type Json = Record<string, unknown> & { rows: Record<string, Record<string, unknown>[]> }
const withJson = (change: (json: Json) => void): Uint8Array =>
  packed((all) => {
    const json = JSON.parse(Buffer.from(all['makeover.json'] ?? []).toString()) as Json
    change(json)
    all['makeover.json'] = strToU8(JSON.stringify(json))
  })

describe('the file of a makeover', () => {
  it('read and written again has the same bytes, and says the same', () => {
    const back = read(good)
    expect(back.id).toBe(world.ids.makeover)
    expect(Buffer.compare(writeParcel(back.documents, back.files, back.history), good)).toBe(0)
    const said = (documents: typeof small) =>
      JSON.stringify(reckon(documents, testToday)).replace(/"version":"[^"]+"/g, '')
    expect(said(back.documents)).toEqual(said(small))
  })
  it('without its history is smaller by it, and reads as well', () => {
    const without = writeParcel(small, files, null)
    expect(Object.keys(unzipSync(without))).toEqual(['makeover.json', `files/${sha256(picture)}`])
    expect(read(without).history).toBeNull()
  })
  it('is a zip that another reader opens, with the checksum that PKWARE names', () => {
    expect(crc32(strToU8('123456789'))).toBe(0xcbf43926) // the check value of CRC-32/ISO-HDLC
    const entry = Buffer.from(good)
    // the first local header: deflated data begins after its name, and Node's own inflate reads it (APPNOTE 4.3.7)
    const data = 30 + entry.readUInt16LE(26) + entry.readUInt16LE(28)
    const json = inflateRawSync(entry.subarray(data, data + entry.readUInt32LE(18))).toString()
    expect(JSON.parse(json)).toMatchObject({ format: 'bonitas.makeover', id: world.ids.makeover })
  })
  it('leaves the studio’s name, people and other sellers at home', () => {
    const documents = change(small, [add('seller', newId(), { ...blank.seller, name: 'A secret source' })])
    expect(Buffer.from(unzipSync(writeParcel(documents, files, null))['makeover.json'] ?? []).toString()).not.toMatch(
      /secret source|A studio/,
    )
  })
  it('under new ids is the same but for them', () => {
    const fresh = countingIds(900_000)
    const copy = underNewIds(read(good), fresh)
    expect(copy.id).not.toBe(world.ids.makeover)
    const back = countingIds(1)
    const [left, right] = [underNewIds(read(good), back), underNewIds(copy, countingIds(1))]
    expect(writeParcel(right.documents, right.files, right.history)).toEqual(
      writeParcel(left.documents, left.files, left.history),
    )
    expect(JSON.stringify(copy.documents.makeover)).not.toContain(world.ids.room)
    expect(reckon(copy.documents, testToday).money).toMatchObject({ total: reckon(small, testToday).money.total })
  })
  it('holds to the published schema, and the published schema is today’s', () => {
    const published: unknown = JSON.parse(
      readFileSync(join(import.meta.dirname, '../../docs/makeover.schema.json'), 'utf8'),
    )
    expect(published).toEqual(JSON.parse(JSON.stringify(parcelSchema())))
    const check = new Ajv2020({ strict: true, allErrors: true, strictRequired: false }).compile(published as object)
    const demo = join(import.meta.dirname, '../../demo')
    const all = [
      good,
      ...readdirSync(demo)
        .filter((name) => name.endsWith('.zip'))
        .map((name) => new Uint8Array(readFileSync(join(demo, name)))),
    ]
    expect(all).toHaveLength(4)
    for (const bytes of all) {
      check(JSON.parse(Buffer.from(unzipSync(bytes)['makeover.json'] ?? []).toString()))
      expect(check.errors ?? []).toEqual([])
    }
    const wrong = JSON.parse(Buffer.from(parts()['makeover.json'] ?? []).toString()) as Json
    ;(wrong.rows.candidate?.[0] ?? {}).priceMinor = 12.5
    expect(check(wrong)).toBe(false)
  })
})

describe('an earlier version of it', () => {
  it('is told in today’s words', () => {
    const second = withJson((json) => {
      json.schemaVersion = 2
      json.rows.attachment = (json.rows.attachment ?? []).map(({ roomId: _room, ...row }) => ({
        ...row,
        inspirationId: null,
        orderId: null,
        finishId: null,
        candidateId: json.rows.candidate?.[0]?.id,
      }))
    })
    expect(rowsOf(read(second).documents.makeover, 'attachment')[0]).toMatchObject({ roomId: null })
  })
  it('of the first rows brings its orders and needs along', () => {
    const [order, payment] = [newId(), newId()]
    const { documents } = readMakeover(firstVersion(order, payment))
    // the worked case of the trade handbook, section 7: two chairs, 400.00 paid
    expect(reckon(documents, testToday).money.total).toMatchObject({
      paid: 400_00,
      committed: 1_036_40,
      owed: 1_436_40,
    })
  })
})

/** A makeover as the first version wrote its rows. */
function firstVersion(order: string, payment: string): object {
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

describe('a damaged or hostile file', () => {
  const long = 'x'.repeat(300)
  const cases: [string, () => Uint8Array, RegExp][] = [
    ['is nothing', () => new Uint8Array(), /^zip: this is no zip/],
    ['is something else', () => strToU8('%PDF-1.7 and so on'), /^zip: this is no zip/],
    ['is cut short', () => good.subarray(0, good.length - 200), /^zip: /],
    ['has a spoilt byte', () => good.map((byte, at) => (at === 400 ? byte ^ 1 : byte)), /^makeover\.json: /],
    [
      'names a path',
      () => packed((all) => (all['../../etc/passwd'] = picture)),
      /^\.\.\/\.\.\/etc\/passwd: is not expected here/,
    ],
    ['names an absolute path', () => packed((all) => (all['/files/x'] = picture)), /is not expected here/],
    [
      'has a file that nobody asked for',
      () => packed((all) => (all['run.sh'] = picture)),
      /^run\.sh: is not expected here/,
    ],
    [
      'has a file that hangs on nothing',
      () => packed((all) => (all[`files/${'0'.repeat(64)}`] = picture)),
      /hangs on nothing/,
    ],
    [
      'has another file under a name',
      () => packed((all) => (all[`files/${sha256(picture)}`] = strToU8('b picture, as far as this floor knows'))),
      /its SHA-256 is another/,
    ],
    [
      'has a file of another size',
      () => packed((all) => (all[`files/${sha256(picture)}`] = strToU8('short'))),
      /is 5 bytes: its row says 37/,
    ],
    [
      'lacks a file',
      () => packed((all) => delete all[`files/${sha256(picture)}`]),
      /is missing, and something hangs on it/,
    ],
    ['lacks its makeover', () => packed((all) => delete all['makeover.json']), /^makeover\.json: is missing/],
    [
      'is no JSON',
      () => packed((all) => (all['makeover.json'] = strToU8('{"format":'))),
      /^makeover\.json: is no JSON/,
    ],
    ['is no UTF-8', () => packed((all) => (all['makeover.json'] = Uint8Array.of(0x22, 0xff, 0x22))), /is not UTF-8/],
    [
      'nests deep',
      () => packed((all) => (all['makeover.json'] = strToU8('['.repeat(200_000)))),
      /nests deeper than 12 levels, at character 13/,
    ],
    ['is a bomb', () => bomb(200 * 1024 * 1024), /is 209715200 bytes unpacked: expected at most 41943040/],
    ['is a bomb that lies about its size', () => lying(), /unpacks to more than the 1000 bytes/],
    [
      'is of another product',
      () => withJson((json) => (json.format = 'other')),
      /format: expected “bonitas\.makeover”/,
    ],
    ['is from the future', () => withJson((json) => (json.version = 2)), /newer Bonitas/],
    [
      'has rows from the future',
      () => withJson((json) => (json.schemaVersion = 99)),
      /schemaVersion: it was written by a newer Bonitas/,
    ],
    ['has a kind that is not known', () => withJson((json) => (json.rows.spell = [])), /rows\.spell: is not a kind/],
    [
      'has a kind named as a prototype',
      () =>
        packed(
          (all) =>
            (all['makeover.json'] = strToU8(
              Buffer.from(all['makeover.json'] ?? [])
                .toString()
                .replace('"rows": {', '"rows": { "__proto__": [],'),
            )),
        ),
      /rows\.__proto__: is not a kind/,
    ],
    [
      'has rows that are none',
      () => withJson((json) => (json.rows.room = 'all' as never)),
      /rows\.room: expected a list/,
    ],
    [
      'has a row that is none',
      () => withJson((json) => (json.rows.room = [7 as never])),
      /rows\.room\[0\]: expected a row/,
    ],
    [
      'has an id that is none',
      () => withJson((json) => ((json.rows.room?.[0] ?? {}).id = '1')),
      /rows\.room\[0\]\.id: expected an id/,
    ],
    [
      'has one id twice',
      () => withJson((json) => json.rows.room?.push(json.rows.room[0] ?? {})),
      /rows\.room\[1\]\.id: is the id of another row/,
    ],
    [
      'has a wrong type',
      () => withJson((json) => ((json.rows.candidate?.[0] ?? {}).priceMinor = '640,00')),
      /rows\.candidate\[0\]\.priceMinor: expected a whole number/,
    ],
    [
      'has a long name',
      () => withJson((json) => ((json.rows.room?.[0] ?? {}).name = long)),
      /rows\.room\[0\]\.name: is too long/,
    ],
    [
      'has a field too many',
      () => withJson((json) => ((json.rows.room?.[0] ?? {}).script = 'x')),
      /rows\.room\[0\].*not known: script/,
    ],
    [
      'refers to nothing',
      () => withJson((json) => ((json.rows.piece?.[0] ?? {}).roomId = newId())),
      /rows\.piece\[0\]\.roomId: .*not there/,
    ],
    ['has no head', () => withJson((json) => (json.rows.makeover = [])), /rows\.makeover: expected one row/],
    [
      'has more rows than any makeover',
      () => withJson((json) => (json.rows.room = Array.from({ length: 20_001 }, () => ({ id: newId(), name: 'x' })))),
      /more than 20000 rows/,
    ],
    [
      'has a history that is none',
      () => packed((all) => (all['history.json'] = strToU8('{}'))),
      /^history\.json: expected a list/,
    ],
    [
      'has a history of no day',
      () =>
        packed(
          (all) =>
            (all['history.json'] = strToU8(JSON.stringify([{ ...history[0], madeAt: '+275760-09-13T00:00:00.000Z' }]))),
        ),
      /\[0\]\.madeAt: expected a moment/,
    ],
    [
      'has a history that cannot be kept',
      () =>
        packed(
          (all) =>
            (all['history.json'] = strToU8(
              JSON.stringify([{ ...history[0], rows: [{ ...history[0]?.rows[0], after: { name: 'a\u0000b' } }] }]),
            )),
        ),
      /cannot be written/,
    ],
  ]
  it.each(cases)('that %s is refused with the place of the fault', (_name, make, message) => {
    let error: unknown
    try {
      read(make())
    } catch (thrown) {
      error = thrown
    }
    expect(error).toBeInstanceOf(Damaged)
    expect((error as Damaged).message).toMatch(message)
  })
  it('never breaks the reader, whatever was spoilt in it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 8 }),
        fc.nat(good.length),
        (spots, cut) => {
          const spoilt = good.slice(0, good.length - (cut % 3 === 0 ? cut : 0))
          for (const [at, byte] of spots) if (at < spoilt.length) spoilt[at] = byte
          try {
            const back = read(spoilt)
            // what still reads says what it said: a name in the zip's own bookkeeping may be spoilt, its words may not
            expect(back.documents).toEqual(read(good).documents)
          } catch (error) {
            expect(error).toBeInstanceOf(Damaged)
          }
        },
      ),
      { numRuns: 400 },
    )
  })
  it('that packs one entry over another is refused', () => {
    const zip = Buffer.from(zipSync({ 'makeover.json': strToU8('{}'), 'history.json': strToU8('[]') }))
    const second = zip.indexOf(Buffer.from([0x50, 0x4b, 1, 2]), zip.indexOf(Buffer.from([0x50, 0x4b, 1, 2])) + 4)
    zip.writeUInt32LE(0, second + 42)
    expect(() => readZip(zip, { entries: 10, total: 100, limitOf: () => 100 })).toThrow(
      /lies over another entry|not where/,
    )
  })
  it('is never written by us twice in other bytes', () => {
    expect(writeZip([{ name: 'a.json', bytes: strToU8('{}') }])).toEqual(
      writeZip([{ name: 'a.json', bytes: strToU8('{}') }]),
    )
    expect(writeParcel(small, files, history)).toEqual(good)
  })
})

/** A zip whose one entry unpacks to so many zeros. */
function bomb(size: number): Uint8Array {
  return handmade(deflateRawSync(Buffer.alloc(size)), size)
}
const lying = (): Uint8Array => handmade(deflateRawSync(Buffer.alloc(50 * 1024 * 1024)), 1000)

/** A zip of one deflated makeover.json, whose directory says whatever it is told to. */
function handmade(data: Buffer, size: number): Uint8Array {
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

describe('the demo files', () => {
  it.each([['music-room-tern-house'], ['breakfast-room-the-lantern-inn'], ['tea-room-long-acre-allotments']])(
    '%s reads and stops at nothing that it does not stop at here',
    (name) => {
      const { documents } = read(new Uint8Array(readFileSync(join(import.meta.dirname, `../../demo/${name}.zip`))))
      const { remarks, money } = reckon(documents, plainDate('2026-09-01'))
      expect(remarks.filter((remark) => remark.code.startsWith('damaged'))).toEqual([])
      expect(money.total.agreed).toBeGreaterThan(0)
    },
  )
})
