// npm run dev: the server restarts and the pages reload as files change, over data of its own in .bonitas/dev.
import { spawn } from 'node:child_process'
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

async function main() {
  requireNode()
  installPackages()
  installDebian('postgresql', () => postgresPrograms() !== null, 'PostgreSQL')
  const { ensureDatabase, servingAddress, startPostgres } = await import('./postgres.mjs')
  const database = await startPostgres(join(dataFolder(), 'dev'))
  const owner = await ensureDatabase(database.address)
  const url = await servingAddress(database.address)
  const apiPort = process.env.API_PORT ?? '8081'
  const env = {
    ...process.env,
    DATABASE_URL: url,
    DATABASE_OWNER_URL: owner,
    BONITAS_DEMO: 'yes',
    LOG_LEVEL: 'info',
    API_PORT: apiPort,
  }
  const children = [
    spawn(
      process.execPath,
      ['--watch-path=server', '--watch-path=core', '--watch-path=demo', '--import', 'tsx', 'server/main.ts'],
      { cwd: root, stdio: 'inherit', env: { ...env, PORT: apiPort } },
    ),
    spawn(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), '--port', process.env.PORT ?? '8080'], {
      cwd: root,
      stdio: 'inherit',
      env,
    }),
  ]
  const end = () => {
    for (const child of children) child.kill('SIGTERM')
    database.stop()
    say('Stopped.')
    process.exit(0)
  }
  process.on('SIGINT', end)
  process.on('SIGTERM', end)
}

main().catch((error) => {
  process.stderr.write(error instanceof Ask ? `\n${error.message}\n` : `\n${error.stack}\n`)
  process.exit(1)
})
