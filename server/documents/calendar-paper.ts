/** The calendar on paper: the plan hand by hand with a bar for each task, and the sheet of the install day. */
import {
  dateAt,
  dayMinutes,
  dayOf,
  installSheet,
  windowWords,
  deliveriesOf,
  type Planned,
} from '#core/calendar/index.ts'
import { headOf, rowsOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import type { Habits } from '#core/measure/habits.ts'
import { writeDate, writeShortDate, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { paper } from './paper.ts'

export type AskedCalendar = {
  readonly makeover: Makeover
  readonly studio: Studio
  readonly today: PlainDate
  readonly studioName: string
  readonly size: Habits['paper']
}

export function planPaper({ makeover, studio, today, studioName, size }: AskedCalendar): Promise<Buffer> {
  const { schedule } = reckon({ makeover, studio }, today)
  const { tasks, readyOn, installOn, chain } = schedule
  const page = paper(`Calendar: ${headOf(makeover)?.name ?? ''}`, size)
  page.title(
    headOf(makeover)?.name ?? '',
    [
      `Calendar as of ${writeDate(today)}`,
      ...(installOn === null ? [] : [`install day ${writeWeekdayDate(installOn)}`]),
      ...(readyOn === null ? [] : [`all is ready on ${writeDate(readyOn)}`]),
    ].join('; '),
  )
  if (tasks.length === 0)
    page.words(schedule.circle.length > 0 ? 'Tasks wait for one another: nothing is planned.' : 'No work yet.')
  const shown = tasks.filter(({ is }) => is !== 'order')
  if (shown.length > 0) {
    const first = dayOf(dateAt(Math.min(...shown.map(({ start }) => start))))
    const last =
      Math.max(
        dayOf(dateAt(Math.max(...shown.map(({ finish }) => finish)))),
        installOn === null ? 0 : dayOf(installOn),
      ) + 1
    page.bars(
      byHand(shown).map(([hand, mine]) => ({
        name: hand,
        bars: mine.map(({ start, finish, isOnChain, isDone, is, driesUntil }) => ({
          from: start / dayMinutes,
          to: Math.max(finish / dayMinutes, start / dayMinutes + 0.2),
          until: driesUntil === null ? null : driesUntil / dayMinutes,
          look: isDone
            ? ('done' as const)
            : is === 'lead'
              ? ('line' as const)
              : isOnChain
                ? ('heavy' as const)
                : ('open' as const),
        })),
      })),
      {
        first,
        last,
        mark: installOn === null ? null : { at: dayOf(installOn) + 1, says: `install ${writeShortDate(installOn)}` },
      },
    )
    page.words('Filled: done. Heavy: nothing to spare. Thin line: on its way. Dotted: it dries.', true)
  }
  for (const [hand, mine] of byHand(shown)) {
    page.heading(hand)
    page.table(
      [
        { head: 'What', width: 46 },
        { head: 'From', width: 18 },
        { head: 'To', width: 18 },
        { head: 'To spare', width: 10, right: true },
      ],
      mine.map((task) => [
        `${task.name}${task.isDone ? ', done' : ''}${task.isOnChain ? ' *' : ''}`,
        task.is === 'lead' ? '' : writeWeekdayDate(task.startOn),
        writeWeekdayDate(dateAt(task.finish)),
        task.slackDays === null ? '' : `${task.slackDays} d`,
      ]),
    )
  }
  if (chain.length > 0) page.words('* All waits for these: a day lost here is a day lost at the end.', true)
  return page.bytes(`${studioName} · ${writeDate(today)}`)
}
const byHand = (tasks: readonly Planned[]): [string, Planned[]][] => {
  const hands = new Map<string, Planned[]>()
  for (const task of tasks.toSorted((left, right) => left.start - right.start))
    hands.set(task.hand, [...(hands.get(task.hand) ?? []), task])
  return [...hands]
}

export function installPaper({ makeover, studio, today, studioName, size }: AskedCalendar): Promise<Buffer> {
  const { rules } = practiceOf({ makeover, studio })
  const { schedule, money } = reckon({ makeover, studio }, today)
  const sheet = installSheet(makeover, schedule, money, rules, today)
  const page = paper(`Install day: ${headOf(makeover)?.name ?? ''}`, size)
  page.title(
    headOf(makeover)?.name ?? '',
    sheet.on === null ? 'Install day: not set' : `Install day, ${writeWeekdayDate(sheet.on)}`,
  )
  if (sheet.parts.length === 0) page.words('Nothing is carried in yet.')
  const deliveries = deliveriesOf(makeover, money.purchases, schedule, () => '', today).filter(
    ({ comesOn }) => comesOn !== null && comesOn === sheet.on,
  )
  if (deliveries.length > 0) {
    page.heading('Comes on the day')
    for (const { name, row } of deliveries)
      page.words(
        `${name}${row ? `, ${[windowWords(row), row.letsIn === '' ? 'nobody lets it in yet' : `${row.letsIn} lets it in`].filter((part) => part !== '').join(', ')}` : ''}`,
      )
  }
  if (sheet.bring.length > 0) {
    page.heading('To bring')
    page.words(sheet.bring.join(', '))
  }
  for (const { task, lines } of sheet.parts) {
    page.heading(task.name)
    if (lines.length > 0)
      page.table(
        [
          { head: '', width: 4 },
          { head: 'What', width: 40 },
          { head: 'Where', width: 40 },
          { head: 'Who', width: 14 },
        ],
        lines.map(({ name, count, where, byTwo, comes }) => [
          '☐',
          `${count > 1 ? `${count} × ` : ''}${name}${comes === null ? '' : comes === 'not here' || comes === 'overdue' ? ` (${comes})` : ` (comes ${writeShortDate(comes)})`}`,
          where,
          byTwo ? 'two' : 'one',
        ]),
      )
  }
  if (sheet.open.length > 0) {
    page.heading('Not right yet')
    page.table(
      [
        { head: '', width: 4 },
        { head: 'What', width: 60 },
        { head: 'Who', width: 18 },
        { head: 'By', width: 18 },
      ],
      sheet.open.map(({ says, trade, byOn }) => ['☐', says, trade, byOn === null ? '' : writeDate(byOn)]),
    )
  }
  const constraints = rowsOf(makeover, 'constraint').map(({ note, forbids }) => (note === '' ? `no ${forbids}` : note))
  if (constraints.length > 0) {
    page.heading('To keep in mind')
    page.words(constraints.join('; '))
  }
  page.words(
    'Lift by two what is heavy or long. Find cables and pipes before a hole is made. Power, gas and water are for licensed trades.',
    true,
  )
  return page.bytes(`${studioName} · ${writeDate(today)}`)
}
