/** A PostgreSQL for the tests of the server: a server of our own on loopback, one migrated template, a copy a file. */
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import pg from 'pg'
import type { TestProject } from 'vitest/node'
import { migrateDatabase } from '../database/migrate.ts'

declare module 'vitest' {
  export interface ProvidedContext {
    postgres: string
  }
}

const template = 'bonitas_template'

export async function run(address: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: address })
  await client.connect()
  try {
    await client.query(statement)
  } finally {
    await client.end()
  }
}

export const withDatabase = (address: string, name: string): string => {
  const url = new URL(address)
  url.pathname = `/${name}`
  return url.href
}

/** Before all tests: `npm test` hands over the address of a server; run by hand, one is started here. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  let address = process.env.BONITAS_TEST_POSTGRES
  let stop = (): void => undefined
  if (!address) {
    const { startPostgres } = await import('../../scripts/postgres.mjs')
    const server = await startPostgres(join(import.meta.dirname, '../../.bonitas/test-by-hand'), { forTests: true })
    stop = () => server.stop()
    address = server.address('postgres')
  }
  await run(address, `drop database if exists ${template}`)
  await run(address, `create database ${template}`)
  await migrateDatabase(withDatabase(address, template))
  project.provide('postgres', address)
  return () => {
    stop()
    return Promise.resolve()
  }
}

/** A fresh, migrated database for one test file. */
export async function freshDatabase(address: string): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `bonitas_${randomUUID().replaceAll('-', '').slice(0, 16)}`
  await run(address, `create database ${name} template ${template}`)
  return { url: withDatabase(address, name), drop: () => run(address, `drop database if exists ${name} with (force)`) }
}
