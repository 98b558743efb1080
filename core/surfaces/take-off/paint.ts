/** Paint, area by area: walls and ceilings as measured, trim by its girth, doors by both faces, coats and what goes under them. */
import { laidFinishes, liesOn, type LaidFinish, type Lie } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea, writeLitres, writeSpread } from '../../measure/area.ts'
import { labOf } from '../../palette/index.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { coatsFor, litresOf, litresToBuy, spreadingRate, under } from '../paint.ts'
import { cut, type Region } from '../regions.ts'
import { areaOf, faceOf } from '../../survey/index.ts'
import { lengthIn, line, type At, type Line, type Product, type Reckoned, type Refused } from './told.ts'
import { liesOf, regionsOf } from './where.ts'

type Painted = Line & { readonly m2: number }

/** What is there under a finish, of what is to be changed: on the same surface, and on the same wall where both name one. */
export const oldUnder = ({ makeover }: At, finish: LaidFinish): LaidFinish | null =>
  laidFinishes(makeover).find(
    (row) =>
      row.roomId === finish.roomId &&
      row.fate === 'change' &&
      liesOn(row, finish.surface) &&
      (row.wallId === null || finish.wallId === null || row.wallId === finish.wallId),
  ) ?? null

/** Each area that is painted, in the order a person would write it. */
export function paintedAreas(at: At, finish: LaidFinish, treatmentId: string): Painted[] {
  const write = (m2: number): string => writeArea(m2, at.units)
  const regions = regionsOf(at, finish, treatmentId)
  const walls = regions.map((region): Painted => {
    const kept = smallOpenings(at, region)
    const m2 = region.m2 + kept
    return {
      ...line(
        region.wall.name,
        write(m2),
        `${howMeasured(at, region)}${kept > 0 ? `; openings up to ${citeRule('paint.deduct-over', at.rules)} stay in` : ''}`,
        region.wall.row.id,
      ),
      m2,
    }
  })
  return [...walls, ...liesOf(finish, treatmentId).flatMap((lie) => besideWalls(at, lie, write))]
}

/** "4120 × 2550 less 1.6 m²" */
function howMeasured(at: At, region: Region): string {
  const length = lengthIn(at)
  const wide = Math.max(...region.cells.map(({ u1 }) => u1)) - Math.min(...region.cells.map(({ u0 }) => u0))
  const [low, high] = [
    Math.min(...region.cells.flatMap(({ outline }) => outline.map(({ y }) => y))),
    Math.max(...region.cells.flatMap(({ outline }) => outline.map(({ y }) => y))),
  ]
  const gross = (wide * (high - low)) / 1e6
  const less = gross - region.m2
  return `${length(wide)} × ${length(high - low)}${less > 0.005 ? `, less ${writeArea(less, at.units)}` : ''}`
}

/** Of openings that are too small to be deducted, what lies within the height and the stretch of the region. */
function smallOpenings({ room, rules }: At, { wall, cells }: Region): number {
  const most = rules['paint.deduct-over']
  if (most <= 0) return 0
  const bounds = {
    u0: Math.min(...cells.map(({ u0 }) => u0)),
    u1: Math.max(...cells.map(({ u1 }) => u1)),
    z0: Math.min(...cells.map(({ z0 }) => z0)),
    z1: Math.max(...cells.map(({ z1 }) => z1)),
  }
  return wall.openings
    .filter(({ row, z0, z1 }) => row.what !== 'niche' && (row.widthMm * (z1 - z0)) / 1e6 <= most)
    .reduce((sum, opening) => {
      const hole = {
        u0: Math.max(bounds.u0, opening.u0),
        u1: Math.min(bounds.u1, opening.u1),
        z0: Math.max(bounds.z0, opening.z0),
        z1: Math.min(bounds.z1, opening.z1),
      }
      return hole.u1 > hole.u0 && hole.z1 > hole.z0 ? sum + areaOf(cut(faceOf(room, wall), hole)) / 1e6 : sum
    }, 0)
}

