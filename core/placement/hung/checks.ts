/** What is held against a thing where it hangs. Lengths in mm, weights in kg. */
import { overlaps, type Box } from './boxes.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { faceOf } from '../../survey/index.ts'
import { ceilingOver, type Before } from './before.ts'
import { drills, marksOf, runsUnder } from './drill-list.ts'
import { check, type HungCheck, type WallScene } from './check.ts'
import { apart, bySchool } from './group-checks.ts'
import { belongsAt, overWhat, rulesTheGap } from './line.ts'
import { asOne, groupOf, type Hung } from './works.ts'

export function hungChecks(scene: WallScene, work: Hung, rules: Rules): HungCheck[] {
  const group = groupOf(work, scene.works)
  const whole = asOne(group)
  return [
    ...[
      ...onTheWall(scene, work),
      ...covered(scene, work),
      ...held(scene, work, rules),
      ...intoWall(work, rules),
      ...below(scene, work, rules),
    ].map((found) => ({ ...found, name: work.name })),
    // a group counts as one, and is told once
    ...(whole && group[0]?.id === work.id
      ? [...placed(scene, whole, rules), ...apart(group, rules), ...bySchool(scene, group, whole, rules)].map(
          (found) => ({ ...found, name: whole.name }),
        )
      : []),
  ]
}

/** Off its wall, through the ceiling or the floor, or flat on a curve. */
function onTheWall({ room }: WallScene, work: Hung): HungCheck[] {
  const { wall, left, right, low, top } = work
  const face = faceOf(room, wall)
  const ceiling = ceilingOver(room, wall, Math.max(0, left), Math.min(wall.lengthMm, right))
  const out = Math.max(-left, right - wall.lengthMm, -low, ceiling === null ? 0 : top - ceiling)
  const found: HungCheck[] = []
  if (face.length > 0 && out > 1) found.push(check('hang-off', 'stop', [work.id], { value: out }))
  if (wall.arc) {
    // what is flat stands off the middle of a curve that bulges out, or its sides off one that bulges in
    const { radius } = wall.arc
    const half = Math.min(radius, work.thing.widthMm / 2)
    found.push(check('hang-curve', 'note', [work.id], { value: radius - Math.sqrt(radius * radius - half * half) }))
  }
  return found
}

/** Over a door or a window, over a switch or a vent, over another work, behind what stands there. */
function covered({ works, before }: WallScene, work: Hung): HungCheck[] {
  const box: Box = work
  return [
    ...work.wall.openings.flatMap(({ row, name, u0, u1, z0, z1 }) =>
      row.what !== 'niche' && overlaps(box, { left: u0, right: u1, low: z0, top: z1 })
        ? [check('hang-opening', 'stop', [work.id, row.id], { about: name })]
        : [],
    ),
    ...work.wall.fixtures.flatMap(({ row, name, u0, u1, z0, z1 }) =>
      needsHand.has(row.what) && overlaps(box, { left: u0 - 40, right: u1 + 40, low: z0 - 40, top: z1 + 40 })
        ? [check('hang-covers', 'look', [work.id, row.id], { about: name })]
        : [],
    ),
    ...works.flatMap((met) =>
      met.id !== work.id && met.wall === work.wall && overlaps(box, met)
        ? [check('hang-meets', 'stop', [work.id, met.id], { about: met.name })]
        : [],
    ),
    // a slim lamp before a picture hides nothing of it that anybody misses
    ...before.flatMap((thing) =>
      thing.body.thing?.kind !== 'light' &&
      Math.min(box.right, thing.right) - Math.max(box.left, thing.left) > (box.right - box.left) / 4 &&
      overlaps(box, { left: thing.left, right: thing.right, low: 0, top: thing.top })
        ? [check('hang-behind', 'look', [work.id, thing.id], { value: thing.top - work.low, about: thing.name })]
        : [],
    ),
  ]
}
const needsHand: ReadonlySet<string> = new Set(['switch', 'socket', 'vent', 'radiator', 'light point'])

/** Off the line without a reason, too near what is below or too far from it, too narrow or too wide for it. */
function placed({ room, before, works, lineMm, school }: WallScene, work: Hung, rules: Rules): HungCheck[] {
  const belongs = belongsAt(room, work, before, lineMm, rules)
  const over = overWhat(work, before)
  const found: HungCheck[] = []
  if (over && rulesTheGap(over, rules)) {
    const gap = work.low - over.top
    const [least, most] = [rules['hang.gap-least'], rules['hang.gap-most']]
    const off = gap < least ? least - gap : gap - most
    if (off > rules['hang.grace'] && work.row.why === '')
      found.push(
        check('hang-gap', gap < least / 2 || gap > 2 * most ? 'look' : 'note', [work.id, over.id], {
          value: gap,
          wanted: gap < least ? least : most,
          rule: gap < least ? 'hang.gap-least' : 'hang.gap-most',
          about: over.name,
        }),
      )
  } else if (
    school === 'eye-level' &&
    Math.abs(work.centre - belongs.centre) > rules['hang.grace'] &&
    work.row.why === ''
  )
    found.push(check('hang-line', 'note', [work.id], { value: work.centre, wanted: belongs.centre, about: belongs.by }))
  return [...found, ...wide(works, before, work, over, rules)]
}

