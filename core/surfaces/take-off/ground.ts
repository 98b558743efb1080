/** Hard ground outdoors. It defers to the trade and to local rules. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea, writeVolume } from '../../measure/area.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Point } from '../../survey/index.ts'
import { slabOf } from '../hard-ground.ts'
import { boxOfAll, rectangle } from '../outlines.ts'
import { m2Of } from '../tiles.ts'
import { lengthIn, line, type At, type Reckoned, type Refused, type Shape } from './told.ts'
import { floorOf } from './where.ts'
import { perimeterOf } from './fields.ts'

export function groundReckoned(at: At, finish: LaidFinish, treatment: Row<'treatment'>): Reckoned | Refused | null {
  const { rules, units } = at
  const [parts] = [floorOf(at, finish)]
  if (parts.length === 0) return null
  const [box, length] = [boxOfAll(parts), lengthIn(at)]
  const sides = [box.right - box.left, box.high - box.low].toSorted((left, right) => right - left)
  const found = slabOf(
    {
      m2: m2Of(parts),
      longMm: sides[0] ?? 0,
      shortMm: sides[1] ?? 0,
      edgeMm: perimeterOf(parts),
      thickMm: treatment.thickMm ?? rules['ground.thick'],
      baseMm: treatment.baseMm ?? rules['ground.base'],
      everyMm: treatment.everyMm,
    },
    rules,
  )
  if (!found.ok) return found
  const { slab } = found
  const thick = treatment.thickMm ?? rules['ground.thick']
  const far =
    slab.times > rules['ground.joint-look'] + 1e-9
      ? 'ground.joint-look'
      : slab.times > rules['ground.joint-note'] + 1e-9
        ? 'ground.joint-note'
        : null
  return {
    ok: true,
    need: slab.bags,
    unit: 'bags',
    words: `${slab.bags} bags of 25 kg`,
    lines: [
      line('Ground', writeArea(m2Of(parts), units), 'as measured'),
      line('Concrete', writeVolume(slab.concreteM3, units), `${length(thick)} thick`),
      line('Bags', String(slab.bags), citeRule('ground.bag', rules)),
      line(
        'Joints',
        length(slab.everyMm),
        `${slab.times.toFixed(0)} times the thickness; ${length(slab.jointMm)} together`,
      ),
      line(
        'Fall',
        length(slab.fallMm),
        `over ${length(sides[0] ?? 0)}, away from the house: ${citeRule('ground.fall', rules)}`,
      ),
    ],
    shapes: jointShapes(box, slab.jointsLong, slab.jointsShort, sides[0] === box.right - box.left),
    bars: [],
    lengths: null,
    beside: [
      line('Base', writeVolume(slab.baseM3, units), 'tamped in layers; local rules and the trade decide how deep'),
      line('Edging', length(slab.edgeMm), 'round it'),
    ],
    says: far
      ? [
          {
            code: 'joint',
            text: `Joints ${slab.times.toFixed(0)} times the thickness apart: over ${citeRule(far, rules)} it cracks between them. Score it closer, or lay it thicker.`,
          },
        ]
      : [],
  }
}

function jointShapes(box: ReturnType<typeof boxOfAll>, long: number, short: number, isWide: boolean): Shape[] {
  const [columns, rows] = isWide ? [long, short] : [short, long]
  const [wide, high] = [box.right - box.left, box.high - box.low]
  const joint = (outline: Point[]): Shape => ({ on: 'floor', kind: 'joint', outline, whole: true, text: '' })
  return [
    ...Array.from({ length: columns }, (_, at) =>
      joint(rectangle(box.left + (wide * (at + 1)) / (columns + 1), box.low, 0, high)),
    ),
    ...Array.from({ length: rows }, (_, at) =>
      joint(rectangle(box.left, box.low + (high * (at + 1)) / (rows + 1), wide, 0)),
    ),
  ]
}
