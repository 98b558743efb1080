import { v7 as uuidv7 } from 'uuid'
import { add, apply, edit, type Documents, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { keepBrief, writeKept, type Agreement } from '#core/brief/index.ts'
import type { Minor } from '#core/money/minor.ts'
import type { Makeover } from '#core/makeover/document.ts'
import { request } from '../api.ts'
import type { Opened } from '../stores/makeover/view.ts'

/** One line of a budget as it is typed: a category that exists, or one to be made, and its sum. */
export type Sum = { readonly category: Row<'category'> | null; readonly name: string; readonly amount: Minor }
export type Signature = { readonly signedById: string; readonly signedOn: PlainDate }

/** The operations that write a version of the agreed budget: over the draft, or as a new version after the last. */
export function writeBudget(
  sums: readonly Sum[],
  contingency: Minor,
  reason: string,
  signature: Signature | null,
  versions: readonly Agreement[],
  lines: readonly Row<'agreementLine'>[],
): Operation[] {
  const last = versions.at(-1)
  const draft = last && last.row.signedOn === null ? last.row : null
  const agreementId = draft?.id ?? uuidv7()
  const fields = {
    contingencyMinor: contingency,
    reason,
    signedById: signature?.signedById ?? null,
    signedOn: signature?.signedOn ?? null,
    kept: '',
  }
  const operations: Operation[] = [
    draft
      ? edit('agreement', draft, fields)
      : add('agreement', agreementId, { ...fields, number: (last?.row.number ?? 0) + 1 }),
  ]
  const drafted = draft ? lines.filter((line) => line.agreementId === draft.id) : []
  for (const [place, { category, name, amount }] of sums.entries()) {
    const categoryId = category?.id ?? uuidv7()
    if (!category) operations.push(add('category', categoryId, { name, place }))
    else if (category.name !== name) operations.push(edit('category', category, { name }))
    const line = drafted.find((agreementLine) => agreementLine.categoryId === categoryId)
    if (line && line.amountMinor !== amount) operations.push(edit('agreementLine', line, { amountMinor: amount }))
    if (!line) operations.push(add('agreementLine', uuidv7(), { agreementId, categoryId, amountMinor: amount }))
  }
  return operations
}

/** The same operations with the brief kept in the version that they sign, as it will stand when they are made. */
export function keepSigned(documents: Documents, operations: readonly Operation[]): Operation[] {
  const after = apply(documents, operations, uuidv7()).documents
  return operations.map((operation) => {
    if (operation.op !== 'put' || operation.kind !== 'agreement' || operation.fields.signedOn == null) return operation
    const brief = keepBrief(after, operation.id)
    return { ...operation, fields: { ...operation.fields, kept: brief ? writeKept(brief) : '' } }
  })
}

/** Earlier makeovers of the studio, the latest few, to see how their budgets were split. */
export async function earlierJobs(): Promise<Makeover[]> {
  const { makeovers } = await request<{ makeovers: { id: string }[] }>('GET', '/day')
  const latest = makeovers
    .map(({ id }) => id)
    .sort()
    .slice(-6)
  const opened = await Promise.all(latest.map((id) => request<Opened>('GET', `/makeovers/${id}`)))
  return opened.map(({ makeover }) => makeover)
}
