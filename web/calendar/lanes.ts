/** Where bars and their words go: each hand has as many lanes as it takes for none to lie on another. */
import type { Planned } from '#core/calendar/index.ts'

export type Bar = {
  readonly task: Planned
  readonly x: number
  readonly width: number
  /** Up to where it dries, from the end of the bar. */
  readonly dries: number
  readonly lane: number
  readonly label: { readonly x: number; readonly anchor: 'start' | 'end'; readonly isInside: boolean }
}
export type HandRow = { readonly hand: string; readonly bars: readonly Bar[]; readonly lanes: number }

const letterPx = 6.6
const leastPx = 5
const gapPx = 8

const order = ['client', 'studio', 'painter', 'tiler', 'floor layer', 'carpenter', 'electrician', 'plumber', 'workroom']
const placeOf = (task: Planned): number => {
  const at = order.indexOf(task.trade)
  return task.trade === 'seller' ? order.length + 1 : at < 0 ? order.length : at
}

/** `at`: where a moment lies, in pixels; `endPx`: the right edge, beyond which words turn to the left of their bar. */
export function handRows(
  tasks: readonly Planned[],
  at: (minute: number) => number,
  endPx: number,
  isOneRoom = false,
  rowOf: (task: Planned) => string = ({ hand }) => hand,
): HandRow[] {
  const hands = new Map<string, Planned[]>()
  for (const task of tasks.toSorted((left, right) => placeOf(left) - placeOf(right) || left.start - right.start))
    if (task.is !== 'order') hands.set(rowOf(task), [...(hands.get(rowOf(task)) ?? []), task])
  return [...hands].map(([hand, mine]) => {
    const ends: number[] = []
    const bars = mine.map((task): Bar => {
      const x = at(task.start)
      const width = Math.max(leastPx, at(task.finish) - x)
      const dries = task.driesUntil === null || task.is !== 'work' ? 0 : Math.max(0, at(task.driesUntil) - x - width)
      const words = shortName(task, isOneRoom).length * letterPx
      const isInside = task.is !== 'lead' && words + 10 < width
      const turns = !isInside && x + width + dries + 6 + words > endPx
      const label = isInside
        ? { x: x + 5, anchor: 'start' as const, isInside }
        : turns
          ? { x: x - 6, anchor: 'end' as const, isInside }
          : { x: x + width + dries + 6, anchor: 'start' as const, isInside }
      const left = turns ? x - 6 - words : x
      const right = isInside || turns ? x + width + dries : x + width + dries + 6 + words
      const free = ends.findIndex((end) => end + gapPx <= left)
      const lane = free < 0 ? ends.length : free
      ends[lane] = right
      return { task, x, width, dries, lane, label }
    })
    return { hand, bars, lanes: Math.max(1, ends.length) }
  })
}
/** Without the room where it says one, and not too long: the tag has it whole. */
export function shortName({ name, key, roomId }: Pick<Planned, 'name' | 'key' | 'roomId'>, isOneRoom = false): string {
  const short = isOneRoom && roomId !== null && key.endsWith(roomId) ? name.replace(/, [^,]+$/, '') : name
  return short.length > 34 ? `${short.slice(0, 33).trimEnd()}…` : short
}
