/**
 * The product's one computation: what a makeover comes to. Pure, deterministic and total: bad data gives a remark. It
 * folds over the steps: each gives its parts, its remarks and what of it needs a hand.
 */
import { rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import { makeoverKinds } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { byUrgency, type Attention } from '../remarks/attention.ts'
import { settle, type Remark } from '../remarks/remark.ts'
import { practiceOf, type Practice } from '../makeover/practice.ts'
import { steps as allSteps, type Parts } from '../steps/index.ts'
import type { AnyPart, Given, Step } from '../steps/step.ts'
import { brokenRows } from './damage.ts'
import { Memory } from './memory.ts'

export type Reckoning = Parts & {
  readonly today: PlainDate
  /** Whose practice it was reckoned by. */
  readonly practice: Practice
  readonly remarks: readonly Remark[]
  readonly attention: readonly Attention[]
}

const wholeOf: AnyPart = {
  name: 'broken references',
  reads: { figures: makeoverKinds },
  reckon: ({ makeover }) => brokenRows(makeover),
}

/**
 * Areas, money, dates, coverage and remarks of a makeover by its own practice, as of a day in the studio's time zone.
 * With a memory, what rests on the same as the last time is not reckoned again.
 */
export function reckon(
  { makeover, studio }: { readonly makeover: Makeover; readonly studio: Studio },
  today: PlainDate,
  memory = new Memory(),
  steps: readonly Step[] = allSteps,
): Reckoning {
  const practice = memory.samePractice(practiceOf({ makeover, studio }))
  const stated = new Map(steps.flatMap((step) => step.parts.map((part) => [part.name, part] as const)))
  const found = new Map<string, unknown>()
  const valueOf = (part: AnyPart): unknown => {
    const others = (part.reads.parts ?? []).map((name) => [name, partNamed(name)] as const)
    const grounds = memory.groundsOf(part.reads, makeover, practice, today)
    return memory.keep(part.name, [...grounds, ...others.map(([, value]) => value)], () =>
      part.reckon({ makeover, practice, today, parts: Object.fromEntries(others) } as Given<never>),
    )
  }
  const partNamed = (name: string): unknown => {
    const part = stated.get(name)
    if (!part) throw new Error(`no step has a part named ${name}`)
    if (!found.has(name)) found.set(name, valueOf(part))
    return found.get(name)
  }
  const handed = [...stated.values()].filter((part) => part.inner !== true).map(({ name }) => [name, partNamed(name)])
  const remarks = [wholeOf, ...steps.map((step) => step.remarks)].map(valueOf) as (readonly Remark[])[]
  const lines = steps.flatMap((step) => (step.attention ? [valueOf(step.attention) as readonly Attention[]] : []))
  return {
    ...(Object.fromEntries(handed) as Parts),
    today,
    practice,
    remarks: memory.keep('remarks', [makeover.rows.acceptance, ...remarks], () =>
      settle(remarks.flat(), rowsOf(makeover, 'acceptance')),
    ),
    attention: memory.keep('attention', [today, ...lines], () => byUrgency(lines.flat(), today)),
  }
}
