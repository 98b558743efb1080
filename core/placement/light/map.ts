/** The light over a room on a grid: lux on a level plane, how even it is, and where it is dark. Lengths in mm. */
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Point } from '../../survey/index.ts'
import { areaOf } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import { isInside } from '../clearance.ts'
import type { Setting } from '../setting.ts'
import { convexParts } from '../shapes.ts'
import type { Lamp } from './lamps.ts'
import { directOn, facingUp, shadeOf, type Shade } from './level.ts'
import { roundLux, type Reflecting } from './reflected.ts'

/** Everything that the light of a room is reckoned from. */
export type LitRoom = {
  readonly setting: Setting
  readonly lamps: readonly Lamp[]
  /** What stands there and what is built in. */
  readonly bodies: readonly Body[]
  readonly shade: Shade
  readonly reflecting: Reflecting
  /** What goes round the room. */
  readonly roundLux: number
  /** What lamps and surfaces still give when they have aged, as a share. */
  readonly upkeep: number
}
export type LightMap = {
  readonly left: number
  readonly low: number
  readonly stepMm: number
  readonly columns: number
  readonly rows: number
  /** Lux, row by row from the lowest; NaN outside the room and where something tall stands. */
  readonly lux: Float32Array
  readonly planeMm: number
  readonly mean: number
  readonly least: number
  readonly most: number
  /** The least over the mean, without the edge along the walls. */
  readonly even: number
}

export function litRoom(
  setting: Setting,
  bodies: readonly Body[],
  lamps: readonly Lamp[],
  reflecting: Reflecting,
  rules: Rules,
): LitRoom {
  const { outline, room } = setting
  const upkeep = rules['light.upkeep'] / 100
  const lumens = lamps.reduce((sum, lamp) => sum + lamp.lumens, 0)
  return {
    setting,
    lamps,
    reflecting,
    upkeep,
    bodies: [...bodies, ...setting.built],
    shade: shadeOf(
      [...bodies, ...setting.built],
      convexParts(outline).length > 1 ? setting.walls.map(({ segment }) => segment) : [],
    ),
    roundLux: room.ceiling === null ? 0 : roundLux(lumens, reflecting),
  }
}

/** Lux on a small surface, with what goes round the room, as lamps and surfaces have aged. */
export const luxOn = ({ lamps, shade, roundLux: round, upkeep }: LitRoom, facet: ReturnType<typeof facingUp>): number =>
  (directOn(lamps, facet, shade) + round) * upkeep

/** What stands higher over the plane than this leaves nothing to light there. */
const overMm = 300
/** Along the walls nobody reads: left out where it is told how even the light is [std: EN 12464-1, mem]. */
const edgeMm = 500

export function lightMap(lit: LitRoom, planeMm: number, stepMm: number): LightMap {
  const { outline, walls } = lit.setting
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  const [left, low] = [Math.min(...xs), Math.min(...ys)]
  const columns = Math.max(1, Math.round((Math.max(...xs) - left) / stepMm))
  const rows = Math.max(1, Math.round((Math.max(...ys) - low) / stepMm))
  const lux = new Float32Array(columns * rows).fill(NaN)
  const tall = lit.bodies.filter(
    ({ top, low: under, thing }) => top > planeMm + overMm && under < planeMm && thing?.kind !== 'light',
  )
  const segments = walls.map(({ segment }) => segment)
  let [sum, count, least, most] = [0, 0, Infinity, 0]
  let [innerSum, innerCount, innerLeast] = [0, 0, Infinity]
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = [left + (column + 0.5) * stepMm, low + (row + 0.5) * stepMm]
      if (!isInside(outline, x, y) || tall.some((body) => isInside(body.outline, x, y))) continue
      const here = luxOn(lit, facingUp(x, y, planeMm))
      lux[row * columns + column] = here
      sum += here
      count++
      least = Math.min(least, here)
      most = Math.max(most, here)
      if (isNear(segments, x, y)) continue
      innerSum += here
      innerCount++
      innerLeast = Math.min(innerLeast, here)
    }
  const mean = count > 0 ? sum / count : 0
  const even = innerCount > 0 && innerSum > 0 ? innerLeast / (innerSum / innerCount) : mean > 0 ? least / mean : 0
  return { left, low, stepMm, columns, rows, lux, planeMm, mean, least: count > 0 ? least : 0, most, even }
}
const isNear = (segments: readonly (readonly [Point, Point])[], x: number, y: number): boolean =>
  segments.some(([start, end]) => {
    const [dx, dy] = [end.x - start.x, end.y - start.y]
    const share = Math.min(1, Math.max(0, ((x - start.x) * dx + (y - start.y) * dy) / Math.max(1, dx * dx + dy * dy)))
    return Math.hypot(x - start.x - share * dx, y - start.y - share * dy) < edgeMm
  })

/**
 * The lumens that give an even light over an area by the lumen method: lux × m² ÷ (utilisation × upkeep). In lumens; m² of floor.
 * The lumen method of the lighting handbooks; utilisation and upkeep are rules.
 */
export const lumensFor = (lux: number, m2: number, rules: Rules): number =>
  (lux * m2) / ((rules['light.utilisation'] / 100) * (rules['light.upkeep'] / 100))
export const floorM2 = ({ outline }: Setting): number => areaOf(outline) / 1e6
