/** The diary of changes, told: for each row what it is, and each field before and after as a person reads it. */
import { hexFromLab } from '../colour/lab.ts'
import { anyRows, type Documents } from '../makeover/change.ts'
import { aSpoken, isKind, references, spoken, type Kind } from '../makeover/kinds.ts'
import { headOf } from '../makeover/document.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { isPlainDate, writeDate } from '../measure/plain-date.ts'
import { isMinor } from '../money/minor.ts'
import { writeMoney, writeRate } from '../money/written.ts'
import { personal, type DiaryRow } from './entries.ts'
import { questions, schoolOf, type QuestionId } from '../rulebook/schools.ts'

export type FieldTold = { readonly field: string; readonly before: string; readonly after: string }
export type RowTold = {
  readonly kind: string
  readonly rowId: string
  readonly what: string
  readonly name: string
  readonly did: 'new' | 'changed' | 'taken away'
  readonly fields: readonly FieldTold[]
}

/** Fields that tell nothing to a reader: they are shown by others, or are long. */
const quiet = new Set(['kept', 'fingerprint', 'remarkKey', 'sha256', 'labA', 'labB', 'place'])

const named: Readonly<Record<string, string>> = {
  labL: 'colour',
  visibleM2: 'visible area, m²',
  chosenId: 'chosen',
  packs: 'packs',
  returnDays: 'days to return',
  adjustDays: 'days it pays price drops',
  leadDays: 'lead time, days',
  turnedDown: 'turned down',
  kept: 'brief',
}
/** "price", "ordered on", "tax": a field as one says it. */
export function fieldWords(field: string): string {
  const known = named[field]
  if (known) return known
  return field
    .replace(/(Minor|Ppm|Id|Mm|M2)$/, '')
    .replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`)
}

/** A diary row told with the documents as they are now: a thing that is gone is told by what the diary keeps of it. */
export function tellRow(
  row: DiaryRow,
  documents: Documents,
  currency: string,
  names: ReadonlyMap<string, string>,
): RowTold {
  const kind = isKind(row.kind) ? row.kind : null
  const value = (field: string, raw: unknown, all: Readonly<Record<string, unknown>> | null): string =>
    kind
      ? writeValue(kind, field, raw, all, { currency, units: headOf(documents.makeover)?.units ?? 'metric', names })
      : String(raw)
  const fields = [...new Set([...Object.keys(row.before ?? {}), ...Object.keys(row.after ?? {})])].filter(
    (field) => !quiet.has(field),
  )
  const told = fields.map((field) => ({
    field: fieldWords(field),
    before: row.before ? value(field, row.before[field], row.before) : '',
    after: row.after ? value(field, row.after[field], row.after) : '',
  }))
  const did = row.operation === 'remove' ? 'taken away' : row.before === null ? 'new' : 'changed'
  // of a new row the fields that say nothing are left out
  const said =
    did === 'new' ? told.filter((entry) => entry.after !== '' && entry.after !== '–' && entry.after !== 'no') : told
  return {
    kind: row.kind,
    rowId: row.rowId,
    what: kind ? spoken[kind] : row.kind,
    name: nameOf(row, documents, names),
    did,
    fields: said,
  }
}

function nameOf(row: DiaryRow, documents: Documents, names: ReadonlyMap<string, string>): string {
  const thisRow = isKind(row.kind) ? anyRows(documents)[row.kind][row.rowId] : undefined
  for (const origin of [thisRow, row.after, row.before]) {
    if (!origin) continue
    for (const field of ['name', 'ask', 'reason', 'question', 'rule'])
      if (typeof origin[field] === 'string' && origin[field] !== '' && origin[field] !== personal) return origin[field]
    for (const field of ['pieceId', 'candidateId', 'purchaseId', 'finishId', 'categoryId', 'orderId']) {
      const to = origin[field]
      if (typeof to === 'string') return names.get(to) ?? ''
    }
  }
  return ''
}

function writeValue(
  kind: Kind,
  field: string,
  raw: unknown,
  all: Readonly<Record<string, unknown>> | null,
  { currency, units, names }: { currency: string; units: UnitSystem; names: ReadonlyMap<string, string> },
): string {
  if (raw === null || raw === undefined) return '–'
  if (field === 'labL' && all && typeof raw === 'number') {
    const [a, b] = [all.labA, all.labB]
    return typeof a === 'number' && typeof b === 'number' ? hexFromLab({ L: raw, a, b }) : `L* ${raw.toFixed(1)}`
  }
  if (field.endsWith('Minor') && isMinor(raw)) return writeMoney(raw, currency)
  if (field.endsWith('Ppm') && typeof raw === 'number') return writeRate(raw)
  if (field.endsWith('Mm') && typeof raw === 'number') return writeLength(raw, units)
  if (typeof raw === 'boolean') return raw ? 'yes' : 'no'
  if (isPlainDate(raw)) return writeDate(raw)
  if (field === 'school' && all && typeof raw === 'string')
    return typeof all.question === 'string' ? schoolOf(all.question as QuestionId, raw).name : raw
  if (field === 'question')
    return typeof raw === 'string' ? (questions.find((question) => question.id === raw)?.asks ?? raw) : ''
  const target = (references[kind] as Readonly<Record<string, Kind>> | undefined)?.[field]
  if (target && typeof raw === 'string') return names.get(raw) ?? aSpoken(target)
  return typeof raw === 'string'
    ? raw
    : typeof raw === 'number'
      ? String(Math.round(raw * 1000) / 1000)
      : JSON.stringify(raw)
}

/** What every row is called, so that a reference reads as a name. */
export function namesIn(documents: Documents): Map<string, string> {
  const names = new Map<string, string>()
  const rows = anyRows(documents)
  for (const thisRow of Object.values(rows))
    for (const row of Object.values(thisRow)) if (typeof row.name === 'string') names.set(row.id, row.name)
  const through = (kind: Kind, field: string): void => {
    for (const row of Object.values(rows[kind])) {
      const to = row[field]
      const name = typeof to === 'string' ? names.get(to) : undefined
      if (name && !names.has(row.id)) names.set(row.id, name)
    }
  }
  through('purchase', 'pieceId')
  for (const row of Object.values(rows.order)) {
    const lines = Object.values(rows.purchase).filter((line) => line.orderId === row.id)
    names.set(row.id, lines.map((line) => names.get(line.id) ?? '').join(', '))
  }
  for (const row of Object.values(rows.agreement))
    names.set(row.id, row.number === 1 ? 'the agreed budget' : `change ${Number(row.number) - 1}`)
  for (const row of Object.values(rows.credit))
    names.set(row.id, [row.kind, row.number].filter((word) => typeof word === 'string' && word !== '').join(' '))
  return names
}
