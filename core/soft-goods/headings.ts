/** How full a curtain hangs by its heading, as a range of times its track; common practice of the trade. */
import type { Heading } from '../makeover/dressing-choices.ts'

export const fullnessRange: Readonly<Record<Heading | 'sheer', readonly [least: number, most: number]>> = {
  pleated: [2, 2.5],
  eyelet: [1.5, 2],
  gathered: [1.5, 2.5],
  wave: [2, 2.4],
  sheer: [2.5, 3],
}
/** In the middle of what is usual. */
export const fullnessOf = (heading: Heading | 'sheer'): number => {
  const [least, most] = fullnessRange[heading]
  return (least + most) / 2
}
