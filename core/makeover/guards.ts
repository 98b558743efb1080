/** What holds for every document, whatever step a row is of: one head, what may be there once, files that hang on one thing. */
import { anyRows, fault, type Documents, type Fault } from './change.ts'
import { headOf, rowsOf, studioRows } from './document.ts'
import { kindNames, onceIn, referencesOf } from './kinds.ts'

/** What holds for the rows of a studio alone, whatever makeovers it has. */
export const studioGuards = (after: Documents): Fault[] => [...twice(after), ...lent(after)]

/** What is lent has a day and a place, and what is not has neither. */
const lent = ({ studio }: Documents): Fault[] =>
  studioRows(studio, 'stock').flatMap(({ id, lentTo, lentOn, backOn }) => {
    if ((lentTo === '') !== (lentOn === null))
      return [
        fault(
          'lent',
          'stock',
          id,
          lentTo === '' ? 'lentTo' : 'lentOn',
          'expected where it is and since when, or neither',
        ),
      ]
    return lentOn !== null && backOn !== null && backOn < lentOn
      ? [fault('lent', 'stock', id, 'backOn', 'lies before it was lent')]
      : []
  })

export const sharedGuards = (before: Documents, after: Documents): Fault[] => [
  ...headGuards(before, after),
  ...studioGuards(after),
  ...hanging(after),
]

function headGuards(before: Documents, after: Documents): Fault[] {
  const faults: Fault[] = []
  const heads = rowsOf(after.makeover, 'makeover')
  const head = headOf(after.makeover)
  if (!head || heads.length !== 1)
    return [fault('head', 'makeover', after.makeover.id, null, 'a makeover has exactly one row that says what it is')]
  const was = headOf(before.makeover)
  const hasMoney = (['agreementLine', 'piece', 'candidate', 'purchase'] as const).some(
    (kind) => rowsOf(before.makeover, kind).length > 0,
  )
  if (was && was.currency !== head.currency && hasMoney)
    faults.push(
      fault(
        'currency',
        'makeover',
        head.id,
        'currency',
        `sums are already kept in ${was.currency}: the currency is fixed`,
      ),
    )
  if (rowsOf(after.makeover, 'room').length === 0)
    faults.push(fault('room', 'room', null, 'name', 'a makeover has at least one room'))
  if (rowsOf(after.makeover, 'client').length === 0)
    faults.push(fault('client', 'client', null, 'name', 'a makeover has at least one client'))
  const studios = Object.keys(after.studio.rows.studio)
  if (studios.length !== 1 || studios[0] !== after.studio.id)
    faults.push(fault('head', 'studio', after.studio.id, null, 'a studio has exactly one row that says what it is'))
  return faults
}

/** Rows that share what only one may have. */
function twice(documents: Documents): Fault[] {
  const rows = anyRows(documents)
  return kindNames.flatMap((kind) => {
    const fields = onceIn[kind]
    if (fields.length === 0) return []
    const seen = new Set<string>()
    return Object.values(rows[kind])
      .toSorted((left, right) => (left.id < right.id ? -1 : 1))
      .flatMap((row) => {
        // as in SQL, nothing is never the same as nothing
        if (fields.some((field) => row[field] === null)) return []
        const key = fields.map((field) => String(row[field])).join(' ')
        if (seen.has(key))
          return [fault('twice', kind, row.id, null, 'is there twice: somebody else entered it at the same moment')]
        seen.add(key)
        return []
      })
  })
}

/** What a file may hang on. */
const hangsOn = referencesOf('attachment').map(({ field }) => field)

function hanging({ makeover }: Documents): Fault[] {
  const faults: Fault[] = []
  for (const row of rowsOf(makeover, 'attachment'))
    if (hangsOn.filter((field) => row[field as 'orderId'] !== null).length !== 1)
      faults.push(fault('attachment', 'attachment', row.id, null, 'hangs on exactly one thing'))
  return faults
}

/** An answer has its day, and a day its answer. */
export const answerGuards = (
  kind: 'question' | 'permission',
  rows: readonly { readonly id: string; readonly answer: string; readonly answeredOn: string | null }[],
): Fault[] =>
  rows
    .filter((row) => (row.answer === 'waiting') !== (row.answeredOn === null))
    .map((row) =>
      fault(
        'answer',
        kind,
        row.id,
        'answeredOn',
        row.answer === 'waiting' ? 'is there without an answer' : 'is missing: expected the day of the answer',
      ),
    )
