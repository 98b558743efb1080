// npm start: installs what is missing, starts PostgreSQL on loopback, builds, migrates, loads the demo, serves.
//   npm start -- --empty   a second, empty data folder        PORT=8090 npm start
//   npm start -- --studio  a studio's own data, without the demo, for work in earnest
//   npm start -- --phone   reachable from a phone in the house, over HTTPS
//   DATABASE_URL=postgresql://… npm start   any other PostgreSQL (15 or newer)
import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import {
  closeSync,
  existsSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import {
  Ask,
  dataFolder,
  databaseUrl,
  installDebian,
  installPackages,
  postgresPrograms,
  requireNode,
  root,
  say,
} from './prerequisites.mjs'
import { build, forkServer } from './built.mjs'

const studio = process.argv.includes('--studio')
/** Both begin with nothing in them; a studio's own data lie in a folder of their own. */
const empty = studio || process.argv.includes('--empty')
const folder = studio ? 'studio' : empty ? 'empty' : 'main'
const phone = process.argv.includes('--phone')
const words = process.argv.slice(2)
const firstAt = words.indexOf('--first')
/** The email of a first person to make with a studio of their own, in an installation that has none. */
const first = firstAt < 0 ? null : (words[firstAt + 1] ?? '')
const unknown = words.filter(
  (word, at) =>
    !['--empty', '--studio', '--phone'].includes(word) && (firstAt < 0 || (at !== firstAt && at !== firstAt + 1)),
)
const port = Number(process.env.PORT ?? 8080)

/** One run a data folder: a lock with the process and the moment it began, so that a stale one is known. */
function takeLock(path) {
  const alive = (pid, began) => beginning(pid) === began
  for (let tries = 0; tries < 2; tries++) {
    try {
      const file = openSync(path, 'wx', 0o600)
      writeSync(file, JSON.stringify({ pid: process.pid, began: beginning(process.pid), port }))
      closeSync(file)
      process.once('exit', () => rmSync(path, { force: true }))
      return
    } catch (error) {
      if (error.code !== 'EEXIST') throw error
      let held
      try {
        held = JSON.parse(readFileSync(path, 'utf8'))
      } catch {
        held = null // cut short by a kill, or being written this moment
      }
      if (held && alive(held.pid, held.began))
        throw new Ask(
          `Bonitas is already running here, at http://127.0.0.1:${held.port} (process ${held.pid}). Stop it with Ctrl+C, or use --empty for a second one.`,
        )
      rmSync(path, { force: true })
    }
  }
  throw new Ask('Another start of Bonitas is under way in this folder: wait for it.')
}

/** When a process began, in the kernel's ticks; null when there is none of that number. */
function beginning(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return fields[0] === 'Z' ? null : (fields[19] ?? null) // a zombie was killed and only waits to be reaped
  } catch {
    if (existsSync('/proc/self/stat')) return null
    try {
      process.kill(pid, 0)
      return 'unknown'
    } catch {
      return null
    }
  }
}

/**
 * A backup a day of what is used in earnest: `--empty` unless BACKUP_EVERY says otherwise, in hours; 0 for none. It is asked for
 * ten minutes after the start, and then each hour whether the last is old enough. The last BACKUP_KEEP stay.
 */
function keepBackups() {
  const own = isOwn()
  const hours = Number(process.env.BACKUP_EVERY ?? (empty && own ? 24 : 0))
  const keep = Number(process.env.BACKUP_KEEP ?? 14)
  if (!(hours >= 0) || !(Number.isInteger(keep) && keep > 0))
    throw new Ask('BACKUP_EVERY expects hours (0 for no backups), BACKUP_KEEP how many to keep.')
  if (hours === 0) return []
  const name = own ? folder : 'database'
  const kept = join(dataFolder(), 'backups')
  const due = () => {
    const last = existsSync(kept)
      ? readdirSync(kept)
          .filter((file) => file.startsWith(`bonitas-${name}-`))
          .map((file) => statSync(join(kept, file)).mtimeMs)
      : []
    return Date.now() - Math.max(0, ...last) > hours * 3_600_000
  }
  const look = () => {
    if (!due()) return
    const words = [...(own ? [`--${name}`] : []), '--keep', String(keep)]
    spawn(process.execPath, [join(root, 'scripts', 'backup.mjs'), ...words], { stdio: ['ignore', 'ignore', 'inherit'] })
  }
  const soon = Number(process.env.BACKUP_AFTER_SECONDS ?? 600) * 1000
  return [setTimeout(look, soon), setInterval(look, 3_600_000)]
}

