/** A take-off as the working that a figure shows. */
import { workingLine, type Working } from '../../money/working.ts'
import type { TakeOff } from './told.ts'

export function takeOffWorking({ finish, where, reckoned }: TakeOff): Working | null {
  if (!reckoned?.ok) return null
  return {
    title: `What ${finish.name} takes`,
    means: `On ${where}.`,
    lines: [...reckoned.lines, ...reckoned.beside].map(({ label, amount, how }) => workingLine(label, amount, how)),
    result: workingLine('To have', reckoned.words),
  }
}
