/** Why an arrangement is as it is, in sentences: the seats for talk, the light, what is seen, the ways, and what is still wrong. */
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { inWords } from '../measure/quantity.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Arrangement } from './arrange.ts'
import type { Body } from './bodies.ts'
import { comfortsOf } from './comfort.ts'
import { groupsOf } from './rugs.ts'
import type { Setting } from './setting.ts'
import { seenFrom } from './sight.ts'
import { said } from './words.ts'

export function reasonsOf(
  setting: Setting,
  standing: readonly Body[],
  { bodies, left, checks, ways }: Arrangement,
  rules: Rules,
  units: UnitSystem,
): string[] {
  const all = [...standing, ...bodies]
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  const names = new Map(all.map(({ id, name }) => [id, name]))
  const wanted = rules['place.way-main']
  const narrow = ways.filter(({ isWide, clearMm }) => !isWide && clearMm < wanted - 1)
  const [narrowest] = narrow.toSorted((first, second) => first.clearMm - second.clearMm)
  const wrong = checks.filter(({ weight }) => weight === 'stop' || weight === 'look')
  return [
    ...groupsOf(all)
      .filter(({ kind, seats }) => kind === 'talk' && seats.length > 1)
      .map(
        ({ seats, table }) =>
          `${inWords(seats.map(({ name }) => name))} stand ${table ? `about ${table.name}` : 'together'}`,
      ),
    ...bodies.flatMap((body) => comfortsOf(setting, body).flatMap(({ reason }) => (reason === '' ? [] : [reason]))),
    ...firstSeen(setting, all, rules),
    ...(ways.length === 0
      ? []
      : narrowest
        ? [
            `${narrowest.from.name} to ${narrowest.to.name} is ${length(narrowest.clearMm)} clear, where ${length(wanted)} are wanted`,
          ]
        : [`every main way is ${length(wanted)} or more`]),
    ...wrong.map((check) => said(check, { rules, units, nameOf: (id) => names.get(id) ?? '' }).title),
    ...left.map(({ thing }) => `${thing.piece.name} finds no place`),
  ].map((reason) => `${reason.charAt(0).toUpperCase()}${reason.slice(1)}.`)
}

/** What shows most of itself to one who comes in by the first door. */
function firstSeen(setting: Setting, bodies: readonly Body[], rules: Rules): string[] {
  const [door] = setting.doors
  if (!door) return []
  const { things } = seenFrom(setting, bodies, door.middle, rules['sight.eye'])
  const [most] = things.toSorted((left, right) => right.m2 - left.m2)
  const body = bodies.find(({ id }) => id === most?.id)
  return body ? [`from ${door.name} one sees most of ${body.name}`] : []
}
