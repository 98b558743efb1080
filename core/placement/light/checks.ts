/** What is held against the light of a room: too dark, uneven, of two colours, on a lead where one walks, by water. */
import { groupBy } from '../../makeover/document.ts'
import type { RuleId, Rules } from '../../rulebook/rulebook.ts'
import type { Weight } from '../../remarks/remark.ts'
import { pointOn } from '../../survey/index.ts'
import { isInside } from '../clearance.ts'
import type { Body } from '../bodies.ts'
import type { Hung } from '../hung/works.ts'
import type { Way } from '../ways.ts'
import { beforeWall } from '../hung/before.ts'
import { mired, type Lamp } from './lamps.ts'
import type { LightMap, LitRoom } from './map.ts'
import type { Spot, ZoneLit } from './spots.ts'
import { isWet, lampsAtWater, waterWanted, zoneAt } from './water.ts'

export type LightCode =
  | 'light-low'
  | 'light-even'
  | 'light-colour'
  | 'light-nothing'
  | 'light-lead'
  | 'light-rug'
  | 'light-rises'
  | 'light-water'
  | 'light-socket'
  | 'light-hero'
  | 'light-unknown'
export type LightCheck = {
  readonly code: LightCode
  readonly weight: Weight
  readonly ids: readonly string[]
  readonly names: readonly string[]
  readonly value: number | null
  readonly wanted: number | null
  readonly rule: RuleId | null
  readonly about: string
}
const check = (
  code: LightCode,
  weight: Weight,
  things: readonly { readonly id: string; readonly name: string }[],
  more: Partial<LightCheck> = {},
): LightCheck => ({
  code,
  weight,
  ids: things.map(({ id }) => id),
  names: things.map(({ name }) => name),
  value: null,
  wanted: null,
  rule: null,
  about: '',
  ...more,
})

export type Shown = {
  readonly lit: LitRoom
  readonly map: LightMap
  readonly spots: readonly Spot[]
  readonly zones: readonly ZoneLit[]
  readonly bodies: readonly Body[]
  readonly works: readonly Hung[]
  readonly ways: readonly Way[]
  /** Which school of ceiling lights was chosen. */
  readonly school: string | null
  /** Lamps that nobody read. */
  readonly unknown: readonly { readonly id: string; readonly name: string }[]
}

export const lightChecks = (shown: Shown, rules: Rules): LightCheck[] =>
  shown.lit.lamps.length === 0
    ? socketsAtWater(shown, rules)
    : [
        ...dark(shown, rules),
        ...uneven(shown, rules),
        ...hero(shown, rules),
        ...unread(shown),
        ...colours(shown.lit.lamps, rules),
        ...idle(shown, rules),
        ...leads(shown),
        ...rising(shown),
        ...atWater(shown, rules),
        ...socketsAtWater(shown, rules),
      ]

/** Places that do the same are told together, the darkest first. */
function dark({ spots, zones }: Shown, rules: Rules): LightCheck[] {
  const grace = rules['light.grace'] / 100
  const low = [...spots, ...zones.map((zone) => ({ ...zone, does: 'to live in' }))].filter(
    ({ lux, wanted }) => lux < wanted * (1 - grace),
  )
  const byUse = groupBy(low, ({ does, rule }) => `${does} ${rule}`)
  return [...byUse.values()].flatMap((same) => {
    const [worst] = same.toSorted((left, right) => left.lux / left.wanted - right.lux / right.wanted)
    if (!worst) return []
    return [
      check('light-low', worst.lux < worst.wanted / 2 ? 'look' : 'note', same, {
        value: worst.lux,
        wanted: worst.wanted,
        rule: worst.rule,
        about: worst.does,
      }),
    ]
  })
}

/** Only who wants many even sources is held to evenness: low lamps here and there leave the corners dark on purpose. */
function uneven({ lit, map, school }: Shown, rules: Rules): LightCheck[] {
  const wanted = rules['light.even'] / 100
  if (school !== 'many' || map.even >= wanted) return []
  return [check('light-even', 'note', lit.lamps, { value: map.even * 100, wanted: wanted * 100, rule: 'light.even' })]
}

const hero = ({ lit: { lamps }, school }: Shown, rules: Rules): LightCheck[] =>
  school === 'hero' && !lamps.some(({ isFixed, z }) => isFixed && z >= rules['light.low-down'])
    ? [check('light-hero', 'note', [])]
    : []
const unread = ({ unknown }: Shown): LightCheck[] =>
  unknown.length > 0 ? [check('light-unknown', 'note', unknown, { value: unknown.length })] : []

/** Lamps are held to the colour that gives the most light of the room. */
function colours(lamps: readonly Lamp[], rules: Rules): LightCheck[] {
  const known = lamps.flatMap(({ id, name, lumens, kelvin }) => (kelvin === null ? [] : [{ id, name, lumens, kelvin }]))
  const apart = rules['light.mired']
  const near = (kelvin: number) => known.filter((lamp) => Math.abs(mired(lamp.kelvin) - mired(kelvin)) <= apart)
  const lumensOf = (some: typeof known): number => some.reduce((sum, { lumens }) => sum + lumens, 0)
  const [leads] = known.toSorted((left, right) => lumensOf(near(right.kelvin)) - lumensOf(near(left.kelvin)))
  if (!leads) return []
  const odd = known.filter((lamp) => Math.abs(mired(lamp.kelvin) - mired(leads.kelvin)) > apart)
  const [most] = odd.toSorted(
    (left, right) =>
      Math.abs(mired(right.kelvin) - mired(leads.kelvin)) - Math.abs(mired(left.kelvin) - mired(leads.kelvin)),
  )
  if (!most) return []
  return [
    check('light-colour', 'look', odd, {
      value: Math.abs(mired(most.kelvin) - mired(leads.kelvin)),
      wanted: apart,
      rule: 'light.mired',
      about: `${most.kelvin}|${leads.kelvin}`,
    }),
  ]
}

