/** What a page takes for an event, in a real browser. */
import type { Page } from '@playwright/test'

/** From the event to the end of the frame that shows it, as the page itself sees it. */
export const watchFrames = (page: Page, type: string): Promise<void> =>
  page.evaluate((name) => {
    const seen = window as unknown as { frames: number[] }
    seen.frames = []
    window.addEventListener(
      name,
      (event) => {
        const startedAt = event.timeStamp
        requestAnimationFrame(() => {
          const channel = new MessageChannel()
          channel.port1.onmessage = () => seen.frames.push(performance.now() - startedAt)
          channel.port2.postMessage(null) // after this frame's style, layout and paint
        })
      },
      { capture: true },
    )
  }, type)
export const frames = (page: Page): Promise<number[]> =>
  page.evaluate(() => (window as unknown as { frames: number[] }).frames)
/** The work of the page itself for each event: script, style, layout and paint, without waiting for the screen's next beat. */
export async function busy(page: Page, act: () => Promise<void>): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const total = async (): Promise<number> => {
    const { metrics } = await session.send('Performance.getMetrics')
    return metrics.find((metric) => metric.name === 'TaskDuration')?.value ?? 0
  }
  const value = await total()
  await act()
  return 1000 * ((await total()) - value)
}
