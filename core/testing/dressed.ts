/** A measured room with something before its window, and what is said of it, for tests. */
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '../makeover/change.ts'
import { headOf } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday } from './small-makeover.ts'
import { rectangle, type Measured } from './surveyed.ts'
import { room } from './treated.ts'

export const window = {
  wall: 0,
  what: 'window' as const,
  fromMm: 1500,
  widthMm: 1500,
  sillMm: 900,
  headMm: 2100,
  revealMm: 150,
}
export const windowed: Measured = { walls: rectangle(5000, 3000), survey: { heightMm: 2500 }, openings: [window] }
/** A bay of 800, 1200 and 800 at 45°, in the middle of its wall. */
export const withBay: Measured = {
  walls: [
    { lengthMm: 1000, corner: 'angle', cornerDeg: 225 },
    { lengthMm: 800, corner: 'angle', cornerDeg: 135 },
    { lengthMm: 1200, corner: 'angle', cornerDeg: 135 },
    { lengthMm: 800, corner: 'angle', cornerDeg: 225 },
    { lengthMm: 1000 },
    { lengthMm: 3000 },
    { lengthMm: 2000 + 1200 + 800 * Math.SQRT2 },
    { lengthMm: 3000 },
  ],
  survey: { heightMm: 2600 },
  openings: [
    { ...window, wall: 1, fromMm: 150, widthMm: 500 },
    { ...window, wall: 2, fromMm: 100, widthMm: 1000 },
    { ...window, wall: 3, fromMm: 150, widthMm: 500 },
  ],
}

/** @param at the place of the opening among those of the room */
export function dress(
  measured: Measured,
  dressings: readonly Partial<Fields<'dressing'>>[],
  more: (world: ReturnType<typeof room>) => readonly Operation[] = () => [],
  at = 0,
) {
  const world = room(measured)
  const openings = Object.values(world.documents.makeover.rows.opening)
  const openingId = openings[at]?.id ?? ''
  const head = headOf(world.documents.makeover)
  const documents: Documents = change(world.documents, [
    ...(head && measured.units ? [edit('makeover', head, { units: measured.units })] : []),
    ...more(world),
    ...dressings.map((fields, place) =>
      add('dressing', world.newId(), { ...blank.dressing, openingId, place, ...fields }),
    ),
  ])
  const { dressings: all, remarks } = reckon(documents, testToday)
  return {
    documents,
    all,
    codes: remarks.filter(({ code }) => code.startsWith('surfaces.')).map(({ code }) => code.replace('surfaces.', '')),
    remarks,
    first: () => {
      const found = all[0]?.dressed
      if (!found?.ok) throw new Error(found ? `${found.field} ${found.error}` : 'nothing hangs there')
      return found
    },
  }
}
