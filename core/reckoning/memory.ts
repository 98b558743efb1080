/** What a reckoning leaves behind for the next: each part with what it rested on. */
import { kept, sameGrounds } from '../makeover/kept.ts'
import { groupBy, type Makeover } from '../makeover/document.ts'
import { words, type MakeoverKind } from '../makeover/kinds.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Reads } from '../steps/step.ts'

type Rows = Readonly<Record<string, object>>
type Seen = { readonly rows: Rows; readonly figures: object }

/** Grows with each reckoning, and may be copied before one that is only tried. */
export class Memory {
  /** The rows of each kind as they were last seen, and the object that stands for their figures. */
  private readonly kinds: Map<MakeoverKind, Seen>
  private readonly rules: Map<string, readonly number[]>
  private readonly parts: Map<string, { readonly grounds: readonly unknown[]; readonly value: unknown }>
  private practice: Practice | null

  constructor(before?: Memory) {
    this.kinds = new Map(before?.kinds)
    this.rules = new Map(before?.rules)
    this.parts = new Map(before?.parts)
    this.practice = before?.practice ?? null
  }

  /** The practice found before, where this one says nothing else. */
  samePractice(practice: Practice): Practice {
    const before = this.practice
    const same =
      before !== null &&
      sameGrounds(Object.values(before.rules), Object.values(practice.rules)) &&
      sameGrounds(Object.values(before.schools), Object.values(practice.schools)) &&
      sameGrounds(before.chosen, practice.chosen)
    return same ? before : (this.practice = practice)
  }

  /** What was found under a name, while it rests on the same grounds; else what `make` finds now. */
  keep<Value>(name: string, grounds: readonly unknown[], make: () => Value): Value {
    const found = this.parts.get(name)
    if (found && sameGrounds(found.grounds, grounds)) return found.value as Value
    const value = make()
    this.parts.set(name, { grounds, value })
    return value
  }

  /** The objects that a part rests on, but for other parts. */
  groundsOf(reads: Reads, makeover: Makeover, practice: Practice, today: string): unknown[] {
    return [
      makeover.id,
      ...(reads.rows ?? []).map((kind) => makeover.rows[kind]),
      ...(reads.figures ?? []).map((kind) => this.figuresOf(kind, makeover)),
      ...(reads.rules ?? []).map((prefix) => this.rulesFrom(prefix, practice)),
      ...(reads.schools ? [practice.schools, practice.chosen] : []),
      ...(reads.today ? [today] : []),
    ]
  }

  private figuresOf(kind: MakeoverKind, makeover: Makeover): object {
    const rows: Rows = makeover.rows[kind]
    const seen = this.kinds.get(kind)
    if (seen?.rows === rows) return seen.figures
    const figures = seen && sameFigures(kind, seen.rows, rows) ? seen.figures : rows
    this.kinds.set(kind, { rows, figures })
    return figures
  }

  private rulesFrom(prefix: string, practice: Practice): readonly number[] {
    const values = valuesFrom(practice.rules, prefix)
    const before = this.rules.get(prefix)
    if (before && sameGrounds(before, values)) return before
    this.rules.set(prefix, values)
    return values
  }
}

/** The values of rules by the beginning of their names: “survey.”. */
const valuesBy = kept(
  (rules: Practice['rules']) => [rules],
  (rules) => groupBy(Object.entries(rules), ([id]) => id.slice(0, id.indexOf('.') + 1)),
)
const valuesFrom = (rules: Practice['rules'], prefix: string): readonly number[] =>
  (valuesBy(rules).get(prefix) ?? []).map(([, value]) => value)

/** Do two states of a kind differ in words alone? Rows that nobody touched are the same objects. */
function sameFigures(kind: MakeoverKind, before: Rows, after: Rows): boolean {
  const ids = Object.keys(after)
  if (ids.length !== Object.keys(before).length) return false
  return ids.every((id) => {
    const [was, is] = [before[id], after[id]]
    if (was === is) return true
    if (!was || !is) return false
    return Object.entries(is).every(
      ([field, value]) =>
        field === 'version' || words[kind].has(field) || (was as Record<string, unknown>)[field] === value,
    )
  })
}
