/** What gives cause to say something of where things stand. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { usesOf } from '../pieces/index.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { Check } from './checks.ts'
import { remark } from './catalogue.ts'
import type { RoomPlaced } from './reckoned.ts'
import { schoolRemarks } from './school-remarks.ts'
import type { CarriedIn } from './way-in.ts'
import type { Way } from './ways.ts'
import { said, type Telling } from './words.ts'

export function placementRemarks(makeover: Makeover, placed: readonly RoomPlaced[], practice: Practice): Remark[] {
  const { rules } = practice
  const units = headOf(makeover)?.units ?? 'metric'
  return placed.flatMap((room) => {
    // what the sun does in a sunny room is said of the thing already, wherever it stands
    const isSunny = usesOf(makeover, room.roomId).includes('sun')
    const names = new Map(room.bodies.map((body) => [body.id, body.name]))
    const telling: Telling = { rules, units, nameOf: (id) => names.get(id) ?? '' }
    return [
      ...room.checks
        .filter(({ code }) => code !== 'sun' || !isSunny)
        .flatMap((check) => ofCheck(makeover, check, telling)),
      ...room.ways.flatMap((way) => ofWay(makeover, way, rules, units)),
      ...unserved(makeover, room),
      ...turning(makeover, room, rules, units),
      ...schoolRemarks(makeover, room, practice, units, subjectsOf),
      ...room.stuck.map((carried) => stuck(carried, units)),
      ...room.islands.map((rug) =>
        remark({
          code: 'island',
          subjects: subjectsOf(makeover, [rug.id]),
          title: `${rug.name} is an island`,
          sentence: `It lies under the table and reaches under no front leg about it. Take a larger one, which reaches ${citeRule('rug.under', rules, units)} under them, or draw the seats in.`,
          numbers: [rug.at.xMm, rug.at.yMm],
        }),
      ),
    ]
  })
}

function stuck({ thing, passed }: CarriedIn, units: UnitSystem): Remark {
  const [tight] = passed.filter(({ pose }) => pose === null)
  const misses = writeLength(Math.ceil(tight?.missesMm ?? 0), units)
  return remark({
    code: 'tight',
    subjects: [{ kind: 'piece', id: thing.piece.id }],
    title: `${thing.piece.name}: the way in is too tight`,
    sentence: `At ${tight?.stage.name ?? 'the way in'} it misses by ${misses}, whichever way it is held. Ask whether it comes in parts or its legs come off, look for another way in, or choose a smaller one.`,
    numbers: [tight?.missesMm ?? 0],
  })
}

/** A remark stands on the piece, so that it is found wherever the piece is seen. */
function subjectsOf(makeover: Makeover, ids: readonly string[]): Subject[] {
  return ids.flatMap((id): Subject[] => {
    const standing = makeover.rows.standing[id]
    if (standing)
      return [
        { kind: 'standing', id },
        { kind: 'piece', id: standing.pieceId },
      ]
    if (makeover.rows.opening[id]) return [{ kind: 'opening', id }]
    return makeover.rows.fixture[id] ? [{ kind: 'fixture', id }] : []
  })
}

function ofCheck(makeover: Makeover, check: Check, telling: Telling): Remark[] {
  const { code, weight, ids, mm, rule } = check
  if (weight === 'well') return []
  const { title, sentence } = said(check, telling)
  return [
    remark({
      code,
      weight,
      subjects: subjectsOf(makeover, ids),
      title,
      sentence,
      rule,
      numbers: [mm ?? 0, ...(code === 'open' || code === 'proportion' ? [check.about] : [])],
    }),
  ]
}

function turning(
  makeover: Makeover,
  { roomId, turning: circle }: RoomPlaced,
  rules: Rules,
  units: UnitSystem,
): Remark[] {
  if (!circle || circle.mm >= rules['place.turning'] - 1) return []
  const subjects: Subject[] = makeover.rows.room[roomId] ? [{ kind: 'room', id: roomId }] : []
  return [
    remark({
      code: 'turning',
      subjects,
      title: `A wheelchair turns in ${writeLength(Math.floor(circle.mm), units)} at most`,
      sentence: `It wants a free circle of ${citeRule('place.turning', rules, units)}. Draw what stands about the largest one apart, or take something out.`,
      numbers: [circle.mm],
    }),
  ]
}

function ofWay(
  makeover: Makeover,
  { from, to, clearMm, isWide, narrowest }: Way,
  rules: Rules,
  units: UnitSystem,
): Remark[] {
  if (isWide || clearMm >= rules['place.way-main'] - 1) return []
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  const subjects: Subject[] = [from.id, to.id].map((id) =>
    makeover.rows.zone[id] ? { kind: 'zone', id } : { kind: 'opening', id },
  )
  const between = [...new Set((narrowest?.between ?? []).map((body) => body?.name ?? 'the wall'))].join(' and ')
  if (clearMm < rules['place.way-blocked'])
    return [
      remark({
        code: 'blocked',
        subjects,
        title: `No way from ${from.name} to ${to.name}`,
        sentence:
          clearMm === 0
            ? 'What stands there closes it. Leave a way of the width of a person, and better of a main way.'
            : `${length(clearMm)} are clear between ${between}, and nobody passes under ${citeRule('place.way-blocked', rules, units)}.`,
        numbers: [clearMm],
      }),
    ]
  return [
    remark({
      code: 'way',
      subjects,
      title: `${from.name} to ${to.name}: ${length(clearMm)} clear`,
      sentence: `A main way wants ${citeRule('place.way-main', rules, units)}; ${length(rules['place.way-main'] - clearMm)} are missing between ${between}.`,
      numbers: [clearMm],
    }),
  ]
}

const doneOn: Readonly<Record<string, RegExp>> = {
  sleep: /bed/,
  work: /table|seat/,
  talk: /seat/,
  eat: /table/,
  store: /storage|shelf/,
}
/** A zone in which something is done, and in which nothing stands for it. */
function unserved(makeover: Makeover, { roomId, bodies, waiting }: RoomPlaced): Remark[] {
  // while things still wait at the door nobody can say what will be missing
  if (bodies.length === 0 || waiting > 0) return []
  return rowsOf(makeover, 'zone').flatMap((zone) => {
    const wanted = zone.activity === null ? undefined : doneOn[zone.activity]
    if (zone.roomId !== roomId || !wanted) return []
    const serves = bodies.some(({ thing }) => thing?.piece.zoneId === zone.id && wanted.test(thing.kind))
    return serves
      ? []
      : [
          remark({
            code: 'unserved',
            subjects: [{ kind: 'zone', id: zone.id }],
            title: `${zone.name}: nothing to ${zone.activity ?? ''} ${zone.activity === 'sleep' ? 'in' : 'at'}`,
            sentence:
              'Everything stands, and nothing of it is for this part of the room. Say which piece serves it, or what else it is for.',
            numbers: [zone.activity ?? ''],
          }),
        ]
  })
}
