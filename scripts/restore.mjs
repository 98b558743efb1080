// npm run restore -- FILE: what a backup holds, into an empty data folder (BONITAS_HOME) or an empty database (DATABASE_URL).
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import {
  Ask,
  dataFolder,
  installDebian,
  installPackages,
  postgresPrograms,
  requireNode,
  say,
} from './prerequisites.mjs'

async function main() {
  requireNode()
  const [file, ...more] = process.argv.slice(2)
  if (!file || more.length > 0) throw new Ask('Expected the name of one backup: npm run restore -- FILE')
  const text = resolve(file)
  if (!existsSync(text)) throw new Ask(`There is no file ${text}.`)
  installPackages()
  installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
  const { client, ensureDatabase, runningPostgres, startPostgres } = await import('./postgres.mjs')
  const { default: pg } = await import('pg')
  const home = join(dataFolder(), 'main')
  let database = { stop: () => undefined }
  let address = process.env.DATABASE_URL
  if (!address) {
    if (runningPostgres(home)) throw new Ask(`Bonitas runs on ${home}: stop it first.`)
    database = await startPostgres(home)
    address = await ensureDatabase(database.address)
  }
  const connection = new pg.Client({ connectionString: address })
  try {
    await connection.connect()
    const { rows } = await connection.query(`select count(*)::int as tables from pg_tables where schemaname = 'public'`)
    if (rows[0].tables > 0)
      throw new Ask(
        `There is data in ${process.env.DATABASE_URL ? 'that database' : home} already, and nothing is ever restored over it. Restore into an empty one: BONITAS_HOME=/another/folder npm run restore -- ${file}`,
      )
    await connection.query(
      `do $$ begin create role bonitas_app nologin; exception when duplicate_object then null; end $$`,
    )
    await connection.query(`grant bonitas_app to current_user`)
    const restored = client('pg_restore', address, [
      '--dbname',
      new URL(address).pathname.slice(1),
      '--no-owner',
      '--single-transaction',
      '--exit-on-error',
      text,
    ])
    if (!restored.ok) throw new Ask(`Nothing was restored:\n${restored.said}`)
    const { rows: counted } = await connection.query(
      'select (select count(*) from studios)::int as studios, (select count(*) from makeovers)::int as makeovers, (select count(*) from changes)::int as changes',
    )
    const [{ studios, makeovers, changes }] = counted
    say(
      `Restored ${studios} ${studios === 1 ? 'studio' : 'studios'}, ${makeovers} ${makeovers === 1 ? 'makeover' : 'makeovers'} and ${changes} changes. The next start brings it forward where it is from an earlier version.`,
    )
  } finally {
    await connection.end().catch(() => undefined)
    database.stop()
  }
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
