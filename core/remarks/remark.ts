import type { MakeoverKind } from '../makeover/kinds.ts'
import type { RuleId } from '../rulebook/rulebook.ts'

/** stop: cannot be done, unsafe, or breaks the agreement. look: a good practitioner would raise it. note: worth knowing. */
export const weights = ['stop', 'look', 'note'] as const
export type Weight = (typeof weights)[number]

export type Subject = { readonly kind: MakeoverKind; readonly id: string }

export type Remark = {
  /** Code and subjects: the same remark on the same thing keeps its key. */
  readonly key: string
  readonly code: string
  readonly weight: Weight
  /** The step it belongs to. */
  readonly step: string
  readonly subjects: readonly Subject[]
  readonly title: string
  /** What is wrong, where, by how much, why it matters, what to do. */
  readonly sentence: string
  readonly rule: RuleId | null
  /** The numbers it rests on: an acceptance holds for these and no others. */
  readonly fingerprint: string
  readonly accepted: { readonly id: string; readonly reason: string; readonly on: string } | null
}

/** A remark before anyone has settled it. `numbers` are what an acceptance holds for. */
export function remark(
  draft: Omit<Remark, 'key' | 'fingerprint' | 'accepted'> & { readonly numbers: readonly (number | string)[] },
): Remark {
  const { numbers, ...rest } = draft
  const key = [draft.code, ...draft.subjects.map(({ id }) => id)].join(' ')
  const fingerprint = numbers
    .map((number) => (typeof number === 'number' ? String(Math.round(number * 10) / 10) : number))
    .join(' | ')
  return { ...rest, key, fingerprint, accepted: null }
}

export type Acceptance = {
  readonly id: string
  readonly remarkKey: string
  readonly fingerprint: string
  readonly reason: string
  readonly acceptedOn: string
}

/**
 * Remarks with what was accepted laid over them: an acceptance counts while the numbers are those it was given for.
 * A stop is cured, never accepted. Stops come first, then looks, then notes; what was accepted comes last.
 */
export function settle(remarks: readonly Remark[], acceptances: readonly Acceptance[]): Remark[] {
  const held = new Map(
    acceptances.map((acceptance) => [`${acceptance.remarkKey} ${acceptance.fingerprint}`, acceptance]),
  )
  return remarks
    .map((remark) => {
      const by = remark.weight === 'stop' ? undefined : held.get(`${remark.key} ${remark.fingerprint}`)
      return by ? { ...remark, accepted: { id: by.id, reason: by.reason, on: by.acceptedOn } } : remark
    })
    .toSorted(
      (left, right) =>
        Number(left.accepted !== null) - Number(right.accepted !== null) ||
        weights.indexOf(left.weight) - weights.indexOf(right.weight),
    )
}
