/** A measured room with lamps among its things, for tests and benches. */
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { lightingOf } from '../placement/light/reckoned.ts'
import { reckon } from '../reckoning/reckon.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { roomsOf } from '../survey/index.ts'
import { furnished, type Stood, type Zoned } from './placed.ts'
import { change, testToday } from './small-makeover.ts'
import { rectangle, type Measured } from './surveyed.ts'

export const litRoomMeasured: Measured = { walls: rectangle(5000, 4000), survey: { heightMm: 2500 } }
type Lights = Partial<Fields<'lamp'>> & { readonly lumens: number }
/** A room with lamps among its things: what each gives, by its name. */
export function lighted(
  things: readonly Stood[],
  lights: Readonly<Record<string, Lights>>,
  {
    zones = [],
    measured = litRoomMeasured,
    school = '',
  }: { zones?: readonly Zoned[]; measured?: Measured; school?: string } = {},
) {
  const world = furnished(measured, things, zones)
  const { newId } = world
  const candidates = Object.values(world.documents.makeover.rows.candidate)
  const after = change(world.documents, [
    ...(school === '' ? [] : [add('school', newId(), { question: 'ceiling-light' as const, school })]),
    ...Object.entries(lights).map(([name, light]) => {
      const candidateId = candidates.find((row) => row.name === `${name} as sold`)?.id ?? ''
      return add('lamp', newId(), { ...blank.lamp, candidateId, ...light })
    }),
  ])
  const reckoning = reckon(after, testToday)
  const codes = reckoning.remarks
    .filter(({ code }) => code.startsWith('placement.light-'))
    .map(({ code, weight }) => `${code.slice('placement.light-'.length)} ${weight}`)
    .toSorted()
  const [measuredRoom] = roomsOf(after.makeover, effectiveRules())
  if (!measuredRoom) throw new Error('there is a room')
  const placed = reckoning.placed[0]
  const scene = {
    makeover: after.makeover,
    room: measuredRoom,
    bodies: placed?.bodies ?? [],
    works: [],
    ways: placed?.ways ?? [],
    practice: reckoning.practice,
  }
  const lighting = lightingOf(scene)
  if (!lighting) throw new Error('the room is closed')
  return { ...world, after, reckoning, codes, scene, lighting }
}
export const pendant = (at: readonly [number, number] = [2500, -2000], name = 'Pendant'): Stood => ({
  name,
  size: [400, 400, 300],
  at,
  piece: { thing: 'light', aboveMm: 1900 },
})
export const floorLamp = (at: readonly [number, number], name = 'Floor lamp'): Stood => ({
  name,
  size: [400, 400, 1500],
  at,
  piece: { thing: 'light' },
})
export const desk: Stood = { name: 'Desk', size: [1400, 700, 740], at: [2500, -3600, 180], piece: { thing: 'table' } }
export const armchair: Stood = {
  name: 'Reading chair',
  size: [800, 800, 900],
  at: [800, -800],
  piece: { thing: 'seat' },
  topMm: 430,
}
