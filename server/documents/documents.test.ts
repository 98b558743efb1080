/** What leaves as a file, read back by programs that are not ours: hledger, SheetJS, pdftotext. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import request from 'supertest'
import { read, utils } from 'xlsx'
import type { KeptBrief } from '#core/brief/index.ts'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import Papa from 'papaparse'
import { demoDecorator } from '#demo/index.ts'
import { rowsOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { reckonMoney, statement } from '#core/purchases/index.ts'
import { statementTables } from '#core/formats/tables.ts'
import { writeAmount } from '#core/formats/journal.ts'
import { minor } from '#core/money/minor.ts'
import { loadDemo } from '../demo.ts'
import { testTime, serve, type Served } from '../testing/studio.ts'
import { asCsv } from './sheets.ts'
import { briefPdf } from './brief-pdf.ts'

let served: Served
let cookie = ''
let makeovers: { id: string; makeover: Makeover; studio: Studio }[] = []
const folder = mkdtempSync(join(tmpdir(), 'bonitas-papers-'))
const get = (path: string) =>
  request(served.application)
    .get(`/api${path}`)
    .set('cookie', cookie)
    .buffer(true)
    .parse((response, done) => {
      const chunks: Buffer[] = []
      response.on('data', (chunk: Buffer) => chunks.push(chunk))
      response.on('end', () => done(null, Buffer.concat(chunks)))
    })
const bytes = async (path: string): Promise<Buffer> => {
  const answer = await get(path)
  expect(answer.status, path).toBe(200)
  return answer.body as Buffer
}
const textOf = (pdf: Buffer, ...options: string[]): string => {
  const file = join(folder, 'paper.pdf')
  writeFileSync(file, pdf)
  return execFileSync('pdftotext', [...options, file, '-'], { encoding: 'utf8' })
}

beforeAll(async () => {
  served = await serve(inject('postgres'))
  const { email, password } = await loadDemo(served.database, testTime)
  const signed = await request(served.application).post('/api/session').send({ email, password })
  cookie = String(signed.headers['set-cookie']).split(';')[0] ?? ''
  const day = JSON.parse((await bytes('/day')).toString()) as { makeovers: { id: string }[] }
  makeovers = await Promise.all(
    day.makeovers.map(async ({ id }) => ({
      id,
      ...(JSON.parse((await bytes(`/makeovers/${id}`)).toString()) as { makeover: Makeover; studio: Studio }),
    })),
  )
  expect(makeovers).toHaveLength(3)
}, 180_000)
afterAll(() => served.close())

describe('the journal', () => {
  it('balances to the cent in hledger, and by category, order and tender it says what we say', async () => {
    for (const { id, makeover } of makeovers) {
      const file = join(folder, `${id}.journal`)
      writeFileSync(file, await bytes(`/makeovers/${id}/journal.txt`))
      execFileSync('hledger', ['-f', file, 'check'])
      const csv = execFileSync('hledger', ['-f', file, 'balance', '--flat', '--empty', '-O', 'csv', '--layout=bare'], {
        encoding: 'utf8',
      })
      const balances = new Map(
        Papa.parse<[string, string, string]>(csv.trim())
          .data.slice(1)
          .map(([account, , balance]) => [account, balance]),
      )
      const sumOf = (start: string): number =>
        [...balances]
          .filter(([account]) => account.startsWith(start))
          .reduce((total, [, balance]) => total + Math.round(Number(balance) * 100), 0)
      const money = reckonMoney(makeover)
      for (const category of money.categories)
        expect([category.name, sumOf(`goods:${category.name}`)]).toEqual([category.name, category.owed])
      expect(sumOf('payable:')).toBe(money.total.refundsDue - money.total.committed)
      expect(0 - sumOf('tender:') + (sumOf('given:') * -1 - sumOf('held:'))).toBe(money.total.paid)
      expect(sumOf('held:')).toBe(money.total.creditHeld)
      expect(sumOf('client:account')).toBe(money.client.owes - money.client.held)
      expect(sumOf('studio:')).toBe(money.client.received)
      expect(0 - sumOf('billed:fees')).toBe(money.client.fees)
    }
  })
  it.each([
    ['EUR', 1_436_40, 'EUR 1436.40'],
    ['JPY', -36_666, 'JPY -36666'],
    ['KWD', 5, 'KWD 0.005'],
  ])('writes %s with all its decimals (ISO 4217)', (currency, amount, text) =>
    expect(writeAmount(minor(amount), currency)).toBe(text),
  )
})

describe('a statement', () => {
  it('as a workbook is read back by SheetJS with the sums of the reckoning', async () => {
    for (const { id, makeover } of makeovers) {
      const money = reckonMoney(makeover)
      for (const reader of ['client', 'studio'] as const) {
        const book = read(await bytes(`/makeovers/${id}/${reader}-statement.xlsx`), { type: 'buffer' })
        const sheet = (name: string) => utils.sheet_to_json<Record<string, unknown>>(book.Sheets[name] ?? {})
        const total = sheet('Categories').find((row) => row.Category === 'All categories')
        expect(Math.round(Number(total?.Forecast) * 100)).toBe(money.total.forecast)
        expect(Math.round(Number(total?.Left) * 100)).toBe(money.total.left)
        const sum = (name: string, column: string) =>
          Math.round(sheet(name).reduce((all, row) => all + Number(row[column]), 0) * 100)
        expect(sum('Orders', 'Owed') + sum('Fees', 'Earned')).toBe(money.total.owed)
        expect(sum('Payments', 'Amount') + sum('Fees', 'Covered')).toBe(money.total.paid)
        const head = utils.sheet_to_json<string[]>(book.Sheets.Orders ?? {}, { header: 1 })[0] ?? []
        expect(head.includes('Margin')).toBe(reader === 'studio')
      }
    }
  })
  it('as CSV has the same sums, and shows a client no margin', async () => {
    const inn = makeovers.find(({ makeover }) => Object.values(makeover.rows.makeover)[0]?.currency === 'CHF')
    if (!inn) throw new Error('the inn is in the demo')
    const csv = async (reader: string) =>
      Papa.parse<string[]>(
        (await bytes(`/makeovers/${inn.id}/${reader}-statement.csv`)).toString('utf8').replace(/^\ufeff/, ''),
      ).data
    const [client, studio] = [await csv('client'), await csv('studio')]
    const money = reckonMoney(inn.makeover)
    expect(client.find(([name]) => name === 'All categories')?.[6]).toBe((money.total.forecast / 100).toFixed(2))
    expect(client.flat()).not.toContain('Margin')
    const at = studio.find((row) => row.includes('Margin'))?.indexOf('Margin') ?? -1
    const margins = studio
      .filter((row) => row.length > at && /^-?\d+\.\d\d$/.test(row[at] ?? ''))
      .reduce((all, row) => all + Math.round(Number(row[at]) * 100), 0)
    expect(margins).toBe(
      money.purchases.reduce(
        (all, purchase) => all + (purchase.studioCost === null ? 0 : purchase.owed - purchase.studioCost),
        0,
      ),
    )
    expect(margins).toBeGreaterThan(0)
  })
  it('in a cell that begins like a formula is led by an apostrophe (OWASP, CSV injection)', () => {
    const table = {
      name: 'Orders',
      head: ['What', 'Sum'],
      rows: [
        [{ text: '=HYPERLINK("x")' }, { amount: minor(-5) }],
        [{ text: '@there, "said"\nso' }, null],
      ],
    }
    const rows = Papa.parse<string[]>(asCsv([table], 'EUR').replace(/^\ufeff/, '')).data
    expect(rows[2]).toEqual([`'=HYPERLINK("x")`, '-0.05'])
    expect(rows[3]?.[0]).toBe(`'@there, "said"\nso`)
  })
  it('as PDF says the same sums in words a reader finds, and no margin to a client', async () => {
    for (const { id, makeover } of makeovers) {
      const money = reckonMoney(makeover)
      const client = textOf(await bytes(`/makeovers/${id}/client-statement.pdf`), '-layout')
      const written = (amount: number): RegExp =>
        new RegExp(
          (amount < 0 ? '[−-]' : '') +
            Math.floor(Math.abs(amount) / 100)
              .toLocaleString('en')
              .replaceAll(',', '\\s?') +
            `\\.${String(Math.abs(amount) % 100).padStart(2, '0')}`,
        )
      expect(client).toMatch(written(money.total.forecast))
      expect(client).toMatch(written(money.total.left))
      expect(client).not.toMatch(/Margin/)
      expect(textOf(await bytes(`/makeovers/${id}/studio-statement.pdf`))).toMatch(/not for the client/)
    }
  }, 120_000)
  it('its tables have as many cells as heads', () => {
    for (const documents of makeovers) {
      const account = statement(documents, reckonMoney(documents.makeover), 'studio', '2027-03-01' as never)
      for (const table of statementTables(account))
        for (const row of table.rows) expect(row, table.name).toHaveLength(table.head.length)
    }
  })
})

describe('the brief', () => {
  it('as PDF has what was signed, in the shipped faces', async () => {
    const music = makeovers.find(({ makeover }) => Object.values(makeover.rows.makeover)[0]?.name.startsWith('Music'))
    if (!music) throw new Error('the music room is in the demo')
    const pdf = await bytes(`/makeovers/${music.id}/brief.pdf?version=1`)
    const text = textOf(pdf)
    for (const words of [
      'Two can play at once',
      'Great-aunt Sanna',
      'As many as the',
      'Signed by Nell Ashgrove',
      'Reckoned by the defaults of the rulebook',
    ])
      expect(text).toContain(words)
    writeFileSync(join(folder, 'brief.pdf'), pdf)
    const fonts = execFileSync('pdffonts', [join(folder, 'brief.pdf')], { encoding: 'utf8' })
    expect(fonts).toMatch(/Newsreader/)
    expect(fonts).toMatch(/Hanken/)
    expect(
      fonts
        .split('\n')
        .slice(2)
        .filter((line) => line !== '')
        .every((line) => / yes /.test(line)),
    ).toBe(true) // every face is embedded
  })
  it.each(['Ελένη Παπαδοπούλου', 'Nguyễn Thị Phượng', 'Þórdís Łukaszewska', 'Жанна Ґонта', '王小明', 'ქეთევან'])(
    'writes the name %s in letters, and none as a question mark',
    async (name) => {
      const brief: KeptBrief = {
        name,
        rooms: [name],
        scope: 'refresh',
        currency: 'EUR',
        installOn: null,
        needs: [],
        stays: [],
        constraints: [],
        permissions: [],
        ways: [],
        schools: [],
        sums: [],
        contingencyMinor: 0,
        rules: {} as KeptBrief['rules'],
      }
      const unsigned = {
        signedBy: null,
        signedOn: null,
        version: 1,
        reason: '',
        kept: false,
        here: null,
        timeZone: 'UTC',
      }
      const pdf = await briefPdf(brief, { clients: [name], studio: name, ...unsigned })
      const text = textOf(pdf)
      expect(text).toContain(name)
      expect(text).not.toMatch(/[?□]/)
      writeFileSync(join(folder, 'names.pdf'), pdf)
      const fonts = execFileSync('pdffonts', [join(folder, 'names.pdf')], { encoding: 'utf8' })
      expect(
        fonts
          .split('\n')
          .slice(2)
          .filter((line) => line !== '' && !/ yes /.test(line)),
      ).toEqual([]) // all embedded
    },
  )
  it('of another studio is not found, nor one of nothing', async () => {
    const id = makeovers[0]?.id ?? ''
    const stranger = await request(served.application).post('/api/studios').send({
      studioName: 'Other',
      timeZone: 'UTC',
      name: 'Other',
      email: 'other@test.example',
      password: 'a long enough password',
    })
    for (const path of ['brief.pdf', 'client-statement.pdf', 'studio-statement.xlsx', 'journal.txt', 'diary'])
      expect([
        path,
        (
          await request(served.application)
            .get(`/api/makeovers/${id}/${path}`)
            .set('cookie', String(stranger.headers['set-cookie']).split(';')[0] ?? '')
        ).body,
      ]).toEqual([path, path === 'diary' ? [] : expect.objectContaining({ status: 404 })])
    expect((await get(`/makeovers/${id}/owner-statement.pdf`)).status).toBe(404)
    expect((await get(`/makeovers/${id}/client-statement.exe`)).status).toBe(404)
  })
})

describe('the diary', () => {
  it('tells who did what, newest first, of the whole and of one thing', async () => {
    const { id, makeover } = makeovers[0] ?? { id: '', makeover: undefined }
    const pages = JSON.parse((await bytes(`/makeovers/${id}/diary`)).toString()) as {
      rev: number
      who: string
      sentence: string
      rows: { rowId: string }[]
    }[]
    expect(pages.every((entry) => entry.who === demoDecorator.name)).toBe(true)
    expect(pages.map((entry) => entry.rev)).toEqual(pages.map((_, at) => (makeover?.rev ?? 0) - at))
    const piece = makeover ? rowsOf(makeover, 'piece').at(-1) : undefined
    const diary = JSON.parse((await bytes(`/makeovers/${id}/diary?of=${piece?.id ?? ''}`)).toString()) as typeof pages
    expect(diary.length).toBeGreaterThan(0)
    expect(diary.length).toBeLessThan(pages.length)
    expect((await get(`/makeovers/${id}/diary?of=1`)).status).toBe(400)
  })
})
