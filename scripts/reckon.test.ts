/** The reckoning of a file from the command line, with no database. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { afterAll, describe, expect, it } from 'vitest'
import { plainDate } from '#core/measure/plain-date.ts'
import { readParcel } from '#core/parcel/index.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { sha256Of } from '#server/digest.ts'

const root = join(import.meta.dirname, '..')
const folder = mkdtempSync(join(tmpdir(), 'bonitas-reckon-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const demo = join(root, 'demo/music-room-tern-house.zip')
const { documents } = readParcel(readFileSync(demo), sha256Of)
const run = (...words: string[]): { code: number | null; out: string; err: string } => {
  const { PATH = '' } = process.env
  const { status, stdout, stderr } = spawnSync('npm', ['run', '-s', 'reckon', '--', ...words], {
    cwd: root,
    encoding: 'utf8',
    env: { PATH, HOME: process.env.HOME, DATABASE_URL: 'postgresql://nobody@127.0.0.1:1/none' },
    maxBuffer: 32 * 1024 * 1024,
  })
  return { code: status, out: stdout, err: stderr }
}
type Said = { money: { total: Record<string, number> }; remarks: { key: string }[] }

describe('npm run reckon', () => {
  it('says everything computed, as JSON, of the zip and of its makeover.json alone', () => {
    const { code, out } = run(demo, '--today', '2026-09-01')
    expect(code).toBe(0)
    const said = JSON.parse(out) as Said
    const own = reckon(documents, plainDate('2026-09-01'))
    expect(said.money.total).toEqual(JSON.parse(JSON.stringify(own.money.total)))
    expect(said.remarks.map((remark) => remark.key)).toEqual(own.remarks.map((remark) => remark.key))
    expect(Object.keys(said).sort()).toEqual(Object.keys(own).sort())
    const alone = join(folder, 'makeover.json')
    writeFileSync(alone, unzipSync(readFileSync(demo))['makeover.json'] ?? '')
    expect(run(alone, '--today', '2026-09-01').out).toBe(out)
  })
  it('says the remarks as lines, and what a change would do', () => {
    const lines = run(demo, '--today', '2026-09-01', '--remarks').out.trim().split('\n')
    expect(lines).toHaveLength(reckon(documents, plainDate('2026-09-01')).remarks.length)
    for (const line of lines)
      expect(line).toMatch(
        /^(stop|look|note)( \(accepted\))?\t(brief|survey|palette|surfaces|pieces|placement|purchases)\t/,
      )
    const piece = Object.values(documents.makeover.rows.piece).find((row) => row.name === 'Listening bench')
    const changes = join(folder, 'changes.json')
    writeFileSync(
      changes,
      JSON.stringify([{ op: 'put', kind: 'piece', id: piece?.id, base: piece?.version, fields: { quantity: 9 } }]),
    )
    const difference = JSON.parse(run(demo, '--today', '2026-09-01', '--preview', changes).out) as {
      changed: Record<string, [number, number]>
      newRemarks: unknown[]
    }
    const [was = 0, will = 0] = difference.changed['money.total.forecast'] ?? []
    expect(will).toBeGreaterThan(was)
    expect(difference.newRemarks.length).toBeGreaterThan(0)
  })
  it.each<[string, () => string[], RegExp]>([
    ['no file', () => [], /expected one file/],
    ['a file that is not there', () => ['nowhere.zip'], /nowhere\.zip: there is no file here/],
    [
      'a file that is none of ours',
      () => [join(root, 'package.json')],
      /makeover\.json format: expected “bonitas\.makeover”/,
    ],
    ['a zip cut short', () => [cut()], /cut\.zip: zip: /],
    ['no date', () => [demo, '--today', '31 Feb'], /--today 31 Feb: expected a date/],
    ['a word that is not known', () => [demo, '--tomorrow'], /tomorrow/],
    ['changes that are none', () => [demo, '--preview', join(root, 'README.md')], /README\.md: is no JSON/],
  ])('ends with 2 and the place for %s', (_name, words, message) => {
    const { code, out, err } = run(...words())
    expect([code, out]).toEqual([2, ''])
    expect(err).toMatch(message)
    expect(err).not.toMatch(/\n +at /)
  })
})
function cut(): string {
  const path = join(folder, 'cut.zip')
  writeFileSync(path, readFileSync(demo).subarray(0, 2000))
  return path
}
