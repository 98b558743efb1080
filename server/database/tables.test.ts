import { readFileSync } from 'node:fs'
import { getTableColumns } from 'drizzle-orm'
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { add } from '#core/makeover/change.ts'
import { kindNames, schemas } from '#core/makeover/kinds.ts'
import { tablesFile, tablesText } from '../../scripts/tables.ts'
import { makeover, person, serve, type Served } from '../testing/studio.ts'
import { freshDatabase, run, withDatabase } from '../testing/postgres.ts'
import { applicationRole, connect, inTransaction } from './connection.ts'
import { fieldColumns } from './documents.ts'
import { migrateDatabase } from './migrate.ts'
import { makeovers, rooms, sessions, people, changes } from './tables.ts'

describe('schemas and tables', () => {
  it.each(kindNames)('%s has a column for each field of its schema, null where the schema takes null', (kind) => {
    const fields = schemas[kind].describe().fields as Record<
      string,
      { nullable: boolean; optional: boolean; type: string }
    >
    const columns = fieldColumns(kind)
    expect(Object.keys(columns).sort()).toEqual(Object.keys(fields).sort())
    for (const [name, field] of Object.entries(fields)) {
      expect({ name, null: !columns[name]?.notNull }).toEqual({ name, null: field.nullable })
      if (/Minor$/.test(name)) expect(columns[name]?.getSQLType()).toBe('bigint')
      if (/(On|Until)$/.test(name)) expect(columns[name]?.getSQLType()).toBe('date')
      if (/Id$/.test(name)) expect(columns[name]?.getSQLType()).toBe('uuid')
      if (field.type === 'number') expect(columns[name]?.dataType).toBe('number')
      if (field.type === 'string' && !/Id$/.test(name)) expect(columns[name]?.getSQLType()).toBe('text')
    }
  })
})

it('the tables of rows are what the schemas say: run `npm run tables` where they are not', async () => {
  expect(readFileSync(tablesFile, 'utf8')).toBe(await tablesText())
})

