/** The places of a room where something is done, and the light that is wanted there. Lengths in mm, light in lux. */
import type { Activity } from '../../makeover/choices.ts'
import type { RuleId, Rules } from '../../rulebook/rulebook.ts'
import { areaOf } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import { isInside } from '../clearance.ts'
import type { Hung } from '../hung/works.ts'
import { stood } from '../shapes.ts'
import { facingUp, type Facet } from './level.ts'
import { lumensFor, luxOn, type LitRoom } from './map.ts'

export type Spot = {
  readonly id: string
  readonly name: string
  /** What is done there, as one says it. */
  readonly does: string
  readonly facet: Facet
  readonly lux: number
  readonly wanted: number
  readonly rule: RuleId
}
type Wanted = { readonly does: string; readonly rule: RuleId }

const byActivity: Readonly<Partial<Record<Activity, Wanted>>> = {
  work: { does: 'to work', rule: 'light.work' },
  eat: { does: 'to eat', rule: 'light.eat' },
  wash: { does: 'to wash', rule: 'light.live' },
}
/** A chair at a table is lit with its table; a low table, a stand or a bench asks for no light of its own. */
const lowTable = /\b(coffee|low|side|bedside|night|lamp|occasional|console|end)\b/i
const reads = /\b(read|reading|playing|sew|sewing|knit|knitting|piano|music)\b/i
const preparesFood = /\b(worktops?|counters?|counter ?tops?|hob|stove|cooker|sink|island)\b/i
const makesUp = /\b(vanity|dressing table|make-?up|shaving|wash ?stand)\b/i

/** What a thing is used for that takes light, by its name and by what is done where it stands. */
function wantedAt({ thing, name, low }: Body, activity: Activity | null, seats: number): Wanted | null {
  if (!thing) return null
  if (thing.kind === 'table') {
    if (/\b(desk|bureau|work ?bench|easel|drawing table|sewing table)\b/i.test(name))
      return { does: 'to work', rule: 'light.work' }
    if (preparesFood.test(name)) return { does: 'to prepare food', rule: 'light.read' }
    if (makesUp.test(name) || lowTable.test(name)) return null
    if (/\bdining\b/i.test(name)) return { does: 'to eat', rule: 'light.eat' }
    const sitsAt = seats >= 2 && low + thing.topMm >= 650 && low + thing.topMm <= 800
    return (activity && byActivity[activity]) ?? (sitsAt ? { does: 'to eat', rule: 'light.eat' } : null)
  }
  if (thing.kind === 'fixture' || thing.kind === 'appliance')
    return preparesFood.test(name) ? { does: 'to prepare food', rule: 'light.read' } : null
  if (thing.kind !== 'seat' && !/\bpiano\b/i.test(name)) return null
  if (reads.test(name))
    return { does: /\b(piano|music|playing)\b/i.test(name) ? 'to play' : 'to read', rule: 'light.read' }
  return activity === 'talk' ? { does: 'to sit and talk', rule: 'light.live' } : null
}

/** So high over a seat lies the page that one reads, and so far before its middle. */
const pageMm = { over: 200, before: 150 }
const planeOver = 20

export function spotsIn(lit: LitRoom, bodies: readonly Body[], works: readonly Hung[], rules: Rules): Spot[] {
  const { zones } = lit.setting.room
  const spot = (id: string, name: string, { does, rule }: Wanted, facet: Facet): Spot => ({
    id,
    name,
    does,
    facet,
    lux: luxOn(lit, facet),
    wanted: rules[rule],
    rule,
  })
  const atThings = bodies.flatMap((body): Spot[] => {
    const zone = zones.find(({ outline }) => outline && isInside(outline, body.at.xMm, body.at.yMm))
    const wanted = wantedAt(body, zone?.row.activity ?? null, seatsAt(body, bodies))
    if (!wanted || !body.thing) return []
    const isSeat = body.thing.kind === 'seat'
    const [at = { x: body.at.xMm, y: body.at.yMm }] = stood([{ x: 0, y: isSeat ? -pageMm.before : 0 }], body.at)
    const height = body.low + body.thing.topMm + (isSeat ? pageMm.over : planeOver)
    return [spot(body.id, body.name, wanted, facingUp(at.x, at.y, height))]
  })
  return [...atThings, ...faces(lit, bodies, works).map(({ id, name, facet }) => spot(id, name, grooms, facet))]
}
/** How many seats are drawn up to a table. */
const seatsAt = ({ at, radiusMm }: Body, bodies: readonly Body[]): number =>
  bodies.filter(
    ({ thing, at: seat }) =>
      thing?.kind === 'seat' && Math.hypot(seat.xMm - at.xMm, seat.yMm - at.yMm) < radiusMm + drawnUpMm,
  ).length
