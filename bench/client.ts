/** The client's page on a phone of small means, the paper of it, and the slider between before and after. */
import type { Page } from '@playwright/test'
import { frames, watchFrames } from './frames.ts'
import { openMusicRoom, withServed } from './served.ts'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const middle = (times: readonly number[]): number =>
  times.toSorted((left, right) => left - right)[Math.floor(times.length / 2)] ?? Number.NaN

/** 1.6 Mbit/s with 150 ms there and back, and a processor a quarter as fast: what browsers call a slow phone on mobile data. */
async function slowPhone(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 150,
    downloadThroughput: (1.6e6 / 8) * 0.9,
    uploadThroughput: (0.75e6 / 8) * 0.9,
  })
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
}

/** Says when the first answer can be given: its button is drawn, and whatever came with it is done. As text: it runs in the page. */
const watchUsable = `
  function look() {
    if (![...document.querySelectorAll('button')].some((button) => /^Yes/.test(button.textContent.trim())))
      return requestAnimationFrame(look)
    requestAnimationFrame(() => setTimeout(() => (window.usableAt = performance.now()), 0))
  }
  requestAnimationFrame(look)`

/** A link to the client's page of the makeover that is open. */
const linkOf = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const path = `/api/makeovers/${window.location.pathname.split('/')[2] ?? ''}`
    const { makeover } = (await (await fetch(path)).json()) as { makeover: { rows: { client: object } } }
    const answer = await fetch(`${path}/letters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ clientId: Object.keys(makeover.rows.client)[0], days: 30, word: '' }),
    })
    return ((await answer.json()) as { opens: string }).opens
  })

export async function benchClient(): Promise<void> {
  await withServed(8471, async (browser, base) => {
    const desk = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await openMusicRoom(desk, base)
    const link = new URL(await linkOf(desk), base)
    const token = link.hash.slice(1)
    const opens: number[] = []
    for (let run = 0; run < 5; run++) {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
      const page = await context.newPage()
      await slowPhone(page)
      await page.addInitScript({ content: watchUsable })
      await page.goto(link.href, { waitUntil: 'commit' })
      const usable = await page.waitForFunction(() => (window as unknown as { usableAt: number | null }).usableAt)
      opens.push(Number(await usable.jsonValue()))
      await context.close()
    }
    say(
      `Client's page, slow phone, from the link until a first answer can be given: ${middle(opens).toFixed(0)} ms, ${Math.max(...opens).toFixed(0)} at most of 5 (goal: 2000)`,
    )
    const papers: number[] = []
    for (let run = 0; run < 5; run++) {
      const startedAt = performance.now()
      const answer = await fetch(`${base}/api/guest/presentation.pdf`, { headers: { 'x-bonitas-link': token } })
      if (!answer.ok) throw new Error(`the paper was refused with ${answer.status}`)
      await answer.arrayBuffer()
      papers.push(performance.now() - startedAt)
    }
    say(
      `Paper of the music room: ${middle(papers).toFixed(0)} ms, ${Math.max(...papers).toFixed(0)} the first (goal: 3000)`,
    )

    await desk.goto(base)
    await desk
      .getByRole('list', { name: 'All makeovers' })
      .getByRole('link', { name: /Tea room/ })
      .click()
    await desk.waitForURL(/makeovers/)
    await desk.goto(`${base}/makeovers/${new URL(desk.url()).pathname.split('/')[2] ?? ''}/reveal`)
    await desk.getByRole('button', { name: 'Compare' }).first().click()
    const slider = desk.getByRole('slider').first()
    await slider.scrollIntoViewIfNeeded()
    const box = await slider.boundingBox()
    if (!box) throw new Error('there is a slider')
    await watchFrames(desk, 'input')
    await desk.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await desk.mouse.down()
    for (let step = 0; step < 200; step++)
      await desk.mouse.move(box.x + box.width * (0.5 + 0.4 * Math.sin(step / 12)), box.y + box.height / 2)
    await desk.mouse.up()
    const seen = await frames(desk)
    say(
      `Slider, ${seen.length} moves, event to picture: ${middle(seen).toFixed(1)} ms, ${Math.max(...seen).toFixed(1)} at most, ${seen.filter((ms) => ms > 33.4).length} over two frames (goal: none dropped)`,
    )
  })
}
