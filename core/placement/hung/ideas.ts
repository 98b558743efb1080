/**
 * What of that which waits would look well on a wall: what hides a fixed thing that is wanted out of sight, a pair for the bare sides of
 * a centre piece, a mirror behind a lamp. Lengths in mm.
 */
import { thingOf } from '../../makeover/thing-names.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { wrongness, type WallScene } from './check.ts'
import { hungChecks } from './checks.ts'
import { belongsAt } from './line.ts'
import { boxOf, coverMarginMm, isHidden, mayBeCovered } from './out-of-sight.ts'
import { newlyHung, type OnWall } from './places.ts'
import { asOne, groupOf, type Hung, type ToHang } from './works.ts'

export type WallIdea = {
  readonly is: 'hides' | 'flanks' | 'doubles'
  /** What it is about: the fixed thing, the centre piece, the lamp. */
  readonly aboutId: string
  readonly about: string
  readonly places: readonly { readonly item: ToHang; readonly at: OnWall }[]
}
type Ground = { readonly scene: WallScene; readonly wall: Hung['wall']; readonly rules: Rules }

/** What is proposed may have a few notes against it, and nothing to look at. */
const mostWrong = 9

/** Curved walls get none: nothing that hangs flat covers or flanks anything there. */
export function wallIdeas(scene: WallScene, wall: Hung['wall'], waiting: readonly ToHang[], rules: Rules): WallIdea[] {
  if (wall.arc) return []
  const ground = { scene, wall, rules }
  return [...hides(ground, waiting), ...flanks(ground, waiting), ...doubles(ground, waiting)]
}

const tryOn = ({ wall }: Ground, { thing, number }: ToHang, { along, centre }: OnWall): Hung =>
  newlyHung(thing, number, wall, along, centre)

function wrongWith({ scene, rules }: Ground, works: readonly Hung[]): number {
  const held = { ...scene, works: [...scene.works, ...works] }
  return wrongness(works.flatMap((work) => hungChecks(held, work, rules)))
}

/** As high as it belongs there, or as near to that as still serves. */
function heightFor(ground: Ground, item: ToHang, along: number, least: number, most: number): number {
  // from high enough to hang over whatever stands there
  const high = tryOn(ground, item, { along, centre: 2000 + item.thing.heightMm })
  const { centre } = belongsAt(ground.scene.room, high, ground.scene.before, ground.scene.lineMm, ground.rules)
  return Math.min(most, Math.max(least, centre))
}

/** For each fixed thing that is wanted out of sight and may be covered: what waits, covers it, and hangs well there. */
function hides(ground: Ground, waiting: readonly ToHang[]): WallIdea[] {
  const { scene, wall } = ground
  return wall.fixtures
    .filter((fixed) => fixed.row.outOfSight && mayBeCovered(fixed) && !isHidden(scene, fixed))
    .flatMap((fixed): WallIdea[] => {
      const box = boxOf(fixed)
      const middle = (box.left + box.right) / 2
      const found = waiting.flatMap((item) => {
        const { widthMm, heightMm } = item.thing
        const [freeX, freeZ] = [
          (widthMm - (box.right - box.left)) / 2 - coverMarginMm,
          (heightMm - (box.top - box.low)) / 2 - coverMarginMm,
        ]
        if (freeX < 0 || freeZ < 0) return []
        // to a middle that is there already where it still covers, else about the thing itself
        const middles = [
          wall.lengthMm / 2,
          ...scene.before.map(({ left, right }) => (left + right) / 2),
          middle,
        ].filter((along) => Math.abs(along - middle) <= freeX)
        const height = (box.low + box.top) / 2
        return middles.map((along) => {
          const at = { along, centre: heightFor(ground, item, along, height - freeZ, height + freeZ) }
          return { item, at, wrong: wrongWith(ground, [tryOn(ground, item, at)]) }
        })
      })
      const [best] = found.filter(({ wrong }) => wrong <= mostWrong).toSorted((left, right) => left.wrong - right.wrong)
      return best ? [{ is: 'hides', aboutId: fixed.row.id, about: fixed.name, places: [best] }] : []
    })
}

