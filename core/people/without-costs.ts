/**
 * A makeover as it is shown to whoever sees no costs: rows that are nothing but money are left out with what rests on them, and in all
 * others the fields that say what something costs, or what the studio keeps of it, say nothing.
 */
import { fieldsOf, kindNames, references, type Kind } from '../makeover/kinds.ts'
import type { Documents } from '../makeover/change.ts'
import type { Remark } from '../remarks/remark.ts'

/** Rows that are nothing but money, or terms of trade. */
const moneyAlone: ReadonlySet<Kind> = new Set<Kind>([
  'agreementLine',
  'claim',
  'coupon',
  'credit',
  'fee',
  'payment',
  'price',
  'receipt',
  'sellerEntry',
  'stage',
  'stint',
])

/** Texts that hold sums among other things: the budget as it was signed. */
const holdsSums: Readonly<Partial<Record<Kind, readonly string[]>>> = { agreement: ['kept'] }

/** Fields by which a file hangs on what was bought: it is a bill or a slip. */
const billOf = ['orderId', 'deliveryId'] as const

/** The fields of each kind that are not shown, with what stands in their place. */
const hidden: Readonly<Record<string, readonly (readonly [field: string, instead: unknown])[]>> = Object.fromEntries(
  kindNames.map((kind) => [
    kind,
    [
      ...fieldsOf(kind).flatMap(([field, meta]) =>
        meta.cost === true ? [[field, meta.nullable ? null : 0] as const] : [],
      ),
      ...(holdsSums[kind] ?? []).map((field) => [field, ''] as const),
      // what is left out is pointed at by nothing
      ...Object.entries(references[kind]).flatMap(([field, to]) =>
        moneyAlone.has(to) ? [[field, null] as const] : [],
      ),
    ],
  ]),
)

/** Steps whose remarks rest on no cost: those of others would be wrong where costs are not shown. */
const stepsWithoutCosts: ReadonlySet<string> = new Set(['survey', 'palette', 'surfaces', 'placement'])

type AnyRow = Readonly<Record<string, unknown>>
type AnyRows = Readonly<Record<string, Readonly<Record<string, AnyRow>>>>

/** A bill is not shown, nor what was accepted of a remark that rests on sums. */
function isShown(kind: string, row: AnyRow): boolean {
  if (kind === 'attachment') return billOf.every((field) => row[field] === null)
  return kind !== 'acceptance' || (typeof row.remarkKey === 'string' && stepsWithoutCosts.has(stepIn(row.remarkKey)))
}
const stepIn = (code: string): string => code.split('.')[0] ?? ''

function withoutIn(rows: AnyRows): AnyRows {
  return Object.fromEntries(
    Object.entries(rows).map(([kind, byId]) => {
      if (moneyAlone.has(kind as Kind)) return [kind, {}]
      const not = Object.fromEntries(hidden[kind] ?? [])
      const shown = Object.entries(byId).filter(([, row]) => isShown(kind, row))
      return [kind, Object.fromEntries(shown.map(([id, row]) => [id, { ...row, ...not }]))]
    }),
  )
}

export const withoutCosts = ({ makeover, studio }: Documents): Documents => ({
  makeover: { ...makeover, rows: withoutIn(makeover.rows) as unknown as typeof makeover.rows },
  studio: { ...studio, rows: withoutIn(studio.rows) as unknown as typeof studio.rows },
})

/** Remarks of those steps that rest on a cost all the same: a line that was written out is held against what it cost then. */
const restsOnCosts: ReadonlySet<string> = new Set(['surfaces.outdated', 'surfaces.short'])

/** What is remarked, without what rests on costs. */
export const remarksWithoutCosts = (remarks: readonly Remark[]): Remark[] =>
  remarks.filter(({ step, code }) => stepsWithoutCosts.has(step) && !restsOnCosts.has(code))
