// npm run backup [-- [--main | --empty | --studio] [FILE]]: what runs here, as one file of PostgreSQL's own (pg_dump), proved by a trial
// restore. --keep N does away with all but the last N of that folder. BACKUP_PASSPHRASE seals it (age).
//   DATABASE_URL=postgresql://… npm run backup   of any other database
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { Ask, dataFolder, databaseUrl, installPackages, postgresPrograms, requireNode, say } from './prerequisites.mjs'

function asked(words) {
  const found = { folder: null, keep: null, file: null }
  for (let at = 0; at < words.length; at++) {
    const word = words[at]
    if (['--main', '--empty', '--studio'].includes(word)) found.folder = word.slice(2)
    else if (word === '--keep') found.keep = Number(words[++at])
    else if (word.startsWith('-') || found.file !== null)
      throw new Ask(
        `“${word}” is not understood: expected --main, --empty or --studio, --keep N, and at most the name of a file.`,
      )
    else found.file = word
  }
  if (found.keep !== null && !(Number.isInteger(found.keep) && found.keep > 0))
    throw new Ask('--keep expects how many to keep, 1 or more.')
  return found
}

const stamp = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-')

async function main() {
  requireNode()
  const { folder, keep, file } = asked(process.argv.slice(2))
  if (!postgresPrograms()) throw new Ask('PostgreSQL’s programs are missing: start Bonitas once, it installs them.')
  installPackages()
  const { backUp, folders, passphrase, told } = await import('./backups.mjs')
  const { databaseName, runningPostgres, startPostgres } = await import('./postgres.mjs')
  const ending = passphrase() === null ? 'dump' : 'dump.age'
  const target = (name) => {
    const to = resolve(file ?? join(dataFolder(), 'backups', `bonitas-${name}-${stamp()}.${ending}`))
    if (existsSync(to)) throw new Ask(`${to} is there already: name another file.`)
    return to
  }
  const saved = (what, to, { held, tables, rows, sealed }) =>
    say(
      `Backed up ${what} to ${to} (${Math.ceil(statSync(to).size / 1000)} kB${sealed ? ', sealed with the passphrase' : ''}).\n  ${told(held)}.\n  Restored on trial: all ${rows} rows of ${tables} tables are the same. ${sealed ? 'Without the passphrase nobody opens it, you neither.' : 'It holds clients’ names and money: keep it as you keep those.'}`,
    )
  const named = databaseUrl()
  if (named) {
    const to = target('database')
    return saved('the database of DATABASE_URL', to, await backUp(named, to))
  }
  const all = folders()
  const running = all.filter(({ runs }) => runs)
  const wanted = folder ? all.filter(({ name }) => name === folder) : running.length > 0 ? running : all
  if (wanted.length === 0)
    throw new Ask(
      `There is nothing to back up: ${folder ? `the folder “${folder}” in ${dataFolder()}` : dataFolder()} has no data.`,
    )
  if (file !== null && wanted.length > 1)
    throw new Ask(`There is more than one folder: say which goes to ${file}, --main, --empty or --studio.`)
  for (const { name, home, runs } of wanted) {
    const to = target(name)
    const running = runs ? runningPostgres(home) : null
    const database = running ? { address: running, stop: () => undefined } : await startPostgres(home)
    try {
      saved(`the folder “${name}”${runs ? ', which runs' : ''},`, to, await backUp(database.address(databaseName), to))
    } finally {
      database.stop()
    }
    if (keep !== null) forgetOlder(name, keep)
  }
  const left = all.filter(({ name }) => !wanted.some((chosen) => chosen.name === name))
  if (left.length > 0 && !folder)
    say(`Not backed up: ${left.map(({ name }) => `the folder “${name}”, which does not run (--${name})`).join(', ')}.`)
}

/** All but the last backups of a folder go; what has another name is not touched. */
function forgetOlder(name, keep) {
  const folder = join(dataFolder(), 'backups')
  if (!existsSync(folder)) return
  const shape = new RegExp(`^bonitas-${name}-\\d{4}-\\d{2}-\\d{2}T[\\d-]+\\.dump(\\.age)?$`)
  for (const old of readdirSync(folder)
    .filter((file) => shape.test(file))
    .sort()
    .slice(0, -keep))
    rmSync(join(folder, old))
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