/** Two alike on both sides of what hangs in the middle of the bare wall, as far from it on one side as on the other. */
function flanks(ground: Ground, waiting: readonly ToHang[]): WallIdea[] {
  const { scene, wall, rules } = ground
  const pairs = waiting.flatMap((item, at) => {
    const twin = waiting.slice(at + 1).find(({ thing }) => thing.piece.id === item.thing.piece.id)
    const isFirst = waiting.findIndex(({ thing }) => thing.piece.id === item.thing.piece.id) === at
    return twin && isFirst ? [[item, twin] as const] : []
  })
  const [least, most] = [rules['hang.group-least'], rules['hang.group-most']]
  return scene.works.flatMap((work): WallIdea[] => {
    const group = groupOf(work, scene.works)
    const whole = asOne(group)
    if (!whole || group[0]?.id !== work.id) return []
    const bounds = [
      ...scene.works.filter((met) => !group.includes(met)),
      ...wall.openings.map(({ u0, u1, z0, z1 }) => ({ left: u0, right: u1, low: z0, top: z1 })),
    ].filter(({ low, top }) => low < whole.top && top > whole.low)
    const bareLeft = whole.left - Math.max(0, ...bounds.flatMap(({ right }) => (right <= whole.left ? [right] : [])))
    const bareRight =
      Math.min(wall.lengthMm, ...bounds.flatMap(({ left }) => (left >= whole.right ? [left] : []))) - whole.right
    const bare = Math.min(bareLeft, bareRight)
    for (const [first, second] of pairs) {
      const wide = first.thing.widthMm
      // narrower than what it flanks, with a hand's width on both of its sides
      if (wide >= whole.right - whole.left || bare < wide + 2 * least) continue
      const far = (whole.right - whole.left) / 2 + Math.min(most, (bare - wide) / 2) + wide / 2
      const places = [
        { item: first, at: { along: whole.along - far, centre: whole.centre } },
        { item: second, at: { along: whole.along + far, centre: whole.centre } },
      ]
      const put = places.map(({ item, at }) => tryOn(ground, item, at))
      if (wrongWith(ground, put) <= mostWrong) return [{ is: 'flanks', aboutId: whole.id, about: whole.name, places }]
    }
    return []
  })
}

/** Of a lamp that stands before the wall so much of its upper part gives the light. */
const glowsMm = 400

/** A mirror behind a lamp doubles its light. */
function doubles(ground: Ground, waiting: readonly ToHang[]): WallIdea[] {
  const { scene } = ground
  const lamps = scene.before.filter(
    ({ id, body }) => body.thing?.kind === 'light' && !scene.works.some((work) => lampBefore(work, scene)?.id === id),
  )
  return lamps.flatMap((lamp): WallIdea[] => {
    const along = (lamp.left + lamp.right) / 2
    for (const item of waiting.filter(({ thing }) => thingOf(thing.piece) === 'mirror')) {
      const half = item.thing.heightMm / 2
      const at = { along, centre: heightFor(ground, item, along, lamp.top - half, lamp.top - glowsMm + half) }
      if (wrongWith(ground, [tryOn(ground, item, at)]) <= mostWrong)
        return [{ is: 'doubles', aboutId: lamp.id, about: lamp.name, places: [{ item, at }] }]
    }
    return []
  })
}

/** The lamp whose light a mirror doubles: it stands before it, and glows as high as the mirror hangs. */
export const lampBefore = (work: Hung, { before }: Pick<WallScene, 'before'>) =>
  thingOf(work.thing.piece) === 'mirror'
    ? (before.find(({ body, left, right, top }) => {
        const middle = (left + right) / 2
        const glows = body.thing?.kind === 'light' && middle > work.left && middle < work.right
        return glows && top > work.low && top - glowsMm < work.top
      }) ?? null)
    : null
