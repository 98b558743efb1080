/** What is said of deliveries, of things that are away, and of what is not decided. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, daysBetween, writeDate, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import { days } from '../remarks/attention.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Money } from '../purchases/index.ts'
import { remark } from './catalogue.ts'
import { waitingPlaces, windowWords, type Delivery } from './deliveries.ts'
import type { Schedule } from './schedule.ts'

const subjects = (row: Delivery['row']) => (row ? [{ kind: 'arrival' as const, id: row.id }] : [])

/** Only what is agreed for a day within the week is held against who lets it in: until then there is time to ask. */
export function letIn(makeover: Makeover, deliveries: readonly Delivery[], today: PlainDate): Remark[] {
  const absences = rowsOf(makeover, 'absence')
  return deliveries.flatMap((delivery): Remark[] => {
    const { row, name, comesOn } = delivery
    if (!row || comesOn === null || comesOn < today) return []
    const when = `${writeWeekdayDate(comesOn)}${windowWords(row) === '' ? '' : ` ${windowWords(row)}`}`
    if (row.letsIn === '')
      return row.state === 'confirmed' && comesOn <= addDays(today, 7)
        ? [
            remark({
              code: 'nobody-in',
              subjects: subjects(row),
              title: `${name} comes on ${when}, and nobody lets it in`,
              sentence:
                'A carrier that finds nobody takes it back, and often asks for a second journey. Say who is there.',
              numbers: [comesOn],
            }),
          ]
        : []
    const hand = rowsOf(makeover, 'hand').find((known) => known.name.toLowerCase() === row.letsIn.toLowerCase())
    const gone = absences.find(
      ({ handId, fromOn, untilOn }) =>
        fromOn <= comesOn && comesOn <= untilOn && (handId === null || (hand !== undefined && handId === hand.id)),
    )
    return gone
      ? [
          remark({
            code: 'let-in-away',
            subjects: subjects(row),
            title: `${name} comes on ${when}, and ${row.letsIn} is away${gone.name === '' ? '' : ` (${gone.name})`}`,
            sentence: 'Ask somebody else to be there, or have it come on another day.',
            numbers: [comesOn],
          }),
        ]
      : []
  })
}

export function noWaitingRoom(
  makeover: Makeover,
  deliveries: readonly Delivery[],
  floorM2: (roomId: string) => number,
  { rules }: Practice,
): Remark[] {
  return waitingPlaces(makeover, deliveries, floorM2, rules).flatMap(
    ({ roomId, room, freeM2, takenM2, fullOn, names }) =>
      takenM2 <= freeM2
        ? []
        : [
            remark({
              code: 'no-waiting-room',
              subjects: [{ kind: 'room', id: roomId }],
              title: `${room}: no room for all that waits there on ${writeWeekdayDate(fullOn)}`,
              sentence: `${names.join(', ')} ${names.length === 1 ? 'takes' : 'take'} ${metres(takenM2)} m² of floor; with a way left through it ${metres(freeM2)} m² are free. Let something come later, or wait elsewhere.`,
              numbers: [Math.round(takenM2 * 10) / 10, Math.round(freeM2 * 10) / 10],
            }),
          ],
  )
}
const metres = (m2: number): string => (Math.round(m2 * 10) / 10).toFixed(1)

/** What is away to be worked on: from when until when its place is empty. */
export type PieceAway = {
  readonly pieceId: string
  readonly key: string
  readonly from: PlainDate
  readonly until: PlainDate
}
export function piecesAway(makeover: Makeover, { tasks }: Pick<Schedule, 'tasks'>): PieceAway[] {
  const away = new Map(
    rowsOf(makeover, 'task').flatMap((row) => (row.isAway && row.pieceId ? [[row.id, row.pieceId]] : [])),
  )
  return tasks.flatMap(({ key, part, startOn, finishOn, isDone }) => {
    const pieceId = away.get(part?.key ?? key)
    return pieceId === undefined || isDone ? [] : [{ pieceId, key, from: startOn, until: finishOn }]
  })
}
export function awayTooLong(makeover: Makeover, plan: Schedule): Remark[] {
  const { installOn } = plan
  if (installOn === null || !plan.installRules) return []
  return piecesAway(makeover, plan).flatMap(({ pieceId, key, from, until }) => {
    const piece = makeover.rows.piece[pieceId]
    if (!piece || until < installOn) return []
    const zone = piece.zoneId === null ? undefined : makeover.rows.zone[piece.zoneId]?.name
    return [
      remark({
        code: 'piece-away',
        subjects: [
          { kind: 'piece', id: pieceId },
          { kind: 'task', id: key.split('/')[0] ?? key },
        ],
        title: `${piece.name} is away until ${writeWeekdayDate(until)}, and wanted on ${writeDate(installOn)}`,
        sentence: `It is away from ${writeDate(from)}; its place${zone === undefined ? '' : ` in ${zone}`} stays empty meanwhile. Send it sooner, or put something in its place.`,
        numbers: [until, installOn],
      }),
    ]
  })
}

/** Where all is fixed in the plan, nothing is open any more in the last weeks. */
export function undecided(
  makeover: Makeover,
  money: Money,
  plan: Schedule,
  practice: Practice,
  today: PlainDate,
): Remark[] {
  const { rules, schools, chosen } = practice
  const installOn = headOf(makeover)?.installOn ?? null
  // only who asked for it is held to it
  if (!chosen.includes('exactness') || schools.exactness !== 'fixed' || !plan.installRules || installOn === null)
    return []
  const left = daysBetween(today, installOn)
  if (left < 0 || left > rules['work.undecided']) return []
  const open = money.pieces.filter(({ basis, open: missing }) => basis === 'allowance' && missing > 0)
  if (open.length === 0) return []
  const names = open.map(({ id }) => makeover.rows.piece[id]?.name ?? '')
  return [
    remark({
      code: 'undecided',
      subjects: open.map(({ id }) => ({ kind: 'piece', id })),
      title: `${open.length === 1 ? `${names[0]} is` : `${open.length} things are`} not chosen, ${days(left)} before the install day`,
      sentence: `${names.join(', ')}: all was to be fixed in the plan. Choose, put ${open.length === 1 ? 'it' : 'them'} off to a second phase, or leave room for what shopping finds.`,
      numbers: [open.length],
    }),
  ]
}

/** The day itself went by with work on the list: it was done and not ticked off, or the day has moved. */
export function past(makeover: Makeover, { tasks, installOn, installRules }: Schedule, today: PlainDate): Remark[] {
  if (installOn === null || !installRules || installOn >= today) return []
  const open = tasks.filter(({ is, isDone, isInstall }) => is === 'work' && !isDone && isInstall)
  if (open.length === 0) return []
  return [
    remark({
      code: 'past',
      subjects: rowsOf(makeover, 'makeover').map(({ id }) => ({ kind: 'makeover', id })),
      title: `The install day was ${days(daysBetween(installOn, today))} ago, and ${open.length === 1 ? 'a task' : `${open.length} tasks`} of it ${open.length === 1 ? 'is' : 'are'} open`,
      sentence: 'Tick off what was done, or say the new day.',
      numbers: [daysBetween(installOn, today), open.length],
    }),
  ]
}