/** A lamp that stands where nobody sits and nothing is to be seen. */
function idle({ lit, bodies, works }: Shown, rules: Rules): LightCheck[] {
  const reach = rules['light.reach']
  const seen = works.map(({ wall, along }) => pointOn(wall, along))
  return lit.lamps
    .filter((lamp) => !lamp.isFixed)
    .filter(({ id, x, y }) => {
      const isUsed = bodies.some(
        (body) =>
          body.id !== id &&
          used.has(body.thing?.kind ?? '') &&
          Math.hypot(body.at.xMm - x, body.at.yMm - y) <= reach + body.radiusMm,
      )
      return !isUsed && !seen.some((place) => Math.hypot(place.x - x, place.y - y) <= reach)
    })
    .map((lamp) => check('light-nothing', 'note', [lamp], { wanted: reach, rule: 'light.reach' }))
}
const used: ReadonlySet<string> = new Set(['seat', 'bed', 'table', 'storage', 'shelf', 'plant', 'fixture', 'appliance'])

/** The lead of what is plugged in goes to the nearest socket: across a way one trips, under a rug it is worn through. */
function leads({ lit: { lamps, setting }, bodies, ways }: Shown): LightCheck[] {
  return lamps.flatMap((lamp): LightCheck[] => {
    if (lamp.isFixed) return []
    const [socket] = setting.sockets.toSorted(
      (left, right) => Math.hypot(left.x - lamp.x, left.y - lamp.y) - Math.hypot(right.x - lamp.x, right.y - lamp.y),
    )
    if (!socket) return []
    const way = ways.find(({ path }) =>
      path.some((begin, at) => {
        const to = path[at + 1]
        return to !== undefined && meet(lamp, socket, begin, to)
      }),
    )
    const rug = bodies.find(
      (body) => body.thing?.flat && !isInside(body.outline, lamp.x, lamp.y) && metresUnder(body, lamp, socket) > 0.2,
    )
    return [
      ...(way ? [check('light-lead', 'look', [lamp], { about: `${way.from.name}|${way.to.name}` })] : []),
      ...(rug ? [check('light-rug', 'look', [lamp, rug], { about: rug.name })] : []),
    ]
  })
}
type Place = { readonly x: number; readonly y: number }
const side = (start: Place, end: Place, { x, y }: Place): number =>
  (end.x - start.x) * (y - start.y) - (end.y - start.y) * (x - start.x)
const meet = (start: Place, end: Place, begin: Place, to: Place): boolean =>
  side(start, end, begin) * side(start, end, to) < 0 && side(begin, to, start) * side(begin, to, end) < 0
const samples = 40
function metresUnder({ outline }: Body, start: Place, end: Place): number {
  const inside = Array.from({ length: samples }, (_, at) => {
    const share = (at + 0.5) / samples
    return isInside(outline, start.x + share * (end.x - start.x), start.y + share * (end.y - start.y))
  }).filter(Boolean).length
  return (inside / samples) * (Math.hypot(end.x - start.x, end.y - start.y) / 1000)
}

/** A lamp before a wall stays below the middle of what hangs there over it. */
function rising({ bodies, works }: Shown): LightCheck[] {
  const lamps = bodies.filter(({ thing }) => thing?.kind === 'light')
  if (lamps.length === 0) return []
  return works
    .filter(({ thing }) => thing.piece.thing !== 'light')
    .flatMap((work) =>
      beforeWall(work.wall, lamps)
        .filter(
          ({ left, right, top }) =>
            top > work.centre && (left + right) / 2 > work.left && (left + right) / 2 < work.right,
        )
        .map((lamp) => check('light-rises', 'note', [lamp, work], { value: lamp.top - work.low, about: work.name })),
    )
}

function atWater({ lit: { lamps }, bodies }: Shown, rules: Rules): LightCheck[] {
  return lampsAtWater(lamps, bodies, rules).flatMap(({ lamp, zone, body }) => {
    const wanted = waterWanted[zone]
    const things = [lamp, body]
    if (!lamp.isFixed)
      return [check('light-water', 'stop', things, { value: zone, wanted, about: `plugged|${body.name}` })]
    if (lamp.water === null)
      return [check('light-water', 'look', things, { value: zone, wanted, about: `unread|${body.name}` })]
    return lamp.water < wanted
      ? [check('light-water', 'stop', things, { value: zone, wanted, about: `${lamp.water}|${body.name}` })]
      : []
  })
}

function socketsAtWater({ lit: { setting }, bodies }: Shown, rules: Rules): LightCheck[] {
  const wet = bodies.filter(isWet)
  if (wet.length === 0) return []
  return setting.room.walls.flatMap((wall) =>
    wall.fixtures.flatMap(({ row, name, u0, u1, z0, z1 }) => {
      if (row.what !== 'socket') return []
      const found = zoneAt({ ...pointOn(wall, (u0 + u1) / 2), z: (z0 + z1) / 2 }, wet, rules)
      return found
        ? [
            check('light-socket', 'look', [{ id: row.id, name }, found.body], {
              value: found.zone,
              about: found.body.name,
            }),
          ]
        : []
    }),
  )
}
