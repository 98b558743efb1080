/** The steps of the job, in working order: everything that goes over all of them folds over this list. */
import { step as brief } from '../brief/index.ts'
import { step as calendar } from '../calendar/index.ts'
import { step as palette } from '../palette/index.ts'
import { step as placement } from '../placement/index.ts'
import { step as pieces } from '../pieces/index.ts'
import { step as purchases } from '../purchases/index.ts'
import { step as reveal } from '../reveal/index.ts'
import { step as surfaces } from '../surfaces/index.ts'
import { step as survey } from '../survey/index.ts'

export const steps = [brief, survey, palette, surfaces, pieces, placement, purchases, calendar, reveal] as const

type Steps = (typeof steps)[number]
export type StepName = Steps['name']
type Part = Steps['parts'][number]
/** What the parts come to, by their names; inner parts are not handed on. */
export type Parts = {
  readonly [P in Part as P extends { readonly inner: true } ? never : P['name']]: ReturnType<P['reckon']>
}
