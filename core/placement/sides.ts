/** The room that things ask for at their sides, by what they are. Common practice of the trade; lengths in mm. */
import type { RuleId, Rules } from '../rulebook/rulebook.ts'
import { segmentsOf, gapBetween } from './apart.ts'
import { leastApart, type Body } from './bodies.ts'
import { check, type Check } from './checks.ts'
import { clearOff, type Side } from './room-about.ts'
import type { Setting } from './setting.ts'
import { frontOf } from './shapes.ts'

export function sidesChecks(setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  switch (body.thing?.kind) {
    case 'storage':
    case 'shelf':
    case 'appliance':
      return front(setting, bodies, body, rules, 'place.open-stand')
    case 'bed':
      return bedSides(setting, bodies, body, rules)
    case 'table':
      return /\bdesk\b/i.test(body.name)
        ? asked(setting, bodies, body, rules, 'front', 'place.desk-chair', 'desk')
        : dining(setting, bodies, body, rules)
    case 'seat':
      return isSofa(body) ? lowTable(bodies, body, rules) : []
    default:
      return asked(setting, bodies, body, rules, 'front', null, 'front')
  }
}

const sideWords: Readonly<Record<Side, string>> = {
  front: 'in front',
  back: 'behind',
  left: 'on its left',
  right: 'on its right',
}

/** The side of a thing, with what is free and what was asked; silent where nothing was asked. */
function asked(
  setting: Setting,
  bodies: readonly Body[],
  body: Body,
  rules: Rules,
  side: Side,
  rule: RuleId | null,
  code: 'front' | 'desk' | 'bed-side',
): Check[] {
  const own = body.thing?.footprint?.[`${side}Mm`] ?? null
  const wanted = own ?? (rule === null ? null : rules[rule])
  if (wanted === null || wanted <= 0) return []
  const ignored = bodies.filter((met) => !(met.thing && code === 'desk' && met.thing.kind === 'seat'))
  const found = clearOff(setting, [...ignored, ...setting.built], body, side, wanted)
  if (!found || found.mm >= wanted - 1) return []
  return [
    check(code, found.ends ? [body.id, found.ends.id] : [body.id], {
      mm: found.mm,
      wantedMm: wanted,
      rule: own === null ? rule : null,
      from: found.from,
      to: found.to,
      about: `${sideWords[side]}|${found.ends?.name ?? 'the wall'}`,
    }),
  ]
}

const front = (setting: Setting, bodies: readonly Body[], body: Body, rules: Rules, rule: RuleId): Check[] =>
  // what hangs above people's heads is opened from where they stand
  body.low > 1500 ? [] : asked(setting, bodies, body, rules, 'front', rule, 'front')

/** A bed that two sleep in wants room at both sides, a narrow one at the better of its two. */
function bedSides(setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  const sides = (['left', 'right'] as const).flatMap((side) =>
    asked(setting, bodies, body, rules, side, 'place.bed-side', 'bed-side'),
  )
  const isDouble = (body.thing?.widthMm ?? 0) >= rules['place.bed-double']
  // a bedside table stands where it belongs
  const kept = sides.filter(
    ({ ids }) =>
      !ids.slice(1).some((id) =>
        isBedside(
          bodies.find((met) => met.id === id),
          body,
        ),
      ),
  )
  if (isDouble) return kept
  return sides.length < 2 ? [] : kept.toSorted((left, right) => (right.mm ?? 0) - (left.mm ?? 0)).slice(0, 1)
}
export const isBedside = (met: Body | undefined, bed: Body): boolean =>
  met?.thing != null &&
  ['table', 'storage', 'light'].includes(met.thing.kind) &&
  Math.max(met.thing.widthMm, met.thing.depthMm) <= 650 &&
  met.top <= bed.top + 400

/** From this width on a seat is a sofa. */
const sofaMm = 1200
export const isSofa = ({ thing, name }: Body): boolean =>
  thing?.kind === 'seat' &&
  ((thing.widthMm >= sofaMm && !/\bbench|pew\b/i.test(name)) || /\bsofa|settee|couch\b/i.test(name))

/** A low table before a sofa: near enough for a cup, far enough for knees. */
function lowTable(bodies: readonly Body[], sofa: Body, rules: Rules): Check[] {
  const way = frontOf(sofa.at)
  const half = (sofa.thing?.depthMm ?? 0) / 2
  return bodies.flatMap((met): Check[] => {
    if (met.thing?.kind !== 'table' || met.top > lowTop) return []
    const [dx, dy] = [met.at.xMm - sofa.at.xMm, met.at.yMm - sofa.at.yMm]
    const [ahead, aside] = [dx * way.x + dy * way.y - half, Math.abs(dx * way.y - dy * way.x)]
    if (ahead < 0 || ahead > 1800 || aside > (sofa.thing?.widthMm ?? 0) / 2) return []
    const gap = gapBetween(segmentsOf(sofa.outline), segmentsOf(met.outline))
    const [least, most] = [rules['place.sofa-table-least'], rules['place.sofa-table-most']]
    const isNear = gap.mm < least - 1
    return [
      check('sofa-table', [sofa.id, met.id], {
        weight: isNear ? 'look' : gap.mm > most + 1 ? 'note' : 'well',
        mm: gap.mm,
        wantedMm: isNear ? least : most,
        rule: isNear ? 'place.sofa-table-least' : 'place.sofa-table-most',
        from: gap.from,
        to: gap.to,
        about: met.name,
      }),
    ]
  })
}
/** A table up to this height stands before a sofa; a higher one is sat at. */
export const lowTop = 560

/** Behind those who sit at a table: from its edge to the next thing that is none of its seats. */
function dining(setting: Setting, bodies: readonly Body[], table: Body, rules: Rules): Check[] {
  if (table.top <= lowTop || !table.thing) return []
  const seats = bodies.filter((met) => met.thing?.kind === 'seat' && !isSofa(met) && near(met, table))
  if (seats.length < 2) return []
  const around = [...bodies.filter((met) => !seats.includes(met)), ...setting.built]
  return (['front', 'back', 'left', 'right'] as const).flatMap((side): Check[] => {
    if (!seats.some((seat) => sideOf(seat, table) === side)) return []
    const wanted = rules['place.dining']
    const found = clearOff(setting, around, { ...table, low: 0 }, side, wanted)
    if (!found || found.mm >= wanted - 1) return []
    return [
      check('dining', found.ends ? [table.id, found.ends.id] : [table.id], {
        mm: found.mm,
        wantedMm: wanted,
        rule: 'place.dining',
        from: found.from,
        to: found.to,
        about: `${sideWords[side]}|${found.ends?.name ?? 'the wall'}`,
      }),
    ]
  })
}
const near = (seat: Body, table: Body): boolean =>
  leastApart(seat, table) <= 600 && gapBetween(segmentsOf(seat.outline), segmentsOf(table.outline)).mm <= 600

/** At which side of a table a seat stands. */
function sideOf(seat: Body, { at, thing }: Body): Side {
  const angle = (-at.turnDeg * Math.PI) / 180
  const [dx, dy] = [seat.at.xMm - at.xMm, seat.at.yMm - at.yMm]
  const [x, y] = [dx * Math.cos(angle) - dy * Math.sin(angle), dx * Math.sin(angle) + dy * Math.cos(angle)]
  const [beyondX, beyondY] = [Math.abs(x) - (thing?.widthMm ?? 0) / 2, Math.abs(y) - (thing?.depthMm ?? 0) / 2]
  return beyondX > beyondY ? (x < 0 ? 'left' : 'right') : y < 0 ? 'front' : 'back'
}
