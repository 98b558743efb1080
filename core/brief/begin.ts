/** What a makeover may begin with: what an earlier one had, or what is usual for such a room. */
import { blank } from '../makeover/blank.ts'
import type { importances } from '../makeover/choices.ts'
import { add, type Operation } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'

type Need = { readonly name: string; readonly importance: (typeof importances)[number]; readonly who: string }
export type Beginning = {
  readonly needs: readonly Need[]
  /** The names of the budget's categories, in their order. */
  readonly categories: readonly string[]
  readonly schools: readonly Fields<'school'>[]
  readonly rulings: readonly Fields<'ruling'>[]
}

const must = (name: string): Need => ({ name, importance: 'must', who: '' })
const should = (name: string): Need => ({ name, importance: 'should', who: '' })
const usual = (...needs: Need[]): Beginning => ({
  needs,
  categories: ['Walls and floor', 'Furniture', 'Light', 'Textiles', 'Decor'],
  schools: [],
  rulings: [],
})

/** What people ask of each kind of room, common practice of the trade; whatever does not hold is struck out. */
export const usualRooms: Readonly<Record<string, Beginning>> = {
  'A guest room': usual(
    must('Sleep'),
    must('Put down a suitcase and hang clothes'),
    should('Read in bed'),
    should('See oneself whole'),
  ),
  'A bedroom': usual(
    must('Sleep'),
    must('Store clothes'),
    must('Dark at night'),
    should('Read in bed'),
    should('Dress'),
  ),
  'A living room': usual(
    must('Sit together'),
    must('Light for the evening'),
    should('Put down a cup from every seat'),
    should('Store books and games'),
  ),
  'A dining room': usual(
    must('Eat together'),
    must('Light on the table'),
    should('Serve and store what the table needs'),
  ),
  'A study': usual(
    must('Work at a table'),
    must('Light for work without glare'),
    must('Store papers and books'),
    should('Sit and read'),
  ),
  'A hall': usual(must('Hang coats'), must('Take off shoes'), should('Keys and post'), should('See oneself whole')),
  'A child’s room': usual(
    must('Sleep'),
    must('Play on the floor'),
    must('Store toys in reach'),
    should('Draw and do homework'),
  ),
  'A waiting room': usual(
    must('Sit and wait'),
    must('Find the desk'),
    must('Hang coats'),
    should('Something to read or look at'),
  ),
}

/** What of an earlier makeover is not its own alone: its needs, categories, schools and rules. */
export const beginningOf = (earlier: Makeover): Beginning => ({
  needs: rowsOf(earlier, 'need').map(({ name, importance, who }) => ({ name, importance, who })),
  categories: rowsOf(earlier, 'category')
    .toSorted((left, right) => left.place - right.place)
    .map(({ name }) => name),
  schools: rowsOf(earlier, 'school').map(({ question, school }) => ({ question, school })),
  rulings: rowsOf(earlier, 'ruling').map(({ rule, value }) => ({ rule, value })),
})

/** A beginning as a template of the studio keeps it. */
export const writeBeginning = (beginning: Beginning): string => JSON.stringify(beginning)

/** What a template holds; null where it is not one. What stands in it is held to the schemas when a makeover begins with it. */
export function readBeginning(text: string): Beginning | null {
  try {
    const read = JSON.parse(text) as Partial<Record<keyof Beginning, unknown>> | null
    const parts = ['needs', 'categories', 'schools', 'rulings'] as const
    return read !== null && parts.every((part) => Array.isArray(read[part])) ? (read as Beginning) : null
  } catch {
    return null
  }
}

/** The rows a new makeover begins with, in one of its rooms. */
export const beginWith = (
  { needs, categories, schools, rulings }: Beginning,
  roomId: string,
  newId: () => string,
): Operation[] => [
  ...needs.map((need) => add('need', newId(), { ...blank.need, ...need, roomId, zoneId: null })),
  ...categories.map((name, place) => add('category', newId(), { name, place })),
  ...schools.map((school) => add('school', newId(), school)),
  ...rulings.map((ruling) => add('ruling', newId(), ruling)),
]
