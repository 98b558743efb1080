/** Serves Bonitas. Settings come from the environment; `scripts/start.mjs` sets them. */
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { createApplication } from './application.ts'
import { openNews } from './changes/news.ts'
import { connect } from './database/connection.ts'
import { migrateDatabase, MissingRight } from './database/migrate.ts'
import { loadDemo } from './demo.ts'

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' })
const url = process.env.DATABASE_URL
const port = Number(process.env.PORT ?? 8080)
const host = process.env.HOST ?? '127.0.0.1'

function fail(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(1)
}

if (!url) fail('DATABASE_URL is not set: expected the address of a PostgreSQL database')
let fresh = false
try {
  fresh = (await migrateDatabase(url)).fresh
} catch (error) {
  fail(error instanceof MissingRight ? `Bonitas: ${error.message}` : `Bonitas cannot use the database: ${error instanceof Error ? error.message : String(error)}`)
}
const database = connect(url)
const news = openNews(url, database, log)
const wanted = process.env.BONITAS_DEMO
const demo = wanted === 'yes' || (wanted === 'if new' && fresh) ? await loadDemo(database, Date.now()) : null

const pages = fileURLToPath(new URL('../dist/web', import.meta.url))
const server = createApplication({ database, news, log, pages, now: Date.now, failedSignIns: Number(process.env.FAILED_SIGN_INS ?? 20) }).listen(port, host)
server.on('error', (error: NodeJS.ErrnoException) => fail(error.code === 'EADDRINUSE' ? `Port ${port} is taken: set another with PORT=8090 npm start` : String(error)))
server.on('listening', () => process.send?.({ ready: true, demo }))

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  server.close()
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 500).unref()
  await new Promise((resolve) => server.once('close', resolve))
  await news.close()
  await database.close()
  process.exit(0)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())
process.on('disconnect', () => void stop()) // whoever started it is gone
