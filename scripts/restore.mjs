// npm run restore -- [--main | --empty | --studio] [--over | --over-newer] FILE: what a backup holds, into a folder (BONITAS_HOME) or an empty
// database (DATABASE_URL). What is there already is never lost: with --over it is put beside, and the backup takes its place.
import { existsSync, renameSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import {
  Ask,
  dataFolder,
  databaseUrl,
  installDebian,
  installPackages,
  postgresPrograms,
  requireNode,
  say,
} from './prerequisites.mjs'

function asked(words) {
  const found = { folder: 'main', over: false, newer: false, file: null }
  for (const word of words) {
    if (['--main', '--empty', '--studio'].includes(word)) found.folder = word.slice(2)
    else if (word === '--over') found.over = true
    else if (word === '--over-newer') found.over = found.newer = true
    else if (word.startsWith('-') || found.file !== null)
      throw new Ask(
        `“${word}” is not understood: expected --main, --empty or --studio, --over or --over-newer, and the name of one backup.`,
      )
    else found.file = word
  }
  if (found.file === null) throw new Ask('Expected the name of one backup: npm run restore -- FILE')
  return found
}

async function main() {
  requireNode()
  const { folder, over, newer, file } = asked(process.argv.slice(2))
  const given = resolve(file)
  if (!existsSync(given)) throw new Ask(`There is no file ${given}.`)
  installPackages()
  installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
  const { connected, holdings, isSealed, opened, passphrase, restoreInto, told } = await import('./backups.mjs')
  const { ensureDatabase, runningPostgres, startPostgres } = await import('./postgres.mjs')
  const plain = `${given}.opened`
  let dump = given
  if (isSealed(given)) {
    const words = passphrase()
    if (words === null) throw new Ask('This backup is sealed: set BACKUP_PASSPHRASE, or BACKUP_PASSPHRASE_FILE.')
    await opened(given, plain, words)
    dump = plain
  }
  try {
    const named = databaseUrl()
    if (named) await intoDatabase(named)
    else await intoFolder(join(dataFolder(), folder))
  } finally {
    rmSync(plain, { force: true })
  }

  async function intoDatabase(address) {
    const tables = await connected(address, tableCount)
    if (tables > 0)
      throw new Ask(
        'There is data in that database already, and nothing is ever restored over it. Restore into an empty one.',
      )
    await restoreInto(address, dump)
    say(
      `Restored ${told(await connected(address, holdings))}. The next start brings it forward where it is from an earlier version.`,
    )
  }

  async function intoFolder(home) {
    if (runningPostgres(home)) throw new Ask(`Bonitas runs on ${home}: stop it first.`)
    const here = existsSync(join(home, 'ready')) ? await there(home) : null
    if (here && !over)
      throw new Ask(
        `There is data in ${home} already (${told(here)}). Restore into another folder (BONITAS_HOME=/another/folder npm run restore -- ${file}), or say --over: what is there is then kept beside it.`,
      )
    const fresh = `${home}.restoring`
    rmSync(fresh, { recursive: true, force: true })
    let back
    const database = await startPostgres(fresh)
    try {
      const address = await ensureDatabase(database.address)
      await restoreInto(address, dump)
      back = await connected(address, holdings)
    } catch (error) {
      database.stop()
      rmSync(fresh, { recursive: true, force: true })
      throw error
    }
    database.stop()
    if (here?.latest && !newer && (back.latest === null || here.latest > back.latest)) {
      rmSync(fresh, { recursive: true, force: true })
      throw new Ask(
        `What is in ${home} is newer than the backup.\n  There: ${told(here)}\n  Backup: ${told(back)}\nNothing was changed. Say --over-newer if the backup is to take its place all the same.`,
      )
    }
    const beside = `${home}.before-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}`
    if (existsSync(home)) renameSync(home, beside)
    renameSync(fresh, home)
    say(
      `Restored ${told(back)} into ${home}.${here ? `\nWhat was there lies in ${beside}.` : ''} The next start brings it forward where it is from an earlier version.`,
    )
    if (!here) rmSync(beside, { recursive: true, force: true })
  }

  /** What a folder holds that does not run; null where nothing was ever put in it. */
  async function there(home) {
    const database = await startPostgres(home)
    try {
      const address = await ensureDatabase(database.address)
      return await connected(address, async (connection) =>
        (await tableCount(connection)) > 0 ? holdings(connection) : null,
      )
    } finally {
      database.stop()
    }
  }
}

async function tableCount(connection) {
  const { rows } = await connection.query(`select count(*)::int as tables from pg_tables where schemaname = 'public'`)
  return rows[0].tables
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
