/** What is held against works that hang as one: their gaps, and what the school asks of a set. Lengths in mm. */
import type { Rules } from '../../rulebook/rulebook.ts'
import { check, type HungCheck, type WallScene } from './check.ts'
import type { Hung } from './works.ts'

/** A set that is to be its own mirror image, or works whose edges are to lie on one line and nearly do. */
export function bySchool({ school, works }: WallScene, group: readonly Hung[], whole: Hung, rules: Rules): HungCheck[] {
  const grace = rules['hang.grace']
  if (school === 'mirrored' && group.length > 1) {
    const off = group.filter(
      (work) =>
        !group.some(
          (twin) =>
            Math.abs(twin.along + work.along - 2 * whole.along) <= grace &&
            Math.abs(twin.centre - work.centre) <= grace &&
            Math.abs(twin.thing.widthMm - work.thing.widthMm) <= grace &&
            Math.abs(twin.thing.heightMm - work.thing.heightMm) <= grace,
        ),
    )
    return off.slice(0, 1).map((work) => check('hang-mirror', 'note', [work.id], { about: work.name }))
  }
  if (school !== 'lines') return []
  return group.flatMap((work): HungCheck[] => {
    const [near] = works
      .filter((met) => met.id !== work.id && met.along > work.along)
      .map((met) => ({
        met,
        off: Math.min(...[met.top - work.top, met.low - work.low, met.centre - work.centre].map((mm) => Math.abs(mm))),
      }))
      .toSorted((left, right) => left.met.along - right.met.along)
    return near && near.off > grace && near.off < nearlyMm
      ? [
          check('hang-edges', 'note', [work.id, near.met.id], {
            value: near.off,
            about: `${work.name}|${near.met.name}`,
          }),
        ]
      : []
  })
}
/** Edges so far apart were meant to lie on one line. */
const nearlyMm = 120

/** In a group the gaps to the nearest are a hand wide: nearer they crowd, further they fall apart. */
export function apart(group: readonly Hung[], rules: Rules): HungCheck[] {
  if (group.length < 2) return []
  const [least, most, grace] = [rules['hang.group-least'], rules['hang.group-most'], rules['hang.grace']]
  return group.flatMap((work): HungCheck[] => {
    const [near] = group
      .filter(({ id }) => id !== work.id)
      .map((met) => ({
        met,
        mm: Math.hypot(
          Math.max(0, met.left - work.right, work.left - met.right),
          Math.max(0, met.low - work.top, work.low - met.top),
        ),
      }))
      .toSorted((left, right) => left.mm - right.mm)
    if (!near || (near.mm >= least - grace && near.mm <= most + grace) || near.mm === 0) return []
    const isNear = near.mm < least
    return [
      check('hang-apart', 'note', [work.id, near.met.id], {
        value: near.mm,
        wanted: isNear ? least : most,
        rule: isNear ? 'hang.group-least' : 'hang.group-most',
        about: `${work.name}|${near.met.name}`,
      }),
    ]
  })
}
