/** Lays a finish on a surface: the treatment it begins with, told by what it is and where it lies. */
import { blank } from './blank.ts'
import { add, edit, remove, type Operation } from './change.ts'
import { treatables, type Surface } from './choices.ts'
import { rowsOf, type Makeover } from './document.ts'
import type { Fields, Row } from './kinds.ts'
import type { LaidFinish } from './laid.ts'

type Treatable = (typeof treatables)[number]
type How = Fields<'treatment'>['how']
export type Where = Partial<Omit<Fields<'treatedPart'>, 'treatmentId'>> & { readonly surface: Treatable }

export const isTreatable = (surface: Surface): surface is Treatable => treatables.some((name) => name === surface)

const soft: ReadonlySet<string> = new Set(['textile', 'plush', 'leather', 'cane', 'greenery'])
/** How a finish is done where nobody said: by its family, and by the surface it lies on. */
export function howOf({ family, texture }: Pick<Row<'finish'>, 'family' | 'texture'>, surface: Treatable): How {
  if (family === 'paint') return 'paint'
  if (soft.has(family)) return 'loose'
  if (surface !== 'walls' && surface !== 'floor' && surface !== 'ceiling') return 'as it is'
  if (family === 'paper') return surface === 'floor' ? 'as it is' : 'paper'
  if (family === 'ceramic' || texture === 'tile') return 'tile'
  if (family === 'stone') return surface === 'floor' ? 'tile' : 'as it is'
  return family === 'wood' ? (surface === 'floor' ? 'boards' : 'panels') : 'as it is'
}

/** A treatment of a finish on one surface; both new rows have the id given, which is theirs alone within their kinds. */
export const layOn = (
  id: string,
  finish: Pick<Row<'finish'>, 'id' | 'family' | 'texture'>,
  where: Where,
  fields: Partial<Fields<'treatment'>> = {},
): Operation[] => [
  add('treatment', id, { ...blank.treatment, finishId: finish.id, how: howOf(finish, where.surface), ...fields }),
  add('treatedPart', id, { ...blank.treatedPart, treatmentId: id, ...where }),
]

/**
 * What brings a finish from where it lies to where it is said to lie now: laid, moved, or taken off its surface. Only for a finish on
 * one surface at most; what lies on several is treated surface by surface.
 */
export function relay(
  makeover: Makeover,
  finish: LaidFinish,
  said: Pick<Row<'finish'>, 'family' | 'texture'>,
  where: Where | null,
  newId: () => string,
): Operation[] {
  const [lie, ...more] = finish.lies
  if (more.length > 0) return []
  const treatment = lie && makeover.rows.treatment[lie.treatmentId]
  const part = lie && makeover.rows.treatedPart[lie.id]
  if (!treatment || !part) return where ? layOn(newId(), { ...said, id: finish.id }, where) : []
  if (where === null) return [remove('treatedPart', part), remove('treatment', treatment)]
  const how = howOf(said, where.surface)
  const moved = Object.entries(where).some(([field, value]) => part[field as keyof typeof part] !== value)
  // how it is done is told anew only where it was as its finish tells
  const told = treatment.how === howOf(finish, part.surface) && treatment.how !== how
  return [
    ...(told ? [edit('treatment', treatment, { how })] : []),
    ...(moved ? [edit('treatedPart', part, where)] : []),
  ]
}

/** What goes out with a finish: its treatments, with where they lie. */
export function treatmentsOut(makeover: Makeover, finishId: string): Operation[] {
  const treatments = rowsOf(makeover, 'treatment').filter((row) => row.finishId === finishId)
  const ids = new Set(treatments.map(({ id }) => id))
  const instead = rowsOf(makeover, 'treatment').filter(
    (row) => row.insteadOfId !== null && ids.has(row.insteadOfId) && !ids.has(row.id),
  )
  const all = [...instead, ...treatments]
  const gone = new Set(all.map(({ id }) => id))
  return [
    ...rowsOf(makeover, 'treatedPart')
      .filter((row) => gone.has(row.treatmentId))
      .map((row) => remove('treatedPart', row)),
    // what is thought of in place of another goes before it
    ...all
      .toSorted((left, right) => Number(right.insteadOfId !== null) - Number(left.insteadOfId !== null))
      .map((row) => remove('treatment', row)),
  ]
}
