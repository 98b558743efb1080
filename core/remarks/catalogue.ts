import type { RuleId } from '../rulebook/rulebook.ts'
import { remark, type Remark, type Weight } from './remark.ts'

/** What a number of a remark counts; `words`, `date` and `id` are no numbers, and stand among them where a remark rests on one. */
export type Unit =
  | 'mm'
  | 'kg'
  | 'm²'
  | '°'
  | '%'
  | 'ΔE00'
  | 'L*'
  | 'a*'
  | 'b*'
  | 'C*'
  | 'LRV'
  | 'lx'
  | 'mired'
  | 'days'
  | 'minor units'
  | 'count'
  | 'year'
  | 'date'
  | 'words'
  | 'id'

export type Entry = {
  /** When it is said. */
  readonly said: string
  /** What it weighs, where nothing makes it more or less. */
  readonly weight: Weight
  /** The rule it rests on, where it is always the same. */
  readonly rule?: RuleId
  /** What its numbers count, in their order; of the last there may be several. */
  readonly units: readonly Unit[]
}

export type Catalogue = Readonly<Record<string, Entry>>

type Draft<Code extends string> = Pick<Remark, 'subjects' | 'title' | 'sentence'> & {
  readonly code: Code
  readonly numbers: readonly (number | string)[]
  readonly weight?: Weight
  readonly rule?: RuleId | null
  /** The step where it belongs, where that is another. */
  readonly step?: string
}

/**
 * The remarks of one step: what each is, and their writer. A remark's code is the step's name and its name here:
 * `palette.clash`.
 */
export function remarksOf<const C extends Catalogue>(step: string, catalogue: C) {
  type Code = keyof C & string
  const codeOf = (name: Code): string => `${step}.${name}`
  const write = ({ code, weight, rule, step: belongs, ...rest }: Draft<Code>): Remark => {
    const entry: Entry | undefined = catalogue[code]
    return remark({
      ...rest,
      code: codeOf(code),
      weight: weight ?? entry?.weight ?? 'note',
      rule: rule ?? entry?.rule ?? null,
      step: belongs ?? step,
    })
  }
  return { catalogue, codeOf, remark: write }
}
