/** Tiles on walls and floors: each field laid out by itself. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea } from '../../measure/area.ts'
import { percentOf, weightOf } from './words.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { groutKg, layTiles, m2Of, tilesByArea, type Layout, type Tile, type Tiling } from '../tiles.ts'
import { lengthIn, line, type At, type Product, type Reckoned, type Refused, type Saying, type Shape } from './told.ts'
import { fieldsOf, thresholds, type Field } from './fields.ts'
import { edgesToTrim, nicheSides } from './tile-edges.ts'

const layoutWords: Readonly<Record<Layout, string>> = {
  grid: 'in a grid',
  half: 'stepped by a half',
  third: 'stepped by a third',
  stacked: 'upright, stacked',
  diagonal: 'on the diagonal',
  herringbone: 'in a herringbone',
}

/** Tiles; also squares of paper, which are laid as tiles are, edge to edge. */
export function tileReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  { makeUp }: Pick<Product, 'makeUp'>,
): Reckoned | Refused | null {
  const { rules, units } = at
  const fields = fieldsOf(at, finish, treatment.id)
  const m2 = fields.reduce((sum, { parts }) => sum + m2Of(parts), 0)
  if (!(m2 > 0)) return null
  const length = lengthIn(at)
  if (makeUp?.widthMm == null || makeUp.lengthMm === null)
    return {
      ok: true,
      need:
        m2 *
          (1 +
            rules[
              treatment.layout === 'diagonal' || treatment.layout === 'herringbone'
                ? 'tile.waste-diagonal'
                : 'tile.waste-straight'
            ] /
              100) -
        treatment.leftOver,
      unit: 'm²',
      words: `about ${writeArea(m2 * (1 + rules['tile.waste-straight'] / 100), units)} of tile`,
      lines: [
        ...fields.map(({ name, parts, wallId }) => line(name, writeArea(m2Of(parts), units), 'as measured', wallId)),
        line(
          'Cuts and breakage',
          citeRule('tile.waste-straight', rules),
          'nobody chose a tile with its size: by the area alone',
        ),
      ],
      shapes: [],
      bars: [],
      lengths: null,
      beside: [],
      says: [],
    }
  const isPaper = treatment.how === 'paper'
  const tile: Tile = {
    widthMm: makeUp.widthMm,
    heightMm: makeUp.lengthMm,
    jointMm: isPaper ? 0 : (treatment.jointMm ?? makeUp.jointMm ?? rules['tile.joint']),
  }
  const laid: { field: Field; tiling: Tiling }[] = []
  for (const field of [...fields, ...nicheSides(at, finish, treatment.id)]) {
    const found = layTiles(field.parts, tile, treatment, rules)
    if (!found.ok) return { ok: false, error: `${field.name}: ${found.error}` }
    laid.push({ field, tiling: found.tiling })
  }
  const sum = (valueOf: (tiling: Tiling) => number): number =>
    laid.reduce((total, { tiling }) => total + valueOf(tiling), 0)
  const [whole, cut, taken] = [
    sum((tiling) => tiling.whole),
    sum((tiling) => tiling.cut),
    sum((tiling) => tiling.taken),
  ]
  const toBuy = Math.ceil(taken * (1 + rules['tile.breakage'] / 100) - 1e-9)
  const depth = makeUp.thickMm ?? rules['tile.depth']
  // the sides of a niche are narrow by their nature
  const thin = laid.filter(({ field, tiling }) => tiling.slivers > 0 && fields.includes(field))
  const edges = edgesToTrim(at, finish, treatment.id)
  const edge = edges.reduce((total, { lengthMm }) => total + lengthMm, 0)
  const trims = Math.ceil(edge / rules['tile.trim-length'] - 1e-9)
  return {
    ok: true,
    need: Math.max(0, toBuy - treatment.leftOver),
    unit: 'tiles',
    words: `${toBuy} ${isPaper ? 'squares' : 'tiles'}`,
    lines: [
      ...laid.map(({ field, tiling }) =>
        line(
          field.name,
          `${tiling.whole} + ${tiling.cut}`,
          `whole and cut, ${layoutWords[treatment.layout]}, on ${writeArea(m2Of(field.parts), units)}`,
          field.wallId,
        ),
      ),
      line(
        'Together',
        String(whole + cut),
        `${whole} whole and ${cut} cut, of ${length(tile.widthMm)} × ${length(tile.heightMm)} with a joint of ${length(tile.jointMm)}`,
      ),
      ...(treatment.reuse && taken < whole + cut
        ? [line('Offcuts serve again', String(taken), `${whole + cut - taken} are cut from what others leave`)]
        : []),
      line('What breaks', `+ ${toBuy - taken}`, citeRule('tile.breakage', rules)),
      line(
        'By the area alone',
        String(tilesByArea(m2, tile, treatment.layout, rules)),
        'as it is guessed without a layout',
      ),
      ...(treatment.leftOver > 0 ? [line('Left from elsewhere', `− ${treatment.leftOver}`, treatment.leftFrom)] : []),
    ],
    shapes: laid.flatMap(({ field, tiling }) =>
      tiling.tiles.map((piece): Shape => ({
        on: field.on,
        kind: 'tile',
        outline: piece.outline,
        whole: piece.whole,
        text: '',
      })),
    ),
    bars: [],
    lengths: null,
    beside: isPaper
      ? []
      : [
          line(
            'Grout',
            weightOf(groutKg(m2, tile, depth, rules), units),
            `joints of ${length(tile.jointMm)}, ${length(depth)} deep`,
          ),
          line('Adhesive', weightOf(m2 * rules['tile.adhesive'], units), citeRule('tile.adhesive', rules)),
          ...(edges.length === 0
            ? []
            : [
                line(
                  'Edge trim',
                  length(edge),
                  `${edges.map((free) => `${free.what} ${length(free.lengthMm)}`).join(', ')}: ${trims} of ${length(rules['tile.trim-length'])}, if the tile has no glazed edge`,
                ),
              ]),
          ...(fields.some(({ on }) => on === 'floor') ? thresholds(at) : []),
        ],
    says: thin.map(({ field, tiling }): Saying => ({
      // what no shift avoids is told with the take-off, and is no fault
      code: tiling.better ? 'sliver' : 'cuts',
      ...(laid.length === 1 && tiling.better
        ? { shift: { startMm: tiling.better.startMm, upMm: tiling.better.upMm } }
        : {}),
      text: `${field.name}: ${tiling.slivers} cut tiles are narrower than a third, the narrowest ${percentOf(tiling.narrowest)}.${
        tiling.better
          ? ` Move the start by ${length(Math.abs(tiling.better.startMm - treatment.startMm))} along and ${length(Math.abs(tiling.better.upMm - treatment.upMm))} up, and fewer are.`
          : ' No shift leaves fewer.'
      }`,
    })),
  }
}
