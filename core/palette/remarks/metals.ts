/** Silver metals beside warm and cool tile and stone: across families it is no clash, and worth knowing. Common practice. */
import { chroma } from '../../colour/lab.ts'
import { groupBy } from '../../makeover/document.ts'
import { paletteFinishes } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { Remark } from '../../remarks/remark.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import { labOf } from '../colour-of.ts'
import { subjectOf, type Checks } from './said.ts'

const beside = new Set(['ceramic', 'stone'])

export const besideRemarks: Checks = (makeover, _palette, { rules }) =>
  [...groupBy(paletteFinishes(makeover), (row) => row.roomId).values()].flatMap((rows) => {
    const silvers = rows.filter(
      (row) =>
        row.family === 'metal' &&
        chroma(labOf(row)) < rules['colour.near-neutral'] &&
        row.labL > rules['lrv.middle-from'],
    )
    // what is largest among tile and stone is what the metal is seen beside
    const [tile] = rows
      .filter((row) => beside.has(row.family) && chroma(labOf(row)) < 2 * rules['colour.near-neutral'])
      .toSorted((left, right) => (right.visibleM2 ?? 0) - (left.visibleM2 ?? 0))
    return tile ? silvers.flatMap((metal) => parted(metal, tile, rules)) : []
  })

function parted(metal: Row<'finish'>, tile: Row<'finish'>, rules: Rules): Remark[] {
  const limit = rules['metals.beside']
  const [warmTile, coolTile] = [tile.labB > 2 * limit, tile.labB < -limit]
  const [coolMetal, warmMetal] = [metal.labB <= limit, metal.labB >= 2 * limit]
  if (!((warmTile && coolMetal) || (coolTile && warmMetal))) return []
  return [
    remark({
      code: 'metal-beside',
      subjects: [subjectOf(metal), subjectOf(tile)],
      title: `${metal.name} is ${coolMetal ? 'cool beside warm' : 'warm beside cool'} ${tile.name}`,
      sentence: `Metals are held against the tile and stone they stand by: ${coolMetal ? 'polished nickel is warmer than chrome, and sits better by a warm tile' : 'chrome is cooler than nickel, and sits better by a cool tile'}. Its b* is ${metal.labB.toFixed(1)}; a silver is cool up to ${citeRule('metals.beside', rules)}.`,
      numbers: [metal.labB, tile.labB],
    }),
  ]
}
