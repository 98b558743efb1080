/** Where the finishes lie: each finish with the surfaces that its treatments cover. */
import { treatables, type Surface } from './choices.ts'
import { groupBy, rowsOf, type Makeover } from './document.ts'
import { kept } from './kept.ts'
import type { Row } from './kinds.ts'

/** A surface of the room that a finish covers, or a part of it. */
export type Lie = Omit<Row<'treatedPart'>, 'version' | 'treatmentId'> & {
  readonly treatmentId: string
  readonly how: Row<'treatment'>['how']
}
/** A finish with where it lies: its first surface by its own fields, and all of them. On no surface it is on a thing. */
export type LaidFinish = Row<'finish'> & {
  readonly surface: Surface
  readonly wallId: string | null
  readonly bandFromMm: number | null
  readonly bandToMm: number | null
  readonly lies: readonly Lie[]
}

/** Which version of a row says it makes no difference to where it lies. */
export const lieOf = ({ version: _version, ...part }: Row<'treatedPart'>, how: Lie['how']): Lie => ({ ...part, how })

/** Does a finish lie on such a surface? What lies on none is on a piece, or on some other thing. */
export const liesOn = (finish: Pick<LaidFinish, 'surface' | 'lies'>, ...surfaces: readonly Surface[]): boolean =>
  finish.lies.length === 0
    ? surfaces.includes(finish.surface)
    : finish.lies.some(({ surface }) => surfaces.includes(surface))

/** The treatments that count: what is only thought of does not. */
export const treatmentsOf = (makeover: Makeover): readonly Row<'treatment'>[] => counting(makeover.rows.treatment)
const counting = kept(
  (rows: Makeover['rows']['treatment']) => [rows],
  (rows) =>
    Object.values(rows)
      .filter(({ insteadOfId }) => insteadOfId === null)
      .sort((left, right) => left.place - right.place || (left.id < right.id ? -1 : 1)),
)

/** All finishes with where they lie, also those that are to be changed. */
export const laidFinishes: (makeover: Makeover) => readonly LaidFinish[] = kept(
  ({ rows }) => [rows.finish, rows.treatment, rows.treatedPart],
  (makeover) => {
    const parts = groupBy(rowsOf(makeover, 'treatedPart'), (row) => row.treatmentId)
    const treatments = groupBy(treatmentsOf(makeover), (row) => row.finishId)
    return rowsOf(makeover, 'finish').map((finish): LaidFinish => {
      const lies = (treatments.get(finish.id) ?? []).flatMap(({ id, how }) =>
        (parts.get(id) ?? []).map((part): Lie => lieOf(part, how)),
      )
      const first = lies.toSorted((left, right) => weightOf(left.surface) - weightOf(right.surface))[0]
      return {
        ...finish,
        surface: first?.surface ?? thingOf(finish),
        wallId: first?.wallId ?? null,
        bandFromMm: first?.bandFromMm ?? null,
        bandToMm: first?.bandToMm ?? null,
        lies,
      }
    })
  },
)

/** Where it lies first of all: a ceiling counts last, since it is looked at apart. */
const weightOf = (surface: Surface): number =>
  surface === 'ceiling' ? 9 : treatables.findIndex((name) => name === surface)

/** What lies on no surface: on a piece, or on something small that nobody names. */
const thingOf = ({ pieceId }: Row<'finish'>): Surface => (pieceId === null ? 'other' : 'piece')

/** The finishes that will be in the room: new ones and those that stay; what is to be changed is not among them. */
export const paletteFinishes: (makeover: Makeover) => readonly LaidFinish[] = kept(
  ({ rows }) => [rows.finish, rows.treatment, rows.treatedPart],
  (makeover) => {
    const thought = onlyThoughtOf(makeover)
    return laidFinishes(makeover).filter(({ id, fate }) => fate !== 'change' && !thought.has(id))
  },
)
/** Finishes of which every treatment is only thought of: they are not in the room. */
function onlyThoughtOf({ rows }: Makeover): ReadonlySet<string> {
  const all = Object.values(rows.treatment)
  const counted = new Set(all.filter(({ insteadOfId }) => insteadOfId === null).map(({ finishId }) => finishId))
  return new Set(all.filter(({ finishId }) => !counted.has(finishId)).map(({ finishId }) => finishId))
}

/** A finish of the palette with where it lies. */
export const laidFinish = (makeover: Makeover, id: string | null): LaidFinish | undefined =>
  id === null ? undefined : indexed(makeover).get(id)
const indexed = kept(
  ({ rows }: Makeover) => [rows.finish, rows.treatment, rows.treatedPart],
  (makeover) => new Map(laidFinishes(makeover).map((row) => [row.id, row])),
)

/** Where a finish lies, in words: "walls, trim"; a dash where it is on a thing. */
export const surfaceWords = ({ lies }: Pick<LaidFinish, 'lies'>): string =>
  lies.length === 0 ? '–' : [...new Set(lies.map(({ surface }) => surface))].join(', ')
