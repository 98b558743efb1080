/** Where a moulding runs: along walls between what breaks it, or round openings. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { skirtingBreaks, type Wall } from '../../survey/index.ts'
import { piecesOf, railHeight, type End, type MouldingPiece, type Run } from '../mouldings.ts'
import { rectangle } from '../outlines.ts'
import { holesIn } from '../regions.ts'
import { lengthIn, line, type At, type Line, type Shape } from './told.ts'
import { liesOf, tallest } from './where.ts'

export type Taken = {
  readonly pieces: readonly MouldingPiece[]
  /** The same where long runs are joined from whole lengths. */
  readonly byWholes?: readonly MouldingPiece[]
  readonly lines: readonly Line[]
  readonly shapes: readonly Shape[]
}

/** Along the walls between what breaks them, or round the openings. */
export function runs(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  thickMm: number,
  longestMm: number,
): Taken {
  const { room, rules } = at
  const length = lengthIn(at)
  const lies = liesOf(finish, treatment.id)
  const walls = room.walls.filter(({ row }) => lies.some(({ wallId }) => wallId === null || wallId === row.id))
  const height = heightOf(at, treatment, lies[0]?.bandFromMm ?? lies[0]?.bandToMm ?? null)
  if (treatment.profile === 'casing') {
    const openings = walls.flatMap((wall) =>
      wall.openings
        .filter(({ row }) => row.what === 'door' || row.what === 'window')
        .map((opening) => ({ wall, opening })),
    )
    const legs = openings.flatMap(({ wall, opening }): (Run & { wall: Wall })[] => {
      const high = opening.z1 - opening.z0
      const leg = { lengthMm: high, start: 'square', end: 'outside' } as const
      return [
        { name: `${opening.name}, left`, ...leg, wall },
        { name: `${opening.name}, right`, ...leg, wall },
        { name: `${opening.name}, head`, lengthMm: opening.row.widthMm, start: 'outside', end: 'outside', wall },
        ...(opening.row.what === 'window'
          ? [
              {
                name: `${opening.name}, foot`,
                lengthMm: opening.row.widthMm,
                start: 'outside',
                end: 'outside',
                wall,
              } as const,
            ]
          : []),
      ]
    })
    return {
      pieces: piecesOf(legs, thickMm, longestMm, rules),
      lines: openings.map(({ wall, opening }) =>
        line(
          opening.name,
          length(2 * (opening.z1 - opening.z0) + opening.row.widthMm * (opening.row.what === 'window' ? 2 : 1)),
          'both legs and its head',
          wall.row.id,
        ),
      ),
      shapes: [],
    }
  }
  const found = walls.flatMap((wall) => {
    const breaks =
      treatment.profile === 'skirting' || treatment.profile === null
        ? skirtingBreaks(wall, rules)
        : holesIn(wall).filter(({ z0, z1 }) => z0 < height && z1 > height)
    return stretchesBetween(wall, breaks, room.walls)
  })
  const along = found.map(({ run }) => run)
  return {
    pieces: piecesOf(along, thickMm, longestMm, rules),
    byWholes: piecesOf(along, thickMm, longestMm, rules, 'whole lengths'),
    lines: found.map(({ run, wall }) => line(run.name, length(run.lengthMm), endWords(run), wall.row.id)),
    shapes: found.map(({ run, wall, u0 }): Shape => ({
      on: wall.row.id,
      kind: 'length',
      outline: rectangle(
        u0,
        Math.max(0, height - (treatment.profile === 'skirting' || treatment.profile === null ? 0 : 30)),
        run.lengthMm,
        treatment.profile === 'skirting' || treatment.profile === null ? rules['survey.skirting-height'] : 60,
      ),
      whole: true,
      text: '',
    })),
  }
}

const endWords = ({ start, end }: Run): string =>
  start === 'outside' || end === 'outside'
    ? 'a mitre round the corner that juts out'
    : start === 'square' || end === 'square'
      ? 'square at an opening'
      : 'from corner to corner'

/** At which height a rail runs: as it was said, at a third of the wall, or under the ceiling. */
function heightOf(at: At, { profile }: Row<'treatment'>, said: number | null): number {
  const top = tallest(at)
  if (profile === 'skirting' || profile === null) return 0
  if (said !== null) return said
  if (profile === 'dado rail') return at.room.survey?.dadoMm ?? railHeight(top, at.rules)
  return profile === 'picture rail' ? (at.room.survey?.railMm ?? top) : top
}

function stretchesBetween(
  wall: Wall,
  breaks: readonly { readonly u0: number; readonly u1: number }[],
  walls: readonly Wall[],
): { run: Run; wall: Wall; u0: number }[] {
  const before = walls[(wall.at + walls.length - 1) % walls.length]
  const corner = (row: Wall['row'] | undefined): End =>
    row?.corner === 'outside' || (row?.corner === 'angle' && (row.cornerDeg ?? 0) > 180) ? 'outside' : 'inside'
  const found: { run: Run; wall: Wall; u0: number }[] = []
  let [u0, start]: [number, End] = [0, corner(before?.row)]
  const sorted = breaks.toSorted((left, right) => left.u0 - right.u0)
  const add = (end: number, how: End): void => {
    if (end - u0 > 1) found.push({ wall, u0, run: { name: wall.name, lengthMm: end - u0, start, end: how } })
  }
  for (const gap of sorted) {
    add(Math.max(0, gap.u0), 'square')
    ;[u0, start] = [Math.max(u0, gap.u1), 'square']
  }
  add(wall.lengthMm, corner(wall.row))
  return found
}
