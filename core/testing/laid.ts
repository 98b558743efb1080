/** A finish and the surface it lies on, told in one, for tests. */
import { add, type Operation } from '../makeover/change.ts'
import type { Surface } from '../makeover/choices.ts'
import type { Fields, Row } from '../makeover/kinds.ts'
import { isTreatable, layOn, type Where } from '../makeover/lay.ts'

/** Fields of a finish, and where it lies. */
export type LaidFields = Partial<Fields<'finish'>> & { readonly surface?: Surface } & Partial<Omit<Where, 'surface'>>

/** The fields of the finish alone. */
export function finishOnly<T extends LaidFields>(fields: T) {
  const {
    surface: _s,
    wallId: _w,
    openingId: _o,
    bandFromMm: _f,
    bandToMm: _t,
    alongFromMm: _a,
    alongToMm: _b,
    ...own
  } = fields
  return own
}

/** The treatment of a finish where a test says the surface; nothing where it is on a thing. */
export const laidOn = (finish: Pick<Row<'finish'>, 'id' | 'family' | 'texture'>, fields: LaidFields): Operation[] => {
  const {
    surface,
    wallId = null,
    openingId = null,
    bandFromMm = null,
    bandToMm = null,
    alongFromMm = null,
    alongToMm = null,
  } = fields
  return surface && isTreatable(surface)
    ? layOn(finish.id, finish, { surface, wallId, openingId, bandFromMm, bandToMm, alongFromMm, alongToMm })
    : []
}

/** A new finish with the treatment it has where its surface is said. */
export const addLaid = (
  id: string,
  fields: Fields<'finish'> & { readonly surface?: Surface } & Partial<Omit<Where, 'surface'>>,
): Operation[] => [add('finish', id, finishOnly(fields)), ...laidOn({ ...fields, id }, fields)]
