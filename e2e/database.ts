/** Before the browser tests: a database with the demo, and the product served over it as `npm start` serves it. */
import { forkServer } from '../scripts/built.mjs'
import { run, withDatabase } from '../server/testing/postgres.ts'

export default async function setup(): Promise<() => Promise<void>> {
  const address = process.env.BONITAS_TEST_POSTGRES
  if (!address)
    throw new Error(
      'The browser tests want the address of a PostgreSQL server in BONITAS_TEST_POSTGRES: run npm test -- browser',
    )
  await run(address, 'drop database if exists bonitas_browser with (force)')
  await run(address, 'create database bonitas_browser')
  const env = {
    ...process.env,
    DATABASE_URL: withDatabase(address, 'bonitas_browser'),
    PORT: process.env.BONITAS_TEST_PORT ?? '8461',
    BONITAS_DEMO: 'yes',
    FAILED_SIGN_INS: '1000',
  }
  const server = forkServer(env)
  await new Promise<void>((resolve, reject) => {
    server.once('message', () => resolve())
    server.once('exit', (code) => reject(new Error(`the server ended with ${code ?? 'a signal'}`)))
  })
  return () =>
    new Promise((resolve) => {
      server.removeAllListeners('exit')
      server.once('exit', () => resolve())
      server.kill('SIGTERM')
    })
}
