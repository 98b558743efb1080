// What a fresh machine may lack: npm packages and Debian's packages. Installs what it has the right to, says the rest.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '')

/** Something the person at the keyboard has to do; shown without a stack. */
export class Ask extends Error {}

export function say(text) {
  process.stdout.write(`${text}\n`)
}

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Ask(`Node ${process.versions.node} is too old: Bonitas wants Node 20.19 or newer.`)
}

/** npm ci, when node_modules is not what package-lock.json says. */
export function installPackages() {
  const stamp = join(root, 'node_modules', '.bonitas-lock')
  const want = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return
  say('Installing npm packages (a minute, once) …')
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  if (status !== 0) throw new Ask('npm ci did not finish: see above. Bonitas needs the npm registry once.')
  writeFileSync(stamp, want)
}

/** Installs a Debian package when `present` says it is missing; as a plain user it says the one command instead. */
export function installDebian(packageName, present, what) {
  if (present()) return
  const command = `apt-get update && apt-get install -y --no-install-recommends ${packageName}`
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new Ask(`${what} is missing. Install it once, then start again:\n\n  sudo sh -c '${command}'\n`)
  }
  say(`Installing ${what} from Debian's packages …`)
  const log = join(dataFolder(), 'apt.log')
  const { status } = spawnSync('sh', ['-c', `(${command}) >'${log}' 2>&1`], {
    stdio: 'ignore',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  if (status !== 0 || !present())
    throw new Ask(`${what} could not be installed: see ${log}. Install it by hand:\n\n  ${command}\n`)
}

/** The folder that everything this machine keeps for Bonitas is in: git-ignored beside the sources, or BONITAS_HOME. */
export function dataFolder() {
  const folder = process.env.BONITAS_HOME ?? join(root, '.bonitas')
  mkdirSync(folder, { recursive: true })
  return folder
}

/** The database that was named: DATABASE_URL, or what a file DATABASE_URL_FILE says; undefined where nobody named one. */
export function databaseUrl() {
  const { DATABASE_URL: said, DATABASE_URL_FILE: file } = process.env
  if (!file) return said || undefined
  if (said) throw new Ask('DATABASE_URL and DATABASE_URL_FILE are both set: expected one of them.')
  if (!existsSync(file)) throw new Ask(`DATABASE_URL_FILE is ${file}, and there is no such file.`)
  return readFileSync(file, 'utf8').trim() || undefined
}

/** The newest PostgreSQL server programs: PG_BIN, or Debian's folders, or null. */
export function postgresPrograms() {
  if (process.env.PG_BIN) {
    if (existsSync(join(process.env.PG_BIN, 'postgres'))) return process.env.PG_BIN
    throw new Ask(`PG_BIN is ${process.env.PG_BIN}, and there is no postgres in it.`)
  }
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).filter(
    (name) => existsSync(join(base, name, 'bin', 'postgres')) && existsSync(join(base, name, 'bin', 'initdb')),
  )
  const newest = versions.sort((left, right) => Number(right) - Number(left))[0]
  return newest ? join(base, newest, 'bin') : null
}
