/** A list of 500 pieces with 3 000 candidates, scrolled through in a real browser: the longest frame. */
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Documents, type Operation } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { openMusicRoom, withServed } from './served.ts'

const [manyPieces, candidatesEach] = [500, 6]

function planned({ makeover, studio }: Documents): Operation[] {
  const roomId = Object.keys(makeover.rows.room)[0] ?? ''
  const categories = Object.keys(makeover.rows.category)
  const sellers = Object.keys(studio.rows.seller)
  return Array.from({ length: manyPieces }, () => uuidv7()).flatMap((id, at) => [
    add('piece', id, {
      ...blank.piece,
      roomId,
      zoneId: null,
      categoryId: categories[at % categories.length] ?? null,
      name: `Piece ${at + 1}`,
      quantity: 1,
      unit: 'pieces',
      allowanceMinor: minor(0),
      chosenId: null,
      chosenReason: '',
    }),
    ...Array.from({ length: candidatesEach }, (_none, candidate) =>
      add('candidate', uuidv7(), {
        ...blank.candidate,
        pieceId: id,
        sellerId: sellers[candidate % sellers.length] ?? null,
        name: `Candidate ${candidate + 1} of ${at + 1}`,
        priceMinor: minor(1000 + at),
        leadDays: candidate,
        returnDays: 14,
        adjustDays: null,
      }),
    ),
  ])
}

export async function benchLists(): Promise<void> {
  await withServed(8497, async (browser, base) => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await openMusicRoom(page, base)
    const id = page.url().split('/')[4] ?? ''
    const operations = planned((await (await page.request.get(`${base}/api/makeovers/${id}`)).json()) as Documents)
    for (let at = 0; at < operations.length; at += 350) {
      const data = { id: uuidv7(), schemaVersion, sentence: 'Planned many', operations: operations.slice(at, at + 350) }
      const answer = await page.request.post(`${base}/api/makeovers/${id}/changes`, { data })
      if (!answer.ok()) throw new Error(await answer.text())
    }
    await page.goto(`${base}/makeovers/${id}/pieces`)
    await page
      .getByText(/^Piece \d+$/)
      .first()
      .waitFor()
    await page.waitForTimeout(4000)
    await page.evaluate('globalThis.__name = (named) => named') // the compiler names functions by it
    const frames = await page.evaluate(
      () =>
        new Promise<number[]>((resolve) => {
          const times: number[] = []
          let last = performance.now()
          const step = (): void => {
            const at = performance.now()
            times.push(at - last)
            last = at
            window.scrollBy(0, 120)
            if (window.scrollY + window.innerHeight >= document.body.scrollHeight - 4 || times.length > 400)
              resolve(times)
            else requestAnimationFrame(step)
          }
          requestAnimationFrame(step)
        }),
    )
    const sorted = frames.slice(2).toSorted((left, right) => left - right)
    process.stdout.write(
      `a list of ${manyPieces} pieces with ${manyPieces * candidatesEach} candidates, scrolled: ${sorted.length} frames, median ${(sorted[Math.floor(sorted.length / 2)] ?? 0).toFixed(0)} ms, longest ${(sorted.at(-1) ?? 0).toFixed(0)} ms, ${sorted.filter((frame) => frame > 32).length} over 32 (goal: none)\n`,
    )
  })
}
