/** What is in reach of whom: words across a room, a lead of its socket, a lamp of who lies in bed, a child's things of a hand. Lengths in mm. */
import type { Rules } from '../rulebook/rulebook.ts'
import type { Point } from '../survey/index.ts'
import { gapBetween, insideOf, nearestOn, segmentsOf } from './apart.ts'
import type { Body } from './bodies.ts'
import { check, type Check } from './checks.ts'
import type { Setting } from './setting.ts'
import { hangsFromMm } from './light/lamps.ts'
import { frontOf, stood } from './shapes.ts'
import { isSofa } from './sides.ts'

export function reachChecks(setting: Setting, bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  return [
    ...talk(bodies, body, rules),
    ...lead(setting, body, rules),
    ...pillow(bodies, body, rules),
    ...changing(bodies, body, rules),
    ...fire(bodies, body, rules),
  ]
}

const away = (left: Point, right: Point): number => Math.hypot(right.x - left.x, right.y - left.y)

/** A seat to lean back in; chairs at a table, stools and benches are drawn up when people talk. */
const isEasy = (body: Body): boolean =>
  isSofa(body) ||
  (body.thing?.kind === 'seat' &&
    body.thing.widthMm >= easyMm &&
    !/\b(dining|desk|office|bench|stool|pouf|ottoman|footstool)\b/i.test(body.name))
const easyMm = 600
/** Further off than this nobody would think that two seats belong together. */
const roomApartMm = 4500

/** Where the front edge of a seat has its middle. */
const frontEdge = ({ at, thing }: Body): Point => {
  const way = frontOf(at)
  const half = (thing?.depthMm ?? 0) / 2
  return { x: at.xMm + way.x * half, y: at.yMm + way.y * half }
}

/** Two easy seats that face each other and have none nearer talk across what lies between their front edges. */
function talk(bodies: readonly Body[], seat: Body, rules: Rules): Check[] {
  if (!isEasy(seat)) return []
  const start = frontEdge(seat)
  const others = bodies
    .filter((met) => met.id !== seat.id && isEasy(met))
    .map((met) => ({ met, to: frontEdge(met), mm: away(start, frontEdge(met)) }))
    .toSorted((left, right) => left.mm - right.mm)
  const [near] = others
  const wanted = rules['place.talk']
  if (!near || near.mm <= wanted + 1 || near.mm > roomApartMm) return []
  const looksAt = (eye: Body, begin: Point, to: Point): boolean => {
    const way = frontOf(eye.at)
    return ((to.x - begin.x) * way.x + (to.y - begin.y) * way.y) / away(begin, to) > 0.5
  }
  if (!looksAt(seat, start, near.to) || !looksAt(near.met, near.to, start)) return []
  return [
    check('talk', [seat.id, near.met.id], {
      weight: 'note',
      mm: near.mm,
      wantedMm: wanted,
      rule: 'place.talk',
      from: start,
      to: near.to,
    }),
  ]
}

/** What is plugged in: its lead runs along the floor to the nearest socket. Where nobody measured sockets nothing is known. */
function lead({ sockets }: Setting, body: Body, rules: Rules): Check[] {
  const own = body.thing?.footprint?.leadMm ?? null
  const isLamp =
    body.thing?.kind === 'light' && body.low < hangsFromMm && !/\b(lantern|candle|battery|solar)\b/i.test(body.name)
  if (sockets.length === 0 || (own === null && !isLamp)) return []
  const leadMm = own ?? rules['place.lead']
  const sides = segmentsOf(body.outline)
  const [near] = sockets
    .map((socket) => ({ socket, gap: gapBetween([[socket, socket]], sides) }))
    .toSorted((left, right) => left.gap.mm - right.gap.mm)
  // from a table top the lead first goes down
  const mm = (near?.gap.mm ?? 0) + Math.max(0, body.low - socketMm)
  if (!near || mm <= leadMm + 1) return []
  return [
    check('lead', [body.id], {
      weight: own === null ? 'note' : 'look',
      mm,
      wantedMm: leadMm,
      rule: own === null ? 'place.lead' : null,
      from: near.gap.to,
      to: near.socket,
      about: own === null ? 'assumed' : '',
    }),
  ]
}
/** Lamps over people's heads are in nobody's reach. */
const headMm = 1800
const socketMm = 300

/** A lamp stands in reach of each who lies in a bed, if lamps stand by it at all. */
function pillow(bodies: readonly Body[], bed: Body, rules: Rules): Check[] {
  if (bed.thing?.kind !== 'bed' || /\b(cot|crib|dog|cat)\b/i.test(bed.name)) return []
  const lamps = bodies.filter(
    ({ thing, low, at }) =>
      thing?.kind === 'light' &&
      low < headMm &&
      away({ x: at.xMm, y: at.yMm }, { x: bed.at.xMm, y: bed.at.yMm }) < 3000,
  )
  if (lamps.length === 0) return []
  const { widthMm, depthMm } = bed.thing
  const quarters = widthMm >= rules['place.bed-double'] ? [-widthMm / 4, widthMm / 4] : [0]
  const reached = quarters.map((x) => {
    const [head = { x: 0, y: 0 }] = stood([{ x, y: depthMm / 2 - pillowMm }], bed.at)
    const [near] = lamps
      .map((lamp) => {
        const to = { x: lamp.at.xMm, y: lamp.at.yMm }
        return { lamp, to, mm: away(head, to) }
      })
      .toSorted((left, right) => left.mm - right.mm)
    return { head, near, side: x < 0 ? 'left' : x > 0 ? 'right' : '' }
  })
  const wanted = rules['place.pillow']
  const out = reached.filter(({ near }) => near && near.mm > wanted + 1)
  const [worst] = out
  if (!worst?.near) return []
  return [
    check('pillow', [bed.id, worst.near.lamp.id], {
      weight: out.length === reached.length ? 'look' : 'note',
      mm: worst.near.mm,
      wantedMm: wanted,
      rule: 'place.pillow',
      from: worst.head,
      to: worst.near.to,
      about: `${out.length < reached.length ? worst.side : ''}|${worst.near.lamp.name}`,
    }),
  ]
}
/** From the head of a bed to the middle of its pillow. */
const pillowMm = 250

