/**
 * Arrangements found by trying: clusters of what belongs together are put down one after the place where least is wrong, with some
 * chance, again and again; what is wrong with the best is moved by the least that cures it; and of all the best three that differ are
 * kept. The same seed finds the same. Lengths in mm.
 */
import { seeded } from '../measure/seeded.ts'
import { insideOf } from './apart.ts'
import { bodyOf, type Body, type Waiting } from './bodies.ts'
import { allChecks, checksOf, type Check } from './checks.ts'
import { withBodies } from './clearance.ts'
import { clustersOf, groupMiddles, type Cluster, type Formation } from './clusters.ts'
import { comfortOf } from './comfort.ts'
import { placeAbout } from './formations.ts'
import { keyOfCheck, keyOfWay, leastMove, type Ground } from './least-move.ts'
import { placesFor } from './places.ts'
import { groupsOf } from './rugs.ts'
import type { Standing } from './shapes.ts'
import { waysOf, type Way } from './ways.ts'

export type Arrangement = {
  /** What is placed by it, without what stood there before. */
  readonly bodies: readonly Body[]
  /** What found no place. */
  readonly left: readonly Waiting[]
  readonly stops: number
  readonly looks: number
  readonly checks: readonly Check[]
  readonly ways: readonly Way[]
  /** The lower, the better. */
  readonly worth: number
}
/** How often it tried, of how often it will. */
export type Tried = { readonly done: number; readonly all: number }

const attempts = 48
const posesTried = 44
const weights = { stop: 100, look: 10, note: 1, well: 0 } as const
/** What is in the way of an open state can be moved away each time. */
const weightOf = ({ code, weight }: Check): number => (code === 'open' && weight === 'look' ? 4 : weights[weight])
/** What a thing that finds no place costs. */
const leftOut = 60

/** Ids of what is placed while it is tried: they tell which thing of which piece. */
export const keyOfItem = ({ thing, number }: Waiting): string => `${thing.piece.id} ${number}`
const bodyFor = (item: Waiting, at: Standing): Body => bodyOf(item.thing, keyOfItem(item), at, item.number)

/**
 * Three arrangements of what waits among what stands; fewer where no more differ. Between tries it says how far it
 * is, and is told whether that is enough: then the best so far are handed over. */
export function* arrange(
  ground: Ground,
  standing: readonly Body[],
  items: readonly Waiting[],
  seed: number,
): Generator<Tried, Arrangement[], boolean | undefined> {
  const random = seeded(seed)
  const clusters = clustersOf(items, ground.rules)
  const all: Arrangement[] = []
  const whole = attempts + improved
  for (let done = 0; done < attempts; done++) {
    all.push(judged(ground, standing, ...constructed(ground, standing, clusters, random)))
    if (yield { done: done + 1, all: whole }) break
  }
  const best = different(all, improved)
  const cured: Arrangement[] = []
  for (const [at, found] of best.entries()) {
    const isOver = yield { done: attempts + at, all: whole }
    cured.push(isOver ? found : curedOf(ground, standing, found))
  }
  return different(cured, 3)
}
const improved = 6

function constructed(
  ground: Ground,
  standing: readonly Body[],
  clusters: readonly Cluster[],
  random: () => number,
): [Body[], Waiting[]] {
  const bodies = [...standing]
  const left: Waiting[] = []
  const order = [...clusters]
  // what leads the room is put down first, and now and then the second before the first
  for (let at = 0; at + 1 < order.length; at++) {
    const [here, next] = [order[at], order[at + 1]]
    if (here && next && !here.leads.thing.flat && !next.leads.thing.flat && random() < 0.3)
      [order[at], order[at + 1]] = [next, here]
  }
  const alone: Waiting[] = []
  for (const { leads, ways } of order) {
    const found = placed(ground, bodies, leads, ways, random)
    if (!found) left.push(leads, ...(ways[0] ?? []).map(({ item }) => item))
    else {
      bodies.push(...found.bodies)
      alone.push(...found.dropped)
    }
  }
  for (const item of [...alone, ...left.splice(0)]) {
    const found = placed(ground, bodies, item, [[]], random)
    if (found) bodies.push(...found.bodies)
    else left.push(item)
  }
  return [bodies.slice(standing.length), left]
}

