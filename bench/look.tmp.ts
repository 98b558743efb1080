import { pathToFileURL } from 'node:url'
import type { Browser, Page } from '@playwright/test'
import { demoDecorator } from '#demo/index.ts'
import { withServed } from './served.ts'
const steps = (await import(pathToFileURL(process.argv[2] ?? '').href)) as { default: (look: Look) => Promise<void> }
export type Look = {
  desk: () => Promise<Page>
  phone: (width?: number) => Promise<Page>
  shot: (page: Page, name: string, full?: boolean) => Promise<void>
  open: (page: Page, name: RegExp, path?: string) => Promise<void>
  base: string
}
async function signedIn(browser: Browser, base: string, width: number, height: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width, height }, hasTouch: width < 500 })
  const page = await context.newPage()
  page.on('pageerror', (error) => console.log('PAGE ERROR', error.message))
  await page.goto(`${base}/sign-in`)
  await page.getByLabel('Email').fill(demoDecorator.email)
  await page.getByLabel('Password').fill(demoDecorator.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('list', { name: 'All makeovers' }).waitFor()
  return page
}
await withServed(8480, async (browser, base) => {
  const look: Look = {
    base,
    desk: () => signedIn(browser, base, 1280, 800),
    phone: (width = 390) => signedIn(browser, base, width, width === 360 ? 780 : 844),
    shot: async (page, name, full = false) => {
      await page.waitForTimeout(700)
      await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full })
    },
    open: async (page, name, path = '') => {
      await page.goto(base)
      await page.getByRole('list', { name: 'All makeovers' }).getByRole('link', { name }).first().click()
      await page.waitForURL(/makeovers\/[0-9a-f-]+\/brief/)
      if (path) await page.goto(page.url().replace(/brief.*/, path))
      await page.locator('main h1').first().waitFor()
      await page.waitForTimeout(900)
    },
  }
  try {
    await steps.default(look)
  } catch (error) {
    console.log(error)
    for (const context of browser.contexts()) for (const page of context.pages()) await page.screenshot({ path: '/tmp/shots/failed.png' })
  }
})
process.exit(0)