/** The key that secrets in the database are sealed with: made at the first start, kept beside it and in none of its backups. */
function ownKey(file) {
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600, flag: 'wx' })
  return file
}

/** The database is one of our own, on loopback, unless somebody names another. */
const isOwn = () => databaseUrl() === undefined

async function main() {
  requireNode()
  if (unknown.length > 0)
    throw new Ask(
      `“${unknown.join(' ')}” is not understood: expected nothing, --empty, --studio, --phone, or --first EMAIL.`,
    )
  if (first !== null && !/^[^\s@]+@[^\s@]+$/.test(first))
    throw new Ask(`--first expects the email of the first person, such as --first me@studio.example`)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Ask(`PORT is “${process.env.PORT}”: expected a number from 1 to 65535.`)
  const home = join(dataFolder(), folder)
  takeLock(`${home}.lock`)
  installPackages()
  const own = isOwn()
  let database = { stop: () => undefined }
  let url = databaseUrl()
  let owner = process.env.DATABASE_OWNER_URL ?? url
  if (own) {
    installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
    const { ensureDatabase, servingAddress, startPostgres } = await import('./postgres.mjs')
    database = await startPostgres(home)
    try {
      owner = await ensureDatabase(database.address)
      url = await servingAddress(database.address)
    } catch (error) {
      database.stop()
      throw error
    }
  }
  try {
    build()
  } catch (error) {
    database.stop()
    throw error
  }
  const reach = phone ? await (await import('./phone.mjs')).phoneSettings() : {}
  const server = forkServer({
    ...process.env,
    ...reach,
    NODE_ENV: 'production',
    DATABASE_URL: url,
    DATABASE_URL_FILE: '',
    ...(process.env.DATABASE_OWNER_URL_FILE ? {} : { DATABASE_OWNER_URL: owner }),
    ...(process.env.SEAL_KEY || process.env.SEAL_KEY_FILE ? {} : { SEAL_KEY_FILE: ownKey(`${home}.seal-key`) }),
    OUTBOX_DIR: process.env.OUTBOX_DIR ?? join(dataFolder(), `${folder}.outbox`),
    PORT: String(port),
    ...(first === null ? {} : { FIRST_PERSON: first }),
    BONITAS_DEMO: empty ? 'no' : own ? 'yes' : 'if new',
  })
  server.on('message', ({ demo, here, others, person }) => {
    say(`\nBonitas is at ${here}`)
    if (others.length > 0) say(`In the same house, also at ${others.join(' or ')}`)
    if (phone)
      say(
        'The phone will say that the connection is not private, since the certificate was made here and not bought. Go on: on most phones under “Details” or “Advanced”. It asks once for each phone.',
      )
    if (person) say(`Sign in as ${person.email} with the password ${person.password}: it is told this once.`)
    else if (first !== null) say('There is a studio here already: nobody was made.')
    say(
      demo
        ? `Sign in to the demo as ${demo.email} with the password ${demo.password}`
        : 'Sign in, or make a studio on the sign-in page to begin.',
    )
    if (studio) say(`Letters of the studio lie in ${process.env.OUTBOX_DIR ?? join(dataFolder(), `${folder}.outbox`)}.`)
    say('Ctrl+C stops it.')
  })
  const backups = keepBackups()
  let asked = false
  const end = () => {
    if (asked) return
    asked = true
    server.kill('SIGTERM')
  }
  process.on('SIGINT', end)
  process.on('SIGTERM', end)
  process.on('SIGHUP', end)
  server.on('exit', (code) => {
    for (const timer of backups) clearTimeout(timer)
    database.stop()
    if (asked) say('Stopped. What was entered is kept.')
    process.exit(asked ? 0 : (code ?? 1) || 1)
  })
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
