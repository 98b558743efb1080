/** Every calculator that is asked without a room, in the order they are reached for. */
import type { Calculator } from './calculator.ts'
import { blind, shade } from './made.ts'
import { light, rug } from './room.ts'
import { curtains } from './curtains.ts'
import { frame, makeOrBuy } from './frame.ts'
import { boards, lengths } from './lengths.ts'
import { pinboard, shelf } from './joinery.ts'
import { sewn } from './sewn.ts'
import { paint, paper, tiles } from './surfaces.ts'

export const calculators: readonly Calculator[] = [
  paint,
  paper,
  tiles,
  boards,
  lengths,
  curtains,
  blind,
  sewn,
  rug,
  light,
  shade,
  shelf,
  pinboard,
  frame,
  makeOrBuy,
]
export { answersOf, keepAnswers, madeAgainst, suppliesOf } from './making.ts'
export type { Answer, Ask, Calculator, CutPart, Values } from './calculator.ts'
