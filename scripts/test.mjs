// npm test: installs what is missing, then lint, types, unit and server tests, browser tests. Ends with one line.
//   npm test -- quick  for the work in hand: what changed is linted, all types, the tests that need no server or browser
//   npm test -- unit   only the Vitest part       npm test -- browser   only the browser part
//   what follows the name of one part goes to its tool: npm test -- browser -g "two people"
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import {
  Ask,
  dataFolder,
  installDebian,
  installPackages,
  postgresPrograms,
  requireNode,
  root,
  say,
} from './prerequisites.mjs'
import { build } from './built.mjs'

const parts = ['lint', 'types', 'unit', 'browser', 'quick']
const words = process.argv.slice(2)
const asked = words.filter((word) => parts.includes(word))
const passedOn = asked.length === 1 ? words.filter((word) => !parts.includes(word)) : []
const wants = (part) => asked.length === 0 || asked.includes(part)
const home = join(dataFolder(), `test-${process.pid}`)
const reports = join(home, 'reports')
let passed = 0
let failed = 0
const tell = (name, ok, bad) => {
  passed += ok
  failed += bad
  say(`${name}: ${ok} passed, ${bad} failed`)
}

/** Runs one of the tools; its output goes straight through. */
function run(program, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [join(root, 'node_modules', program), ...args], {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    })
    child.on('exit', (code) => resolve(code ?? 1))
    child.on('error', () => resolve(1))
  })
}

/** A report that is missing, or that counts no test, is a failure. */
function readReport(file, count) {
  try {
    const { ok, bad } = count(JSON.parse(readFileSync(file, 'utf8')))
    return ok + bad === 0 ? { ok: 0, bad: 1 } : { ok, bad }
  } catch {
    return { ok: 0, bad: 1 }
  }
}

/** What changed since the last commit, and the tests that need neither a database nor a browser: under two minutes. */
async function quick() {
  const changed = spawnSync('git', ['ls-files', '--modified', '--others', '--exclude-standard'], {
    cwd: root,
    encoding: 'utf8',
  })
    .stdout.split('\n')
    .filter((file) => /\.(ts|mjs|vue)$/.test(file) && existsSync(join(root, file)))
  mkdirSync(reports, { recursive: true })
  const file = join(reports, 'quick.json')
  const told = (name) => (code) => tell(name, ...(code === 0 ? [1, 0] : [0, 1]))
  await Promise.all([
    run('../scripts/types.mjs', [])
      .then(told('Types'))
      .then(() =>
        changed.length > 0 ? run('eslint/bin/eslint.js', changed).then(told('Lint of what changed')) : undefined,
      ),
    run('vitest/vitest.mjs', [
      'run',
      '--project=core',
      '--project=web',
      '--reporter=dot',
      '--reporter=json',
      `--outputFile.json=${file}`,
    ]),
  ])
  const { ok, bad } = readReport(file, countUnit)
  tell('Core and interface', ok, bad)
}

const countUnit = ({ numPassedTests, numFailedTests, numFailedTestSuites, success }) => ({
  ok: numPassedTests,
  bad: numFailedTests || (success ? 0 : Math.max(1, numFailedTestSuites)),
})

async function main() {
  requireNode()
  installPackages()
  if (asked.includes('quick')) return quick()
  const check = (name, program, args) =>
    run(program, args).then((code) => tell(name, ...(code === 0 ? [1, 0] : [0, 1])))
  // none needs the others
  await Promise.all([
    wants('lint') && check('Lint', 'eslint/bin/eslint.js', ['.']),
    wants('types') &&
      check('Types', '../scripts/types.mjs', [])
        .then(() => check('Format', 'prettier/bin/prettier.cjs', ['--check', '--log-level=warn', '.']))
        .then(() => check('What nobody uses', 'knip/bin/knip.js', [])),
  ])
  if (!wants('unit') && !wants('browser')) return

  installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
  const { startPostgres } = await import('./postgres.mjs')
  build()
  mkdirSync(reports, { recursive: true })
  const database = await startPostgres(home, { forTests: true })
  process.once('exit', () => database.stop())
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => process.exit(130))
  const env = { BONITAS_TEST_POSTGRES: database.address('postgres') }

  if (wants('unit')) {
    installDebian('hledger', () => existsSync('/usr/bin/hledger'), 'hledger, which the journal is checked with')
    installDebian(
      'python3-icalendar',
      () => existsSync('/usr/lib/python3/dist-packages/icalendar'),
      'python3-icalendar, which calendars are read back with',
    )
    installDebian(
      'poppler-utils',
      () => existsSync('/usr/bin/pdftotext'),
      'poppler-utils, which the papers are read with',
    )
    const file = join(reports, 'unit.json')
    const code = await run(
      'vitest/vitest.mjs',
      ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${file}`, ...passedOn],
      env,
    )
    const { ok, bad } = readReport(file, countUnit)
    tell('Unit and server', ok, bad || (code === 0 ? 0 : 1))
  }
  if (wants('browser')) {
    installDebian('chromium', () => existsSync('/usr/bin/chromium'), 'Chromium')
    const file = join(reports, 'browser.json')
    const code = await run('@playwright/test/cli.js', ['test', '--reporter=dot,json', ...passedOn], {
      ...env,
      PLAYWRIGHT_JSON_OUTPUT_FILE: file,
    })
    const { ok, bad } = readReport(file, ({ stats }) => ({ ok: stats.expected, bad: stats.unexpected + stats.flaky }))
    tell('Browser', ok, bad || (code === 0 ? 0 : 1))
  }
}

main()
  .catch((error) => {
    failed += 1
    process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  })
  .finally(async () => {
    process.exitCode = failed > 0 || passed === 0 ? 1 : 0
    const { stopPostgres } = await import('./postgres.mjs')
    try {
      stopPostgres(home)
      rmSync(home, { recursive: true, force: true })
    } catch (error) {
      process.stderr.write(`${error.message}\n`)
    }
    say(`\n${passed} passed, ${failed} failed`)
  })
