/** Boards: rows, offcuts, and which way they run. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea } from '../../measure/area.ts'
import { percentOf } from './words.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { layBoards, type Boarding } from '../boards.ts'
import { boxOfAll, rectangle, turned } from '../outlines.ts'
import { m2Of } from '../tiles.ts'
import { lengthIn, line, type At, type Product, type Reckoned, type Refused, type Saying, type Shape } from './told.ts'
import { fieldsOf, type Field, perimeterOf, thresholds, areaOnly } from './fields.ts'

/** Boards in the room's own directions, along its first wall or across it. */
export function boardsReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  { makeUp }: Product,
): Reckoned | Refused | null {
  const { rules, units } = at
  const fields = fieldsOf(at, finish, treatment.id)
  const m2 = fields.reduce((sum, { parts }) => sum + m2Of(parts), 0)
  if (!(m2 > 0)) return null
  const length = lengthIn(at)
  if (makeUp?.widthMm == null || makeUp.lengthMm === null)
    return areaOnly(fields, m2, treatment, at, 'nobody chose a board with its size: by the area alone')
  const board = { widthMm: makeUp.widthMm, lengthMm: makeUp.lengthMm }
  const laid: { field: Field; boarding: Boarding; across: number | null }[] = []
  for (const field of fields) {
    const run = (isTurned: boolean) =>
      layBoards(isTurned ? turned(field.parts) : field.parts, board, treatment.reuse, rules)
    const found = run(treatment.turned)
    if (!found.ok) return { ok: false, error: `${field.name}: ${found.error}` }
    const otherWay = run(!treatment.turned)
    laid.push({ field, boarding: found.boarding, across: otherWay.ok ? otherWay.boarding.taken : null })
  }
  const taken = laid.reduce((total, { boarding }) => total + boarding.taken, 0)
  const around = laid.reduce((total, { field }) => total + perimeterOf(field.parts), 0)
  return {
    ok: true,
    need: Math.max(0, taken - treatment.leftOver),
    unit: 'boards',
    words: `${taken} boards`,
    lines: [
      ...laid.flatMap(({ field, boarding, across }) => [
        line(
          field.name,
          writeArea(m2Of(field.parts), units),
          `${boarding.rows} rows, a gap of ${length(rules['boards.gap'])} at the walls`,
          field.wallId,
        ),
        line(
          'First and last row',
          `${length(boarding.firstMm)}, ${length(boarding.lastMm)}`,
          boarding.ripped ? 'the first is ripped, so that the last is not too thin' : 'nothing is ripped first',
        ),
        line(
          'Boards',
          String(boarding.taken),
          `${treatment.reuse ? 'offcuts of 300 and more serve again' : 'no offcut serves again'}; ${percentOf(boarding.used)} of them lies; by the area ${boarding.least}`,
        ),
        ...(across === null ? [] : [line('Laid the other way', String(across), 'boards')]),
      ]),
      line(
        'Which way',
        treatment.turned ? 'across' : 'along',
        `the first wall: ${directionWords(at, treatment.turned)}`,
      ),
      ...(treatment.leftOver > 0 ? [line('Left from elsewhere', `− ${treatment.leftOver}`, treatment.leftFrom)] : []),
    ],
    shapes: laid.flatMap(({ field, boarding }) =>
      boarding.boards.map((piece): Shape => {
        const outline = rectangle(piece.x, piece.y, piece.length, piece.width)
        return {
          on: field.on,
          kind: 'board',
          outline: treatment.turned ? (turned([outline])[0] ?? outline) : outline,
          whole: Math.abs(piece.length - board.lengthMm) < 1e-6 && Math.abs(piece.width - board.widthMm) < 1e-6,
          text: '',
        }
      }),
    ),
    bars: [],
    lengths: null,
    beside: [
      line('Underlay', writeArea(m2, units), 'under it'),
      line('Edge strip', length(around), 'over the gap, where no skirting covers it'),
      ...thresholds(at),
    ],
    says: laid.flatMap(({ boarding }): Saying[] =>
      boarding.nearJoints + boarding.shortEnds > 0
        ? [
            {
              code: 'joint',
              text: `${boarding.nearJoints + boarding.shortEnds} rows have an end piece or a joint nearer than ${citeRule('boards.stagger', rules, units)}: a longer board, or the across way, avoids it.`,
            },
          ]
        : [],
    ),
  }
}

/** The reason of a direction: along the light from the largest window, or along the longer side. */
function directionWords({ room }: At, isTurned: boolean): string {
  const first = room.walls[0]
  const windows = room.walls.flatMap((wall) =>
    wall.openings
      .filter(({ row }) => row.what === 'window')
      .map((opening) => ({ wall, m2: opening.row.widthMm * (opening.z1 - opening.z0) })),
  )
  const light = windows.toSorted((left, right) => right.m2 - left.m2)[0]?.wall
  if (!first || room.outline.length === 0) return ''
  const box = boxOfAll([room.outline])
  const way = (wall: typeof first): { x: number; y: number } => ({
    x: Math.abs(wall.to.x - wall.from.x),
    y: Math.abs(wall.to.y - wall.from.y),
  })
  const runsAlongX = !isTurned
  const withLight = light ? way(light).x > way(light).y !== runsAlongX : null
  const withLength = box.right - box.left >= box.high - box.low === runsAlongX
  const said = [
    withLight === null
      ? ''
      : withLight
        ? `along the light from ${light?.name ?? ''}, so that joints do not show`
        : `across the light from ${light?.name ?? ''}: each joint throws a shadow`,
    withLength ? 'lengthways, which makes the room look longer' : 'crossways, which makes the room look wider',
  ]
  return said.filter(Boolean).join('; ')
}
