/** What a take-off is made of: what is needed, the working a person would write, and where each thing lies. */
import type { Minor } from '../../money/minor.ts'
import type { Makeover } from '../../makeover/document.ts'
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeLength, type UnitSystem } from '../../measure/length.ts'
import { workingLine } from '../../money/working.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Point, Room, RoomAreas } from '../../survey/index.ts'
import type { CutLength } from '../cuts.ts'
import type { Work } from '../preparation.ts'

/** A line of the working; `wallId`: the wall on the drawing that it speaks of. */
export type Line = { readonly label: string; readonly amount: string; readonly how: string; readonly wallId?: string }
export const line = (label: string, amount: string, how = '', wallId?: string): Line => ({
  ...(workingLine(label, amount, how) as Line),
  ...(wallId === undefined ? {} : { wallId }),
})

/** One thing as it will lie: on a wall along it and up from the floor, on the floor in the plan of its room. */
export type Shape = {
  readonly on: string
  readonly kind: 'strip' | 'tile' | 'board' | 'width' | 'frame' | 'length' | 'joint'
  readonly outline: readonly Point[]
  readonly whole: boolean
  readonly text: string
  /** Of a strip of paper: where a repeat of its design begins, at its upper left. */
  readonly design?: Point
  /** Of carpet and sheet: which way its length runs, and its pile with it. */
  readonly along?: 'x' | 'y'
}
/** How what is bought is cut: each roll or length with its pieces; what is left is hatched, what is lost is black. */
export type CutBar = {
  readonly name: string
  readonly lengthMm: number
  readonly pieces: readonly { readonly text: string; readonly fromMm: number; readonly lengthMm: number }[]
}

/** What a product holds and costs, as a candidate says it; null where nobody chose one and what is usual stands. */
export type Product = {
  readonly candidate: Row<'candidate'> | null
  readonly makeUp: Row<'makeUp'> | null
  readonly sizes: readonly Row<'saleSize'>[]
  /** What its line to buy is counted in; null where there is none. */
  readonly counted: string | null
}
export type Pack = {
  /** The row of its size; null for the candidate's own pack. */
  readonly sizeId: string | null
  readonly name: string
  readonly holds: number
  readonly priceMinor: Minor
  readonly count: number
}
export type Buying = {
  readonly packs: readonly Pack[]
  /** What they hold together, in the unit of the need. */
  readonly holds: number
  readonly over: number
  /** As it lands: goods, discount, delivery, tax. */
  readonly cost: Minor
}

/** What one kind of work comes to before anything is bought. */
export type Reckoned = {
  readonly ok: true
  /** What must be had, in the unit; before packs. */
  readonly need: number
  readonly unit: Unit
  /** A short saying of the need: "11.7 litres in two coats". */
  readonly words: string
  readonly lines: readonly Line[]
  readonly shapes: readonly Shape[]
  readonly bars: readonly CutBar[]
  /** Lengths bought for a cutting list: which, and how many; null for what is sold by the pack. */
  readonly lengths: readonly CutLength[] | null
  /** What else it takes, and what is worth a word. */
  readonly beside: readonly Line[]
  readonly says: readonly Saying[]
}
export type Saying = {
  readonly code: 'sliver' | 'cuts' | 'seam' | 'joint' | 'primer' | 'short' | 'phase' | 'closing' | 'heat'
  readonly text: string
  /** Where the tiles would rather begin. */
  readonly shift?: { readonly startMm: number; readonly upMm: number }
}
export type Refused = { readonly ok: false; readonly error: string }
export type Unit = 'l' | 'rolls' | 'sets' | 'tiles' | 'boards' | 'm²' | 'm' | 'lengths' | 'bags' | 'pieces'

export type TakeOff = {
  readonly treatment: Row<'treatment'>
  readonly finish: LaidFinish
  readonly where: string
  readonly m2: number | null
  readonly reckoned: Reckoned | Refused | null
  readonly buying: Buying | null
  readonly works: readonly Work[]
}

/** The figures alone: where each thing lies is reckoned again for what is looked at. */
export const withoutPicture = (taken: TakeOff): TakeOff =>
  taken.reckoned?.ok ? { ...taken, reckoned: { ...taken.reckoned, shapes: [], bars: [] } } : taken

export type At = {
  readonly makeover: Makeover
  readonly room: Room
  readonly areas: RoomAreas
  readonly rules: Rules
  readonly units: UnitSystem
}
export const lengthIn =
  ({ units }: Pick<At, 'units'>) =>
  (mm: number): string =>
    writeLength(Math.round(mm), units)
