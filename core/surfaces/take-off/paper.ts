/** Paper round the walls it lies on: strips where they hang, rolls as they are cut. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import type { Region } from '../regions.ts'
import { hang, type CutPiece, type Roll } from '../paper.ts'
import { rectangle } from '../outlines.ts'
import { placeOf } from '../roll-patterns.ts'
import { muralReckoned } from './mural.ts'
import { tileReckoned } from './tile.ts'
import { lengthIn, line, type At, type CutBar, type Product, type Reckoned, type Refused, type Shape } from './told.ts'
import { hungOn, regionsOf, type Hung } from './where.ts'

/** The roll of a candidate; where nobody chose one, a roll as most are sold, with the repeat of the finish: EN 233. */
export function rollOf(finish: Pick<Row<'finish'>, 'repeatMm'>, { makeUp }: Product, rules: Rules): Roll {
  const repeatMm = makeUp?.repeatMm ?? finish.repeatMm ?? 0
  return {
    widthMm: makeUp?.widthMm ?? rules['paper.roll-width'],
    lengthMm: makeUp?.lengthMm ?? rules['paper.roll-length'],
    repeatMm,
    match: makeUp ? (makeUp.match === 'picture' ? 'free' : makeUp.match) : repeatMm === 0 ? 'free' : 'straight',
    ...(makeUp?.offsetMm == null ? {} : { offsetMm: makeUp.offsetMm }),
  }
}

/** Sold by the sheet, about as long as it is wide: it is laid square by square, and no roll is cut. */
const isSquare = ({ widthMm, lengthMm }: Roll): boolean => lengthMm <= 1.5 * widthMm

/** Stretches that follow one another round a corner, hung in one go; where a wall is left out, the next stretch begins anew. */
function runsOf(at: At, regions: readonly Region[]): Hung[][] {
  const walls = at.room.walls.length
  const hung = regions.map((region) => hungOn(region))
  const runs: Hung[][] = []
  for (const stretch of hung) {
    const last = runs.at(-1)?.at(-1)
    const follows =
      last !== undefined &&
      last.wall.at + 1 === stretch.wall.at &&
      last.begins + last.lengthMm > last.wall.lengthMm - 1 &&
      stretch.begins < 1
    if (follows) runs.at(-1)?.push(stretch)
    else runs.push([stretch])
  }
  const [first, final] = [runs[0]?.[0], runs.at(-1)?.at(-1)]
  // the last wall meets the first: the run begins where nothing comes before it
  const meets =
    runs.length > 1 &&
    first?.wall.at === 0 &&
    first.begins < 1 &&
    final?.wall.at === walls - 1 &&
    final.begins + final.lengthMm > final.wall.lengthMm - 1
  return meets ? [[...(runs.at(-1) ?? []), ...(runs[0] ?? [])], ...runs.slice(1, -1)] : runs
}

