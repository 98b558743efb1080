import { withServed } from './served.ts'
import { demoDecorator } from '#demo/index.ts'
import type { Page } from '@playwright/test'
const steps = (await import(process.argv[2]!)).default
await withServed(8777, async (browser, base) => {
  const make = async (width: number, height: number): Promise<Page> => {
    const context = await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce', hasTouch: width < 500 })
    const page = await context.newPage()
    page.on('pageerror', (error) => console.log('PAGE ERROR', error.message))
    page.on('response', async (r) => r.status() >= 400 && console.log(r.status(), r.request().method(), r.url(), (r.request().postData() ?? '').slice(0, 600), (await r.text().catch(() => 'gone')).slice(0, 400)))
    page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)))
    await page.goto(`${base}/sign-in`)
    await page.getByLabel('Email').fill(demoDecorator.email)
    await page.getByLabel('Password').fill(demoDecorator.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.getByRole('list', { name: 'All makeovers' }).waitFor()
    return page
  }
  const shot = async (page: Page, name: string, full = false) => { await page.waitForTimeout(600); await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full }) }
  const open = async (page: Page, name: RegExp, path = '') => {
    await page.goto(base)
    await page.getByRole('list', { name: 'All makeovers' }).getByRole('link', { name }).first().click(); await page.waitForURL(/makeovers/)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    if (path) { const id = new URL(page.url()).pathname.split('/')[2]; await page.goto(`${base}/makeovers/${id}/${path}`); await page.getByRole('heading', { level: 1 }).first().waitFor() }
  }
  await steps({ desk: () => make(1280, 800), phone: () => make(390, 844), shot, open, base })
})
process.exit(0)