const drawnUpMm = 350
const grooms: Wanted = { does: 'to see one’s face', rule: 'light.groom' }

/** Where a face is before a mirror that one washes or makes up at, looking into it. */
function faces(
  { setting }: LitRoom,
  bodies: readonly Body[],
  works: readonly Hung[],
): Pick<Spot, 'id' | 'name' | 'facet'>[] {
  const washing = setting.room.zones.filter(({ row }) => row.activity === 'wash')
  const atVanity = (x: number, y: number): boolean =>
    bodies.some(
      ({ name, at, radiusMm }) =>
        (makesUp.test(name) || /\b(basin|sink)\b/i.test(name)) && Math.hypot(at.xMm - x, at.yMm - y) < radiusMm + 300,
    )
  return works.flatMap((work): Pick<Spot, 'id' | 'name' | 'facet'>[] => {
    const { wall, thing } = work
    if (thing.piece.thing !== 'mirror' && !/\bmirror/i.test(thing.piece.name)) return []
    const share = wall.chordMm > 0 ? work.along / wall.chordMm : 0
    const long = Math.max(1, wall.chordMm)
    // the room lies to the right of its walls
    const [nx, ny] = [(wall.to.y - wall.from.y) / long, -(wall.to.x - wall.from.x) / long]
    const on = {
      x: wall.from.x + share * (wall.to.x - wall.from.x),
      y: wall.from.y + share * (wall.to.y - wall.from.y),
    }
    const [x, y] = [on.x + nx * faceMm, on.y + ny * faceMm]
    const isUsed =
      washing.some(({ outline }) => outline && isInside(outline, x, y)) ||
      makesUp.test(thing.piece.name) ||
      atVanity(on.x, on.y)
    return isUsed ? [{ id: work.id, name: work.name, facet: { x, y, z: work.centre, nx: -nx, ny: -ny, nz: 0 } }] : []
  })
}
/** One stands so far from a mirror. */
const faceMm = 500

/** The zones that have a place and are lived in, with the mean of the light over them. */
export type ZoneLit = {
  readonly id: string
  readonly name: string
  readonly lux: number
  readonly wanted: number
  readonly rule: RuleId
  /** The lumens that would bring it to what is wanted, by the lumen method. */
  readonly missing: number
}
export function zonesLit(lit: LitRoom, planeMm: number, rules: Rules): ZoneLit[] {
  return lit.setting.room.zones.flatMap(({ row, outline }): ZoneLit[] => {
    if (!outline || row.activity === null || row.activity === 'store' || row.activity === 'sleep') return []
    const rule: RuleId = row.activity === 'pass' ? 'light.pass' : 'light.live'
    const points = within(outline)
    if (points.length === 0) return []
    const lux = points.reduce((sum, { x, y }) => sum + luxOn(lit, facingUp(x, y, planeMm)), 0) / points.length
    const missing = lumensFor(Math.max(0, rules[rule] - lux), areaOf(outline) / 1e6, rules)
    return [{ id: row.id, name: row.name, lux, wanted: rules[rule], rule, missing }]
  })
}
const zoneStepMm = 300
function within(outline: readonly { readonly x: number; readonly y: number }[]) {
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  const points: { x: number; y: number }[] = []
  for (let x = Math.min(...xs) + zoneStepMm / 2; x < Math.max(...xs); x += zoneStepMm)
    for (let y = Math.min(...ys) + zoneStepMm / 2; y < Math.max(...ys); y += zoneStepMm)
      if (isInside(outline, x, y)) points.push({ x, y })
  return points
}