function besideWalls({ room, areas, rules, units }: At, lie: Lie, write: (m2: number) => string): Painted[] {
  const length = lengthIn({ units })
  const openings = room.walls
    .flatMap((wall) => wall.openings.map((opening) => ({ wall, opening })))
    .filter(
      ({ wall, opening }) =>
        (lie.openingId === null || opening.row.id === lie.openingId) &&
        (lie.wallId === null || wall.row.id === lie.wallId),
    )
  switch (lie.surface) {
    case 'ceiling':
      return areas.ceilingM2 === null
        ? []
        : [{ ...line('Ceiling', write(areas.ceilingM2), 'as measured'), m2: areas.ceilingM2 }]
    case 'floor':
      return [{ ...line('Floor', write(areas.floorM2), 'as measured'), m2: areas.floorM2 }]
    case 'trim': {
      const [skirting, casing] = [
        (areas.skirtingMm * rules['survey.skirting-height']) / 1e6,
        (areas.casingMm * rules['survey.casing-width']) / 1e6,
      ]
      return [
        {
          ...line(
            'Skirting',
            write(skirting),
            `${length(areas.skirtingMm)} × ${length(rules['survey.skirting-height'])}`,
          ),
          m2: skirting,
        },
        {
          ...line('Casings', write(casing), `${length(areas.casingMm)} × ${length(rules['survey.casing-width'])}`),
          m2: casing,
        },
      ].filter(({ m2 }) => m2 > 0)
    }
    case 'door':
      return openings
        .filter(({ opening }) => opening.row.what === 'door')
        .map(({ wall, opening }) => {
          const high = opening.z1 - opening.z0
          const face = (opening.row.widthMm * high) / 1e6
          const edges = (2 * (opening.row.widthMm + high) * rules['paint.door-thick']) / 1e6
          return {
            ...line(
              opening.name,
              write(face + edges),
              `one face ${length(opening.row.widthMm)} × ${length(high)}, and its edges`,
              wall.row.id,
            ),
            m2: face + edges,
          }
        })
    case 'window':
      return openings
        .filter(({ opening }) => opening.row.what === 'window')
        .map(({ wall, opening }) => {
          const girth = 2 * (opening.row.widthMm + (opening.z1 - opening.z0))
          const m2 = (girth * rules['paint.window-frame']) / 1e6
          return {
            ...line(
              `${opening.name}, frame`,
              write(m2),
              `${length(girth)} round × ${length(rules['paint.window-frame'])}`,
              wall.row.id,
            ),
            m2,
          }
        })
    case 'radiator':
      return room.walls
        .filter(({ row }) => lie.wallId === null || lie.wallId === row.id)
        .flatMap((wall) =>
          wall.fixtures.filter(({ row }) => row.what === 'radiator').map((found) => ({ wall, ...found })),
        )
        .filter(({ u0, u1, z0, z1 }) => u1 > u0 && z1 > z0)
        .map(({ wall, name, u0, u1, z0, z1 }) => {
          const m2 = (2 * (u1 - u0) * (z1 - z0)) / 1e6
          return { ...line(name, write(m2), `both faces, ${length(u1 - u0)} × ${length(z1 - z0)}`, wall.row.id), m2 }
        })
    default:
      return []
  }
}

export function paintReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  { makeUp }: Product,
): Reckoned | Refused | null {
  const { rules, units } = at
  const areas = paintedAreas(at, finish, treatment.id)
  const m2 = areas.reduce((sum, area) => sum + area.m2, 0)
  if (!(m2 > 0)) return null
  const old = oldUnder(at, finish)
  const [before, fresh] = [old ? labOf(old) : null, labOf(finish)]
  const rough = old?.condition === 'damaged' || old?.material === 'plaster' || old?.material === 'textured coating'
  const rate = makeUp?.rateM2 ?? spreadingRate(rough ? 'rough' : 'smooth', rules)
  const { coats, because } =
    treatment.coats === null
      ? coatsFor(makeUp?.coats ?? null, before, fresh, rules)
      : { coats: [treatment.coats], because: 'as was decided' }
  const doses = coats.map((count) => ({
    count,
    litres: litresOf([{ name: finish.name, m2, coats: count, rate }]) ?? 0,
  }))
  const ground = under(
    {
      bare: false,
      newPlaster: old?.material === 'plaster' && old.condition === 'good',
      stained: false,
      glossy: old?.sheen === 'gloss' || old?.sheen === 'satin',
      old: before,
    },
    fresh,
    rules,
  )
  const below =
    treatment.under === 'as proposed' ? ground.what : treatment.under === 'nothing' ? 'none' : treatment.under
  // the first of two figures is what many manage: the buyer chooses
  const [dose] = doses
  const need = litresToBuy(dose?.litres ?? 0, treatment.leftOver, rules)
  const write = (litres: number): string => writeLitres(litres, units)
  return {
    ok: true,
    need,
    unit: 'l',
    words: doses.map(({ count, litres }) => `${write(litres)} in ${inCoats(count)}`).join(', or '),
    lines: [
      ...areas,
      line('Together', writeArea(m2, units), 'openings deducted as said'),
      line('Coats', coats.join(' or '), because),
      ...doses.map(({ count, litres }) =>
        line(
          `In ${inCoats(count)}`,
          write(litres),
          `${writeArea(m2, units)} × ${count} ÷ ${writeSpread(rate, units)}${makeUp?.rateM2 ? ', as the tin says' : `, ${rough ? 'rough' : 'smooth'}`}`,
        ),
      ),
      line('For touching up', write(rules['paint.reserve']), citeRule('paint.reserve', rules)),
      ...(treatment.leftOver > 0
        ? [line('Left from elsewhere', `− ${write(treatment.leftOver)}`, treatment.leftFrom)]
        : []),
    ],
    shapes: [],
    bars: [],
    lengths: null,
    beside:
      below === 'none' || below === 'sealer' || below === 'lining paper'
        ? below === 'none'
          ? []
          : [line(below === 'sealer' ? 'Sealer' : 'Lining paper', writeArea(m2, units), 'under it, as was decided')]
        : [
            line(
              below === 'primer' ? 'Primer' : 'Mist coat',
              write(m2 / rate),
              treatment.under === 'as proposed' ? `one coat: ${ground.because}` : 'one coat, as was decided',
            ),
          ],
    says: [
      ...(coats.length > 1
        ? [{ code: 'primer' as const, text: `${finish.name} may want a third coat: ${because}.` }]
        : []),
      ...(liesOf(finish, treatment.id).some(({ surface }) => surface === 'radiator')
        ? [{ code: 'heat' as const, text: 'A radiator is painted cold, in a paint that bears its heat.' }]
        : []),
    ],
  }
}
export const inCoats = (count: number): string =>
  count === 1 ? 'one coat' : count === 2 ? 'two coats' : count === 3 ? 'three coats' : `${count} coats`
