import { briefGuards, keepBrief, writeKept } from '../brief/index.ts'
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import type { Kind } from '../makeover/kinds.ts'
import { headOf, rowsOf, studioRows } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { surveyGuards } from '../survey/index.ts'
import { costsNothing, purchaseGuards } from '../purchases/index.ts'

/**
 * The rules that need the whole document: what a change may not do however well formed it is. The door holds them
 * inside its transaction; the browser asks them first, so that what would be refused is said before it is sent.
 */
export function guard(before: Documents, after: Documents, today: PlainDate): Fault[] {
  return [
    ...headGuards(before, after),
    ...keptGuards(before, after),
    ...pieceGuards(after),
    ...surveyGuards(after.makeover),
    ...briefGuards(before.makeover, after.makeover, today),
    ...purchaseGuards(before.makeover, after.makeover, today),
  ]
}

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

/** What is signed keeps the brief as it stands at that moment, and nothing else. */
function keptGuards(before: Documents, after: Documents): Fault[] {
  return rowsOf(after.makeover, 'agreement').flatMap((row) => {
    if (before.makeover.rows.agreement[row.id]?.signedOn != null || row.kept === '') return []
    if (row.signedOn === null)
      return [
        fault('kept', 'agreement', row.id, 'kept', 'a draft keeps no brief: expected it empty until it is signed'),
      ]
    const brief = keepBrief(after, row.id)
    return brief && writeKept(brief) === row.kept
      ? []
      : [
          fault(
            'kept',
            'agreement',
            row.id,
            null,
            'the brief changed while it was being signed: look at it again, then have it signed',
          ),
        ]
  })
}

/** What costs money lies in a category; a thing stands in one place, and a question is answered by somebody on some day. */
function pieceGuards({ makeover, studio }: Documents): Fault[] {
  const faults: Fault[] = []
  const ordered = new Set(rowsOf(makeover, 'purchase').map((row) => row.pieceId))
  for (const piece of rowsOf(makeover, 'piece')) {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (
      piece.categoryId === null &&
      (piece.allowanceMinor > 0 || ordered.has(piece.id) || (chosen && !costsNothing(chosen, piece.quantity)))
    )
      faults.push(
        fault(
          'category',
          'piece',
          piece.id,
          'categoryId',
          'is missing: what costs money lies in a category of the budget',
        ),
      )
    if (chosen && chosen.turnedDown !== null)
      faults.push(fault('chosen', 'candidate', chosen.id, 'turnedDown', 'it is the chosen one: choose another first'))
  }
  for (const choice of rowsOf(makeover, 'scopeChoice'))
    if (rowsOf(makeover, 'scopeOption').filter((row) => row.choiceId === choice.id && row.chosen).length > 1)
      faults.push(fault('chosen', 'scopeOption', null, 'chosen', `“${choice.name}” has two chosen ways: expected one`))
  for (const finish of rowsOf(makeover, 'finish'))
    if (
      rowsOf(makeover, 'patternPart')
        .filter((row) => row.finishId === finish.id)
        .reduce((total, row) => total + row.sharePpm, 0) > 1_000_000
    )
      faults.push(
        fault('pattern', 'finish', finish.id, null, `the parts of ${finish.name} come to more than all of it`),
      )
  for (const row of [...rowsOf(makeover, 'question'), ...rowsOf(makeover, 'permission')])
    if ((row.answer === 'waiting') !== (row.answeredOn === null))
      faults.push(
        fault(
          'answer',
          'ask' in row && 'method' in row ? 'permission' : 'question',
          row.id,
          'answeredOn',
          row.answer === 'waiting' ? 'is there without an answer' : 'is missing: expected the day of the answer',
        ),
      )
  const twice = (kind: Kind, keys: readonly { id: string; key: string }[]): void => {
    const seen = new Set<string>()
    for (const { id, key } of keys) {
      if (seen.has(key))
        faults.push(fault('twice', kind, id, null, 'is there twice: somebody else entered it at the same moment'))
      seen.add(key)
    }
  }
  twice(
    'survey',
    rowsOf(makeover, 'survey').map((row) => ({ id: row.id, key: row.roomId })),
  )
  twice(
    'school',
    rowsOf(makeover, 'school').map((row) => ({ id: row.id, key: row.question })),
  )
  twice(
    'ruling',
    rowsOf(makeover, 'ruling').map((row) => ({ id: row.id, key: row.rule })),
  )
  twice(
    'studioSchool',
    studioRows(studio, 'studioSchool').map((row) => ({ id: row.id, key: row.question })),
  )
  twice(
    'studioRuling',
    studioRows(studio, 'studioRuling').map((row) => ({ id: row.id, key: row.rule })),
  )
  twice(
    'serving',
    rowsOf(makeover, 'serving').map((row) => ({ id: row.id, key: `${row.needId} ${row.pieceId}` })),
  )
  twice(
    'placing',
    rowsOf(makeover, 'placing').map((row) => ({ id: row.id, key: row.purchaseId })),
  )
  twice(
    'patternPart',
    rowsOf(makeover, 'patternPart').map((row) => ({ id: row.id, key: `${row.finishId} ${row.partId}` })),
  )
  for (const row of rowsOf(makeover, 'patternPart'))
    if (row.finishId === row.partId)
      faults.push(fault('pattern', 'patternPart', row.id, 'partId', 'a pattern is no part of itself'))
  for (const row of rowsOf(makeover, 'attachment'))
    if (
      [row.orderId, row.deliveryId, row.candidateId, row.inspirationId, row.finishId, row.roomId].filter(
        (id) => id !== null,
      ).length !== 1
    )
      faults.push(fault('attachment', 'attachment', row.id, null, 'hangs on exactly one thing'))
  return faults
}
