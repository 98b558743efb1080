// npm run backup [-- FILE]: all that is kept here, as one file of PostgreSQL's own (pg_dump); while Bonitas runs, too.
//   DATABASE_URL=postgresql://… npm run backup   of any other database
import { chmodSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { Ask, dataFolder, postgresPrograms, requireNode, say } from './prerequisites.mjs'
import { client, databaseName, runningPostgres, startPostgres } from './postgres.mjs'

async function main() {
  requireNode()
  const [file, ...more] = process.argv.slice(2)
  if (more.length > 0) throw new Ask(`“${more.join(' ')}” is not understood: expected at most the name of a file.`)
  if (!postgresPrograms()) throw new Ask('PostgreSQL’s programs are missing: start Bonitas once, it installs them.')
  const home = join(dataFolder(), 'main')
  const to = resolve(
    file ?? join(dataFolder(), 'backups', `bonitas-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}.dump`),
  )
  if (existsSync(to)) throw new Ask(`${to} is there already: name another file.`)
  let stop = () => undefined
  let address = process.env.DATABASE_URL
  if (!address) {
    if (!existsSync(join(home, 'ready'))) throw new Ask(`There is nothing to back up: ${home} has no data.`)
    const running = runningPostgres(home)
    const database = running ? { address: running, stop } : await startPostgres(home)
    ;({ stop } = database)
    address = database.address(databaseName)
  }
  mkdirSync(dirname(to), { recursive: true })
  const half = `${to}.half`
  try {
    const dumped = client('pg_dump', address, ['--format=custom', '--no-owner', '--file', half])
    if (!dumped.ok)
      throw new Ask(
        `The backup was not made:\n${dumped.said}${/row-level security/.test(dumped.said) ? '\nThe role of DATABASE_URL has to see every studio: give it BYPASSRLS, or use that of an administrator.\n' : ''}`,
      )
    const read = client('pg_restore', address, ['--list', half])
    if (!read.ok) throw new Ask(`The backup cannot be read back:\n${read.said}`)
    chmodSync(half, 0o600)
    renameSync(half, to)
  } finally {
    rmSync(half, { force: true })
    stop()
  }
  say(
    `Backed up to ${to} (${Math.ceil(statSync(to).size / 1000)} kB). It holds clients’ names and money: keep it as you keep those.`,
  )
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