describe('the database', () => {
  let served: Served
  beforeAll(async () => {
    served = await serve(inject('postgres'))
  })
  afterAll(() => served.close())
  const ask = async <T extends pg.QueryResultRow>(sql: string, values: unknown[] = []): Promise<T[]> => {
    const client = new pg.Client({ connectionString: served.url })
    await client.connect()
    try {
      return (await client.query<T>(sql, values)).rows
    } finally {
      await client.end()
    }
  }

  it('is used under a role that owns nothing and may not log in, nor pass by row-level security', async () => {
    const role = await inTransaction(served.database, { studio: uuidv7() }, (tx) =>
      tx.execute<{ role: string }>('select current_user as role'),
    )
    expect(role.rows[0]?.role).toBe(applicationRole)
    expect(await ask('select 1 from pg_class where relowner = $1::regrole', [applicationRole])).toEqual([])
    expect(
      await ask('select rolsuper, rolbypassrls, rolcanlogin from pg_roles where rolname = $1', [applicationRole]),
    ).toEqual([{ rolsuper: false, rolbypassrls: false, rolcanlogin: false }])
  })
  it('forces row-level security on every table', async () => {
    const tables = await ask<{ name: string; forced: boolean; policies: number }>(
      `select relname as name, relrowsecurity and relforcerowsecurity as forced, (select count(*)::int from pg_policy where polrelid = pg_class.oid) as policies
       from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and relname <> 'bonitas_migrations'`,
    )
    expect(tables.length).toBeGreaterThan(20)
    expect(tables.filter((table) => !table.forced || table.policies === 0)).toEqual([])
  })
  it('has the studio in the key of every table, and in every reference, but where it is not known yet', async () => {
    const keys = await ask<{ name: string; columns: string[]; kind: string }>(
      `select conrelid::regclass::text as name, contype as kind, array(select attname::text from pg_attribute where attrelid = conrelid and attnum = any(conkey)) as columns
       from pg_constraint where contype in ('p', 'f') and connamespace = 'public'::regnamespace and conrelid not in ('bonitas_migrations'::regclass, 'sessions'::regclass, 'challenges'::regclass, 'tries'::regclass)`,
    )
    expect(keys.filter((key) => !key.columns.includes('studio_id'))).toEqual([])
  })
  it('shows and takes nothing of another studio, and nothing at all outside a transaction with one', async () => {
    const [left, right] = [await person(served), await person(served)]
    const world = await makeover(left)
    const seen = (studio: string) => inTransaction(served.database, { studio }, (tx) => tx.select().from(makeovers))
    expect((await seen(left.studioId)).map((row) => row.id)).toEqual([world.ids.makeover])
    expect(await seen(right.studioId)).toEqual([])
    const foreign = {
      studioId: left.studioId,
      makeoverId: world.ids.makeover,
      id: uuidv7(),
      version: uuidv7(),
      name: 'x',
      uses: '',
    }
    await expect(
      inTransaction(served.database, { studio: right.studioId }, (tx) => tx.insert(rooms).values(foreign)),
    ).rejects.toMatchObject({ cause: { code: '42501' } })
    const { rows } = await served.database.pool.query('select * from makeovers')
    expect(rows).toEqual([])
    expect(
      (await inTransaction(served.database, { email: left.email }, (tx) => tx.select().from(people))).map(
        (row) => row.id,
      ),
    ).toEqual([left.personId])
    expect(await inTransaction(served.database, { email: left.email }, (tx) => tx.select().from(sessions))).toEqual([])
  })
  it('lets the application rewrite neither what was migrated nor what was signed', async () => {
    const who = await person(served)
    await makeover(who)
    for (const statement of [
      'delete from bonitas_migrations',
      `update bonitas_migrations set hash = ''`,
      'insert into bonitas_migrations (hash, created_at) values (1, 1)',
      'update signings set person_id = agreement_id',
      'delete from signings',
      `update deeds set what = 'nothing'`,
      'delete from deeds',
      'update deeds set makeover_id = id',
      'delete from documents',
      'drop table rooms',
    ])
      await expect(
        inTransaction(served.database, { studio: who.studioId }, (tx) => tx.execute(statement)),
      ).rejects.toMatchObject({ cause: { code: '42501' } })
  })
  it('answers a query that forgets the studio with nothing, whatever table it asks', async () => {
    const who = await person(served)
    await makeover(who)
    const { rows } = await served.database.pool.query<{ name: string }>(
      `select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'bonitas_migrations'`,
    )
    expect(rows.length).toBeGreaterThan(40)
    for (const { name } of rows)
      expect([name, (await served.database.pool.query(`select * from ${name}`)).rowCount]).toEqual([name, 0])
  })
  it('lets nobody rewrite the diary', async () => {
    const who = await person(served)
    await makeover(who)
    await expect(
      inTransaction(served.database, { studio: who.studioId }, (tx) => tx.update(changes).set({ digest: 'another' })),
    ).rejects.toMatchObject({ cause: { code: '42501' } })
    await expect(
      inTransaction(served.database, { studio: who.studioId }, (tx) => tx.delete(changes)),
    ).rejects.toMatchObject({ cause: { code: '42501' } })
  })
  it('keeps the largest amounts exactly', async () => {
    const who = await person(served)
    const world = await makeover(who, { sums: { Everything: 999_999_999_999 } })
    expect(Object.values((await who.open(world.ids.makeover)).makeover.rows.agreementLine)[0]?.amountMinor).toBe(
      999_999_999_999,
    )
    expect((await who.change(world.ids.makeover, [add('room', uuidv7(), { uses: '', name: 'Hall' })])).status).toBe(200)
  })
  it('knows its migrations, and runs them once from several starts at once', async () => {
    const { url, drop } = await freshDatabase(inject('postgres'))
    await run(withDatabase(url, 'postgres'), `create database ${new URL(url).pathname.slice(1)}_bare`)
    const bare = `${url}_bare`
    await Promise.all([migrateDatabase(bare), migrateDatabase(bare), migrateDatabase(bare)])
    const database = connect(bare)
    expect(
      (await database.pool.query('select 1 from information_schema.tables where table_name = $1', ['makeovers']))
        .rowCount,
    ).toBe(1)
    await database.close()
    await run(withDatabase(url, 'postgres'), `drop database ${new URL(bare).pathname.slice(1)} with (force)`)
    await drop()
  })
  it('says what to run where the role lacks a right', async () => {
    const { url, drop } = await freshDatabase(inject('postgres'))
    const name = new URL(url).pathname.slice(1)
    await run(url, `create role poor_${name} login password 'poor'`)
    const poor = new URL(url)
    poor.username = `poor_${name}`
    poor.password = 'poor'
    await expect(migrateDatabase(poor.href)).rejects.toThrow(
      new RegExp(
        `GRANT CREATE ON DATABASE "${name}" TO "poor_${name}";[\\s\\S]*GRANT CREATE ON SCHEMA public[\\s\\S]*GRANT ${applicationRole} TO`,
      ),
    )
    await drop()
    await run(inject('postgres'), `drop role poor_${name}`)
  })
  it('has columns for the fields alone', () =>
    expect(Object.keys(getTableColumns(rooms)).sort()).toEqual([
      'id',
      'makeoverId',
      'name',
      'studioId',
      'uses',
      'version',
    ]))
})