type Placed = { readonly bodies: readonly Body[]; readonly dropped: readonly Waiting[]; readonly cost: number }
/** Where a cluster goes: of the best places one, the better the likelier; null where every place is a stop for what leads. */
function placed(
  ground: Ground,
  bodies: readonly Body[],
  leads: Waiting,
  ways: readonly Formation[],
  random: () => number,
): Placed | null {
  const found: Placed[] = []
  for (const at of posesFor(ground, bodies, leads, random)) {
    const lead = bodyFor(leads, at)
    const own = costOf(ground, bodies, lead)
    if (own.stops > 0) continue
    const [first = []] = ways
    for (const way of ways.length > 1 ? shuffled(ways, random).slice(0, 2) : [first]) {
      const among = [...bodies, lead]
      const dropped: Waiting[] = []
      let cost = own.cost
      for (const { item, at: about } of way) {
        const member = bodyFor(item, placeAbout(at, about))
        const its = costOf(ground, among, member)
        if (its.stops > 0) {
          dropped.push(item)
          cost += 25
        } else {
          among.push(member)
          cost += its.cost
        }
      }
      found.push({ bodies: among.slice(bodies.length), dropped, cost })
    }
  }
  const sorted = found.toSorted((first, second) => first.cost - second.cost)
  const least = sorted[0]?.cost ?? 0
  const good = sorted.filter(({ cost }) => cost <= least + 4).slice(0, 6)
  return good[Math.floor(random() ** 1.5 * good.length)] ?? null
}

function costOf({ setting, rules }: Ground, bodies: readonly Body[], body: Body): { cost: number; stops: number } {
  const found = checksOf(setting, [...bodies, body], body, rules)
  const stops = found.filter(({ weight }) => weight === 'stop').length
  if (stops > 0) return { cost: Infinity, stops }
  return { cost: found.reduce((sum, check) => sum + weightOf(check), 0) + comfortOf(setting, bodies, body), stops }
}

/** Some of the places a thing can take: along the walls and about the middle, within its zone, under a group where it is a rug. */
function posesFor({ setting }: Ground, bodies: readonly Body[], { thing }: Waiting, random: () => number): Standing[] {
  const turned = (at: Standing): Standing[] => [at, { ...at, turnDeg: (at.turnDeg + 90) % 360 }]
  if (thing.flat) {
    const middles = groupMiddles(groupsOf(bodies), bodies).flatMap(turned)
    if (middles.length > 0) return middles
  }
  const onTops =
    (thing.kind === 'light' || thing.kind === 'plant') && thing.heightMm < 900
      ? bodies
          .filter(
            (met) =>
              (met.thing?.kind === 'table' || met.thing?.kind === 'storage') && met.thing.widthMm > thing.widthMm,
          )
          .map((met) => {
            const aside =
              Math.max(0, (met.thing?.widthMm ?? 0) / 2 - thing.widthMm / 2 - 60) * (random() < 0.5 ? -1 : 1)
            return placeAbout(met.at, { xMm: aside, yMm: 0, turnDeg: 0 })
          })
      : []
  const zone = setting.room.zones.find(({ row }) => row.id === thing.piece.zoneId)?.outline
  const inZone = zone ? [0, 90, 180, 270].map((turnDeg) => ({ ...middleOf(zone), turnDeg })) : []
  const all = shuffled(placesFor(setting, thing), random)
  const isMeant = ({ xMm, yMm }: Standing): boolean =>
    zone !== undefined && zone !== null && insideOf({ x: xMm, y: yMm }, zone)
  return [...onTops, ...inZone, ...all.filter(isMeant), ...all.filter((at) => !isMeant(at)).slice(0, posesTried)]
}
function middleOf(outline: readonly { readonly x: number; readonly y: number }[]): { xMm: number; yMm: number } {
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  return { xMm: (Math.min(...xs) + Math.max(...xs)) / 2, yMm: (Math.min(...ys) + Math.max(...ys)) / 2 }
}

