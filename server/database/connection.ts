import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { openMemory, type Memory } from './memory.ts'
import { openSeal, type Seal } from './seal.ts'

/** The role that every request works under. It owns nothing, so row-level security binds it. */
export const applicationRole = 'bonitas_app'

export type Database = {
  readonly pool: pg.Pool
  readonly memory: Memory
  readonly seal: Seal
  close(): Promise<void>
}
export type Transaction = NodePgDatabase

/** A pool whose connections work under the application role; what is to be sealed is sealed with this key. */
export function connect(
  url: string,
  { most = 10, sealKey = null }: { most?: number; sealKey?: string | null } = {},
): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: most,
    options: `-c role=${applicationRole}`,
    connectionTimeoutMillis: 10_000,
  })
  pool.on('error', () => undefined) // an idle connection that breaks is replaced at its next use
  pool.on('connect', (client) => client.on('error', () => undefined)) // one that breaks at work fails the query under way, and must not end the process
  return { pool, memory: openMemory(), seal: openSeal(sealKey), close: () => pool.end() }
}

/** What a transaction may see: the rows of a studio, or before sign-in those of the email or token presented. */
export type Sight =
  | { readonly studio: string }
  | { readonly email: string }
  | { readonly token: string }
  /** The hash of the token of a link. */
  | { readonly link: string }
  /** What was put away, and whether there is a studio at all, across all of them. */
  | { readonly sweep: 'yes' }

/** Runs a piece of work in one transaction with its sight set; commits what it returns, rolls back what it throws. A `still` one reads a single moment. */
export async function inTransaction<T>(
  database: Pick<Database, 'pool'>,
  sight: Sight,
  work: (tx: Transaction) => Promise<T>,
  { still = false } = {},
): Promise<T> {
  const client = await database.pool.connect()
  let broken = false
  try {
    const [name, value] = Object.entries(sight)[0] ?? ['studio', '']
    await client.query(
      `begin${still ? ' isolation level repeatable read read only' : ''}; select set_config(${pg.escapeLiteral(`bonitas.${name}`)}, ${pg.escapeLiteral(value)}, true)`,
    )
    const tx = drizzle(client)
    const result = await work(tx)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch(() => (broken = true))
    throw error
  } finally {
    client.release(broken)
  }
}

/** The SQLSTATE of a database error, however wrapped; null for any other error. */
export function sqlState(error: unknown): { code: string; constraint: string } | null {
  for (let at: unknown = error; at instanceof Error; at = at.cause)
    if (at instanceof pg.DatabaseError) return { code: at.code ?? '', constraint: at.constraint ?? '' }
  return null
}

/** Did the database not answer, or go away in the middle? Whether the work was done is then not known: it is sent again under its id. */
export function isDatabaseAway(error: unknown): boolean {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    const code = 'code' in at && typeof at.code === 'string' ? at.code : ''
    if (
      /^(08|57P|53300)|^E(CONN|PIPE|TIMEDOUT)/.test(code) ||
      /Connection terminated|connection error|timeout exceeded when trying to connect|server closed the connection/i.test(
        at.message,
      )
    )
      return true
  }
  return false
}
