/** What bringing in a file would do here: to a studio that may know its sellers, its practice, or the makeover itself. */
import { add, anyRows, type Documents, type Operation } from '../makeover/change.ts'
import { studioRows, type Studio } from '../makeover/document.ts'
import { makeoverKinds, type Row } from '../makeover/kinds.ts'
import { practiceOf } from '../makeover/practice.ts'
import type { RuleId } from '../rulebook/rulebook.ts'
import type { QuestionId } from '../rulebook/schools.ts'
import type { Parcel } from './parcel.ts'

export type Arrival = {
  /** The rows as they would be brought in, with sellers of the same name taken for the same. */
  readonly documents: Documents
  readonly operations: readonly Operation[]
  readonly newSellers: readonly string[]
  readonly knownSellers: readonly string[]
  /** Rules and schools by which it was reckoned and this studio is not: they become the makeover's own. */
  readonly ownPractice: readonly string[]
}

/**
 * The change that makes a studio hold the makeover of a file: anew, or over the one it has of that id. A studio that has
 * nothing of its own yet takes the practice of the file; any other keeps its practice, and the makeover keeps what differs.
 */
export function arrivalOf(parcel: Parcel, here: Documents, fresh: boolean, newId: () => string): Arrival {
  const { studio: told } = parcel.documents
  const sellers = matched(told, here.studio)
  const named = (text: string): string =>
    [...sellers.renamed].reduce((so, [start, to]) => so.replaceAll(start, to), text)
  const makeover =
    sellers.renamed.size === 0
      ? parcel.documents.makeover
      : (JSON.parse(named(JSON.stringify(parcel.documents.makeover))) as Documents['makeover'])
  const adopts =
    fresh &&
    studioRows(here.studio, 'studioRuling').length === 0 &&
    studioRows(here.studio, 'studioSchool').length === 0
  const shared: Operation[] = [
    ...sellers.fresh.map((row) => put('seller', row)),
    ...(adopts
      ? [
          ...studioRows(told, 'studioRuling').map((row) => put('studioRuling', row)),
          ...studioRows(told, 'studioSchool').map((row) => put('studioSchool', row)),
        ]
      : []),
  ]
  const own = adopts ? [] : practiceApart(parcel, here, makeover, newId)
  const rows = anyRows({ makeover, studio: here.studio })
  const present = anyRows(here)
  const puts = makeoverKinds.flatMap((kind) =>
    Object.values(rows[kind]).flatMap((row): Operation[] => {
      const { id, version: _version, ...fields } = row
      const known = present[kind][id]
      if (!known) return [{ op: 'put', kind, id, base: null, fields }]
      const changed = Object.fromEntries(Object.entries(fields).filter(([field, value]) => known[field] !== value))
      return Object.keys(changed).length === 0 ? [] : [{ op: 'put', kind, id, base: known.version, fields: changed }]
    }),
  )
  const ownIds = new Set(own.map((operation) => operation.id))
  const removes = makeoverKinds.flatMap((kind) =>
    Object.values(present[kind]).flatMap((row): Operation[] =>
      rows[kind][row.id] || ownIds.has(row.id) ? [] : [{ op: 'remove', kind, id: row.id, base: row.version }],
    ),
  )
  return {
    documents: { makeover, studio: here.studio },
    operations: [...shared, ...puts, ...own, ...removes],
    newSellers: sellers.fresh.map((row) => row.name),
    knownSellers: sellers.known.map((row) => row.name),
    ownPractice: own.map((operation) =>
      operation.op === 'put' ? String(operation.fields.rule ?? operation.fields.question) : '',
    ),
  }
}

const put = (
  kind: 'seller' | 'studioRuling' | 'studioSchool',
  { id, version: _version, ...fields }: { readonly id: string; readonly version: string },
): Operation => ({ op: 'put', kind, id, base: null, fields })

function matched(
  told: Studio,
  here: Studio,
): { fresh: Row<'seller'>[]; known: Row<'seller'>[]; renamed: Map<string, string> } {
  const byName = new Map(studioRows(here, 'seller').map((row) => [row.name.trim().toLocaleLowerCase('en'), row]))
  const [fresh, known, renamed] = [[] as Row<'seller'>[], [] as Row<'seller'>[], new Map<string, string>()]
  for (const row of studioRows(told, 'seller')) {
    const found = here.rows.seller[row.id] ?? byName.get(row.name.trim().toLocaleLowerCase('en'))
    if (!found) fresh.push(row)
    else {
      known.push(found)
      if (found.id !== row.id) renamed.set(row.id, found.id)
    }
  }
  return { fresh, known, renamed }
}

/** Rulings and choices of school that keep the makeover reckoned as it was, where the studio's practice is another. */
function practiceApart(
  parcel: Parcel,
  here: Documents,
  makeover: Documents['makeover'],
  newId: () => string,
): Operation[] {
  const was = practiceOf(parcel.documents)
  const will = practiceOf({ makeover, studio: here.studio })
  const schools = (Object.keys(was.schools) as QuestionId[])
    .filter((question) => was.schools[question] !== will.schools[question])
    .map((question) => add('school', newId(), { question, school: was.schools[question] }))
  const settled = practiceOf({
    makeover: {
      ...makeover,
      rows: {
        ...makeover.rows,
        school: {
          ...makeover.rows.school,
          ...Object.fromEntries(
            schools.map((school) => [school.id, { id: school.id, version: school.id, ...school.fields }]),
          ),
        },
      } as Documents['makeover']['rows'],
    },
    studio: here.studio,
  })
  const rules = (Object.keys(was.rules) as RuleId[])
    .filter((rule) => was.rules[rule] !== settled.rules[rule])
    .map((rule) => add('ruling', newId(), { rule, value: was.rules[rule] }))
  return [...schools, ...rules]
}