function judged(
  ground: Ground,
  standing: readonly Body[],
  bodies: readonly Body[],
  left: readonly Waiting[],
): Arrangement {
  const { setting, rules, bare, ends } = ground
  const all = [...standing, ...bodies]
  const solids = [...all, ...setting.built]
  const checks = allChecks(setting, all, rules)
  const ways = waysOf(setting, withBodies(bare, solids), solids, rules['place.way-main'], ends)
  const narrow = ways.filter(({ isWide, clearMm }) => !isWide && clearMm < rules['place.way-main'] - 1)
  const closed = narrow.filter(({ clearMm }) => clearMm < rules['place.way-blocked']).length
  const count = (weight: Check['weight']): number => checks.filter((check) => check.weight === weight).length
  const [stops, looks] = [count('stop') + closed, count('look') + narrow.length - closed]
  const comfort = bodies.reduce((sum, body) => sum + comfortOf(setting, all, body), 0)
  const missing = narrow.reduce((sum, { clearMm }) => sum + (rules['place.way-main'] - clearMm) / 100, 0)
  return {
    bodies,
    left,
    stops,
    looks,
    checks,
    ways,
    worth:
      weights.stop * closed +
      weights.look * (narrow.length - closed) +
      checks.reduce((sum, check) => sum + weightOf(check), 0) +
      missing +
      comfort +
      leftOut * left.length,
  }
}

/** What is wrong moved by the least that cures it, a few times; what stood there before stays. */
function curedOf(ground: Ground, standing: readonly Body[], found: Arrangement): Arrangement {
  let best = found
  for (let turn = 0; turn < 3; turn++) {
    const wrong = [
      ...best.checks
        .filter(({ weight }) => weight === 'stop' || weight === 'look')
        .map((check) => ({ ids: check.ids, key: keyOfCheck(check) })),
      ...best.ways
        .filter(({ isWide, clearMm }) => !isWide && clearMm < ground.rules['place.way-main'] - 1)
        .map((way) => ({
          ids: (way.narrowest?.between ?? []).flatMap((body) => body?.id ?? []),
          key: keyOfWay(way),
        })),
    ]
    const own = new Set(best.bodies.map(({ id }) => id))
    let next: Arrangement | null = null
    for (const { ids, key } of wrong.slice(0, 3)) {
      const move = leastMove(
        ground,
        [...standing, ...best.bodies],
        ids.filter((id) => own.has(id)),
        key,
      )
      const body = move && best.bodies.find(({ id }) => id === move.id)
      if (!move || !body?.thing) continue
      const moved = { ...bodyOf(body.thing, body.id, move.at), name: body.name }
      const tried = judged(
        ground,
        standing,
        best.bodies.map((known) => (known === body ? moved : known)),
        best.left,
      )
      if (tried.worth < best.worth) next = tried
      if (next) break
    }
    if (!next) break
    best = next
  }
  return best
}

/** The best that differ from one another: what leads stands elsewhere, or half of all things do. */
function different(all: readonly Arrangement[], most: number): Arrangement[] {
  const kept: Arrangement[] = []
  for (const found of all.toSorted((first, second) => first.worth - second.worth)) {
    if (kept.length === most) break
    if (kept.every((known) => differ(known, found))) kept.push(found)
  }
  return kept
}
function differ(left: Arrangement, right: Arrangement): boolean {
  const places = new Map(right.bodies.map((body) => [body.id, body.at]))
  const moved = left.bodies.map((body) => {
    const at = places.get(body.id)
    if (!at) return true
    const turned = Math.abs(((at.turnDeg - body.at.turnDeg + 540) % 360) - 180)
    return Math.hypot(at.xMm - body.at.xMm, at.yMm - body.at.yMm) > 700 || turned > 60
  })
  const large = (left.bodies.toSorted((first, second) => sizeOf(second) - sizeOf(first))[0] ?? null)?.id
  const leadMoved = moved[left.bodies.findIndex(({ id }) => id === large)] ?? false
  return leadMoved || 2 * moved.filter(Boolean).length > moved.length
}
const sizeOf = ({ thing }: Body): number => (thing && !thing.flat ? thing.widthMm * thing.depthMm : 0)

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const mixed = [...list]
  for (let at = mixed.length - 1; at > 0; at--) {
    const place = Math.floor(random() * (at + 1))
    const [here, there] = [mixed[at] as T, mixed[place] as T]
    ;[mixed[at], mixed[place]] = [there, here]
  }
  return mixed
}