export function paperReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  product: Product,
): Reckoned | Refused | null {
  const mural = muralReckoned(at, finish, treatment, product)
  if (mural) return mural
  const { rules } = at
  const runs = runsOf(at, regionsOf(at, finish, treatment.id))
  if (runs.length === 0) return null
  const roll = rollOf(finish, product, rules)
  if (isSquare(roll)) return tileReckoned(at, finish, treatment, product)
  const length = lengthIn(at)
  const size = `${length(roll.lengthMm)} × ${length(roll.widthMm)}`
  const all = runs.flat()
  // stretches that do not follow one another each begin with a strip of their own: between them lies nothing to hang
  const hung = hang(all, roll, rules, treatment.startMm, startsOf(runs))
  if (!hung.ok) return hung
  const { paper } = hung
  const short = paper.pieces.filter(({ part }) => part !== 'whole').length
  const rolls = paper.fewest.rolls + paper.spare
  const round = runs.length === 1 && all.length === at.room.walls.length
  return {
    ok: true,
    need: Math.max(0, rolls - treatment.leftOver),
    unit: 'rolls',
    words: `${rolls} ${rolls === 1 ? 'roll' : 'rolls'} of ${size}`,
    lines: [
      ...all.map(({ name, lengthMm, heightMm, wall }) =>
        line(name, length(lengthMm), `${length(heightMm)} high`, wall.row.id),
      ),
      line('Strips', String(paper.strips), `each ${length(roll.widthMm)} wide`),
      line(
        'A strip is cut to',
        length(Math.max(...paper.pieces.map(({ lengthMm }) => lengthMm))),
        `with ${citeRule('paper.trim', rules, at.units)} to trim`,
      ),
      ...(roll.match === 'free'
        ? []
        : [
            line(
              'Its pattern',
              length(roll.repeatMm),
              roll.match === 'straight'
                ? 'meets straight across'
                : roll.match === 'half-drop'
                  ? 'drops by half from strip to strip'
                  : `drops by ${length(roll.offsetMm ?? 0)} from strip to strip`,
            ),
          ]),
      ...(short > 0
        ? [line('Short pieces', String(short), 'over and under openings that a whole strip lies within')]
        : []),
      line('In the order of hanging', `${paper.inOrder.rolls} rolls`, 'cut one after the other'),
      line(
        'Fewest',
        `${paper.fewest.rolls} rolls`,
        `${paper.fewest.proven ? 'no fewer can do' : 'fewer were not found'}; ${Math.round(100 * paper.used)} % of it hangs`,
      ),
      ...(paper.spare > 0
        ? [line('Laid by', `${paper.spare} roll`, `of the same batch, from ${citeRule('paper.spare-from', rules)}`)]
        : []),
      ...(treatment.leftOver > 0 ? [line('Left from elsewhere', `− ${treatment.leftOver}`, treatment.leftFrom)] : []),
    ],
    shapes: stripShapes(all, paper.pieces),
    bars: rollBars(paper.fewest.plan, roll),
    lengths: null,
    beside: [],
    says: [
      ...(roll.match === 'free' || product.makeUp !== null
        ? []
        : [{ code: 'phase' as const, text: `Nobody chose a roll: one of ${size} is taken, as most are sold.` }]),
      ...(round && roll.match !== 'free'
        ? [
            {
              code: 'closing' as const,
              text: `The pattern does not meet where the last strip comes to the first, at the beginning of ${all[0]?.name ?? ''}: best the corner that is seen least.`,
            },
          ]
        : []),
    ],
  }
}

/** Where a run of its own begins, counted along all of them. */
function startsOf(runs: readonly (readonly Hung[])[]): number[] {
  let along = 0
  return runs.map((run) => {
    const start = along
    along += run.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    return start
  })
}

/** A strip by its number; over and under an opening its pieces are a and b. */
const nameOf = ({ strip, part }: CutPiece): string =>
  `${strip + 1}${part === 'over' ? 'a' : part === 'under' ? 'b' : ''}`

/** Each piece where it hangs, parted at the corners it goes round. */
function stripShapes(walls: readonly Hung[], pieces: readonly CutPiece[]): Shape[] {
  let along = 0
  const placed = walls.map((wall) => {
    const start = along
    along += wall.lengthMm
    return { wall, start }
  })
  return pieces.flatMap((piece) =>
    placed.flatMap(({ wall, start }): Shape[] => {
      const [left, right] = [Math.max(piece.fromMm, start), Math.min(piece.toMm, start + wall.lengthMm)]
      if (right - left < 1e-6) return []
      const top = Math.min(piece.topMm, wall.heightMm)
      const begins = wall.begins - start
      return [
        {
          on: wall.wall.row.id,
          kind: 'strip',
          outline: rectangle(begins + left, wall.low + piece.bottomMm, right - left, Math.max(0, top - piece.bottomMm)),
          whole: piece.part === 'whole',
          text: nameOf(piece),
          design: { x: begins + piece.edgeMm, y: wall.low + piece.topMm + piece.phaseMm },
        },
      ]
    }),
  )
}

function rollBars(plan: readonly (readonly CutPiece[])[], roll: Roll): CutBar[] {
  const repeat = roll.match === 'free' ? 0 : roll.repeatMm
  let number = 0
  return plan.map((pieces) => {
    let end = 0
    return {
      name: `roll ${++number}`,
      lengthMm: roll.lengthMm,
      pieces: pieces.map((piece) => {
        const start = placeOf(end, piece.phaseMm, repeat)
        end = start + piece.lengthMm
        return { text: nameOf(piece), fromMm: start, lengthMm: piece.lengthMm }
      }),
    }
  })
}
