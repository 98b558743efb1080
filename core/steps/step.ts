/** What a step of the job gives to the whole. Everything that goes over all steps folds over the list of them. */
import type { Documents, Fault } from '../makeover/change.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Kind, MakeoverKind } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Working } from '../money/working.ts'
import type { Attention } from '../remarks/attention.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Catalogue } from '../remarks/catalogue.ts'
import type { Remedies, Way } from '../remarks/remedy.ts'
import type { Practice } from '../makeover/practice.ts'

/**
 * What a part of the reckoning reads. It is kept while all of that is the same, so what is not named here must make no
 * difference to it; a test reckons every part with the rest taken away.
 */
export type Reads = {
  /** Kinds of row of which every field is read. */
  readonly rows?: readonly MakeoverKind[]
  /** Kinds of which only the figures are read: numbers, choices, days and references, and no words. */
  readonly figures?: readonly MakeoverKind[]
  /** Rules, by the beginnings of their names. */
  readonly rules?: readonly string[]
  readonly schools?: boolean
  readonly today?: boolean
  /** Other parts, by their names. */
  readonly parts?: readonly string[]
}

export type Given<Parts> = {
  readonly makeover: Makeover
  readonly practice: Practice
  readonly today: PlainDate
  readonly parts: Parts
}

/** A part of the reckoning: pure, and total whatever the rows hold. An inner one serves other parts and is not handed on. */
export type Part<Name extends string, Value, Parts> = {
  readonly name: Name
  readonly reads: Reads
  readonly inner?: boolean
  readonly reckon: (given: Given<Parts>) => Value
}
/** States a part with its types: what it comes to, and the parts it is given. */
export const part = <const Name extends string, Value, Parts = object>(
  stated: Part<Name, Value, Parts>,
): Part<Name, Value, Parts> => stated

/** A part whose types the list of steps does not need to know. */
export type AnyPart = Part<string, unknown, never>

export type Step = {
  /** As in the addresses of its pages. */
  readonly name: string
  readonly title: string
  readonly kinds: readonly Kind[]
  readonly parts: readonly AnyPart[]
  readonly remarks: Part<string, readonly Remark[], never>
  readonly attention?: Part<string, readonly Attention[], never>
  /** What a change may not do, however well formed it is. */
  readonly guards?: (before: Documents, after: Documents, today: PlainDate) => readonly Fault[]
  /** How far it is, 0 to 1. */
  readonly progress: (makeover: Makeover, reckoning: never) => number
  /** What it may say, each with its weight, its rule and what its numbers count. */
  readonly catalogue?: Catalogue
  /** How its remarks are cured, by their names in the catalogue. */
  readonly remedies?: Readonly<Record<string, Remedies>>
  /** Where its remarks are cured that no change set cures alone, by their names in the catalogue. */
  readonly ways?: Readonly<Record<string, Way>>
  /** The figures that show their working, and how. `about` is what the figure is of, where it is of one thing. */
  readonly workings?: Readonly<
    Record<string, (makeover: Makeover, reckoning: never, about: string | null) => Working | null>
  >
}
