/** The small forms of the calendar: a task, a hand, days away, what waits for what. */
import type { Planned } from '#core/calendar/index.ts'
import { isUuid } from '#core/makeover/fields.ts'
import { remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { trades, weekdays } from '#core/makeover/work-choices.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { zero } from '#core/money/minor.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  numberField,
  severalField,
  textField,
  yesField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

type Rooms = readonly Row<'room'>[]
const roomOptions = (rooms: Rooms) => rooms.map(({ id, name }) => ({ value: id, label: name }))

/** One's own task, or what is said of one that makes itself: then its name, its days and who does it may be said, and it may be left out. */
export function taskForm(
  rooms: Rooms,
  pieces: readonly Row<'piece'>[],
  pictures: readonly Row<'attachment'>[],
  task: Planned | null,
  leftOut: Row<'task'> | null = null,
) {
  const own = task === null && leftOut === null
  const isOwn = own || leftOut?.key === '' || (task !== null && isUuid(task.key))
  const known = task?.name ?? leftOut?.name ?? ''
  return rowForm({
    kind: 'task',
    title: (row) => (own && !row ? 'A task' : known || row?.name || 'A task'),
    fields: (row) => ({
      name: textField(row?.name || known),
      trade: choiceField(trades, row?.trade ?? (task && task.trade !== 'seller' ? task.trade : 'studio')),
      roomId: maybeChoiceField(
        rooms.map(({ id }) => id),
        row?.roomId ?? task?.roomId ?? null,
      ),
      leastDays: maybeNumberField(row?.leastDays ?? null, 2),
      likelyDays: maybeNumberField(row?.likelyDays ?? (own && !row ? 1 : null), 2),
      mostDays: maybeNumberField(row?.mostDays ?? null, 2),
      people: numberField(row?.people ?? 1, 0),
      pinnedOn: maybeDateField(row?.pinnedOn ?? null),
      doneOn: maybeDateField(row?.doneOn ?? null),
      leftOut: yesField(row?.leftOut ?? false),
      parts: numberField(row?.parts ?? 1, 0),
      dryWeather: yesField(row?.dryWeather ?? false),
      pieceId: maybeChoiceField(
        pieces.map(({ id }) => id),
        row?.pieceId ?? null,
      ),
      isAway: yesField(row?.isAway ?? false),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'name', label: 'What is done' },
        { key: 'trade', label: 'By', as: 'choice', options: asOptions(trades) },
        { key: 'roomId', label: 'Room', as: 'choice', options: roomOptions(rooms), none: 'none' },
      ],
      [
        {
          key: 'leastDays',
          label: 'Least days',
          optional: true,
          hint: 'working days; nothing for what the quantities give',
        },
        { key: 'likelyDays', label: 'Likely days', optional: true },
        { key: 'mostDays', label: 'Most days', optional: true },
      ],
      [
        { key: 'people', label: 'People at it' },
        { key: 'parts', label: 'In parts', hint: 'each is set to its own day' },
        { key: 'pinnedOn', label: 'Begins on', optional: true, hint: 'nothing for as soon as it can' },
        { key: 'doneOn', label: 'Done on', optional: true },
      ],
      ...(isOwn
        ? [
            [
              {
                key: 'pieceId' as const,
                label: 'Done to',
                as: 'choice' as const,
                options: pieces.map(({ id, name }) => ({ value: id, label: name })),
                none: 'no one thing',
              },
              { key: 'isAway' as const, label: 'It is away for it', as: 'yes' as const },
            ],
          ]
        : []),
      [
        { key: 'note', label: 'Note', optional: true },
        { key: 'dryWeather', label: 'Waits for dry weather', as: 'yes' },
        { key: 'leftOut', label: 'Not done here', as: 'yes' },
      ],
    ],
    check: ({ leastDays, likelyDays, mostDays, isAway, pieceId }) => {
      if (isAway && pieceId === null) return [{ field: 'pieceId' as const, message: 'is missing: say what is away' }]
      if (likelyDays === null)
        return leastDays === null && mostDays === null
          ? []
          : [{ field: 'likelyDays' as const, message: 'is missing: a range has a likely value between its ends' }]
      if (leastDays !== null && leastDays > likelyDays)
        return [{ field: 'leastDays' as const, message: `expected at most the likely ${likelyDays}` }]
      return mostDays !== null && mostDays < likelyDays
        ? [{ field: 'mostDays' as const, message: `expected at least the likely ${likelyDays}` }]
        : []
    },
    toRow: (read, row) => ({ ...read, key: row?.key ?? task?.key ?? '' }),
    sentence: ({ name }, row) => `${row ? 'Changed' : 'Added'} the task ${name}`,
    removed: (row) => (row.key === '' ? `Took the task ${row.name} away` : 'The task is as it makes itself again'),
    removedWith: ({ id }) => pictures.filter(({ taskId }) => taskId === id).map((row) => remove('attachment', row)),
    caution: 'Power, gas and water are for licensed trades; lead and asbestos for those trained for them.',
  })
}

