/** How long work of the core takes, told a line each. */
export const say = (text: string): boolean => process.stdout.write(`${text}\n`)
/** The median of so many runs after one that warms up, in ms. */
export function median(work: () => unknown, runs: number): number {
  work()
  const times = Array.from({ length: runs }, () => {
    const startedAt = performance.now()
    work()
    return performance.now() - startedAt
  }).toSorted((left, right) => left - right)
  return times[Math.floor(runs / 2)] ?? Number.NaN
}
