// What is served: pages and server, built again when older than their sources; and the server as a process.
import { fork, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Ask, root, say } from './prerequisites.mjs'

const programs = [
  { name: 'the pages', folder: 'web', config: 'vite.config.ts', sources: ['core', 'web'] },
  { name: 'the server', folder: 'server', config: 'vite.server.config.ts', sources: ['core', 'server', 'demo'] },
]

/** Builds what is older than its sources. Throws Ask with the builder's words where that fails. */
export function build() {
  for (const { name, folder, config, sources } of programs) {
    const stamp = join(root, 'dist', folder, '.built-from')
    const wanted = digestOf([...sources, config, 'package-lock.json'])
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) continue
    say(`Building ${name} …`)
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--config', join(root, config), '--logLevel', 'warn'],
      { cwd: root, encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } },
    )
    if (status !== 0) throw new Ask(`${name} could not be built:\n${stdout}${stderr}`)
    writeFileSync(stamp, wanted)
  }
}

function digestOf(paths) {
  const hash = createHash('sha256')
  const read = (path) => {
    hash.update(path)
    hash.update(readFileSync(join(root, path)))
  }
  for (const path of paths)
    if (path.includes('.')) read(path)
    else
      for (const entry of readdirSync(join(root, path), { recursive: true, withFileTypes: true }).sort((left, right) =>
        placeOf(left) < placeOf(right) ? -1 : 1,
      ))
        if (entry.isFile() && !entry.name.includes('.test.')) read(placeOf(entry))
  return hash.digest('hex')
}

const placeOf = (entry) => join(entry.parentPath, entry.name).slice(root.length + 1)

/** Starts the built server with these settings: a process that sends a message once it listens. */
export const forkServer = (env, stdio = 'inherit') =>
  fork(join(root, 'dist/server/main.js'), [], {
    cwd: root,
    env,
    execArgv: ['--enable-source-maps'],
    stdio: ['ignore', stdio, stdio, 'ipc'],
  })