export const handForm = (currency: string) =>
  rowForm({
    kind: 'hand',
    title: (row) => row?.name ?? 'Who works',
    fields: (row) => ({
      name: textField(row?.name),
      does: severalField(trades, row?.does ?? ''),
      daysWorked: severalField(weekdays, row?.daysWorked ?? 'Mon, Tue, Wed, Thu, Fri'),
      dayMinor: moneyField(currency, row?.dayMinor ?? zero),
      note: textField(row?.note),
    }),
    layout: [
      [{ key: 'name', label: 'Called' }],
      [{ key: 'does', label: 'Does the work of', as: 'several', options: asOptions(trades) }],
      [{ key: 'daysWorked', label: 'Works on', as: 'several', options: asOptions(weekdays) }],
      [
        { key: 'dayMinor', label: 'A day costs', hint: '0 while nobody said' },
        { key: 'note', label: 'Note', optional: true },
      ],
    ],
    toRow: ({ dayMinor, ...read }) => ({ ...read, dayMinor: dayMinor > 0 ? dayMinor : null }),
    check: ({ daysWorked }) =>
      daysWorked === '' ? [{ field: 'daysWorked' as const, message: 'expected at least one day of the week' }] : [],
    sentence: (_read, row) => (row ? 'Changed who works' : 'Added who works'),
    removed: () => 'Took a hand away',
  })

export const absenceForm = (hands: readonly Row<'hand'>[], today: PlainDate) =>
  rowForm({
    kind: 'absence',
    title: (row) => row?.name || 'Days away',
    fields: (row) => ({
      name: textField(row?.name),
      handId: maybeChoiceField(
        hands.map(({ id }) => id),
        row?.handId ?? null,
      ),
      fromOn: dateField(row?.fromOn ?? today),
      untilOn: dateField(row?.untilOn ?? today),
    }),
    layout: [
      [
        { key: 'name', label: 'What it is', optional: true, hint: 'a holiday, a fair' },
        {
          key: 'handId',
          label: 'Who',
          as: 'choice',
          options: hands.map(({ id, name }) => ({ value: id, label: name })),
          none: 'everybody',
        },
      ],
      [
        { key: 'fromOn', label: 'First day' },
        { key: 'untilOn', label: 'Last day' },
      ],
    ],
    check: ({ fromOn, untilOn }) =>
      untilOn < fromOn ? [{ field: 'untilOn' as const, message: 'lies before the first day' }] : [],
    toRow: (read) => read,
    sentence: ({ name }) => `Noted days away${name === '' ? '' : `: ${name}`}`,
    removed: () => 'Took days away off the calendar',
  })

/** Does the first wait for the second already, by whatever way? Then the second cannot wait for the first. */
function reaches(tasks: readonly Planned[], key: string, wanted: string): boolean {
  const known = new Map(tasks.map((task) => [task.key, task]))
  const seen = new Set<string>()
  const open = [key]
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (at === wanted) return true
    if (seen.has(at)) continue
    seen.add(at)
    open.push(...(known.get(at)?.after ?? []).map((link) => link.key))
  }
  return false
}

export function linkForm(tasks: readonly Planned[], task: Planned) {
  const others = tasks.filter(({ key }) => key !== task.key)
  const nameOf = (key: string): string => tasks.find((known) => known.key === key)?.name ?? key
  return rowForm({
    kind: 'taskLink',
    title: () => `What ${task.name} waits for`,
    fields: (row) => ({
      afterKey: choiceField(
        others.map(({ key }) => key),
        row?.afterKey ?? '',
      ),
      waitDays: numberField(row?.waitDays ?? 0, 2),
    }),
    layout: [
      [
        {
          key: 'afterKey',
          label: 'After',
          as: 'choice',
          options: others.map(({ key, name, hand }) => ({ value: key, label: `${name}, ${hand}` })),
        },
        { key: 'waitDays', label: 'And so many days more', hint: 'for drying and the like' },
      ],
    ],
    check: ({ afterKey }) =>
      reaches(tasks, afterKey, task.key)
        ? [
            {
              field: 'afterKey' as const,
              message: `“${nameOf(afterKey)}” waits for “${task.name}” already: the two would wait for each other`,
            },
          ]
        : [],
    toRow: (read) => ({ ...read, taskKey: task.key }),
    sentence: ({ afterKey }) => `${task.name} waits for ${nameOf(afterKey)}`,
    removed: () => `${task.name} waits for less`,
  })
}
