/** What the survey gives cause to say: how it closes, what cannot be where it was noted, and cautions about what is there. */
import { headOf, type Makeover } from '../makeover/document.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { faceOf } from './areas.ts'
import { joints } from './joined.ts'
import { cornerRemarks } from './corner-remarks.ts'
import { oldFinishes } from './old-finishes.ts'
import type { OnWall, Room, Wall } from './room.ts'

export function surveyRemarks(makeover: Makeover, rooms: readonly Room[], rules: Rules): Remark[] {
  const system = headOf(makeover)?.units ?? 'metric'
  return [
    ...rooms.flatMap((room) => [
      ...closingRemarks(room, rules, system),
      ...cornerRemarks(makeover, room, rules, system),
      ...room.walls.flatMap((wall) => onWallRemarks(room, wall, rules, system)),
    ]),
    ...sharedRemarks(rooms, rules, system),
    ...oldFinishes(makeover, rules),
  ]
}

function closingRemarks(room: Room, rules: Rules, system: UnitSystem): Remark[] {
  const { closing } = room
  const length = (mm: number): string => writeLength(Math.round(mm), system)
  const subjects = [{ kind: 'room' as const, id: room.id }]
  if (room.walls.length === 0) return []
  if (closing.state !== 'closed')
    return [
      remark({
        code: closing.state,
        weight: closing.state === 'open' ? 'note' : 'look',
        subjects,
        title: `${room.name} ${closing.state === 'open' ? 'is not walked round yet' : 'cannot be closed'}`,
        sentence: `${closing.why} What was typed is kept as it is.`,
        numbers: [closing.why],
      }),
    ]
  const remarks: Remark[] = []
  if (closing.freedom === 0)
    remarks.push(
      remark({
        code: 'unchecked',
        subjects,
        title: `${room.name}: nothing checks these lengths`,
        sentence:
          'There are as many measurements as the room needs and none more: a wrong one would not show. Measure a diagonal, or the wall that is missing.',
        numbers: [room.walls.length],
      }),
    )
  const { again, misclosure } = closing
  if (!again) return remarks
  const nameOf = (id: string): string => closing.lengths.find((length) => length.id === id)?.name ?? ''
  const missed =
    misclosure && misclosure.mm > closing.limitMm
      ? `Walked round by its lengths, the room misses its start by ${length(misclosure.mm)}${misclosure.oneIn ? `, 1 in ${misclosure.oneIn}` : ''}; up to ${length(closing.limitMm)} is the tape. `
      : 'Lengths contradict each other by more than the tape explains. '
  const text = again.named ?? (again.set.length === 1 ? (again.set[0] ?? null) : null)
  const wrongBy =
    again.errorMm === null
      ? ''
      : ` It looks ${length(Math.abs(again.errorMm))} too ${again.errorMm > 0 ? 'long' : 'short'}`
  const told = again.decide
    ? ` Measure from corner ${again.decide.from + 1} to corner ${again.decide.to + 1}: ${again.decide.expected.map(({ id, mm }) => `near ${length(mm)} means ${nameOf(id)} is wrong`).join(', ')}.`
    : ' Measure each of them again.'
  remarks.push(
    remark({
      code: 'measure-again',
      subjects: text
        ? [
            {
              kind: closing.lengths.find((length) => length.id === text)?.kind === 'diagonal' ? 'diagonal' : 'wall',
              id: text,
            },
            ...subjects,
          ]
        : subjects,
      title: text
        ? `${again.named ? 'Measure' : 'Likeliest: measure'} ${nameOf(text)} again`
        : again.set.length > 1
          ? `${again.set.map(nameOf).join(' or ')}: one of them is wrong`
          : `${room.name}: measure it a second time`,
      sentence: text
        ? `${missed}${wrongBy}. ${again.named ? `It is set aside until it is measured again: the others make it ${length(closing.lengths.find((length) => length.id === again.named)?.adjustedMm ?? 0)}.` : 'The room stands as the likeliest fit until it is measured again.'}`.replace(
            / {2,}/g,
            ' ',
          )
        : `${missed}${again.set.length > 1 ? `These cannot be told apart by what was measured.${told}` : 'Nothing says which length it is.'}`,
      numbers: [misclosure?.mm ?? 0, ...again.set],
    }),
  )
  return remarks
}

