/** Work that waits its turn: a few at a time, studio after studio, so that none keeps the others waiting. */
import { Problem } from '../problem.ts'

export type Bounds = {
  /** How many are under way at once. */
  readonly lanes: number
  /** How many may wait, in all and of one studio. */
  readonly most: number
  readonly mostOfStudio: number
}

export type Queue = { readonly run: <T>(studioId: string, work: () => Promise<T>) => Promise<T> }

export function openQueue({ lanes, most, mostOfStudio }: Bounds): Queue {
  /** What waits, by studio; the studio that was served last stands last. */
  const waiting = new Map<string, (() => void)[]>()
  let under = 0
  let count = 0

  function next(): void {
    if (under >= lanes) return
    for (const [studioId, works] of waiting) {
      const work = works.shift()
      waiting.delete(studioId)
      if (works.length > 0) waiting.set(studioId, works)
      if (!work) continue
      count--
      under++
      work()
      return
    }
  }

  function fullness(mine: number): Problem | null {
    if (mine >= mostOfStudio)
      return new Problem(
        429,
        'busy',
        'Too much at once',
        `${mostOfStudio} papers or pictures of this studio wait already: let them come first.`,
      )
    return count < most
      ? null
      : new Problem(503, 'busy', 'Too much at once', 'Too much is being worked out just now: try again in a moment.')
  }

  return {
    run: (studioId, work) =>
      new Promise((resolve, reject) => {
        const mine = waiting.get(studioId) ?? []
        const full = fullness(mine.length)
        if (full) {
          reject(full)
          return
        }
        mine.push(() => {
          work()
            .then(resolve, reject)
            .finally(() => {
              under--
              next()
            })
        })
        waiting.set(studioId, mine)
        count++
        next()
      }),
  }
}