/** One hand stays on the child: what is needed to change it is within the reach of the other. */
function changing(bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  if (!/\b(changing|changer)\b/i.test(body.name) || /\b(room|screen|mat)\b/i.test(body.name)) return []
  // a chest with a top to change on has its drawers below the hand
  if (body.thing?.kind === 'storage' || body.thing?.kind === 'shelf') return []
  const [near] = bodies
    .filter(({ thing }) => thing?.kind === 'storage' || thing?.kind === 'shelf')
    .map((met) => ({ met, gap: gapBetween(segmentsOf(body.outline), segmentsOf(met.outline)) }))
    .toSorted((left, right) => left.gap.mm - right.gap.mm)
  const wanted = rules['place.arm']
  if (near && near.gap.mm <= wanted + 1) return []
  return [
    check('changing', near ? [body.id, near.met.id] : [body.id], {
      mm: near?.gap.mm ?? null,
      wantedMm: wanted,
      rule: 'place.arm',
      from: near?.gap.from ?? null,
      to: near?.gap.to ?? null,
      about: near?.met.name ?? '',
    }),
  ]
}

/** A fire stands clear of cloth and roofs over a terrace. */
function fire(bodies: readonly Body[], body: Body, rules: Rules): Check[] {
  if (!/\b(fire ?(pit|bowl|basket)|brazier|chiminea|barbecue|patio heater)\b/i.test(body.name)) return []
  const wanted = rules['place.fire']
  return bodies
    .filter(
      ({ name, id }) => id !== body.id && /\b(parasol|pergola|awning|canopy|gazebo|shade sail|umbrella)\b/i.test(name),
    )
    .flatMap((cover): Check[] => {
      const isUnder = cover.parts.some((part) => insideOf({ x: body.at.xMm, y: body.at.yMm }, part))
      const gap = gapBetween(segmentsOf(body.outline), segmentsOf(cover.outline))
      const mm = isUnder ? 0 : gap.mm
      if (mm >= wanted - 1) return []
      return [
        check('fire', [body.id, cover.id], {
          mm,
          wantedMm: wanted,
          rule: 'place.fire',
          from: gap.from,
          to: gap.to,
        }),
      ]
    })
}

/** The sun through a window on what fades or dries out in it. */
export function sunChecks({ windows, facesDeg, walls }: Setting, body: Body, rules: Rules): Check[] {
  const fades = body.thing?.fades ?? null
  if (fades === null || facesDeg === null) return []
  return windows.flatMap((window): Check[] => {
    const bearing = bearingOf(window.segment, walls[0]?.segment, facesDeg)
    const offNoon = Math.abs(((bearing - rules['place.sun-noon'] + 540) % 360) - 180)
    if (offNoon > sunnyDeg || body.top <= 20) return []
    const [start, end] = window.segment
    const middle = { x: body.at.xMm, y: body.at.yMm }
    const long = away(start, end)
    const [ux, uy] = [(end.x - start.x) / Math.max(1, long), (end.y - start.y) / Math.max(1, long)]
    const along = body.outline.map(({ x, y }) => (x - start.x) * ux + (y - start.y) * uy)
    const off = body.outline.map(({ x, y }) => (x - start.x) * uy - (y - start.y) * ux)
    const nearest = Math.max(0, Math.min(...off))
    const isBefore = Math.min(...along) < long - 50 && Math.max(...along) > 50 && Math.max(...off) > 0
    // a sill shades what is lower, close by
    if (!isBefore || nearest >= rules['place.sun'] || (body.top < window.sill && Math.max(...off) < window.sill / 2))
      return []
    return [
      check('sun', [body.id, window.id], {
        weight: 'note',
        mm: nearest,
        wantedMm: rules['place.sun'],
        rule: 'place.sun',
        from: nearestOn(middle, window.segment),
        to: middle,
        about: `${window.name}|${fades}`,
      }),
    ]
  })
}
/** Windows that look further away from noon than this have no sun to speak of. */
const sunnyDeg = 100

/** The compass direction a window looks in: as the first wall's, turned by how much the two differ in the plan. */
function bearingOf(
  [start, end]: readonly [Point, Point],
  first: readonly [Point, Point] | undefined,
  facesDeg: number,
): number {
  const angle = ([begin, to]: readonly [Point, Point]): number =>
    (Math.atan2(to.y - begin.y, to.x - begin.x) * 180) / Math.PI
  // the compass runs clockwise, the plan's angles counterclockwise
  return (facesDeg + (first ? angle(first) - angle([start, end]) : 0) + 720) % 360
}
