/**
 * Undo of one's own changes: the inverse of what a change did, refused with a reason where others built on
 * it. A fact is only ever answered by its opposite.
 */
import { add, anyRows, apply, type Documents, type Operation } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { isKind, spoken } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { agreements } from '../brief/index.ts'
import { guard } from '../reckoning/guards.ts'
import { personal, type DiaryEntry, type DiaryRow } from './entries.ts'
import { fieldWords } from './telling.ts'

export type Done = Pick<DiaryEntry, 'id' | 'sentence' | 'undoes' | 'rows'>
type Change = { readonly sentence: string; readonly operations: readonly Operation[] }
export type Undo =
  | ({ readonly is: 'ready' } & Change)
  | { readonly is: 'refused'; readonly why: string; readonly opposite: Change | null }

/** Which of one's own changes, oldest first, is undone next, and which is done again. */
export function undoStack(own: readonly Pick<Done, 'id' | 'undoes'>[]): {
  readonly undo: string | null
  readonly redo: string | null
} {
  let undo: string[] = []
  let redo: string[] = []
  for (const { id, undoes } of own) {
    if (undoes !== null && undo.includes(undoes)) {
      undo = undo.filter((id) => id !== undoes)
      redo.push(id)
    } else if (undoes !== null && redo.includes(undoes)) {
      redo = redo.filter((id) => id !== undoes)
      undo.push(id)
    } else {
      undo.push(id)
      redo = []
    }
  }
  return { undo: undo.at(-1) ?? null, redo: redo.at(-1) ?? null }
}

/** “Undid …” of a change, “Redid …” of an undone one. */
function sentenceOf(sentence: string): string {
  const whole = sentence.startsWith('Undid “')
    ? sentence.replace('Undid', 'Redid')
    : sentence.startsWith('Redid “')
      ? sentence.replace('Redid', 'Undid')
      : `Undid “${sentence}”`
  const letters = [...whole]
  return letters.length > 500 ? `${letters.slice(0, 498).join('')}…”` : whole
}

/** The inverse of a change as the documents stand now. `newId` gives the ids of rows that its opposite needs. */
export function undoOf(done: Done, documents: Documents, today: PlainDate, newId: () => string): Undo {
  const operations: Operation[] = []
  for (const row of done.rows.toReversed()) {
    const read = inverse(row, documents)
    if ('why' in read) return { is: 'refused', why: read.why, opposite: oppositeOf(done, documents, today, newId) }
    operations.push(read.operation)
  }
  if (operations.length === 0) return { is: 'refused', why: 'it changed nothing', opposite: null }
  const why = refusal(operations, documents, today, newId)
  return why === null
    ? { is: 'ready', sentence: sentenceOf(done.sentence), operations }
    : { is: 'refused', why, opposite: oppositeOf(done, documents, today, newId) }
}

function refusal(
  operations: readonly Operation[],
  documents: Documents,
  today: PlainDate,
  newId: () => string,
): string | null {
  const applied = apply(documents, operations, newId())
  const [first] = applied.faults.length > 0 ? applied.faults : guard(documents, applied.documents, today)
  return first ? `${first.field === null ? '' : `${fieldWords(first.field)}: `}${first.message}` : null
}

function inverse(
  { kind, rowId, operation, before, after }: DiaryRow,
  documents: Documents,
): { operation: Operation } | { why: string } {
  if (!isKind(kind)) return { why: 'it was made by an older version' }
  const anyRow = anyRows(documents)[kind][rowId]
  const called = `the ${spoken[kind]}${typeof anyRow?.name === 'string' ? ` “${anyRow.name}”` : ''}`
  if (operation !== 'remove' && !anyRow) return { why: `${called} was taken away since` }
  const builtOn =
    anyRow && after
      ? Object.entries(after).find(([field, value]) => value !== personal && anyRow[field] !== value)
      : undefined
  if (builtOn)
    return {
      why: `${fieldWords(builtOn[0])} of ${called} was changed again since: undo that first, or change it by hand`,
    }
  if (before !== null && Object.values(before).includes(personal))
    return { why: `what stood in ${called} is personal, and the diary does not keep it: type it anew` }
  if (operation === 'remove')
    return anyRow
      ? { why: `${called} is there again already` }
      : { operation: { op: 'put', kind, id: rowId, base: null, fields: before ?? {} } }
  if (!anyRow) return { why: `${called} was taken away since` }
  return {
    operation:
      before === null
        ? { op: 'remove', kind, id: rowId, base: anyRow.version }
        : { op: 'put', kind, id: rowId, base: anyRow.version, fields: before },
  }
}

/** Money that moved is entered back the other way; a signed sum becomes a draft with the sums before it, to be signed. */
function oppositeOf(
  { rows, sentence }: Done,
  documents: Documents,
  today: PlainDate,
  newId: () => string,
): Change | null {
  const { makeover } = documents
  const reversed = new Set(rowsOf(makeover, 'payment').map((row) => row.reversesId))
  const operations = rows.flatMap(({ kind, rowId, before, after }): Operation[] => {
    if (kind === 'payment') {
      const paid = makeover.rows.payment[rowId]
      if (!paid || paid.reversesId !== null || reversed.has(paid.id)) return []
      const { orderId, amountMinor, tender, creditId } = paid
      return [
        add('payment', newId(), {
          orderId,
          amountMinor,
          tender,
          creditId,
          direction: paid.direction === 'out' ? 'back' : 'out',
          paidOn: today,
          reversesId: paid.id,
          reason: '',
        }),
      ]
    }
    if (kind === 'agreement' && after?.signedOn != null && before?.signedOn == null) {
      const versions = agreements(makeover)
      const at = versions.findIndex((version) => version.row.id === rowId)
      const earlier = versions[at - 1]
      if (!earlier || at !== versions.length - 1) return []
      const id = newId()
      return [
        add('agreement', id, {
          number: versions.length + 1,
          contingencyMinor: earlier.row.contingencyMinor,
          signedById: null,
          signedOn: null,
          reason: `Takes back change ${at}`,
          kept: '',
        }),
        ...[...earlier.amounts].map(([categoryId, amountMinor]) =>
          add('agreementLine', newId(), { agreementId: id, categoryId, amountMinor }),
        ),
      ]
    }
    return []
  })
  if (operations.length === 0 || refusal(operations, documents, today, newId) !== null) return null
  return { sentence: `Entered the opposite of “${[...sentence].slice(0, 400).join('')}”`, operations }
}
