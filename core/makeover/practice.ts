/** Whose practice the checks of a makeover speak for. */
import { rowsOf, studioRows, type Makeover, type Studio } from './document.ts'
import { effectiveRules, type RuleId, type Rules } from '../rulebook/rulebook.ts'
import { chosenSchools, schoolRules, type QuestionId, type Schools } from '../rulebook/schools.ts'

/** Whose practice the checks speak for: the rules in force, and the schools chosen. */
export type Practice = {
  readonly rules: Rules
  readonly schools: Schools
  /** The questions that somebody chose for; the others follow their first school without a word. */
  readonly chosen: readonly QuestionId[]
}

const asOverrides = (rulings: readonly { readonly rule: RuleId; readonly value: number }[]): Partial<Rules> =>
  Object.fromEntries(rulings.map(({ rule, value }) => [rule, value]))

const asChoices = (rows: readonly { readonly question: QuestionId; readonly school: string }[]) =>
  rows.map(({ question, school }) => ({ question, school }))

/** The practice of a makeover: the rulebook, then its schools' rules, then the studio's own rules, then its own. */
export function practiceOf({ makeover, studio }: { readonly makeover: Makeover; readonly studio: Studio }): Practice {
  const choices = [asChoices(studioRows(studio, 'studioSchool')), asChoices(rowsOf(makeover, 'school'))]
  const schools = chosenSchools(...choices)
  return {
    schools,
    chosen: [...new Set(choices.flat().map((choice) => choice.question))],
    rules: effectiveRules(
      schoolRules(schools),
      asOverrides(studioRows(studio, 'studioRuling')),
      asOverrides(rowsOf(makeover, 'ruling')),
    ),
  }
}

/** The practice of nobody in particular: every default. */
export const plainPractice: Practice = (() => {
  const schools = chosenSchools()
  return { schools, chosen: [], rules: effectiveRules(schoolRules(schools)) }
})()