/** All that hangs over one thing counts as one: two thirds to three quarters of its width. Told of the first of them. */
function wide(
  works: readonly Hung[],
  before: readonly Before[],
  work: Hung,
  over: Before | null,
  rules: Rules,
): HungCheck[] {
  if (!over) return []
  const group = works.filter((met) => met.wall === work.wall && overWhat(met, before)?.id === over.id)
  const first = group[0]
  // what lies beyond its wall hangs over nothing
  if (!first || over.right <= over.left) return []
  if (first.id !== work.id && (first.row.groupName === '' || first.row.groupName !== work.row.groupName)) return []
  const wideMm = Math.max(...group.map(({ right }) => right)) - Math.min(...group.map(({ left }) => left))
  const share = (100 * wideMm) / (over.right - over.left)
  const [least, most] = [rules['hang.wide-least'], rules['hang.wide-most']]
  // near enough is near enough
  if (share >= least - 12 && share <= most + 12) return []
  return [
    check('hang-wide', 'note', [work.id, over.id], {
      value: share,
      wanted: share < least ? least : most,
      rule: share < least ? 'hang.wide-least' : 'hang.wide-most',
      about: over.name,
    }),
  ]
}

/** Drilled where that is not allowed, or where a cable may run; strips without a rating, or too few. */
function held({ mayDrill }: WallScene, work: Hung, rules: Rules): HungCheck[] {
  const { fixing, weightKg } = work.thing
  if (fixing?.method === 'strips') {
    if (fixing.stripKg === null) return [check('hang-rating', 'look', [work.id])]
    if (weightKg === null) return [check('hang-rating', 'look', [work.id], { about: 'weight' })]
    const pairs = Math.ceil(weightKg / fixing.stripKg - 1e-9)
    return pairs > fixing.hooks ? [check('hang-strips', 'look', [work.id], { value: fixing.hooks, wanted: pairs })] : []
  }
  if (!drills(work) || !fixing) return []
  const near = marksOf(work).flatMap((mark) => runsUnder(work.wall, mark, rules) ?? [])
  return [
    ...(mayDrill ? [] : [check('hang-leave', 'stop', [work.id])]),
    ...(near[0] === undefined ? [] : [check('hang-cable', 'look', [work.id], { rule: 'hang.cable', about: near[0] })]),
  ]
}

/** Over who lies there nothing heavy, and no strips; over who sits there what is heavy is held by the structure. */
function below({ before }: WallScene, work: Hung, rules: Rules): HungCheck[] {
  const { fixing, weightKg } = work.thing
  const beneath = before.filter(
    ({ left, right, top }) => left < work.right && right > work.left && top <= work.low + 50,
  )
  const bed = beneath.find(({ body }) => isLainOn(body))
  if (bed) {
    const strips = fixing?.method === 'strips'
    const heavy = weightKg !== null && weightKg > rules['hang.bed-weight']
    return strips || heavy
      ? [
          check('hang-bed', 'stop', [work.id, bed.id], {
            value: weightKg,
            wanted: rules['hang.bed-weight'],
            rule: strips ? null : 'hang.bed-weight',
            about: `${strips ? 'strips' : 'weight'}|${bed.name}`,
          }),
        ]
      : []
  }
  const seat = beneath.find(({ body }) => body.thing?.kind === 'seat')
  return seat && weightKg !== null && weightKg >= rules['hang.seat-weight'] && !intoStructure.has(fixing?.method ?? '')
    ? [
        check('hang-seat', 'look', [work.id, seat.id], {
          value: weightKg,
          wanted: rules['hang.seat-weight'],
          rule: 'hang.seat-weight',
          about: seat.name,
        }),
      ]
    : []
}
/** A nail bears little in a board, and breaks tile; nobody is told of a wall that nobody knocked on. */
function intoWall({ thing: { fixing, weightKg }, wall: { row }, id }: Hung, rules: Rules): HungCheck[] {
  if (fixing?.method !== 'nail') return []
  const isTile = row.madeOf === 'tile'
  if (!isTile && !(hollow.has(row.madeOf) && (weightKg ?? 0) > rules['hang.hollow'])) return []
  return [
    check('hang-hollow', 'look', [id], {
      value: weightKg,
      wanted: rules['hang.hollow'],
      rule: isTile ? null : 'hang.hollow',
      about: row.madeOf,
    }),
  ]
}
const hollow: ReadonlySet<string> = new Set(['plasterboard', 'lath and plaster'])
const intoStructure: ReadonlySet<string> = new Set(['screw', 'anchor', 'rail'])
/** A bed, a cot, and a sofa that is made up as one. */
const isLainOn = ({ thing, open }: Before['body']): boolean =>
  thing?.kind === 'bed' || (thing?.kind === 'seat' && open.some(({ name }) => /\b(bed|sleep)/i.test(name)))
