/**
 * Lamps and sockets near water: the zones about a bath or a shower [std: IEC 60364-7-701]. Zone 0 is in it, zone 1 above it to 2.25 m,
 * zone 2 a further 600 mm to each side. Lengths in mm. Local rules and a licensed electrician decide.
 */
import { gapBetween, segmentsOf } from '../apart.ts'
import type { Body } from '../bodies.ts'
import { isInside } from '../clearance.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Lamp } from './lamps.ts'

export type WaterZone = 0 | 1 | 2
const highMm = 2250
/** The second figure of the IP mark that is asked for in each zone. */
export const waterWanted: Readonly<Record<WaterZone, number>> = { 0: 7, 1: 4, 2: 4 }

export const isWet = ({ name, thing }: Body): boolean =>
  /\b(bath|bathtub|tub|showers?|shower tray|wet ?room)\b/i.test(name) &&
  thing !== null &&
  !/\b(mat|rug|stool|towel|shelf|rack|cabinet|screen|curtain|rail)\b/i.test(name)

/** The zone a place is in, of the nearest bath or shower; null outside all. */
export function zoneAt(
  place: { readonly x: number; readonly y: number; readonly z: number },
  wet: readonly Body[],
  rules: Rules,
): { readonly zone: WaterZone; readonly body: Body } | null {
  let found: { zone: WaterZone; body: Body } | null = null
  for (const body of wet) {
    if (place.z > highMm) continue
    const within = isInside(body.outline, place.x, place.y)
    const away = within ? 0 : gapBetween([[place, place]], segmentsOf(body.outline)).mm
    const isShower = /shower/i.test(body.name)
    const zone: WaterZone | null = within
      ? !isShower && place.z < body.top
        ? 0
        : 1
      : away <= rules['light.water']
        ? 2
        : null
    if (zone !== null && (found === null || zone < found.zone)) found = { zone, body }
  }
  return found
}

export type AtWater = { readonly lamp: Lamp; readonly zone: WaterZone; readonly body: Body }
export const lampsAtWater = (lamps: readonly Lamp[], bodies: readonly Body[], rules: Rules): AtWater[] => {
  const wet = bodies.filter(isWet)
  return lamps.flatMap((lamp) => {
    const found = zoneAt(lamp, wet, rules)
    return found ? [{ lamp, ...found }] : []
  })
}
