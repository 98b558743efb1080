import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { inflateRawSync } from 'node:zlib'
import Ajv2020 from 'ajv/dist/2020.js'
import { strToU8, unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, countingIds, testToday } from '../testing/small-makeover.ts'
import { underNewIds, writeParcel } from './parcel.ts'
import { readMakeover } from './read.ts'
import { parcelSchema } from './schema.ts'
import { crc32 } from './zip.ts'
import {
  type Json,
  files,
  firstVersion,
  good,
  newId,
  parts,
  picture,
  read,
  sha256,
  small,
  withJson,
  world,
} from '../testing/parcels.ts'

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
