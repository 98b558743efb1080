// Backups of this machine: which folders there are, one of them as a file, and the proof that it can be restored.
import { createHash, randomUUID } from 'node:crypto'
import {
  chmodSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { Readable, Writable } from 'node:stream'
import { Ask, dataFolder } from './prerequisites.mjs'
import { client, ensureDatabase, runningPostgres, startPostgres } from './postgres.mjs'

const names = ['main', 'empty', 'studio']

/** The folders that hold data: `main` of npm start, `empty` and `studio` of npm start with that word; and whether one is in use. */
export const folders = () =>
  names
    .map((name) => ({ name, home: join(dataFolder(), name) }))
    .filter(({ home }) => existsSync(join(home, 'ready')))
    .map(({ name, home }) => ({ name, home, runs: runningPostgres(home) !== null }))

/** The passphrase that backups are sealed with: BACKUP_PASSPHRASE, or what a file BACKUP_PASSPHRASE_FILE says; null for none. */
export function passphrase() {
  const { BACKUP_PASSPHRASE: said, BACKUP_PASSPHRASE_FILE: file } = process.env
  if (said === undefined && file === undefined) return null
  if (file !== undefined && !existsSync(file))
    throw new Ask(`BACKUP_PASSPHRASE_FILE is ${file}, and there is no such file.`)
  const words = said ?? readFileSync(file, 'utf8').trim()
  if ([...words].length < 12) throw new Ask('The passphrase of backups is too short: expected at least 12 characters.')
  return words
}

const ageHeader = 'age-encryption.org/'
export const isSealed = (file) => readFileSync(file).subarray(0, ageHeader.length).toString('latin1') === ageHeader

/** Seals or opens a file with a passphrase, in the open format of age (age-encryption.org/v1). */
export async function sealed(source, target, words) {
  const { Encrypter } = await import('age-encryption')
  const age = new Encrypter()
  age.setPassphrase(words)
  age.setScryptWorkFactor(17) // OWASP’s least for scrypt; twice that keeps a slow machine at it for a quarter of a minute
  await through(source, target, (bytes) => age.encrypt(bytes))
}
export async function opened(source, target, words) {
  const { Decrypter } = await import('age-encryption')
  const age = new Decrypter()
  age.addPassphrase(words)
  try {
    await through(source, target, (bytes) => age.decrypt(bytes))
  } catch {
    throw new Ask(`${source} cannot be opened: the passphrase is another one, or the file is damaged.`)
  }
}
async function through(source, target, change) {
  const out = await change(Readable.toWeb(createReadStream(source)))
  await out.pipeTo(Writable.toWeb(createWriteStream(target, { mode: 0o600 })))
}

const digestOf = (file) =>
  new Promise((resolve, reject) => {
    const hash = createHash('sha256')
    createReadStream(file)
      .on('data', (chunk) => hash.update(chunk))
      .on('error', reject)
      .on('end', () => resolve(hash.digest('hex')))
  })

/** Every table with how many rows it has, and a digest of them all: two databases that agree in it hold the same. */
async function rowsOf(connection) {
  const { rows } = await connection.query(
    `select tablename as name from pg_tables where schemaname = 'public' order by 1`,
  )
  const found = {}
  for (const { name } of rows) {
    const { rows: told } = await connection.query(
      `select count(*)::int as count, coalesce(md5(string_agg(row, '' order by row)), '') as digest from (select md5(t::text) as row from "${name}" t) rows`,
    )
    found[name] = told[0]
  }
  return found
}

/** What a person knows of a database: whose it is, how much there is, and when it was last changed. */
export async function holdings(connection) {
  const { rows } = await connection.query(`
    select (select coalesce(string_agg(name, ', ' order by name), 'no studio') from studios) as studios,
      (select count(*) from makeovers)::int as makeovers, (select count(*) from changes)::int as changes,
      (select count(*) from blobs)::int as files, (select max(made_at) from changes) as latest`)
  return rows[0]
}
export const told = ({ studios, makeovers, changes, files, latest }) =>
  `${studios}: ${makeovers} ${makeovers === 1 ? 'makeover' : 'makeovers'}, ${changes} changes, ${files} files, last changed ${latest ? latest.toISOString().slice(0, 16).replace('T', ' ') : 'never'}`

export async function connected(address, work) {
  const { default: pg } = await import('pg')
  const connection = new pg.Client({ connectionString: address })
  await connection.connect()
  try {
    return await work(connection)
  } finally {
    await connection.end().catch(() => undefined)
  }
}

/** Restores a dump into a database that has nothing in it. */
export async function restoreInto(address, dump) {
  await connected(address, async (connection) => {
    await connection.query(
      `do $$ begin create role bonitas_app nologin; exception when duplicate_object then null; end $$`,
    )
    await connection.query(`grant bonitas_app to current_user`)
  })
  const { pathname } = new URL(address)
  const restored = client('pg_restore', address, [
    '--dbname',
    pathname.slice(1),
    '--no-owner',
    '--single-transaction',
    '--exit-on-error',
    dump,
  ])
  if (!restored.ok) throw new Ask(`Nothing was restored:\n${restored.said}`)
}

/**
 * Writes a database to a file, and proves it: it is restored into a cluster of its own that is thrown away after, and every
 * row of every table compared with what was there at that moment. Tells what was saved.
 */
export async function backUp(address, to) {
  const words = passphrase()
  mkdirSync(dirname(to), { recursive: true })
  const scratch = join(tmpdir(), `bonitas-proof-${randomUUID()}`)
  mkdirSync(scratch, { recursive: true, mode: 0o755 })
  const dump = join(scratch, 'all.dump')
  const half = `${to}.half`
  try {
    const { there, held } = await connected(address, async (connection) => {
      await connection.query('begin isolation level repeatable read read only')
      const { rows } = await connection.query('select pg_export_snapshot() as snapshot')
      const dumped = client('pg_dump', address, [
        '--format=custom',
        '--no-owner',
        `--snapshot=${rows[0].snapshot}`,
        '--file',
        dump,
      ])
      if (!dumped.ok)
        throw new Ask(
          `The backup was not made:\n${dumped.said}${/row-level security/.test(dumped.said) ? '\nThe role of DATABASE_URL has to see every studio: give it BYPASSRLS, or use that of an administrator.\n' : ''}`,
        )
      return { there: await rowsOf(connection), held: await holdings(connection) }
    })
    chmodSync(dump, 0o600)
    const proof = await startPostgres(join(scratch, 'cluster'), { forTests: true })
    try {
      const target = await ensureDatabase(proof.address)
      await restoreInto(target, dump)
      const back = await connected(target, rowsOf)
      const wrong = Object.keys(there).find((name) => there[name].digest !== back[name]?.digest)
      if (wrong)
        throw new Ask(`The backup is not what it is of: the table ${wrong} comes back otherwise. It was not kept.`)
    } finally {
      proof.stop()
    }
    if (words === null) await through(dump, half, (bytes) => Promise.resolve(bytes))
    else {
      await sealed(dump, half, words)
      const again = join(scratch, 'again.dump')
      await opened(half, again, words)
      if ((await digestOf(again)) !== (await digestOf(dump)))
        throw new Ask('The sealed backup does not open again. It was not kept.')
    }
    renameSync(half, to)
    return {
      held,
      tables: Object.keys(there).length,
      rows: Object.values(there).reduce((sum, { count }) => sum + count, 0),
      sealed: words !== null,
    }
  } finally {
    rmSync(half, { force: true })
    rmSync(scratch, { recursive: true, force: true })
  }
}
