import type { Pattern, Scale } from '#core/makeover/choices.ts'
import { type Print } from '#core/texture/index.ts'

/** How a patterned finish is drawn: its pattern, how large, and the palette colours that it carries. */
export type Printed = {
  readonly pattern: Pattern
  readonly scale: Scale
  readonly repeatMm: number
  readonly parts: Print['parts']
}
