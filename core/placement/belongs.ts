/** Where things belong, as everybody would put them: backs to walls, tables and lamps by a seat, stools together. Costs, 0 where it is so. */
import { gapBetween, insideOf, nearestOn, segmentsOf } from './apart.ts'
import { leastApart, type Body, type Thing } from './bodies.ts'
import type { Setting } from './setting.ts'
import { stood } from './shapes.ts'

/** Stands with its back to a wall: storage always, a bed or a long seat rather than not. */
const backCost = ({ kind, widthMm }: Thing): number =>
  kind === 'storage' || kind === 'shelf' || kind === 'appliance'
    ? 8
    : kind === 'bed'
      ? 6
      : kind === 'seat' && widthMm >= 1200
        ? 6
        : 0

export function strayCost(setting: Setting, bodies: readonly Body[], body: Body): number {
  const { thing } = body
  if (!thing) return 0
  const wall = backCost(thing)
  if (wall > 0) return backOff(setting, body) <= 80 ? 0 : wall
  const rest = bodies.filter(({ id }) => id !== body.id)
  const near = (mm: number, test: (met: Thing) => boolean): boolean =>
    rest.some(
      (met) =>
        met.thing !== null &&
        test(met.thing) &&
        leastApart(met, body) < mm &&
        (gapBetween(segmentsOf(met.outline), segmentsOf(body.outline)).mm < mm ||
          insideOf({ x: body.at.xMm, y: body.at.yMm }, met.outline)),
    )
  const isSat = ({ kind }: Thing): boolean => kind === 'seat' || kind === 'bed'
  switch (thing.kind) {
    case 'table':
      return Math.max(thing.widthMm, thing.depthMm) > 900 || near(700, isSat) ? 0 : 5
    case 'light':
      // what hangs is not moved for a seat
      return body.low > 1500 || near(1000, (met) => isSat(met) || met.kind === 'table') ? 0 : 3
    case 'seat': {
      if (near(500, ({ kind }) => kind === 'table')) return 0
      return near(1600, isSat) ? 1 : 4
    }
    case 'plant':
      return near(1, ({ kind }) => kind === 'table' || kind === 'storage') || wallOff(setting, body) < 500 ? 0 : 3
    case 'rug':
      return rest.some(
        (met) => met.thing !== null && isSat(met.thing) && insideOf({ x: met.at.xMm, y: met.at.yMm }, body.outline),
      )
        ? 0
        : 2
    default:
      return wallOff(setting, body) < 300 ? 0 : 4
  }
}

/** From the middle of its back to the nearest wall. */
function backOff({ walls }: Setting, { at, thing }: Body): number {
  const [back = { x: 0, y: 0 }] = stood([{ x: 0, y: (thing?.depthMm ?? 0) / 2 }], at)
  return Math.min(
    ...walls.map(({ segment }) => {
      const near = nearestOn(back, segment)
      return Math.hypot(near.x - back.x, near.y - back.y)
    }),
  )
}
const wallOff = ({ walls }: Setting, { outline }: Body): number =>
  gapBetween(
    segmentsOf(outline),
    walls.map(({ segment }) => segment),
  ).mm
