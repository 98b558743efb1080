/** A change in one window to the picture of it in another, in two real browsers; the warm start; both over the built pages. */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoHelpers } from '#demo/index.ts'
import { openMusicRoom, withServed } from './served.ts'

const root = join(import.meta.dirname, '..')
const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const median = (times: readonly number[]): number =>
  times.toSorted((left, right) => left - right)[Math.floor(times.length / 2)] ?? Number.NaN

export async function benchFollow(): Promise<void> {
  await withServed(8493, async (browser, base) => {
    const [left, right] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()]
    await openMusicRoom(left, base)
    await openMusicRoom(right, base, demoHelpers[0]?.email)
    // the other window notes the moment at which what it waits for is on its page and painted
    await right.evaluate(() => {
      const seen = window as unknown as { wanted: string; painted: number }
      seen.wanted = ''
      new MutationObserver(() => {
        if (seen.wanted === '' || !document.body.textContent.includes(seen.wanted)) return
        seen.wanted = ''
        requestAnimationFrame(() => setTimeout(() => (seen.painted = Date.now())))
      }).observe(document.body, { childList: true, subtree: true, characterData: true })
    })
    const times: number[] = []
    for (let at = 0; at < 25; at++) {
      const name = `Need number ${at} of the bench`
      await left.getByRole('button', { name: 'Add a need' }).click()
      const form = left.getByRole('dialog')
      await form.getByLabel('What has to be possible').fill(name)
      await right.evaluate((text) => {
        Object.assign(window, { wanted: text, painted: 0 })
      }, name)
      // the moment of the click itself, in the page that is clicked
      await left.evaluate(() => {
        document.addEventListener('click', () => Object.assign(window, { clicked: Date.now() }), {
          capture: true,
          once: true,
        })
      })
      await form.getByRole('button', { name: 'Add', exact: true }).click()
      const painted = await (
        await right.waitForFunction(() => (window as unknown as { painted: number }).painted)
      ).jsonValue()
      times.push(painted - (await left.evaluate(() => (window as unknown as { clicked: number }).clicked)))
      await form.waitFor({ state: 'hidden' })
    }
    say(
      `one window to another:          ${median(times)} ms median, ${Math.max(...times)} ms worst of ${times.length}, from the click to the other's picture (goal: 150)`,
    )
  })
}

/** npm start once everything is installed, built and loaded, until it says where it is. */
export async function benchStart(): Promise<void> {
  const home = mkdtempSync(join(tmpdir(), 'bonitas-warm-'))
  const start = (): Promise<number> =>
    new Promise((resolve) => {
      const startedAt = performance.now()
      const child = spawn(process.execPath, ['scripts/start.mjs'], {
        cwd: root,
        env: { ...process.env, BONITAS_HOME: home, PORT: '8494' },
        stdio: ['ignore', 'pipe', 'inherit'],
      })
      let took = 0
      child.stdout.on('data', (part: Buffer) => {
        if (took > 0 || !part.toString().includes('Bonitas is at')) return
        took = performance.now() - startedAt
        child.kill('SIGINT')
      })
      child.on('exit', () => resolve(took))
    })
  await start() // makes the data folder and loads the demo
  const times = [await start(), await start(), await start()]
  say(`warm npm start:                 ${(median(times) / 1000).toFixed(1)} s (goal: under 4)`)
  rmSync(home, { recursive: true, force: true })
}
if (process.argv[1] === import.meta.filename) {
  if (!process.env.SKIP) await benchStart()
  await benchFollow()
}
