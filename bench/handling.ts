/** A work on its wall and a lamp on the plan dragged in a real browser, with all that follows them. */
import { dragged, median } from './drags.ts'
import { openMusicRoom, withServed } from './served.ts'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)

export async function benchHandling(): Promise<void> {
  await withServed(8496, async (browser, base) => {
    const page = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    ).newPage()
    await openMusicRoom(page, base)
    const id = page.url().split('/')[4] ?? ''
    for (const [what, path, sheet, name] of [
      ['a work of eight on its wall, all checks live', 'walls', 'The wall', /^Felt hanging/],
      ['a lamp, with the light of the room', 'light', 'The light of the room', /^Reading lamps, long arm 1$/],
    ] as const) {
      await page.goto(`${base}/makeovers/${id}/placement/${path}`)
      if (path === 'walls') await page.getByRole('button', { name: /back wall, 1$/ }).click()
      const thing = page.getByRole('group', { name: sheet }).getByRole('button', { name })
      await thing.waitFor()
      await page.waitForTimeout(2500)
      const box = await thing.boundingBox()
      if (!box) throw new Error(`${what}: it is drawn`)
      const moved = await dragged(page, box.x + box.width / 2, box.y + box.height / 2, 100)
      say(
        `dragged: ${what}: ${moved.work.toFixed(1)} ms of work a move; ${median(moved.shown).toFixed(1)} ms median to the picture, ${Math.max(...moved.shown).toFixed(0)} worst of ${moved.shown.length} (goal: under 16 to the picture)`,
      )
    }
  })
}
