/** npm run backup and npm run restore, into a cluster that is empty: everything is there again, to the byte. */
import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
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
import { connected } from './backups.mjs'
import { ensureDatabase, startPostgres, stopPostgres } from './postgres.mjs'

const folder = mkdtempSync(join(tmpdir(), 'bonitas-backup-'))
const [full, empty] = [join(folder, 'full'), join(folder, 'empty')]
const file = join(folder, 'all.dump')
/** A script with its words, and settings beside them. */
const run = (
  script: string,
  home: string,
  ...words: (string | Record<string, string>)[]
): { code: number | null; said: string } => {
  const { DATABASE_URL: _url, ...env } = process.env
  const said = words.filter((word) => typeof word === 'string')
  const settings = words.filter((word) => typeof word !== 'string')
  const { status, stdout, stderr } = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...said], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...env, BONITAS_HOME: home, ...Object.assign({}, ...settings) },
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
  for (const home of [full, empty]) for (const name of ['main', 'empty']) stopPostgres(join(home, name))
  rmSync(folder, { recursive: true, force: true })
})

it('brings back every studio, makeover, picture and the history of it, and leaves the first as it was', async () => {
  const made = run('backup', full, file) // while its database runs
  expect(made.said).toContain(`Backed up the folder “main”, which runs, to ${file}`)
  expect(made.said).toMatch(/Wren & Tide: 3 makeovers, \d+ changes, \d+ files, last changed 20\d\d-/)
  expect(made.said).toMatch(/Restored on trial: all \d{3,} rows of \d{2,3} tables are the same/)
  expect(statSync(file).mode & 0o777).toBe(0o600)
  const back = run('restore', empty, file)
  expect(back.said).toMatch(/Restored Wren & Tide: 3 makeovers, \d+ changes, \d+ files/)
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
    said: expect.stringMatching(/There is data in .*main already \(Wren & Tide: 3 makeovers/),
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
it('backs up the folder that runs, whatever it is called, and says which it left', async () => {
  stopPostgres(join(full, 'main'))
  execFileSync('cp', ['-a', join(full, 'main'), join(full, 'empty')]) // with its owner, who alone may start it
  await startPostgres(join(full, 'empty'))
  const made = run('backup', full)
  expect(made).toMatchObject({
    code: 0,
    said: expect.stringMatching(/Backed up the folder “empty”, which runs, to .*bonitas-empty-/),
  })
  expect(made.said).toMatch(/Not backed up: the folder “main”, which does not run \(--main\)/)
  stopPostgres(join(full, 'empty'))
  // where nothing runs, all there is
  const both = run('backup', full, '--keep', '1')
  expect(both.said).toMatch(/the folder “main”,.*\n[\s\S]*the folder “empty”,/)
  expect(
    readdirSync(join(full, 'backups'))
      .map((name) => name.split('-')[1])
      .sort(),
  ).toEqual(['empty', 'main'])
  expect(run('backup', full, file.replace('all', 'another'))).toMatchObject({
    code: 1,
    said: expect.stringMatching(/more than one folder/),
  })
})
it('is sealed with a passphrase, and opens with no other', () => {
  const sealed = join(folder, 'sealed.age')
  const words = { BACKUP_PASSPHRASE: 'four herons over slate' }
  expect(run('backup', full, '--main', sealed, words)).toMatchObject({
    code: 0,
    said: expect.stringMatching(/sealed with the passphrase/),
  })
  const bytes = readFileSync(sealed)
  expect(bytes.subarray(0, 21).toString()).toBe('age-encryption.org/v1') // the header of age's format
  expect(bytes.includes('PGDMP')).toBe(false) // that of a dump of PostgreSQL
  const fourth = join(folder, 'fourth')
  expect(run('restore', fourth, sealed)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/This backup is sealed/),
  })
  expect(run('restore', fourth, sealed, { BACKUP_PASSPHRASE: 'five herons over slate' })).toMatchObject({
    code: 1,
    said: expect.stringMatching(/the passphrase is another one, or the file is damaged/),
  })
  expect(run('restore', fourth, sealed, words)).toMatchObject({
    code: 0,
    said: expect.stringMatching(/Restored Wren & Tide/),
  })
  expect(existsSync(`${sealed}.opened`)).toBe(false)
  expect(run('backup', full, '--main', join(folder, 'x'), { BACKUP_PASSPHRASE: 'short' }).said).toMatch(/too short/)
})
it('takes the place of what is newer only where that is said, and what was there lies beside it', async () => {
  const { address } = await startPostgres(join(empty, 'main'))
  await connected(address('bonitas'), (connection) =>
    connection.query(
      `update changes set made_at = now() + interval '1 minute' where id = (select id from changes order by made_at desc limit 1)`,
    ),
  )
  stopPostgres(join(empty, 'main'))
  expect(run('restore', empty, '--over', file)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is newer than the backup[\s\S]*Nothing was changed/),
  })
  const told = run('restore', empty, '--over-newer', file)
  expect(told).toMatchObject({ code: 0, said: expect.stringMatching(/What was there lies in .*main\.before-/) })
  expect(readdirSync(empty).filter((name) => name.startsWith('main.before-'))).toHaveLength(1)
  expect(run('restore', empty, '--over', file).code).toBe(0) // as old as what is there
})
