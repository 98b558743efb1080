import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { migrations as newest } from '../places.ts'
import { applicationRole } from './connection.ts'

/** The database says no to something that migrating needs; the message says what an administrator has to run. */
export class MissingRight extends Error {}

/** Brings a database forward to the newest tables. Safe to run again, and from two processes at once. Tells whether it was new. */
export async function migrateDatabase(url: string, migrations = newest): Promise<{ fresh: boolean }> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 10_000 })
  await client.connect()
  try {
    await client.query(`select pg_advisory_lock(hashtext('bonitas migration'))`)
    await client.query('set client_min_messages = warning')
    await prepare(client)
    const { rows } = await client.query<{ known: boolean }>(
      `select to_regclass('public.bonitas_migrations') is not null as known`,
    )
    await migrate(drizzle(client), {
      migrationsFolder: migrations,
      migrationsSchema: 'public',
      migrationsTable: 'bonitas_migrations',
    })
    // an older set of migrations, as a test of upgrading runs, has no such function yet
    await client.query(
      `do $$ begin if to_regprocedure('bonitas_secure()') is not null then perform bonitas_secure(); end if; end $$`,
    )
    return { fresh: rows[0]?.known !== true }
  } finally {
    await client.end()
  }
}

async function prepare(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{
    role: string
    database: string
    creates: boolean
    writes: boolean
    makes: boolean
    exists: boolean
    member: boolean
    version: number
  }>(
    `select current_user as role, current_database() as database,
       has_database_privilege(current_database(), 'CREATE') as creates,
       has_schema_privilege('public', 'CREATE') as writes,
       (select rolcreaterole or rolsuper from pg_roles where rolname = current_user) as makes,
       exists (select from pg_roles where rolname = $1) as exists,
       coalesce((select pg_has_role(current_user, oid, 'MEMBER') from pg_roles where rolname = $1), false) as member,
       current_setting('server_version_num')::int as version`,
    [applicationRole],
  )
  const [right] = rows
  if (!right) throw new Error('the database answered nothing about its rights')
  if (right.version < 150_000)
    throw new MissingRight(`PostgreSQL ${Math.floor(right.version / 10_000)} is too old: expected 15 or newer`)
  const role = pg.escapeIdentifier(right.role)
  const asks: string[] = []
  if (!right.creates) asks.push(`GRANT CREATE ON DATABASE ${pg.escapeIdentifier(right.database)} TO ${role};`)
  if (!right.writes) asks.push(`GRANT CREATE ON SCHEMA public TO ${role};`)
  if (!right.exists && !right.makes) asks.push(`CREATE ROLE ${applicationRole} NOLOGIN;`)
  if (!right.member && !right.makes) asks.push(`GRANT ${applicationRole} TO ${role};`)
  if (asks.length > 0)
    throw new MissingRight(
      `the role ${right.role} lacks rights on the database ${right.database}. Let an administrator of that server run there:\n\n  ${asks.join('\n  ')}\n`,
    )
  if (!right.exists)
    await client.query(`create role ${applicationRole} nologin`).catch((error: unknown) => allowDuplicate(error))
  if (!right.member) await client.query(`grant ${applicationRole} to ${role}`)
}

/** Roles belong to the whole server: another database of it may have made this one in the same moment. */
function allowDuplicate(error: unknown): void {
  if (!(error instanceof pg.DatabaseError) || !['42710', '23505'].includes(error.code ?? '')) throw error
}
