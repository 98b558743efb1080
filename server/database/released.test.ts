/** Databases as every earlier released version left them, with its demo in them, come forward with nothing lost. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import pg from 'pg'
import request from 'supertest'
import { describe, expect, inject, it } from 'vitest'
import { demoDecorator } from '#demo/index.ts'
import { validate } from '#core/makeover/change.ts'
import { isKind } from '#core/makeover/kinds.ts'
import { upgradeOperations } from '#core/makeover/upgrade.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { readParcel } from '#core/parcel/index.ts'
import { guard } from '#core/reckoning/guards.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { client } from '../../scripts/postgres.mjs'
import { createApplication } from '../application.ts'
import { openNews } from '../changes/news.ts'
import { run, withDatabase } from '../testing/postgres.ts'
import { sharedHeavy, type Opened } from '../testing/studio.ts'
import { connect } from './connection.ts'
import { migrateDatabase } from './migrate.ts'
import { sha256Of } from '../digest.ts'

const folder = join(import.meta.dirname, 'released')

describe.each(readdirSync(folder).filter((name) => name.endsWith('.sql.gz')))('a database of release %s', (name) => {
  it('opens, reckons, goes out as a file and takes changes', async () => {
    const database_ = `bonitas_released_${randomUUID().slice(0, 8)}`
    await run(inject('postgres'), `create database ${database_}`)
    const url = withDatabase(inject('postgres'), database_)
    const dump = join(tmpdir(), `${database_}.sql`)
    writeFileSync(dump, gunzipSync(readFileSync(join(folder, name))))
    const loaded = client('psql', url, ['--quiet', '--set', 'ON_ERROR_STOP=1', '--file', dump])
    expect(loaded.ok, loaded.said).toBe(true)
    const direct = new pg.Client({ connectionString: url })
    await direct.connect()
    // what was paid, summed in SQL as the old tables had it
    const { rows: paid } = await direct.query<{ makeover_id: string; net: string }>(
      `select makeover_id, sum(case direction when 'out' then amount_minor else -amount_minor end) as net from payments group by 1 order by 1`,
    )
    const { rows: before } = await direct.query<{ rows: string }>(
      'select (select count(*) from pieces) + (select count(*) from candidates) + (select count(*) from purchases) + (select count(*) from finishes) as rows',
    )
    // the lights each sample was seen by, where the release knew samples
    const known = await direct.query<{ column_name: string }>(
      `select column_name from information_schema.columns where table_name = 'samples' and column_name = 'seen_in'`,
    )
    const seen =
      known.rows.length === 0
        ? []
        : (await direct.query<{ id: string; seen_in: string }>(`select id, seen_in from samples where seen_in <> ''`))
            .rows
    // a later release has the looks themselves, and keeps them as they are
    const looked = async (): Promise<{ id: string; sample_id: string; light: string }[]> =>
      (
        await direct.query<{ id: string; sample_id: string; light: string }>(
          'select id, sample_id, light from viewings order by id',
        )
      ).rows
    const isLater =
      (await direct.query(`select 1 from information_schema.tables where table_name = 'viewings'`)).rows.length > 0
    const lookedBefore = isLater ? await looked() : []
    // where its finishes lay, where the release said that on the finish
    const { rows: said } = await direct.query<{ column_name: string }>(
      `select column_name from information_schema.columns where table_name = 'finishes' and column_name in ('surface', 'band_to_mm')`,
    )
    const lay = async (table: string): Promise<unknown[]> =>
      said.length < 2
        ? []
        : (
            await direct.query<Record<string, unknown>>(
              `select id, surface, wall_id, band_from_mm, band_to_mm from ${table} where surface not in ('piece', 'other') order by id`,
            )
          ).rows
    const lain = await lay('finishes')
    await migrateDatabase(url)
    expect(await lay('treated_parts')).toEqual(lain)
    const viewings = await looked()
    // each light is a look of its own, under the id that an older change set would be given
    const told = seen.flatMap(
      ({ id, seen_in }) =>
        upgradeOperations(4, [{ op: 'put', kind: 'sample', id, base: null, fields: { seenIn: seen_in } }], 5) ?? [],
    ) as { kind: string; id: string; fields: { sampleId: string; light: string } }[]
    expect(viewings).toEqual([
      ...lookedBefore,
      ...told
        .filter(({ kind }) => kind === 'viewing')
        .map(({ id, fields }) => ({ id, sample_id: fields.sampleId, light: fields.light }))
        .toSorted((left, right) => (left.id < right.id ? -1 : 1)),
    ])
    const { rows: after } = await direct.query<{ rows: string }>(
      'select (select count(*) from pieces) + (select count(*) from candidates) + (select count(*) from purchases) + (select count(*) from finishes) as rows',
    )
    expect(after).toEqual(before)
    await direct.end()

    const log = pino({ level: 'silent' })
    const database = connect(url)
    const news = openNews(url, database, log)
    const agent = request.agent(
      createApplication({
        database,
        news,
        log,
        pages: null,
        clock: Date.now,
        failedSignIns: 100,
        registration: 'open',
        heavy: sharedHeavy(),
      }),
    )
    expect(
      (await agent.post('/api/session').send({ email: demoDecorator.email, password: demoDecorator.password })).status,
    ).toBe(200)
    const { makeovers } = (await agent.get('/api/day')).body as { makeovers: { id: string }[] }
    expect(makeovers.length).toBeGreaterThan(0)
    const net = new Map<string, number>()
    for (const { id } of makeovers) {
      const opened = (await agent.get(`/api/makeovers/${id}`)).body as Opened
      for (const [kind, rows] of Object.entries(opened.makeover.rows)) {
        if (!isKind(kind)) throw new Error(kind)
        for (const { id: row, version: _version, ...fields } of Object.values(
          rows as Record<string, { id: string; version: string }>,
        ))
          expect([kind, validate(kind, row, fields).wrong]).toEqual([kind, []])
      }
      const today = plainDate(opened.today)
      expect(guard(opened, opened, today)).toEqual([])
      const { money, remarks } = reckon(opened, today)
      expect(remarks.filter((remark) => remark.code.startsWith('damaged'))).toEqual([])
      net.set(id, money.total.paid)
      const bytes = await agent.get(`/api/makeovers/${id}/export?history=yes`).responseType('blob')
      expect(readParcel(bytes.body as Buffer, sha256Of).history?.length).toBe(opened.makeover.rev)
      for (const { sha256 } of Object.values(opened.makeover.rows.attachment))
        expect((await agent.get(`/api/files/${sha256}/thumbnail`)).headers['content-type']).toBe('image/webp')
    }
    for (const { makeover_id: id, net: sum } of paid) expect([id, net.get(id)]).toEqual([id, Number(sum)])
    await news.close()
    await database.close()
    await run(inject('postgres'), `drop database ${database_} with (force)`)
  })
})
