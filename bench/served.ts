/** The product served over a database of its own with the demo in it, and a browser before it. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'
import { demoDecorator } from '#demo/index.ts'
import { build, forkServer } from '../scripts/built.mjs'
import { ensureDatabase, startPostgres } from '../scripts/postgres.mjs'

export async function withServed(port: number, work: (browser: Browser, base: string) => Promise<void>): Promise<void> {
  const home = mkdtempSync(join(tmpdir(), 'bonitas-bench-'))
  const postgres = await startPostgres(home)
  const url = await ensureDatabase(postgres.address)
  build()
  const server = forkServer({ ...process.env, DATABASE_URL: url, PORT: String(port), BONITAS_DEMO: 'yes' })
  await new Promise((resolve) => server.once('message', resolve))
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--disable-quic', '--no-first-run'],
  })
  await work(browser, `http://127.0.0.1:${port}`)
  await browser.close()
  const ended = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGTERM')
  await ended
  postgres.stop()
  rmSync(home, { recursive: true, force: true })
}

/** Signed in, with the music room open at its brief. */
export async function openMusicRoom(page: Page, base: string, email = demoDecorator.email): Promise<void> {
  await page.goto(`${base}/sign-in`)
  await page.getByLabel('Email').fill(email)
  await page.getByLabel('Password').fill(demoDecorator.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page
    .getByRole('list', { name: 'All makeovers' })
    .getByRole('link', { name: /Music room/ })
    .click()
  await page.getByRole('heading', { name: 'Brief', level: 1 }).waitFor()
}
