/** What the checks of a school share: what they are given, and how they say whose they are. */
import { type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import { type Remark } from '../../remarks/remark.ts'
import type { Practice } from '../../makeover/practice.ts'
import { schoolOf } from '../../rulebook/schools.ts'
import type { Palette } from '../finishes.ts'

export type Checks = (makeover: Makeover, palette: Palette, practice: Practice) => Remark[]

export const whole = (makeover: Makeover) => [{ kind: 'makeover' as const, id: makeover.id }]

export const subjectOf = (row: Row<'finish'>) => ({ kind: 'finish' as const, id: row.id })

export const saidBy = ({ schools }: Practice): string => `By the school “${schoolOf('colours', schools.colours).name}”`

export const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase())

export const percent = (share: number): string => `${Math.round(100 * share)} %`

export const soft = new Set(['textile', 'plush', 'leather'])
