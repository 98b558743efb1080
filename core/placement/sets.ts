/** Several of one piece placed as a set: chairs round a table, a pair beside what it belongs to; else one after the other. */
import { bodyOf, type Body, type Waiting } from './bodies.ts'
import { checksOf } from './checks.ts'
import { pairBeside, placeAbout, seatsAround } from './formations.ts'
import type { Ground } from './least-move.ts'
import { firstPlace } from './places.ts'
import type { Standing } from './shapes.ts'
import { isSofa, lowTop } from './sides.ts'

export type SetPlace = { readonly item: Waiting; readonly at: Standing }

export function placeSet(ground: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] {
  const [first] = items
  if (!first) return []
  const together = tableSet(ground, standing, items) ?? pairSet(ground, standing, items) ?? []
  const bodies = [
    ...standing,
    ...together.map(({ item, at }) => bodyOf(item.thing, `set ${item.number}`, at, item.number)),
  ]
  const rest = items.slice(together.length).map((item): SetPlace => {
    const at = firstPlace(ground, bodies, item.thing)
    bodies.push(bodyOf(item.thing, `set ${item.number}`, at, item.number))
    return { item, at }
  })
  return [...together, ...rest]
}

/** Round the table at which fewest sit; as many as have room there. */
function tableSet({ rules }: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] | null {
  const [first] = items
  if (first?.thing.kind !== 'seat' || first.thing.widthMm > 750) return null
  const seats = standing.filter((met) => met.thing?.kind === 'seat' && !isSofa(met))
  const [table] = standing
    .filter(({ thing, top }) => thing?.kind === 'table' && top > lowTop && Math.max(thing.widthMm, thing.depthMm) > 650)
    .map((met) => ({
      met,
      taken: seats.filter(({ at }) => Math.hypot(at.xMm - met.at.xMm, at.yMm - met.at.yMm) < met.radiusMm + 500).length,
    }))
    .toSorted((left, right) => left.taken - right.taken || right.met.radiusMm - left.met.radiusMm)
  if (!table?.met.thing) return null
  const { at, thing } = table.met
  return seatsAround(thing, first.thing, items.length, rules).flatMap((place, index) => {
    const item = items[index]
    return item ? [{ item, at: placeAbout(at, place) }] : []
  })
}

/** On both sides of a bed, a sofa or a chest: where least is wrong with both. */
function pairSet({ setting, rules }: Ground, standing: readonly Body[], items: readonly Waiting[]): SetPlace[] | null {
  const [left, right] = items
  if (!left || !right || items.length !== 2 || left.thing.widthMm > 900) return null
  const found = standing
    .filter((met) => met.thing?.kind === 'bed' || met.thing?.kind === 'storage' || isSofa(met))
    .flatMap((anchor) => {
      if (!anchor.thing) return []
      const places = pairBeside(anchor.thing, left.thing).map((at) => placeAbout(anchor.at, at))
      const wrong = places.reduce((sum, at) => {
        const body = bodyOf(left.thing, 'set', at)
        const checks = checksOf(setting, [...standing, body], body, rules)
        return sum + checks.filter(({ weight }) => weight === 'stop' || weight === 'look').length
      }, 0)
      return [{ places, wrong, rank: anchor.thing.kind === 'bed' ? 0 : isSofa(anchor) ? 1 : 2 }]
    })
    .toSorted((near, far) => near.wrong - far.wrong || near.rank - far.rank)
  const [best] = found
  const [first, second] = best?.places ?? []
  if (!best || best.wrong > 0 || !first || !second) return null
  return [
    { item: left, at: first },
    { item: right, at: second },
  ]
}
