/** Every page can be read: nothing is cut off, lies on other text, or stands beyond the edge, at a desk and on phones, in both systems of units. */
import { expect, test, type Page } from '@playwright/test'
import { demoDecorator } from '#demo/index.ts'
import { unreadable } from './legible.ts'
import { clean } from './person.ts'

const pages = [
  'brief',
  'survey',
  'palette',
  'pieces',
  'purchases',
  'purchases/account',
  'remarks',
  'history',
  'shop',
] as const
const makeovers = [
  ['in metric', /Music room/],
  ['in feet and inches', /tea room/i],
] as const

async function signIn(page: Page): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Email').fill(demoDecorator.email)
  await page.getByLabel('Password').fill(demoDecorator.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('list', { name: 'All makeovers' }).waitFor()
}
async function settled(page: Page): Promise<void> {
  await page.locator('main h1').first().waitFor()
  await page.evaluate(() => document.fonts.ready)
  await page.waitForTimeout(400)
}

for (const [width, height] of [
  [1280, 800],
  [390, 844],
  [360, 780],
  [640, 400],
] as const)
  // 640 by 400 is what is left of a desk's window at 200 %
  test(`at ${width} by ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await signIn(page)
    const found: string[] = []
    const look = async (where: string): Promise<void> => {
      await settled(page)
      found.push(...(await unreadable(page)).map((fault) => `${where}: ${fault}`))
    }
    await look('day')
    await page.goto('/studio')
    await look('studio')
    for (const [units, name] of makeovers) {
      await page.goto('/')
      await page.getByRole('list', { name: 'All makeovers' }).getByRole('link', { name }).first().click()
      await page.waitForURL(/\/brief/)
      const brief = page.url().replace(/[?#].*/, '')
      for (const path of width === 640 ? (['brief', 'purchases'] as const) : pages) {
        await page.goto(brief.replace(/brief$/, path))
        await look(`${path} ${units}`)
      }
      if (width === 640) {
        await expect(page.getByText('Still to buy', { exact: true }).first()).toBeVisible()
        await expect(page.getByText('Left', { exact: true }).first()).toBeVisible()
        continue
      }
      await page.goto(brief.replace(/brief$/, 'pieces'))
      await page.locator('.pieces-table tbody a').first().click()
      await page.waitForURL(/\/pieces\//)
      await look(`a piece ${units}`)
    }
    expect(found).toEqual([])
  })

test('what is asked of every page finds what is wrong with one', async ({ page }) => {
  await page.goto('/sign-in')
  await clean(page, 'as it is')
  await page.evaluate(`(() => {
    document.querySelector('h1').insertAdjacentHTML('afterend', '<p style="color:#aaa;background:#fff">faint</p><img src="/mark.svg">')
  })()`)
  await expect(clean(page, 'spoilt')).rejects.toThrow(/color-contrast|image-alt/)
})
