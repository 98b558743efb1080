/** npm run backup and npm run restore, into a cluster that is empty: everything is there again, to the byte. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { demoDecorator } from '#demo/index.ts'
import { sharedHeavy } from '#server/testing/studio.ts'
import { createApplication } from '#server/application.ts'
import { openNews } from '#server/changes/news.ts'
import { connect } from '#server/database/connection.ts'
import { migrateDatabase } from '#server/database/migrate.ts'
import { loadDemo } from '#server/demo.ts'
import { ensureDatabase, startPostgres, stopPostgres } from './postgres.mjs'

const folder = mkdtempSync(join(tmpdir(), 'bonitas-backup-'))
const [full, empty] = [join(folder, 'full'), join(folder, 'empty')]
const file = join(folder, 'all.dump')
const run = (script: string, home: string, ...words: string[]): { code: number | null; said: string } => {
  const { DATABASE_URL: _url, ...env } = process.env
  const { status, stdout, stderr } = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...words], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...env, BONITAS_HOME: home },
    encoding: 'utf8',
  })
  return { code: status, said: stdout + stderr }
}
/** All that the demo's studio has, as one file, out of the database of a home folder. */
async function everything(home: string, demo: boolean): Promise<Buffer> {
  const { address } = await startPostgres(join(home, 'main'))
  const url = await ensureDatabase(address)
  await migrateDatabase(url)
  const database = connect(url)
  const log = pino({ level: 'silent' })
  const news = openNews(url, database, log)
  if (demo) await loadDemo(database, Date.now())
  const application = createApplication({
    database,
    news,
    log,
    pages: null,
    clock: Date.now,
    failedSignIns: 100,
    registration: 'open',
    heavy: sharedHeavy(),
  })
  const agent = request.agent(application)
  expect(
    (await agent.post('/api/session').send({ email: demoDecorator.email, password: demoDecorator.password })).status,
  ).toBe(200)
  const answer = await agent.get('/api/studio/export').responseType('blob')
  await news.close()
  await database.close()
  return answer.body as Buffer
}
let before: Buffer
beforeAll(async () => {
  before = await everything(full, true)
})
afterAll(() => {
  for (const home of [full, empty]) stopPostgres(join(home, 'main'))
  rmSync(folder, { recursive: true, force: true })
})

it('brings back every studio, makeover, picture and the history of it, and leaves the first as it was', async () => {
  const made = run('backup', full, file) // while its database runs
  expect(made.said).toContain(`Backed up to ${file}`)
  expect(statSync(file).mode & 0o777).toBe(0o600)
  const back = run('restore', empty, file)
  expect(back.said).toMatch(/Restored 1 studio, 3 makeovers and \d+ changes/)
  expect(Buffer.compare(await everything(empty, false), before)).toBe(0)
  expect(Buffer.compare(await everything(full, false), before)).toBe(0)
})
it('says what is wrong, and touches nothing', () => {
  expect(run('restore', full, file)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/runs on .*: stop it first/),
  })
  stopPostgres(join(full, 'main'))
  expect(run('restore', full, file)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/There is data in .* already, and nothing is ever restored over it/),
  })
  expect(run('backup', full, file)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is there already: name another/),
  })
  expect(run('backup', join(folder, 'nowhere'))).toMatchObject({
    code: 1,
    said: expect.stringMatching(/There is nothing to back up/),
  })
  expect(run('restore', empty)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/Expected the name of one backup/),
  })
  const cut = join(folder, 'cut.dump')
  writeFileSync(cut, readFileSync(file).subarray(0, 3000))
  const third = join(folder, 'third')
  expect(run('restore', third, cut)).toMatchObject({ code: 1, said: expect.stringMatching(/Nothing was restored/) })
  expect(run('restore', third, file).code).toBe(0) // the failed one left nothing in its way
})
