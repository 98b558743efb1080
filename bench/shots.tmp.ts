import { withServed, openMusicRoom } from './served.ts'
const views = process.argv.slice(2)
await withServed(8733, async (browser, base) => {
  for (const [name, width, height] of [
    ['wide', 1280, 800],
    ['phone', 390, 844],
  ] as const) {
    const page = await browser.newPage({ viewport: { width, height } })
    page.on('pageerror', (e) => console.log('ERR', e.message))
    page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text().slice(0, 200)))
    await openMusicRoom(page, base)
    const url = page.url().replace(/\/brief.*$/, '')
    for (const v of name === 'wide' ? views : views.filter((x) => x === 'purchases')) {
      await page.goto(`${url}/${v}`)
      await page.waitForTimeout(2500)
      await page.screenshot({ path: `/tmp/shot-${v.replace(/\W/g, '-')}-${name}.png` })
      if (v === 'remarks') {
        const b = page.getByRole('button', { name: /What would cure it|Say what it serves|Give it the room/ }).first()
        if (await b.count()) {
          await b.click()
          await page.waitForTimeout(2500)
          await page.screenshot({ path: '/tmp/shot-remedy.png' })
        }
      }
      if (v === 'pieces') {
        await page.locator('main a[href*="/pieces/"]').first().click()
        await page.waitForTimeout(2500)
        await page.screenshot({ path: '/tmp/shot-piece.png' })
      }
    }
    await page.close()
  }
})