/** What reaches past its wall, above the ceiling, or over another thing. */
function onWallRemarks(room: Room, wall: Wall, rules: Rules, system: UnitSystem): Remark[] {
  if (room.closing.state !== 'closed') return []
  const grace = rules['survey.edge-grace']
  const length = (mm: number): string => writeLength(Math.round(mm), system)
  const things: readonly (OnWall<'opening'> | OnWall<'fixture'>)[] = [...wall.openings, ...wall.fixtures]
  const subject = (onWall: OnWall<'opening'> | OnWall<'fixture'>) => ({
    kind: 'what' in onWall.row && 'sillMm' in onWall.row ? ('opening' as const) : ('fixture' as const),
    id: onWall.row.id,
  })
  const face = faceOf(room, wall)
  const remarks: Remark[] = []
  for (const thing of things) {
    const over = Math.max(-thing.u0, thing.u1 - wall.lengthMm)
    if (over > grace)
      remarks.push(
        remark({
          code: 'past-wall',
          subjects: [subject(thing), { kind: 'wall', id: wall.row.id }],
          title: `${thing.name} reaches past the end of ${wall.name}`,
          sentence: `By ${length(over)}: the wall is ${length(wall.lengthMm)} long, and it goes from ${length(Math.max(0, thing.u0))} to ${length(thing.u1)}. Measure its distance again, or say that it is from the other corner.`,
          numbers: [over],
        }),
      )
    const top = lowestTop(face, thing.u0, thing.u1)
    if (top !== null && thing.z1 > top + grace)
      remarks.push(
        remark({
          code: 'above-ceiling',
          subjects: [subject(thing), { kind: 'wall', id: wall.row.id }],
          title: `${thing.name} is higher than the ceiling over ${wall.name}`,
          sentence: `Its top is at ${length(thing.z1)}, the ceiling there at ${length(top)}. Measure the height again.`,
          numbers: [thing.z1, top],
        }),
      )
  }
  const clear = wall.openings.filter(
    (opening) => opening.row.clearMm !== null && opening.row.clearMm > opening.row.widthMm,
  )
  for (const onWall of clear)
    remarks.push(
      remark({
        code: 'clear-width',
        subjects: [subject(onWall)],
        title: `${onWall.name} lets pass more than it is wide`,
        sentence: `Clear ${length(onWall.row.clearMm ?? 0)} in an opening of ${length(onWall.row.widthMm)}. Measure between the open leaf and the frame.`,
        numbers: [onWall.row.clearMm ?? 0],
      }),
    )
  for (const [at, onWall] of things.entries())
    for (const thing of things.slice(at + 1)) {
      const [across, tall] = [
        Math.min(onWall.u1, thing.u1) - Math.max(onWall.u0, thing.u0),
        Math.min(onWall.z1, thing.z1) - Math.max(onWall.z0, thing.z0),
      ]
      if (!meet(onWall, thing, across, tall, grace)) continue
      remarks.push(
        remark({
          code: 'overlap',
          subjects: [subject(onWall), subject(thing)],
          title: `${onWall.name} and ${thing.name} take the same place on ${wall.name}`,
          sentence:
            isPoint(onWall) || isPoint(thing)
              ? 'A point cannot be in an opening. One of the distances is wrong, or is from the other corner.'
              : `They overlap by ${length(across)} along the wall and ${length(tall)} in height. One of the distances is wrong, or is from the other corner.`,
          numbers: [across, tall],
        }),
      )
    }
  return remarks
}
type Thing = OnWall<'opening'> | OnWall<'fixture'>
const isPoint = (thing: Thing): boolean => thing.u0 === thing.u1 || thing.z0 === thing.z1
/** Two things with a size that overlap, or a point within an opening; things off the wall meet nothing on it. */
function meet(left: Thing, right: Thing, across: number, tall: number, grace: number): boolean {
  if ([left, right].some(({ row }) => 'outMm' in row && row.outMm > 0)) return false
  if (!isPoint(left) && !isPoint(right)) return across > grace && tall > grace
  const [point, thing] = isPoint(left) ? [left, right] : [right, left]
  const [u, z] = [(point.u0 + point.u1) / 2, (point.z0 + point.z1) / 2]
  return (
    'sillMm' in thing.row &&
    thing.row.what !== 'niche' &&
    u > thing.u0 + grace &&
    u < thing.u1 - grace &&
    z > thing.z0 + grace &&
    z < thing.z1 - grace
  )
}

/** The lowest height of a face between two places along it; null while no height is known. */
function lowestTop(face: readonly { readonly x: number; readonly y: number }[], u0: number, u1: number): number | null {
  const top = face.slice(2).toReversed()
  if (top.length < 2) return null
  const at = (u: number): number => {
    const next = top.findIndex((point) => point.x >= u)
    const [left, right] = [top[Math.max(0, next - 1)], top[Math.max(0, next)]]
    if (!left || !right || next < 0) return top.at(-1)?.y ?? 0
    return right.x === left.x ? right.y : left.y + ((right.y - left.y) * (u - left.x)) / (right.x - left.x)
  }
  const last = top.at(-1)?.x ?? 0
  const [start, to] = [Math.max(0, Math.min(u0, last)), Math.min(last, Math.max(0, u1))]
  return Math.min(at(start), at(to), ...top.filter((point) => point.x > start && point.x < to).map((point) => point.y))
}

/** One opening, measured from two rooms, is one opening. */
function sharedRemarks(rooms: readonly Room[], rules: Rules, system: UnitSystem): Remark[] {
  const length = (mm: number): string => writeLength(Math.round(mm), system)
  return joints(rooms, rules).flatMap(({ left: side, right: otherSide }) => {
    const [wide, high] = [
      Math.abs(side.opening.row.widthMm - otherSide.opening.row.widthMm),
      Math.abs(side.opening.z1 - side.opening.z0 - (otherSide.opening.z1 - otherSide.opening.z0)),
    ]
    if (Math.max(wide, high) <= rules['survey.shared-grace']) return []
    return [
      remark({
        code: 'shared-differs',
        subjects: [
          { kind: 'opening', id: side.opening.row.id },
          { kind: 'opening', id: otherSide.opening.row.id },
        ],
        title: `${side.opening.name}: two sizes for one opening`,
        sentence: `From ${side.room.name} it is ${length(side.opening.row.widthMm)} × ${length(side.opening.z1 - side.opening.z0)}, from ${otherSide.room.name} ${length(otherSide.opening.row.widthMm)} × ${length(otherSide.opening.z1 - otherSide.opening.z0)}. Measure it once more, or say that they are two.`,
        numbers: [wide, high],
      }),
    ]
  })
}
