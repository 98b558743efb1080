import { belongingTo } from '../makeover/by-id.ts'
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { answerGuards } from '../makeover/guards.ts'
import { daysBetween, writeDate, type PlainDate } from '../measure/plain-date.ts'
import { agreements, isSigned } from './agreement.ts'
import { keepBrief, writeKept } from './kept.ts'

/** What a change may not do to the brief. */
export const briefGuards = (before: Documents, after: Documents, today: PlainDate): Fault[] => [
  ...scopeGuards(after.makeover),
  ...answerGuards('permission', rowsOf(after.makeover, 'permission')),
  ...budgetGuards(before.makeover, after.makeover, today),
  ...keptGuards(before, after),
]

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

/** One way of doing it is chosen. */
function scopeGuards(makeover: Makeover): Fault[] {
  const faults: Fault[] = []
  for (const choice of rowsOf(makeover, 'scopeChoice'))
    if (rowsOf(makeover, 'scopeOption').filter((row) => row.choiceId === choice.id && row.chosen).length > 1)
      faults.push(fault('chosen', 'scopeOption', null, 'chosen', `“${choice.name}” has two chosen ways: expected one`))
  return faults
}

/** What a change may not do to the agreed budget: a signed version is fixed, and versions follow each other. */
function budgetGuards(before: Makeover, after: Makeover, today: PlainDate): Fault[] {
  const faults: Fault[] = []
  for (const old of rowsOf(before, 'agreement').filter(isSigned)) {
    if (after.rows.agreement[old.id] !== old)
      faults.push(
        fault(
          'signed',
          'agreement',
          old.id,
          null,
          `the agreed budget signed on ${old.signedOn ? writeDate(old.signedOn) : ''} is fixed: it changes only by a signed change`,
        ),
      )
  }
  const signedBefore = new Set(
    rowsOf(before, 'agreement')
      .filter(isSigned)
      .map((row) => row.id),
  )
  const lines = new Set(
    [...rowsOf(before, 'agreementLine'), ...rowsOf(after, 'agreementLine')]
      .filter((line) => signedBefore.has(line.agreementId))
      .map((line) => line.id),
  )
  for (const id of lines) {
    if (before.rows.agreementLine[id] !== after.rows.agreementLine[id])
      faults.push(
        fault(
          'signed',
          'agreementLine',
          id,
          'amountMinor',
          'a sum of a signed budget is fixed: it changes only by a signed change',
        ),
      )
  }
  for (const category of rowsOf(before, 'category')) {
    const thisCategory = after.rows.category[category.id]
    const signed = rowsOf(before, 'agreementLine').some(
      (line) => line.categoryId === category.id && signedBefore.has(line.agreementId),
    )
    if (signed && thisCategory && thisCategory.name !== category.name)
      faults.push(
        fault(
          'signed',
          'category',
          category.id,
          'name',
          `“${category.name}” stands in a signed budget and keeps its name`,
        ),
      )
  }
  const names = new Map<string, string>()
  for (const category of rowsOf(after, 'category')) {
    const key = category.name.trim().toLocaleLowerCase('en')
    if (names.has(key))
      faults.push(fault('twice', 'category', category.id, 'name', `there is already a category “${category.name}”`))
    names.set(key, category.id)
  }
  faults.push(...versionFaults(after, today))
  return faults
}

function versionFaults(after: Makeover, today: PlainDate): Fault[] {
  const faults: Fault[] = []
  const versions = agreements(after)
  const seen = new Set<string>()
  for (const [at, { row, amounts }] of versions.entries()) {
    const previous = versions[at - 1]?.row
    const wrong = (field: string, message: string) =>
      faults.push(fault('agreement', 'agreement', row.id, field, message))
    if (row.number !== at + 1)
      wrong('number', `expected version ${at + 1}: another change was signed or drafted meanwhile`)
    for (const line of belongingTo(rowsOf(after, 'agreementLine'), 'agreementId', row.id)) {
      const key = `${row.id} ${line.categoryId}`
      if (seen.has(key))
        faults.push(fault('twice', 'agreementLine', line.id, 'categoryId', 'has two sums for one category'))
      seen.add(key)
    }
    if (previous && !isSigned(previous))
      wrong('number', 'an earlier version is still a draft: sign or discard it first')
    if (row.number > 1 && row.reason.trim() === '') wrong('reason', 'is empty: a change to what was agreed says why')
    if ((row.signedOn === null) !== (row.signedById === null))
      wrong(row.signedOn === null ? 'signedOn' : 'signedById', 'expected both who signed and on what date')
    if (row.signedOn === null) continue
    if (amounts.size === 0) wrong('number', 'has no sums yet: expected at least one category')
    if (daysBetween(row.signedOn, today) < 0)
      wrong('signedOn', `${writeDate(row.signedOn)} lies in the future: expected today or earlier`)
    if (previous?.signedOn && row.signedOn < previous.signedOn)
      wrong('signedOn', `${writeDate(row.signedOn)} lies before the last signature, ${writeDate(previous.signedOn)}`)
  }
  return faults
}
