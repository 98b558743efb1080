/** How a thing sits beside its neighbours: lengths and heights that belong together, and too much of one kind. Lengths in mm. */
import type { Rules } from '../rulebook/rulebook.ts'
import { gapBetween, insideOf, segmentsOf } from './apart.ts'
import { leastApart, type Body } from './bodies.ts'
import { check, type Check } from './checks.ts'
import { frontOf } from './shapes.ts'
import { isBedside, isSofa, lowTop } from './sides.ts'

export function proportionChecks(bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  if (!body.thing) return []
  return [
    ...(isSofa(body) ? lowTables(bodies, body, rules) : []),
    ...(body.thing.kind === 'bed' ? bedsides(bodies, body, rules) : []),
    ...(body.thing.kind === 'light' ? overTable(bodies, body, rules) : []),
    ...alike(bodies, body),
  ]
}

const off = (about: string, ids: readonly string[], mm: number, wantedMm: number, rule: Check['rule']): Check =>
  check('proportion', ids, { weight: 'note', mm, wantedMm, rule, about })

/** Of the tables before a sofa: half to two thirds of its length together, and about as high as its seat. */
function lowTables(bodies: readonly Body[], sofa: Body, rules: Rules): Check[] {
  const way = frontOf(sofa.at)
  const long = sofa.thing?.widthMm ?? 0
  const half = (sofa.thing?.depthMm ?? 0) / 2
  const before = bodies.filter(({ thing, top, low, at }) => {
    if (thing?.kind !== 'table' || top > lowTop || low > 100) return false
    const [dx, dy] = [at.xMm - sofa.at.xMm, at.yMm - sofa.at.yMm]
    const [ahead, aside] = [dx * way.x + dy * way.y - half, Math.abs(dx * way.y - dy * way.x)]
    return ahead > 0 && ahead < 1500 && aside < long / 2
  })
  if (before.length === 0 || long <= 0) return []
  // as wide as it lies along the sofa
  const along = ({ outline }: Body): number => {
    const ats = outline.map(({ x, y }) => x * way.y - y * way.x)
    return Math.max(...ats) - Math.min(...ats)
  }
  const wide = before.reduce((sum, table) => sum + along(table), 0)
  const [least, most] = [rules['place.low-table-least'], rules['place.low-table-most']]
  const percent = (100 * wide) / long
  const ids = [sofa.id, ...before.map(({ id }) => id)]
  const share =
    percent < least - 1
      ? [off('short', ids, wide, (least / 100) * long, 'place.low-table-least')]
      : percent > most + 1
        ? [off('long', ids, wide, (most / 100) * long, 'place.low-table-most')]
        : []
  if (!sofa.thing?.isTopMeasured) return share
  const height = before
    .filter(
      ({ thing, top }) =>
        !thing?.assumed && Math.abs(top - (sofa.low + (sofa.thing?.topMm ?? 0))) > rules['place.low-table-seat'] + 1,
    )
    .map((table) =>
      off(
        table.top > sofa.low + (sofa.thing?.topMm ?? 0) ? 'above seat' : 'below seat',
        [table.id, sofa.id],
        Math.abs(table.top - sofa.low - (sofa.thing?.topMm ?? 0)),
        rules['place.low-table-seat'],
        'place.low-table-seat',
      ),
    )
  return [...share, ...height]
}

/** A table at a bed is level with its mattress. */
function bedsides(bodies: readonly Body[], bed: Body, rules: Rules): Check[] {
  if (!bed.thing?.isTopMeasured) return []
  const level = bed.low + bed.thing.topMm
  return bodies
    .filter(
      (met) =>
        met.thing?.kind !== 'light' &&
        isBedside(met, bed) &&
        !met.thing?.assumed &&
        met.low < 100 &&
        leastApart(met, bed) < 300 &&
        gapBetween(segmentsOf(met.outline), segmentsOf(bed.outline)).mm < 300 &&
        Math.abs(met.top - level) > rules['place.bedside-level'] + 1,
    )
    .map((met) =>
      off(
        met.top > level ? 'above mattress' : 'below mattress',
        [met.id, bed.id],
        Math.abs(met.top - level),
        rules['place.bedside-level'],
        'place.bedside-level',
      ),
    )
}

/** A lamp that hangs over a table: high enough to see under, low enough to belong to it, and not as wide as it. */
function overTable(bodies: readonly Body[], lamp: Body, rules: Rules): Check[] {
  const { thing } = lamp
  // where nobody said how high it hangs nothing is known of it
  if (!thing || lamp.low < 1000 || thing.piece.aboveMm < 1000) return []
  const table = bodies.find(
    (met) =>
      met.thing?.kind === 'table' &&
      met.top > lowTop &&
      met.top < lamp.low &&
      met.parts.some((part) => insideOf({ x: lamp.at.xMm, y: lamp.at.yMm }, part)),
  )
  if (!table?.thing) return []
  const above = lamp.low - table.top
  const ids = [lamp.id, table.id]
  const [least, most] = [rules['place.pendant-least'], rules['place.pendant-most']]
  const most2 = (rules['place.pendant-width'] / 100) * Math.min(table.thing.widthMm, table.thing.depthMm)
  const wide = Math.min(thing.widthMm, thing.depthMm)
  return [
    ...(above < least - 10 ? [off('hangs low', ids, above, least, 'place.pendant-least')] : []),
    ...(above > most + 10 ? [off('hangs high', ids, above, most, 'place.pendant-most')] : []),
    ...(!thing.assumed && wide > most2 + 10 ? [off('wide lamp', ids, wide, most2, 'place.pendant-width')] : []),
  ]
}

/** Three or more different things of one kind in a row, all as high as each other: nothing leads. What is built flush is one thing. */
function alike(bodies: readonly Body[], body: Body): Check[] {
  const kind = body.thing?.kind
  if (kind !== 'storage' && kind !== 'shelf' && kind !== 'table') return []
  const same = bodies.filter(
    ({ thing, top, low }) => thing?.kind === kind && Math.abs(top - body.top) <= 30 && Math.abs(low - body.low) <= 30,
  )
  const row = new Set([body])
  let grew = true
  while (grew) {
    grew = false
    for (const met of same) {
      if (row.has(met)) continue
      const near = [...row].some((known) => {
        if (leastApart(known, met) >= besideMm) return false
        const gap = gapBetween(segmentsOf(known.outline), segmentsOf(met.outline)).mm
        return gap > flushMm && gap < besideMm
      })
      if (near) {
        row.add(met)
        grew = true
      }
    }
  }
  const pieces = new Set([...row].map(({ thing }) => thing?.piece.id))
  if (row.size < 3 || pieces.size < 3) return []
  return [
    check('alike', [body.id, ...[...row].filter((met) => met !== body).map(({ id }) => id)], {
      weight: 'note',
      mm: body.top,
      about: [...row]
        .map(({ name }) => name)
        .toSorted()
        .join('|'),
    }),
  ]
}
const flushMm = 20
const besideMm = 450
