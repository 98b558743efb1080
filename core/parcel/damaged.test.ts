import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import { reckon } from '../reckoning/reckon.ts'
import { writeParcel } from './parcel.ts'
import { Damaged, readZip, writeZip } from './zip.ts'
import {
  bomb,
  files,
  good,
  history,
  lying,
  newId,
  packed,
  picture,
  read,
  sha256,
  small,
  withJson,
} from '../testing/parcels.ts'

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
