/** What a finish of the palette takes where it lies on measured surfaces, with the working a person would write. */
import type { Makeover } from '../makeover/document.ts'
import { laidFinishes, liesOn, type LaidFinish } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeArea, writeLitres } from '../measure/area.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { workingLine, type Working } from '../money/working.ts'
import { labOf } from '../palette/index.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { Room, RoomAreas } from '../survey/index.ts'
import { coatsFor, litresOf, litresToBuy, spreadingRate, under } from './paint.ts'
import { hang, type PaperWall, type Roll } from './paper.ts'

export type TakeOff = { readonly words: string; readonly working: Working }
type On = { readonly room: Room; readonly areas: RoomAreas; readonly rules: Rules; readonly units: UnitSystem }

/** Litres of a paint, by the measured area of the finish. Null where it is no paint that is to be bought. */
export function paintTakeOff(
  makeover: Makeover,
  finish: LaidFinish,
  m2: number,
  { rules, units }: Pick<On, 'rules' | 'units'>,
): TakeOff | null {
  if (finish.family !== 'paint' || finish.fate !== null || !(m2 > 0)) return null
  const old = laidFinishes(makeover).find(
    (row) => row.roomId === finish.roomId && liesOn(row, finish.surface) && row.fate === 'change',
  )
  const fresh = labOf(finish)
  const before = old ? labOf(old) : null
  const { coats, because } = coatsFor(null, before, fresh, rules)
  const rate = spreadingRate(old?.condition === 'damaged' ? 'rough' : 'smooth', rules)
  const doses = coats.map((count) => ({
    count,
    litres: litresOf([{ name: finish.name, m2, coats: count, rate }]) ?? 0,
  }))
  const primer = under(
    { bare: false, newPlaster: false, stained: false, glossy: old?.sheen === 'gloss', old: before },
    fresh,
    rules,
  )
  const write = ({ count, litres }: (typeof doses)[number]): string =>
    `${writeLitres(litres, units)} in ${inCoats(count)}`
  return {
    words: doses.map(write).join(', or '),
    working: {
      title: `Paint for ${finish.name}`,
      means: `Its measured area times the coats, by what a litre covers: ${citeRule(old?.condition === 'damaged' ? 'paint.rate-rough' : 'paint.rate-smooth', rules)}, until a tin says otherwise. Openings are deducted.`,
      lines: [
        workingLine('Area', writeArea(m2, units), 'as measured'),
        workingLine('Coats', coats.join(' or '), because),
        ...(primer.what === 'none' ? [] : [workingLine('Under it', primer.what, primer.because)]),
        ...doses.map(({ count, litres }) =>
          workingLine(
            `With ${inCoats(count)}`,
            writeLitres(litres, units),
            `${writeArea(m2, units)} × ${count} ÷ ${rate} m² a litre`,
          ),
        ),
      ],
      result: workingLine(
        'To buy, with a reserve',
        doses.map(({ litres }) => writeLitres(litresToBuy(litres, 0, rules), units)).join(' or '),
        citeRule('paint.reserve', rules),
      ),
    },
  }
}
const inCoats = (count: number): string =>
  count === 1 ? 'one coat' : count === 2 ? 'two coats' : count === 3 ? 'three coats' : `${count} coats`

/** A roll as most are sold, with the repeat of the finish: EN 233. */
export const usualRoll = (finish: Pick<Row<'finish'>, 'repeatMm'>, rules: Rules): Roll => ({
  widthMm: rules['paper.roll-width'],
  lengthMm: rules['paper.roll-length'],
  repeatMm: finish.repeatMm ?? 0,
  match: finish.repeatMm === null ? 'free' : 'straight',
})

/** The walls a finish lies on, as paper meets them: their heights, or the band of it, and the openings within. */
export function paperWalls(finish: LaidFinish, { room, areas }: Pick<On, 'room' | 'areas'>): PaperWall[] {
  return room.walls
    .filter(({ row }) => finish.wallId === null || row.id === finish.wallId)
    .flatMap((wall): PaperWall[] => {
      const face = areas.walls.find(({ wallId }) => wallId === wall.row.id)?.face ?? []
      const top = Math.max(0, ...face.map(({ y }) => y))
      const [low, high] = [finish.bandFromMm ?? 0, Math.min(top, finish.bandToMm ?? top)]
      if (!(high > low)) return []
      return [
        {
          name: wall.name,
          lengthMm: wall.lengthMm,
          heightMm: high - low,
          holes: wall.openings
            .filter(({ row, z0, z1 }) => row.what !== 'niche' && z1 > low && z0 < high)
            .map(({ u0, u1, z0, z1 }) => ({ u0, u1, z0: Math.max(0, z0 - low), z1: Math.min(high, z1) - low })),
        },
      ]
    })
}

/** Rolls of a paper round the walls it lies on. Null where it is no paper on walls, or no height is known. */
export function paperTakeOff(finish: LaidFinish, on: On): TakeOff | null {
  if (finish.family !== 'paper' || !liesOn(finish, 'walls') || finish.fate !== null) return null
  const { rules, units } = on
  const walls = paperWalls(finish, on)
  if (walls.length === 0) return null
  const roll = usualRoll(finish, rules)
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  const size = `${length(roll.lengthMm)} × ${length(roll.widthMm)}`
  const title = `Rolls for ${finish.name}`
  const means = `Strips hung from the first corner to the right, each with ${citeRule('paper.trim', rules, units)} to trim, from rolls of ${size} (EN 233) until a candidate says otherwise.${roll.match === 'free' ? ' Nobody measured its repeat: it is taken for free of a match.' : ''} The first phase of a roll is taken for its beginning: for what is lost there, one repeat more a roll.`
  const hung = hang(walls, roll, rules)
  if (!hung.ok)
    return { words: hung.error, working: { title, means, lines: [], result: workingLine('Rolls', '–', hung.error) } }
  const { strips, pieces, inOrder, fewest, spare, used } = hung.paper
  const short = pieces.filter(({ part }) => part !== 'whole').length
  const rolls = fewest.rolls + spare
  return {
    words: `${rolls} rolls of ${size}`,
    working: {
      title,
      means,
      lines: [
        workingLine(
          'Round the walls',
          length(walls.reduce((sum, wall) => sum + wall.lengthMm, 0)),
          walls.map(({ name }) => name).join(', '),
        ),
        workingLine('Strips', String(strips), `÷ ${length(roll.widthMm)}`),
        ...(short > 0
          ? [workingLine('Short pieces', String(short), 'over and under openings that a whole strip lies within')]
          : []),
        workingLine('In the order of hanging', `${inOrder.rolls} rolls`, 'cut one after the other'),
        workingLine(
          'Fewest',
          `${fewest.rolls} rolls`,
          `${fewest.proven ? 'no fewer can do' : 'fewer were not found'}; ${Math.round(100 * used)} % of it hangs`,
        ),
        ...(spare > 0
          ? [workingLine('Laid by', `${spare} roll`, `of the same batch, from ${citeRule('paper.spare-from', rules)}`)]
          : []),
      ],
      result: workingLine('To buy, of one batch', `${rolls} rolls`),
    },
  }
}
