/**
 * The brief as it is signed: what the room is for, what stays, what may not be done, whose practice it is judged
 * by. It also holds what it may cost, and the rules it was reckoned by. It names no person. A signed version keeps it word for word.
 */
import { array, lazy, number, object, string } from 'yup'
import { headOf, rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import { practiceOf } from '../makeover/practice.ts'
import { questions, schoolOf } from '../rulebook/schools.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { agreements } from './agreement.ts'
import { keepers } from './keepers.ts'
import { neededIn, piecesServing } from './needs.ts'
import { writeQuantity } from '../measure/quantity.ts'

export type KeptBrief = {
  readonly name: string
  readonly rooms: readonly string[]
  readonly scope: string
  readonly currency: string
  readonly installOn: string | null
  readonly needs: readonly {
    readonly name: string
    readonly importance: string
    readonly who: string
    readonly servedBy: readonly string[]
  }[]
  readonly stays: readonly {
    readonly name: string
    readonly source: string
    readonly reason: string
    readonly origin: string
    readonly goesBackOn: string | null
    readonly hole: string
  }[]
  readonly constraints: readonly { readonly forbids: string; readonly reason: string; readonly note: string }[]
  readonly permissions: readonly {
    readonly ask: string
    readonly askedOf: string
    readonly answer: string
    readonly restore: string
    readonly restoreMinor: number
  }[]
  readonly ways: readonly { readonly wish: string; readonly way: string; readonly costMinor: number }[]
  readonly schools: readonly { readonly asks: string; readonly school: string; readonly then: string }[]
  readonly sums: readonly { readonly category: string; readonly amountMinor: number }[]
  readonly contingencyMinor: number
  readonly rules: Rules
}

/** The brief of a makeover with the sums of one version of its budget; null where there is no such version. */
export function keepBrief(
  documents: { readonly makeover: Makeover; readonly studio: Studio },
  agreementId: string,
): KeptBrief | null {
  const { makeover } = documents
  const head = headOf(makeover)
  const version = agreements(makeover).find(({ row }) => row.id === agreementId)
  if (!head || !version) return null
  const { rules, schools } = practiceOf(documents)
  const chosen = new Set(rowsOf(makeover, 'school').map((row) => row.question))
  const serving = piecesServing(makeover)
  const nameOf = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? ''
  return {
    name: head.name,
    rooms: rowsOf(makeover, 'room').map((row) => row.name),
    scope: head.scope,
    currency: head.currency,
    installOn: head.installOn,
    needs: neededIn(makeover).map(({ id, name, importance, who, amount, unit }) => ({
      name: amount === null ? name : `${name} (${writeQuantity(amount, unit)})`,
      importance,
      who,
      servedBy: (serving.get(id) ?? []).map(nameOf),
    })),
    stays: keepers(makeover).map(({ piece, thing }) => ({
      name: piece.name,
      source: thing.source,
      reason: thing.keepReason ?? '',
      origin: thing.origin,
      goesBackOn: thing.goBackOn,
      hole: thing.hole,
    })),
    constraints: rowsOf(makeover, 'constraint').map(({ forbids, reason, note }) => ({ forbids, reason, note })),
    permissions: rowsOf(makeover, 'permission').map(({ ask, askedOf, answer, restore, restorePieceId }) => ({
      ask,
      askedOf,
      answer,
      restore,
      restoreMinor: restorePieceId === null ? 0 : (makeover.rows.piece[restorePieceId]?.allowanceMinor ?? 0),
    })),
    ways: rowsOf(makeover, 'scopeOption')
      .filter((row) => row.chosen)
      .map((row) => ({
        wish: makeover.rows.scopeChoice[row.choiceId]?.name ?? '',
        way: row.name,
        costMinor: row.costMinor,
      })),
    schools: questions
      .filter((question) => chosen.has(question.id))
      .map((question) => {
        const school = schoolOf(question.id, schools[question.id])
        return { asks: question.asks, school: school.name, then: school.then }
      }),
    sums: rowsOf(makeover, 'category')
      .toSorted((left, right) => left.place - right.place)
      .map((category) => ({ category: category.name, amountMinor: version.amounts.get(category.id) ?? 0 })),
    contingencyMinor: version.row.contingencyMinor,
    rules,
  }
}

/** A kept brief as the text a signed version bears. */
export const writeKept = (brief: KeptBrief): string => JSON.stringify(brief)
/** The brief that a signed version bears; null where it was signed before briefs were kept, or bears something else. */
export function readKept(text: string): KeptBrief | null {
  if (text === '') return null
  try {
    const brief: unknown = JSON.parse(text)
    return shape.isValidSync(brief, { strict: true }) ? (brief as unknown as KeptBrief) : null
  } catch {
    return null
  }
}

/**
 * What is signed, as the text that its digest is taken of: the sums, the day, by whom, why, and the brief. It names whoever
 * signed by their id. Null where there is no such version, or nobody signed it.
 */
export function signedText(makeover: Makeover, agreementId: string): string | null {
  const version = agreements(makeover).find(({ row }) => row.id === agreementId)
  if (version?.row.signedOn == null) return null
  const { number, signedOn, signedById, contingencyMinor, reason, kept } = version.row
  const sums = [...version.amounts].map(([categoryId, amount]) => `${categoryId}=${amount}`).sort()
  return [number, signedOn, signedById, contingencyMinor, sums.join(','), reason, kept].join('\n')
}

const text = () => string().strict().max(5000).defined()
const maybe = () => text().nullable()
const amount = () => number().strict().integer().defined()
const listOf = (fields: Parameters<typeof object>[0]) =>
  array(object(fields).strict().required()).strict().max(2000).required()
/** What a kept brief looks like, so that whatever a file puts in its place is not taken for one. */
const shape = object({
  name: text(),
  rooms: array(text()).strict().required(),
  scope: text(),
  currency: text().length(3),
  installOn: maybe(),
  needs: listOf({ name: text(), importance: text(), who: text(), servedBy: array(text()).strict().required() }),
  stays: listOf({ name: text(), source: text(), reason: text(), origin: text(), goesBackOn: maybe(), hole: text() }),
  constraints: listOf({ forbids: text(), reason: text(), note: text() }),
  permissions: listOf({ ask: text(), askedOf: text(), answer: text(), restore: text(), restoreMinor: amount() }),
  ways: listOf({ wish: text(), way: text(), costMinor: amount() }),
  schools: listOf({ asks: text(), school: text(), then: text() }),
  sums: listOf({ category: text(), amountMinor: amount() }),
  contingencyMinor: amount(),
  rules: lazy((rules: unknown) =>
    object(Object.fromEntries(Object.keys(Object(rules) as object).map((rule) => [rule, number().strict().defined()])))
      .strict()
      .required(),
  ),
})
