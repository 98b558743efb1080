// npm run trust: the long forms of what `npm test` proves in short, one line each.
//   npm run trust               the nightly form: 100 kills, 100 000 malformed requests, an hour of serving
//   npm run trust -- short      the same as npm test, to see that it runs      npm run trust -- kills soak   some of them
//   KILLS=500 npm run trust -- kills   1 000 kills: half of the server, half of PostgreSQL
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { installDebian, installPackages, postgresPrograms, requireNode, root, say } from './prerequisites.mjs'

/** What is run, with its settings in the nightly form. */
const parts = {
  kills: {
    files: ['scripts/kills.test.ts'],
    env: { KILLS: '50' },
    says: 'killed in the middle of writing: nothing lost, nothing by half',
  },
  malformed: {
    files: ['server/malformed.test.ts', 'server/hardening.test.ts'],
    env: { MALFORMED: '3100' },
    says: 'malformed requests: no 5xx, none over a second, memory as before; every route × another studio',
  },
  money: {
    files: ['core/purchases/independent-ledger.test.ts', 'core/purchases/ledger.test.ts'],
    env: { LEDGERS: '2000' },
    says: 'random money histories against a second book',
  },
  backup: { files: ['scripts/backup.test.ts'], env: {}, says: 'backed up, sealed, restored, compared row by row' },
  erasure: {
    files: ['server/erasure/erasure.test.ts'],
    env: {},
    says: 'erased names searched for byte by byte in a dump',
  },
  processes: {
    files: ['server/changes/news.test.ts', 'server/changes/model.test.ts'],
    env: {},
    says: 'two processes, two windows, one truth',
  },
  files: {
    files: ['core/parcel/damaged.test.ts', 'server/parcels', 'server/heavy'],
    env: {},
    says: 'hostile files and pictures',
  },
  soak: { files: ['scripts/soak.test.ts'], env: { SOAK_MINUTES: '60' }, says: 'served for long in memory that stays' },
}

function main() {
  requireNode()
  installPackages()
  installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
  const words = process.argv.slice(2)
  const short = words.includes('short')
  const wanted = words.filter((word) => word !== 'short')
  const unknown = wanted.filter((word) => !(word in parts))
  if (unknown.length > 0) {
    process.stderr.write(
      `“${unknown.join(' ')}” is not known: expected short, or some of ${Object.keys(parts).join(', ')}\n`,
    )
    process.exit(2)
  }
  const folder = mkdtempSync(join(tmpdir(), 'bonitas-trust-'))
  let failed = 0
  for (const [name, { files, env, says }] of Object.entries(parts)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    const report = join(folder, `${name}.txt`)
    const settings = {
      ...(short ? {} : env),
      ...Object.fromEntries(Object.keys(env).flatMap((key) => (process.env[key] ? [[key, process.env[key]]] : []))),
    }
    const start = Date.now()
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [join(root, 'node_modules/vitest/vitest.mjs'), 'run', ...files, '--reporter=dot'],
      {
        cwd: root,
        encoding: 'utf8',
        maxBuffer: 64 * 1024 * 1024,
        env: { ...process.env, ...settings, TRUST_REPORT: report },
      },
    )
    const took = `${Math.round((Date.now() - start) / 1000)} s`
    if (status !== 0) failed++
    const figures = readOr(report).trim().replaceAll('\n', '; ')
    say(`${status === 0 ? 'holds ' : 'FAILS '} ${name}: ${says}${figures ? `: ${figures}` : ''} (${took})`)
    if (status !== 0) say(`${stdout}${stderr}`.split('\n').slice(-60).join('\n'))
  }
  rmSync(folder, { recursive: true, force: true })
  process.exit(failed > 0 ? 1 : 0)
}

function readOr(file) {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return ''
  }
}

main()
