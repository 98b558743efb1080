/** Where a work belongs on its wall: the line of the eyes, the gap over furniture, the room below the ceiling. Lengths in mm. */
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Room } from '../../survey/index.ts'
import { ceilingOver, type Before } from './before.ts'
import type { Hung } from './works.ts'

export type Belongs = {
  readonly centre: number
  /** What decides: the line, a thing it hangs over, or the ceiling. */
  readonly by: 'line' | 'over' | 'ceiling'
  readonly over: Before | null
}

/** Is it over the thing: most of the narrower of the two, and none of it below its top? */
const isOver = ({ left, right, low }: Pick<Hung, 'left' | 'right' | 'low'>, thing: Before): boolean => {
  const shared = Math.min(right, thing.right) - Math.max(left, thing.left)
  return shared >= 0.5 * Math.min(right - left, thing.right - thing.left) && low > thing.top - 300
}
/** The thing a work hangs over: of several the highest. A lamp is no furniture: what hangs behind it keeps to its line. */
export const overWhat = (work: Pick<Hung, 'left' | 'right' | 'low'>, before: readonly Before[]): Before | null =>
  before
    .filter((thing) => thing.body.thing?.kind !== 'light' && isOver(work, thing))
    .toSorted((left, right) => right.top - left.top)[0] ?? null

/** The gap rules over what has a back or is high; over a bench the line of the eyes does. */
export function rulesTheGap({ body, top }: Before, rules: Rules): boolean {
  const { thing } = body
  const hasBack = (thing?.kind === 'seat' || thing?.kind === 'bed') && thing.heightMm - thing.topMm > backMm
  return hasBack || top > rules['hang.low']
}
/** From so much above its seat a thing has a back. */
const backMm = 150

export function belongsAt(room: Room, work: Hung, before: readonly Before[], lineMm: number, rules: Rules): Belongs {
  const high = work.thing.heightMm
  const over = overWhat(work, before)
  const ceiling = ceilingOver(room, work.wall, work.left, work.right)
  const most = ceiling === null ? Infinity : ceiling - rules['hang.ceiling'] - high / 2
  if (over && rulesTheGap(over, rules)) {
    const gap = (rules['hang.gap-least'] + rules['hang.gap-most']) / 2
    return { centre: over.top + gap + high / 2, by: 'over', over }
  }
  return lineMm > most ? { centre: most, by: 'ceiling', over } : { centre: lineMm, by: 'line', over }
}

/** The line the household's works hang on: the mean of their eyes, else the middle of what is usual. */
export const hangingLine = (eyesMm: number | null, rules: Rules): number => eyesMm ?? rules['hang.line']
